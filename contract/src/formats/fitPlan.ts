/** A job as the planner of fitting takes it, and its plan as it leaves the shop: `docs/formats/fit-plan.md`. As JSON. */
import { END_KINDS, SOURCE_IDS } from '@zephyrcombe/core';
import type { FitPlanDocument, PlanScope, RuleId, StepKind } from '@zephyrcombe/core/plan';
import {
  FIT_PLAN_FORMAT,
  FIT_PLAN_SCHEMA_VERSION,
  HOLD_KINDS,
  JOINED_BY,
  KEPT_WAYS,
  LINE_ACTIONS,
  OPENED_BY,
  RULES,
  SEIZED_WAYS,
} from '@zephyrcombe/core/plan';
import { z } from 'zod';

/** Of the scope alone: any words without a gap. */
const PartId = z.string().regex(/^\S{1,120}$/, 'is a name without spaces, of 1 to 120 letters');
const Ids = z.array(PartId).max(400);
const Side = z.enum(['A', 'B']);
const Poses = z.array(z.string().min(1).max(40)).max(20);
const Metres = z.number().min(0).max(60);
const Torque_Nm = z.number().positive().max(400);
const Washers = z.int().min(0).max(20);
const Source = z.enum(SOURCE_IDS);

const step = <Kind extends string, Shape extends z.ZodRawShape>(
  kinds: readonly [Kind, ...Kind[]],
  shape: Shape,
) => z.object({ kind: z.enum(kinds), ...shape });
const held = { neckHeld: z.literal(true).optional(), backup: z.literal(true).optional() };

const STEPS = [
  step(['openCover', 'closeCover'], { cover: PartId }),
  step(['photograph', 'offerUp', 'makeLine', 'settle'], { line: PartId }),
  step(['unplugLead'], { lead: PartId }),
  step(['plugLead'], { lead: PartId, side: z.string().max(40) }),
  step(['coverPaint', 'countCaps'], {}),
  step(['soak', 'clean', 'crack', 'mark', 'leakCheck'], { joint: PartId }),
  step(['open'], { joint: PartId, by: z.enum(OPENED_BY) }),
  step(['join'], { joint: PartId, by: z.enum(JOINED_BY), washers: Washers }),
  step(['freshWashers'], { joint: PartId, washers: Washers }),
  step(['torque'], { joint: PartId, minimum_Nm: Torque_Nm, maximum_Nm: Torque_Nm, source: Source, ...held }),
  step(['byFeel'], { joint: PartId, ...held }),
  step(['turnEnd'], { line: PartId, end: Side, angle_deg: z.number().min(-360).max(360) }),
  step(['level', 'drainReservoir'], { reservoir: PartId }),
  step(['drainNipple'], { nipple: PartId }),
  step(['cap', 'uncap'], { opening: z.string().max(200) }),
  step(['releaseHold', 'placeHold', 'tightenHold'], { hold: PartId }),
  step(['takeOff', 'route'], { line: PartId, body: z.enum(['old', 'new']) }),
  step(['heat'], { joint: PartId, wearing: z.array(z.string().max(40)).max(10).readonly() }),
  step(['reflare'], { line: PartId, end: Side }),
  step(['movement'], { lines: Ids.readonly(), poses: Poses.readonly(), final: z.boolean() }),
  step(['bleed', 'absCycle', 'pressureHold'], { circuit: PartId }),
] as const;
export const PlanStepSchema = z.discriminatedUnion('kind', STEPS);
export const STEP_KINDS: readonly StepKind[] = STEPS.flatMap(
  ({ shape }): readonly StepKind[] => shape.kind.options,
);

const Pattern = z.record(z.string(), z.unknown());
const End = z.object({ joint: PartId, end: z.enum(END_KINDS) });

/** What a plan is about. Fields that are not known are left alone. */
export const PlanScopeSchema = z
  .object({
    reservoirs: z.array(z.object({ id: PartId, kept: z.enum([...KEPT_WAYS, 'auto']), nipples: Ids })).max(20),
    circuits: z
      .array(z.object({ id: PartId, reservoir: PartId, abs: PartId.nullable(), absCanBeCycled: z.boolean() }))
      .max(40),
    components: z.array(z.object({ id: PartId, kind: z.string().min(1).max(40) })).max(400),
    joints: z
      .array(
        z.object({
          id: PartId,
          component: PartId,
          circuit: PartId,
          fromMaster_m: Metres,
          height_m: Metres,
          access: z.number().min(0).max(3),
          washers: Washers,
          figure: z.object({ minimum_Nm: Torque_Nm, maximum_Nm: Torque_Nm, source: Source }).nullable(),
          stop: z.boolean().optional(),
          soak: z.boolean().optional(),
          seized: z.boolean().optional(),
          reopen: z.boolean().optional(),
        }),
      )
      .max(400),
    lines: z
      .array(
        z.object({
          id: PartId,
          kind: z.enum(['hose', 'hardLine']),
          action: z.enum(LINE_ACTIONS),
          A: End,
          B: End,
          corner: PartId.optional(),
          poses: Poses,
          selfMade: z.boolean().optional(),
          proofTested: z.boolean().optional(),
          madeFrom: z.enum(['oldLine', 'inPlace']).optional(),
          turnEnd: z
            .object({ end: Side, angle_deg: z.number().min(-360).max(360), rotatable: z.boolean() })
            .optional(),
          oldWhole: z.boolean().optional(),
        }),
      )
      .max(400),
    holds: z
      .array(
        z.object({
          id: PartId,
          kind: z.enum(HOLD_KINDS),
          line: PartId,
          at: z.enum(['A', 'B', 'mid']),
          closed: z.boolean(),
          keyed: z.boolean(),
          tighten: z.boolean(),
        }),
      )
      .max(800),
    leads: z.array(z.object({ id: PartId, line: PartId, side: z.string().max(40) })).max(200),
    covers: z.array(z.object({ id: PartId, joints: Ids })).max(100),
    choices: z.object({
      rhythm: z.enum(['byCorner', 'allOff', 'auto']).optional(),
      trialWashers: z.enum(['on', 'off', 'auto']).optional(),
      seizedWay: z.record(PartId, z.enum([...SEIZED_WAYS, 'auto'])).optional(),
    }),
    demands: z
      .array(z.object({ id: PartId, kind: z.literal('before'), first: Pattern, then: Pattern }))
      .max(100),
    done: z.array(PlanStepSchema).max(5_000),
  })
  .superRefine((scope, context) => {
    for (const { path, id, among } of namedIn(scope))
      if (!scope[among].some((one) => one.id === id))
        context.addIssue({
          code: 'custom',
          path: [...path],
          message: `names “${id}”, which is not among the ${among}`,
        });
    for (const list of [
      'reservoirs',
      'circuits',
      'components',
      'joints',
      'lines',
      'holds',
      'leads',
      'covers',
    ] as const) {
      const ids = scope[list].map(({ id }) => id);
      if (new Set(ids).size < ids.length)
        context.addIssue({ code: 'custom', path: [list], message: 'names one id twice' });
    }
  });

type Scope = PlanScope;
type Lists = 'reservoirs' | 'circuits' | 'components' | 'joints' | 'lines';
interface Naming {
  readonly path: readonly (string | number)[];
  readonly id: string;
  readonly among: Lists;
}

/** Every place of a scope where one thing names another. */
function namedIn(scope: Scope): readonly Naming[] {
  const from = <Item>(
    list: readonly Item[],
    name: string,
    naming: (item: Item) => readonly (readonly [string, string, Lists])[],
  ) =>
    list.flatMap((item, index) =>
      naming(item).map(([field, id, among]) => ({ path: [name, index, field], id, among })),
    );
  return [
    ...from(scope.circuits, 'circuits', ({ reservoir }) => [['reservoir', reservoir, 'reservoirs']]),
    ...from(scope.joints, 'joints', ({ component, circuit }) => [
      ['component', component, 'components'],
      ['circuit', circuit, 'circuits'],
    ]),
    ...from(scope.lines, 'lines', ({ A, B }) => [
      ['A', A.joint, 'joints'],
      ['B', B.joint, 'joints'],
    ]),
    ...from(scope.holds, 'holds', ({ line }) => [['line', line, 'lines']]),
    ...from(scope.leads, 'leads', ({ line }) => [['line', line, 'lines']]),
    ...from(scope.covers, 'covers', ({ joints }) => joints.map((id) => ['joints', id, 'joints'] as const)),
    ...from(scope.done, 'done', (taken) => [
      ...('joint' in taken ? [['joint', taken.joint, 'joints'] as const] : []),
      ...('line' in taken ? [['line', taken.line, 'lines'] as const] : []),
    ]),
  ];
}

const Rule = z.enum(Object.keys(RULES) as [RuleId, ...RuleId[]]);
const because = z
  .array(z.object({ rule: Rule, after: z.string() }))
  .readonly()
  .optional();

export const FitPlanDocumentSchema = z.object({
  format: z.literal(FIT_PLAN_FORMAT),
  schemaVersion: z.literal(FIT_PLAN_SCHEMA_VERSION),
  choices: z.object({
    kept: z.record(PartId, z.enum(KEPT_WAYS)),
    rhythm: z.enum(['byCorner', 'allOff']),
    trialWashers: z.enum(['on', 'off']),
    seizedWay: z.record(PartId, z.enum(SEIZED_WAYS)),
  }),
  steps: z.array(z.intersection(PlanStepSchema, z.object({ id: z.string(), because }))).readonly(),
  setAside: z.array(z.object({ rule: Rule, subject: z.string() })).readonly(),
  totals: z.object({ washers: z.int().min(0), capsPeak: z.int().min(0) }),
  infeasible: z
    .object({
      rules: z.array(Rule).readonly(),
      demands: z.array(z.string()).readonly(),
      subjects: z.array(z.string()).readonly(),
    })
    .optional(),
}) satisfies z.ZodType<FitPlanDocument>;
