import { explain } from './explain.ts';
import { sameThread, threadNamed, THREADS } from './catalogue.ts';
import { furtherMeasurement } from './furtherMeasurement.ts';
import { findThread } from './find.ts';
import type { ThreadQuestion } from './find.ts';
import type { ThreadCondition, ThreadReading } from './reading.ts';
import { chordInBore_m } from './reading.ts';
import type { ThreadGender } from './thread.ts';

const mm = (value: number) => value / 1000;
const diameter = (value_mm: number, jawFlat_mm = 0): ThreadReading => ({
  kind: 'diameter',
  diameter_m: mm(value_mm),
  uncertainty_m: mm(0.05),
  jawFlat_m: mm(jawFlat_mm),
});
const span = (value_mm: number, pitches: number): ThreadReading => ({
  kind: 'span',
  span_m: mm(value_mm),
  pitches,
  uncertainty_m: mm(0.05),
});
const ask = (
  gender: ThreadGender,
  readings: readonly ThreadReading[],
  condition: ThreadCondition = 'clean',
) => {
  const result = findThread({ gender, condition, readings });
  if (!result.ok) throw new Error(result.problem.code);
  return {
    ...result,
    possible: result.value.candidates
      .filter((candidate) => candidate.possible)
      .map((candidate) => candidate.thread.designation),
    raised: result.cautions.map((caution) => caution.id),
  };
};

describe('reading a thread', () => {
  test('a worn bolt that reads low is explained only when wear is said', () => {
    const readings = [diameter(9.65), span(5, 5)];
    expect(ask('external', readings).value.verdict).toBe('none');
    expect(ask('external', readings, 'worn').possible).toEqual(['M10×1.0']);
  });

  test('a coated bore reads low, a coated bolt high', () => {
    expect(ask('internal', [diameter(8.82)]).possible).not.toContain('M10×1.0');
    expect(ask('internal', [diameter(8.82)], 'coated').possible).toContain('M10×1.0');
    expect(ask('external', [diameter(10.04), span(5, 5)]).possible).toEqual([]);
    expect(ask('external', [diameter(10.04), span(5, 5)], 'coated').possible).toEqual(['M10×1.0']);
  });

  test('flat jaws sit on a chord: 0.8 mm of jaw takes 36 µm off a 9 mm bore', () => {
    // √(9² − 0.8²) = 8.9644: Pythagoras.
    expect(chordInBore_m(mm(9), mm(0.8)) * 1000).toBeCloseTo(8.9644, 4);
    expect(ask('internal', [diameter(8.85)]).possible).toEqual(['M10×1.25']);
    expect(ask('internal', [diameter(8.85, 0.8)]).possible).toContain('M10×1.0');
  });

  test('a thread count over an inch tells 20 from 24, one crest either way', () => {
    const counted = (threads: number): ThreadReading => ({ kind: 'count', threads, within_m: 0.0254 });
    expect(ask('external', [diameter(11), counted(24)]).possible).toEqual(['7/16-24 UNS']);
    expect(ask('external', [diameter(11), counted(20)]).possible).toEqual(['7/16-20 UNF']);
    expect(ask('external', [diameter(11), counted(23)]).possible).toEqual(['7/16-24 UNS']);
  });

  test('a gauge bolt that goes in all the way settles a doubtful bore', () => {
    const bore = diameter(8.93);
    const tried = (bolt: string, outcome: 'goesIn' | 'binds' | 'doesNotStart'): ThreadReading => ({
      kind: 'handStart',
      bolt,
      outcome,
    });
    expect(ask('internal', [bore]).possible).toEqual(['M10×1.0', 'M10×1.25']);
    expect(ask('internal', [bore, tried('M10 x 1', 'goesIn')]).possible).toEqual(['M10×1.0']);
    expect(ask('internal', [bore, tried('M10×1.0', 'doesNotStart')]).possible).toEqual(['M10×1.25']);
    expect(ask('internal', [bore, tried('M10×1.25', 'binds')]).possible).toEqual(['M10×1.0']);
  });

  test('the working shows the limits of the best thread and the pitch as read', () => {
    const { working, sources } = ask('external', [diameter(9.88), span(5.02, 5)]);
    expect(working.map((step) => step.result.meaning)).toEqual(['threadDiameter', 'pitchRead']);
    expect(working[1]?.result.quantity).toEqual({ kind: 'fineLength', value_SI: mm(5.02) / 5 });
    expect(sources).toEqual(['iso965', 'iso68']);
  });

  test.each<[string, ThreadGender, readonly ThreadReading[], string]>([
    ['nothing', 'external', [], 'noThreadReading'],
    ['a negative diameter', 'external', [diameter(-9)], 'notPositive'],
    ['no pitches', 'external', [span(5, 0)], 'notPositive'],
    ['not a number', 'external', [span(Number.NaN, 5)], 'notFinite'],
    ['jaws wider than the bore', 'internal', [diameter(9, 10)], 'jawWiderThanBore'],
    [
      'a bolt tried on a bolt',
      'external',
      [{ kind: 'handStart', bolt: 'M10×1.0', outcome: 'goesIn' }],
      'handStartNeedsPort',
    ],
    [
      'a bolt nobody knows',
      'internal',
      [{ kind: 'handStart', bolt: 'M99×9', outcome: 'goesIn' }],
      'unknownThread',
    ],
  ])('refuses %s', (_what, gender, readings, code) => {
    const result = findThread({ gender, condition: 'clean', readings });
    expect(result.ok ? null : result.problem.code).toBe(code);
  });
});

describe('notorious neighbours', () => {
  test('M21: a 3/8-24 bolt is called so, and not M10×1.0', () => {
    const { raised, cautions } = ask('external', [diameter(9.42), span(5.29, 5)]);
    expect(raised).toEqual(['M21']);
    expect(cautions[0]).toEqual({ id: 'M21', evidence: { certain: true, other: 'M10×1.0' } });
  });
  test('M21: a bore that both 3/8-24 and M10×1.5 explain is said to be open', () => {
    expect(ask('internal', [diameter(8.52)]).cautions).toContainEqual({
      id: 'M21',
      evidence: { certain: false, other: 'M10×1.5' },
    });
  });
  test('M22: five crests taken for five pitches', () => {
    const { cautions } = ask('external', [diameter(9.88), span(4, 5)]);
    expect(cautions).toEqual([{ id: 'M22', evidence: { crests: 5, thread: 'M10×1.0', typed: null } }]);
  });
  test('M23: a bore entered as a bolt', () => {
    const { cautions } = ask('external', [diameter(9.03)]);
    expect(cautions).toEqual([{ id: 'M23', evidence: { bore_m: mm(9.03), thread: 'M10×1.0' } }]);
  });
  test('M24: the doubtful zone of an M10 bore is about 8.87 to 8.96 mm with a calliper', () => {
    const doubtful = (value_mm: number) => ask('internal', [diameter(value_mm)]).raised.includes('M24');
    expect([8.86, 8.87, 8.96, 8.97].map(doubtful)).toEqual([false, true, true, false]);
  });
  test('M22: five crests of M10×1.25 typed as five gaps look like M10×1.0; said, and asked over two gaps', () => {
    const readings = [diameter(9.88), span(5, 5)];
    const { cautions } = ask('external', readings);
    expect(cautions).toEqual([{ id: 'M22', evidence: { crests: 5, thread: 'M10×1.25', typed: 'M10×1.0' } }]);
    const question: ThreadQuestion = { gender: 'external', condition: 'clean', readings };
    const further = furtherMeasurement(question);
    expect(further?.ask).toEqual({ kind: 'span', tool: 'calliper', pitches: 2 });
    expect(further?.expected.map(({ designation, limits }) => [designation, limits?.low_m])).toEqual([
      ['M10×1.0', 0.002],
      ['M10×1.25', 0.0025],
    ]);
    // Whichever it is, and whether the slip is made again or not, the answer is told by the second reading.
    for (const [shown_mm, thread] of [
      [2, 'M10×1.0'],
      [2.5, 'M10×1.25'],
      [1.25, 'M10×1.25'],
    ] as const) {
      const result = findThread({ ...question, readings: [...readings, span(shown_mm, 2)] });
      if (!result.ok) throw new Error(result.problem.code);
      const { candidates, slips } = result.value;
      const left = [...candidates.filter(({ possible }) => possible), ...slips];
      expect(left.map((candidate) => candidate.thread.designation)).toEqual([thread]);
    }
  });
  test('a clean M10×1.0 bolt, read over five gaps and over two, raises nothing and asks nothing', () => {
    const readings = [diameter(9.88), span(5.02, 5), span(2.01, 2)];
    expect(ask('external', readings).raised).toEqual([]);
    expect(furtherMeasurement({ gender: 'external', condition: 'clean', readings })).toBeNull();
  });
});

describe('the catalogue', () => {
  test('a thread is found however it is spelled', () => {
    for (const text of ['M10×1.0', 'm10x1', 'M10 x 1', 'M10*1.00']) {
      expect(threadNamed(text)?.designation).toBe('M10×1.0');
    }
    for (const text of ['M10x1,25', 'M 10 x 1,25', 'M10-1.25', 'm10 × 1.25-6g', '10x1.25', 'M10 - 1.25'])
      expect([text, threadNamed(text)?.designation]).toEqual([text, 'M10×1.25']);
    for (const text of [
      '3/8-24',
      '3/8 UNF',
      '3/8"-24',
      '3/8" - 24 UNF',
      '3/8x24',
      '3/8 24 unf',
      '3/8-24UNF-2A',
      '0.375-24',
    ])
      expect([text, threadNamed(text)?.designation]).toEqual([text, '3/8-24 UNF']);
    expect(threadNamed('7/16 UNS')?.designation).toBe('7/16-24 UNS');
    // A size without a pitch leaves the thread open.
    for (const text of ['M10', '3/8', '7/16', '', 'banana', 'M0x1', '1/0-24'])
      expect(threadNamed(text)).toBeNull();
    expect(sameThread('M10x1,0', 'M 10 × 1')).toBe(true);
    expect(sameThread('M9x1', 'M9×1.0')).toBe(true);
    expect(sameThread('M10', 'M10×1.0')).toBe(false);
    expect(threadNamed('M10×1.2')).toBeNull();
    expect(sameThread('M10×1.0', 'M10×1.25')).toBe(false);
  });
  test('every thread explains a reading in the middle of its own limits best possible', () => {
    for (const thread of THREADS) {
      const { low_m, high_m } = thread.internal.minor;
      const reading = diameter(((low_m + high_m) / 2) * 1000);
      expect(explain(thread, 'internal', 'clean', reading).misfit).toBeCloseTo(0, 9);
    }
  });
});
