import { boltLoad, neckArea_m2 } from '../../joint/boltLoad.ts';
import { crowfootSetting } from '../../joint/crowfoot.ts';
import { wrenchRange } from '../../joint/torque.ts';
import { parseQuantity } from '../../units/parse.ts';
import { fromSI } from '../../units/convert.ts';
import type { Adapter, Answers } from '../adapter.ts';
import { figure, mm, rad, Refused, text, valueOf } from '../adapter.ts';
import type { Fields } from '../case.ts';

const LOAD =
  'VDI 2230 with its rounded coefficients, ISO 898-1 and ISO 3506-1 strengths (from memory); bores and necks are invented test geometry';

function load(inputs: Fields): Answers {
  const bolt = {
    diameter_m: mm(figure(inputs, 'd')),
    pitch_m: mm(figure(inputs, 'P')),
    bore_m: mm(figure(inputs, 'bore')),
    crossHole_m: mm(figure(inputs, 'cross_hole')),
    crossHoles: figure(inputs, 'n_through_cross_holes', 1),
    neck_m: mm(figure(inputs, 'neck')),
    yield_Pa: figure(inputs, 'Rp02') * 1e6,
  };
  const at = (pressure_MPa: number) =>
    valueOf(
      boltLoad({
        bolt,
        washer: { outside_m: mm(figure(inputs, 'washer_od')), inside_m: mm(figure(inputs, 'washer_id')) },
        torque_Nm: figure(inputs, 'T_Nm'),
        threadFriction: figure(inputs, 'muG'),
        headFriction: figure(inputs, 'muK'),
        pressure_Pa: pressure_MPa * 1e6,
        loadFactor: figure(inputs, 'load_factor_Phi', 0),
      }),
    );
  const load = at(0);
  return {
    F_N: load.clamp_N,
    T_thread_Nm: load.threadTorque_Nm,
    T_head_Nm: load.headTorque_Nm,
    nut_factor_K: load.nutFactor,
    vm_thread: load.threadStress_Pa / 1e6,
    util_thread: load.threadStress_Pa / bolt.yield_Pa,
    A_neck_net_exact: neckArea_m2(bolt) * 1e6,
    vm_neck_exact: load.neckStress_Pa / 1e6,
    util_neck_exact: load.neckStress_Pa / bolt.yield_Pa,
    seat_stress: load.seat_Pa / 1e6,
    residual_clamp_N_at_10_MPa: at(10).left_N,
    residual_clamp_N_at_20_MPa: at(20).left_N,
    residual_seat_MPa_at_10_MPa: at(10).leftSeat_Pa / 1e6,
    residual_seat_MPa_at_20_MPa: at(20).leftSeat_Pa / 1e6,
  };
}

const crowfoot = (inputs: Fields): Answers => ({
  E_effective: figure(inputs, 'E') * Math.cos(rad(figure(inputs, 'angle_deg'))),
  T_set: valueOf(
    crowfootSetting({
      target_Nm: figure(inputs, 'T_target'),
      wrench_m: mm(figure(inputs, 'L')),
      extension_m: mm(figure(inputs, 'E')),
      angle_rad: rad(figure(inputs, 'angle_deg')),
    }),
  ),
});

function range(inputs: Fields): Answers {
  const { lowest_Nm, highest_Nm, deviation } = valueOf(wrenchRange(figure(inputs, 'T_max')));
  const torque = figure(inputs, 'T');
  return {
    usable: [lowest_Nm, highest_Nm],
    in_range: torque >= lowest_Nm && torque <= highest_Nm,
    permissible_dev_pct: deviation * 100,
  };
}

function units(inputs: Fields): Answers {
  const given = parseQuantity(text(inputs, 'given', `${figure(inputs, 'Nm', 0)} Nm`), 'torque');
  if (!given.ok) throw new Refused(given.reason);
  const { value_SI } = given;
  return {
    Nm: value_SI,
    lbf_ft: fromSI(value_SI, 'lbf_ft'),
    lbf_in: fromSI(value_SI, 'lbf_in'),
    kgf_m: fromSI(value_SI, 'kgf_m'),
  };
}

export const jointAdapters: readonly Adapter[] = [
  { kind: 'boltLoad', group: 'joint', needs: ['T_Nm', 'muG', 'neck'], answer: load, source: LOAD },
  {
    kind: 'crowfoot',
    group: 'joint',
    needs: ['T_target', 'L', 'E'],
    answer: crowfoot,
    source: 'statics, closed form',
  },
  {
    kind: 'wrenchRange',
    group: 'joint',
    needs: ['T_max', 'T'],
    answer: range,
    source: 'ISO 6789 (from memory)',
  },
  {
    kind: 'units',
    group: 'joint units',
    needs: ['Nm'],
    answer: units,
    source: 'exact factors: international pound and inch (1959), standard gravity (1901)',
  },
];
