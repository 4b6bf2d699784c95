import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Navigate, useNavigate, useSearchParams } from 'react-router';
import type { ApiError } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { sessionQuery } from '../../api/queries.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { ChoiceRow, TextField } from '../../design/fields.tsx';
import { Fine, Head, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { BeforeSheet } from './BeforeSheet.ts';
import { ErrorWords } from '../../api/ErrorWords.tsx';

/** Who is at the bench: every figure that is recorded carries a name. */
export function SignInPage() {
  const session = useQuery(sessionQuery);
  const client = useQueryClient();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const [name, setName] = useState<string | null>(null);
  const [passphrase, setPassphrase] = useState('');
  const target = search.get('to');
  const to = target?.startsWith('/') && !target.startsWith('//') ? target : '/';
  const signIn = useMutation({
    mutationFn: (who: string) => call('signIn', { body: { name: who, passphrase } }),
    onSuccess: (data) => {
      client.setQueryData(sessionQuery.queryKey, data);
      void navigate(to, { replace: true });
    },
  });
  const error = signIn.error as ApiError | null;

  if (session.isPending) return <BeforeSheet aria-busy="true" />;
  if (session.isError) {
    return (
      <BeforeSheet>
        <LoadProblem error={session.error} onRetry={() => void session.refetch()} />
      </BeforeSheet>
    );
  }
  const { person, names, shopName, demoPassphrase } = session.data;
  if (shopName === null) return <Navigate to="/set-up" replace />;
  if (person !== null && !signIn.isPending) return <Navigate to={to} replace />;
  return (
    <BeforeSheet>
      <Stack $gap={4}>
        <Fine>Zephyrcombe · {shopName}</Fine>
        <Head>Who is at the bench?</Head>
      </Stack>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (name !== null) signIn.mutate(name.trim());
        }}
      >
        {names.length > 0 ? (
          <ChoiceRow
            label="Name"
            value={name}
            options={names.map((known) => ({ value: known, text: known }))}
            onChange={setName}
          />
        ) : (
          <TextField label="Your name" autoComplete="username" value={name ?? ''} onChange={setName} />
        )}
        <TextField
          label="Passphrase"
          type="password"
          autoComplete="current-password"
          value={passphrase}
          onChange={setPassphrase}
          error={error?.code === 'wrong-passphrase' ? `${error.title}. ${error.message}` : null}
        />
        {error && error.code !== 'wrong-passphrase' ? (
          <Notice severity="stop" title={error.title} live>
            <ErrorWords error={error} />
          </Notice>
        ) : null}
        <PrimaryButton
          type="submit"
          isPending={signIn.isPending}
          because={
            (name ?? '').trim() === ''
              ? 'Say who you are.'
              : passphrase === ''
                ? 'Type your passphrase.'
                : null
          }
        >
          Sign in
        </PrimaryButton>
      </form>
      {demoPassphrase ? (
        <Fine style={{ marginTop: 24 }}>
          This is the demo shop. Everybody’s passphrase is <code>{demoPassphrase}</code>.
        </Fine>
      ) : null}
    </BeforeSheet>
  );
}
