import { PlainButton } from '../design/Button.tsx';
import { Notice } from '../design/Notice.tsx';
import { ApiError } from './client.ts';
import { ErrorWords } from './ErrorWords.tsx';

/** A page that could not be loaded, with the way out. */
export function LoadProblem({ error, onRetry }: { readonly error: Error; readonly onRetry: () => void }) {
  const known = error instanceof ApiError ? error : null;
  return (
    <Notice severity="stop" title={known?.title ?? 'This page could not be loaded'} live>
      <ErrorWords error={error} />
      <PlainButton onPress={onRetry} style={{ marginTop: 10 }}>
        Try again
      </PlainButton>
    </Notice>
  );
}
