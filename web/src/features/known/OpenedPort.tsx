/** A joint that is open by now, and what was assumed of its port: as it was, or something else. */
import type { Port } from '@zephyrcombe/contract';
import { FACT_NAMES, listOf, SEAT_NAMES } from '@zephyrcombe/messages';
import type { Seat, ThreadGender } from '@zephyrcombe/core';
import { SEATS, THREAD_GENDERS, THREADS, unseenOfJoint } from '@zephyrcombe/core';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { PrimaryButton, TextButton } from '../../design/Button.tsx';
import { ChoiceRow } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Fine, Line, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { useJob } from '../job/JobContext.ts';
import type { JointView } from '../job/jobView.ts';
import { Assumed } from './KnownText.tsx';

type Found = Pick<Port, 'thread' | 'gender' | 'seat' | 'depth_m'> & {
  readonly eyeThickness_m: number | null;
};

export function OpenedPort({ view }: { readonly view: JointView }) {
  const detail = useJob();
  const write = useWriter();
  const { joint, port } = view;
  // A depth that somebody vouches for stays; one that is only assumed is asked for.
  const unseen = unseenOfJoint(joint, port);
  const isDepthKnown = !unseen.includes('depth_m');
  const asksEye = unseen.includes('eyeThickness_m');
  const asksPort = unseen.some((fact) => fact !== 'eyeThickness_m');
  const [found, setFound] = useState<Found>({
    thread: port.thread,
    gender: port.gender,
    seat: port.seat,
    depth_m: isDepthKnown ? port.depth_m : null,
    eyeThickness_m: null,
  });
  const [isOther, setIsOther] = useState(false);
  const see = useJobAction('seePort', detail.job.id);
  const circuit = detail.circuits.map((one) => one.circuit).find(({ id }) => id === joint.circuitId);
  const put = (change: Partial<Found>) => setFound({ ...found, ...change });
  const differs = found.thread !== port.thread || found.gender !== port.gender || found.seat !== port.seat;
  return (
    <Sheet role="group" aria-label={`What the port of ${joint.name} shows`}>
      <SheetTitle>Open now: look into {joint.name}</SheetTitle>
      <Stack $gap={10}>
        <p>
          <Assumed>
            Not seen so far:{' '}
            {listOf(
              unseen.map((fact) => FACT_NAMES[fact]),
              'and',
            )}
          </Assumed>
        </p>
        <p>
          {port.thread}, {SEAT_NAMES[port.seat]}
          {port.depth_m === null ? '' : `, ${write.length(port.depth_m)} deep`}
          {joint.eyeThickness_m === null ? '' : `, an eye of ${write.length(joint.eyeThickness_m)}`}
        </p>
        {isOther ? (
          <>
            <Pick
              label="Thread that is there"
              value={found.thread}
              options={[
                ...(THREADS.some(({ designation }) => designation === found.thread)
                  ? []
                  : [{ value: found.thread, text: found.thread }]),
                ...THREADS.map(({ designation }) => ({ value: designation, text: designation })),
              ]}
              onChange={(thread) => put({ thread })}
            />
            <ChoiceRow<ThreadGender>
              label="Where its thread is"
              value={found.gender}
              options={THREAD_GENDERS.map((gender) => ({
                value: gender,
                text: gender === 'internal' ? 'inside the port' : 'outside',
              }))}
              onChange={(gender) => put({ gender })}
            />
            <Pick<Seat>
              label="Seat that is there"
              value={found.seat}
              options={SEATS.map((seat) => ({ value: seat, text: SEAT_NAMES[seat] }))}
              onChange={(seat) => put({ seat })}
            />
          </>
        ) : null}
        {found.gender === 'internal' && asksPort ? (
          <QuantityEntry
            label="Depth, measured; leave it empty where you did not"
            kind="length"
            value_SI={found.depth_m}
            onValue={(depth_m) => put({ depth_m })}
            mayBeEmpty
          />
        ) : null}
        {asksEye ? (
          <QuantityEntry
            label="Eye of the new hose, measured across its faces"
            kind="length"
            value_SI={found.eyeThickness_m}
            onValue={(eyeThickness_m) => put({ eyeThickness_m })}
            mayBeEmpty
          />
        ) : null}
        <SaveProblem save={see} />
        <PrimaryButton
          isPending={see.isPending}
          because={
            isOther && !differs
              ? 'Say what is there instead, or take it as it was assumed.'
              : asksEye && found.eyeThickness_m === null
                ? 'Measure the eye: how deep the bolt goes follows from it.'
                : null
          }
          onPress={() =>
            see.mutate({
              params: { jobId: detail.job.id, jointId: joint.id },
              body: { version: circuit?.version ?? 0, how: 'seen', ...found },
            })
          }
        >
          {isOther
            ? `It is ${found.thread}, ${SEAT_NAMES[found.seat]}`
            : asksPort
              ? 'I looked: it is as assumed'
              : 'I measured the eye'}
        </PrimaryButton>
        <Line>
          <TextButton onPress={() => setIsOther(!isOther)}>
            {isOther ? 'Back: it is as assumed' : 'Something else is there'}
          </TextButton>
        </Line>
        {isOther ? (
          <Fine>
            What rests on it opens again: hoses that were ordered for the other port are specified anew before
            they go on.
          </Fine>
        ) : null}
      </Stack>
    </Sheet>
  );
}
