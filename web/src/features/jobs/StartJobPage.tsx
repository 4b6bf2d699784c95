import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate, useSearchParams } from 'react-router';
import type { ApiError, RequestOf } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { jobQuery, vehicleQuery } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { newId } from '../../app/newId.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { ChoiceRow, TextField, Tick } from '../../design/fields.tsx';
import { Fine, Head, Page, Stack } from '../../design/layout.ts';
import { VehicleSearch } from './VehicleSearch.tsx';

/** A hard line is made anew by another way than a hose. */
const isHose = (line: { readonly kind: string }) => line.kind === 'hose';

const EMPTY = { id: '', title: '', reason: '', circuitId: '', left: [] as string[] };

/** A job starts on a vehicle, a circuit and the hoses that are in its scope. */
export function StartJobPage() {
  useCrumb('Start a job');
  const [search, setSearch] = useSearchParams();
  const vehicleId = search.get('vehicle') ?? '';
  const vehicle = useQuery({ ...vehicleQuery(vehicleId), enabled: vehicleId !== '' });
  const [draft, setDraft, clearDraft] = useDraft(`start-job.${vehicleId}`, EMPTY);
  const navigate = useNavigate();
  const client = useQueryClient();
  const write = useWriter();
  // What was sent before under the same id is another job once something is changed.
  const change = (next: Partial<typeof EMPTY>) => setDraft({ ...draft, ...next, id: '' });
  const start = useMutation<Awaited<ReturnType<typeof call<'startJob'>>>, ApiError, RequestOf<'startJob'>>({
    mutationFn: (input) => call('startJob', input),
    onSuccess: (detail) => {
      client.setQueryData(jobQuery(detail.job.id).queryKey, detail);
      void client.invalidateQueries({ queryKey: ['jobs'] });
      clearDraft();
      void navigate(`/jobs/${detail.job.id}/look-over`);
    },
  });

  const drawn = (vehicle.data?.circuits ?? []).filter((circuit) => circuit.hoses.some(isHose));
  const circuit = drawn.find((candidate) => candidate.id === draft.circuitId) ?? drawn[0];
  const hoses = (circuit?.hoses ?? []).filter(isHose);
  const hoseIds = hoses.map((hose) => hose.id).filter((id) => !draft.left.includes(id));
  const missing =
    hoseIds.length === 0
      ? 'Tick at least one hose.'
      : draft.title.trim() === ''
        ? 'Say what the job is.'
        : null;

  return (
    <Page>
      <Stack $gap={20} style={{ maxWidth: 680 }}>
        <Head>Start a job</Head>
        {vehicle.isError ? (
          <LoadProblem error={vehicle.error} onRetry={() => void vehicle.refetch()} />
        ) : null}
        {vehicleId === '' || vehicle.data || vehicle.isError ? (
          <VehicleSearch
            chosen={vehicleId === '' ? null : (vehicle.data?.vehicle ?? null)}
            onChoose={(id) => setSearch(id === null ? {} : { vehicle: id }, { replace: true })}
          />
        ) : null}
        {vehicle.data && drawn.length === 0 ? (
          <Fine>
            The hydraulics of the {vehicle.data.vehicle.name} are not entered yet: it has no hose a job could
            be about.
          </Fine>
        ) : null}
        {vehicle.data && circuit ? (
          <>
            {drawn.length > 1 ? (
              <ChoiceRow
                label="Circuit"
                value={circuit.id}
                options={drawn.map(({ id, name }) => ({ value: id, text: name }))}
                onChange={(circuitId) => change({ circuitId, left: [] })}
              />
            ) : null}
            <fieldset>
              <legend>
                <Fine>Hoses in this job</Fine>
              </legend>
              {hoses.map((hose) => (
                <Tick
                  key={hose.id}
                  isSelected={!draft.left.includes(hose.id)}
                  onChange={(selected) =>
                    change({
                      left: selected ? draft.left.filter((id) => id !== hose.id) : [...draft.left, hose.id],
                    })
                  }
                >
                  {hose.name}, now {write.length(hose.length_m)}
                </Tick>
              ))}
            </fieldset>
            <TextField label="What the job is" value={draft.title} onChange={(title) => change({ title })} />
            <TextField label="Why" multiline value={draft.reason} onChange={(reason) => change({ reason })} />
            <SaveProblem save={start} />
            <div>
              <PrimaryButton
                isPending={start.isPending}
                because={missing}
                onPress={() => {
                  const id = draft.id === '' ? newId() : draft.id;
                  setDraft({ ...draft, id });
                  start.mutate({
                    body: {
                      id,
                      vehicleId,
                      circuitId: circuit.id,
                      title: draft.title.trim(),
                      reason: draft.reason.trim(),
                      hoseIds,
                    },
                  });
                }}
              >
                {hoseIds.length === 1
                  ? 'Start the job with 1 hose'
                  : `Start the job with ${hoseIds.length} hoses`}
              </PrimaryButton>
            </div>
          </>
        ) : null}
      </Stack>
    </Page>
  );
}
