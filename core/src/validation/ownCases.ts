/** The reference cases that the project holds, by file. Each file says how its figures were found. */
import bleed from './cases/bleed.json' with { type: 'json' };
import bubbles from './cases/bubbles.json' with { type: 'json' };
import datums from './cases/datums.json' with { type: 'json' };
import dubins from './cases/dubins.json' with { type: 'json' };
import fluid from './cases/fluid.json' with { type: 'json' };
import hydraulics from './cases/hydraulics.json' with { type: 'json' };
import joint from './cases/joint.json' with { type: 'json' };
import kinematics from './cases/kinematics.json' with { type: 'json' };
import rods from './cases/rods.json' with { type: 'json' };
import threads from './cases/threads.json' with { type: 'json' };
import type { ReferenceCase } from './case.ts';
import { casesOf } from './case.ts';

const FILES = {
  threads,
  joint,
  hydraulics,
  fluid,
  bubbles,
  bleed,
  rods,
  dubins,
  datums,
  kinematics,
} as const;

/** How the figures of each file were found. */
export const PROVENANCE: Readonly<Record<keyof typeof FILES, string>> = {
  threads: threads.provenance,
  joint: joint.provenance,
  hydraulics: hydraulics.provenance,
  fluid: fluid.provenance,
  bubbles: bubbles.provenance,
  bleed: bleed.provenance,
  rods: rods.provenance,
  dubins: dubins.provenance,
  datums: datums.provenance,
  kinematics: kinematics.provenance,
};

export const OWN_CASES: readonly ReferenceCase[] = Object.values(FILES).flatMap((file) =>
  casesOf(file.public),
);
