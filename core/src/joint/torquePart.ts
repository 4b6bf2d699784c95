/** The vehicle's own joint with the parts it was built with, the hose maker's kit, the bolt as its own maker sells it. */
export const TORQUE_PARTS = ['joint', 'kit', 'bolt'] as const;
/** What a torque figure is for. */
export type TorquePart = (typeof TORQUE_PARTS)[number];
