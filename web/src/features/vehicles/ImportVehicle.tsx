/** A vehicle document read from a file: what it holds and what was mended is shown before anything is saved. */
import { mendText, VEHICLE_KIND_NAMES } from '@zephyrcombe/messages';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { useNavigate } from 'react-router';
import type { ApiError } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, PrimaryButton } from '../../design/Button.tsx';
import { Dialog } from '../../design/Dialog.tsx';
import { Fine, Line, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { AllCircuits } from '../../drawing/circuit-diagram/JoinedDiagram.tsx';

type Reply = Awaited<ReturnType<typeof call<'importVehicle'>>>;
interface Input {
  readonly id: string;
  readonly document: unknown;
  readonly tryOnly: boolean;
}

export function ImportVehicle() {
  const write = useWriter();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [unreadable, setUnreadable] = useState<string | null>(null);
  const [file, setFile] = useState<{ readonly id: string; readonly document: unknown } | null>(null);
  const read = useMutation<Reply, ApiError, Input>({
    mutationFn: (body) => call('importVehicle', { body }),
    onSuccess: (reply) => {
      if (reply.vehicleId === null) return;
      for (const queryKey of [['vehicles'], ['due']]) void client.invalidateQueries({ queryKey });
      void navigate(`/vehicles/${reply.vehicleId}`);
    },
  });
  const close = () => {
    setUnreadable(null);
    read.reset();
  };
  const take = async (files: FileList | null) => {
    const [chosen] = files ?? [];
    if (!chosen) return;
    read.reset();
    setUnreadable(null);
    try {
      const document: unknown = JSON.parse(await chosen.text());
      const chosenFile = { id: newId(), document };
      setFile(chosenFile);
      read.mutate({ ...chosenFile, tryOnly: true });
    } catch {
      setUnreadable(`${chosen.name} is not JSON: choose the file that “Save as a document” wrote.`);
    }
  };
  const found = read.data?.vehicleId === null ? read.data : null;
  return (
    <>
      <FileTrigger acceptedFileTypes={['application/json', '.json']} onSelect={(files) => void take(files)}>
        <PlainButton>Read a document</PlainButton>
      </FileTrigger>
      {unreadable !== null || found || read.isError ? (
        <Dialog title={found ? found.document.vehicle.name : 'This file'} isOpen onClose={close}>
          <Stack $gap={12}>
            {unreadable === null ? null : (
              <Notice severity="stop" title="That cannot be read" live>
                <p>{unreadable}</p>
              </Notice>
            )}
            <SaveProblem save={{ ...read, mutate: () => undefined, variables: undefined }} />
            {found ? (
              <>
                <Fine>
                  {VEHICLE_KIND_NAMES[found.document.vehicle.kind]}, {found.document.circuits.length}{' '}
                  {found.document.circuits.length === 1 ? 'circuit' : 'circuits'}.
                </Fine>
                <AllCircuits
                  circuits={found.document.circuits}
                  lengthText={(length_m) => write.length(length_m)}
                />
                {found.mended.length > 0 ? (
                  <Notice severity="warn" title="Mended on the way in: look it over">
                    <ul>
                      {found.mended.map((mend) => (
                        <li key={mend.field}>{mendText(mend)}</li>
                      ))}
                    </ul>
                  </Notice>
                ) : null}
                <Line>
                  <PrimaryButton
                    isPending={read.isPending}
                    onPress={() => {
                      if (file) read.mutate({ ...file, tryOnly: false });
                    }}
                  >
                    Enter {found.document.vehicle.name}
                  </PrimaryButton>
                </Line>
              </>
            ) : null}
          </Stack>
        </Dialog>
      ) : null}
    </>
  );
}
