/** Words of the circuit editor and of the comparison of layouts. */
import type {
  CircuitFault,
  EndKind,
  EndRefusal,
  LayoutFigures,
  LayoutId,
  LineKind,
  PatternId,
  Seat,
  WrenchVerdict,
} from '@zephyrcombe/core';
import type { Mend, VehicleChangeKind, VehicleKind } from '@zephyrcombe/contract';
import { listOf, SEAT_NAMES } from './names.ts';

export const VEHICLE_KIND_NAMES: Readonly<Record<VehicleKind, string>> = {
  motorcycle: 'motorcycle',
  sidecar: 'sidecar outfit',
  car: 'car',
  van: 'van',
  trike: 'trike',
  quad: 'quad',
};

export const LINE_NAMES: Readonly<Record<LineKind, string>> = { hose: 'hose', hardLine: 'hard line' };

export const PATTERN_NAMES: Readonly<Record<PatternId, { readonly name: string; readonly about: string }>> = {
  singleFront: { name: 'Single disc, front', about: 'One hose from the lever to one caliper.' },
  singleRear: { name: 'Single disc, rear', about: 'One hose along the swing arm.' },
  twinLongHoses: { name: 'Two discs, two long hoses', about: 'Both on one bolt at the master.' },
  twinTee: { name: 'Two discs, tee', about: 'One hose down to the lower yoke, a short one to each side.' },
  twinCrossover: {
    name: 'Two discs, crossover',
    about: 'One hose down, and over the wheel to the other side.',
  },
  threeOnOneMaster: {
    name: 'Three calipers on one master',
    about: 'An outfit: two front discs and the sidecar wheel.',
  },
  motorcycleAbs: {
    name: 'Motorcycle with ABS',
    about: 'Segments to the unit, a manifold in front; front and rear.',
  },
  carFrontRear: {
    name: 'Four corners, front and rear split',
    about: 'Hard lines to a bracket at each corner.',
  },
  carDiagonal: {
    name: 'Four corners, diagonal split',
    about: 'Each circuit one front and the opposite rear wheel.',
  },
  quad: { name: 'Quad', about: 'A tee for each pair.' },
  trike: { name: 'Trike', about: 'A tee for the front pair.' },
};

export const END_NAMES: Readonly<Record<EndKind, string>> = {
  banjo: 'Banjo, bolt and two washers',
  femaleSwivel: 'Female swivel with a cone',
  maleScrewed: 'Male end screwed in, turns with its hose',
  invertedFlareNut: 'Tube nut with an inverted flare',
  bubbleFlareNut: 'Tube nut with a bubble flare',
  femaleInverted: 'Female end in its bracket, inverted flare',
  femaleBubble: 'Female end in its bracket, bubble flare',
};

/** In the middle of a line, as an order says it. */
export const END_WORDS: Readonly<Record<EndKind, string>> = {
  banjo: 'banjo',
  femaleSwivel: 'female swivel',
  maleScrewed: 'male end, turns with its hose',
  invertedFlareNut: 'tube nut, inverted flare',
  bubbleFlareNut: 'tube nut, bubble flare',
  femaleInverted: 'female end for an inverted flare',
  femaleBubble: 'female end for a bubble flare',
};

const oneSeat = (seat: Seat) => `${/^[aeiou]/.test(SEAT_NAMES[seat]) ? 'an' : 'a'} ${SEAT_NAMES[seat]}`;

/** Why an end may not go on a port. */
export function refusalText(refusal: EndRefusal): string {
  switch (refusal.reason) {
    case 'threadOtherWayRound':
      return refusal.portThread === 'internal'
        ? 'this port has its thread inside; that end wants one outside'
        : 'this port has its thread outside; that end wants one inside';
    case 'seatDiffers':
      return `it seals on ${listOf(refusal.endSeats.map(oneSeat))}; here is ${oneSeat(refusal.portSeat)}`;
  }
}

/** What keeps a circuit from working, and the way out. */
export function faultText({ code, name }: CircuitFault): { readonly title: string; readonly advice: string } {
  switch (code) {
    case 'noMaster':
      return { title: 'No master cylinder', advice: 'Nothing makes pressure here. Add a master.' };
    case 'noReservoir':
      return {
        title: `${name} has no reservoir`,
        advice: 'Add one, or the bleed stage cannot count its fluid.',
      };
    case 'portUsedTwice':
      return { title: `Two joints on one port at ${name}`, advice: 'Each joint needs a port of its own.' };
    case 'unknownPart':
      return {
        title: `${name} hangs on a part that is not there`,
        advice: 'Join it to a part of this circuit, or remove it.',
      };
    case 'lineToItself':
      return { title: `${name} ends where it begins`, advice: 'Lead it to another part.' };
    case 'idleJoint':
      return {
        title: `Nothing is on the joint ${name}`,
        advice: 'An open port: plug it, or lead a line to it.',
      };
    case 'fedByNothing':
      return {
        title: `No fluid reaches ${name}`,
        advice: 'Lead a line to it from the master or a junction.',
      };
    case 'cannotBeBled':
      return { title: `${name} has no bleed nipple`, advice: 'Air in it stays. Add its nipple.' };
    case 'loopWithoutBleedPoint':
      return {
        title: `The lines round ${name} close a loop without a nipple`,
        advice: 'Fluid goes round instead of out. Open the loop, or put a nipple on it.',
      };
    case 'trappedHighPoint':
      return {
        title: `${name} is a high point that holds air`,
        advice:
          'Bubbles gather there and have no way out: lower it, or give it a nipple, or tilt it when bleeding.',
      };
    case 'seatCannotSeal':
      return {
        title: `Nothing seals at ${name}`,
        advice: 'Thread and seat of this port do not go together. Look at the part again.',
      };
    case 'tooManyEnds':
      return {
        title: `Too many ends on ${name}`,
        advice: 'A bolt takes three eyes, a flare one pipe. Use a junction.',
      };
  }
}

export const WRENCH_WORDS: Readonly<Record<WrenchVerdict, string>> = {
  fits: 'fits',
  doesNotGoOn: 'does not go on',
  rounds: 'goes on and rounds it',
};

export const LAYOUT_NAMES: Readonly<Record<LayoutId, string>> = {
  longHoses: 'A long hose to each',
  tee: 'Tee and short hoses',
  crossover: 'One after the other',
};

/** When this layout is the right one. */
export const LAYOUT_WHEN: Readonly<Record<LayoutId, string>> = {
  longHoses:
    'Fewest joints and no high point. Right when there is room for the hoses beside each other and a bolt long enough for the eyes.',
  tee: 'One hose moves with the steering instead of several. Right when the yoke has a place for the tee and the run at the head is crowded.',
  crossover:
    'Least hose at the master. Right when no second hose passes the head; its arch over the wheel holds air, so it wants tilting or a cracked banjo when bled.',
};

/** In what this one is better than the others, as figures say. */
export function layoutPraise(own: LayoutFigures, others: readonly LayoutFigures[]): readonly string[] {
  const least = (of: (figures: LayoutFigures) => number) =>
    others.length > 0 && others.every((other) => of(own) < of(other) - 1e-9);
  return [
    ...(least((figures) => figures.sealingFaces) ? ['fewest faces that can leak'] : []),
    ...(least((figures) => figures.hoseLength_m) ? ['least hose'] : []),
    ...(least((figures) => figures.mass_kg) ? ['lightest'] : []),
    ...(least((figures) => figures.fill_m3) ? ['least fluid to bleed through'] : []),
    ...(least((figures) => figures.swell_m3) ? ['least swell'] : []),
    ...(own.highPoints === 0 && others.some((other) => other.highPoints > 0) ? ['no high point'] : []),
    ...(least((figures) => figures.mismatch_m) ? ['ways most alike'] : []),
  ];
}

export const VEHICLE_CHANGE_WORDS: Readonly<Record<VehicleChangeKind, string>> = {
  entered: 'Vehicle entered',
  imported: 'Vehicle read from a document',
  edited: 'Details changed',
  circuitAdded: 'Circuit added',
  circuitSaved: 'Circuit changed on the drawing',
  circuitRemoved: 'Circuit removed',
  layoutChosen: 'Laid out another way',
  routeSaved: 'Routes saved',
  routeRemoved: 'Routes removed',
  jobAbandoned: 'Job abandoned',
};

export function mendText({ field, mend, now }: Mend): string {
  switch (mend) {
    case 'leftOut':
      return `${field}: not known here, left out`;
    case 'filledIn':
      return `${field}: was missing, ${now === 'nothing' || now === '' ? 'left empty' : `taken as ${now}`}`;
    case 'respelled':
      return `${field}: taken as ${now}`;
    case 'numberFromText':
      return `${field}: the text ${now} taken as a number`;
  }
}
