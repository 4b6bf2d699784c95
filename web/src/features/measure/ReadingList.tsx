import type { Reading } from '@zephyrcombe/contract';
import { isClosed, movementOfHose } from '@zephyrcombe/contract';
import { AID_NAMES, datumName, POSE_NAMES } from '@zephyrcombe/messages';
import { wrapAllowance } from '@zephyrcombe/core';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import {
  Figure,
  Fine,
  Label,
  Line,
  Rows,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
  Unseen,
} from '../../design/layout.ts';
import { useJob } from '../job/JobContext.ts';
import { Photos } from '../photos/Photos.tsx';

/** Every reading stays as evidence: a wrong one is struck out with a reason, not removed. */
export function ReadingList({ hoseId }: { readonly hoseId: string }) {
  const detail = useJob();
  const readings = detail.readings.filter((reading) => reading.hoseId === hoseId);
  const { travels } = movementOfHose(detail, hoseId);
  return (
    <Sheet>
      <SheetTitle>Readings</SheetTitle>
      {readings.length === 0 ? (
        <Fine>
          None yet. {travels ? 'Lift the wheel clear of the floor, lay' : 'Lay'} the tube along the route, and
          read it twice{travels ? ' at full droop' : ''}.
        </Fine>
      ) : (
        <Rows>
          {readings.map((reading) => (
            <ReadingRow key={reading.id} reading={reading} />
          ))}
        </Rows>
      )}
    </Sheet>
  );
}

function ReadingRow({ reading }: { readonly reading: Reading }) {
  const { job } = useJob();
  const write = useWriter();
  const strike = useJobAction('strikeReading', job.id);
  const [because, setBecause] = useState<string | null>(null);
  const { photos } = useJob();
  const struck = reading.struckBecause !== null;
  return (
    <Stack $gap={6}>
      <Spread>
        <span>
          <Figure $size="large" style={struck ? { textDecoration: 'line-through' } : {}}>
            {write.length(reading.length_m)}
          </Figure>{' '}
          <Label>
            {struck ? <Unseen>struck out </Unseen> : null}
            {POSE_NAMES[reading.pose].toLowerCase()}, {AID_NAMES[reading.aid].toLowerCase()}, typed “
            {reading.typed}” {datumName(reading.datum)}
            {reading.remainingTravel_m > 0
              ? `, ${write.length(reading.remainingTravel_m)} of travel left`
              : ''}
            {reading.wrap
              ? `, ${write.length(wrapAllowance(reading.wrap).allowance_m)} round the bolts off`
              : ''}
            {reading.uncertainty_m === null ? '' : `, sure to ${write.length(reading.uncertainty_m)}`}
          </Label>
        </span>
        <span>
          <Label>{reading.takenBy}</Label>{' '}
          {struck || isClosed(job) ? null : (
            <TextButton onPress={() => setBecause('')}>
              strike out<Unseen> {write.length(reading.length_m)}</Unseen>
            </TextButton>
          )}
        </span>
      </Spread>
      <Photos
        jobId={job.id}
        of={{
          subject: 'reading',
          subjectId: reading.id,
          name: `Reading of ${write.length(reading.length_m)}, ${POSE_NAMES[reading.pose].toLowerCase()}`,
        }}
        photos={photos}
        isDisabled={struck || isClosed(job)}
      />
      {struck ? <Fine>Struck out: {reading.struckBecause}</Fine> : null}
      {because === null || struck ? null : (
        <Stack $gap={8}>
          <TextField label="Why it does not count" value={because} onChange={setBecause} />
          <Line>
            <PlainButton
              isPending={strike.isPending}
              because={because.trim() === '' ? 'Say why.' : null}
              onPress={() =>
                strike.mutate({
                  params: { jobId: job.id, readingId: reading.id },
                  body: { because: because.trim() },
                })
              }
            >
              Strike it out
            </PlainButton>
            <PlainButton onPress={() => setBecause(null)}>Keep it</PlainButton>
          </Line>
        </Stack>
      )}
      <SaveProblem save={strike} />
    </Stack>
  );
}
