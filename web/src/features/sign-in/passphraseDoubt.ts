import { Passphrase } from '@zephyrcombe/contract';

/** Why this is no passphrase to choose, or null. */
export function passphraseDoubt(text: string): string | null {
  if (Passphrase.safeParse(text).success) return null;
  return text.length > 200
    ? 'Two hundred characters at most.'
    : 'Ten characters or more: a few words that do not belong together are good.';
}
