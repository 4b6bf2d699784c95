/** What pumping and holding will do to a brake: the strokes until each nipple runs clear, and the air that stays. */
import type { Bleeding } from './bleeding.ts';
import {
  advance,
  airIn,
  bleeding,
  fillReservoir,
  moveLever,
  openNipple,
  passedAt,
  putAir,
  reservoirLeft,
} from './bleeding.ts';
import type { DrawnBrake } from './fromCircuit.ts';
import { crestOf } from './fromCircuit.ts';

/** Strokes without a bubble after which a nipple is called clear; and when it is given up. */
const CLEAR_STROKES = 3;
const MOST_STROKES = 80;
/** A bubble that nobody sees. */
const SEEN_m3 = 1e-9;
/** With less air than this beside it, fluid flows. */
const FLOWS_SHARE = 0.2;
/** Less air than this in a part is not told. */
const FELT_m3 = 1e-8;
/** Topped up when so much is left. */
const TOP_UP_SHARE = 0.4;

export interface BleedPlanned {
  /** In the order in which they are opened. */
  readonly nipples: readonly string[];
  /** Lines that are dry: new ones. */
  readonly dryLines: readonly string[];
  /** Calipers that are dry as well: shares of their room that are air. */
  readonly dryParts?: Readonly<Record<string, number>>;
}

export interface BleedPrediction {
  readonly nipples: readonly {
    readonly id: string;
    /** Made at it until fluid flows there, before any other is run clear; none where there is but one nipple. */
    readonly first: number;
    /** Made at it in its turn, those that show it to be clear included. */
    readonly strokes: number;
    readonly isClear: boolean;
    readonly passed_m3: number;
    readonly air_m3: number;
  }[];
  readonly topUps: number;
  /** What has to be in the bottle for it. */
  readonly fluid_m3: number;
  /** Air that stays, by the part that it is in, at atmosphere. */
  readonly left: readonly { readonly id: string; readonly air_m3: number }[];
}

/** Open, press, shut, let go: never the other way round. */
function strokeAt(bled: Bleeding, master: string, stroke_m: number, nipple: string): void {
  openNipple(bled, nipple, 1);
  moveLever(bled, master, { to_m: stroke_m, speed_m_s: stroke_m / 0.8 });
  advance(bled, 1);
  openNipple(bled, nipple, 0);
  moveLever(bled, master, { to_m: 0, speed_m_s: stroke_m / 0.4 });
  advance(bled, 0.8);
}

/** Dry where the plan says so, the reservoir full. */
function begun(brake: DrawnBrake, plan: Omit<BleedPlanned, 'nipples'>) {
  const bled = bleeding(brake.system);
  const [master] = brake.system.parts;
  const [reservoir] = brake.system.reservoirs;
  for (const part of brake.system.parts) {
    const isDry = plan.dryLines.some((line) => part.id === line || part.id === crestOf(line));
    if (part.kind === 'line' && isDry) putAir(bled, part.id, 1);
    const share = plan.dryParts?.[part.id] ?? 0;
    if (part.kind === 'cavity' && share > 0) putAir(bled, part.id, share * part.volume_m3);
  }
  return {
    bled,
    master: master?.id ?? '',
    stroke_m: master?.kind === 'master' ? master.stroke_m : 0,
    usable_m3: reservoir?.usable_m3 ?? 0,
  };
}

const airLeftIn = (brake: DrawnBrake, bled: Bleeding): BleedPrediction['left'] =>
  brake.system.parts.flatMap(({ id }) => {
    const air_m3 = airIn(bled, id);
    return air_m3 > FELT_m3 ? [{ id, air_m3 }] : [];
  });

export function predictBleeding(brake: DrawnBrake, plan: BleedPlanned): BleedPrediction {
  const { bled, master, stroke_m, usable_m3 } = begun(brake, plan);
  let [topUps, poured_m3] = [0, 0];
  /** One stroke at a nipple, topped up before: what it sent. */
  const stroke = (id: string) => {
    const left_m3 = reservoirLeft(bled, 'reservoir');
    if (left_m3 < usable_m3 * TOP_UP_SHARE) {
      fillReservoir(bled, 'reservoir', { add_m3: usable_m3 - left_m3 });
      topUps += 1;
      poured_m3 += usable_m3 - left_m3;
    }
    const before = passedAt(bled, id);
    strokeAt(bled, master, stroke_m, id);
    const after = passedAt(bled, id);
    return { liquid_m3: after.liquid_m3 - before.liquid_m3, air_m3: after.air_m3 - before.air_m3 };
  };
  // Fluid everywhere first: air in one branch comes back into the others.
  const first = plan.nipples.map((id) => {
    if (plan.nipples.length === 1) return 0;
    for (let strokes = 1; strokes <= MOST_STROKES; strokes += 1) {
      const { liquid_m3, air_m3 } = stroke(id);
      if (liquid_m3 > SEEN_m3 && air_m3 < liquid_m3 * FLOWS_SHARE) return strokes;
    }
    return MOST_STROKES;
  });
  const nipples = plan.nipples.map((id, at) => {
    let [strokes, quiet] = [0, 0];
    while (quiet < CLEAR_STROKES && strokes < MOST_STROKES) {
      const { liquid_m3, air_m3 } = stroke(id);
      strokes += 1;
      // A dry line sends nothing for a while: that is no sign of being clear.
      quiet = air_m3 > SEEN_m3 || liquid_m3 < SEEN_m3 ? 0 : quiet + 1;
    }
    const { liquid_m3: passed_m3, air_m3 } = passedAt(bled, id);
    return { id, first: first[at] ?? 0, strokes, isClear: quiet >= CLEAR_STROKES, passed_m3, air_m3 };
  });
  return {
    nipples,
    topUps,
    fluid_m3: poured_m3 + usable_m3,
    left: airLeftIn(brake, bled),
  };
}
