import fc from 'fast-check';
import { threadNamed, THREADS } from './catalogue.ts';
import { handOutcomes, handStarts } from './handStart.ts';
import { swappableThreads } from './neighbours.ts';

const thread = (name: string) => {
  const found = threadNamed(name);
  if (!found) throw new Error(name);
  return found;
};
const outcomes = (bolt: string, port: string) => handOutcomes(thread(bolt), thread(port));

describe('a bolt turned in by hand', () => {
  test('goes into its own port all the way, and does not rock', () => {
    for (const own of THREADS) expect(handOutcomes(own, own)).toEqual(['goesIn']);
  });
  test('M10×1.25 starts in M10×1.0 and binds within about a turn: common practice, no published source', () => {
    expect(outcomes('M10×1.25', 'M10×1.0')).toEqual(['binds']);
    const turns = handStarts(thread('M10×1.25'), thread('M10×1.0')).map((start) => start.turns);
    expect(Math.max(...turns)).toBeLessThan(1.5);
    expect(Math.max(...turns)).toBeGreaterThan(0.5);
  });
  test('M10×1.0 hardly starts in M10×1.25', () => {
    expect(outcomes('M10×1.0', 'M10×1.25')).not.toContain('goesIn');
  });
  test('3/8-24 goes into M10×1.0 and rocks: the neighbour that strips later', () => {
    expect(outcomes('3/8-24', 'M10×1.0')).toContain('goesInLoose');
    expect(outcomes('3/8-24', 'M10×1.0')).not.toContain('goesIn');
  });
  test('M10×1.0 does not start in 3/8-24', () => {
    expect(outcomes('M10×1.0', '3/8-24')).toEqual(['doesNotStart']);
  });
  test('M6 drops into an M10 port', () => {
    expect(outcomes('M6×1.0', 'M10×1.0')).toEqual(['dropsIn']);
  });
  test('more play never means fewer turns', () => {
    fc.assert(
      fc.property(fc.constantFrom(...THREADS), fc.constantFrom(...THREADS), (bolt, port) => {
        const turns = handStarts(bolt, port).map((start) => start.turns);
        expect([...turns].sort((a, b) => a - b)).toEqual(turns);
      }),
    );
  });
});

describe('threads that could be swapped on one vehicle', () => {
  const port = (portId: string, name: string) => ({ portId, name: portId, thread: name });
  test('one thread throughout leaves nothing to swap', () => {
    expect(swappableThreads([port('master', 'M10×1.0'), port('caliper', 'M10 x 1')])).toEqual([]);
  });
  test('two fine pitches on one vehicle are listed, and which bolt starts where', () => {
    const swaps = swappableThreads([
      port('unit', 'M10×1.0'),
      port('left', 'M10×1.25'),
      port('right', 'M10×1.25'),
    ]);
    expect(swaps[0]).toMatchObject({
      boltThread: 'M10×1.25',
      boltPorts: ['left', 'right'],
      portThread: 'M10×1.0',
      ports: ['unit'],
      outcome: 'binds',
    });
  });
  test('the one that goes in farthest comes first', () => {
    const swaps = swappableThreads([port('a', 'M10×1.0'), port('b', 'M10×1.25'), port('c', '3/8-24')]);
    expect(swaps[0]).toMatchObject({
      boltThread: '3/8-24 UNF',
      portThread: 'M10×1.0',
      outcome: 'goesInLoose',
    });
    expect(swaps.map((swap) => swap.turns)).toEqual(
      [...swaps.map((swap) => swap.turns)].sort((a, b) => b - a),
    );
  });
  test('a thread the catalogue does not hold is passed over, not guessed', () => {
    expect(swappableThreads([port('a', 'M10×1.0'), port('b', 'odd thread')])).toEqual([]);
  });
});
