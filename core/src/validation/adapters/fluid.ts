import { bubbleRise, criticalBore_m } from '../../bleeding/bubble.ts';
import { refillGuard, strokeVolume } from '../../bleeding/strokes.ts';
import { lineVolume_m3, washout, washoutNeeded } from '../../bleeding/washout.ts';
import { boilingPoint_K, fluidModel, waterForBoiling, waterVapour_Pa } from '../../fluid/boiling.ts';
import type { Adapter, Answers } from '../adapter.ts';
import { entries, figure, list, mm, text, valueOf } from '../adapter.ts';
import type { Fields } from '../case.ts';

const ZERO_K = 273.15;
const WATERS = [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.7, 5];
const HIGH_Pa = 70_000;
const MODEL =
  'own model between dry and wet point; water vapour after Wagner and Pruß 2002 (from memory, checked against IF97)';

/** Keys of a record in a case, as figures; otherwise those usual. */
const keys = (value: unknown, usual: readonly number[]): readonly number[] =>
  typeof value === 'object' && value !== null ? Object.keys(value).map(Number) : usual;

function boils(inputs: Fields): Answers {
  const points = { dry_K: figure(inputs, 'dry') + ZERO_K, wet_K: figure(inputs, 'wet') + ZERO_K };
  const { activity, wetMoleFraction, vaporisation_J_per_mol } = valueOf(fluidModel(points));
  const at = (waters: readonly number[], pressure_Pa?: number) =>
    Object.fromEntries(
      waters.map((percent) => [
        String(percent),
        valueOf(boilingPoint_K(points, percent / 100, pressure_Pa)) - ZERO_K,
      ]),
    );
  const temperatures = keys(inputs.water_pct_for_T, []);
  return {
    gamma_w: activity,
    x_at_anchor: wetMoleFraction,
    dHvap_J_mol: vaporisation_J_per_mol,
    T_C: at(keys(inputs.T_C, WATERS)),
    T_at_70kPa: at(keys(inputs.T_at_70kPa, [0, 1, 2, 3, 3.7]), HIGH_Pa),
    ...(temperatures.length > 0
      ? {
          water_pct_for_T: Object.fromEntries(
            temperatures.map((value) => [
              String(value),
              valueOf(waterForBoiling(points, value + ZERO_K)) * 100,
            ]),
          ),
        }
      : {}),
  };
}

const vapour = (inputs: Fields): Answers => ({
  wagner_pruss: valueOf(waterVapour_Pa(Number(text(inputs, 'id', String(inputs.T_C))) + ZERO_K)),
});

/** The pressure of the standard atmosphere (ISO 2533) at a height, pascals. */
const standardAtmosphere_Pa = (height_m: number) => 101_325 * (1 - 2.25577e-5 * height_m) ** 5.25588;

function labelled(inputs: Fields): Answers {
  const points = {
    dry_K: figure(inputs, 'dryBoilingPoint_degC') + ZERO_K,
    wet_K: figure(inputs, 'wetBoilingPoint_degC') + ZERO_K,
  };
  const pressure_Pa = figure(inputs, 'pressure_Pa', standardAtmosphere_Pa(figure(inputs, 'altitude_m', 0)));
  const { waterMassFraction } = inputs;
  const waters = Array.isArray(waterMassFraction)
    ? list(inputs, 'waterMassFraction')
    : [Number(waterMassFraction)];
  const found = waters.map((water) => valueOf(boilingPoint_K(points, water, pressure_Pa)));
  return { pressure_Pa, boilingPoint_K: Array.isArray(waterMassFraction) ? found : (found[0] ?? null) };
}

function washed(inputs: Fields): Answers {
  const { newAtNipple, oldInLine } = valueOf(washout(figure(inputs, 'theta')));
  return { outlet_new_fraction: newAtNipple, old_left_in_tube: oldInLine };
}

function needed(inputs: Fields): Answers {
  const { atNipple, inLine, stirred, plug } = valueOf(washoutNeeded(figure(inputs, 'target')));
  return { theta_outlet: atNipple, theta_residual_in_tube: inLine, theta_CSTR: stirred, theta_plug: plug };
}

function tube(inputs: Fields): Answers {
  const volume_m3 = valueOf(
    lineVolume_m3([{ length_m: mm(figure(inputs, 'L_mm')), bore_m: mm(figure(inputs, 'bore_mm')) }]),
  );
  const { atNipple, inLine } = valueOf(washoutNeeded(figure(inputs, 'target')));
  return {
    V_cc: volume_m3 * 1e6,
    cc_outlet: atNipple * volume_m3 * 1e6,
    cc_residual: inLine * volume_m3 * 1e6,
  };
}

const lineOf = (inputs: Fields) => ({
  bore_m: mm(figure(inputs, 'bore_mm')),
  density_kg_per_m3: figure(inputs, 'rho'),
  surfaceTension_N_per_m: figure(inputs, 'sigma'),
  viscosity_Pa_s: figure(inputs, 'mu', 0.016),
});

function rises(inputs: Fields): Answers {
  const {
    bond,
    rises: does,
    capillary,
    speed_m_per_s,
    ceiling_m_per_s,
  } = valueOf(bubbleRise(lineOf(inputs)));
  return {
    Bo: bond,
    rises: does,
    Ca: capillary,
    rise_mm_s: speed_m_per_s === null ? null : speed_m_per_s * 1000,
    rise_mm_per_min: speed_m_per_s === null ? null : speed_m_per_s * 60_000,
    inertial_ceiling_mm_s: ceiling_m_per_s * 1000,
  };
}

function stroked(inputs: Fields): Answers {
  const master = {
    masterBore_m: mm(figure(inputs, 'master_bore_mm')),
    leverStroke_m: mm(figure(inputs, 'lever_stroke_mm')),
    leverRatio: figure(inputs, 'ratio'),
    efficiency: figure(inputs, 'return_eff', 1),
  };
  const perStroke_m3 = valueOf(strokeVolume(master));
  const volume_m3 = valueOf(
    lineVolume_m3(
      entries(inputs, 'segments').map((segment) => ({
        length_m: mm(figure(segment, 'L_mm')),
        bore_m: mm(figure(segment, 'd_mm')),
      })),
    ),
  );
  const thetas = keys(inputs.strokes_exact ?? inputs.strokes, [1, 2.236]);
  const exact = thetas.map((theta) => [String(theta), (theta * volume_m3) / perStroke_m3] as const);
  return {
    cc_per_stroke: perStroke_m3 * 1e6,
    V_line_cc: volume_m3 * 1e6,
    strokes_exact: Object.fromEntries(exact),
    strokes: Object.fromEntries(exact.map(([theta, strokes]) => [theta, Math.ceil(strokes - 1e-9)])),
    strokes_before_min: valueOf(refillGuard(master, figure(inputs, 'reservoir_usable_cc') * 1e-6, 0, false))
      .strokesBeforeMinimum,
  };
}

const FLUSH = 'laminar flow without mixing (G. I. Taylor 1953, from memory)';
const BUBBLE =
  'Bretherton 1961 (from memory; the limit derived again numerically); surface tension and viscosity are inputs without a sure source';

export const fluidAdapters: readonly Adapter[] = [
  {
    kind: 'curves',
    group: 'fluid',
    needs: ['dry', 'wet'],
    answer: boils,
    tolerances: {
      gamma_w: { relative: 2e-6 },
      T_C: { absolute: 1e-3 },
      T_at_70kPa: { absolute: 1e-3 },
      water_pct_for_T: { absolute: 1e-4 },
    },
    source: MODEL,
  },
  {
    kind: 'boilingPoint',
    group: 'fluid',
    needs: ['dryBoilingPoint_degC', 'wetBoilingPoint_degC', 'waterMassFraction'],
    answer: labelled,
    tolerances: { pressure_Pa: { absolute: 1 }, boilingPoint_K: { absolute: 0.02 } },
    source: MODEL,
  },
  {
    kind: 'water_vapour_pressure_Pa',
    group: 'fluid',
    needs: ['wagner_pruss'],
    answer: vapour,
    tolerances: { wagner_pruss: { relative: 1e-6 } },
    source: MODEL,
  },
  { kind: 'washout', group: 'fluid', needs: ['theta'], answer: washed, source: FLUSH },
  { kind: 'tubes', group: 'fluid', needs: ['L_mm', 'bore_mm', 'target'], answer: tube, source: FLUSH },
  { kind: 'needed', group: 'fluid', needs: ['target'], answer: needed, source: FLUSH },
  {
    kind: 'bores',
    group: 'bubbles',
    needs: ['bore_mm', 'rho', 'sigma'],
    answer: rises,
    tolerances: {
      Ca: { relative: 1e-6 },
      rise_mm_s: { relative: 1e-6 },
      rise_mm_per_min: { relative: 1e-6 },
    },
    source: BUBBLE,
  },
  {
    kind: 'strokes',
    group: 'bubbles',
    needs: ['master_bore_mm', 'lever_stroke_mm', 'segments'],
    answer: stroked,
    source: 'swept volume of a piston, closed form',
  },
  {
    kind: 'critical',
    group: 'bubbles',
    needs: ['rho', 'sigma'],
    answer: (inputs) => ({
      critical_bore_mm: valueOf(criticalBore_m(figure(inputs, 'rho'), figure(inputs, 'sigma'))) * 1000,
    }),
    source: BUBBLE,
  },
];
