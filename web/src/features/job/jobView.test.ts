import type { PlanStep } from '@zephyrcombe/core/plan';
import { portOpening } from '@zephyrcombe/core/plan';
import type { JobDetail, TorqueRecord } from '@zephyrcombe/contract';
import { firstCircuit, hoseCautions, hoseOfJob, JobDetailSchema, liveReadings } from '@zephyrcombe/contract';
import { circuitWithLengths, nipplesInOrder, progressOf, reservoirGuard } from '@zephyrcombe/workshop';
import { STAGES } from '@zephyrcombe/core';
import { outfitJob, uuid } from '../../testing/outfit.ts';
import { nippleView } from '../bleed/bleedView.ts';
import { datumsFor, inDatum, orderOf, sameDatum } from '../measure/measureView.ts';
import {
  hosesOn,
  jointCautions,
  jointsInOrder,
  jointState,
  jointView,
  notedShade,
  selectedHose,
  stackOf,
} from './jobView.ts';

const torqueOf = (name: string, verdict: 'within' | 'above' = 'within'): TorqueRecord => ({
  id: uuid(`t-${name}`),
  jointId: uuid(`j-${name}`),
  wrenchId: uuid('wrench'),
  wrenchName: 'Bench 25',
  torque_Nm: 19.6,
  typed: '19.6 N·m',
  freshWashers: 2,
  settled: true,
  witnessMark: false,
  verdict,
  by: 'Brannoc Hale',
  byId: null,
  at: '2026-11-23T10:00:00.000Z',
});
const joint = (detail: JobDetail, name: string, change: Partial<JobDetail['joints'][number]>) => ({
  ...detail,
  joints: detail.joints.map((candidate) =>
    candidate.jointId === uuid(`j-${name}`) ? { ...candidate, ...change } : candidate,
  ),
});

test('the fixture is what the contract says a job is', () => {
  expect(JobDetailSchema.safeParse(outfitJob()).error).toBeUndefined();
});

describe('state of a joint', () => {
  test('goes from open over hand tight and torqued to leak-checked', () => {
    const open = outfitJob();
    expect(jointState(open, uuid('j-left'))).toBe('open');
    const tight = joint(open, 'left', { handTight: true });
    expect(jointState(tight, uuid('j-left'))).toBe('handTight');
    const torqued = { ...tight, torqueRecords: [torqueOf('left')] };
    expect(jointState(torqued, uuid('j-left'))).toBe('torqued');
    expect(jointState(joint(torqued, 'left', { leakChecked: true }), uuid('j-left'))).toBe('leakChecked');
  });

  test('stands open, gets its cap, and loses it again for the join', () => {
    const left = uuid('j-left');
    const steps: readonly PlanStep[] = [
      { kind: 'crack', joint: left },
      { kind: 'open', joint: left, by: 'bolt' },
      { kind: 'cap', opening: portOpening(left) },
      { kind: 'uncap', opening: portOpening(left) },
    ];
    const after = (count: number) => {
      const fitSteps = steps
        .slice(0, count)
        .map((step, index) => ({ id: uuid(`s${index}`), step, by: 'B', at: '2026-11-23T10:00:00.000Z' }));
      return jointState({ ...outfitJob(), fitSteps }, left);
    };
    expect([0, 1, 2, 3, 4].map(after)).toEqual(['open', 'open', 'standsOpen', 'capped', 'standsOpen']);
  });

  test('an over-torqued joint is not torqued', () => {
    const over = {
      ...joint(outfitJob(), 'left', { handTight: true }),
      torqueRecords: [torqueOf('left', 'above')],
    };
    expect(jointState(over, uuid('j-left'))).toBe('handTight');
  });

  test('a joint outside the job was left alone', () => {
    const narrow = { ...outfitJob(), joints: [] };
    expect(jointState(narrow, uuid('j-left'))).toBe('notOpened');
  });
});

describe('what is at hand', () => {
  const detail = outfitJob();

  test('a hose by its id, else the hose on the joint, else the first', () => {
    expect(selectedHose(detail, uuid('h-side'), null)?.hoseId).toBe(uuid('h-side'));
    expect(selectedHose(detail, null, uuid('j-right'))?.hoseId).toBe(uuid('h-right'));
    expect(selectedHose(detail, 'nothing', 'nothing')?.hoseId).toBe(uuid('h-left'));
    expect(selectedHose({ ...detail, hoses: [] }, null, null)).toBeNull();
  });

  test('joints come from the master outwards, hoses on a bolt shortest first', () => {
    expect(jointsInOrder(detail).map((view) => view.joint.name)).toEqual(['master', 'left', 'right', 'side']);
    expect(hosesOn(detail, uuid('j-master')).map((hose) => hose.name)).toEqual([
      'left hose',
      'right hose',
      'side hose',
    ]);
  });

  test('an ordered length replaces the fitted one in the drawing', () => {
    const ordered = {
      ...detail,
      hoses: detail.hoses.map((hose) => (hose.hoseId === uuid('h-left') ? { ...hose, order_m: 0.9 } : hose)),
    };
    expect(
      circuitWithLengths(ordered, firstCircuit(ordered).circuit).hoses.map((hose) => hose.length_m),
    ).toEqual([0.9, 0.815, 1.32]);
  });
});

describe('the stack of a joint', () => {
  const master = jointView(outfitJob(), uuid('j-master'));

  test('three eyes on 38 mm of bolt leave 10 mm of thread and are clean', () => {
    expect(master && stackOf(master)).toMatchObject({ ok: true, value: { washers: 4 } });
    expect(master && jointCautions(master)).toEqual([]);
  });

  test('the single bolt, copper washers and another pitch are each named', () => {
    const bolt = { thread: 'M10×1.25', diameter_m: 0.01, length_m: 0.02, material: 'aluminium' as const };
    const cautions = master ? jointCautions(master, bolt, { material: 'copper', thickness_m: 0.001 }) : [];
    expect(cautions.map((caution) => caution.id)).toEqual(['M20', 'M58', 'M29']);
  });

  test('a joint without a bolt has no stack', () => {
    expect(master && stackOf(master, null)).toBeNull();
    expect(jointView(outfitJob(), 'nothing')).toBeNull();
  });

  test('two bent ends want clocking', () => {
    const detail = outfitJob();
    const own = hoseOfJob(detail, uuid('h-left'));
    if (!own) throw new Error('no hose');
    // A straight eye is held by its bolt as well.
    expect(hoseCautions(detail, own)).toMatchObject([{ id: 'M101' }]);
    const bent = { ...own, hose: { ...own.hose, endB: own.hose.endA } };
    expect(hoseCautions(detail, bent)).toMatchObject([{ id: 'M19' }]);
    expect(hoseCautions(detail, { ...bent, hose: { ...bent.hose, clocking_rad: 1 } })).toEqual([]);
  });
});

describe('measuring', () => {
  const reading = (length_m: number, struckBecause: string | null = null): JobDetail['readings'][number] => ({
    id: uuid(`r${length_m}`),
    hoseId: uuid('h-left'),
    pose: 'fullDroop',
    length_m,
    typed: '',
    datum: { endA: 'eyeCentre', endB: 'eyeCentre' },
    aid: 'tube',
    uncertainty_m: null,
    remainingTravel_m: 0,
    wrap: null,
    tightBends: null,
    takenBy: 'Brannoc Hale',
    takenById: null,
    takenAt: '2026-11-23T10:00:00.000Z',
    struckBecause,
  });
  const detail = outfitJob({ readings: [reading(0.728), reading(0.95, 'slipped'), reading(0.73)] });
  const [hose] = detail.hoses;
  if (!hose) throw new Error('no hose');

  test('a struck reading does not count', () => {
    expect(liveReadings(detail, hose.hoseId)).toHaveLength(2);
    const order = orderOf(detail, hose);
    expect(order.ok && order.value.order_m).toBeCloseTo(0.742, 9);
  });

  test('the order length is offered in three datums, the sealing points first', () => {
    const lengths = datumsFor(hose).map((datum) => inDatum(hose, 0.742, datum));
    expect(lengths.map((result) => result.ok && Math.round(result.value.length_m * 1000))).toEqual([
      742, 692, 674,
    ]);
    expect(
      sameDatum({ endA: 'eyeCentre', endB: 'threadEnd' }, { endA: 'eyeCentre', endB: 'eyeCentre' }),
    ).toBe(false);
  });
});

describe('bleeding', () => {
  const at = (second: number) => ({
    at: `2026-11-23T10:00:${String(second).padStart(2, '0')}.000Z`,
    sequence: second,
  });
  const detail = outfitJob({
    bleedRuns: [
      {
        nippleId: uuid('n-side'),
        events: [
          { id: uuid('e1'), kind: 'stroke', ...at(1) },
          { id: uuid('e2'), kind: 'outflow', outflow: 'honey', ...at(2) },
          { id: uuid('e3'), kind: 'clear', ...at(3) },
        ],
      },
      {
        nippleId: uuid('n-right'),
        events: [
          { id: uuid('e4'), kind: 'stroke', ...at(4) },
          { id: uuid('e5'), kind: 'stroke', ...at(5) },
        ],
      },
    ],
  });

  test('all nipples drink from one reservoir: 10 strokes to the minimum, three gone', () => {
    expect(reservoirGuard(detail, uuid('n-right'))).toMatchObject({
      ok: true,
      value: { strokesBeforeMinimum: 10, strokesLeft: 7 },
    });
  });

  test('the sidecar comes first and is clear, the right one is next', () => {
    const order = nipplesInOrder(detail);
    const views = order.ok ? order.value.map((turn) => nippleView(detail, turn)) : [];
    expect(views.map(({ name, strokes, clear, lastOutflow }) => [name, strokes, clear, lastOutflow])).toEqual(
      [
        ['side', 1, true, 'honey'],
        ['right', 2, false, null],
        ['left', 0, false, null],
      ],
    );
  });

  test('the fluid has the shade that was noted, and none before that', () => {
    expect(notedShade(detail)).toBe('honey');
    expect(notedShade(outfitJob())).toBeNull();
  });

  test('nothing is guessed where the master is not known', () => {
    const unknown = {
      ...detail,
      circuits: detail.circuits.map((one) => ({
        ...one,
        circuit: {
          ...one.circuit,
          components: one.circuit.components.map((part) => ({ ...part, masterBore_m: null })),
        },
      })),
    };
    expect(reservoirGuard(unknown, uuid('n-right'))).toBeNull();
  });
});

test('progress follows the evidence', () => {
  expect(progressOf(outfitJob())).toEqual({ stages: STAGES, done: ['look-over'], next: 'measure' });
  const all = outfitJob({ torqueRecords: ['master', 'left', 'right', 'side'].map((name) => torqueOf(name)) });
  expect(progressOf(all).done).toEqual(['look-over', 'fit']);
});
