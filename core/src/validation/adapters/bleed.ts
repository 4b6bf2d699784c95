/** Cases of bleeding: what moves is answered by the simulator, what stands still by its closed form. */
import { washoutMixed } from '../../bleeding/washout.ts';
import type { Adapter } from '../adapter.ts';
import { list } from '../adapter.ts';
import {
  againstFlow,
  atTheBar,
  byBore,
  byGravity,
  byVacuum,
  dissolved,
  driven,
  falseBubbles,
  locked,
  opened,
  split,
  travelled,
  washed,
} from './bleedFigures.ts';
import { linesOf } from './bleedInputs.ts';
import { drawnBack, lowNipple, pocketed, ranDry, transit } from './bleedSimulated.ts';

const SIMULATED = 'our simulator, against the closed form of plug displacement';
const FLOW = 'laminar flow and an orifice (Hagen, Poiseuille; closed form)';
const GAS = 'Boyle, closed form';
const within = (relative: number, ...names: readonly string[]) =>
  Object.fromEntries(names.map((name) => [name, { relative }]));

export const bleedAdapters: readonly Adapter[] = [
  {
    kind: 'travel_two_pressures',
    group: 'bleed',
    needs: ['gauge_pressures_Pa', 'hose_compliance_m3_Pa', 'air_volume_m3'],
    answer: travelled,
    tolerances: within(
      1e-6,
      'lever_travel_m',
      'lever_force_N',
      'elastic_compliance_m3_Pa',
      'air_volume_from_two_readings_m3',
      'air_share_of_displaced_volume',
    ),
    source: GAS,
  },
  {
    kind: 'pressure_at_full_stroke',
    group: 'bleed',
    needs: ['air_volumes_m3', 'wanted_gauge_pressure_Pa'],
    answer: atTheBar,
    tolerances: within(1e-6, 'gauge_pressures_Pa', 'largest_air_for_wanted_pressure_m3'),
    source: GAS,
  },
  {
    kind: 'bubble_transit',
    group: 'bleed',
    needs: ['segments', 'bubble_volume_m3'],
    answer: transit,
    tolerances: {
      ...within(
        0.002,
        'stroke_volume_m3',
        'line_volume_m3',
        'strokes_until_nose',
        'strokes_until_tail',
        'bubble_out_at_this_nipple_m3',
      ),
      first_stroke_with_air: { relative: 0 },
      last_stroke_with_air: { relative: 0 },
    },
    source: SIMULATED,
  },
  {
    kind: 'bubble_against_flow',
    group: 'bleed',
    needs: ['rise_speed_m_s', 'downward_flows_m3_s'],
    answer: againstFlow,
    tolerances: within(
      0.005,
      'flow_that_just_holds_it_m3_s',
      'net_downward_speeds_m_s',
      'time_to_end_of_tube_s',
    ),
    source: 'no slip between bubble and flow; the rise is an input',
  },
  {
    kind: 'bubble_rise_by_bore',
    group: 'bleed',
    needs: ['bores_m', 'surface_tension_N_m'],
    answer: byBore,
    tolerances: {
      critical_bore_m: { relative: 1e-4 },
      rise_speed_m_s: { relative: 0.35, absolute: 1e-5 },
      flow_that_holds_it_m3_s: { relative: 0.35, absolute: 1e-10 },
    },
    source: 'Bretherton 1961 and Wallis 1969, from memory; speeds are indicative',
  },
  {
    kind: 'release_before_close',
    group: 'bleed',
    needs: ['return_time_s', 'seal_resistance_Pas_m3'],
    answer: drawnBack,
    tolerances: {
      ...within(
        0.03,
        'return_flow_m3_s',
        'drawn_back_m3',
        'through_the_seal_m3',
        'share_drawn_back',
        'line_and_nipple_pressure_loss_Pa',
      ),
      air_taken_in_m3: { relative: 0.03, absolute: 1e-12 },
    },
    source: SIMULATED,
  },
  {
    kind: 'reservoir_dry',
    group: 'bleed',
    needs: ['usable_volume_to_port_m3', 'filled_fraction'],
    answer: ranDry,
    tolerances: {
      stroke_volume_m3: { relative: 0.002 },
      // One per cent of what was pumped: it is a difference of large figures.
      air_drawn_on_that_stroke_m3: { relative: 0.001, absolute: 2.414e-7 },
      air_after_all_strokes_m3: { relative: 0.001, absolute: 2.759e-7 },
    },
    source: SIMULATED,
  },
  {
    kind: 'gravity_flow',
    group: 'bleed',
    needs: ['reservoir_area_m2', 'level_drop_m'],
    answer: byGravity,
    tolerances: within(
      0.003,
      'flow_m3_s',
      'line_share_of_pressure',
      'reynolds_in_first_segment',
      'seconds_per_millilitre_s',
      'time_for_level_drop_s',
    ),
    source: FLOW,
  },
  {
    kind: 'vacuum_pull',
    group: 'bleed',
    needs: ['pot_volume_m3', 'pump_swept_volume_m3'],
    answer: byVacuum,
    tolerances: within(0.002, 'initial_flow_m3_s', 'drawn_until_it_stops_m3', 'time_for_nine_tenths_s'),
    source: FLOW,
  },
  {
    kind: 'driven_flow',
    group: 'bleed',
    needs: ['syringe_flow_m3_s', 'volume_to_pass_m3'],
    answer: driven,
    tolerances: within(
      0.003,
      'flow_m3_s',
      'time_for_volume_s',
      'reynolds_in_first_segment',
      'air_volume_ratio_in_pressurised_reservoir',
      'syringe_gauge_pressure_Pa',
      'syringe_plunger_force_at_15mm_bore_N',
    ),
    source: FLOW,
  },
  {
    kind: 'parallel_split',
    group: 'bleed',
    needs: ['main', 'branch_1', 'branch_2'],
    answer: split,
    tolerances: within(
      0.003,
      'flow_1_m3_s',
      'flow_2_m3_s',
      'share_1',
      'tee_gauge_pressure_at_outlet_level_Pa',
      'flow_1_alone_m3_s',
    ),
    source: FLOW,
  },
  {
    kind: 'washout_line',
    group: 'bleed',
    needs: ['line_volumes_pumped', 'bore_m', 'length_m'],
    answer: washed,
    source: 'laminar flow without mixing (G. I. Taylor 1953, from memory)',
  },
  {
    kind: 'washout_mixed_joints',
    group: 'bleed',
    needs: ['line_volumes_pumped', 'segments'],
    answer: (inputs) => ({
      outlet_new_fraction: washoutMixed(linesOf(inputs), list(inputs, 'line_volumes_pumped')),
    }),
    tolerances: { outlet_new_fraction: { absolute: 0.01 } },
    source: 'residence times added by convolution; full mixing at joints is a choice of the model',
  },
  {
    kind: 'dissolving_overnight',
    group: 'bleed',
    needs: ['diffusion_coefficient_m2_s', 'solubility_volume_ratio'],
    answer: dissolved,
    tolerances: within(2 / 3, 'quasi_steady_life_s', 'life_hours', 'long_bubble_lost_by_two_faces_m3'),
    source: 'Epstein and Plesset 1950, from memory; good to a factor of three at best',
  },
  {
    kind: 'air_lock',
    group: 'bleed',
    needs: ['legs'],
    answer: locked,
    tolerances: within(
      1e-6,
      'driving_pressure_Pa',
      'driving_pressure_without_air_Pa',
      'lever_pressure_needed_Pa',
    ),
    source: 'hydrostatics, closed form',
  },
  {
    kind: 'low_nipple_pocket',
    group: 'bleed',
    needs: ['nipple_height_fraction', 'tilt_box'],
    answer: lowNipple,
    tolerances: within(
      0.001,
      'air_left_after_all_strokes_m3',
      'lever_side_volume_lost_at_hold_m3',
      'pocket_by_tilt_m3',
    ),
    source: SIMULATED,
  },
  {
    kind: 'abs_pocket',
    group: 'bleed',
    needs: ['pocket_volume_m3', 'vacuum_cycles'],
    answer: pocketed,
    tolerances: {
      air_left_after_flushing_m3: { relative: 0.001 },
      air_left_after_vacuum_m3: { relative: 0.001 },
      air_volume_at_hold_m3: { relative: 0.001 },
    },
    source: `${SIMULATED}; ${GAS}`,
  },
  {
    kind: 'opened_under_pressure',
    group: 'bleed',
    needs: ['line_resistance_Pas_m3', 'end_gauge_pressure_Pa'],
    answer: opened,
    tolerances: within(
      0.005,
      'volume_out_m3',
      'initial_flow_m3_s',
      'time_to_end_pressure_s',
      'time_orifice_only_no_air_s',
    ),
    source: FLOW,
  },
  {
    kind: 'false_bubbles',
    group: 'bleed',
    needs: ['thread_leak_resistance_Pas_m3', 'tube_bore_m'],
    answer: falseBubbles,
    tolerances: within(
      0.001,
      'liquid_flow_m3_s',
      'air_flow_in_tube_m3_s',
      'air_share_of_tube',
      'tube_speed_m_s',
      'air_flow_with_nipple_closed_m3_s',
    ),
    source: FLOW,
  },
];
