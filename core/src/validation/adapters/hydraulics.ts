import { brakeTorque, caliperClamp, linePressure } from '../../hydraulics/chain.ts';
import type { GasChange } from '../../hydraulics/leverTravel.ts';
import { airFromTravel, airSqueezed, leverTravel, separateAir } from '../../hydraulics/leverTravel.ts';
import { hoseSwellLimit } from '../../hydraulics/swell.ts';
import { fromSI } from '../../units/convert.ts';
import type { Adapter, Answers } from '../adapter.ts';
import { figure, list, mm, text, valueOf } from '../adapter.ts';
import type { Fields } from '../case.ts';

const CLOSED = 'closed form: hydrostatics, ideal gas';
const gasOf = (inputs: Fields): GasChange =>
  text(inputs, 'gas') === 'adiabatic' ? 'adiabatic' : 'isothermal';

function pressed(inputs: Fields): Answers {
  const bore_m = mm(figure(inputs, 'bore_mm'));
  const pressure_Pa = valueOf(
    linePressure({
      force_N: figure(inputs, 'F_N'),
      leverRatio: figure(inputs, 'ratio'),
      efficiency: figure(inputs, 'eff', 1),
      masterBore_m: bore_m,
    }),
  );
  return {
    A_mm2: (Math.PI / 4) * bore_m ** 2 * 1e6,
    pushrod_N: pressure_Pa * (Math.PI / 4) * bore_m ** 2,
    p_MPa: pressure_Pa / 1e6,
    p_bar: fromSI(pressure_Pa, 'bar'),
    p_psi: fromSI(pressure_Pa, 'psi'),
  };
}

function clamped(inputs: Fields): Answers {
  const { clamp_N, side_m2, displacing_m2 } = valueOf(
    caliperClamp(
      figure(inputs, 'p_MPa') * 1e6,
      list(inputs, 'pistons_one_side_mm').map(mm),
      text(inputs, 'kind') === 'sliding' ? 'sliding' : 'opposed',
    ),
  );
  const torqueAt = (name: string) =>
    typeof inputs[name] === 'number' && typeof inputs.mu === 'number'
      ? valueOf(brakeTorque(clamp_N, inputs.mu, mm(inputs[name])))
      : null;
  const [mean, even] = [torqueAt('r_uniform_wear_mm'), torqueAt('r_uniform_pressure_mm')];
  return {
    A_one_side: side_m2 * 1e6,
    A_displacing: displacing_m2 * 1e6,
    clamp_N,
    ...(mean === null ? {} : { T_wear_Nm: mean }),
    ...(even === null ? {} : { T_pressure_Nm: even }),
  };
}

/** A bore inside the row of the table that a case names. */
const tableBore_m = (row: string) => (row.startsWith('<=') ? 0.003 : row.startsWith('>3/16') ? 0.006 : 0.004);

function travelled(inputs: Fields): Answers {
  const pressure_Pa = figure(inputs, 'p_MPa') * 1e6;
  const masterBore_m = mm(figure(inputs, 'bore_mm'));
  const hoseSwell_m3 = valueOf(
    hoseSwellLimit(
      figure(inputs, 'hose_m'),
      tableBore_m(text(inputs, 'table_bore')),
      pressure_Pa,
      text(inputs, 'hose_class') === 'low' ? 'low' : 'regular',
    ),
  );
  const { fluidGives_m3, airGives_m3, total_m3, piston_m, lever_m } = valueOf(
    leverTravel({
      masterBore_m,
      leverRatio: figure(inputs, 'lever_ratio'),
      pressure_Pa,
      hoseSwell_m3,
      fluid_m3: figure(inputs, 'V_fluid_cc') * 1e-6,
      bulkModulus_Pa: figure(inputs, 'K_GPa') * 1e9,
      air_m3: figure(inputs, 'V_air_cc_at_1atm') * 1e-6,
      gas: gasOf(inputs),
      padTakeUp_m3: figure(inputs, 'pad_take_up_cc', 0) * 1e-6,
    }),
  );
  return {
    A_mm2: (Math.PI / 4) * masterBore_m ** 2 * 1e6,
    dV_hose_cc: hoseSwell_m3 * 1e6,
    dV_fluid_cc: fluidGives_m3 * 1e6,
    dV_air_cc: airGives_m3 * 1e6,
    dV_total_cc: total_m3 * 1e6,
    piston_travel_mm: piston_m * 1000,
    lever_travel_mm: lever_m * 1000,
  };
}

function airOf(inputs: Fields): Answers {
  const { moved_m3, air_m3 } = valueOf(
    airFromTravel({
      masterBore_m: mm(figure(inputs, 'bore_mm')),
      leverRatio: figure(inputs, 'ratio'),
      extra_m: mm(figure(inputs, 'extra_lever_mm')),
      pressure_Pa: figure(inputs, 'p_MPa') * 1e6,
      gas: gasOf(inputs),
    }),
  );
  return { dV_cc: moved_m3 * 1e6, V_air_cc_at_1atm: air_m3 * 1e6 };
}

function apart(inputs: Fields): Answers {
  const { air_m3, compliance_m3_per_Pa } = valueOf(
    separateAir(
      { masterBore_m: mm(figure(inputs, 'bore_mm')), leverRatio: figure(inputs, 'ratio') },
      { pressure_Pa: figure(inputs, 'p1') * 1e6, lever_m: mm(figure(inputs, 'x1')) },
      { pressure_Pa: figure(inputs, 'p2') * 1e6, lever_m: mm(figure(inputs, 'x2')) },
    ),
  );
  return { compliance_cc_per_MPa: compliance_m3_per_Pa * 1e12, V_air_cc: air_m3 * 1e6 };
}

function squeezedAt(inputs: Fields): Answers {
  const pressure_Pa = figure(inputs, 'p_MPa') * 1e6;
  return {
    iso: valueOf(airSqueezed(pressure_Pa, 'isothermal')),
    adi: valueOf(airSqueezed(pressure_Pa, 'adiabatic')),
  };
}

export const hydraulicsAdapters: readonly Adapter[] = [
  {
    kind: 'pressure',
    group: 'hydraulics',
    needs: ['F_N', 'ratio', 'bore_mm'],
    answer: pressed,
    source: CLOSED,
  },
  {
    kind: 'caliper',
    group: 'hydraulics',
    needs: ['p_MPa', 'pistons_one_side_mm'],
    answer: clamped,
    source: CLOSED,
  },
  {
    kind: 'travel',
    group: 'hydraulics',
    needs: ['hose_m', 'hose_class', 'V_fluid_cc'],
    answer: travelled,
    source:
      'FMVSS 106 expansion table (from memory, its row above 5 mm unsure); fluid modulus is a choice of model',
  },
  { kind: 'inverse', group: 'hydraulics', needs: ['extra_lever_mm', 'p_MPa'], answer: airOf, source: CLOSED },
  { kind: 'two_point', group: 'hydraulics', needs: ['p1', 'x1', 'p2', 'x2'], answer: apart, source: CLOSED },
  { kind: 'air_fraction_curve', group: 'hydraulics', needs: ['p_MPa'], answer: squeezedAt, source: CLOSED },
];
