/** A front hose from lever to caliper, to try things out on. Invented geometry, no vehicle's. */
import type { Scene } from './scene.ts';

const degrees = (value: number) => (value * Math.PI) / 180;

export const SAMPLE_FORK: Scene = {
  rig: {
    kind: 'fork',
    steeringPoint_m: [0, 0, 0.9],
    rake_rad: degrees(25),
    lock_rad: degrees(32),
    travel_m: 0.12,
  },
  hose: {
    start: {
      body: 'bars',
      port_m: [0.05, -0.25, 1.02],
      outward: [0.5, 0.1, -0.8],
      rigid_m: 0.025,
      eyeAxis: [0.93, 0, 0.36],
    },
    end: {
      body: 'sliders',
      port_m: [0.217, -0.09, 0.424],
      outward: [-0.6, -0.3, 0.75],
      rigid_m: 0.025,
      eyeAxis: [-0.45, 0.9, 0],
    },
    clips: [],
    length_m: 0.71,
    outside_m: 0.0075,
    leastRadius_m: 0.04,
  },
  keepOuts: [
    {
      id: 'tyre',
      name: 'Front tyre',
      body: 'sliders',
      solid: { shape: 'ring', centre_m: [0.36, 0, 0.3], axis: [0, 1, 0], ring_m: 0.26, tube_m: 0.05 },
      nature: 'moving',
      gap_m: null,
    },
    {
      id: 'leg',
      name: 'Right fork tube',
      body: 'bars',
      solid: { shape: 'capsule', a_m: [0.153, -0.1, 0.681], b_m: [0.026, -0.1, 0.953], radius_m: 0.0205 },
      nature: 'still',
      gap_m: null,
    },
    {
      id: 'pipe',
      name: 'Exhaust pipe',
      body: 'frame',
      solid: { shape: 'capsule', a_m: [-0.13, -0.13, 0.72], b_m: [-0.07, -0.13, 0.42], radius_m: 0.021 },
      nature: 'hot',
      gap_m: null,
    },
    {
      id: 'lamp',
      name: 'Headlamp',
      body: 'bars',
      solid: { shape: 'sphere', centre_m: [0.16, 0, 0.9], radius_m: 0.085 },
      nature: 'still',
      gap_m: null,
    },
  ],
};
