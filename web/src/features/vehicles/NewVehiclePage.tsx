/** A vehicle entered in minutes: what it is, and the brakes it starts from. */
import type { HydraulicsEntry, VehicleDetail } from '@zephyrcombe/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { ApiError, RequestOf } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { vehicleQuery } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useCrumb } from '../../app/crumb.ts';
import { newId } from '../../app/newId.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { Columns, Head, Page, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { RecordForm } from '../../design/RecordForm.tsx';
import { EMPTY_PATTERNS, PatternPick, PatternPreview, usePatternCircuits } from './PatternPick.tsx';
import { VehicleFields } from './VehicleFields.tsx';
import { EMPTY_VEHICLE, readVehicle } from './vehicleForm.ts';

export function NewVehiclePage() {
  useCrumb('New vehicle');
  const [draft, setDraft, clearDraft] = useDraft('new-vehicle', EMPTY_VEHICLE);
  const [patterns, setPatterns, clearPatterns] = useDraft('new-vehicle.patterns', EMPTY_PATTERNS);
  const [id, setId, clearId] = useDraft('new-vehicle.id', '');
  const [tried, setTried] = useState(false);
  const navigate = useNavigate();
  const client = useQueryClient();
  const circuits = usePatternCircuits(patterns, draft.kind, draft.abs);
  const { entry, errors } = readVehicle(draft);
  const create = useMutation<VehicleDetail, ApiError, RequestOf<'createVehicle'>>({
    mutationFn: (input) => call('createVehicle', input),
    onSuccess: (detail) => {
      client.setQueryData(vehicleQuery(detail.vehicle.id).queryKey, detail);
      void client.invalidateQueries({ queryKey: ['vehicles'] });
      void client.invalidateQueries({ queryKey: ['due'] });
      clearDraft();
      clearPatterns();
      clearId();
      void navigate(`/vehicles/${detail.vehicle.id}`);
    },
  });
  const enter = () => {
    setTried(true);
    if (!entry) return;
    const own = id === '' ? newId() : id;
    setId(own);
    create.mutate({ body: { id: own, vehicle: entry, circuits: circuits as HydraulicsEntry[] } });
  };
  return (
    <Page>
      <Stack $gap={16}>
        <Head>New vehicle</Head>
        <Columns $left="1fr" $right="1fr">
          <RecordForm saves={[create]} onSend={enter}>
            <VehicleFields
              under="vehicle."
              draft={draft}
              onDraft={(next) => {
                setId('');
                setDraft(next);
              }}
              errors={tried ? errors : {}}
            />
            <SaveProblem save={create} />
            <div>
              <PrimaryButton type="submit" isPending={create.isPending}>
                {circuits.length === 0
                  ? 'Enter the vehicle'
                  : `Enter the vehicle with ${circuits.length === 1 ? '1 circuit' : `${circuits.length} circuits`}`}
              </PrimaryButton>
            </div>
          </RecordForm>
          <Stack $gap={16}>
            <Sheet>
              <PatternPick kind={draft.kind} draft={patterns} onDraft={setPatterns} />
            </Sheet>
            <Sheet>
              <SheetTitle>What it puts down</SheetTitle>
              <PatternPreview circuits={circuits} />
            </Sheet>
          </Stack>
        </Columns>
      </Stack>
    </Page>
  );
}
