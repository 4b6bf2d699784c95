/**
 * The demo vehicles that start from a pattern, as a technician would enter them, with what was then measured on the
 * part. Every figure is invented.
 */
import type { Circuit, HydraulicsEntry } from '@zephyrcombe/contract';
import { renumber } from '@zephyrcombe/contract';
import type { PatternId } from '@zephyrcombe/core';
import { addComponent, changeLine, connect, replaceLine, startPattern, withKnown } from '@zephyrcombe/core';
import { readOff, WHEN_TAKEN_IN } from './hydraulics.ts';
import { demoId } from './identity.ts';

type KeyedCircuit = Circuit & { readonly key: string };

interface Measured {
  /** By the start of the line's name, millimetres. */
  readonly lengths_mm: Readonly<Record<string, number>>;
  /** By the start of the part's name: what is cast or stamped on it, and where it sits. */
  readonly parts: Readonly<
    Record<
      string,
      Partial<
        Pick<
          HydraulicsEntry['components'][number],
          'masterBore_m' | 'leverStroke_m' | 'leverRatio' | 'height_m'
        >
      >
    >
  >;
  readonly usable_m3: number;
  /** By the start of the port's name. */
  readonly threads: Readonly<Record<string, string>>;
  /** Hoses of the vehicle's maker, rubber, with the month on them. */
  readonly rubberMadeOn?: string;
  readonly hexagons_m: { readonly banjo: number; readonly flare: number; readonly screwed: number };
}

const mm = (value: number) => value / 1000;
const mL = (value: number) => value * 1e-6;

function byStart<Value>(table: Readonly<Record<string, Value>>, name: string): Value | undefined {
  return Object.entries(table).find(([start]) => name.startsWith(start))?.[1];
}

/** Parts numbered within the circuit, so that the ids in links stay. */
function measured(hydraulics: HydraulicsEntry, facts: Measured): HydraulicsEntry {
  return {
    ...hydraulics,
    components: hydraulics.components.map((part) => {
      const figures = {
        ...byStart(facts.parts, part.name),
        usable_m3: part.kind === 'reservoir' ? facts.usable_m3 : null,
      };
      return { ...part, ...figures, known: readOff(figures) };
    }),
    // Ports that nobody has looked into, and their eyes, are as the pattern assumes them.
    ports: hydraulics.ports.map((port) => {
      const thread = byStart(facts.threads, port.name);
      return thread === undefined
        ? port
        : { ...withKnown(port, ['thread', 'seat'], { how: 'seen', ...WHEN_TAKEN_IN }), thread };
    }),
    joints: hydraulics.joints.map((joint) => {
      const thread = byStart(facts.threads, joint.name);
      return {
        ...(thread === undefined
          ? joint
          : withKnown(joint, ['eyeThickness_m'], { how: 'measured', ...WHEN_TAKEN_IN })),
        hexagon_m: facts.hexagons_m[joint.seal],
        bolt: joint.bolt && thread !== undefined ? { ...joint.bolt, thread } : joint.bolt,
        torque: { ...joint.torque, source: 'vehicleMaker' as const, forBolt: joint.bolt?.material ?? null },
      };
    }),
    hoses: hydraulics.hoses.map((line) => {
      const length_mm = byStart(facts.lengths_mm, line.name);
      return {
        ...line,
        ...(length_mm === undefined ? {} : { length_m: mm(length_mm), estimated: false }),
        ...(line.kind === 'hose' && facts.rubberMadeOn !== undefined
          ? { construction: 'rubber' as const, madeOn: facts.rubberMadeOn }
          : {}),
      };
    }),
  };
}

function circuitsOf(
  vehicleKey: string,
  keys: readonly string[],
  pattern: PatternId,
  options: {
    readonly abs: boolean;
    readonly rearEnd: 'banjo' | 'screwed';
    readonly rearAxle?: 'independent' | 'live';
  },
  facts: Measured,
  change: (hydraulics: HydraulicsEntry) => HydraulicsEntry = (same) => same,
): readonly KeyedCircuit[] {
  let next = 0;
  const newId = () => demoId(`${vehicleKey}/part ${(next += 1)}`);
  const patterns = startPattern(pattern, { newId, drive: 'left', ...options });
  return keys.map((key, index): KeyedCircuit => {
    const started = patterns[index];
    if (!started) throw new Error(`${pattern} has no circuit ${index}`);
    const circuitId = demoId(`${vehicleKey}/${key}/circuit`);
    const { name, fluidGrade, components, ports, joints, hoses } = change(
      measured(
        renumber(
          started,
          (id) => id,
          (id) => id,
        ),
        facts,
      ),
    );
    return {
      key,
      id: circuitId,
      vehicleId: demoId(vehicleKey),
      name,
      fluidGrade,
      components: components.map((part) => ({ ...part, circuitId, version: 0 })),
      ports: ports.map((port) => ({ ...port, version: 0 })),
      joints: joints.map((joint) => ({ ...joint, circuitId, version: 0 })),
      hoses: hoses.map((hose) => ({ ...hose, circuitId, version: 0 })),
      version: 0,
    };
  });
}

/** ABS with many segments and two fine threads on one machine: ×1.0 at the unit, ×1.25 at masters and calipers. */
export const CALDER = circuitsOf(
  'calder',
  ['front', 'rear'],
  'motorcycleAbs',
  { abs: true, rearEnd: 'banjo' },
  {
    lengths_mm: {
      'Master to unit': 1040,
      'Unit to manifold': 735,
      'Front left hose': 470,
      'Front right hose': 495,
      'Rear master to unit': 610,
      'Unit to rear caliper': 905,
    },
    parts: {
      'Front master': { masterBore_m: mm(17), leverStroke_m: mm(55), leverRatio: 6 },
      'Rear master': { masterBore_m: mm(14), leverStroke_m: mm(50), leverRatio: 5 },
      'ABS unit': { height_m: 0.72 },
      'Front manifold': { height_m: 0.68 },
    },
    usable_m3: mL(19),
    threads: {
      'Front master': 'M10×1.25',
      'Rear master': 'M10×1.25',
      'Front left': 'M10×1.25',
      'Front right': 'M10×1.25',
      'Rear caliper': 'M10×1.25',
    },
    rubberMadeOn: '2020-06-01',
    hexagons_m: { banjo: mm(12), flare: mm(11), screwed: mm(14) },
  },
);

/** Flare-and-clip hoses to hard line, a diagonal split, ABS and a rear axle of another year with screwed ends. */
export const TOLLAN = circuitsOf(
  'tollan',
  ['diagonal-1', 'diagonal-2'],
  'carDiagonal',
  { abs: true, rearEnd: 'screwed', rearAxle: 'live' },
  {
    lengths_mm: {
      'Master to unit': 540,
      'Hard line, front left': 1120,
      'Hard line, front right': 2260,
      'Hard line, rear left': 3480,
      'Hard line, rear right': 4390,
      'Hose, front': 420,
      'Hose, rear': 315,
    },
    parts: { 'Tandem master': { masterBore_m: mm(22.2), leverStroke_m: mm(70), leverRatio: 3.6 } },
    usable_m3: mL(60),
    threads: { Bracket: 'M10×1.0', Caliper: 'M10×1.0' },
    rubberMadeOn: '2021-09-01',
    hexagons_m: { banjo: mm(14), flare: mm(11), screwed: mm(17) },
  },
);

let rearPart = 0;
/** The pipe from the pedal to the tee was made anew in the shop, and so were the hoses. */
export const BRINDLE = circuitsOf(
  'brindle',
  ['front'],
  'trike',
  { abs: false, rearEnd: 'banjo' },
  {
    lengths_mm: { 'Front main hose': 1180, 'Front left hose': 520, 'Front right hose': 520 },
    parts: {
      'Front master': { masterBore_m: mm(15.9), leverStroke_m: mm(60), leverRatio: 5 },
      'Front tee': { height_m: 0.42 },
    },
    usable_m3: mL(22),
    threads: {},
    hexagons_m: { banjo: mm(14), flare: mm(11), screwed: mm(17) },
  },
  (front) => {
    const main = front.hoses.find((line) => line.name === 'Front main hose');
    if (!main) throw new Error('The trike has no main line');
    const tee = front.components.find((part) => part.kind === 'junction');
    const rear = addComponent(
      replaceLine(front, main.id, 'hardLine'),
      () => demoId(`brindle/rear part ${(rearPart += 1)}`),
      'wheelCylinder',
      'Rear wheel cylinder',
      'axle',
    );
    // Coupled: the same pedal reaches the rear drum by a pipe from the tee.
    const coupled = connect(
      rear.circuit,
      () => demoId(`brindle/rear part ${(rearPart += 1)}`),
      tee?.id ?? '',
      rear.componentId,
    );
    const piped = changeLine(
      replaceLine(coupled.circuit, coupled.lineId ?? '', 'hardLine'),
      coupled.lineId ?? '',
      {
        name: 'Rear hard line',
        length_m: mm(1640),
        estimated: false,
      },
    );
    return {
      ...renumber(
        piped,
        (id) => id,
        (id) => id,
      ),
      name: 'Front pair and coupled rear',
      hoses: piped.hoses.map((line) =>
        line.id === main.id ? { ...line, name: 'Front hard line', estimated: false } : { ...line },
      ),
    };
  },
);

/** Four small calipers, a tee for each pair. */
export const GANNET = circuitsOf(
  'gannet',
  ['front', 'rear'],
  'quad',
  { abs: false, rearEnd: 'banjo' },
  {
    lengths_mm: {
      'Front main hose': 860,
      'Front left hose': 455,
      'Front right hose': 455,
      'Rear main hose': 1240,
      'Rear left hose': 430,
      'Rear right hose': 430,
    },
    parts: {
      'Front master': { masterBore_m: mm(12.7), leverStroke_m: mm(55), leverRatio: 6 },
      'Rear master': { masterBore_m: mm(12.7), leverStroke_m: mm(45), leverRatio: 4.5 },
      'Front tee': { height_m: 0.58 },
      'Rear tee': { height_m: 0.5 },
    },
    usable_m3: mL(14),
    threads: {},
    rubberMadeOn: '2023-02-01',
    hexagons_m: { banjo: mm(12), flare: mm(11), screwed: mm(14) },
  },
);
