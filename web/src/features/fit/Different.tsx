/** "Something is different": what was met at this step, and what follows from it. The plan is made anew at once. */
import type { FitFactSaid } from '@zephyrcombe/contract';
import { isClosed, MOST_HIDDEN, partsOf } from '@zephyrcombe/contract';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { ACCESS_NAMES, SEIZED_WAY_NAMES } from '@zephyrcombe/messages';
import { factOf, fitNames, fitPlanOf } from '@zephyrcombe/workshop';
import { useState } from 'react';
import { Link } from 'react-router';
import type { useJobAction } from '../../api/queries.ts';
import { newId } from '../../app/newId.ts';
import { PlainButton } from '../../design/Button.tsx';
import { Dialog } from '../../design/Dialog.tsx';
import { Label, Line, Stack } from '../../design/layout.ts';
import { Pick } from '../../design/Pick.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';
import { aboutOf } from './stepSubject.ts';

interface DifferentProps {
  readonly step: PlanStep;
  /** Kept by the page: the step may be another one once it is said. */
  readonly say: ReturnType<typeof useJobAction<'sayFitFact'>>;
}

export function Different({ step, say }: DifferentProps) {
  const detail = useJob();
  const [isOpen, setOpen] = useState(false);
  return (
    <div>
      <PlainButton
        style={{ width: '100%' }}
        because={isClosed(detail.job) ? CLOSED : null}
        isQuiet
        onPress={() => setOpen(true)}
      >
        Something is different
      </PlainButton>
      <Dialog title="What is different?" isOpen={isOpen} onClose={() => setOpen(false)}>
        {isOpen ? (
          <Met
            step={step}
            send={(said) => {
              setOpen(false);
              say.mutate({ params: { jobId: detail.job.id }, body: { id: newId(), said } });
            }}
          />
        ) : null}
      </Dialog>
    </div>
  );
}

type Send = (said: FitFactSaid) => void;

function Met({ step, send }: { readonly step: PlanStep; readonly send: Send }) {
  const detail = useJob();
  const { joints, lines } = aboutOf(detail, step);
  return (
    <Stack $gap={18}>
      {joints.map((id) => (
        <AtJoint key={id} jointId={id} send={send} />
      ))}
      {lines.map((id) => (
        <OfLine key={id} lineId={id} send={send} />
      ))}
      {joints.length + lines.length === 0 ? <Anywhere send={send} /> : null}
    </Stack>
  );
}

/** The step is about no single joint or line: what is met is said of any of them. */
function Anywhere({ send }: { readonly send: Send }) {
  const detail = useJob();
  const names = fitNames(detail);
  const { scope } = fitPlanOf(detail);
  const joints = detail.joints.map(({ jointId }) => jointId);
  const lines = scope.lines.filter(({ action }) => action !== 'leave').map(({ id }) => id);
  const [about, setAbout] = useState('');
  return (
    <>
      <Pick
        label="What is it about?"
        value={about}
        options={[
          { value: '', text: 'choose a joint or a hose' },
          ...[...joints, ...lines].map((id) => ({ value: id, text: names(id) })),
        ]}
        onChange={setAbout}
      />
      {joints.includes(about) ? <AtJoint jointId={about} send={send} /> : null}
      {lines.includes(about) ? <OfLine lineId={about} send={send} /> : null}
    </>
  );
}

function AtJoint({ jointId, send }: { readonly jointId: string; readonly send: Send }) {
  const detail = useJob();
  const name = fitNames(detail)(jointId);
  const { plan, scope } = fitPlanOf(detail);
  const joint = scope.joints.find(({ id }) => id === jointId);
  const isSeized = factOf(detail, 'seized', jointId) === true;
  const isOpenSpanner = factOf(detail, 'openSpanner', jointId) === true;
  const isSealed = factOf(detail, 'sealant', jointId) === true;
  const hasNut = partsOf(detail).joints.find(({ id }) => id === jointId)?.seal !== 'banjo';
  return (
    <div role="group" aria-label={name}>
      <Label as="h3">{name}</Label>
      <Stack $gap={8}>
        {hasNut ? (
          <PlainButton onPress={() => send({ kind: 'seized', subjectId: jointId, value: !isSeized })}>
            {isSeized ? 'The nut turns by itself after all' : 'Its nut is seized: it turns with its pipe'}
          </PlainButton>
        ) : null}
        {isSeized ? (
          <Pick
            label="Way at the seized nut"
            value={factOf(detail, 'seizedWay', jointId) ?? 'auto'}
            options={(['auto', 'turnHose', 'heat', 'cut'] as const).map((way) => ({
              value: way,
              text:
                way === 'auto'
                  ? `${SEIZED_WAY_NAMES.auto}${plan.choices.seizedWay[jointId] ? `: ${SEIZED_WAY_NAMES[plan.choices.seizedWay[jointId]]}` : ''}`
                  : SEIZED_WAY_NAMES[way],
            }))}
            onChange={(value) => send({ kind: 'seizedWay', subjectId: jointId, value })}
          />
        ) : null}
        <Pick
          label={
            factOf(detail, 'access', jointId) === undefined
              ? 'How it is reached (assumed, nobody has said)'
              : 'How it is reached'
          }
          value={String(Math.min(joint?.access ?? 0, MOST_HIDDEN))}
          options={ACCESS_NAMES.map((text, index) => ({ value: String(index), text }))}
          onChange={(value) => send({ kind: 'access', subjectId: jointId, value: Number(value) })}
        />
        <Line $gap={8}>
          <PlainButton
            aria-pressed={joint?.soak === true}
            onPress={() => send({ kind: 'soak', subjectId: jointId, value: joint?.soak !== true })}
          >
            {joint?.soak ? 'Needs no oil after all' : 'Rusty: soak it first'}
          </PlainButton>
          {hasNut ? (
            <PlainButton
              aria-pressed={isOpenSpanner}
              onPress={() => send({ kind: 'openSpanner', subjectId: jointId, value: !isOpenSpanner })}
            >
              {isOpenSpanner ? 'A flare-nut wrench is on it now' : 'There is only an open-ended spanner'}
            </PlainButton>
          ) : null}
          <PlainButton
            aria-pressed={isSealed}
            onPress={() => send({ kind: 'sealant', subjectId: jointId, value: !isSealed })}
          >
            {isSealed ? 'The threads are clean again' : 'Tape or paste is on the thread'}
          </PlainButton>
          <PlainButton
            aria-pressed={joint?.stop === true}
            onPress={() => send({ kind: 'neckStop', subjectId: jointId, value: joint?.stop !== true })}
          >
            {joint?.stop ? 'No stop for the neck' : 'There is a stop for the neck'}
          </PlainButton>
        </Line>
        <Line>
          <Link to={`/jobs/${detail.job.id}/look-over?joint=${jointId}`}>
            Worn, damaged or leaking: record a finding
          </Link>
          <Link to={`/jobs/${detail.job.id}/specify?joint=${jointId}`}>
            Another thread, seat or bolt than specified
          </Link>
        </Line>
      </Stack>
    </div>
  );
}

function OfLine({ lineId, send }: { readonly lineId: string; readonly send: Send }) {
  const detail = useJob();
  const name = fitNames(detail)(lineId);
  const isBack = factOf(detail, 'backOut', lineId) === true;
  const isBroken = factOf(detail, 'oldBroken', lineId) === true;
  const isBare = factOf(detail, 'bareBracket', lineId) === true;
  const { job } = detail;
  return (
    <div role="group" aria-label={name}>
      <Label as="h3">{name}</Label>
      <Stack $gap={8}>
        <PlainButton
          because={isBroken && !isBack ? 'The old one is not whole.' : null}
          onPress={() => send({ kind: 'backOut', subjectId: lineId, value: !isBack })}
        >
          {isBack ? 'The new one goes on after all' : 'The new one does not fit: put the old one back on'}
        </PlainButton>
        <PlainButton
          aria-pressed={isBroken}
          onPress={() => send({ kind: 'oldBroken', subjectId: lineId, value: !isBroken })}
        >
          {isBroken ? 'The old one is whole after all' : 'The old one is not whole any more'}
        </PlainButton>
        <PlainButton
          aria-pressed={isBare}
          onPress={() => send({ kind: 'bareBracket', subjectId: lineId, value: !isBare })}
        >
          {isBare ? 'Its bracket is deburred and painted' : 'Its bracket was trimmed, and is bare there'}
        </PlainButton>
        <Line>
          <Link to={`/jobs/${job.id}/measure?hose=${lineId}`}>
            Too short or too long: take the length anew
          </Link>
          <Link to={`/jobs/${job.id}/look-over?hose=${lineId}`}>
            A bracket or a clip is broken: record a finding
          </Link>
        </Line>
      </Stack>
    </div>
  );
}
