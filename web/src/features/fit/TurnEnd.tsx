/** An end of a new hose that is turned on the bench before it goes on: which one, how far, and whether it may be turned. */
import type { FitFactSaid } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import { factOf, fitNames, fitPlanOf } from '@zephyrcombe/workshop';
import { useState } from 'react';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { Tick } from '../../design/fields.tsx';
import { Beside, Spread, Stack } from '../../design/layout.ts';
import { Pick } from '../../design/Pick.tsx';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';

interface TurnEndProps {
  readonly lineId: string;
  readonly send: (said: FitFactSaid) => void;
}

const DEGREE = Math.PI / 180;
type End = 'A' | 'B';

export function TurnEnd({ lineId, send }: TurnEndProps) {
  const detail = useJob();
  const write = useWriter();
  const names = fitNames(detail);
  const line = fitPlanOf(detail).scope.lines.find(({ id }) => id === lineId);
  const turned = factOf(detail, 'turnEnd', lineId) ?? null;
  const [isAsking, setAsking] = useState(false);
  const [end, setEnd] = useState<End>('A');
  const [angle_rad, setAngle] = useState<number | null>(null);
  const [isFixed, setFixed] = useState(false);
  const closed = isClosed(detail.job) ? CLOSED : null;
  if (!line || line.action !== 'replace') return null;
  const at = (which: End) => `the end at the ${names(line[which].joint).toLowerCase()}`;
  if (turned)
    return (
      <Spread>
        <span>
          Turned on the bench: {at(turned.end)} by {write.angle(turned.angle_deg * DEGREE)}
          {turned.rotatable ? '' : ', which is crimped and cannot be turned'}
        </span>
        <TextButton
          because={closed}
          onPress={() => send({ kind: 'turnEnd', subjectId: lineId, value: null })}
        >
          not turned
        </TextButton>
      </Spread>
    );
  if (!isAsking)
    return (
      <TextButton because={closed} onPress={() => setAsking(true)}>
        an end has to be turned on the bench
      </TextButton>
    );
  return (
    <Stack $gap={8}>
      <Beside>
        <Pick
          label="Which end"
          value={end}
          options={(['A', 'B'] as const).map((value) => ({ value, text: at(value) }))}
          onChange={setEnd}
        />
        <QuantityEntry
          label="By how much, seen from the end"
          kind="angle"
          allowNegative
          value_SI={angle_rad}
          mayBeEmpty
          onValue={setAngle}
        />
      </Beside>
      <Tick isSelected={isFixed} onChange={setFixed}>
        It is crimped and cannot be turned
      </Tick>
      <PlainButton
        because={angle_rad === null ? 'Say by how much.' : null}
        onPress={() => {
          if (angle_rad === null) return;
          send({
            kind: 'turnEnd',
            subjectId: lineId,
            value: { end, angle_deg: Math.round((angle_rad / DEGREE) * 10) / 10, rotatable: !isFixed },
          });
          setAsking(false);
        }}
      >
        Add it to the plan
      </PlainButton>
    </Stack>
  );
}
