import { readHelper, whyOf, writeHelper } from './helperState.ts';

const STATE = {
  symptoms: ['pull', 'drag'] as const,
  facts: { openedLately: false, oldHose: true, highPoint: false, booster: false },
  answers: [{ check: 'openNipple', outcome: 'frees' }] as const,
};

test('a link carries what was felt and checked', () => {
  const query = writeHelper(STATE, new URLSearchParams('x=1'));
  expect(query.get('x')).toBe('1');
  expect(readHelper(new URLSearchParams(query.toString()))).toEqual(STATE);
});

test('what makes no sense in a link is left out', () => {
  const state = readHelper(new URLSearchParams('does=pull,flying&check=openNipple~melts&check=nonsense'));
  expect(state.symptoms).toEqual(['pull']);
  expect(state.answers).toEqual([]);
});

test('facts of the vehicle stand until somebody says otherwise', () => {
  expect(readHelper(new URLSearchParams(), { booster: true }).facts.booster).toBe(true);
  expect(readHelper(new URLSearchParams('known='), { booster: true }).facts.booster).toBe(false);
});

test('a job that is started from a symptom says what the brake does, and what a check has settled', () => {
  const felt = { ...STATE, answers: [] };
  expect(whyOf(felt)).toBe('Pulls to one side. Drags, runs hot');
  expect(whyOf(STATE)).toMatch(/Looks like: /);
});
