/** How much faster than a brake the simulator of bleeding is, by the time of the processor. */
import type { Bleeding, BleedPart, BleedSystem } from '@zephyrcombe/core/bleeding';
import {
  advance,
  bleeding,
  branched,
  keepFrame,
  moveLever,
  openNipple,
  putAir,
  BRAKE_FLUID,
} from '@zephyrcombe/core/bleeding';

const STROKE_m = 0.03;

/** Three branches from a long line: six lines, air in each. */
function sixLines(): BleedSystem {
  const parts: BleedPart[] = [
    {
      kind: 'master',
      id: 'm',
      reservoir: 'r',
      bore_m: 0.022,
      stroke_m: STROKE_m,
      freeTravel_m: 0.001,
      dead_m3: 1e-6,
      height_m: 0.9,
      portResistance_Pa_s_m3: 1e8,
      sealOpening_Pa: 4000,
      sealResistance_Pa_s_m3: 2e9,
    },
  ];
  for (let at = 0; at < 3; at += 1) {
    const line = (id: string, from: string, length_m: number, rise_m: number): BleedPart => ({
      kind: 'line',
      id,
      from,
      bore_m: 0.0032,
      length_m,
      rise_m,
      compliance_m3_Pa: 1.4e-13 * length_m,
    });
    const cavity = (id: string, from: string, volume_m3: number, inlet: number): BleedPart => ({
      kind: 'cavity',
      id,
      from,
      volume_m3,
      compliance_m3_Pa: volume_m3 * 2e-9,
      inlet,
      outlets: {},
    });
    parts.push(
      line(`main ${at}`, at === 0 ? 'm' : `tee ${at - 1}`, 1, -0.1),
      cavity(`tee ${at}`, `main ${at}`, 1e-7, 1),
      line(`branch ${at}`, `tee ${at}`, 0.6, -0.3),
      cavity(`caliper ${at}`, `branch ${at}`, 3e-5, 0.3),
    );
  }
  return {
    fluid: BRAKE_FLUID,
    atmosphere_Pa: 101_325,
    reservoirs: [{ id: 'r', usable_m3: 0.01, filled_m3: 0.01, height_m: 0.95 }],
    parts,
    nipples: [0, 1, 2].map((at) => ({
      id: `n ${at}`,
      on: `caliper ${at}`,
      height: 0.97,
      bore_m: 0.0015,
      length_m: 0.012,
      discharge: 0.62,
      outlet_m: 0.2,
    })),
  };
}

/** Strokes in frames of a screen, each with a copy of the state. */
function strokes(bled: Bleeding, kept: Bleeding, many: number): void {
  const frames = (seconds: number) => {
    for (let frame = 0; frame < seconds * 60; frame += 1) {
      advance(bled, 1 / 60);
      keepFrame(bled, kept);
    }
  };
  for (let made = 0; made < many; made += 1) {
    openNipple(bled, `n ${made % 3}`, 1);
    moveLever(bled, 'm', { to_m: STROKE_m, speed_m_s: 0.02 });
    frames(1.8);
    openNipple(bled, `n ${made % 3}`, 0);
    moveLever(bled, 'm', { to_m: 0, speed_m_s: 0.05 });
    frames(1.2);
  }
}

/** Seconds of a brake in a second of the processor: from cold, and once it runs. */
export function bleedingSpeed(): { readonly cold: number; readonly warm: number } {
  const bled = bleeding(sixLines());
  for (const { id, kind } of bled.layout.system.parts)
    if (kind !== 'master') putAir(bled, id, kind === 'line' ? 2e-6 : 5e-6);
  const kept = branched(bled);
  const timed = (many: number) => {
    const [from_s, before] = [bled.state.time_s, process.cpuUsage()];
    strokes(bled, kept, many);
    const { user, system } = process.cpuUsage(before);
    return (bled.state.time_s - from_s) / ((user + system) / 1e6);
  };
  return { cold: timed(5), warm: timed(100) };
}
