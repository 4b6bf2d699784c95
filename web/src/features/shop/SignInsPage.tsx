/** One's own passphrase, and the devices on which one is signed in. The lead sees everybody's. */
import type { Session, SignIn } from '@zephyrcombe/contract';
import { may } from '@zephyrcombe/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { ApiError, RequestOf } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { sessionQuery, signInsQuery } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { usePerson, useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { NewPassphrase } from '../sign-in/NewPassphrase.tsx';
import { passphraseDoubt } from '../sign-in/passphraseDoubt.ts';
import { deviceName } from './deviceName.ts';
import { ShopFrame } from './ShopFrame.tsx';

export function SignInsPage() {
  return (
    <ShopFrame title="Passphrase and sign-ins" query={useQuery(signInsQuery)}>
      {({ items }) => (
        <>
          <OwnPassphrase />
          <SignedIn items={items} />
        </>
      )}
    </ShopFrame>
  );
}

function OwnPassphrase() {
  const client = useQueryClient();
  const [current, setCurrent] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const change = useMutation<Session, ApiError, RequestOf<'changePassphrase'>>({
    mutationFn: (input) => call('changePassphrase', input),
    onSuccess: (session) => {
      client.setQueryData(sessionQuery.queryKey, session);
      void client.invalidateQueries({ queryKey: signInsQuery.queryKey });
      setCurrent('');
      setPassphrase('');
    },
  });
  return (
    <Sheet>
      <SheetTitle>Your passphrase</SheetTitle>
      <Stack $gap={12}>
        <TextField
          label="The one you have"
          type="password"
          autoComplete="current-password"
          value={current}
          onChange={setCurrent}
        />
        <NewPassphrase label="A new one" value={passphrase} onChange={setPassphrase} />
        <SaveProblem save={change} />
        <div>
          <PlainButton
            isPending={change.isPending}
            because={
              change.isSuccess && passphrase === ''
                ? 'Changed. Your other sign-ins have ended.'
                : current === ''
                  ? 'Type the one you have.'
                  : passphraseDoubt(passphrase)
            }
            onPress={() => change.mutate({ body: { current, passphrase } })}
          >
            Change it
          </PlainButton>
        </div>
      </Stack>
    </Sheet>
  );
}

function SignedIn({ items }: { readonly items: readonly SignIn[] }) {
  const client = useQueryClient();
  const write = useWriter();
  const isLead = may(usePerson(), 'keepPeople');
  const end = useMutation<{ items: SignIn[] }, ApiError, RequestOf<'endSignIn'>>({
    mutationFn: (input) => call('endSignIn', input),
    onSuccess: (reply) => client.setQueryData(signInsQuery.queryKey, reply),
  });
  return (
    <Sheet>
      <SheetTitle>{isLead ? 'Who is signed in, and where' : 'Where you are signed in'}</SheetTitle>
      <Rows>
        {items.map(({ id, name, since, lastSeenAt, address, device, isThisOne }) => (
          <Spread key={id}>
            <span>
              <strong>{name}</strong>, {isThisOne ? 'this device' : deviceName(device)}
              <Fine>
                since {write.moment(since)}, last seen {write.moment(lastSeenAt)}, from {address}
              </Fine>
            </span>
            {isThisOne ? null : (
              <TextButton onPress={() => end.mutate({ params: { signInId: id } })}>
                end {name}’s sign-in
              </TextButton>
            )}
          </Spread>
        ))}
      </Rows>
      <SaveProblem save={end} />
    </Sheet>
  );
}
