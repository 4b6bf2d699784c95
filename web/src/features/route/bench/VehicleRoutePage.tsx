/** The routes of one corner of a vehicle, proved on the bench and kept with the vehicle. */
import type { SavedCorner } from '@zephyrcombe/contract';
import { SavedCornerSchema } from '@zephyrcombe/contract';
import type { Corner } from '@zephyrcombe/core';
import { CORNER_PATTERNS, PATTERN_CORNERS } from '@zephyrcombe/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { memo, useEffect, useMemo, useReducer, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { ApiError, RequestOf } from '../../../api/client.ts';
import { call } from '../../../api/client.ts';
import { LoadProblem } from '../../../api/LoadProblem.tsx';
import { cornersQuery, vehicleQuery } from '../../../api/queries.ts';
import { SaveProblem } from '../../../api/SaveProblem.tsx';
import { useCrumb } from '../../../app/crumb.ts';
import { newId } from '../../../app/newId.ts';
import { useLatest } from '../../../app/useLatest.ts';
import { useDraft } from '../../../app/useDraft.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../../design/Button.tsx';
import { TextField } from '../../../design/fields.tsx';
import { Pick } from '../../../design/Pick.tsx';
import { Fine, Head, Line, Page, Sheet, SheetTitle, Stack } from '../../../design/layout.ts';
import { Notice } from '../../../design/Notice.tsx';
import type { RouteAction, RouteState } from './benchState.ts';
import { routeReducer, startState } from './benchState.ts';
import { RouteBar } from './RouteBar.tsx';
import { RouteBench } from './RouteBench.tsx';
import { useHandToJob } from '../job/useHandToJob.ts';
import { sidedPattern } from '../editor/sidedPattern.ts';
import { useResting } from '../engine/useResting.ts';

export function VehicleRoutePage() {
  const { vehicleId = '', cornerId = '' } = useParams();
  const corners = useQuery(cornersQuery(vehicleId));
  const vehicle = useQuery(vehicleQuery(vehicleId));
  const saved = corners.data?.items.find(({ id }) => id === cornerId);
  useCrumb(saved?.corner.name ?? (cornerId === 'new' ? 'New routes' : null));
  const failed = [corners, vehicle].find((query) => query.isError);
  if (failed?.error) {
    return (
      <Page>
        <LoadProblem error={failed.error} onRetry={() => void failed.refetch()} />
      </Page>
    );
  }
  if (!corners.data || !vehicle.data) return <Page aria-busy="true" />;
  const name = vehicle.data.vehicle.name;
  const hoses = vehicle.data.circuits.flatMap((circuit) =>
    circuit.hoses.filter(({ kind }) => kind === 'hose').map((hose) => ({ id: hose.id, name: hose.name })),
  );
  if (cornerId === 'new') return <NewCorner vehicleId={vehicleId} vehicleName={name} hoses={hoses} />;
  if (!saved) {
    return (
      <Page>
        <Stack>
          <Head>These routes are not there</Head>
          <Fine>
            Somebody took them out, or the address is wrong.{' '}
            <Link to={`/vehicles/${vehicleId}`}>Back to {name}</Link>
          </Fine>
        </Stack>
      </Page>
    );
  }
  return <KeptCorner key={saved.id} vehicleId={vehicleId} vehicleName={name} saved={saved} hoses={hoses} />;
}

interface OnVehicle {
  readonly vehicleId: string;
  readonly vehicleName: string;
  /** The hoses of the vehicle's circuits: a route belongs to one of them. */
  readonly hoses: readonly { readonly id: string; readonly name: string }[];
}

interface Draft {
  readonly version: number;
  readonly corner: Corner;
}

function KeptCorner({ vehicleId, vehicleName, saved, hoses }: OnVehicle & { readonly saved: SavedCorner }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [query] = useSearchParams();
  const [draft, setDraft, clearDraft] = useDraft<Draft | null>(`corner.${saved.id}`, null);
  const [isRestored, setRestored] = useState(draft !== null);
  const [state, dispatch] = useReducer(routeReducer, null, () => {
    const start = startState(saved.corner, null, query.get('hose') ?? undefined);
    return draft === null ? start : { ...start, corner: draft.corner, past: [saved.corner] };
  });
  // What stands around the bench follows when the hand rests.
  const resting = useResting(state);
  const { corner } = resting;
  const version = draft?.version ?? saved.version;
  useEffect(() => {
    if (JSON.stringify(corner) === JSON.stringify(saved.corner)) clearDraft();
    else setDraft((before) => ({ version: before?.version ?? saved.version, corner }));
  }, [corner, saved, setDraft, clearDraft]);
  const { queryKey } = cornersQuery(vehicleId);
  const save = useMutation<{ items: SavedCorner[] }, ApiError, RequestOf<'saveCorner'>>({
    mutationFn: (input) => call('saveCorner', input),
    onSuccess: (reply) => {
      client.setQueryData(queryKey, reply);
      void client.invalidateQueries({ queryKey: vehicleQuery(vehicleId).queryKey });
      // What was specified on this route may be asked for again.
      void client.invalidateQueries({ queryKey: ['job'] });
      clearDraft();
      setRestored(false);
    },
  });
  const remove = useMutation<{ items: SavedCorner[] }, ApiError, RequestOf<'removeCorner'>>({
    mutationFn: (input) => call('removeCorner', input),
    onSuccess: (reply) => {
      client.setQueryData(queryKey, reply);
      void client.invalidateQueries({ queryKey: ['job'] });
      clearDraft();
      void navigate(`/vehicles/${vehicleId}`);
    },
  });
  const params = { vehicleId, cornerId: saved.id };
  const send = (onVersion = version) =>
    save.mutate({ params, body: { version: onVersion, corner: state.corner as SavedCorner['corner'] } });
  const onSave = useLatest(() => send());
  const discard = (corner: Corner) => {
    clearDraft();
    setRestored(false);
    save.reset();
    dispatch({ type: 'load', corner, pattern: null });
  };
  const theirs =
    save.error?.code === 'stale-write' ? SavedCornerSchema.safeParse(save.error.details?.current) : null;
  const { hand, edit } = useHandToJob(query.get('job'), state.hoseId);
  const isSaved = draft === null;
  const saving = useMemo(
    () => (
      <PrimaryButton
        isPending={save.isPending}
        isQuiet
        because={isSaved ? 'Nothing has been changed since the routes were saved.' : null}
        onPress={onSave}
      >
        {isSaved ? 'Saved' : 'Save the routes'}
      </PrimaryButton>
    ),
    [isSaved, save.isPending, onSave],
  );
  const head = useMemo(
    () => (
      <div style={{ flex: '1 1 260px' }}>
        <Head>{corner.name}</Head>
        <Fine>
          <Link to={`/vehicles/${vehicleId}`}>{vehicleName}</Link>. Measured with a tape; the maker’s routing
          comes first.
        </Fine>
      </div>
    ),
    [corner.name, vehicleId, vehicleName],
  );
  const onRemove = useLatest(() => remove.mutate({ params }));
  return (
    <Page>
      <Stack $gap={14}>
        <RouteBar state={resting} dispatch={dispatch} more={saving}>
          {head}
        </RouteBar>
        {isRestored ? (
          <Notice severity="note" title="Your unsaved routes are back">
            <TextButton onPress={() => discard(saved.corner)}>Go back to what is saved</TextButton>
          </Notice>
        ) : null}
        {theirs?.success ? (
          <Notice severity="warn" title="Somebody else saved these routes while you worked" live>
            <Line style={{ marginTop: 8 }}>
              <PlainButton onPress={() => send(theirs.data.version)}>Keep mine</PlainButton>
              <PlainButton
                onPress={() => {
                  void client.invalidateQueries({ queryKey });
                  discard(theirs.data.corner);
                }}
              >
                Take theirs
              </PlainButton>
            </Line>
          </Notice>
        ) : (
          <SaveProblem save={save} />
        )}
        <RouteBench state={state} dispatch={dispatch} onHand={hand} />
        <SaveProblem save={edit} />
        <WhatThisIs
          state={resting}
          dispatch={dispatch}
          hoses={hoses}
          isRemoving={remove.isPending}
          onRemove={onRemove}
        />
        <SaveProblem save={remove} />
      </Stack>
    </Page>
  );
}

interface WhatThisIsProps {
  readonly state: RouteState;
  readonly dispatch: (action: RouteAction) => void;
  readonly hoses: OnVehicle['hoses'];
  readonly isRemoving: boolean;
  readonly onRemove: () => void;
}

/** What the corner is called, and whose route it is. */
const WhatThisIs = memo(function WhatThisIs({
  state,
  dispatch,
  hoses,
  isRemoving,
  onRemove,
}: WhatThisIsProps) {
  const [asks, setAsks] = useState(false);
  const hose = state.corner.hoses.find(({ id }) => id === state.hoseId);
  return (
    <Sheet>
      <SheetTitle>What this is</SheetTitle>
      <Line $gap={14} style={{ alignItems: 'end' }}>
        <div style={{ flex: '1 1 220px' }}>
          <TextField
            label="Name of this corner"
            value={state.corner.name}
            onChange={(name) =>
              dispatch({ type: 'change', corner: { ...state.corner, name }, field: 'corner name' })
            }
            error={state.corner.name.trim() === '' ? 'A corner needs a name.' : null}
          />
        </div>
        {hose ? (
          <div style={{ flex: '1 1 220px' }}>
            <Pick
              label="This route is of"
              value={hoses.some(({ id }) => id === hose.id) ? hose.id : ''}
              options={[
                { value: '', text: 'no hose of the vehicle yet' },
                ...hoses.map(({ id, name }) => ({ value: id, text: name })),
              ]}
              onChange={(id) =>
                dispatch({
                  type: 'assign',
                  from: hose.id,
                  to: hoses.find((own) => own.id === id) ?? null,
                })
              }
            />
          </div>
        ) : null}
        {asks ? (
          <>
            <PlainButton isPending={isRemoving} onPress={onRemove}>
              Remove this route for good
            </PlainButton>
            <PlainButton onPress={() => setAsks(false)}>Keep it</PlainButton>
          </>
        ) : (
          <TextButton onPress={() => setAsks(true)}>Remove these routes</TextButton>
        )}
      </Line>
    </Sheet>
  );
});

function NewCorner({ vehicleId, vehicleName, hoses }: OnVehicle) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [query] = useSearchParams();
  const wanted = hoses.find(({ id }) => id === query.get('hose')) ?? hoses[0];
  const [hoseId, setHose] = useState(wanted?.id ?? '');
  const [id] = useState(newId);
  const add = useMutation<{ items: SavedCorner[] }, ApiError, RequestOf<'addCorner'>>({
    mutationFn: (input) => call('addCorner', input),
    onSuccess: (reply) => {
      client.setQueryData(cornersQuery(vehicleId).queryKey, reply);
      void client.invalidateQueries({ queryKey: vehicleQuery(vehicleId).queryKey });
      void client.invalidateQueries({ queryKey: ['job'] });
      void navigate(`/vehicles/${vehicleId}/routes/${id}`, { replace: true });
    },
  });
  const start = (pattern: (typeof CORNER_PATTERNS)[number]) => {
    const own = hoses.find((hose) => hose.id === hoseId);
    const corner = sidedPattern(PATTERN_CORNERS[pattern], own?.name ?? '');
    const [first, ...others] = corner.hoses;
    if (!first) return;
    add.mutate({
      params: { vehicleId },
      body: {
        id,
        corner: { ...corner, hoses: [{ ...first, ...own }, ...others] } as SavedCorner['corner'],
      },
    });
  };
  return (
    <Page>
      <Stack $gap={16} style={{ maxWidth: 820 }}>
        <div>
          <Head>Where does the hose run?</Head>
          <Fine>
            <Link to={`/vehicles/${vehicleId}`}>{vehicleName}</Link>. Choose how this corner moves; then put
            the figures of the pattern right with a tape.
          </Fine>
        </div>
        {hoses.length > 0 ? (
          <Pick
            label="Route of"
            value={hoseId}
            options={hoses.map((hose) => ({ value: hose.id, text: hose.name }))}
            onChange={setHose}
          />
        ) : (
          <Fine>No hose is on the drawing of this vehicle yet; the route can be given to one later.</Fine>
        )}
        <Line>
          {CORNER_PATTERNS.map((pattern) => (
            <PlainButton key={pattern} isPending={add.isPending} onPress={() => start(pattern)}>
              {PATTERN_CORNERS[pattern].name}
            </PlainButton>
          ))}
        </Line>
        <SaveProblem save={add} />
      </Stack>
    </Page>
  );
}
