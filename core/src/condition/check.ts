/** Checks that tell causes apart, and what each cause makes them show. */
import type { Cause, Often } from './cause.ts';

interface CheckFacts {
  /** What a brake shows that has none of the causes named below: chances of the outcomes, in their order. */
  readonly outcomes: Readonly<Record<string, number>>;
  /** What is not named here behaves like a brake without the cause. */
  readonly gives: Partial<Readonly<Record<Cause, readonly [outcome: string, often: Often]>>>;
  /** Only on a vehicle with a booster. */
  readonly needsBooster?: true;
}

const check = <const Facts extends CheckFacts>(facts: Facts): Facts => facts;

/** Common practice, no published source; the grades are our estimates. The order is from the least trouble to the most. */
export const CHECKS = {
  wipeJoints: check({
    outcomes: { dry: 0.95, wetJoint: 0.04, wetHose: 0.01 },
    gives: { jointLeaks: ['wetJoint', 'always'], hoseLeaks: ['wetHose', 'always'] },
  }),
  pumpThrice: check({
    outcomes: { noChange: 0.8, firmsAndStays: 0.15, firmsThenSinks: 0.05 },
    gives: {
      airInLine: ['firmsThenSinks', 'often'],
      airAtHighPoint: ['firmsThenSinks', 'often'],
      fluidBoiled: ['firmsThenSinks', 'often'],
      hoseSwells: ['noChange', 'always'],
      padKnockBack: ['firmsAndStays', 'always'],
      padsWorn: ['firmsAndStays', 'often'],
      seizedSlider: ['firmsAndStays', 'sometimes'],
      masterSealPasses: ['firmsThenSinks', 'often'],
    },
  }),
  holdAMinute: check({
    outcomes: { holds: 0.95, sinks: 0.05 },
    gives: {
      masterSealPasses: ['sinks', 'always'],
      jointLeaks: ['sinks', 'often'],
      hoseLeaks: ['sinks', 'often'],
    },
  }),
  twoForces: check({
    outcomes: { firm: 0.9, closesUp: 0.05, keepsGrowing: 0.05 },
    gives: {
      // Trapped air has given up nine tenths of its volume by 1 MPa; a hose goes on swelling.
      airInLine: ['closesUp', 'always'],
      airAtHighPoint: ['closesUp', 'always'],
      fluidBoiled: ['closesUp', 'often'],
      hoseSwells: ['keepsGrowing', 'always'],
      masterSealPasses: ['keepsGrowing', 'often'],
    },
  }),
  turnWheel: check({
    outcomes: { allFree: 0.9, oneDrags: 0.07, allDrag: 0.03 },
    gives: {
      hoseCollapsed: ['oneDrags', 'often'],
      hosePinched: ['oneDrags', 'sometimes'],
      seizedPiston: ['oneDrags', 'always'],
      seizedSlider: ['oneDrags', 'often'],
      relievingPortShut: ['allDrag', 'always'],
    },
  }),
  feelHoses: check({
    outcomes: { still: 0.9, swells: 0.05, pinched: 0.05 },
    gives: { hoseSwells: ['swells', 'often'], hosePinched: ['pinched', 'always'] },
  }),
  openNipple: check({
    outcomes: { staysTight: 0.5, frees: 0.5 },
    gives: {
      hoseCollapsed: ['frees', 'always'],
      relievingPortShut: ['frees', 'always'],
      hosePinched: ['frees', 'often'],
      seizedPiston: ['staysTight', 'always'],
      seizedSlider: ['staysTight', 'always'],
    },
  }),
  slackenAtMaster: check({
    outcomes: { staysTight: 0.5, frees: 0.5 },
    gives: {
      relievingPortShut: ['frees', 'always'],
      hoseCollapsed: ['staysTight', 'always'],
      hosePinched: ['staysTight', 'often'],
      seizedPiston: ['staysTight', 'always'],
      seizedSlider: ['staysTight', 'always'],
    },
  }),
  lookAtPads: check({
    outcomes: { sound: 0.9, worn: 0.05, tapered: 0.03, wet: 0.02 },
    gives: {
      padsWorn: ['worn', 'always'],
      seizedSlider: ['tapered', 'often'],
      padsWet: ['wet', 'always'],
      seizedPiston: ['tapered', 'sometimes'],
    },
  }),
  moveCaliper: check({
    outcomes: { slides: 0.95, sticks: 0.05 },
    gives: { seizedSlider: ['sticks', 'always'] },
  }),
  pushPistons: check({
    outcomes: { goBack: 0.95, stick: 0.05 },
    gives: { seizedPiston: ['stick', 'always'], hoseCollapsed: ['stick', 'rarely'] },
  }),
  spinDisc: check({
    outcomes: { true: 0.95, wobbles: 0.05 },
    gives: { padKnockBack: ['wobbles', 'often'] },
  }),
  tiltHighPoint: check({
    outcomes: { noBubbles: 0.95, bubbles: 0.05 },
    gives: { airAtHighPoint: ['bubbles', 'often'], airInLine: ['bubbles', 'sometimes'] },
  }),
  coolAndTry: check({
    outcomes: { same: 0.95, better: 0.05 },
    gives: { fluidBoiled: ['better', 'always'] },
  }),
  boosterTest: check({
    outcomes: { pedalDrops: 0.95, noChange: 0.05 },
    gives: { boosterFailed: ['noChange', 'always'] },
    needsBooster: true,
  }),
} as const;

export type CheckId = keyof typeof CHECKS;
export const CHECK_IDS = Object.keys(CHECKS) as readonly CheckId[];
export type CheckOutcome = {
  readonly [Id in CheckId]: keyof (typeof CHECKS)[Id]['outcomes'] & string;
}[CheckId];

export const outcomesOf = (id: CheckId): readonly CheckOutcome[] =>
  Object.keys(CHECKS[id].outcomes) as CheckOutcome[];
export const checkFacts = (id: CheckId): CheckFacts => CHECKS[id];
