/** Before a file is made: which letters it cannot set. */
import { notOnPaper } from '@zephyrcombe/documents';
import { Notice } from '../../design/Notice.tsx';

export function NotOnPaper({ texts }: { readonly texts: readonly (string | null | undefined)[] }) {
  const letters = notOnPaper(texts.map((text) => text ?? '').join(''));
  if (letters.length === 0) return null;
  return (
    <Notice severity="warn" title="Not everything can be printed">
      <p>
        In the files an empty box stands for {letters.join(' ')}. Write it another way where somebody has to
        read it.
      </p>
    </Notice>
  );
}
