/** A job on an outfit with three calipers on one master, as the server sends it; for tests of the view models. */
import type { JobDetail } from '@zephyrcombe/contract';
import { exampleBanjo } from '@zephyrcombe/core';

/** A steady UUID for a short name. */
export const uuid = (name: string): string => {
  const hex = Array.from(name)
    .map((letter) => letter.charCodeAt(0).toString(16))
    .join('')
    .padEnd(12, '0')
    .slice(0, 12);
  return `00000000-0000-4000-8000-${hex}`;
};

const SIDES = [
  ['left', 0.742],
  ['right', 0.815],
  ['side', 1.32],
] as const;
const EYES = { endA: 'eyeCentre', endB: 'eyeCentre' } as const;
const circuitId = uuid('circuit');
const NO_FIGURES = {
  masterBore_m: null,
  leverStroke_m: null,
  leverRatio: null,
  usable_m3: null,
  height_m: null,
  version: 0,
};
const JOINTS = ['master', ...SIDES.map(([side]) => side)];

export function outfitJob(change: Partial<JobDetail> = {}): JobDetail {
  const bolt = (length_m: number) => ({
    thread: 'M10×1.0',
    diameter_m: 0.01,
    length_m,
    material: 'aluminium' as const,
  });
  const washer = { material: 'aluminium' as const, thickness_m: 0.001 };
  return {
    job: {
      id: uuid('job'),
      vehicleId: uuid('vehicle'),
      title: 'Raised bars',
      reason: '',
      status: 'open',
      openedOn: '2026-11-17',
      openedBy: 'Brannoc Hale',
      openedById: null,
      finishedOn: null,
      signedBy: null,
      signedById: null,
      abandoned: null,
      supply: null,
      number: 7,
      orderTerms: null,
      endsConfirmed: true,
      fitChecks: { offeredUp: true, settle: true, lockToLock: true, droopAndBump: true },
      handoverChecks: {},
      version: 0,
    },
    shop: {
      id: uuid('shop'),
      name: 'Skerrow Isle Post Garage',
      slack_m: 0.0125,
      address: '',
      phone: '',
      brakeWorkRule: '',
      fluidIntervalMonths: 24,
      fluidIntervalDistance_m: 48e6,
      namesAtSignIn: true,
      version: 0,
    },
    vehicle: {
      id: uuid('vehicle'),
      name: 'Petrelle 700 outfit',
      kind: 'sidecar',
      plate: null,
      use: 'road',
      abs: false,
      linkedBrakes: false,
      electricBooster: false,
      distance_m: 41_260_000,
      makerIntervalMonths: 24,
      makerIntervalDistance_m: null,
      note: '',
      version: 0,
    },
    circuits: [
      {
        circuit: {
          id: circuitId,
          vehicleId: uuid('vehicle'),
          name: 'Front',
          fluidGrade: 'DOT 4',
          version: 0,
          components: [
            {
              id: uuid('c-master'),
              circuitId,
              kind: 'master',
              name: 'Front master',
              body: 'handlebar',
              attachedTo: null,
              ...NO_FIGURES,
              masterBore_m: 0.016,
              leverStroke_m: 0.05,
              leverRatio: 5.5,
            },
            {
              id: uuid('c-tank'),
              circuitId,
              kind: 'reservoir',
              name: 'Reservoir',
              body: 'handlebar',
              attachedTo: uuid('c-master'),
              ...NO_FIGURES,
              usable_m3: 20e-6,
            },
            ...SIDES.map(([side]) => ({
              id: uuid(`c-${side}`),
              circuitId,
              kind: 'caliper' as const,
              name: side,
              body: 'forkLower' as const,
              attachedTo: null,
              ...NO_FIGURES,
            })),
            ...SIDES.map(([side]) => ({
              id: uuid(`n-${side}`),
              circuitId,
              kind: 'bleedNipple' as const,
              name: side,
              body: 'forkLower' as const,
              attachedTo: uuid(`c-${side}`),
              ...NO_FIGURES,
            })),
          ],
          ports: JOINTS.map((name) => ({
            id: uuid(`p-${name}`),
            componentId: uuid(`c-${name}`),
            name,
            thread: 'M10×1.0',
            gender: 'internal',
            seat: 'flatWasherFace',
            depth_m: 0.014,
            seatMaterial: null,
            known: { thread: { how: 'seen' }, seat: { how: 'seen' }, depth_m: { how: 'measured' } },
            version: 0,
          })),
          joints: JOINTS.map((name) => ({
            id: uuid(`j-${name}`),
            circuitId,
            portId: uuid(`p-${name}`),
            componentId: uuid(`c-${name}`),
            name,
            seal: 'banjo',
            bolt: bolt(name === 'master' ? 0.038 : 0.02),
            washer,
            eyeThickness_m: 0.008,
            hexagon_m: null,
            torque: { minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker', forBolt: null },
            furtherTorques: [],
            version: 0,
          })),
          hoses: SIDES.map(([side, length_m]) => ({
            id: uuid(`h-${side}`),
            circuitId,
            kind: 'hose',
            name: `${side} hose`,
            fromJointId: uuid('j-master'),
            toJointId: uuid(`j-${side}`),
            length_m,
            estimated: false,
            bore_m: 0.0032,
            construction: 'braided',
            endA: exampleBanjo(20),
            endB: exampleBanjo(0),
            clocking_rad: null,
            madeOn: null,
            marking: null,
            rise_m: null,
            version: 0,
          })),
        },
        before: null,
        service: null,
      },
    ],
    hoses: SIDES.map(([side]) => ({
      hoseId: uuid(`h-${side}`),
      poseChecks: {
        controlsFinal: true,
        bracketsInPlace: true,
        leftLock: true,
        rightLock: true,
        fullBump: true,
        crossedUp: true,
      },
      order_m: null,
      orderDatum: EYES,
      lift: null,
      endA: exampleBanjo(20),
      endB: exampleBanjo(0),
      clocking_rad: null,
      specified: false,
      build: null,
      makeUp: { steps: [], proofs: [] },
      kit: null,
      plugs: { A: null, B: null },
      version: 0,
    })),
    joints: JOINTS.map((name) => ({
      jointId: uuid(`j-${name}`),
      bolt: bolt(name === 'master' ? 0.038 : 0.02),
      washer,
      boltState: 'new',
      oldIsSwitch: false,
      handTight: false,
      leakChecked: false,
      version: 0,
    })),
    readings: [],
    torqueRecords: [],
    bleedRuns: [],
    wrenches: [],
    findings: [],
    photos: [],
    traces: [],
    reasons: [],
    openedOnce: false,
    ...change,
  };
}
