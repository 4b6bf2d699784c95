/** What a layout costs and brings, in figures that can be compared side by side. */
import { count, length, mass, volume } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import { STROKE_EFFICIENCY, strokeVolume } from '../bleeding/strokes.ts';
import { hoseSwellLimit } from '../hydraulics/swell.ts';
import { distancesFromMaster } from './circuit.ts';
import { circuitFaults } from './faults.ts';
import type { Hydraulics } from './hydraulics.ts';

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

/** Problem: a line without length or bore. */
export function layoutFigures(circuit: Hydraulics): Result<LayoutFigures> {
  for (const hose of circuit.hoses) {
    const refused = firstNotPositive({ length_m: hose.length_m, bore_m: hose.bore_m });
    if (refused) return problem(refused);
  }
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
  const washers = banjos.reduce((sum, { ends }) => sum + ends + 1, 0);
  const flares = used
    .filter(({ joint }) => joint.seal === 'flare')
    // At a bracket one flare seals between pipe and hose.
    .reduce((sum, { ends }) => sum + Math.max(1, ends - 1), 0);
  const screwed = used.filter(({ joint }) => joint.seal === 'screwed').length;
  const sealingFaces = washers + flares + screwed;

  const hoses = circuit.hoses.filter((line) => line.kind === 'hose');
  const pipes = circuit.hoses.filter((line) => line.kind === 'hardLine');
  const total = (lines: readonly { readonly length_m: number }[]) =>
    lines.reduce((sum, line) => sum + line.length_m, 0);
  const hoseLength_m = total(hoses);
  const fill_m3 = circuit.hoses.reduce(
    (sum, line) => sum + (Math.PI / 4) * line.bore_m ** 2 * line.length_m,
    0,
  );
  const junctions = circuit.components.filter((component) => component.kind === 'junction').length;
  const mass_kg =
    hoseLength_m * HOSE_kg_per_m +
    total(pipes) * PIPE_kg_per_m +
    circuit.hoses.length * 2 * END_kg +
    banjos.reduce((sum, { ends }) => sum + BOLT_kg + (ends - 1) * DOUBLE_BOLT_EXTRA_kg, 0) +
    washers * WASHER_kg +
    junctions * JUNCTION_kg;
  const swells = hoses.map((hose) =>
    hoseSwellLimit(
      hose.length_m,
      hose.bore_m,
      HARD_PULL_Pa,
      hose.construction === 'rubber' ? 'regular' : 'low',
    ),
  );
  const swell_m3 = swells.reduce((sum, swell) => sum + (swell.ok ? swell.value : 0), 0);

  const master = circuit.components.find((component) => component.kind === 'master');
  const stroke =
    master && master.masterBore_m !== null && master.leverStroke_m !== null && master.leverRatio !== null
      ? strokeVolume({
          masterBore_m: master.masterBore_m,
          leverStroke_m: master.leverStroke_m,
          leverRatio: master.leverRatio,
          efficiency: STROKE_EFFICIENCY,
        })
      : null;
  const strokeVolume_m3 = stroke?.ok ? stroke.value : null;
  const flushStrokes =
    strokeVolume_m3 === null ? null : Math.ceil((FLUSH_VOLUMES * fill_m3) / strokeVolume_m3 - 1e-9);

  const faults = circuitFaults(circuit);
  const figures: LayoutFigures = {
    joints: used.length,
    sealingFaces,
    washers,
    bolts: banjos.length,
    hoses: hoses.length,
    hoseLength_m,
    mismatch_m: mismatch(circuit),
    mass_kg,
    fill_m3,
    swell_m3,
    highPoints: faults.filter((fault) => fault.code === 'trappedHighPoint').length,
    nipples: circuit.components.filter((component) => component.kind === 'bleedNipple').length,
    flushStrokes,
    estimated: circuit.hoses.some((line) => line.estimated),
  };
  const fill = term('V', 'lineVolume', volume(fill_m3));
  return calculated(figures, [
    {
      formula: WASHERS,
      inputs: [term('bolts', 'banjoBolts', count(banjos.length))],
      result: term('w', 'washers', count(washers)),
    },
    {
      formula: SEALS,
      inputs: [term('flares', 'flareSeals', count(flares + screwed))],
      result: term('s', 'sealingFaces', count(sealingFaces)),
    },
    {
      formula: VOLUME,
      inputs: circuit.hoses.map((line) => term('L', 'hoseLength', length(line.length_m))),
      result: fill,
    },
    {
      formula: MASS,
      inputs: [term('L', 'hoseLength', length(hoseLength_m))],
      result: term('m', 'layoutMass', mass(mass_kg)),
    },
    ...swells.flatMap((swell) => (swell.ok ? swell.working : [])),
    ...(strokeVolume_m3 === null || flushStrokes === null
      ? []
      : [
          {
            formula: STROKES,
            inputs: [fill, term('V_stroke', 'strokeVolume', volume(strokeVolume_m3))],
            result: term('n', 'flushStrokes', count(flushStrokes)),
          } as const,
        ]),
  ]);
}

function mismatch(circuit: Hydraulics): number {
  const wheels = circuit.components.filter(
    (component) => component.kind === 'caliper' || component.kind === 'wheelCylinder',
  );
  const ways = wheels.flatMap((wheel) => distancesFromMaster(circuit).get(wheel.id) ?? []);
  return ways.length < 2 ? 0 : Math.max(...ways) - Math.min(...ways);
}
