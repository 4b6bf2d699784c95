/** Cases of bleeding in which something moves: answered by the simulator, not by the closed form that it is compared with. */
import type { FlowLine } from '../../bleeding/flow.ts';
import { flowPath } from '../../bleeding/flow.ts';
import { afterVacuum, squeezedTo, tiltedPocket } from '../../bleeding/pockets.ts';
import type { Bleeding } from '../../bleeding/simulator/bleeding.ts';
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
import type { BleedMaster, BleedNipple, BleedPart } from '../../bleeding/simulator/system.ts';
import { BRAKE_FLUID } from '../../bleeding/simulator/system.ts';
import { lineVolume_m3 } from '../../bleeding/washout.ts';
import type { Answers } from '../adapter.ts';
import { figure, list, text, valueOf } from '../adapter.ts';
import type { Fields } from '../case.ts';
import { atmosphere, fluidOf, linesOf, nippleOf } from './bleedInputs.ts';

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
    fluid: { ...BRAKE_FLUID, ...fluidOf(inputs) },
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
export function transit(inputs: Fields): Answers {
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

export function drawnBack(inputs: Fields): Answers {
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

export function ranDry(inputs: Fields): Answers {
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

export function lowNipple(inputs: Fields): Answers {
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

export function pocketed(inputs: Fields): Answers {
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
