import type { QuantityKind, UnitId, UnitPreferences } from '@zephyrcombe/core';
import { IMPERIAL, METRIC, UNITS, unitsOf } from '@zephyrcombe/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { ApiError } from '../api/client.ts';
import { call } from '../api/client.ts';
import { sessionQuery } from '../api/queries.ts';
import { SaveProblem } from '../api/SaveProblem.tsx';
import { PlainButton, TextButton } from '../design/Button.tsx';
import { Dialog } from '../design/Dialog.tsx';
import { ChoiceRow } from '../design/fields.tsx';
import { Pick } from '../design/Pick.tsx';
import { Line, Stack } from '../design/layout.ts';
import { usePerson } from './SessionContext.ts';
import type { Theme } from './theme.ts';
import { setSingleKeys, singleKeysAct } from './singleKeys.ts';
import { applyTheme, readTheme } from './theme.ts';

const SHOWN: readonly { readonly kind: QuantityKind; readonly label: string }[] = [
  { kind: 'length', label: 'Lengths' },
  { kind: 'torque', label: 'Torque' },
  { kind: 'distance', label: 'Distance' },
  { kind: 'volume', label: 'Fluid' },
  { kind: 'pressure', label: 'Pressure' },
  { kind: 'temperature', label: 'Temperature' },
];

const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 12px;
`;

interface SettingsDialogProps {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly onSignOut: () => void;
}

/** Units and paper of the person who is signed in. */
export function SettingsDialog({ isOpen, onClose, onSignOut }: SettingsDialogProps) {
  const person = usePerson();
  const client = useQueryClient();
  const [theme, setTheme] = useState<Theme>(readTheme);
  const [keysAct, setKeysAct] = useState(singleKeysAct);
  const save = useMutation<unknown, ApiError, { body: { version: number; units: UnitPreferences } }>({
    mutationFn: (input) => call('setUnits', input),
    onSuccess: () => client.invalidateQueries({ queryKey: sessionQuery.queryKey }),
  });
  const choose = (units: UnitPreferences) => save.mutate({ body: { version: person.version, units } });
  return (
    <Dialog title="Units and paper" isOpen={isOpen} onClose={onClose}>
      <Stack $gap={16}>
        <Line>
          <PlainButton onPress={() => choose(METRIC)}>All metric</PlainButton>
          <PlainButton onPress={() => choose(IMPERIAL)}>All imperial</PlainButton>
        </Line>
        <Grid>
          {SHOWN.map(({ kind, label }) => (
            <Pick<UnitId>
              key={kind}
              label={label}
              value={person.units[kind]}
              options={unitsOf(kind).map((unit) => ({ value: unit.id, text: UNITS[unit.id].symbol }))}
              onChange={(unit) => choose({ ...person.units, [kind]: unit })}
            />
          ))}
        </Grid>
        <SaveProblem save={save} />
        <ChoiceRow<Theme>
          label="Paper"
          value={theme}
          options={[
            { value: 'device', text: 'As the device' },
            { value: 'vellum', text: 'Vellum, light' },
            { value: 'nightBay', text: 'Night bay, dark' },
          ]}
          onChange={(next) => {
            setTheme(next);
            applyTheme(next);
          }}
        />
        <ChoiceRow<'on' | 'off'>
          label="Single keys, as J for jobs"
          value={keysAct ? 'on' : 'off'}
          options={[
            { value: 'on', text: 'On' },
            { value: 'off', text: 'Off' },
          ]}
          onChange={(next) => {
            setKeysAct(next === 'on');
            setSingleKeys(next === 'on');
          }}
        />
        <Link to="/shop" onClick={onClose}>
          What the shop has settled
        </Link>
        <TextButton onPress={onSignOut}>Sign {person.name} out</TextButton>
      </Stack>
    </Dialog>
  );
}
