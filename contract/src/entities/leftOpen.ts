/** What a job that was given up left open on a vehicle: it does not run until another job has closed it. */
import { z } from 'zod';
import { Id, Instant, Name } from './common.ts';
import { ITEM_KINDS } from './item.ts';

/** How a joint was left: opened, or tightened with something else than it needs; over its limit; tight, and nobody saw it dry. */
export const LEFT_JOINT_STATES = ['open', 'tooFar', 'unproved'] as const;
export type LeftJointState = (typeof LEFT_JOINT_STATES)[number];

export const LeftOpenSchema = z.strictObject({
  jobId: Id,
  jobTitle: Name,
  at: Instant,
  by: Name,
  /** Each goes when a job that works on it is signed off. */
  circuits: z.array(z.strictObject({ id: Id, name: Name })),
  joints: z.array(z.strictObject({ id: Id, circuitId: Id, name: Name, state: z.enum(LEFT_JOINT_STATES) })),
  /** Brackets, clips and bolts that were off. */
  items: z.array(z.strictObject({ kind: z.enum(ITEM_KINDS), name: Name })),
});
export type LeftOpen = z.infer<typeof LeftOpenSchema>;
