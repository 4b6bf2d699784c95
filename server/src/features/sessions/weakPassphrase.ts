/** What somebody who knows the shop tries first. */
import { fieldProblem } from '../../http/appProblem.ts';

/** Fewer kinds of letters than this are a row of one key, or of a few. */
const LEAST_KINDS = 5;
/** Left of a passphrase when the words that everybody guesses are taken out of it. */
const LEAST_OWN = 6;
const GUESSED = [
  'passphrase',
  'password',
  'zephyrcombe',
  'brakes',
  'brake',
  'workshop',
  'qwertyuiop',
  'qwerty',
  '1234567890',
  '123456',
];

const folded = (text: string): string =>
  text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, '');

/** Refuses a passphrase that is made of names anybody here can see, of the words that are tried first, or of a few keys. */
export function requireOwnWords(passphrase: string, names: readonly string[]): void {
  const words = [...names.flatMap((name) => [folded(name), ...name.split(/\s+/).map(folded)]), ...GUESSED]
    .filter((word) => word.length >= 3)
    .sort((a, b) => b.length - a.length);
  const own = words.reduce((left, word) => left.replaceAll(word, ''), folded(passphrase));
  if (own.length < LEAST_OWN || new Set(folded(passphrase)).size < LEAST_KINDS)
    throw fieldProblem('passphrase', 'firstTried');
}
