/** The first page of an empty book: the shop, its lead, and on to the first vehicle. */
import { IMPERIAL, METRIC } from '@zephyrcombe/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Navigate, useNavigate } from 'react-router';
import { ApiError, call } from '../../api/client.ts';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { sessionQuery } from '../../api/queries.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { ChoiceRow, TextField } from '../../design/fields.tsx';
import { Fine, Head, Stack } from '../../design/layout.ts';
import { RecordForm } from '../../design/RecordForm.tsx';
import { Notice } from '../../design/Notice.tsx';
import { BeforeSheet } from '../sign-in/BeforeSheet.ts';
import { NewPassphrase } from '../sign-in/NewPassphrase.tsx';
import { passphraseDoubt } from '../sign-in/passphraseDoubt.ts';
import { ErrorWords } from '../../api/ErrorWords.tsx';

const UNITS = { metric: METRIC, imperial: IMPERIAL } as const;

export function SetUpPage() {
  const session = useQuery(sessionQuery);
  const client = useQueryClient();
  const navigate = useNavigate();
  const [shopName, setShopName] = useState('');
  const [leadName, setLeadName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [again, setAgain] = useState('');
  const [units, setUnits] = useState<keyof typeof UNITS | null>(null);
  const setUp = useMutation<Awaited<ReturnType<typeof call<'setUp'>>>, ApiError, keyof typeof UNITS>({
    mutationFn: async (chosen) => {
      const lead = { name: leadName.trim(), passphrase };
      try {
        return await call('setUp', {
          body: { shopName: shopName.trim(), leadName: lead.name, passphrase, units: UNITS[chosen] },
        });
      } catch (error) {
        // Its answer may have been lost, and the book be open by this very name.
        if (!(error instanceof ApiError) || error.code !== 'already-set-up') throw error;
        return call('signIn', { body: lead }).catch(() => Promise.reject(error));
      }
    },
    onSuccess: (data) => {
      client.setQueryData(sessionQuery.queryKey, data);
      void navigate('/vehicles/new', { replace: true });
    },
  });
  if (session.isPending) return <BeforeSheet aria-busy="true" />;
  if (session.isError) {
    return (
      <BeforeSheet>
        <LoadProblem error={session.error} onRetry={() => void session.refetch()} />
      </BeforeSheet>
    );
  }
  // Whoever comes second signs in: the book is open.
  if (session.data.shopName !== null && !setUp.isPending && !setUp.isSuccess)
    return <Navigate to="/sign-in" replace />;
  const doubt = passphraseDoubt(passphrase);
  const missing =
    shopName.trim() === ''
      ? 'Type the shop’s name.'
      : leadName.trim() === ''
        ? 'Type your name.'
        : (doubt ??
          (again !== passphrase
            ? 'Type the same passphrase twice.'
            : units === null
              ? 'Choose the units you read.'
              : null));
  return (
    <BeforeSheet>
      <Stack $gap={4}>
        <Fine>Zephyrcombe</Fine>
        <Head>Open a new book</Head>
        <Fine>
          Nothing is written in it yet. Whoever opens it is the shop’s lead: enters the others and their
          roles, and what the shop has settled.
        </Fine>
      </Stack>
      <RecordForm
        saves={[setUp]}
        onSend={() => {
          if (missing === null && units !== null) setUp.mutate(units);
        }}
      >
        <TextField
          label="Name of the shop"
          name="shopName"
          autoComplete="organization"
          value={shopName}
          onChange={setShopName}
        />
        <TextField
          label="Your name, as it stands beside what you record"
          name="leadName"
          autoComplete="name"
          value={leadName}
          onChange={setLeadName}
        />
        <NewPassphrase label="Passphrase" value={passphrase} onChange={setPassphrase} />
        <TextField
          label="The same passphrase again"
          type="password"
          autoComplete="new-password"
          value={again}
          onChange={setAgain}
        />
        <ChoiceRow<keyof typeof UNITS>
          label="Units you read; everybody chooses their own"
          value={units}
          options={[
            { value: 'metric', text: 'Metric: mm, N·m, °C' },
            { value: 'imperial', text: 'Imperial: in, lbf·ft, °F' },
          ]}
          onChange={setUnits}
        />
        {setUp.error ? (
          <Notice severity="stop" title={setUp.error.title} live>
            <ErrorWords error={setUp.error} />
          </Notice>
        ) : null}
        <PrimaryButton type="submit" isPending={setUp.isPending} because={missing}>
          Open the book
        </PrimaryButton>
      </RecordForm>
    </BeforeSheet>
  );
}
