/** Cases of bleeding that have a closed form. */
import type { FlowNipple } from '../../bleeding/flow.ts';
import {
  burst,
  flowAt,
  flowPath,
  head_Pa,
  levelFall_s,
  pumpPulls,
  reynolds,
  splitFlow,
  vacuumPull,
} from '../../bleeding/flow.ts';
import type { Leg } from '../../bleeding/pockets.ts';
import { bubbleLife, drive_Pa, lostByFaces, squeezedTo } from '../../bleeding/pockets.ts';
import { criticalBore_m } from '../../bleeding/bubble.ts';
import { uprightRise } from '../../bleeding/simulator/boreRise.ts';
import { BRAKE_FLUID } from '../../bleeding/simulator/system.ts';
import { lineVolume_m3, washout, washoutNeeded } from '../../bleeding/washout.ts';
import { mostAirFor, pressureAtFullStroke } from '../../hydraulics/fullStroke.ts';
import { leverTravel, separateAir } from '../../hydraulics/leverTravel.ts';
import type { Answers } from '../adapter.ts';
import { entries, figure, list, text, valueOf } from '../adapter.ts';
import type { Fields } from '../case.ts';
import { atmosphere, fluidOf, linesOf, nippleOf } from './bleedInputs.ts';

export function travelled(inputs: Fields): Answers {
  const pressures = list(inputs, 'gauge_pressures_Pa');
  const [bore_m, leverRatio] = [figure(inputs, 'master_bore_m'), figure(inputs, 'lever_ratio')];
  const swelling = figure(inputs, 'hose_compliance_m3_Pa') + figure(inputs, 'caliper_compliance_m3_Pa');
  const free_m = leverRatio * figure(inputs, 'piston_free_travel_m');
  const each = pressures.map((pressure_Pa) =>
    valueOf(
      leverTravel({
        masterBore_m: bore_m,
        leverRatio,
        pressure_Pa,
        hoseSwell_m3: swelling * pressure_Pa,
        fluid_m3: figure(inputs, 'liquid_volume_m3'),
        bulkModulus_Pa: figure(inputs, 'bulk_modulus_Pa'),
        air_m3: figure(inputs, 'air_volume_m3'),
        gas: 'isothermal',
        padTakeUp_m3: 0,
      }),
    ),
  );
  const reading = (at: number) => ({ pressure_Pa: pressures[at] ?? 0, lever_m: each[at]?.lever_m ?? 0 });
  const apart = valueOf(separateAir({ masterBore_m: bore_m, leverRatio }, reading(0), reading(1)));
  return {
    lever_travel_m: each.map(({ lever_m }) => free_m + lever_m),
    lever_force_N: pressures.map((p) => (p * (Math.PI / 4) * bore_m ** 2) / leverRatio),
    elastic_compliance_m3_Pa: apart.compliance_m3_per_Pa,
    air_volume_from_two_readings_m3: apart.air_m3,
    air_share_of_displaced_volume: each.map(({ airGives_m3, total_m3 }) => airGives_m3 / total_m3),
  };
}

export function atTheBar(inputs: Fields): Answers {
  const brake = {
    masterBore_m: figure(inputs, 'master_bore_m'),
    pistonStroke_m: figure(inputs, 'piston_stroke_m'),
    freeTravel_m: figure(inputs, 'piston_free_travel_m'),
    compliance_m3_Pa: figure(inputs, 'elastic_compliance_m3_Pa'),
    fluid_m3: figure(inputs, 'liquid_volume_m3'),
    bulkModulus_Pa: figure(inputs, 'bulk_modulus_Pa'),
    atmosphere_Pa: atmosphere(inputs),
  };
  return {
    gauge_pressures_Pa: list(inputs, 'air_volumes_m3').map((air_m3) => pressureAtFullStroke(brake, air_m3)),
    largest_air_for_wanted_pressure_m3: mostAirFor(brake, figure(inputs, 'wanted_gauge_pressure_Pa')),
  };
}

/** The bubble's own speed is given: what it does against a flow, and how long to the end. */
export function againstFlow(inputs: Fields): Answers {
  const [bore_m, rise_m_s] = [figure(inputs, 'bore_m'), figure(inputs, 'rise_speed_m_s')];
  const area_m2 = (Math.PI / 4) * bore_m ** 2;
  const speeds = list(inputs, 'downward_flows_m3_s').map((flow) => flow / area_m2 - rise_m_s);
  return {
    flow_that_just_holds_it_m3_s: rise_m_s * area_m2,
    net_downward_speeds_m_s: speeds,
    outcome: speeds.map((speed) => (speed < 0 ? 'rises' : 'carried down')),
    time_to_end_of_tube_s: speeds.map((speed) => figure(inputs, 'length_m') / Math.abs(speed)),
  };
}

export function byBore(inputs: Fields): Answers {
  const fluid = {
    ...BRAKE_FLUID,
    ...fluidOf(inputs),
    surfaceTension_N_m: figure(inputs, 'surface_tension_N_m'),
  };
  const bores = list(inputs, 'bores_m');
  const speeds = bores.map((bore_m) => uprightRise(bore_m, fluid));
  return {
    critical_bore_m: valueOf(criticalBore_m(fluid.density_kg_m3, fluid.surfaceTension_N_m)),
    rises: speeds.map((speed) => speed > 0),
    rise_speed_m_s: speeds,
    flow_that_holds_it_m3_s: speeds.map((speed, at) => speed * (Math.PI / 4) * (bores[at] ?? 0) ** 2),
  };
}

export function byGravity(inputs: Fields): Answers {
  const fluid = fluidOf(inputs);
  const lines = linesOf(inputs);
  const path = flowPath(lines, nippleOf(inputs), fluid);
  const above_m = figure(inputs, 'reservoir_level_above_outlet_m');
  const flow = flowAt(head_Pa(above_m, fluid), path);
  const alone = flowPath(lines, null, fluid).resistance_Pa_s_m3;
  return {
    flow_m3_s: flow,
    line_share_of_pressure: (alone * flow) / head_Pa(above_m, fluid),
    reynolds_in_first_segment: reynolds(flow, lines[0]?.bore_m ?? 1, fluid),
    seconds_per_millilitre_s: 1e-6 / flow,
    time_for_level_drop_s: levelFall_s(
      {
        from_m: above_m,
        to_m: above_m - figure(inputs, 'level_drop_m'),
        area_m2: figure(inputs, 'reservoir_area_m2'),
      },
      path,
      fluid,
    ),
  };
}

export function byVacuum(inputs: Fields): Answers {
  const fluid = fluidOf(inputs);
  const pot = {
    pot_m3: figure(inputs, 'pot_volume_m3'),
    below_Pa: figure(inputs, 'vacuum_below_atmosphere_Pa'),
    atmosphere_Pa: atmosphere(inputs),
    above_m: figure(inputs, 'reservoir_level_above_outlet_m'),
  };
  const pull = vacuumPull(pot, flowPath(linesOf(inputs), nippleOf(inputs), fluid), fluid);
  return {
    initial_flow_m3_s: pull.initial_m3_s,
    drawn_until_it_stops_m3: pull.drawn_m3,
    time_for_nine_tenths_s: pull.nineTenths_s,
    pump_pulls_to_reach_vacuum: pumpPulls(pot, figure(inputs, 'pump_swept_volume_m3')),
    outlet_absolute_pressure_at_start_Pa: pot.atmosphere_Pa - pot.below_Pa,
  };
}

export function driven(inputs: Fields): Answers {
  const fluid = fluidOf(inputs);
  const lines = linesOf(inputs);
  const path = flowPath(lines, nippleOf(inputs), fluid);
  const head = head_Pa(figure(inputs, 'reservoir_level_above_outlet_m'), fluid);
  const over_Pa = figure(inputs, 'reservoir_gauge_pressure_Pa');
  const flow = flowAt(over_Pa + head, path);
  const push = figure(inputs, 'syringe_flow_m3_s');
  const syringe_Pa = head + path.resistance_Pa_s_m3 * push + path.quadratic_Pa_s2_m6 * push ** 2;
  return {
    flow_m3_s: flow,
    time_for_volume_s: figure(inputs, 'volume_to_pass_m3') / flow,
    reynolds_in_first_segment: reynolds(flow, lines[0]?.bore_m ?? 1, fluid),
    air_volume_ratio_in_pressurised_reservoir: squeezedTo(1, over_Pa, atmosphere(inputs)),
    syringe_gauge_pressure_Pa: syringe_Pa,
    syringe_plunger_force_at_15mm_bore_N: syringe_Pa * (Math.PI / 4) * 0.015 ** 2,
  };
}

export function split(inputs: Fields): Answers {
  const fluid = fluidOf(inputs);
  const nipple = (name: string): FlowNipple => {
    const own = inputs[name] as Fields;
    return {
      bore_m: figure(own, 'bore_m'),
      length_m: figure(own, 'length_m'),
      discharge: figure(own, 'discharge_coefficient'),
    };
  };
  const [main, one] = [linesOf(inputs, 'main'), linesOf(inputs, 'branch_1')];
  const supply_Pa =
    figure(inputs, 'reservoir_gauge_pressure_Pa') +
    head_Pa(figure(inputs, 'reservoir_level_above_outlets_m'), fluid);
  const { tee_Pa, flows_m3_s } = splitFlow(supply_Pa, flowPath(main, null, fluid), [
    flowPath(one, nipple('nipple_1'), fluid),
    flowPath(linesOf(inputs, 'branch_2'), nipple('nipple_2'), fluid),
  ]);
  const [first, second] = flows_m3_s;
  return {
    flow_1_m3_s: first,
    flow_2_m3_s: second,
    share_1: first / (first + second),
    tee_gauge_pressure_at_outlet_level_Pa: tee_Pa,
    flow_1_alone_m3_s: flowAt(supply_Pa, flowPath([...main, ...one], nipple('nipple_1'), fluid)),
  };
}

export function washed(inputs: Fields): Answers {
  const each = list(inputs, 'line_volumes_pumped').map((volumes) => valueOf(washout(volumes)));
  return {
    line_volume_m3: valueOf(
      lineVolume_m3([{ bore_m: figure(inputs, 'bore_m'), length_m: figure(inputs, 'length_m') }]),
    ),
    outlet_new_fraction: each.map(({ newAtNipple }) => newAtNipple),
    old_left_in_line: each.map(({ oldInLine }) => oldInLine),
    volumes_for_99_percent_at_outlet: valueOf(washoutNeeded(0.99)).atNipple,
  };
}

export function dissolved(inputs: Fields): Answers {
  const conditions = {
    diffusion_m2_s: figure(inputs, 'diffusion_coefficient_m2_s'),
    solubility: figure(inputs, 'solubility_volume_ratio'),
    saturation: figure(inputs, 'far_field_saturation_at_atmosphere'),
    pressure_Pa: figure(inputs, 'gauge_pressure_Pa'),
    atmosphere_Pa: atmosphere(inputs),
  };
  const { radius_m, life_s } = bubbleLife(figure(inputs, 'bubble_radius_at_atmosphere_m'), conditions);
  const seconds = figure(inputs, 'hold_hours') * 3600;
  return {
    radius_under_pressure_m: radius_m,
    quasi_steady_life_s: life_s,
    life_hours: life_s / 3600,
    [`dissolved_overnight_${figure(inputs, 'hold_hours')}_h`]: life_s < seconds,
    long_bubble_lost_by_two_faces_m3: lostByFaces(figure(inputs, 'line_bore_m'), seconds, conditions),
  };
}

export function locked(inputs: Fields): Answers {
  const legs = entries(inputs, 'legs').map((leg): Leg => ({
    rise_m: figure(leg, 'rise_m'),
    contents: text(leg, 'contents') === 'air' ? 'air' : 'liquid',
  }));
  const { density_kg_m3 } = fluidOf(inputs);
  const drive = drive_Pa(legs, density_kg_m3);
  return {
    driving_pressure_Pa: drive,
    driving_pressure_without_air_Pa: drive_Pa(
      legs.map((leg) => ({ ...leg, contents: 'liquid' })),
      density_kg_m3,
    ),
    flows: drive > 0,
    lever_pressure_needed_Pa: Math.max(0, -drive),
  };
}

export function opened(inputs: Fields): Answers {
  const fluid = fluidOf(inputs);
  const nipple = nippleOf(inputs);
  const own = flowPath([], nipple, fluid);
  const path = {
    ...own,
    resistance_Pa_s_m3: own.resistance_Pa_s_m3 + figure(inputs, 'line_resistance_Pas_m3'),
  };
  const held = {
    pressure_Pa: figure(inputs, 'gauge_pressure_Pa'),
    compliance_m3_Pa: figure(inputs, 'elastic_compliance_m3_Pa'),
    air_m3: figure(inputs, 'air_volume_m3'),
    atmosphere_Pa: atmosphere(inputs),
  };
  const { out_m3, initial_m3_s, time_s } = burst(held, figure(inputs, 'end_gauge_pressure_Pa'), path);
  // C·√(2ρp)/(Cd·A): from √p = (Cd·A/C)·t/√(2ρ)
  const throat_m2 = nipple.discharge * (Math.PI / 4) * nipple.bore_m ** 2;
  return {
    volume_out_m3: out_m3,
    initial_flow_m3_s: initial_m3_s,
    time_to_end_pressure_s: time_s,
    time_orifice_only_no_air_s:
      (held.compliance_m3_Pa * Math.sqrt(2 * fluid.density_kg_m3 * held.pressure_Pa)) / throat_m2,
  };
}

export function falseBubbles(inputs: Fields): Answers {
  const fluid = fluidOf(inputs);
  const below_Pa = figure(inputs, 'vacuum_below_atmosphere_Pa');
  const liquid = flowAt(
    below_Pa + head_Pa(figure(inputs, 'reservoir_level_above_outlet_m'), fluid),
    flowPath(linesOf(inputs), nippleOf(inputs), fluid),
  );
  const leak = below_Pa / figure(inputs, 'thread_leak_resistance_Pas_m3');
  const air = (leak * atmosphere(inputs)) / (atmosphere(inputs) - below_Pa);
  return {
    liquid_flow_m3_s: liquid,
    air_flow_in_tube_m3_s: air,
    air_share_of_tube: air / (air + liquid),
    tube_speed_m_s: (air + liquid) / ((Math.PI / 4) * figure(inputs, 'tube_bore_m') ** 2),
    air_flow_with_nipple_closed_m3_s: air,
    air_entering_the_caliper_m3: 0,
  };
}
