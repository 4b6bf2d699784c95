import { FIELD_FAULTS, fieldFaultText, REFUSALS } from './fieldFaults.ts';

const wordsOf = (words: string | ((...facts: never[]) => string)): string =>
  typeof words === 'string' ? words : (words as (...facts: string[]) => string)('this', 'that');

test.each(Object.entries(FIELD_FAULTS))(
  'what is wrong with a field goes on after its name: %s',
  (_code, words) => {
    expect(wordsOf(words)).toMatch(/^(?!A |The )\S.*[^.]$/);
  },
);

test.each(Object.entries(REFUSALS))('why something is refused is a sentence: %s', (_code, words) => {
  expect(wordsOf(words)).toMatch(/\.$/);
});

test('the figures of a fault stand in its words', () => {
  expect(fieldFaultText('tooMany', 12, 'corners')).toBe('would be more than 12 corners: remove one first');
  expect(fieldFaultText('inFuture')).toBe('lies in the future');
});
