import type { SealKind } from '../joint/sealKind.ts';
import { LENGTH_POINTS } from './end.ts';
import type { Seat } from './seatForm.ts';
import { SEATS } from './seatForm.ts';
import { judgeWrench, WRENCH_SIZES, wrenchesFor } from './hexagon.ts';
import type { PortFace } from './seat.ts';
import {
  END_FACTS,
  END_KINDS,
  endOn,
  endsFor,
  hasPoint,
  judgeSeat,
  refuseEnd,
  judgeFlareSeat,
} from './seat.ts';

const port = (gender: PortFace['gender'], seat: PortFace['seat']): PortFace => ({ gender, seat });
const verdict = (hexagon_mm: number, wrench_mm: number) => {
  const result = judgeWrench(hexagon_mm / 1000, wrench_mm / 1000);
  if (!result.ok) throw new Error(result.problem.code);
  return result;
};

describe('what may go on a port; common practice, no published source', () => {
  test('a washer face inside a thread takes a banjo or a screwed end', () => {
    expect(endsFor(port('internal', 'flatWasherFace'))).toEqual(['banjo', 'maleScrewed']);
  });
  test('inverted and bubble flares are not each other’s', () => {
    expect(endsFor(port('internal', 'invertedFlare'))).toEqual(['invertedFlareNut']);
    expect(refuseEnd(port('internal', 'bubbleFlare'), 'invertedFlareNut')).toEqual({
      reason: 'seatDiffers',
      portSeat: 'bubbleFlare',
      endSeats: ['invertedFlare'],
    });
  });
  test('a female swivel wants a thread outside, with a cone', () => {
    expect(refuseEnd(port('external', 'taperSeat'), 'femaleSwivel')).toBeNull();
    expect(refuseEnd(port('internal', 'taperSeat'), 'femaleSwivel')).toEqual({
      reason: 'threadOtherWayRound',
      portThread: 'internal',
    });
  });
  test('M26: a banjo on a flare seat', () => {
    expect(judgeSeat(port('internal', 'invertedFlare'), 'banjo').map((caution) => caution.id)).toEqual([
      'M26',
    ]);
    expect(judgeSeat(port('internal', 'flatWasherFace'), 'banjo')).toEqual([]);
  });
  test('every end goes on some port, and a screwed one cannot swivel', () => {
    for (const end of END_KINDS) {
      const { port: gender, seats } = END_FACTS[end];
      expect(seats.every((seat) => endsFor({ gender, seat }).includes(end))).toBe(true);
    }
    expect(END_FACTS.maleScrewed.swivels).toBe(false);
  });
});

describe('a wrench on a hexagon', () => {
  test('11/16 in is 17.46 mm: 17 does not go on, 18 rounds it (arithmetic)', () => {
    expect(verdict(17.4625, 17).value.verdict).toBe('doesNotGoOn');
    expect(verdict(17.4625, 18).value.verdict).toBe('rounds');
    expect(wrenchesFor(0.0174625)).toEqual({
      fit: [{ name: '11/16 in', across_m: 0.0174625 }],
      tempting: [
        { name: '17 mm', across_m: 0.017, verdict: 'doesNotGoOn' },
        { name: '18 mm', across_m: 0.018, verdict: 'rounds' },
      ],
    });
  });
  test('M34: says so with both sizes', () => {
    expect(verdict(17.4625, 18).cautions).toEqual([
      { id: 'M34', evidence: { hexagon_m: 0.0174625, wrench_m: 0.018, verdict: 'rounds' } },
    ]);
    expect(verdict(11, 11).cautions).toEqual([]);
  });
  test('19 mm and 3/4 in are good for each other; 8 mm and 5/16 in too: common practice', () => {
    expect(verdict(19.05, 19).value.verdict).toBe('fits');
    expect(verdict(7.9375, 8).value.verdict).toBe('fits');
  });
  test('every size fits its own hexagon', () => {
    for (const size of WRENCH_SIZES) expect(wrenchesFor(size.across_m).fit[0]?.name).toBe(size.name);
  });
  test('a hexagon of no size is refused', () => {
    expect(judgeWrench(0, 0.01).ok).toBe(false);
  });
});

test('a pipe with its own flare fits the seat that was cut for it, and no other', () => {
  for (const seat of SEATS) {
    expect(judgeFlareSeat(seat, 'doubleFlare').length).toBe(seat === 'invertedFlare' ? 0 : 1);
    expect(judgeFlareSeat(seat, 'bubbleFlare').length).toBe(seat === 'bubbleFlare' ? 0 : 1);
    // What goes on no brake is said by M46, once.
    expect(judgeFlareSeat(seat, 'singleFlare')).toEqual([]);
  }
});

// Common practice, no published source.
test('the kind of a hose’s end follows from the port and how it seals', () => {
  const on = (gender: 'internal' | 'external', seat: Seat, seal: SealKind, family: 'banjo' | 'threaded') =>
    endOn({ gender, seat }, seal, family);
  expect(on('internal', 'flatWasherFace', 'banjo', 'banjo')).toBe('banjo');
  expect(on('internal', 'flatWasherFace', 'screwed', 'threaded')).toBe('maleScrewed');
  expect(on('external', 'taperSeat', 'flare', 'threaded')).toBe('femaleSwivel');
  expect(on('external', 'invertedFlare', 'flare', 'threaded')).toBe('femaleInverted');
  // A tube nut is the end of a pipe: no hose seals there.
  expect(on('internal', 'invertedFlare', 'flare', 'threaded')).toBeNull();
  expect(on('internal', 'flatWasherFace', 'banjo', 'threaded')).toBeNull();
});

test('what an end is, is one table: its thread goes with its port, and a length is counted where it has a point', () => {
  for (const kind of END_KINDS) {
    const { port, family, thread, points, sealsBy } = END_FACTS[kind];
    // Male into female: an end’s own thread is never that of its port.
    if (thread !== null) expect(thread).not.toBe(port);
    expect(sealsBy === 'washers').toBe(family === 'banjo');
    expect(points.includes('eyeCentre')).toBe(family === 'banjo');
    expect(points.includes('threadEnd')).toBe(family === 'threaded');
  }
  for (const point of LENGTH_POINTS) {
    expect(hasPoint('banjo', point)).toBe(point !== 'threadEnd');
    expect(hasPoint('threaded', point)).toBe(point !== 'eyeCentre');
  }
});
