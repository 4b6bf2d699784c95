/** Cases of bleeding: what moves is answered by the simulator, what stands still by its closed form. */
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
import type { FlowLine, FlowNipple } from '../../bleeding/flow.ts';
import type { Leg } from '../../bleeding/pockets.ts';
import {
  afterVacuum,
  bubbleLife,
  drive_Pa,
  lostByFaces,
  squeezedTo,
  tiltedPocket,
} from '../../bleeding/pockets.ts';
import {
  advance,
  airIn,
  bleeding,
  moveLever,
  openNipple,
  passedAt,
  putAir,
  reservoirLeft,
  setOutlet,
} from '../../bleeding/simulator/bleeding.ts';
import type { Bleeding } from '../../bleeding/simulator/bleeding.ts';
import { uprightRise } from '../../bleeding/simulator/boreRise.ts';
import type { BleedMaster, BleedNipple, BleedPart } from '../../bleeding/simulator/system.ts';
import { lineVolume_m3, washout, washoutMixed, washoutNeeded } from '../../bleeding/washout.ts';
import { criticalBore_m } from '../../bleeding/bubble.ts';
import { mostAirFor, pressureAtFullStroke } from '../../hydraulics/fullStroke.ts';
import { leverTravel, separateAir } from '../../hydraulics/leverTravel.ts';
import type { Adapter, Answers } from '../adapter.ts';
import { entries, figure, list, text, valueOf } from '../adapter.ts';
import type { Fields } from '../case.ts';

/** What a case leaves out, as the others have it; from memory. */
const fluidOf = (inputs: Fields) => ({
  density_kg_m3: figure(inputs, 'density_kg_m3', 1050),
  viscosity_Pa_s: figure(inputs, 'viscosity_Pas', 0.0157),
});
const atmosphere = (inputs: Fields) => figure(inputs, 'atmosphere_Pa', 101_325);
const linesOf = (inputs: Fields, name = 'segments'): readonly FlowLine[] =>
  entries(inputs, name).map((one) => ({ bore_m: figure(one, 'bore_m'), length_m: figure(one, 'length_m') }));
const nippleOf = (inputs: Fields): FlowNipple => ({
  bore_m: figure(inputs, 'nipple_bore_m'),
  length_m: figure(inputs, 'nipple_length_m'),
  discharge: figure(inputs, 'nipple_discharge_coefficient'),
});

function travelled(inputs: Fields): Answers {
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

function atTheBar(inputs: Fields): Answers {
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

const MASTER = 'master';
const NIPPLE = 'nipple';

interface Rig {
  readonly parts: readonly BleedPart[];
  readonly nipple: Partial<BleedNipple> & Pick<BleedNipple, 'on'>;
  readonly usable_m3?: number;
  readonly filled_m3?: number;
  readonly height_m?: number;
}
const simulated = (
  inputs: Fields,
  { parts, nipple, usable_m3 = 1e-3, filled_m3 = usable_m3, height_m = 0 }: Rig,
) =>
  bleeding({
    fluid: { ...fluidOf(inputs), bulkModulus_Pa: 1.8e9, surfaceTension_N_m: 0.0355 },
    atmosphere_Pa: atmosphere(inputs),
    reservoirs: [{ id: 'reservoir', usable_m3, filled_m3, height_m }],
    parts,
    nipples: [
      { id: NIPPLE, height: 1, bore_m: 0.0015, length_m: 0.012, discharge: 0.62, outlet_m: 0, ...nipple },
    ],
  });
const masterOf = (inputs: Fields, height_m = 0): BleedMaster => ({
  kind: 'master',
  id: MASTER,
  reservoir: 'reservoir',
  bore_m: figure(inputs, 'master_bore_m', 0.014),
  stroke_m: figure(inputs, 'piston_stroke_m', 0.012),
  freeTravel_m: figure(inputs, 'piston_free_travel_m', 0.0008),
  dead_m3: 1e-8,
  height_m,
  portResistance_Pa_s_m3: 1e8,
  sealOpening_Pa: figure(inputs, 'seal_opening_pressure_Pa', 4000),
  sealResistance_Pa_s_m3: figure(inputs, 'seal_resistance_Pas_m3', 2e9),
});
/** Lines one after the other, from the master on. */
const inARow = (lines: readonly FlowLine[], rise_m = 0): readonly BleedPart[] =>
  lines.map(({ bore_m, length_m }, at) => ({
    kind: 'line',
    id: `line ${at}`,
    from: at === 0 ? MASTER : `line ${at - 1}`,
    bore_m,
    length_m,
    rise_m: (rise_m * length_m) / lines.reduce((sum, line) => sum + line.length_m, 0),
    compliance_m3_Pa: 0,
  }));

/** Open, pressed slowly to the end, shut, let go, and time to come to rest: nothing but the piston moves anything. */
function stroke(bled: Bleeding, stroke_m: number, seconds = 6): void {
  openNipple(bled, NIPPLE, 1);
  moveLever(bled, MASTER, { to_m: stroke_m, speed_m_s: stroke_m / seconds });
  advance(bled, seconds + 0.5);
  openNipple(bled, NIPPLE, 0);
  moveLever(bled, MASTER, { to_m: 0, speed_m_s: stroke_m });
  advance(bled, 2);
}

/** Strokes made, the one that is being made by the share of it that moves anything. */
function transit(inputs: Fields): Answers {
  const lines = linesOf(inputs);
  const bubble_m3 = figure(inputs, 'bubble_volume_m3');
  const ahead_m3 = figure(inputs, 'liquid_between_master_and_bubble_m3', 0);
  const master = masterOf(inputs);
  const { stroke_m, freeTravel_m } = master;
  const bled = simulated(inputs, {
    parts: [master, ...inARow(lines)],
    nipple: { on: `line ${lines.length - 1}` },
  });
  putAir(bled, 'line 0', bubble_m3, {
    from_m: ahead_m3 / ((Math.PI / 4) * (lines[0]?.bore_m ?? 1) ** 2),
  });
  let [nose, tail] = [0, 0];
  const perStroke: number[] = [];
  const SLICES = 600;
  for (let made = 0; made < 400 && tail === 0; made += 1) {
    const before = passedAt(bled, NIPPLE);
    openNipple(bled, NIPPLE, 1);
    for (let slice = 1; slice <= SLICES; slice += 1) {
      const to_m = (stroke_m * slice) / SLICES;
      moveLever(bled, MASTER, { to_m, speed_m_s: stroke_m / 6 });
      advance(bled, 6 / SLICES);
      const { air_m3 } = passedAt(bled, NIPPLE);
      const share = made + Math.max(0, to_m - freeTravel_m) / (stroke_m - freeTravel_m);
      if (nose === 0 && air_m3 > bubble_m3 * 1e-4) nose = share;
      if (tail === 0 && air_m3 > bubble_m3 * (1 - 1e-4)) tail = share;
    }
    stroke(bled, stroke_m);
    const after = passedAt(bled, NIPPLE);
    if (after.air_m3 === before.air_m3) perStroke.push(after.liquid_m3 - before.liquid_m3);
  }
  return {
    stroke_volume_m3: perStroke.at(-1) ?? 0,
    line_volume_m3: valueOf(lineVolume_m3(lines)),
    strokes_until_nose: nose,
    strokes_until_tail: tail,
    first_stroke_with_air: Math.floor(nose) + 1,
    last_stroke_with_air: Math.floor(tail) + 1,
    bubble_out_at_this_nipple_m3: passedAt(bled, NIPPLE).air_m3,
  };
}

/** The bubble's own speed is given: what it does against a flow, and how long to the end. */
function againstFlow(inputs: Fields): Answers {
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

function byBore(inputs: Fields): Answers {
  const fluid = {
    ...fluidOf(inputs),
    bulkModulus_Pa: 1.8e9,
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

function drawnBack(inputs: Fields): Answers {
  const above_m = figure(inputs, 'reservoir_above_nipple_outlet_m');
  const master = masterOf(inputs, above_m);
  const { bore_m, stroke_m, freeTravel_m } = master;
  const line = { bore_m: figure(inputs, 'line_bore_m'), length_m: figure(inputs, 'line_length_m') };
  // A line that is shorter than it falls lies steeper than any can: the rest of the fall is at the outlet.
  const fall_m = Math.min(above_m, line.length_m);
  const bled = simulated(inputs, {
    parts: [master, ...inARow([line], -fall_m)],
    nipple: { on: 'line 0', ...nippleOf(inputs) },
    height_m: above_m,
  });
  const kind = text(inputs, 'outlet', 'tube under fluid').includes('air') ? 'air' : 'bottle';
  setOutlet(bled, NIPPLE, { kind });
  openNipple(bled, NIPPLE, 1);
  moveLever(bled, MASTER, { to_m: stroke_m, speed_m_s: 0.01 });
  advance(bled, stroke_m / 0.01 + 3);
  const [before, full] = [passedAt(bled, NIPPLE), reservoirLeft(bled, 'reservoir')];
  const return_s = figure(inputs, 'return_time_s');
  // Up to the port: what comes through it then is no suction.
  moveLever(bled, MASTER, { to_m: freeTravel_m, speed_m_s: (stroke_m - freeTravel_m) / return_s });
  advance(bled, return_s);
  const after = passedAt(bled, NIPPLE);
  const back_m3 = after.liquidBack_m3 - before.liquidBack_m3;
  const air_m3 = after.airBack_m3 - before.airBack_m3;
  const swept_m3 = (Math.PI / 4) * bore_m ** 2 * (stroke_m - freeTravel_m);
  const path = flowPath([line], kind === 'air' ? null : nippleOf(inputs), fluidOf(inputs));
  const flow = (back_m3 + air_m3) / return_s;
  return {
    return_flow_m3_s: flow,
    drawn_back_m3: back_m3 + air_m3,
    through_the_seal_m3: full - reservoirLeft(bled, 'reservoir'),
    share_drawn_back: (back_m3 + air_m3) / swept_m3,
    line_and_nipple_pressure_loss_Pa: path.resistance_Pa_s_m3 * flow + path.quadratic_Pa_s2_m6 * flow ** 2,
    air_taken_in_m3: air_m3,
  };
}

function ranDry(inputs: Fields): Answers {
  const master = masterOf(inputs);
  const usable_m3 = figure(inputs, 'usable_volume_to_port_m3');
  const bled = simulated(inputs, {
    parts: [master, ...inARow([{ bore_m: 0.0032, length_m: 0.9 }])],
    nipple: { on: 'line 0' },
    usable_m3,
    filled_m3: usable_m3 * figure(inputs, 'filled_fraction'),
  });
  const drawn = () => {
    const { airDrawn_J, airGivenBack_J } = bled.state;
    return ((airDrawn_J[0] ?? 0) - (airGivenBack_J[0] ?? 0)) / atmosphere(inputs);
  };
  const air: number[] = [];
  let first_m3 = 0;
  for (let made = 0; made < figure(inputs, 'strokes'); made += 1) {
    const before = reservoirLeft(bled, 'reservoir');
    stroke(bled, master.stroke_m);
    if (made === 0) first_m3 = before - reservoirLeft(bled, 'reservoir');
    air.push(drawn());
  }
  const first = air.findIndex((m3) => m3 > 1e-12);
  return {
    stroke_volume_m3: first_m3,
    whole_strokes_without_air: first < 0 ? air.length : first,
    first_stroke_that_draws_air: first + 1,
    air_drawn_on_that_stroke_m3: air[first] ?? 0,
    air_after_all_strokes_m3: air.at(-1) ?? 0,
  };
}

function byGravity(inputs: Fields): Answers {
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

function byVacuum(inputs: Fields): Answers {
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

function driven(inputs: Fields): Answers {
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

function split(inputs: Fields): Answers {
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

function washed(inputs: Fields): Answers {
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

function dissolved(inputs: Fields): Answers {
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

function locked(inputs: Fields): Answers {
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

function lowNipple(inputs: Fields): Answers {
  const volume_m3 = figure(inputs, 'cavity_volume_m3');
  const master = masterOf(inputs);
  const bled = simulated(inputs, {
    parts: [
      master,
      ...inARow([{ bore_m: 0.0032, length_m: 0.5 }]),
      {
        kind: 'cavity',
        id: 'caliper',
        from: 'line 0',
        volume_m3,
        compliance_m3_Pa: 0,
        inlet: 0.1,
        outlets: {},
      },
    ],
    nipple: { on: 'caliper', height: figure(inputs, 'nipple_height_fraction') },
  });
  putAir(bled, 'caliper', volume_m3 / 2);
  for (let made = 0; made < figure(inputs, 'strokes'); made += 1) stroke(bled, master.stroke_m, 2);
  const left_m3 = airIn(bled, 'caliper');
  const box = inputs['tilt_box'] as Fields;
  return {
    air_left_after_all_strokes_m3: left_m3,
    lever_side_volume_lost_at_hold_m3:
      left_m3 - squeezedTo(left_m3, figure(inputs, 'hold_gauge_pressure_Pa'), atmosphere(inputs)),
    pocket_by_tilt_m3: list(box, 'right_end_raised_rad').map((raised_rad) =>
      tiltedPocket({
        length_m: figure(box, 'length_m'),
        height_m: figure(box, 'height_m'),
        width_m: figure(box, 'width_m'),
        nippleFromLeft_m: figure(box, 'nipple_on_top_face_from_left_m'),
        raised_rad,
      }),
    ),
  };
}

function pocketed(inputs: Fields): Answers {
  const [pocket_m3, air_m3] = [figure(inputs, 'pocket_volume_m3'), figure(inputs, 'air_volume_m3')];
  // Beside the line, open to it below its air: what flushes past does not see it.
  const bled = simulated(inputs, {
    parts: [
      masterOf(inputs),
      ...inARow([{ bore_m: 0.0032, length_m: 0.5 }]),
      {
        kind: 'cavity',
        id: 'unit',
        from: 'line 0',
        volume_m3: 1e-7,
        compliance_m3_Pa: 0,
        inlet: 1,
        outlets: {},
      },
      {
        kind: 'line',
        id: 'neck',
        from: 'unit',
        bore_m: 0.002,
        length_m: 0.01,
        rise_m: 0.01,
        compliance_m3_Pa: 0,
      },
      {
        kind: 'cavity',
        id: 'pocket',
        from: 'neck',
        volume_m3: pocket_m3,
        compliance_m3_Pa: 0,
        inlet: 0,
        outlets: {},
      },
      { kind: 'line', id: 'on', from: 'unit', bore_m: 0.0032, length_m: 0.5, rise_m: 0, compliance_m3_Pa: 0 },
    ],
    nipple: { on: 'on' },
    usable_m3: 1e-2,
  });
  putAir(bled, 'pocket', air_m3);
  while (passedAt(bled, NIPPLE).liquid_m3 < figure(inputs, 'flushed_volume_m3')) stroke(bled, 0.012, 1);
  const flushed_m3 = airIn(bled, 'pocket') + airIn(bled, 'neck');
  const vacuum_Pa = figure(inputs, 'vacuum_absolute_pressure_Pa');
  let left_m3 = air_m3;
  for (let cycle = 0; cycle < figure(inputs, 'vacuum_cycles'); cycle += 1)
    left_m3 = afterVacuum(left_m3, pocket_m3, vacuum_Pa, atmosphere(inputs));
  return {
    air_left_after_flushing_m3: flushed_m3,
    air_left_after_vacuum_m3: left_m3,
    air_volume_at_hold_m3: squeezedTo(air_m3, figure(inputs, 'hold_gauge_pressure_Pa'), atmosphere(inputs)),
    // Its whole room passes at the top.
    air_left_after_opening_at_top_and_one_pocket_volume_m3: Math.max(0, air_m3 - pocket_m3),
  };
}

function opened(inputs: Fields): Answers {
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

function falseBubbles(inputs: Fields): Answers {
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
