/** What is known of a vehicle, changed; and circuits added to it. */
import type { HydraulicsEntry, Vehicle, VehicleDetail } from '@zephyrcombe/contract';
import { may } from '@zephyrcombe/contract';
import { whoMay } from '@zephyrcombe/messages';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { ApiError, RequestOf } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { vehicleQuery } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { usePerson, useWriter } from '../../app/SessionContext.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../design/Button.tsx';
import { Dialog } from '../../design/Dialog.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Line, Stack } from '../../design/layout.ts';
import { RecordForm } from '../../design/RecordForm.tsx';
import { EMPTY_PATTERNS, PatternPick, PatternPreview, usePatternCircuits } from './PatternPick.tsx';
import { VehicleFields } from './VehicleFields.tsx';
import { draftOf, readVehicle } from './vehicleForm.ts';

/** Writes a vehicle's new state wherever it is shown. */
function useVehicleAction<Name extends 'editVehicle' | 'addCircuit' | 'removeCircuit'>(
  name: Name,
  vehicleId: string,
  onSaved: () => void,
) {
  const client = useQueryClient();
  return useMutation<VehicleDetail, ApiError, RequestOf<Name>>({
    mutationFn: (input) => call(name, input),
    onSuccess: (detail) => {
      client.setQueryData(vehicleQuery(vehicleId).queryKey, detail);
      for (const queryKey of [['vehicles'], ['due'], ['job']]) void client.invalidateQueries({ queryKey });
      onSaved();
    },
  });
}

export function EditVehicleDialog({
  vehicle,
  onClose,
}: {
  readonly vehicle: Vehicle;
  readonly onClose: () => void;
}) {
  const { units } = useWriter();
  const me = usePerson();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [draft, setDraft] = useState(() => draftOf(vehicle, units));
  const [tried, setTried] = useState(false);
  const [setBackBecause, setBecause] = useState('');
  const { entry, errors } = readVehicle(draft, { vehicle, units });
  const isSetBack =
    entry !== null && vehicle.distance_m !== null && (entry.distance_m ?? 0) < vehicle.distance_m;
  const edit = useVehicleAction('editVehicle', vehicle.id, onClose);
  const remove = useMutation<unknown, ApiError, RequestOf<'removeVehicle'>>({
    mutationFn: (input) => call('removeVehicle', input),
    onSuccess: () => {
      for (const queryKey of [['vehicles'], ['due']]) void client.invalidateQueries({ queryKey });
      void navigate('/vehicles');
    },
  });
  const save = () => {
    setTried(true);
    if (entry)
      edit.mutate({
        params: { vehicleId: vehicle.id },
        body: {
          version: vehicle.version,
          ...entry,
          ...(isSetBack ? { setBackBecause: setBackBecause.trim() } : {}),
        },
      });
  };
  return (
    <Dialog title="What is known of this vehicle" isOpen onClose={onClose}>
      <RecordForm saves={[edit]} onSend={save}>
        <VehicleFields draft={draft} onDraft={setDraft} errors={tried ? errors : {}} />
        {isSetBack ? (
          <TextField
            label="Why less than is on record: another instrument, or a slip before"
            value={setBackBecause}
            onChange={setBecause}
          />
        ) : null}
        <SaveProblem save={edit} onTakeTheirs={onClose} />
        <Line>
          <PrimaryButton
            type="submit"
            isPending={edit.isPending}
            because={isSetBack && setBackBecause.trim() === '' ? 'Say why the distance is set back.' : null}
          >
            Save the details
          </PrimaryButton>
          <TextButton
            isPending={remove.isPending}
            because={may(me, 'removeVehicles') ? null : whoMay('removeVehicles')}
            onPress={() => remove.mutate({ params: { vehicleId: vehicle.id } })}
          >
            Remove this vehicle
          </TextButton>
        </Line>
        <Fine>A vehicle that has jobs or services is kept: records hang on it.</Fine>
        <SaveProblem save={{ ...remove, variables: undefined }} />
      </RecordForm>
    </Dialog>
  );
}

export function AddCircuitDialog({
  vehicle,
  onClose,
}: {
  readonly vehicle: Vehicle;
  readonly onClose: () => void;
}) {
  const [patterns, setPatterns] = useState(EMPTY_PATTERNS);
  const circuits = usePatternCircuits(patterns, vehicle.kind, vehicle.abs);
  // One dialog adds one set of circuits, however often its button is pressed.
  const [id] = useState(newId);
  const add = useVehicleAction('addCircuit', vehicle.id, onClose);
  return (
    <Dialog title="Add brakes" isOpen onClose={onClose}>
      <Stack $gap={14}>
        <PatternPick kind={vehicle.kind} draft={patterns} onDraft={setPatterns} />
        <PatternPreview circuits={circuits} />
        <SaveProblem save={add} />
        <div>
          <PrimaryButton
            isPending={add.isPending}
            because={circuits.length === 0 ? 'Choose a circuit to add.' : null}
            onPress={() =>
              add.mutate({
                params: { vehicleId: vehicle.id },
                body: { id, circuits: circuits as HydraulicsEntry[] },
              })
            }
          >
            {circuits.length === 1 ? 'Add 1 circuit' : `Add ${circuits.length} circuits`}
          </PrimaryButton>
        </div>
      </Stack>
    </Dialog>
  );
}

export function RemoveCircuit({
  vehicleId,
  circuitId,
  name,
}: {
  readonly vehicleId: string;
  readonly circuitId: string;
  readonly name: string;
}) {
  const me = usePerson();
  const [asked, setAsked] = useState(false);
  const remove = useVehicleAction('removeCircuit', vehicleId, () => setAsked(false));
  return (
    <>
      <TextButton onPress={() => setAsked(true)}>Remove this circuit</TextButton>
      {asked ? (
        <Dialog title={`Remove ${name}?`} isOpen onClose={() => setAsked(false)}>
          <Stack $gap={14}>
            <Fine>
              Its drawing goes for good. A circuit with jobs or services is kept: records hang on it.
            </Fine>
            <SaveProblem save={{ ...remove, variables: undefined }} />
            <PlainButton
              isPending={remove.isPending}
              because={may(me, 'removeVehicles') ? null : whoMay('removeVehicles')}
              onPress={() => remove.mutate({ params: { vehicleId, circuitId } })}
            >
              Remove {name}
            </PlainButton>
          </Stack>
        </Dialog>
      ) : null}
    </>
  );
}
