/** How a circuit is bled: the way, what is done in it, and what stands against it. */
import type { Circuit, FitFactSaid } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import {
  BLEED_METHOD_NAMES,
  LID_NAMES,
  METHOD_LIMITS,
  methodScript,
  RELEASE_NAMES,
  vehicleWords,
} from '@zephyrcombe/messages';
import { BLEED_METHODS, isByStrokes, LEVER_RELEASES, LIDS } from '@zephyrcombe/core';
import type { BleedMethod, BleedWay } from '@zephyrcombe/core';
import { absCautionsOf, factOf, wayCautions } from '@zephyrcombe/workshop';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { PlainButton } from '../../design/Button.tsx';
import { Beside, Fine, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { Pick } from '../../design/Pick.tsx';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';

const UNSAID = { value: '', text: 'nobody has said' } as const;

export function WaySheet({ circuit }: { readonly circuit: Circuit }) {
  const detail = useJob();
  const { job } = detail;
  const { control } = vehicleWords(detail.vehicle, circuit);
  const save = useJobAction('sayFitFact', job.id);
  const send = (said: FitFactSaid) => save.mutate({ params: { jobId: job.id }, body: { id: newId(), said } });
  const way = factOf(detail, 'bleedWay', circuit.id) ?? null;
  const isShut = isClosed(job);
  const put = (change: Partial<BleedWay> & { readonly method: BleedMethod }) => {
    const { pressure_Pa, releases, lid } = way ?? { pressure_Pa: null, releases: null, lid: null };
    send({
      kind: 'bleedWay',
      subjectId: circuit.id,
      value: { pressure_Pa, releases, lid, ...change },
    });
  };
  const isCycled = (factOf(detail, 'absCycled', circuit.id) ?? null) !== null;
  return (
    <Sheet aria-label={`How it is bled: ${circuit.name}`}>
      <SheetTitle>How it is bled</SheetTitle>
      <Stack $gap={10}>
        <Pick
          label="Way"
          value={way?.method ?? ''}
          options={[
            ...(way === null ? [UNSAID] : []),
            ...BLEED_METHODS.map((method) => ({ value: method, text: BLEED_METHOD_NAMES[method] })),
          ]}
          isDisabled={isShut}
          onChange={(method) => (method === '' ? undefined : put({ method }))}
        />
        {way === null ? null : (
          <>
            {way.method === 'pressure' ? (
              <QuantityEntry
                label="Pressure at the reservoir"
                kind="pressure"
                value_SI={way.pressure_Pa}
                mayBeEmpty
                onValue={(pressure_Pa) => put({ method: way.method, pressure_Pa })}
              />
            ) : null}
            {isByStrokes(way.method) ? (
              <Beside>
                <Pick
                  label={`The ${control} comes back`}
                  value={way.releases ?? ''}
                  options={[
                    UNSAID,
                    ...LEVER_RELEASES.map((value) => ({ value, text: RELEASE_NAMES[value] })),
                  ]}
                  isDisabled={isShut}
                  onChange={(releases) =>
                    put({ method: way.method, releases: releases === '' ? null : releases })
                  }
                />
                <Pick
                  label="Lid of the reservoir"
                  value={way.lid ?? ''}
                  options={[UNSAID, ...LIDS.map((value) => ({ value, text: LID_NAMES[value] }))]}
                  isDisabled={isShut}
                  onChange={(lid) => put({ method: way.method, lid: lid === '' ? null : lid })}
                />
              </Beside>
            ) : null}
            <ol>
              {methodScript(way.method, control).map((step, at) => (
                <li key={step}>
                  {at + 1}. {step}
                </li>
              ))}
            </ol>
            <Fine>{METHOD_LIMITS[way.method]}</Fine>
          </>
        )}
        <Cautions cautions={wayCautions(detail, circuit)} />
        <Cautions cautions={absCautionsOf(detail, circuit)} />
        {circuit.components.some(({ kind }) => kind === 'absUnit') ? (
          <PlainButton
            because={isShut ? CLOSED : null}
            aria-pressed={isCycled}
            onPress={() =>
              // Said again it is a later one: what ran dry since the last is behind it.
              send({ kind: 'absCycled', subjectId: circuit.id, value: {} })
            }
          >
            {isCycled ? 'Its ABS unit was cycled once more, just now' : 'Its ABS unit was cycled just now'}
          </PlainButton>
        ) : null}
        <SaveProblem save={save} />
      </Stack>
    </Sheet>
  );
}
