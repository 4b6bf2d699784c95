/**
 * The log of a job: what was done, by whom and when, kind by kind. It is only ever added to; taking something back is a line of
 * its own. A book of before may tell less of a kind than is asked of it now; what a line tells beyond it is kept as it is.
 */
import {
  BLEED_EVENTS,
  CONDITIONS,
  FLARE_LOOKS,
  KIT_VERDICTS,
  LAYOUTS,
  MAKE_UP_STEPS,
  OUTFLOWS,
  SEATS,
  THREAD_STATES,
} from '@zephyrcombe/core';
import { z } from 'zod';
import { ToldCautionSchema } from '../problems.ts';
import { STEP_KINDS } from '../formats/fitPlan.ts';
import { Id, Instant, Name } from './common.ts';
import { ITEM_HANDLINGS, ITEM_KINDS } from './item.ts';
import { OverrideSchema } from './job.ts';

/** What stood against it, and why somebody went on all the same. */
const judged = {
  overrides: z.array(OverrideSchema).readonly().optional(),
  cautions: z.array(ToldCautionSchema).readonly().optional(),
};
const names = z.array(z.string()).readonly();
const hose = { hoseId: Id };
const line = { lineId: Id };
const joint = { jointId: Id };
const nipple = { nippleId: Id };
const PortFacts = z.looseObject({
  thread: z.string(),
  seat: z.enum(SEATS),
  depth_m: z.number().nullable(),
  eyeThickness_m: z.number().nullable().optional(),
});
const scope = { circuits: names, hoses: names, lines: names.optional(), joints: names.optional() };
const ticks = z.looseObject({});

/** What a line of each kind tells. */
export const LOG_DETAILS = {
  opened: z.looseObject({ title: z.string(), reason: z.string(), ...scope }),
  renamed: z.looseObject({ from: z.string(), title: z.string() }),
  lookedOver: z.looseObject({ endsConfirmed: z.boolean(), reason: z.string() }),
  portSeen: z.looseObject({ ...joint, how: z.string(), before: PortFacts, found: PortFacts }),
  findingRecorded: z.looseObject({ subjectId: Id, condition: z.enum(CONDITIONS), name: z.string() }),
  findingStruck: z.looseObject({ findingId: Id, because: z.string() }),
  photoAdded: z.looseObject({
    subject: z.string(),
    subjectId: Id,
    photoId: Id,
    size_bytes: z.int(),
    step: z.enum(STEP_KINDS).nullish(),
  }),
  hosesChosen: z.looseObject(scope),
  layoutChosen: z.looseObject({ from: z.string().nullable(), to: z.enum(LAYOUTS).nullable(), hoses: names }),
  readingTaken: z.looseObject({
    ...hose,
    pose: z.string(),
    length_m: z.number(),
    typed: z.string(),
    ...judged,
  }),
  readingStruck: z.looseObject({ readingId: Id, because: z.string() }),
  poseChecked: ticks.extend(hose),
  liftEntered: z.looseObject({ ...hose, lift: z.unknown() }),
  traceSaved: z.looseObject({ traceId: Id, name: z.string() }),
  traceRemoved: z.looseObject({ traceId: Id, name: z.string() }),
  donorChecked: z.looseObject({
    evidenceId: Id,
    ...hose,
    fits: z.boolean(),
    donor: z.looseObject({ length_m: z.number() }),
    ...judged,
  }),
  routeJudged: z.looseObject({ evidenceId: Id, ...hose, cornerId: Id, holds: z.boolean(), ...judged }),
  lineJudged: z.looseObject({ evidenceId: Id, name: z.string(), cut_m: z.number(), ...judged }),
  patternTaken: z.looseObject({ ...line, pattern: z.looseObject({}), cut_m: z.number().optional() }),
  lineMade: z.looseObject({
    ...line,
    checks: z.looseObject({ looksA: z.enum(FLARE_LOOKS).nullable(), looksB: z.enum(FLARE_LOOKS).nullable() }),
    made: z.boolean().optional(),
    cut_m: z.number().optional(),
    ...judged,
  }),
  lengthTaken: z.looseObject({ ...hose, order_m: z.number(), ...judged }),
  orderTermsSet: z.looseObject({ finish: z.string(), needBy: z.string().nullable() }),
  /** Of a hose, or of the parts of a joint. */
  specified: z.looseObject({ hoseId: Id.optional(), jointId: Id.optional(), ...judged }),
  quoted: z.looseObject({ quote: z.string(), total: z.number(), currency: z.string() }),
  ordered: z.looseObject({ order: z.string(), expectedOn: z.string() }),
  delivered: z.looseObject({ order: z.string(), boxes: z.int() }),
  made: z.looseObject({ ...hose, step: z.enum(MAKE_UP_STEPS), undo: z.boolean(), ...judged }),
  proved: z.looseObject({ ...hose, passed: z.boolean(), pressure_Pa: z.number() }),
  kitChecked: z.looseObject({
    ...hose,
    verdict: z.enum(KIT_VERDICTS).nullable(),
    decided: z.looseObject({ verdict: z.enum(KIT_VERDICTS), because: z.string() }).nullable(),
  }),
  itemSaved: z.looseObject({
    itemId: Id,
    name: z.string(),
    item: z.enum(ITEM_KINDS),
    handling: z.enum(ITEM_HANDLINGS),
    done: z.boolean(),
    torque_Nm: z.number().optional(),
  }),
  itemRemoved: z.looseObject({ itemId: Id, name: z.string(), because: z.string() }),
  plugsCounted: z.looseObject(hose),
  /** Of a joint, or of a line. */
  fitStepTaken: z.looseObject({
    step: z.looseObject({ kind: z.string() }),
    undo: z.boolean().optional(),
    /** Practices that it went before. */
    passedOver: names.optional(),
    ...judged,
  }),
  fitFactSaid: z.looseObject({ subjectId: Id, fact: z.string(), value: z.unknown() }),
  handTight: z.looseObject({ ...joint, handTight: z.boolean(), ...judged }),
  fitChecked: ticks,
  torqued: z.looseObject({
    ...joint,
    torque_Nm: z.number().nullable(),
    typed: z.string(),
    wrenchName: z.string().nullable(),
    verdict: z.enum(['below', 'within', 'above', 'yielded', 'byFeel']),
    threads: z.enum(THREAD_STATES).nullish(),
    renewed: z.boolean().optional(),
    because: z.string().optional(),
    /** What the wrench told of the pull. */
    pull: z
      .looseObject({ serial: z.string(), isSimulated: z.boolean(), turn_rad: z.number(), dropOuts: z.int() })
      .optional(),
    range: z.looseObject({ minimum_Nm: z.number(), maximum_Nm: z.number() }).optional(),
    freshWashers: z.int(),
    witnessMark: z.boolean(),
    ...judged,
  }),
  bled: z.looseObject({
    ...nipple,
    kind: z.enum([...BLEED_EVENTS, 'undo']),
    volume_m3: z.number().optional(),
    outflow: z.enum(OUTFLOWS).optional(),
  }),
  leakChecked: z.looseObject({ ...joint, leakChecked: z.boolean() }),
  handoverChecked: ticks,
  finished: z.looseObject({ servicedOn: z.string(), ...judged }),
  abandoned: z.looseObject({
    because: z.string(),
    brakeLeftOpen: z.boolean(),
    tickedByMistake: z.boolean().optional(),
  }),
} as const satisfies Readonly<Record<string, z.ZodObject>>;

export type LogKind = keyof typeof LOG_DETAILS;
export const LOG_KINDS = Object.keys(LOG_DETAILS) as [LogKind, ...LogKind[]];
/** What is written of a kind now. */
export type LogDetail<Kind extends LogKind = LogKind> = z.input<(typeof LOG_DETAILS)[Kind]>;
/** What may be read of it: a line of before may tell less. */
export type ToldDetail<Kind extends LogKind> = Partial<z.output<(typeof LOG_DETAILS)[Kind]>>;

export const LogEntrySchema = z.strictObject({
  id: Id,
  sequence: z.int(),
  /** When it was done, by the clock of who did it. */
  at: Instant,
  /** When it came to the book; null for what was written before that was kept. */
  receivedAt: Instant.nullable(),
  by: Name,
  byId: Id.nullable(),
  kind: z.enum(LOG_KINDS),
  /** As `LOG_DETAILS` has it for its kind. */
  detail: z.record(z.string(), z.unknown()),
  correctsId: Id.nullable(),
  /** Of the request that did it: sent again, it is this one. */
  sentId: Id.nullable(),
});
export type LogEntry = z.infer<typeof LogEntrySchema>;

/** What an entry tells, as far as its kind has it; a field that is not as it should be is left out, and the others are read. */
export function toldBy<Kind extends LogKind>(
  kind: Kind,
  detail: Readonly<Record<string, unknown>>,
): ToldDetail<Kind> {
  const { shape } = LOG_DETAILS[kind] as z.ZodObject;
  const told = Object.entries(detail).filter(([field, value]) => {
    const asked = shape[field] as z.ZodType | undefined;
    return asked === undefined || asked.safeParse(value).success;
  });
  return Object.fromEntries(told) as ToldDetail<Kind>;
}
