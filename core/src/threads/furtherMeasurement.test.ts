import { furtherMeasurement } from './furtherMeasurement.ts';
import type { ThreadReading } from './reading.ts';
import type { ThreadGender } from './thread.ts';

const read = (gender: ThreadGender, diameter_mm: number) => ({
  gender,
  condition: 'clean' as const,
  readings: [
    {
      kind: 'diameter',
      diameter_m: diameter_mm / 1000,
      uncertainty_m: 0.05e-3,
      jawFlat_m: 0,
    } as ThreadReading,
  ],
});

test('a diameter that fits three M10 pitches asks for the span over several pitches, with what each would show', () => {
  const next = furtherMeasurement(read('external', 9.87));
  expect(next?.ask).toEqual({ kind: 'span', tool: 'calliper', pitches: 5 });
  expect(next?.wrongNow).toBe(2);
  expect(next?.wrongLeft).toBe(0);
  const shown = next?.expected.map((one) => [
    one.designation,
    Number(((one.limits?.low_m ?? 0) * 1000).toFixed(2)),
  ]);
  expect(shown).toEqual([
    ['M10×1.25', 6.25],
    ['M10×1.0', 5],
    ['M10×1.5', 7.5],
  ]);
});

test('a doubtful bore asks for a gauge bolt by hand, and says what each thread would do', () => {
  const next = furtherMeasurement(read('internal', 8.93));
  expect(next?.ask.kind).toBe('handStart');
  expect(next?.wrongLeft).toBe(0);
  const outcomes = next?.expected.map((one) => one.outcomes) ?? [];
  expect(outcomes).toHaveLength(2);
  expect(outcomes[0]?.some((outcome) => outcomes[1]?.includes(outcome))).toBe(false);
});

test('nothing more is asked when one thread is left, or none', () => {
  expect(furtherMeasurement(read('internal', 9.03))).toBeNull();
  expect(furtherMeasurement(read('external', 3))).toBeNull();
});
