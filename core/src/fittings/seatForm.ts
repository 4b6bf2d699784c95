/** What the bottom or the face of a port offers to seal against. */
export const SEATS = ['flatWasherFace', 'invertedFlare', 'bubbleFlare', 'taperSeat'] as const;
export type Seat = (typeof SEATS)[number];
