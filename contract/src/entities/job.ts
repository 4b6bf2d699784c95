import {
  AIDS,
  BOLT_STATES,
  CAUTION_IDS,
  FLUID_GRADES,
  HANDOVER_CHECKS,
  LENGTH_POINTS,
  BLEED_EVENTS,
  OUTFLOWS,
  POSES,
  STAGES,
  THREAD_STATES,
} from '@zephyrcombe/core';
import { z } from 'zod';
import {
  Angle_rad,
  CalendarDate,
  Distance_m,
  Id,
  Instant,
  Length_m,
  Name,
  Note,
  Typed,
  Version,
} from './common.ts';
import { HoseBuildSchema, KitCheckSchema, MakeUpSchema, PlugsSchema } from './hoseBuild.ts';
import { ApprovalSchema } from './approval.ts';
import { JobItemSchema } from './item.ts';
import { JobLineSchema } from './line.ts';
import { SupplySchema } from '../formats/supplier.ts';
import { FindingSchema, LeftOnSchema, PhotoSchema } from './finding.ts';
import { FitFactSchema, FitStepSchema } from './fitting.ts';
import { AdapterSchema } from './pull.ts';
import { ROLES } from '../roles.ts';
import { TraceSchema } from './trace.ts';
import { PersonSchema, ShopSchema, WrenchSchema } from './shop.ts';
import {
  BoltSchema,
  CircuitSchema,
  EndGeometrySchema,
  HydraulicsSchema,
  VehicleChangeSchema,
  VehicleSchema,
  WasherSchema,
} from './vehicle.ts';

export const LengthDatumSchema = z.strictObject({ endA: z.enum(LENGTH_POINTS), endB: z.enum(LENGTH_POINTS) });

export const FitChecksSchema = z.strictObject({
  offeredUp: z.boolean(),
  settle: z.boolean(),
  lockToLock: z.boolean(),
  droopAndBump: z.boolean(),
});
export type FitChecks = z.infer<typeof FitChecksSchema>;

export const HandoverChecksSchema = z.partialRecord(z.enum(HANDOVER_CHECKS), z.boolean());

export const JOB_STATES = ['open', 'finished', 'abandoned'] as const;

/** Why a job was given up, and whether the vehicle left with its brake open. */
export const AbandonedSchema = z.strictObject({
  on: CalendarDate,
  by: Name,
  byId: Id.nullish(),
  because: Note,
  brakeLeftOpen: z.boolean(),
});

/** What an order says besides the hoses. */
export const OrderTermsSchema = z.strictObject({
  needBy: CalendarDate.nullable(),
  /** Colour of cover and fittings, plating: as the supplier names it. */
  finish: z.string().trim().max(120),
});

export const JobSchema = z.strictObject({
  id: Id,
  /** Counted up through the book; orders are known by it. */
  number: z.int().positive(),
  vehicleId: Id,
  title: Name,
  reason: Note,
  status: z.enum(JOB_STATES),
  openedOn: CalendarDate,
  openedBy: Name,
  openedById: Id.nullable(),
  finishedOn: CalendarDate.nullable(),
  signedBy: Name.nullable(),
  signedById: Id.nullable(),
  abandoned: AbandonedSchema.nullable(),
  endsConfirmed: z.boolean(),
  /** What a parts supplier said; null until one was asked. */
  supply: SupplySchema.nullable(),
  orderTerms: OrderTermsSchema.nullable(),
  fitChecks: FitChecksSchema,
  handoverChecks: HandoverChecksSchema,
  version: Version,
});
export type Job = z.infer<typeof JobSchema>;

/** Signed off or abandoned: nothing is written to it any more. */
export const isClosed = ({ status }: Pick<Job, 'status'>): boolean => status !== 'open';

export const PoseChecksSchema = z.strictObject({
  controlsFinal: z.boolean(),
  bracketsInPlace: z.boolean(),
  leftLock: z.boolean(),
  rightLock: z.boolean(),
  fullBump: z.boolean(),
  crossedUp: z.boolean(),
});

/** Longer springs, spacers or arms that are still to be fitted. */
export const LiftSchema = z.strictObject({
  height_m: z.number().positive().max(0.5),
  /** How much lower the wheel will hang against the body; null until it is measured. */
  droop_m: z.number().positive().max(0.5).nullable(),
});

/** One hose in the scope of a job: what was found, measured and specified. */
export const JobHoseSchema = z.strictObject({
  hoseId: Id,
  poseChecks: PoseChecksSchema,
  /** The length that goes on the order, between the sealing points; null until it is taken. */
  order_m: Length_m.nullable(),
  /** What that length was taken from; left out where it was taken before it was kept. */
  lengthTaken: ApprovalSchema.nullish(),
  /** What the maker counts from; null until somebody asked. */
  orderDatum: LengthDatumSchema.nullable(),
  lift: LiftSchema.nullable(),
  endA: EndGeometrySchema,
  endB: EndGeometrySchema,
  clocking_rad: Angle_rad.nullable(),
  /** While what was specified stands. */
  specified: z.boolean(),
  /** What was specified last; left out where that was before it was kept. */
  specification: ApprovalSchema.nullish(),
  /** As it is to be built; null as long as what the application puts there was not kept. */
  build: HoseBuildSchema.nullable(),
  makeUp: MakeUpSchema,
  /** Null until the box was opened. */
  kit: KitCheckSchema.nullable(),
  plugs: PlugsSchema,
  /** What was held against its route; left out where nobody did, or did before it was kept. */
  offeredUp: ApprovalSchema.nullish(),
  version: Version,
});
export type JobHose = z.infer<typeof JobHoseSchema>;

/** One joint in the scope of a job: what goes into it and how far it is. */
export const JobJointSchema = z.strictObject({
  jointId: Id,
  bolt: BoltSchema.nullable(),
  washer: WasherSchema.nullable(),
  boltState: z.enum(BOLT_STATES),
  /** The bolt that comes off works the stop lamp. */
  oldIsSwitch: z.boolean(),
  handTight: z.boolean(),
  leakChecked: z.boolean(),
  /** In the job by itself: opened and tightened anew, whatever stays on it. */
  refit: z.boolean(),
  version: Version,
});
export type JobJoint = z.infer<typeof JobJointSchema>;

const Turns = z.number().min(0).max(3);
const Shank_m = z.number().positive().max(0.03);
export const WireWrapSchema = z.strictObject({
  turnsA: Turns,
  turnsB: Turns,
  boltA_m: Shank_m,
  boltB_m: Shank_m,
  wire_m: z.number().positive().max(0.01),
});
export const TightBendsSchema = z.strictObject({
  quarters: z.int().min(0).max(20),
  radius_m: z.number().min(0).max(0.5),
});

export const ReadingSchema = z.strictObject({
  id: Id,
  hoseId: Id,
  pose: z.enum(POSES),
  length_m: Length_m,
  typed: Typed,
  datum: LengthDatumSchema,
  aid: z.enum(AIDS),
  /** As entered; null takes what is usual for the aid. */
  uncertainty_m: z.number().positive().max(0.1).nullable(),
  remainingTravel_m: z.number().min(0).max(1),
  /** Wire hooked round the bolts in the eyes' stead: off the length already. */
  wrap: WireWrapSchema.nullable(),
  /** Bends of wire that a hose cannot make; null where nobody counted, and for tube and string. */
  tightBends: TightBendsSchema.nullable(),
  takenBy: Name,
  /** Null for who is not on record any more. */
  takenById: Id.nullable(),
  takenAt: Instant,
  struckBecause: Note.nullable(),
});
export type Reading = z.infer<typeof ReadingSchema>;

export const TorqueRecordSchema = z.strictObject({
  id: Id,
  jointId: Id,
  /** Null where it was tightened by feel: there was no figure, and none is invented. */
  wrenchId: Id.nullable(),
  wrenchName: Name.nullable(),
  torque_Nm: z.number().positive().nullable(),
  typed: Typed,
  /** A crowfoot or an extension on the wrench; `torque_Nm` is what the joint has, `typed` what was read. */
  adapter: AdapterSchema.nullish(),
  /** The pull that the figure comes from, where the wrench was read; left out where a person typed it. */
  pullId: Id.nullish(),
  /** Why there is no figure; left out where there is one. */
  because: Note.nullish(),
  freshWashers: z.int().min(0).max(20),
  settled: z.boolean(),
  witnessMark: z.boolean(),
  /** `yielded`: within its range, and it turned on without getting tighter. */
  verdict: z.enum(['within', 'above', 'yielded', 'byFeel']),
  /** What was on its thread and under its head; left out where nobody said. */
  threads: z.enum(THREAD_STATES).nullish(),
  /** It had been tightened too far: its bolt is new now, or its seat and thread were looked at and are sound. */
  renewed: z.boolean().optional(),
  /** The parts that it tightened; left out where it was recorded before they were kept. */
  fitted: ApprovalSchema.nullish(),
  by: Name,
  byId: Id.nullable(),
  at: Instant,
});
export type TorqueRecord = z.infer<typeof TorqueRecordSchema>;

/** The order in which the server got it. */
const Sequence = z.int().min(0);
/** `at` as who did it says; `sequence` is what the count goes by, whatever two clocks say. */
const happened = { id: Id, at: Instant, sequence: Sequence };
/** Caught at once: nobody empties more than two litres from one nipple. */
export const Caught_m3 = z.number().positive().max(0.002);
export const BleedEventSchema = z.discriminatedUnion('kind', [
  z.strictObject({ ...happened, kind: z.literal('stroke') }),
  z.strictObject({ ...happened, kind: z.literal('topUp') }),
  z.strictObject({ ...happened, kind: z.literal('outflow'), outflow: z.enum(OUTFLOWS) }),
  z.strictObject({ ...happened, kind: z.literal('volume'), volume_m3: Caught_m3 }),
  z.strictObject({ ...happened, kind: z.literal('clear') }),
  z.strictObject({ ...happened, kind: z.literal('drewBack') }),
  z.strictObject({ ...happened, kind: z.literal('ranDry') }),
]);
export type StoredBleedEvent = z.infer<typeof BleedEventSchema>;

/** A row of what was done at a nipple. One that takes another back names it. */
export const BleedRowSchema = z.strictObject({
  ...happened,
  nippleId: Id,
  kind: z.enum([...BLEED_EVENTS, 'undo']),
  outflow: z.enum(OUTFLOWS).optional(),
  volume_m3: Caught_m3.optional(),
  undoesId: Id.optional(),
});
export type BleedRow = z.infer<typeof BleedRowSchema>;

/** What changed at the nipples of a job since a place; `isMore` where that is more than fits: the job is read anew. */
export const BleedUpdateSchema = z.strictObject({
  jobId: Id,
  rows: z.array(BleedRowSchema),
  isMore: z.boolean(),
});
export type BleedUpdate = z.infer<typeof BleedUpdateSchema>;

export const BleedRunSchema = z.strictObject({ nippleId: Id, events: z.array(BleedEventSchema) });
export type BleedRun = z.infer<typeof BleedRunSchema>;

export const FluidServiceSchema = z.strictObject({
  id: Id,
  circuitId: Id,
  circuitName: Name,
  jobId: Id.nullable(),
  servicedOn: CalendarDate,
  distance_m: Distance_m.nullable(),
  grade: z.enum(FLUID_GRADES),
  batch: z.string().max(60),
  bottleOpenedOn: CalendarDate.nullable(),
  quantity_m3: z.number().positive().max(0.02).nullable(),
  oldColour: z.enum(['blackTea', 'tea', 'honey', 'straw']).nullable(),
  oldWaterFraction: z.number().min(0).max(0.2).nullable(),
  intervalMonths: z.int().min(1),
  intervalDistance_m: Distance_m.nullable(),
  dueOn: CalendarDate,
  dueDistance_m: Distance_m.nullable(),
  by: Name,
  byId: Id.nullable(),
});
export type FluidService = z.infer<typeof FluidServiceSchema>;

/** A stop that was answered instead of cured: who may do so, and why, is recorded. */
export const OverrideSchema = z.strictObject({
  caution: z.enum(CAUTION_IDS),
  reason: z.string().trim().min(5).max(500),
  /** Digest of the caution as it was shown; left out where only one of its id can be meant. */
  evidence: z.string().length(64).optional(),
});
export type Override = z.infer<typeof OverrideSchema>;

/** Why somebody went past a stop: what it answered, who said so, what they then were. */
export const ReasonSchema = z.strictObject({
  id: Id,
  caution: z.enum(CAUTION_IDS),
  subject: z.string().nullable(),
  /** Null for those given before it was kept. */
  evidence: z.record(z.string(), z.unknown()).nullable(),
  reason: z.string(),
  at: Instant,
  by: Name,
  byId: Id.nullable(),
  role: z.enum(ROLES).nullable(),
});
export type Reason = z.infer<typeof ReasonSchema>;

export const DueStateSchema = z.enum(['overdue', 'soon', 'later', 'unknown']);

export const JobSummarySchema = z.strictObject({
  id: Id,
  title: Name,
  vehicleName: Name,
  circuitNames: z.array(Name),
  status: z.enum(JOB_STATES),
  openedOn: CalendarDate,
  finishedOn: CalendarDate.nullable(),
  /** Those that the scope of the job needs. */
  stages: z.array(z.enum(STAGES)),
  next: z.enum(STAGES),
  done: z.array(z.enum(STAGES)),
});
export type JobSummary = z.infer<typeof JobSummarySchema>;

/** A circuit that a job works on: its fluid is changed whatever else is done to it. */
export const JobCircuitSchema = z.strictObject({
  circuit: CircuitSchema,
  /** As it was found, when the job chose another layout for it. */
  before: HydraulicsSchema.nullable(),
  /** The record its fluid was signed off with; null until then. */
  service: FluidServiceSchema.nullable(),
});
export type JobCircuit = z.infer<typeof JobCircuitSchema>;

/** That the vehicle keeps a route of a hose; another mark once the route is another one. */
export const KeptRouteSchema = z.strictObject({ hoseId: Id, mark: z.string() });
export type KeptRoute = z.infer<typeof KeptRouteSchema>;

/** Everything a job screen shows, in one reply: a phone at the wheel asks once. */
export const JobDetailSchema = z.strictObject({
  job: JobSchema,
  shop: ShopSchema,
  vehicle: VehicleSchema,
  /** In the order in which they came into the job. */
  circuits: z.array(JobCircuitSchema).min(1),
  hoses: z.array(JobHoseSchema),
  /** Hard lines that are made anew. */
  lines: z.array(JobLineSchema),
  /** Brackets, clips, mount bolts and nipples. */
  items: z.array(JobItemSchema),
  joints: z.array(JobJointSchema),
  readings: z.array(ReadingSchema),
  torqueRecords: z.array(TorqueRecordSchema),
  /** What is known for its fitting, oldest first; of a job that is closed, only what was said in it. */
  fitFacts: z.array(FitFactSchema),
  /** Steps of fitting that stand, in the order in which they were taken. */
  fitSteps: z.array(FitStepSchema),
  bleedRuns: z.array(BleedRunSchema),
  wrenches: z.array(WrenchSchema),
  findings: z.array(FindingSchema),
  photos: z.array(PhotoSchema),
  traces: z.array(TraceSchema),
  /** Of its hoses, those that the vehicle keeps; of a job that is closed, none. */
  routes: z.array(KeptRouteSchema),
  /** In the order in which they were given. */
  reasons: z.array(ReasonSchema),
  /** The log tells that the brake was opened at some time, whatever is ticked now. */
  openedOnce: z.boolean(),
  /** Another one once anything of this is, what is counted at the nipples left out. */
  stamp: z.string().optional(),
});
export type JobDetail = z.infer<typeof JobDetailSchema>;

/** What an action changed of its job: only the parts that are not what they were. */
export const JobChangeSchema = z.strictObject({
  jobId: Id,
  /** The stamp of the job that the action met: who knows another one asks for the job. */
  was: z.string(),
  stamp: z.string(),
  changed: JobDetailSchema.omit({ bleedRuns: true, stamp: true }).partial(),
});
export type JobChange = z.infer<typeof JobChangeSchema>;

export const DueItemSchema = z.strictObject({
  circuitId: Id,
  vehicleId: Id,
  vehicleName: Name,
  circuitName: Name,
  state: DueStateSchema,
  dueOn: CalendarDate.nullable(),
  dueDistance_m: Distance_m.nullable(),
  lastServicedOn: CalendarDate.nullable(),
});
export type DueItem = z.infer<typeof DueItemSchema>;

export const ListedVehicleSchema = VehicleSchema.extend({
  /** The most urgent of its circuits; null for a vehicle without brakes. */
  due: DueStateSchema.nullable(),
});
export type ListedVehicle = z.infer<typeof ListedVehicleSchema>;

export const VehicleDetailSchema = z.strictObject({
  vehicle: VehicleSchema,
  circuits: z.array(CircuitSchema),
  /** The newest; `nextServices` and `nextJobs` are where the lists go on, null where they do not. */
  services: z.array(FluidServiceSchema),
  nextServices: z.string().nullable(),
  jobs: z.array(JobSummarySchema),
  nextJobs: z.string().nullable(),
  changes: z.array(VehicleChangeSchema),
  /** What closed jobs found on it and left on. */
  leftOn: z.array(LeftOnSchema),
});
export type VehicleDetail = z.infer<typeof VehicleDetailSchema>;

export const SessionSchema = z.strictObject({
  /** Null while nobody has opened this book. */
  shopName: Name.nullable(),
  /** IANA name of the zone the shop's calendar and clock follow; told to who is signed in. */
  timeZone: z.string().nullable(),
  person: PersonSchema.nullable(),
  /** Names to choose from, where the shop wants them shown; nothing once somebody is signed in. */
  names: z.array(Name),
  /** Only on demo data: the passphrase everybody has. */
  demoPassphrase: z.string().nullable(),
});
export type Session = z.infer<typeof SessionSchema>;
