/** What the plan rests on: choices of the job, what is known of its reservoirs and units, what holds and covers its lines. */
import type { FitFactSaid, Hold, VehicleKind } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import { CLEANERS, CORNERS, DRIVERS, HOLD_KINDS } from '@zephyrcombe/core/plan';
import {
  CLEANER_NAMES,
  CORNER_NAMES,
  DRIVER_NAMES,
  HOLD_KIND_NAMES,
  KEPT_NAMES,
  lowerFirst,
  RHYTHM_NAMES,
  TRIAL_WASHER_NAMES,
} from '@zephyrcombe/messages';
import { factOf, factsOfKind, fitNames, fitPlanOf, holdsOf } from '@zephyrcombe/workshop';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { TextField, Tick } from '../../design/fields.tsx';
import { Beside, Fine, Label, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { Pick } from '../../design/Pick.tsx';
import { Assumed } from '../known/KnownText.tsx';
import { Demands } from './Demands.tsx';
import { Photos } from '../photos/Photos.tsx';
import { TurnEnd } from './TurnEnd.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';

function useSay() {
  const { job } = useJob();
  const say = useJobAction('sayFitFact', job.id);
  return {
    say,
    send: (said: FitFactSaid) => say.mutate({ params: { jobId: job.id }, body: { id: newId(), said } }),
  };
}
type Send = ReturnType<typeof useSay>['send'];

export function PlanFacts() {
  const detail = useJob();
  const { say, send } = useSay();
  const { scope } = fitPlanOf(detail);
  const lines = scope.lines.filter(({ action }) => action !== 'leave');
  return (
    <Sheet aria-label="What the plan rests on">
      <SheetTitle>What the plan rests on</SheetTitle>
      <Stack $gap={14}>
        <Choices send={send} />
        {lines.map(({ id }) => (
          <AlongLine key={id} lineId={id} send={send} />
        ))}
        <Covers send={send} />
        <Demands send={send} />
        <SaveProblem save={say} />
      </Stack>
    </Sheet>
  );
}

function Choices({ send }: { readonly send: Send }) {
  const detail = useJob();
  const names = fitNames(detail);
  const { scope } = fitPlanOf(detail);
  const { job } = detail;
  const units = [...new Set(scope.circuits.flatMap(({ abs }) => (abs === null ? [] : [abs])))];
  return (
    <Stack $gap={10}>
      <Beside>
        {scope.reservoirs.map(({ id, kept }) => (
          <Pick
            key={id}
            label={names(id)}
            value={kept}
            options={(['auto', 'wet', 'drain'] as const).map((value) => ({ value, text: KEPT_NAMES[value] }))}
            onChange={(value) => send({ kind: 'kept', subjectId: id, value })}
          />
        ))}
        <Pick
          label="Order of the corners"
          value={scope.choices.rhythm ?? 'auto'}
          options={(['auto', 'byCorner', 'allOff'] as const).map((value) => ({
            value,
            text: RHYTHM_NAMES[value],
          }))}
          onChange={(value) => send({ kind: 'rhythm', subjectId: job.id, value })}
        />
        <Pick
          label="Washers at the trial fit"
          value={scope.choices.trialWashers ?? 'auto'}
          options={(['auto', 'on', 'off'] as const).map((value) => ({
            value,
            text: TRIAL_WASHER_NAMES[value],
          }))}
          onChange={(value) => send({ kind: 'trialWashers', subjectId: job.id, value })}
        />
        <Pick
          label="Cleaned with"
          value={factOf(detail, 'cleaner', job.id) ?? ''}
          options={[
            ...(factOf(detail, 'cleaner', job.id) === undefined
              ? [{ value: '' as const, text: 'nobody has said' }]
              : []),
            ...CLEANERS.map((value) => ({ value, text: CLEANER_NAMES[value] })),
          ]}
          onChange={(value) =>
            value === '' ? undefined : send({ kind: 'cleaner', subjectId: job.id, value })
          }
        />
      </Beside>
      {units.map((id) => (
        <Tick
          key={id}
          isSelected={factOf(detail, 'absCycle', id) === true}
          isDisabled={isClosed(job)}
          onChange={(value) => send({ kind: 'absCycle', subjectId: id, value })}
        >
          {names(id)}: can be cycled with a diagnostic tool here
        </Tick>
      ))}
    </Stack>
  );
}

/** What holds a line and which leads lie along it. Until somebody has looked it is taken from its build. */
function AlongLine({ lineId, send }: { readonly lineId: string; readonly send: Send }) {
  const detail = useJob();
  const name = fitNames(detail)(lineId);
  const holds = holdsOf(detail, lineId);
  const isSaid = factOf(detail, 'holds', lineId) !== undefined;
  const leads = factOf(detail, 'leads', lineId) ?? [];
  const [isAdding, setAdding] = useState(false);
  const [lead, setLead] = useState({ name: '', side: '' });
  const closed = isClosed(detail.job) ? CLOSED : null;
  const put = (value: readonly Hold[]) => send({ kind: 'holds', subjectId: lineId, value: [...value] });
  return (
    <div role="group" aria-label={`What holds ${name}`}>
      <Label as="h3">{name}: what holds it, and what lies along it</Label>
      {holds.length > 0 && !isSaid ? (
        <Fine>
          <Assumed>Taken from its build; nobody has looked yet.</Assumed>
        </Fine>
      ) : null}
      <Rows>
        {holds.map((hold) => (
          <Spread key={hold.id}>
            <span>
              {hold.name}
              {hold.closed ? ', the line goes through it' : ''}
              {hold.keyed ? ', keyed' : ''}
              {hold.driver && hold.driver !== 'none' ? `, ${DRIVER_NAMES[hold.driver]}` : ''}
            </span>
            <TextButton because={closed} onPress={() => put(holds.filter(({ id }) => id !== hold.id))}>
              not there
            </TextButton>
          </Spread>
        ))}
        {leads.map(({ id, name: leadName, side }) => (
          <Spread key={id}>
            <span>
              {leadName}, lies {side}
            </span>
            <TextButton
              because={closed}
              onPress={() =>
                send({ kind: 'leads', subjectId: lineId, value: leads.filter((one) => one.id !== id) })
              }
            >
              not there
            </TextButton>
          </Spread>
        ))}
      </Rows>
      {isAdding ? (
        <Stack $gap={10}>
          <AddHold
            lineId={lineId}
            onAdd={(hold) => {
              put([...holds, hold]);
              setAdding(false);
            }}
          />
          <Beside>
            <TextField
              label="A lead along it"
              value={lead.name}
              onChange={(text) => setLead({ ...lead, name: text })}
            />
            <TextField
              label="On which side it lies"
              value={lead.side}
              onChange={(side) => setLead({ ...lead, side })}
            />
          </Beside>
          <PlainButton
            because={
              lead.name.trim() === '' || lead.side.trim() === '' ? 'Name the lead and its side.' : null
            }
            onPress={() => {
              send({ kind: 'leads', subjectId: lineId, value: [...leads, { id: newId(), ...lead }] });
              setLead({ name: '', side: '' });
              setAdding(false);
            }}
          >
            Add the lead
          </PlainButton>
        </Stack>
      ) : (
        <TextButton because={closed} onPress={() => setAdding(true)}>
          add a clip, a bracket or a lead
        </TextButton>
      )}
      <TurnEnd lineId={lineId} send={send} />
      <CornerOf lineId={lineId} send={send} />
    </div>
  );
}

/** Of a vehicle that has four of them. */
const CORNERED: ReadonlySet<VehicleKind> = new Set<VehicleKind>(['car', 'van', 'quad']);

function CornerOf({ lineId, send }: { readonly lineId: string; readonly send: Send }) {
  const detail = useJob();
  const own = factOf(detail, 'corner', lineId) ?? null;
  if (own === null && !CORNERED.has(detail.vehicle.kind)) return null;
  return (
    <Pick
      label={`Corner that ${lowerFirst(fitNames(detail)(lineId))} belongs to`}
      value={own ?? ''}
      options={[
        { value: '' as const, text: 'nobody has said' },
        ...CORNERS.map((value) => ({ value, text: CORNER_NAMES[value] })),
      ]}
      onChange={(value) => send({ kind: 'corner', subjectId: lineId, value: value === '' ? null : value })}
    />
  );
}

function AddHold({ lineId, onAdd }: { readonly lineId: string; readonly onAdd: (hold: Hold) => void }) {
  const [kind, setKind] = useState<Hold['kind']>('pClip');
  const [at, setAt] = useState<Hold['at']>('mid');
  const [name, setName] = useState('');
  const [isClosedHole, setClosedHole] = useState(false);
  const [isKeyed, setKeyed] = useState(false);
  const [driver, setDriver] = useState<NonNullable<Hold['driver']>>('none');
  return (
    <Stack $gap={8}>
      <Beside>
        <Pick
          label="What holds it"
          value={kind}
          options={HOLD_KINDS.map((value) => ({ value, text: HOLD_KIND_NAMES[value] }))}
          onChange={setKind}
        />
        <Pick
          label="Where"
          value={at}
          options={[
            { value: 'A' as const, text: 'at end A' },
            { value: 'mid' as const, text: 'along it' },
            { value: 'B' as const, text: 'at end B' },
          ]}
          onChange={setAt}
        />
        <TextField label="What it is called" value={name} onChange={setName} />
        <Pick
          label="What turns its screw"
          value={driver}
          options={(['none', ...DRIVERS] as const).map((value) => ({ value, text: DRIVER_NAMES[value] }))}
          onChange={setDriver}
        />
      </Beside>
      <Tick isSelected={isClosedHole} onChange={setClosedHole}>
        The line goes through it: it comes out only with an end free
      </Tick>
      <Tick isSelected={isKeyed} onChange={setKeyed}>
        The end cannot turn in it
      </Tick>
      <PlainButton
        onPress={() =>
          onAdd({
            id: `${lineId}.${newId()}`,
            name: name.trim() === '' ? HOLD_KIND_NAMES[kind] : name.trim(),
            kind,
            at,
            closed: isClosedHole || kind === 'supportWasher',
            keyed: isKeyed,
            tighten: kind === 'pClip',
            driver,
          })
        }
      >
        Add it
      </PlainButton>
    </Stack>
  );
}

/** Bodywork over joints. */
function Covers({ send }: { readonly send: Send }) {
  const detail = useJob();
  const names = fitNames(detail);
  const covers = [...factsOfKind(detail, 'cover')].flatMap(([id, cover]) =>
    cover ? [{ id, ...cover }] : [],
  );
  const [name, setName] = useState('');
  const [over, setOver] = useState<readonly string[]>([]);
  const [isAdding, setAdding] = useState(false);
  const closed = isClosed(detail.job) ? CLOSED : null;
  const { joints } = fitPlanOf(detail).scope;
  return (
    <div role="group" aria-label="Bodywork over joints">
      <Label as="h3">What has to come off to reach them</Label>
      <Rows>
        {covers.map((cover) => (
          <div key={cover.id}>
            <Spread>
              <span>
                {cover.name}, over {cover.joints.map((id) => names(id).toLowerCase()).join(', ')}
              </span>
              <TextButton
                because={closed}
                onPress={() => send({ kind: 'cover', subjectId: cover.id, value: null })}
              >
                not there
              </TextButton>
            </Spread>
            <Photos
              jobId={detail.job.id}
              of={{ subject: 'cover', subjectId: cover.id, name: cover.name }}
              photos={detail.photos}
              isDisabled={isClosed(detail.job)}
            />
          </div>
        ))}
      </Rows>
      {isAdding ? (
        <Stack $gap={8}>
          <TextField label="What comes off, such as the tank" value={name} onChange={setName} />
          {joints.map(({ id }) => (
            <Tick
              key={id}
              isSelected={over.includes(id)}
              onChange={(isOver) => setOver(isOver ? [...over, id] : over.filter((one) => one !== id))}
            >
              {names(id)} is under it
            </Tick>
          ))}
          <PlainButton
            because={
              name.trim() === '' || over.length === 0 ? 'Name it, and the joints that are under it.' : null
            }
            onPress={() => {
              send({ kind: 'cover', subjectId: newId(), value: { name: name.trim(), joints: [...over] } });
              setName('');
              setOver([]);
              setAdding(false);
            }}
          >
            Add it
          </PlainButton>
        </Stack>
      ) : (
        <TextButton because={closed} onPress={() => setAdding(true)}>
          add bodywork
        </TextButton>
      )}
    </div>
  );
}
