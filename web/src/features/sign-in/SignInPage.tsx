import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Navigate, useNavigate, useSearchParams } from 'react-router';
import styled from 'styled-components';
import type { ApiError } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { sessionQuery } from '../../api/queries.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { ChoiceRow, TextField } from '../../design/fields.tsx';
import { Fine, Head, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { FONT, colour } from '../../design/tokens.ts';

const ROLE_NAMES = { lead: 'lead', technician: 'technician', apprentice: 'apprentice' } as const;

const Sheet = styled.main`
  max-width: 620px;
  margin: 9vh auto 40px;
  padding: 0 24px;
  form {
    display: grid;
    gap: 20px;
    margin-top: 24px;
  }
  code {
    font-family: ${FONT.figures};
    border-bottom: 1px solid ${colour('brass')};
  }
`;

/** Who is at the bench: every figure that is recorded carries a name. */
export function SignInPage() {
  const session = useQuery(sessionQuery);
  const client = useQueryClient();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const [personId, setPersonId] = useState<string | null>(null);
  const [passphrase, setPassphrase] = useState('');
  const target = search.get('to');
  const to = target?.startsWith('/') && !target.startsWith('//') ? target : '/';
  const signIn = useMutation({
    mutationFn: (id: string) => call('signIn', { body: { personId: id, passphrase } }),
    onSuccess: (data) => {
      client.setQueryData(sessionQuery.queryKey, data);
      void navigate(to, { replace: true });
    },
  });
  const error = signIn.error as ApiError | null;

  if (session.isPending) return <Sheet aria-busy="true" />;
  if (session.isError) {
    return (
      <Sheet>
        <LoadProblem error={session.error} onRetry={() => void session.refetch()} />
      </Sheet>
    );
  }
  const { person, people, shopName, demoPassphrase } = session.data;
  if (person !== null && !signIn.isPending) return <Navigate to={to} replace />;
  return (
    <Sheet>
      <Stack $gap={4}>
        <Fine>Zephyrcombe · {shopName}</Fine>
        <Head>Who is at the bench?</Head>
      </Stack>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (personId !== null) signIn.mutate(personId);
        }}
      >
        <ChoiceRow
          label="Name"
          value={personId}
          options={people.map(({ id, name, role }) => ({ value: id, text: `${name}, ${ROLE_NAMES[role]}` }))}
          onChange={setPersonId}
        />
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
            <p>{error.message}</p>
          </Notice>
        ) : null}
        <PrimaryButton
          type="submit"
          isPending={signIn.isPending}
          because={
            personId === null ? 'Choose who you are.' : passphrase === '' ? 'Type your passphrase.' : null
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
    </Sheet>
  );
}
