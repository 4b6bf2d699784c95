/** The lead's page: who works here, in which role, and what each role may do. */
import type { PersonRecord, Role } from '@zephyrcombe/contract';
import { ACTIONS, MAY, ROLES } from '@zephyrcombe/contract';
import { ACTION_NAMES, ROLE_NAMES } from '@zephyrcombe/messages';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { ApiError, RequestOf } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { peopleQuery, sessionQuery } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { usePerson } from '../../app/SessionContext.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { RecordForm } from '../../design/RecordForm.tsx';
import { FigureTable } from '../../design/FigureTable.ts';
import { Fine, Line, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { NewPassphrase } from '../sign-in/NewPassphrase.tsx';
import { passphraseDoubt } from '../sign-in/passphraseDoubt.ts';
import { ShopFrame } from './ShopFrame.tsx';

type People = { items: PersonRecord[] };
const ROLE_OPTIONS = ROLES.map((role) => ({ value: role, text: ROLE_NAMES[role] }));

function useTaken() {
  const client = useQueryClient();
  return (reply: People) => {
    client.setQueryData(peopleQuery.queryKey, reply);
    void client.invalidateQueries({ queryKey: sessionQuery.queryKey });
    void client.invalidateQueries({ queryKey: ['sign-ins'] });
  };
}

export function PeoplePage() {
  return (
    <ShopFrame title="People" query={useQuery(peopleQuery)}>
      {({ items }) => (
        <>
          <Rows>
            {items.map((person) => (
              <PersonRow key={`${person.id} ${person.version}`} person={person} />
            ))}
          </Rows>
          <NewPerson />
          <WhoMay />
        </>
      )}
    </ShopFrame>
  );
}

function PersonRow({ person }: { readonly person: PersonRecord }) {
  const [isOpen, setOpen] = useState(false);
  const me = usePerson();
  return (
    <div>
      <Spread>
        <span>
          <strong>{person.name}</strong>
          <Fine>
            {ROLE_NAMES[person.role]}
            {person.isRetired ? ', retired: signs in no more' : person.id === me.id ? ', you' : ''}
          </Fine>
        </span>
        <TextButton onPress={() => setOpen(!isOpen)} aria-expanded={isOpen}>
          {isOpen ? 'leave it' : `change ${person.name}`}
        </TextButton>
      </Spread>
      {isOpen ? <EditPerson person={person} /> : null}
    </div>
  );
}

function EditPerson({ person }: { readonly person: PersonRecord }) {
  const taken = useTaken();
  const client = useQueryClient();
  const [name, setName] = useState(person.name);
  const [role, setRole] = useState<Role>(person.role);
  const [passphrase, setPassphrase] = useState('');
  const edit = useMutation<People, ApiError, RequestOf<'editPerson'>>({
    mutationFn: (input) => call('editPerson', input),
    onSuccess: taken,
  });
  const reset = useMutation<People, ApiError, RequestOf<'resetPassphrase'>>({
    mutationFn: (input) => call('resetPassphrase', input),
    onSuccess: (reply) => {
      taken(reply);
      setPassphrase('');
    },
  });
  const send = (changes: Partial<Pick<PersonRecord, 'name' | 'role' | 'isRetired'>>) =>
    edit.mutate({ params: { personId: person.id }, body: { version: person.version, ...changes } });
  const isAsSaved = name.trim() === person.name && role === person.role;
  return (
    <Stack $gap={12} style={{ padding: '12px 0 20px' }}>
      <RecordForm saves={[edit]} onSend={() => send({ name: name.trim(), role })}>
        <TextField label="Name" name="name" value={name} onChange={setName} />
        <Fine>What is recorded already keeps the name as it was.</Fine>
        <Pick<Role> label="Role" value={role} options={ROLE_OPTIONS} onChange={setRole} />
        <SaveProblem
          save={edit}
          onTakeTheirs={() => void client.invalidateQueries({ queryKey: peopleQuery.queryKey })}
        />
        <Line>
          <PlainButton
            type="submit"
            isPending={edit.isPending}
            because={
              name.trim() === '' ? 'Type a name.' : isAsSaved ? 'All of it stands as it was saved.' : null
            }
          >
            Save {person.name}
          </PlainButton>
          <TextButton onPress={() => send({ isRetired: !person.isRetired })}>
            {person.isRetired ? 'Take back' : 'Retire: ends all sign-ins at once'}
          </TextButton>
        </Line>
      </RecordForm>
      <RecordForm
        saves={[reset]}
        onSend={() => reset.mutate({ params: { personId: person.id }, body: { passphrase } })}
      >
        <NewPassphrase
          label={`New passphrase for ${person.name}`}
          value={passphrase}
          onChange={setPassphrase}
        />
        <SaveProblem save={reset} />
        <div>
          <PlainButton
            type="submit"
            isPending={reset.isPending}
            because={
              reset.isSuccess && passphrase === ''
                ? 'Given. All sign-ins of before have ended.'
                : passphrase === ''
                  ? 'Type the new one.'
                  : passphraseDoubt(passphrase)
            }
          >
            Give this passphrase
          </PlainButton>
        </div>
      </RecordForm>
    </Stack>
  );
}

function NewPerson() {
  const taken = useTaken();
  const [id, setId] = useState(newId);
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('technician');
  const [passphrase, setPassphrase] = useState('');
  const add = useMutation<People, ApiError, RequestOf<'addPerson'>>({
    mutationFn: (input) => call('addPerson', input),
    onSuccess: (reply) => {
      taken(reply);
      setId(newId());
      setName('');
      setPassphrase('');
    },
  });
  return (
    <Sheet>
      <SheetTitle>Enter a person</SheetTitle>
      <RecordForm
        saves={[add]}
        onSend={() => add.mutate({ body: { id, name: name.trim(), role, passphrase } })}
      >
        <TextField label="Name" name="name" value={name} onChange={setName} />
        <Pick<Role> label="Role" value={role} options={ROLE_OPTIONS} onChange={setRole} />
        <NewPassphrase
          label="First passphrase; they choose another"
          value={passphrase}
          onChange={setPassphrase}
        />
        <SaveProblem save={add} />
        <div>
          <PrimaryButton
            type="submit"
            isPending={add.isPending}
            because={name.trim() === '' ? 'Type a name.' : passphraseDoubt(passphrase)}
          >
            Enter this person
          </PrimaryButton>
        </div>
      </RecordForm>
    </Sheet>
  );
}

/** The table that the server goes by. */
function WhoMay() {
  return (
    <Sheet>
      <SheetTitle>Who may what</SheetTitle>
      <FigureTable>
        <thead>
          <tr>
            <th scope="col">what</th>
            {ROLES.map((role) => (
              <th key={role} scope="col">
                {ROLE_NAMES[role]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ACTIONS.map((action) => (
            <tr key={action}>
              <th scope="row">{ACTION_NAMES[action]}</th>
              {ROLES.map((role) => (
                <td key={role}>{MAY[action].includes(role) ? 'yes' : 'no'}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </FigureTable>
    </Sheet>
  );
}
