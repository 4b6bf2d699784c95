/** Roles and what they may do, in words. */
import type { Action, Role } from '@zephyrcombe/contract';
import { MAY } from '@zephyrcombe/contract';

export const ROLE_NAMES: Readonly<Record<Role, string>> = {
  lead: 'lead',
  technician: 'technician',
  apprentice: 'apprentice',
};

export const ACTION_NAMES: Readonly<Record<Action, string>> = {
  read: 'Read the book and print from it',
  keepOwn: 'Choose own units and passphrase, end own sign-ins',
  enterVehicles: 'Enter and correct vehicles, circuits and routes',
  removeVehicles: 'Remove vehicles, circuits and routes',
  work: 'Start a job and work on it: measure, fit, torque, bleed',
  approve: 'Take a length, specify a hose, accept a box, record a proof',
  strikeOthers: 'Strike out a reading or finding that somebody else recorded',
  passStop: 'Go on at a stop, with a reason',
  order: 'Order from a supplier',
  signOff: 'Sign a job off',
  abandonOpened: 'Abandon a job whose brake was opened',
  countStock: 'Count what lies on the shelf',
  keepShop: 'Write what the shop has settled, and its wrenches',
  keepPeople: 'Enter people, give roles and passphrases, end sign-ins',
};

/** Who may, as somebody is told who may not: "A technician or your lead does this." */
export function whoMay(action: Action): string {
  const [first, ...others] = [...MAY[action]]
    .reverse()
    .map((role) => (role === 'lead' ? 'your lead' : `a ${role}`));
  const who = others.length === 0 ? (first ?? 'nobody') : `${first} or ${others.join(' or ')}`;
  return `${who.replace(/^./, (letter) => letter.toUpperCase())} does this.`;
}
