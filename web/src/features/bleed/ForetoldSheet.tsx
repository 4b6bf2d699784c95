/** What pumping and holding is expected to do to this circuit: strokes at each nipple, fluid, and the air that would stay. */
import type { JobDetail } from '@zephyrcombe/contract';
import { circuitOfPart, partsOf } from '@zephyrcombe/contract';
import {
  BLEED_ASSUMED_NAMES,
  BLEED_MISSING_NAMES,
  listOf,
  lowerFirst,
  vehicleWords,
} from '@zephyrcombe/messages';
import { isByStrokes } from '@zephyrcombe/core';
import { factOf, fitNames } from '@zephyrcombe/workshop';
import { useEffect, useRef, useState } from 'react';
import { useWriter } from '../../app/SessionContext.ts';
import { Fine, Label, Rows, Sheet, SheetTitle, Spread } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { useJob } from '../job/JobContext.ts';
import type { Foretold, SoFar } from './foretell.ts';
import { questionFor, soFarQuestion } from './foretell.ts';

interface ForetoldSheetProps {
  readonly detail: JobDetail;
  /** The one that is bled now: its circuit is simulated. */
  readonly nippleId: string;
  readonly order: readonly string[];
}

export function ForetoldSheet({ detail, nippleId, order }: ForetoldSheetProps) {
  const write = useWriter();
  const names = fitNames(detail);
  const { control } = vehicleWords(detail.vehicle, partsOf(detail));
  const question = questionFor(detail, nippleId, order);
  const asked = JSON.stringify(question);
  const told = useSimulated<Foretold>(asked);
  const left = useSimulated<SoFar | null>(JSON.stringify(soFarQuestion(detail, question)));
  if (asked === 'null') return null;
  if (isWithoutStrokes(detail, nippleId))
    return (
      <Sheet aria-label="What to expect here">
        <SheetTitle>What to expect here</SheetTitle>
        <Fine>
          Only strokes at the {control} are simulated: of this way nothing is foretold, and nothing is
          estimated. What comes out decides.
        </Fine>
      </Sheet>
    );
  return (
    <Sheet aria-label="What to expect here" aria-busy={told === null}>
      <SheetTitle>What to expect here</SheetTitle>
      {left === null ? null : <SoFarLine left={left} />}
      {told === null ? <Fine>The circuit is simulated …</Fine> : null}
      {told?.ok === false ? (
        <Fine>
          Not known, and so nothing is foretold:{' '}
          {listOf(
            told.missing.map((what) => BLEED_MISSING_NAMES[what]),
            'and',
          )}
          .
        </Fine>
      ) : null}
      {told?.ok === true ? (
        <>
          <Rows>
            {told.prediction.nipples.map(({ id, first, strokes, isClear, passed_m3 }) => (
              <Spread key={id}>
                <span>{names(id)}</span>
                <span>
                  {first > 0 ? `${first} until it flows, then ` : ''}
                  {isClear ? `about ${strokes} strokes` : `more than ${strokes} strokes`}
                  <Label>, {write.volume(passed_m3)}</Label>
                </span>
              </Spread>
            ))}
          </Rows>
          {told.prediction.nipples.length > 1 ? (
            <Fine>
              Fluid everywhere first, then nipple by nipple: air in one branch comes back into the others.
            </Fine>
          ) : null}
          <p>
            {write.volume(told.prediction.fluid_m3)} of fluid, what fills the reservoir included;{' '}
            {told.prediction.topUps === 1 ? '1 top-up' : `${told.prediction.topUps} top-ups`}.
          </p>
          {told.prediction.left.length > 0 ? (
            <Notice severity="warn" title="Air that pumping leaves here">
              <ul>
                {told.prediction.left.map(({ id, air_m3 }) => (
                  <li key={id}>
                    {names(id)}: about {write.volume(air_m3)}
                  </li>
                ))}
              </ul>
              <p>
                Bring the nipple to the top, or lift the part that it stands in; clear outflow says nothing of
                it.
              </p>
            </Notice>
          ) : null}
          <Fine>
            A simulation of {control} strokes with the nipple shut before each release, new lines dry and the
            rest full; no measurement and no specification. Assumed:{' '}
            {listOf(
              told.assumed.map((what) => BLEED_ASSUMED_NAMES[what]),
              'and',
            )}
            . What comes out decides.
          </Fine>
        </>
      ) : null}
    </Sheet>
  );
}

/** What is probably still inside, by what was done and seen. */
function SoFarLine({ left: { least_m3, probable_m3, most_m3, where, isPulled } }: { readonly left: SoFar }) {
  const detail = useJob();
  const write = useWriter();
  const names = fitNames(detail);
  const places = where
    .filter(({ share }) => share >= WORTH_TELLING)
    .slice(0, 2)
    .map(({ id }) => lowerFirst(names(id)));
  return (
    <div role="status">
      <p>
        {most_m3 < NOTHING_m3
          ? 'By the strokes so far no air is left that a simulation knows of.'
          : `Air still inside, by the strokes so far and by what was seen: probably about ${write.volume(probable_m3)}, in nine cases of ten between ${write.volume(least_m3)} and ${write.volume(most_m3)}${places.length > 0 ? `; most of it in ${listOf(places, 'and')}` : ''}.`}
      </p>
      <Fine>
        {isPulled
          ? 'An estimate, put right by the soft and the firm pull at the lever.'
          : 'An estimate and wide: a soft and a firm pull at the lever make it narrow.'}
      </Fine>
    </div>
  );
}
/** Less than anybody feels at a lever. */
const NOTHING_m3 = 4.5e-8;
/** Of all that is left. */
const WORTH_TELLING = 0.2;

/** Null as long as it is worked out, and where nothing is asked. One worker as long as the sheet is there. */
function useSimulated<Answer>(asked: string): Answer | null {
  const [answered, setAnswered] = useState<{ readonly asked: string; readonly told: Answer } | null>(null);
  const worker = useRef<Worker | null>(null);
  useEffect(() => {
    const own = new Worker(new URL('./foretell.worker.ts', import.meta.url), { type: 'module' });
    own.onmessage = ({ data }: MessageEvent<{ readonly asked: string; readonly told: Answer }>) =>
      setAnswered(data);
    worker.current = own;
    return () => own.terminate();
  }, []);
  useEffect(() => {
    if (asked !== 'null') worker.current?.postMessage(asked);
  }, [asked]);
  return answered?.asked === asked ? answered.told : null;
}

/** Its circuit is bled by a way that has no strokes. */
function isWithoutStrokes(detail: JobDetail, nippleId: string): boolean {
  const way = factOf(detail, 'bleedWay', circuitOfPart(detail, nippleId)?.circuit.id ?? '');
  return way ? !isByStrokes(way.method) : false;
}
