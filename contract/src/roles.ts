/** Who may do what: one table for server and page. */

export const ROLES = ['lead', 'technician', 'apprentice'] as const;
export type Role = (typeof ROLES)[number];

/** What somebody may be allowed or refused. Every route asks for one of them. */
export const ACTIONS = [
  /** Everything that is written down, and its papers. */
  'read',
  /** One's own units, passphrase and sign-ins. */
  'keepOwn',
  /** Vehicles, circuits and routes, entered and corrected. */
  'enterVehicles',
  'removeVehicles',
  /** Jobs: looking over, measuring, preparing what is specified, fitting, torquing, bleeding. */
  'work',
  /** Saying that a length, a specification, a box or a proof is good: others go on from it. */
  'approve',
  /** A reading or finding that somebody else recorded. */
  'strikeOthers',
  /** Giving a reason for going on at a stop. */
  'passStop',
  /** What costs money. */
  'order',
  'signOff',
  /** Deciding what becomes of a brake that was opened and not put together. */
  'abandonOpened',
  'countStock',
  /** What the shop has settled, and its wrenches. */
  'keepShop',
  'keepPeople',
] as const;
export type Action = (typeof ACTIONS)[number];

const ALL = ROLES;
const SKILLED = ['lead', 'technician'] as const;
const LEAD = ['lead'] as const;

export const MAY: Readonly<Record<Action, readonly Role[]>> = {
  read: ALL,
  keepOwn: ALL,
  enterVehicles: ALL,
  removeVehicles: SKILLED,
  work: ALL,
  approve: SKILLED,
  strikeOthers: SKILLED,
  passStop: SKILLED,
  order: SKILLED,
  signOff: SKILLED,
  abandonOpened: SKILLED,
  countStock: ALL,
  keepShop: LEAD,
  keepPeople: LEAD,
};

export const may = ({ role }: { readonly role: Role }, action: Action): boolean => MAY[action].includes(role);
