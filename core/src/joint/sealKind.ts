export const SEAL_KINDS = ['banjo', 'flare', 'screwed'] as const;
/** How a joint seals: an eye between washers, a flared tube nut, or a male end screwed in that does not swivel. */
export type SealKind = (typeof SEAL_KINDS)[number];
