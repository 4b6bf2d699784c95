/** Routes of jobs, and of the files that are made from them. */
import { ADDRESSES } from '../addresses.ts';
import { BLEED_EVENTS, FLUID_GRADES, LAYOUTS, OUTFLOWS } from '@zephyrcombe/core';
import { z } from 'zod';
import { EnteredDate, Distance_m, Id, Name, Note, Typed, Version, Instant } from '../entities/common.ts';
import {
  Caught_m3,
  FluidServiceSchema,
  HandoverChecksSchema,
  BleedUpdateSchema,
  JOB_STATES,
  JobChangeSchema,
  JobDetailSchema,
  JobHoseSchema,
  JobSummarySchema,
  OrderTermsSchema,
  OverrideSchema,
  ReadingSchema,
  TorqueRecordSchema,
  JobJointSchema,
} from '../entities/job.ts';
import { FitPlanDocumentSchema, STEP_KINDS } from '../formats/fitPlan.ts';
import { MISDELIVERIES } from '../formats/supplier.ts';
import { KitCheckSchema, MadeStepSchema, ProofRecordSchema } from '../entities/hoseBuild.ts';
import { SeenSchema } from '../entities/approval.ts';
import { ToldCautionSchema } from '../problems.ts';
import { JointSchema, MOST_CIRCUITS, PortSchema } from '../entities/vehicle.ts';
import { FitFactSaidSchema, FitStepSchema } from '../entities/fitting.ts';
import { AdapterSchema, PullSchema } from '../entities/pull.ts';
import { TraceSchema, TracingSchema } from '../entities/trace.ts';
import { EvidenceEntrySchema } from '../entities/evidence.ts';
import { LineChecksSchema, LinePatternSchema } from '../entities/line.ts';
import { JobItemSchema } from '../entities/item.ts';
import { LogEntrySchema } from '../entities/log.ts';
import { FindingSchema, PHOTO_LIMIT_bytes, PHOTO_SUBJECTS, PHOTO_TYPES } from '../entities/finding.ts';
import { DRAWING_FORMATS, HardLineRequestSchema, TemplateRequestSchema } from '../entities/drawings.ts';
import { LABEL_FILES, ORDER_FILES } from '../fileAddresses.ts';
import { route, page, Search, PAGE } from './route.ts';

const JobParams = z.strictObject({ jobId: Id });
const HoseParams = z.strictObject({ jobId: Id, hoseId: Id });
const PullParams = z.strictObject({ jobId: Id, pullId: Id });
const TraceParams = z.strictObject({ jobId: Id, traceId: Id });
const namedOnce = (ids: readonly string[]): boolean => new Set(ids).size === ids.length;

/** Four corners of a vehicle with linked brakes have fewer. */
const MOST_HOSES = 20;

/** What a job is about. A circuit whose hoses are replaced is in it without being named; one that is named has its fluid changed. */
const Scope = {
  circuitIds: z.array(Id).max(MOST_CIRCUITS).refine(namedOnce, 'names a circuit twice'),
  hoseIds: z.array(Id).max(MOST_HOSES).refine(namedOnce, 'names a hose twice'),
  /** Hard lines that are made anew. */
  lineIds: z.array(Id).max(MOST_HOSES).refine(namedOnce, 'names a line twice').default([]),
  /** Joints that are opened and tightened anew while their lines stay; left out: those that the job has. */
  jointIds: z.array(Id).max(MOST_HOSES).refine(namedOnce, 'names a joint twice').optional(),
};
const ItemParams = z.strictObject({ jobId: Id, itemId: Id });
const Overrides = z.array(OverrideSchema).max(20).default([]);
/** As they are told; a table says that its first line is no row. */
export const MEDIA_TYPES = {
  pdf: 'application/pdf',
  svg: 'image/svg+xml; charset=utf-8',
  dxf: 'image/vnd.dxf',
  csv: 'text/csv; charset=utf-8; header=present',
  json: 'application/json; charset=utf-8',
} as const;
/** SVG and DXF hold one page: which, from 1. PDF holds them all. */
const DRAWING_PAGE = z.strictObject({ page: z.coerce.number().int().min(1).max(9).default(1) });

export const JOB_ROUTES = {
  listJobs: route({
    ...ADDRESSES.listJobs,
    summary: 'Jobs, newest first, a page at a time',
    query: z.strictObject({
      status: z.enum(JOB_STATES).optional(),
      vehicleId: Id.optional(),
      /** In the job's title, or the vehicle's name or plate. */
      search: Search,
      ...PAGE,
    }),
    reply: page(JobSummarySchema),
  }),
  startJob: route({
    ...ADDRESSES.startJob,
    summary: 'Start a job on a vehicle',
    body: z.strictObject({
      /** Chosen by who asks: the same job sent twice is one job. */
      id: Id,
      vehicleId: Id,
      title: Name,
      reason: Note,
      ...Scope,
    }),
    reply: JobDetailSchema,
  }),
  getJob: route({
    ...ADDRESSES.getJob,
    summary: 'One job with all that belongs to it',
    params: JobParams,
    reply: JobDetailSchema,
  }),
  getJobCautions: route({
    ...ADDRESSES.getJobCautions,
    summary: 'Everything that stands against a job as it is, by the gate that asks about it',
    params: JobParams,
    reply: z.strictObject({
      items: z.array(
        ToldCautionSchema.extend({
          gate: z.enum(['length', 'specification', 'hand', 'joint', 'sign', 'evidence']),
        }),
      ),
    }),
  }),
  getJobLog: route({
    ...ADDRESSES.getJobLog,
    summary: 'The job’s log, oldest first, a page at a time: whole, or of one part or person',
    params: JobParams,
    query: z.strictObject({
      after: z.coerce.number().int().min(0).default(0),
      limit: z.coerce.number().int().min(1).max(200).default(100),
      /** A hose, a joint or a nipple. */
      part: Id.optional(),
      by: Name.optional(),
    }),
    reply: page(LogEntrySchema),
  }),
  abandonJob: route({
    ...ADDRESSES.abandonJob,
    summary: 'Give a job up, with a reason; what was recorded stays',
    params: JobParams,
    body: z.strictObject({
      version: Version,
      because: Note.min(5),
      /** The brake was opened and is not whole: the vehicle does not run. Has to be said where it was opened. */
      brakeLeftOpen: z.boolean().default(false),
      /** What was ticked and taken back was a slip, nothing was opened. */
      tickedByMistake: z.boolean().default(false),
    }),
    reply: JobChangeSchema,
  }),
  keepEvidence: route({
    ...ADDRESSES.keepEvidence,
    summary: 'Judge a donor hose, a kept route or a hard line, and keep the judgement with the job',
    params: JobParams,
    body: EvidenceEntrySchema,
    reply: JobChangeSchema,
  }),
  editJob: route({
    ...ADDRESSES.editJob,
    summary: 'Confirm the look over, tick handover checks',
    params: JobParams,
    body: z.strictObject({
      version: Version,
      title: Name.optional(),
      reason: Note.optional(),
      endsConfirmed: z.boolean().optional(),
      handoverChecks: HandoverChecksSchema.optional(),
      orderTerms: OrderTermsSchema.optional(),
    }),
    reply: JobChangeSchema,
  }),
  editJobHose: route({
    ...ADDRESSES.editJobHose,
    summary: 'Finding, pose checks, order length and specification of one hose',
    params: HoseParams,
    body: z.strictObject({
      version: Version,
      poseChecks: JobHoseSchema.shape.poseChecks.partial().optional(),
      order_m: JobHoseSchema.shape.order_m.optional(),
      orderDatum: JobHoseSchema.shape.orderDatum.optional(),
      lift: JobHoseSchema.shape.lift.optional(),
      endA: JobHoseSchema.shape.endA.optional(),
      endB: JobHoseSchema.shape.endB.optional(),
      clocking_rad: JobHoseSchema.shape.clocking_rad.optional(),
      build: JobHoseSchema.shape.build.optional(),
      plugs: JobHoseSchema.shape.plugs.optional(),
      specified: z.boolean().optional(),
      /** Of the specification, else of the length. */
      seen: SeenSchema,
      overrides: Overrides,
    }),
    reply: JobChangeSchema,
  }),
  editJobLine: route({
    ...ADDRESSES.editJobLine,
    summary: 'Pattern of a hard line, what was seen while it was made, and that it is made',
    params: z.strictObject({ jobId: Id, lineId: Id }),
    body: z.strictObject({
      version: Version,
      pattern: LinePatternSchema.optional(),
      checks: LineChecksSchema.optional(),
      made: z.boolean().optional(),
      /** Of the line as it is said to be made. */
      seen: SeenSchema,
      overrides: Overrides,
    }),
    reply: JobChangeSchema,
  }),
  saveItem: route({
    ...ADDRESSES.saveItem,
    summary: 'A bracket, a clip or a mount bolt of a job: what is done with it, and that it is on again',
    params: ItemParams,
    body: z.strictObject({
      /** Null for one that is new. */
      version: Version.nullable(),
      kind: JobItemSchema.shape.kind,
      name: JobItemSchema.shape.name,
      handling: JobItemSchema.shape.handling,
      done: z.boolean(),
      /** Null where it was tightened by feel. */
      torque_Nm: z.number().positive().max(400).nullable().default(null),
      typed: z.string().trim().max(40).default(''),
    }),
    reply: JobChangeSchema,
  }),
  removeItem: route({
    ...ADDRESSES.removeItem,
    summary: 'Take a bracket, a clip or a mount bolt that was not put on out of a job again, with the reason',
    params: ItemParams,
    body: z.strictObject({ because: Note.min(3) }),
    reply: JobChangeSchema,
  }),
  editJobJoint: route({
    ...ADDRESSES.editJobJoint,
    summary: 'Bolt, washers and leak check of one joint',
    params: z.strictObject({ jobId: Id, jointId: Id }),
    body: z.strictObject({
      version: Version,
      bolt: JobJointSchema.shape.bolt.optional(),
      washer: JobJointSchema.shape.washer.optional(),
      boltState: JobJointSchema.shape.boltState.optional(),
      oldIsSwitch: JobJointSchema.shape.oldIsSwitch.optional(),
      leakChecked: z.boolean().optional(),
    }),
    reply: JobChangeSchema,
  }),
  seePort: route({
    ...ADDRESSES.seePort,
    summary: 'What an opened joint shows: thread, seat and depth of its port, thickness of its eyes',
    params: z.strictObject({ jobId: Id, jointId: Id }),
    body: z.strictObject({
      /** Of the circuit. */
      version: Version,
      how: z.enum(['seen', 'measured']),
      thread: PortSchema.shape.thread,
      gender: PortSchema.shape.gender,
      seat: PortSchema.shape.seat,
      /** Null where it was not measured. */
      depth_m: PortSchema.shape.depth_m,
      /** Of the new hose, measured; left out or null where nobody did: it stays as it was. */
      eyeThickness_m: JointSchema.shape.eyeThickness_m.optional(),
    }),
    reply: JobChangeSchema,
  }),
  makeUpHose: route({
    ...ADDRESSES.makeUpHose,
    summary: 'Do a step of making a hose up, or take it back with all that rests on it',
    params: HoseParams,
    body: z.strictObject({
      version: Version,
      step: MadeStepSchema.omit({ by: true, byId: true, at: true }),
      undo: z.boolean(),
      overrides: Overrides,
    }),
    reply: JobChangeSchema,
  }),
  proveHose: route({
    ...ADDRESSES.proveHose,
    summary: 'Record a proof test of a hose that was made up here',
    params: HoseParams,
    body: ProofRecordSchema.omit({ by: true, byId: true, at: true, of: true }).extend({
      version: Version,
      seen: SeenSchema,
    }),
    reply: JobChangeSchema,
  }),
  checkKit: route({
    ...ADDRESSES.checkKit,
    summary: 'What came in the box, and what becomes of it; null: not looked at',
    params: HoseParams,
    body: z.strictObject({
      version: Version,
      found: KitCheckSchema.shape.found,
      decided: KitCheckSchema.shape.decided,
      seen: SeenSchema,
    }),
    reply: JobChangeSchema,
  }),
  printLabel: route({
    ...ADDRESSES.printLabel,
    summary: 'Send the label of a hose to the label printer',
    params: HoseParams,
    reply: z.strictObject({ number: z.int() }),
  }),
  quoteJob: route({
    ...ADDRESSES.quoteJob,
    summary: 'Ask the parts supplier what the specified hoses would cost and when they would come',
    params: JobParams,
    body: z.strictObject({ version: Version }),
    reply: JobChangeSchema,
  }),
  orderJob: route({
    ...ADDRESSES.orderJob,
    summary: 'Order what was quoted',
    params: JobParams,
    body: z.strictObject({ version: Version }),
    reply: JobChangeSchema,
  }),
  deliverJob: route({
    ...ADDRESSES.deliverJob,
    summary: 'Have the simulated supplier deliver, right or wrong',
    params: JobParams,
    body: z.strictObject({ version: Version, wrong: z.enum(MISDELIVERIES) }),
    reply: JobChangeSchema,
  }),
  takeReading: route({
    ...ADDRESSES.takeReading,
    summary: 'Record a tape reading',
    params: JobParams,
    body: ReadingSchema.pick({
      id: true,
      hoseId: true,
      pose: true,
      length_m: true,
      typed: true,
      datum: true,
      aid: true,
      uncertainty_m: true,
      remainingTravel_m: true,
      wrap: true,
      tightBends: true,
    }).extend({ overrides: Overrides }),
    reply: JobChangeSchema,
  }),
  saveTrace: route({
    ...ADDRESSES.saveTrace,
    summary: 'Keep a line traced on a picture; a new one has no version',
    params: TraceParams,
    body: z.strictObject({
      version: Version.nullable(),
      name: TraceSchema.shape.name,
      tracing: TracingSchema,
    }),
    reply: JobChangeSchema,
  }),
  removeTrace: route({
    ...ADDRESSES.removeTrace,
    summary: 'Remove a tracing and its picture from a job',
    params: TraceParams,
    reply: JobChangeSchema,
  }),
  strikeReading: route({
    ...ADDRESSES.strikeReading,
    summary: 'Strike a reading out; it stays in the log',
    params: z.strictObject({ jobId: Id, readingId: Id }),
    body: z.strictObject({ because: Note.min(1) }),
    reply: JobChangeSchema,
  }),
  recordFinding: route({
    ...ADDRESSES.recordFinding,
    summary: 'Record what was found on a hose, a pipe or a joint',
    params: JobParams,
    body: FindingSchema.pick({
      id: true,
      subject: true,
      subjectId: true,
      condition: true,
      degree: true,
      note: true,
    }),
    reply: JobChangeSchema,
  }),
  strikeFinding: route({
    ...ADDRESSES.strikeFinding,
    summary: 'Strike a finding out; it stays in the log',
    params: z.strictObject({ jobId: Id, findingId: Id }),
    body: z.strictObject({ because: Note.min(1) }),
    reply: JobChangeSchema,
  }),
  setScope: route({
    ...ADDRESSES.setScope,
    summary: 'Choose which hoses and joints the job works on, and of which circuits it changes the fluid',
    params: JobParams,
    body: z.strictObject({ version: Version, ...Scope }),
    reply: JobChangeSchema,
  }),
  chooseLayout: route({
    ...ADDRESSES.chooseLayout,
    summary: 'Lay a circuit out another way, or again as it was found',
    params: JobParams,
    body: z.strictObject({ version: Version, circuitId: Id, layout: z.enum([...LAYOUTS, 'asFound']) }),
    reply: JobChangeSchema,
  }),
  takeFitSteps: route({
    ...ADDRESSES.takeFitSteps,
    summary: 'Take steps of the plan of fitting, one after the other',
    params: JobParams,
    body: z.strictObject({
      /** Each with an id of its own: sent again, it is the same step. */
      steps: z
        .array(FitStepSchema.pick({ id: true, step: true }))
        .min(1)
        .max(200)
        .refine((steps) => namedOnce(steps.map(({ id }) => id)), 'names a step twice'),
      overrides: Overrides,
    }),
    reply: JobChangeSchema,
  }),
  undoFitStep: route({
    ...ADDRESSES.undoFitStep,
    summary: 'Take the last step of fitting back; it stays in the log',
    params: z.strictObject({ jobId: Id, stepId: Id }),
    reply: JobChangeSchema,
  }),
  sayFitFact: route({
    ...ADDRESSES.sayFitFact,
    summary:
      'How a joint can be reached, what holds a line, which way is chosen: what the plan of fitting asks for',
    params: JobParams,
    body: z.strictObject({ id: Id, said: FitFactSaidSchema }),
    reply: JobChangeSchema,
  }),
  recordTorque: route({
    ...ADDRESSES.recordTorque,
    summary: 'Record the torque of a joint',
    params: JobParams,
    body: TorqueRecordSchema.pick({
      id: true,
      jointId: true,
      typed: true,
      freshWashers: true,
      witnessMark: true,
      threads: true,
    }).extend({
      wrenchId: Id,
      /** As it was read on the wrench. */
      torque_Nm: z.number().positive(),
      adapter: AdapterSchema.nullable().default(null),
      /** The pull that it was read from; null: typed. */
      pullId: Id.nullable().default(null),
      renewed: z.boolean().default(false),
      /** Of the parts in the joint. */
      seen: SeenSchema,
      overrides: Overrides,
    }),
    reply: JobChangeSchema,
  }),
  startPull: route({
    ...ADDRESSES.startPull,
    summary: 'Set the torque wrench that is connected to the middle of a joint’s range, and listen to it',
    params: JobParams,
    body: z.strictObject({ id: Id, jointId: Id, adapter: AdapterSchema.nullable().default(null) }),
    reply: PullSchema,
  }),
  getPull: route({
    ...ADDRESSES.getPull,
    summary: 'A pull of the torque wrench as far as it was heard',
    params: PullParams,
    reply: PullSchema,
  }),
  simulatePull: route({
    ...ADDRESSES.simulatePull,
    summary: 'Have a simulated torque wrench pulled; a real one is pulled by hand',
    params: PullParams,
    reply: PullSchema,
  }),
  leavePull: route({
    ...ADDRESSES.leavePull,
    summary: 'Stop listening to the torque wrench; a pull that is over stays',
    params: PullParams,
    reply: PullSchema,
  }),
  getFitPlan: route({
    ...ADDRESSES.getFitPlan,
    summary: 'What is left to do at the vehicle, as a plan of fitting: docs/formats/fit-plan.md',
    params: JobParams,
    reply: FitPlanDocumentSchema,
  }),
  recordByFeel: route({
    ...ADDRESSES.recordByFeel,
    summary: 'Record that a joint was tightened by feel: no figure is known for it',
    params: JobParams,
    body: TorqueRecordSchema.pick({ id: true, jointId: true, freshWashers: true, witnessMark: true }).extend({
      because: Note.min(5),
      renewed: z.boolean().default(false),
      /** Of the parts in the joint. */
      seen: SeenSchema,
      overrides: Overrides,
    }),
    reply: JobChangeSchema,
  }),
  addBleedEvent: route({
    ...ADDRESSES.addBleedEvent,
    summary:
      'Count a stroke, what was caught, a top-up, what came out, air that went in, or declare the nipple clear',
    params: z.strictObject({ jobId: Id, nippleId: Id }),
    body: z.strictObject({
      id: Id,
      kind: z.enum(BLEED_EVENTS),
      outflow: z.enum(OUTFLOWS).optional(),
      volume_m3: Caught_m3.optional(),
      /** When it was done; left out, now. */
      at: Instant.refine((at) => at >= '2000', 'lies before any job').optional(),
      /** The newest that is known already: what came since, from any phone, is told with it. */
      after: z.int().min(0).optional(),
    }),
    reply: BleedUpdateSchema,
  }),
  undoBleedEvent: route({
    ...ADDRESSES.undoBleedEvent,
    summary: 'Take one event at a nipple back',
    params: z.strictObject({ jobId: Id, nippleId: Id, eventId: Id }),
    query: z.strictObject({ after: z.coerce.number().int().min(0).default(0) }),
    reply: BleedUpdateSchema,
  }),
  finishJob: route({
    ...ADDRESSES.finishJob,
    summary: 'Sign the job off and write the fluid service record of each of its circuits',
    params: JobParams,
    body: z.strictObject({
      version: Version,
      servicedOn: EnteredDate,
      /** Of what is signed. */
      seen: SeenSchema,
      distance_m: Distance_m.nullable(),
      distanceTyped: Typed,
      services: z
        .array(
          FluidServiceSchema.pick({
            id: true,
            circuitId: true,
            batch: true,
            quantity_m3: true,
            oldColour: true,
            oldWaterFraction: true,
          }).extend({ grade: z.enum(FLUID_GRADES), bottleOpenedOn: EnteredDate.nullable() }),
        )
        .min(1)
        .max(MOST_CIRCUITS)
        .refine((services) => namedOnce(services.map(({ circuitId }) => circuitId)), 'names a circuit twice'),
      signature: Name,
      overrides: Overrides,
    }),
    reply: JobChangeSchema,
  }),

  putPhoto: route({
    ...ADDRESSES.putPhoto,
    summary: 'A photograph of what was found, read, traced on or worked at, as the camera made it',
    params: z.strictObject({ jobId: Id, subject: z.enum(PHOTO_SUBJECTS), subjectId: Id, photoId: Id }),
    query: z.strictObject({ step: z.enum(STEP_KINDS).optional() }),
    // From the phone in the yard it takes its time.
    takesFile: { most_bytes: PHOTO_LIMIT_bytes, patience_ms: 180_000 },
    reply: JobChangeSchema,
  }),
  getPhoto: route({
    ...ADDRESSES.getPhoto,
    summary: 'A photograph',
    params: z.strictObject({ jobId: Id, photoId: Id }),
    files: PHOTO_TYPES,
  }),
  getOrderFile: route({
    ...ADDRESSES.getOrderFile,
    summary: 'The order of a job, or of one of its hoses, as a file',
    params: z.strictObject({ jobId: Id, file: z.enum(ORDER_FILES) }),
    query: z.strictObject({ hose: Id.optional() }),
    files: [MEDIA_TYPES.pdf, MEDIA_TYPES.csv, MEDIA_TYPES.json],
  }),
  getLabelFile: route({
    ...ADDRESSES.getLabelFile,
    summary: 'The label of a hose, to print',
    params: z.strictObject({ jobId: Id, hoseId: Id, file: z.enum(LABEL_FILES) }),
    files: [MEDIA_TYPES.svg, MEDIA_TYPES.pdf],
  }),
  drawTemplates: route({
    ...ADDRESSES.drawTemplates,
    summary: 'Ends at true size, to hold against the parts',
    params: z.strictObject({ format: z.enum(DRAWING_FORMATS) }),
    query: DRAWING_PAGE,
    body: TemplateRequestSchema,
    files: [MEDIA_TYPES.pdf, MEDIA_TYPES.svg, MEDIA_TYPES.dxf],
  }),
  drawHardLine: route({
    ...ADDRESSES.drawHardLine,
    summary: 'A hard line at true size, with what to cut and where to bend',
    params: z.strictObject({ format: z.enum(DRAWING_FORMATS) }),
    query: DRAWING_PAGE,
    body: HardLineRequestSchema,
    files: [MEDIA_TYPES.pdf, MEDIA_TYPES.svg, MEDIA_TYPES.dxf],
  }),
} as const;
