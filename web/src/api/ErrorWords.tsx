/** What went wrong, and of which field: in the words of the reply. */
import { fieldText } from '@zephyrcombe/messages';
import { ApiError } from './client.ts';

export function ErrorWords({ error }: { readonly error: Error }) {
  const known = error instanceof ApiError ? error : null;
  return (
    <>
      <p>{error.message}</p>
      {known?.details?.errors
        ?.filter((issue) => issue.message !== error.message)
        .map((issue) => (
          <p key={issue.field}>
            {/* A document is mended where it is written: there its own path is the way to the place. */}
            <strong>
              {known.code === 'not-a-vehicle' ? issue.field : capital(fieldText(issue.field))}
            </strong>{' '}
            {issue.message}
          </p>
        ))}
    </>
  );
}

const capital = (text: string) => text.replace(/^./, (first) => first.toUpperCase());
