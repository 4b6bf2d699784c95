/** What a layout costs and brings, in figures that can be compared side by side. */
import { count, length, mass, volume } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import { STROKE_EFFICIENCY, strokeVolume } from '../bleeding/strokes.ts';
import { hoseSwellLimit } from '../hydraulics/swell.ts';
import { distancesFromMaster } from './circuit.ts';
import { circuitFaults } from './faults.ts';
import type { Hydraulics, LineKind } from './hydraulics.ts';

const WASHERS: Formula = { expression: 'w = Σ (eyes + 1) over the banjo bolts', source: 'washerStack' };
const SEALS: Formula = { expression: 'faces that seal = washers + flares + cones', source: 'washerStack' };
const VOLUME: Formula = { expression: 'V = Σ π/4·d²·L', source: 'boreVolume' };
const MASS: Formula = { expression: 'm = Σ µ·L + ends + bolts + washers + junctions', source: 'hoseMass' };
const STROKES: Formula = { expression: 'n = 5·V / V_stroke, rounded up', source: 'laminarFlush' };

/** Our estimates for a small braided hose and its fittings. */
const HOSE_kg_per_m = 0.075;
const PIPE_kg_per_m = 0.11;
const END_kg = 0.018;
const BOLT_kg = 0.014;
const DOUBLE_BOLT_EXTRA_kg = 0.006;
const WASHER_kg = 0.0006;
const JUNCTION_kg = 0.045;
/** A hard pull, at which the swell of layouts is compared. */
const HARD_PULL_Pa = 7e6;
/** Laminar flow: five line volumes leave 1 % of old fluid at the nipple. */
const FLUSH_VOLUMES = 5;

export interface LayoutFigures {
  readonly joints: number;
  /** Faces that can leak: every washer, flare and cone. */
  readonly sealingFaces: number;
  readonly washers: number;
  readonly bolts: number;
  readonly hoses: number;
  readonly hoseLength_m: number;
  /** Longest hose less the shortest from the master to a wheel: the wheels do not bite together when it is great. */
  readonly mismatch_m: number;
  readonly mass_kg: number;
  readonly fill_m3: number;
  /** At a hard pull of 7 MPa, at most: the standard's limit, low expansion for braided hose and regular for rubber. */
  readonly swell_m3: number;
  readonly highPoints: number;
  readonly nipples: number;
  /** Strokes to flush it; null while the master's bore and lever are not entered. */
  readonly flushStrokes: number | null;
  /** Whether a length in it is still an estimate. */
  readonly estimated: boolean;
}

interface Seals {
  /** Joints that a line comes to. */
  readonly joints: number;
  readonly bolts: number;
  readonly washers: number;
  /** Flares, cones and screwed ends. */
  readonly others: number;
  readonly bolts_kg: number;
}

function sealsOf(circuit: Hydraulics): Seals {
  const used = circuit.joints
    .map((joint) => ({
      joint,
      ends: circuit.hoses.reduce(
        (ends, hose) => ends + Number(hose.fromJointId === joint.id) + Number(hose.toJointId === joint.id),
        0,
      ),
    }))
    .filter(({ ends }) => ends > 0);
  const banjos = used.filter(({ joint }) => joint.seal === 'banjo');
  const flares = used
    .filter(({ joint }) => joint.seal === 'flare')
    // At a bracket one flare seals between pipe and hose.
    .reduce((sum, { ends }) => sum + Math.max(1, ends - 1), 0);
  return {
    joints: used.length,
    bolts: banjos.length,
    washers: banjos.reduce((sum, { ends }) => sum + ends + 1, 0),
    others: flares + used.filter(({ joint }) => joint.seal === 'screwed').length,
    bolts_kg: banjos.reduce((sum, { ends }) => sum + BOLT_kg + (ends - 1) * DOUBLE_BOLT_EXTRA_kg, 0),
  };
}

const total_m = (circuit: Hydraulics, kind: LineKind): number =>
  circuit.hoses.filter((line) => line.kind === kind).reduce((sum, line) => sum + line.length_m, 0);

function massOf(circuit: Hydraulics, seals: Seals): number {
  const junctions = circuit.components.filter((component) => component.kind === 'junction').length;
  return (
    total_m(circuit, 'hose') * HOSE_kg_per_m +
    total_m(circuit, 'hardLine') * PIPE_kg_per_m +
    circuit.hoses.length * 2 * END_kg +
    seals.bolts_kg +
    seals.washers * WASHER_kg +
    junctions * JUNCTION_kg
  );
}

/** What one stroke moves; null while the master's bore and lever are not entered. */
function strokeOf({ components }: Hydraulics): number | null {
  const master = components.find((component) => component.kind === 'master');
  if (!master || master.masterBore_m === null || master.leverStroke_m === null || master.leverRatio === null)
    return null;
  const { masterBore_m, leverStroke_m, leverRatio } = master;
  const stroke = strokeVolume({ masterBore_m, leverStroke_m, leverRatio, efficiency: STROKE_EFFICIENCY });
  return stroke.ok ? stroke.value : null;
}

/** Problem: a line without length or bore. */
export function layoutFigures(circuit: Hydraulics): Result<LayoutFigures> {
  for (const hose of circuit.hoses) {
    const refused = firstNotPositive({ length_m: hose.length_m, bore_m: hose.bore_m });
    if (refused) return problem(refused);
  }
  const seals = sealsOf(circuit);
  const hoses = circuit.hoses.filter((line) => line.kind === 'hose');
  const swells = hoses.map((hose) =>
    hoseSwellLimit(
      hose.length_m,
      hose.bore_m,
      HARD_PULL_Pa,
      hose.construction === 'rubber' ? 'regular' : 'low',
    ),
  );
  const fill_m3 = circuit.hoses.reduce(
    (sum, line) => sum + (Math.PI / 4) * line.bore_m ** 2 * line.length_m,
    0,
  );
  const stroke_m3 = strokeOf(circuit);
  const figures: LayoutFigures = {
    joints: seals.joints,
    sealingFaces: seals.washers + seals.others,
    washers: seals.washers,
    bolts: seals.bolts,
    hoses: hoses.length,
    hoseLength_m: total_m(circuit, 'hose'),
    mismatch_m: mismatch(circuit),
    mass_kg: massOf(circuit, seals),
    fill_m3,
    swell_m3: swells.reduce((sum, swell) => sum + (swell.ok ? swell.value : 0), 0),
    highPoints: circuitFaults(circuit).filter((fault) => fault.code === 'trappedHighPoint').length,
    nipples: circuit.components.filter((component) => component.kind === 'bleedNipple').length,
    flushStrokes: stroke_m3 === null ? null : Math.ceil((FLUSH_VOLUMES * fill_m3) / stroke_m3 - 1e-9),
    estimated: circuit.hoses.some((line) => line.estimated),
  };
  return calculated(
    figures,
    workingOf(
      circuit,
      figures,
      seals,
      stroke_m3,
      swells.flatMap((swell) => (swell.ok ? swell.working : [])),
    ),
  );
}

function workingOf(
  circuit: Hydraulics,
  figures: LayoutFigures,
  seals: Seals,
  stroke_m3: number | null,
  swell: readonly WorkingStep[],
): readonly WorkingStep[] {
  const fill = term('V', 'lineVolume', volume(figures.fill_m3));
  return [
    {
      formula: WASHERS,
      inputs: [term('bolts', 'banjoBolts', count(figures.bolts))],
      result: term('w', 'washers', count(figures.washers)),
    },
    {
      formula: SEALS,
      inputs: [term('flares', 'flareSeals', count(seals.others))],
      result: term('s', 'sealingFaces', count(figures.sealingFaces)),
    },
    {
      formula: VOLUME,
      inputs: circuit.hoses.map((line) => term('L', 'hoseLength', length(line.length_m))),
      result: fill,
    },
    {
      formula: MASS,
      inputs: [term('L', 'hoseLength', length(figures.hoseLength_m))],
      result: term('m', 'layoutMass', mass(figures.mass_kg)),
    },
    ...swell,
    ...(stroke_m3 === null || figures.flushStrokes === null
      ? []
      : [
          {
            formula: STROKES,
            inputs: [fill, term('V_stroke', 'strokeVolume', volume(stroke_m3))],
            result: term('n', 'flushStrokes', count(figures.flushStrokes)),
          },
        ]),
  ];
}

function mismatch(circuit: Hydraulics): number {
  const wheels = circuit.components.filter(
    (component) => component.kind === 'caliper' || component.kind === 'wheelCylinder',
  );
  const ways = wheels.flatMap((wheel) => distancesFromMaster(circuit).get(wheel.id) ?? []);
  return ways.length < 2 ? 0 : Math.max(...ways) - Math.min(...ways);
}
