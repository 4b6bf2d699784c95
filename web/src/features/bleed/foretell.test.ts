import type { JobDetail } from '@zephyrcombe/contract';
import { nipplesInOrder } from '@zephyrcombe/workshop';
import { outfitJob, uuid } from '../../testing/outfit.ts';
import { foretell, questionFor, soFar, soFarQuestion } from './foretell.ts';

const SIDES = ['left', 'right', 'side'];

const ask = (detail: JobDetail) => {
  const order = nipplesInOrder(detail);
  const nipples = order.ok ? order.value.map(({ nippleId }) => nippleId) : [];
  return questionFor(detail, nipples[0] ?? '', nipples);
};

test('the question is of the circuit with the hoses as they were ordered: those that are new are dry', () => {
  const detail = outfitJob();
  const question = ask(detail);
  expect(question?.nipples.length).toBeGreaterThan(0);
  expect([...(question?.dryLines ?? [])].sort()).toEqual(detail.hoses.map(({ hoseId }) => hoseId).sort());
  for (const { hoseId, order_m } of detail.hoses)
    if (order_m !== null)
      expect(question?.circuit.hoses.find(({ id }) => id === hoseId)?.length_m).toBe(order_m);
  expect(questionFor(detail, 'nobody', [])).toBeNull();
});

test('a master whose bore nobody knows is named, and nothing is foretold', () => {
  const question = ask(outfitJob());
  if (!question) throw new Error('no question');
  const { circuit } = question;
  const told = foretell({
    ...question,
    circuit: {
      ...circuit,
      components: circuit.components.map((part) =>
        part.kind === 'master' ? { ...part, masterBore_m: null } : part,
      ),
    },
  });
  expect(told).toEqual({ ok: false, missing: expect.arrayContaining(['masterBore']) as unknown });
});

test('what is said of a nipple that is not on top is simulated', () => {
  const detail = outfitJob();
  const [nipple = ''] = ask(detail)?.nipples ?? [];
  const said = { kind: 'nippleTop', subjectId: nipple, value: false } as const;
  const low = {
    ...detail,
    fitFacts: [{ id: 'f', said, by: 'Brannoc Hale', at: '2026-11-23T10:00:00.000Z' }],
  };
  expect(ask(low)?.lowNipples).toEqual([nipple]);
});

test('strokes of all nipples of the circuit are followed in their order; without a new line there is nothing to follow', () => {
  const detail = outfitJob();
  const question = ask(detail);
  if (!question) throw new Error('no question');
  expect(soFarQuestion(detail, question)).toBeNull();
  const [one = '', other = one] = question.nipples;
  const event = (sequence: number, kind: 'stroke' | 'topUp' | 'clear') => ({
    id: String(sequence),
    at: '2026-11-23T10:00:00.000Z',
    sequence,
    kind,
  });
  const pumped = {
    ...detail,
    bleedRuns: [
      { nippleId: one, events: [event(1, 'stroke'), event(4, 'stroke')] },
      { nippleId: other, events: [event(2, 'topUp'), event(3, 'stroke'), event(5, 'clear')] },
    ],
  };
  const asked = soFarQuestion(pumped, question);
  expect(asked?.seen.map(({ kind }) => kind)).toEqual(['stroke', 'topUp', 'stroke', 'stroke', 'outflow']);
  expect(soFarQuestion(pumped, { ...question, dryLines: [] })).toBeNull();
  const left = asked && soFar(asked);
  expect(left?.most_m3).toBeGreaterThan(left?.probable_m3 ?? Infinity);
  expect(left?.probable_m3).toBeGreaterThan(1e-6);
  expect(left?.isPulled).toBe(false);
  // Told on stroke by stroke it says the same, and a stroke that is taken back is taken back.
  const fewer = asked && { ...asked, seen: asked.seen.slice(0, 2) };
  const before = fewer && soFar(fewer);
  expect(asked && soFar(asked)).toEqual(left);
  expect(fewer && soFar(fewer)).toEqual(before);
});

test('a caliper at which no new line ends stays full', () => {
  const detail = outfitJob();
  const question = ask(detail);
  if (!question) throw new Error('no question');
  const [nippleId = ''] = question.nipples;
  const at = '2026-11-23T10:00:00.000Z';
  const pumped = {
    ...detail,
    bleedRuns: [{ nippleId, events: [{ id: '1', at, sequence: 1, kind: 'stroke' as const }] }],
  };
  const fullWith = (dryLines: readonly string[]) =>
    soFarQuestion(pumped, { ...question, dryLines })?.fullParts.filter((id) =>
      SIDES.map((side) => uuid(`c-${side}`)).includes(id),
    );
  expect(fullWith(question.dryLines)).toEqual([]);
  expect(fullWith([uuid('h-left')])).toEqual([uuid('c-right'), uuid('c-side')]);
});

test('a soft and a firm pull after the last stroke put the estimate right', () => {
  const detail = outfitJob();
  const question = ask(detail);
  const [nipple = ''] = question?.nipples ?? [];
  const { id: circuitId = '' } = detail.circuits[0]?.circuit ?? {};
  const at = (minute: number) => `2026-11-23T10:${String(minute).padStart(2, '0')}:00.000Z`;
  const pull = (pressure_Pa: number, travel_m: number, minute: number) => ({
    when: 'after' as const,
    by: { with: 'gauge' as const, pressure_Pa },
    travel_m,
    at: at(minute),
  });
  const events = Array.from({ length: 6 }, (_, index) => ({
    id: String(index),
    at: at(index),
    sequence: index + 1,
    kind: 'stroke' as const,
  }));
  const value = [pull(1e6, 0.0303, 20), pull(6e6, 0.0485, 21)];
  const pulled = {
    ...detail,
    bleedRuns: [{ nippleId: nipple, events }],
    fitFacts: [
      {
        id: 'f',
        said: { kind: 'leverPulls' as const, subjectId: circuitId, value },
        by: 'Brannoc Hale',
        at: at(22),
      },
    ],
  };
  const asked = soFarQuestion(pulled, question);
  expect(asked?.seen.at(-1)?.kind).toBe('pulls');
  const told = asked && soFar(asked);
  expect(told?.isPulled).toBe(true);
  expect((told?.most_m3 ?? 1) - (told?.least_m3 ?? 0)).toBeLessThan(3e-7);
  // Pumped after them, they are what was read between.
  const later = {
    ...pulled,
    bleedRuns: [
      {
        nippleId: nipple,
        events: [...events, { id: '9', at: at(30), sequence: 9, kind: 'stroke' as const }],
      },
    ],
  };
  expect(
    soFarQuestion(later, question)
      ?.seen.map(({ kind }) => kind)
      .slice(-2),
  ).toEqual(['pulls', 'stroke']);
});
