/** Passphrases: kept as digests, tried a limited number of times. */
import { hash, verify } from '@node-rs/argon2';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { AppProblem } from '../../http/appProblem.ts';
import type { PersonRow } from '../shop/shop.model.ts';

/** Argon2id with the library's defaults (OWASP's first recommendation). */
export const hashPassphrase = (passphrase: string): Promise<string> => hash(passphrase);

/** Checked in an unknown person's stead, so that the answer takes as long. */
let nobodysHash: Promise<string> | null = null;

/** Whether the passphrase is this person's; for nobody it takes the same time. */
export async function isPassphraseOf(row: PersonRow | null, passphrase: string): Promise<boolean> {
  nobodysHash ??= hashPassphrase('of nobody who works here');
  const isRight = await verify(row?.passphraseHash ?? (await nobodysHash), passphrase);
  return isRight && row !== null;
}

const WINDOW_s = 15 * 60;
/** A shop's people sit behind one address: together they may be wrong more often than one of them. */
const ADDRESS_TIMES = 10;

export interface Tries {
  /** Counts a try before it is made, so that many at once do not slip through together. */
  readonly begin: (name: string, address: string) => Promise<void>;
  /** The passphrase was right: what was counted against this person is forgotten. */
  readonly succeed: (name: string, address: string) => Promise<void>;
}

/** `perPerson` wrong tries in a quarter of an hour at one name, from wherever they come; ten times as many from one address. */
export function limitTries(perPerson: number): Tries {
  const people = new RateLimiterMemory({ points: perPerson, duration: WINDOW_s });
  const addresses = new RateLimiterMemory({ points: perPerson * ADDRESS_TIMES, duration: WINDOW_s });
  const nameKey = (name: string) => name.normalize('NFC').toLowerCase();
  const take = async (limiter: RateLimiterMemory, key: string) => {
    try {
      await limiter.consume(key);
    } catch (refused) {
      if (refused instanceof RateLimiterRes) throw new AppProblem('too-many-tries');
      throw refused;
    }
  };
  return {
    async begin(name, address) {
      await take(addresses, address);
      await take(people, nameKey(name));
    },
    async succeed(name, address) {
      await people.delete(nameKey(name));
      await addresses.reward(address);
    },
  };
}
