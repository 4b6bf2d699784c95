/** The demo shop's vehicles. Every name, plate, figure and dimension is invented. */
import type { Circuit, Vehicle } from '@zephyrcombe/contract';
import type { CircuitPlan } from './hydraulics.ts';
import { BRINDLE, CALDER, GANNET, TOLLAN } from './patterned.ts';

const km = (value: number) => value * 1000;
const mm = (value: number) => value / 1000;
const mL = (value: number) => value * 1e-6;

export interface VehiclePlan extends Omit<Vehicle, 'id' | 'version'> {
  readonly key: string;
  readonly circuits: readonly (CircuitPlan | (Circuit & { readonly key: string }))[];
}

const ROAD_BIKE = {
  use: 'road',
  abs: false,
  linkedBrakes: false,
  electricBooster: false,
  makerIntervalMonths: 24,
  makerIntervalDistance_m: null,
} as const;

const WICK_FRONT: CircuitPlan = {
  key: 'front',
  vehicleKey: 'wick',
  name: 'Front brake',
  position: 0,
  fluidGrade: 'DOT 4',
  components: [
    {
      key: 'master',
      kind: 'master',
      name: 'Front master',
      body: 'handlebar',
      masterBore_m: mm(14),
      leverStroke_m: mm(60),
      leverRatio: 6,
    },
    {
      key: 'reservoir',
      kind: 'reservoir',
      name: 'Front reservoir',
      body: 'handlebar',
      on: 'master',
      usable_m3: mL(18),
    },
    { key: 'caliper', kind: 'caliper', name: 'Front caliper', body: 'forkLower' },
    { key: 'nipple', kind: 'bleedNipple', name: 'Front caliper', body: 'forkLower', on: 'caliper' },
  ],
  joints: [
    { key: 'j-master', on: 'master', name: 'Front master', boltLength_mm: 20 },
    { key: 'j-caliper', on: 'caliper', name: 'Front caliper', boltLength_mm: 20 },
  ],
  hoses: [
    {
      key: 'hose',
      name: 'Front hose',
      from: 'j-master',
      to: 'j-caliper',
      length_mm: 905,
      ends: [20, 0],
      madeOn: '2021-03-01',
    },
  ],
};

interface SingleDisc {
  readonly vehicleKey: string;
  readonly masterBore_m: number;
  readonly leverStroke_m: number;
  readonly leverRatio: number;
  readonly usable_m3: number;
  readonly hoseName: string;
  readonly length_mm: number;
  readonly material?: 'aluminium' | 'steel';
  /** The hose ends at a bracket on the arm, and a pipe goes on to the caliper. */
  readonly pipe_mm?: number;
}

/** A rear brake with one caliper on the swing arm. */
function rearDisc({
  vehicleKey,
  usable_m3,
  hoseName,
  length_mm,
  material = 'aluminium',
  pipe_mm,
  ...lever
}: SingleDisc): CircuitPlan {
  return {
    key: 'rear',
    vehicleKey,
    name: 'Rear brake',
    position: 1,
    fluidGrade: 'DOT 4',
    components: [
      { key: 'master', kind: 'master', name: 'Rear master', body: 'frame', ...lever },
      { key: 'reservoir', kind: 'reservoir', name: 'Rear reservoir', body: 'frame', on: 'master', usable_m3 },
      { key: 'caliper', kind: 'caliper', name: 'Rear caliper', body: 'swingarm' },
      { key: 'nipple', kind: 'bleedNipple', name: 'Rear caliper', body: 'swingarm', on: 'caliper' },
      ...(pipe_mm === undefined
        ? []
        : [{ key: 'bracket', kind: 'bracket' as const, name: 'Rear bracket', body: 'swingarm' as const }]),
    ],
    joints: [
      { key: 'j-master', on: 'master', name: 'Rear master', boltLength_mm: 20, material },
      ...(pipe_mm === undefined
        ? [{ key: 'j-caliper', on: 'caliper', name: 'Rear caliper', boltLength_mm: 20, material }]
        : [
            { key: 'j-bracket', on: 'bracket', name: 'Rear bracket', end: 'femaleInverted' as const },
            { key: 'j-caliper', on: 'caliper', name: 'Rear caliper', end: 'invertedFlareNut' as const },
          ]),
    ],
    hoses: [
      {
        key: 'hose',
        name: hoseName,
        from: 'j-master',
        to: pipe_mm === undefined ? 'j-caliper' : 'j-bracket',
        length_mm,
        // The end on a bracket is straight.
        ends: [0, pipe_mm === undefined ? 20 : 0],
      },
    ],
    ...(pipe_mm === undefined
      ? {}
      : {
          pipes: [{ key: 'pipe', name: 'Rear pipe', from: 'j-bracket', to: 'j-caliper', length_mm: pipe_mm }],
        }),
  };
}

const WICK_REAR = rearDisc({
  vehicleKey: 'wick',
  masterBore_m: mm(12.7),
  leverStroke_m: mm(45),
  leverRatio: 4.5,
  usable_m3: mL(15),
  hoseName: 'Rear hose, with stiffener',
  length_mm: 560,
});

const PETRELLE_FRONT: CircuitPlan = {
  key: 'front',
  vehicleKey: 'petrelle',
  name: 'Front and sidecar brake',
  position: 0,
  fluidGrade: 'DOT 4',
  components: [
    {
      key: 'master',
      kind: 'master',
      name: 'Front master',
      body: 'handlebar',
      masterBore_m: mm(16),
      leverStroke_m: mm(50),
      leverRatio: 5.5,
    },
    {
      key: 'reservoir',
      kind: 'reservoir',
      name: 'Front reservoir',
      body: 'handlebar',
      on: 'master',
      usable_m3: mL(20),
    },
    { key: 'left', kind: 'caliper', name: 'Left caliper', body: 'forkLower' },
    { key: 'right', kind: 'caliper', name: 'Right caliper', body: 'forkLower' },
    { key: 'side', kind: 'caliper', name: 'Sidecar caliper', body: 'sidecarArm' },
    { key: 'n-left', kind: 'bleedNipple', name: 'Left caliper', body: 'forkLower', on: 'left' },
    { key: 'n-right', kind: 'bleedNipple', name: 'Right caliper', body: 'forkLower', on: 'right' },
    { key: 'n-side', kind: 'bleedNipple', name: 'Sidecar caliper', body: 'sidecarArm', on: 'side' },
    { key: 'n-master', kind: 'bleedNipple', name: 'Front master', body: 'handlebar', on: 'master' },
  ],
  joints: [
    { key: 'j-master', on: 'master', name: 'Front master', boltLength_mm: 38, portDepth_mm: 14 },
    { key: 'j-left', on: 'left', name: 'Left caliper', boltLength_mm: 20 },
    { key: 'j-right', on: 'right', name: 'Right caliper', boltLength_mm: 20 },
    { key: 'j-side', on: 'side', name: 'Sidecar caliper', boltLength_mm: 20 },
  ],
  hoses: [
    {
      key: 'h-left',
      name: 'Left hose',
      from: 'j-master',
      to: 'j-left',
      length_mm: 690,
      ends: [20, 0],
      clocking_deg: 35,
    },
    {
      key: 'h-right',
      name: 'Right hose',
      from: 'j-master',
      to: 'j-right',
      length_mm: 760,
      ends: [0, 0],
      clocking_deg: 325,
    },
    {
      key: 'h-side',
      name: 'Sidecar hose',
      from: 'j-master',
      to: 'j-side',
      length_mm: 1265,
      ends: [45, 20],
      clocking_deg: 90,
    },
  ],
};

const PETRELLE_REAR = rearDisc({
  vehicleKey: 'petrelle',
  masterBore_m: mm(14),
  leverStroke_m: mm(50),
  leverRatio: 5,
  usable_m3: mL(16),
  hoseName: 'Rear hose',
  length_mm: 640,
  material: 'steel',
  pipe_mm: 230,
});

export const VEHICLE_PLANS: readonly VehiclePlan[] = [
  {
    key: 'petrelle',
    name: 'Petrelle 700 outfit',
    kind: 'sidecar',
    plate: 'SKR 07',
    distance_m: km(41_260),
    ...ROAD_BIKE,
    note: 'A taller mail rack moved the bars: all front hoses are re-made.',
    circuits: [PETRELLE_FRONT, PETRELLE_REAR],
  },
  {
    key: 'wick',
    name: 'Wick 200 shore bike',
    kind: 'motorcycle',
    plate: 'SKR 12',
    distance_m: km(18_430),
    ...ROAD_BIKE,
    note: 'Beach round: 190 mm of travel, salt-seized nipples.',
    circuits: [WICK_FRONT, WICK_REAR],
  },
  {
    key: 'calder',
    name: 'Calder 900 courier',
    kind: 'motorcycle',
    plate: 'SKR 03',
    distance_m: km(66_900),
    ...ROAD_BIKE,
    abs: true,
    note: 'ABS with many segments and two fine threads on one machine.',
    circuits: CALDER,
  },
  {
    key: 'tollan',
    name: 'Tollan mail van',
    kind: 'van',
    plate: 'SKR 21',
    distance_m: km(88_150),
    ...ROAD_BIKE,
    abs: true,
    electricBooster: true,
    note: 'Diagonal split; a stiffer rear axle from another year; corroded tube nuts.',
    circuits: TOLLAN,
  },
  {
    key: 'brindle',
    name: 'Brindle cargo trike',
    kind: 'trike',
    plate: null,
    distance_m: km(9_870),
    ...ROAD_BIKE,
    linkedBrakes: true,
    note: 'Hoses made up in the shop; one hard line re-made.',
    circuits: BRINDLE,
  },
  {
    key: 'gannet',
    name: 'Gannet hill quad',
    kind: 'quad',
    plate: null,
    distance_m: null,
    ...ROAD_BIKE,
    note: 'Four small calipers, tee junctions.',
    circuits: GANNET,
  },
];
