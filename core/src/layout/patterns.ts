/**
 * Starting patterns: the usual hydraulics of a kind of vehicle, put down in one go and then corrected on the part.
 * Every length in them is a place to begin, marked as an estimate. Common practice, no published source.
 */
import { exampleBanjo } from '../fittings/exampleEnds.ts';
import type { EndKind } from '../fittings/seat.ts';
import type { Body } from './body.ts';
import type { NewId } from './build.ts';
import { newComponent, newJoint, newLine } from './build.ts';
import { boltFor } from './build.ts';
import type { ComponentKind } from './circuit.ts';
import type {
  HydraulicComponent,
  HydraulicJoint,
  HydraulicLine,
  HydraulicPort,
  Hydraulics,
  LineKind,
} from './hydraulics.ts';

export const PATTERNS = [
  'singleFront',
  'singleRear',
  'twinLongHoses',
  'twinTee',
  'twinCrossover',
  'threeOnOneMaster',
  'motorcycleAbs',
  'carFrontRear',
  'carDiagonal',
  'quad',
  'trike',
] as const;
export type PatternId = (typeof PATTERNS)[number];

/** Which brakes a pattern puts down: two patterns for the same brakes exclude each other. */
const PLACES: Readonly<Record<PatternId, readonly ('front' | 'rear')[]>> = {
  singleFront: ['front'],
  singleRear: ['rear'],
  twinLongHoses: ['front'],
  twinTee: ['front'],
  twinCrossover: ['front'],
  threeOnOneMaster: ['front'],
  motorcycleAbs: ['front', 'rear'],
  carFrontRear: ['front', 'rear'],
  carDiagonal: ['front', 'rear'],
  quad: ['front', 'rear'],
  trike: ['front'],
};

export const patternsExclude = (one: PatternId, other: PatternId): boolean =>
  one !== other && PLACES[one].some((place) => PLACES[other].includes(place));

export interface PatternOptions {
  readonly newId: NewId;
  /** Cars: where the master sits, and so which wheel is farther. */
  readonly drive: 'left' | 'right';
  readonly abs: boolean;
  /** Cars: how the rear hoses end on their calipers. */
  readonly rearEnd: 'banjo' | 'screwed';
  /** Cars: whether one rear wheel rises when the other drops, or each by itself; independent where nobody says. */
  readonly rearAxle?: 'independent' | 'live' | undefined;
}

/** One circuit being put down. */
function sheet(newId: NewId, name: string) {
  const components: HydraulicComponent[] = [];
  const ports: HydraulicPort[] = [];
  const joints: HydraulicJoint[] = [];
  const hoses: HydraulicLine[] = [];
  const part = (
    kind: ComponentKind,
    partName: string,
    body: Body,
    facts: Partial<HydraulicComponent> = {},
  ) => {
    const component = newComponent(newId(), kind, partName, body, facts);
    components.push(component);
    return component;
  };
  return {
    part,
    master: (partName: string, body: Body, facts: Partial<HydraulicComponent> = {}) => {
      const master = part('master', partName, body, facts);
      part('reservoir', `${partName}, reservoir`, body, { attachedTo: master.id });
      return master;
    },
    caliper: (partName: string, body: Body, kind: 'caliper' | 'wheelCylinder' = 'caliper') => {
      const caliper = part(kind, partName, body);
      part('bleedNipple', partName, body, { attachedTo: caliper.id });
      return caliper;
    },
    joint: (component: HydraulicComponent, end: EndKind = 'banjo', jointName?: string) => {
      const made = newJoint(newId, component, end, jointName === undefined ? {} : { name: jointName });
      ports.push(made.port);
      joints.push(made.joint);
      return made.joint;
    },
    line: (
      lineName: string,
      from: HydraulicJoint,
      to: HydraulicJoint,
      length_m: number,
      kind: LineKind = 'hose',
      facts: Partial<HydraulicLine> = {},
    ) => {
      hoses.push({ ...newLine(newId(), kind, lineName, from, to, length_m), ...facts });
    },
    done: (): Hydraulics => ({
      name,
      fluidGrade: 'DOT 4',
      components,
      ports,
      joints: joints.map((joint) => {
        const eyes = hoses.filter(
          (hose) => hose.fromJointId === joint.id || hose.toJointId === joint.id,
        ).length;
        return joint.bolt && eyes > 1 ? { ...joint, bolt: boltFor(joint.bolt.thread, eyes) } : joint;
      }),
      hoses,
    }),
  };
}
type SheetOf = ReturnType<typeof sheet>;

/** The circuits of a pattern. */
export function startPattern(pattern: PatternId, options: PatternOptions): readonly Hydraulics[] {
  switch (pattern) {
    case 'singleFront':
      return [single(options, 'Front brake', 'Front', 'handlebar', 'forkLower', 0.9)];
    case 'singleRear':
      return [single(options, 'Rear brake', 'Rear', 'frame', 'swingarm', 0.55)];
    case 'twinLongHoses':
      return [twinLongHoses(options)];
    case 'twinTee':
      return [twinTee(options)];
    case 'twinCrossover':
      return [twinCrossover(options)];
    case 'threeOnOneMaster':
      return [threeOnOneMaster(options)];
    case 'motorcycleAbs':
      return sharing([absFront(options), absRear(options)], ['absUnit']);
    case 'carFrontRear':
      return sharing(
        [
          car(options, 'Front circuit', ['front left', 'front right']),
          car(options, 'Rear circuit', ['rear left', 'rear right']),
        ],
        OF_TANDEM,
      );
    case 'carDiagonal':
      return sharing(
        [
          car(options, 'Diagonal 1', ['front left', 'rear right']),
          car(options, 'Diagonal 2', ['front right', 'rear left']),
        ],
        OF_TANDEM,
      );
    case 'quad':
      return [
        pairWithTee(options, 'Front pair', 'Front', 'handlebar', 'knuckle'),
        pairWithTee(options, 'Rear pair', 'Rear', 'frame', 'axle'),
      ];
    case 'trike':
      return [pairWithTee(options, 'Front pair', 'Front', 'handlebar', 'knuckle')];
  }
}

/** What a tandem master brings into both of its circuits. */
const OF_TANDEM: readonly ComponentKind[] = ['master', 'reservoir', 'absUnit'];

/** One part of each of these kinds serves all the circuits: it is drawn in each, and the first drawing stands for it. */
function sharing(
  [first, ...others]: readonly [Hydraulics, ...Hydraulics[]],
  kinds: readonly ComponentKind[],
): readonly Hydraulics[] {
  const standsFor = (kind: ComponentKind) => first.components.find((component) => component.kind === kind);
  return [
    first,
    ...others.map((circuit) => ({
      ...circuit,
      components: circuit.components.map((component) => {
        const same = kinds.includes(component.kind) ? standsFor(component.kind) : undefined;
        return same ? { ...component, sameAs: same.id } : component;
      }),
    })),
  ];
}

function single(
  { newId }: PatternOptions,
  name: string,
  place: string,
  masterBody: Body,
  caliperBody: Body,
  length_m: number,
): Hydraulics {
  const on = sheet(newId, name);
  const from = on.joint(on.master(`${place} master`, masterBody));
  const to = on.joint(on.caliper(`${place} caliper`, caliperBody));
  on.line(`${place} hose`, from, to, length_m);
  return on.done();
}

function twinParts(on: SheetOf) {
  const master = on.master('Front master', 'handlebar');
  const left = on.caliper('Left caliper', 'forkLower');
  const right = on.caliper('Right caliper', 'forkLower');
  return { master: on.joint(master), left: on.joint(left), right: on.joint(right) };
}

function twinLongHoses({ newId }: PatternOptions): Hydraulics {
  const on = sheet(newId, 'Front brake');
  const { master, left, right } = twinParts(on);
  on.line('Left hose', master, left, 0.72, 'hose', { endA: exampleBanjo(20) });
  on.line('Right hose', master, right, 0.78);
  return on.done();
}

function twinTee({ newId }: PatternOptions): Hydraulics {
  const on = sheet(newId, 'Front brake');
  const { master, left, right } = twinParts(on);
  const tee = on.part('junction', 'Tee at the lower yoke', 'lowerYoke');
  on.line('Main hose', master, on.joint(tee, 'banjo', 'Tee, in'), 0.42);
  on.line('Left hose', on.joint(tee, 'banjo', 'Tee, left'), left, 0.4);
  on.line('Right hose', on.joint(tee, 'banjo', 'Tee, right'), right, 0.4);
  return on.done();
}

function twinCrossover({ newId }: PatternOptions): Hydraulics {
  const on = sheet(newId, 'Front brake');
  const { master, left, right } = twinParts(on);
  on.line('Main hose', master, right, 0.78);
  on.line('Crossover hose', right, left, 0.5, 'hose', { rise_m: 0.18 });
  return on.done();
}

function threeOnOneMaster({ newId }: PatternOptions): Hydraulics {
  const on = sheet(newId, 'Front and sidecar brake');
  const { master, left, right } = twinParts(on);
  const side = on.joint(on.caliper('Sidecar caliper', 'sidecarArm'));
  on.line('Left hose', master, left, 0.72, 'hose', { endA: exampleBanjo(20) });
  on.line('Right hose', master, right, 0.78);
  on.line('Sidecar hose', master, side, 1.3, 'hose', { endA: exampleBanjo(45) });
  return on.done();
}

function absFront({ newId }: PatternOptions): Hydraulics {
  const on = sheet(newId, 'Front brake');
  const master = on.joint(on.master('Front master', 'handlebar'));
  const unit = on.part('absUnit', 'ABS unit', 'frame');
  const manifold = on.part('junction', 'Front manifold', 'frame');
  on.line('Master to unit', master, on.joint(unit, 'banjo', 'ABS unit, from front master'), 0.95);
  on.line(
    'Unit to manifold',
    on.joint(unit, 'banjo', 'ABS unit, to front'),
    on.joint(manifold, 'banjo', 'Manifold, in'),
    0.7,
  );
  for (const side of ['left', 'right'] as const) {
    const caliper = on.joint(on.caliper(`Front ${side} caliper`, 'forkLower'));
    on.line(`Front ${side} hose`, on.joint(manifold, 'banjo', `Manifold, ${side}`), caliper, 0.45);
  }
  return on.done();
}

function absRear({ newId }: PatternOptions): Hydraulics {
  const on = sheet(newId, 'Rear brake');
  const master = on.joint(on.master('Rear master', 'frame'));
  const unit = on.part('absUnit', 'ABS unit', 'frame');
  on.line('Rear master to unit', master, on.joint(unit, 'banjo', 'ABS unit, from rear master'), 0.5);
  const caliper = on.joint(on.caliper('Rear caliper', 'swingarm'));
  on.line('Unit to rear caliper', on.joint(unit, 'banjo', 'ABS unit, to rear'), caliper, 0.85);
  return on.done();
}

type Corner = 'front left' | 'front right' | 'rear left' | 'rear right';

/** Hard lines from a tandem master, or from its ABS unit, to a bracket at each corner; a hose from there to the wheel. */
function car(
  { newId, drive, abs, rearEnd, rearAxle = 'independent' }: PatternOptions,
  name: string,
  corners: readonly Corner[],
): Hydraulics {
  const on = sheet(newId, name);
  const master = on.master('Tandem master', 'frame', { height_m: 0.9 });
  const source = abs ? on.part('absUnit', 'ABS unit', 'frame', { height_m: 0.7 }) : master;
  if (abs) {
    const inlet = on.joint(source, 'invertedFlareNut', 'ABS unit, in');
    on.line('Master to unit', on.joint(master, 'invertedFlareNut', 'Master, out'), inlet, 0.5, 'hardLine');
  }
  for (const corner of corners) {
    const isRear = corner.startsWith('rear');
    const far = !corner.endsWith(drive);
    const bracket = on.part('bracket', `Bracket, ${corner}`, 'frame', { height_m: 0.5 });
    const pipeEnd = on.joint(bracket, 'femaleInverted', `Bracket, ${corner}`);
    const out = on.joint(source, 'invertedFlareNut', `${abs ? 'ABS unit' : 'Master'}, to ${corner}`);
    on.line(`Hard line, ${corner}`, out, pipeEnd, (isRear ? 3.1 : 0.9) + (far ? 1.1 : 0), 'hardLine');
    const wheel = on.caliper(
      `Caliper, ${corner}`,
      isRear ? (rearAxle === 'live' ? 'axle' : 'hubCarrier') : 'knuckle',
    );
    const end: EndKind = isRear && rearEnd === 'screwed' ? 'maleScrewed' : 'banjo';
    on.line(`Hose, ${corner}`, pipeEnd, on.joint(wheel, end), isRear ? 0.3 : 0.4);
  }
  return on.done();
}

/** One master, one hose to a tee, one hose to each wheel. */
function pairWithTee(
  { newId }: PatternOptions,
  name: string,
  place: string,
  masterBody: Body,
  wheelBody: Body,
): Hydraulics {
  const on = sheet(newId, name);
  const master = on.joint(on.master(`${place} master`, masterBody));
  const tee = on.part('junction', `${place} tee`, 'frame', { height_m: 0.5 });
  on.line(`${place} main hose`, master, on.joint(tee, 'banjo', `${place} tee, in`), 0.8);
  for (const side of ['left', 'right'] as const) {
    const wheel = on.joint(on.caliper(`${place} ${side} caliper`, wheelBody));
    on.line(`${place} ${side} hose`, on.joint(tee, 'banjo', `${place} tee, ${side}`), wheel, 0.45);
  }
  return on.done();
}
