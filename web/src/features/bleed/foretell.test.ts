import type { JobDetail } from '@zephyrcombe/contract';
import { outfitJob } from '../../testing/outfit.ts';
import { orderedNipples } from './bleedView.ts';
import { foretell, questionFor, soFar, soFarQuestion } from './foretell.ts';

const ask = (detail: JobDetail) => {
  const order = orderedNipples(detail);
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
  expect(asked?.done.map(({ kind }) => kind)).toEqual(['stroke', 'topUp', 'stroke', 'stroke']);
  expect(soFarQuestion(pumped, { ...question, dryLines: [] })).toBeNull();
  const left = asked && soFar(asked);
  expect(left?.most_m3).toBeGreaterThan(left?.least_m3 ?? Infinity);
  expect(left?.least_m3).toBeGreaterThan(1e-6);
});
