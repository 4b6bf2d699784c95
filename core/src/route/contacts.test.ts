/** A sheath belongs where a still part comes too near, and nowhere else. */
import { add, scaled, unit } from '../geometry/vector.ts';
import type { Vector } from '../geometry/vector.ts';
import { contactsOf } from './contacts.ts';
import type { KeepOut, Scene } from './sceneParts.ts';
import { SAMPLE_FORK } from './testScenes.ts';

const { start } = SAMPLE_FORK.hose;
const withBall = (centre_m: Vector, nature: KeepOut['nature']): Scene => ({
  ...SAMPLE_FORK,
  keepOuts: [
    {
      id: 'ball',
      name: 'Ball',
      body: start.body,
      solid: { shape: 'sphere', centre_m, radius_m: 0.01 },
      nature,
      gap_m: null,
    },
  ],
});

test('a ball before the first end is a contact near there; one far off or one that moves is none', () => {
  const before = add(start.port_m, scaled(unit(start.outward), 0.06));
  const [contact, ...others] = contactsOf(withBall(before, 'still'));
  expect(others).toEqual([]);
  expect(contact?.part).toBe('Ball');
  // Six centimetres from the port, about: the hose has hardly bent there.
  expect(contact?.at_m).toBeGreaterThan(0.04);
  expect(contact?.at_m).toBeLessThan(0.09);
  expect(contactsOf(withBall([5, 5, 5], 'still'))).toEqual([]);
  expect(contactsOf(withBall(before, 'moving'))).toEqual([]);
});
