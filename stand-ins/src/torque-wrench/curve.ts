/** Torque over angle of one pull, as a banjo bolt on soft washers gives it. The figures are ours. */
export interface CurveSample {
  readonly at_s: number;
  readonly angle_rad: number;
  readonly torque_Nm: number;
}

export interface CurvePlan {
  readonly click_Nm: number;
  /** How far the hand goes on after the click. */
  readonly past_rad: number;
  /** Let go and pulled once more. */
  readonly isTwice: boolean;
  /** From this share of the click on it turns and hardly gets tighter; null: it holds. */
  readonly yieldsFrom: number | null;
}

const EVERY_s = 0.04;
const RUN_DOWN_Nm = 0.3;
const RUN_DOWN_rad = 0.6;
const TURN_PER_SAMPLE_rad = 0.025;
/** Copper washers under a small bolt: about 20 N·m in an eighth of a turn. */
const STIFFNESS_Nm_per_rad = 25;
/** The first share of the torque goes into bedding the washers in. */
const SOFT_SHARE = 0.25;
const YIELDED = 0.12;

/** Sampled evenly in time, from the first turn to where it is let go. */
export function curveOf({ click_Nm, past_rad, isTwice, yieldsFrom }: CurvePlan): readonly CurveSample[] {
  const samples: { angle_rad: number; torque_Nm: number }[] = [];
  let angle_rad = 0;
  const add = (torque_Nm: number) => samples.push({ angle_rad, torque_Nm });
  for (; angle_rad < RUN_DOWN_rad; angle_rad += 3 * TURN_PER_SAMPLE_rad) add(RUN_DOWN_Nm);
  let torque_Nm = RUN_DOWN_Nm;
  const step = () => {
    const share = torque_Nm / click_Nm;
    const softness = share < SOFT_SHARE ? 0.5 : 1;
    const held = yieldsFrom !== null && share >= yieldsFrom ? YIELDED : 1;
    angle_rad += TURN_PER_SAMPLE_rad;
    torque_Nm += STIFFNESS_Nm_per_rad * softness * held * TURN_PER_SAMPLE_rad;
    add(torque_Nm);
  };
  while (torque_Nm < click_Nm) step();
  // The wrench clicks within a sample: it is not further than that.
  torque_Nm = click_Nm;
  samples.pop();
  add(torque_Nm);
  const clicked_rad = angle_rad;
  while (angle_rad < clicked_rad + past_rad) step();
  const held_Nm = torque_Nm;
  const letGo = () => [0.6, 0.2, 0].forEach((share) => add(held_Nm * share));
  letGo();
  if (isTwice) {
    [0.3, 0.7, 1].forEach((share) => add(held_Nm * share));
    torque_Nm = held_Nm;
    step();
    letGo();
  }
  return samples.map((sample, index) => ({ at_s: index * EVERY_s, ...sample }));
}
