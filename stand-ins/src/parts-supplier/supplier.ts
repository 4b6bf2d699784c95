/** What a simulated parts supplier quotes, confirms and sends; everything follows from the order and the number it is given. */
import type {
  Confirmation,
  Misdelivery,
  OrderDocument,
  OrderHose,
  Parcel,
  Quote,
} from '@zephyrcombe/contract';

/** Invented prices, in hundredths of an invented money. */
const PRICE = { end: 640, metre: 1150, work: 380, part: 95 } as const;
const DAYS = 4;
/** He makes nothing shorter, nothing longer, and nothing for the road that a hand screws together. */
const LEAST_m = 0.1;
const MOST_m = 4;

function refusal({ length_m, fixing, name }: OrderHose, use: string): { text: string; why: string } | null {
  if (length_m < LEAST_m || length_m > MOST_m)
    return { text: name, why: 'He makes hoses from 100 mm to 4 m.' };
  if (fixing === 'screwed' && use === 'road')
    return { text: name, why: 'He sends no screwed ends for the road.' };
  return null;
}

export function quoteFor(order: OrderDocument, number: number): Quote {
  const lines = order.hoses
    .filter((hose) => refusal(hose, order.vehicle.use) === null)
    .map((hose) => ({
      text: hose.name,
      count: 1,
      each: 2 * PRICE.end + Math.ceil(hose.length_m * PRICE.metre) + PRICE.work * (1 + hose.along.length),
    }));
  const parts = order.parts
    .filter(({ count }) => count > 0)
    .map(({ text, count }) => ({ text, count, each: PRICE.part }));
  const all = [...lines, ...parts];
  return {
    quote: `SIM-Q${number}`,
    currency: 'island crowns',
    lines: all,
    total: all.reduce((sum, { count, each }) => sum + count * each, 0),
    days: DAYS,
    refused: order.hoses.flatMap((hose) => refusal(hose, order.vehicle.use) ?? []),
  };
}

export function confirm(quote: Quote, number: number, today: Date): Confirmation {
  const day = (date: Date) => date.toISOString().slice(0, 10);
  const expected = new Date(today.getTime() + quote.days * 86_400_000);
  return { order: `SIM-O${number}`, confirmedOn: day(today), expectedOn: day(expected) };
}

const degrees = (angle: number) => (angle * Math.PI) / 180;
const OTHER_THREADS: Readonly<Record<string, string>> = { 'M10×1.0': 'M10×1.25', 'M10×1.25': 'M10×1.0' };

/** What is in the box for one hose: as ordered, but for the one thing that was asked to be wrong. */
export function packed(
  hose: OrderHose,
  bolts: number,
  washers: number,
  wrong: Misdelivery,
): Parcel['items'][number] {
  const end = ({ family, neckAngle_rad, eyeBore_m, thread }: OrderHose['endA']) => ({
    family,
    neckAngle_rad,
    eyeBore_m,
    thread,
  });
  const right = {
    length_m: hose.length_m,
    endA: end(hose.endA),
    endB: end(hose.endB),
    clocking_rad: hose.clocking_rad,
    bolts,
    washers: washers + Math.ceil(washers / 2),
    marking: 'SIMULATED 1/8 HL TEST',
    dateCode: '44/26',
    boreClear: true,
  };
  const found = ((): typeof right => {
    const { endA, endB } = right;
    switch (wrong) {
      case 'none':
        return right;
      case 'short':
        return { ...right, length_m: hose.length_m - hose.tolerance_m - 0.012 };
      case 'long':
        return { ...right, length_m: hose.length_m + hose.tolerance_m + 0.2 };
      case 'otherBend':
        return { ...right, endA: { ...endA, neckAngle_rad: endA.neckAngle_rad === 0 ? degrees(45) : 0 } };
      case 'otherEye':
        return { ...right, endB: { ...endB, eyeBore_m: 0.0122 } };
      case 'otherThread':
        return { ...right, endB: { ...endB, thread: OTHER_THREADS[endB.thread ?? ''] ?? '3/8-24 UNF' } };
      case 'fewWashers':
        return { ...right, washers: Math.max(0, washers - 1) };
      case 'unmarked':
        return { ...right, marking: '' };
      case 'undated':
        return { ...right, dateCode: '' };
      case 'blocked':
        return { ...right, boreClear: false };
    }
  })();
  return { hoseId: hose.id, found };
}
