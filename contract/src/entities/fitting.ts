/** What is said about fitting a job: how its joints can be reached, what holds its lines, which way is chosen; and the steps taken. */
import {
  BLEED_METHODS,
  IGNITIONS,
  LEVER_RELEASES,
  LIDS,
  NIPPLE_FREED,
  POSES,
  WET_PADS,
} from '@zephyrcombe/core';
import { CLEANERS, CORNERS, DRIVERS, HOLD_KINDS, KEPT_WAYS, SEIZED_WAYS } from '@zephyrcombe/core/plan';
import { z } from 'zod';
import { PlanStepSchema } from '../formats/fitPlan.ts';
import { Id, Instant, Name } from './common.ts';

const End = z.enum(['A', 'B']);
const said = <Kind extends string, Value extends z.ZodType>(kind: Kind, value: Value) =>
  z.strictObject({ kind: z.literal(kind), subjectId: Id, value });

/** One pull at a lever. */
export const LeverPullSchema = z.strictObject({
  when: z.enum(['before', 'after']),
  by: z.discriminatedUnion('with', [
    z.strictObject({ with: z.literal('balance'), force_N: z.number().positive().max(3000) }),
    z.strictObject({ with: z.literal('gauge'), pressure_Pa: z.number().positive().max(3e7) }),
  ]),
  travel_m: z.number().positive().max(0.5),
  at: Instant,
  /** What the drawing had of the master when it was first said: put in by the server, whatever is sent. */
  master: z
    .strictObject({
      masterBore_m: z.number().positive().nullable(),
      leverRatio: z.number().positive().nullable(),
      leverStroke_m: z.number().positive().nullable(),
    })
    .nullish(),
});
export type LeverPull = z.infer<typeof LeverPullSchema>;

/** Of what holds a line, or lies along it: what a build says by itself has a name and no row. */
const PlaceId = z.string().regex(/^\S{1,120}$/, 'is a name without spaces');

/** Access of a joint, from open to hidden. */
export const MOST_HIDDEN = 3;

export const HoldSchema = z.strictObject({
  id: PlaceId,
  name: Name,
  kind: z.enum(HOLD_KINDS),
  at: z.enum(['A', 'B', 'mid']),
  closed: z.boolean(),
  keyed: z.boolean(),
  tighten: z.boolean(),
  /** What turns its screw; left out or null where nobody has looked. */
  driver: z.enum([...DRIVERS, 'none']).nullish(),
});
export type Hold = z.infer<typeof HoldSchema>;

export const LeadSchema = z.strictObject({ id: PlaceId, name: Name, side: z.string().trim().min(1).max(40) });

/** The subject is a joint, a line, a reservoir, an ABS unit, a nipple, a circuit, a cover, the vehicle or the job, by the kind. */
export const FitFactSaidSchema = z.discriminatedUnion('kind', [
  // Of the vehicle: nobody is asked twice.
  said('access', z.int().min(0).max(MOST_HIDDEN)),
  said('neckStop', z.boolean()),
  said('soak', z.boolean()),
  said('holds', z.array(HoldSchema).max(12)),
  said('leads', z.array(LeadSchema).max(6)),
  /** Bodywork over joints; null: there is none after all. */
  said('cover', z.strictObject({ name: Name, joints: z.array(Id).min(1).max(40) }).nullable()),
  /** Of a line: the corner that it belongs to; null: to none. */
  said('corner', z.enum(CORNERS).nullable()),
  said('absCycle', z.boolean()),
  /** Of a circuit: the vehicle has ABS, and this one never had a unit. */
  said('withoutAbs', z.boolean()),
  // Of this job.
  said('seized', z.boolean()),
  said(
    'turnEnd',
    z.strictObject({ end: End, angle_deg: z.number().min(-360).max(360), rotatable: z.boolean() }).nullable(),
  ),
  /** An order that somebody asks for, such as the vehicle's maker; null: not after all. */
  said('demand', z.strictObject({ first: PlanStepSchema, then: PlanStepSchema, why: Name }).nullable()),
  said('kept', z.enum([...KEPT_WAYS, 'auto'])),
  said('rhythm', z.enum(['byCorner', 'allOff', 'auto'])),
  said('trialWashers', z.enum(['on', 'off', 'auto'])),
  said('seizedWay', z.enum([...SEIZED_WAYS, 'auto'])),
  said('backOut', z.boolean()),
  said('oldBroken', z.boolean()),
  /** What the parts were cleaned with, of the whole job. */
  said('cleaner', z.enum(CLEANERS)),
  /**
   * The least distance to anything that was seen in each pose; null: not looked after all. What the drawing has in each is
   * worked out by the server, whatever is sent.
   */
  said(
    'movementSeen',
    z
      .strictObject({
        poses: z
          .array(
            z.strictObject({
              pose: z.enum(POSES),
              seen_m: z.number().min(0).max(1),
              expected_m: z.number().min(0).max(1).nullish(),
            }),
          )
          .min(1)
          .max(POSES.length),
        expected_m: z.number().min(0).max(1).nullable(),
      })
      .nullable(),
  ),
  /** How far the stripe is turned from end to end. */
  said('stripeTurned', z.number().min(-20).max(20)),
  said('openSpanner', z.boolean()),
  said('sealant', z.boolean()),
  said('bareBracket', z.boolean()),
  /** Of a nipple that came out: how long it is, and the one that goes in. */
  said(
    'bleedScrew',
    z.strictObject({
      out_m: z.number().positive().max(0.2).nullable(),
      in_m: z.number().positive().max(0.2).nullable(),
    }),
  ),
  /** Of a circuit: its lever held at one force, seconds since it was pulled and travel from where it rests; null: not held after all. */
  said(
    'holdTest',
    z
      .array(z.strictObject({ at_s: z.number().min(0).max(259_200), travel_m: z.number().min(0).max(0.5) }))
      .min(1)
      .max(20)
      .nullable(),
  ),
  /**
   * Of a circuit: pulls at its lever before the work and after it, by a spring balance at the lever or a gauge in the line, with the travel
   * from where it rests; null: not read after all.
   */
  said('leverPulls', z.array(LeverPullSchema).min(1).max(40).nullable()),
  /** Of the vehicle: the order in which its maker wants the nipples; null: its maker says none. */
  said('nippleOrder', z.array(Id).min(1).max(40).nullable()),
  /** Of the vehicle: where the driver and the master sit. */
  said('driveSide', z.enum(['left', 'right']).nullable()),
  /** Of a nipple: the ignition that the maker asks for, where a booster is electric; null: nobody has looked it up after all. */
  said('ignitionAsked', z.enum(IGNITIONS).nullable()),
  /** The same as it was when this nipple was bled. */
  said('ignition', z.enum(IGNITIONS).nullable()),
  /**
   * Of a circuit: how it is bled; it is changed, not unsaid. `after` is the newest event at the nipples, put in by the server, whatever
   * is sent.
   */
  said(
    'bleedWay',
    z.strictObject({
      method: z.enum(BLEED_METHODS),
      pressure_Pa: z.number().positive().max(1e6).nullable(),
      releases: z.enum(LEVER_RELEASES).nullable(),
      lid: z.enum(LIDS).nullable(),
      after: z.int().min(0).nullish(),
    }),
  ),
  /** Of a circuit: its ABS unit was cycled with a diagnostic tool; `after` as above. null: it was not after all. */
  said('absCycled', z.strictObject({ after: z.int().min(0).nullish() }).nullable()),
  /** Of a caliper or a wheel cylinder: its pads or shoes met fluid, and what became of them; null: they did not after all. */
  said('padsWet', z.enum(WET_PADS).nullable()),
  /** Of a nipple that would not turn: how it was freed, null where nobody says; null as a whole: it turned after all. */
  said('nippleSeized', z.strictObject({ freed: z.enum(NIPPLE_FREED).nullable() }).nullable()),
  /** Of a nipple: whether it is the highest point of its caliper. */
  said('nippleTop', z.boolean().nullable()),
]);
export type FitFactSaid = z.infer<typeof FitFactSaidSchema>;
export type FitFactKind = FitFactSaid['kind'];

/** Of a kind of step, how many of the newest durations count. */
export const MOST_TIMES = 40;

/** Facts that stay with the vehicle; the others are of one job. */
export const VEHICLE_FACTS: ReadonlySet<FitFactKind> = new Set<FitFactKind>([
  'access',
  'neckStop',
  'soak',
  'holds',
  'leads',
  'cover',
  'corner',
  'absCycle',
  'withoutAbs',
  'nippleOrder',
  'driveSide',
  'ignitionAsked',
]);

/** Only added to: the newest of a kind about a subject counts. */
export const FitFactSchema = z.strictObject({ id: Id, said: FitFactSaidSchema, by: Name, at: Instant });
export type FitFact = z.infer<typeof FitFactSchema>;

/** A step that was taken, and not taken back. */
export const FitStepSchema = z.strictObject({ id: Id, step: PlanStepSchema, by: Name, at: Instant });
export type FitStep = z.infer<typeof FitStepSchema>;
