/** A hose from the shelf or another vehicle against what the route needs, before anything is opened. */
import type {
  Calculated,
  Caution,
  DonorNeed,
  DonorVerdict,
  RouteProof,
  Scene,
  WrongEnd,
} from '@zephyrcombe/core';
import { EXAMPLE_BENDS_deg, END_FAMILIES, judgeDonor, THREADS } from '@zephyrcombe/core';
import type { Writer } from '@zephyrcombe/messages';
import { problemText } from '@zephyrcombe/messages';
import { useWriter } from '../../app/SessionContext.ts';
import { Pick } from '../../design/Pick.tsx';
import { Fine, Line, SheetTitle, Stack } from '../../design/layout.ts';
import { QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { poseText } from '../route/words.ts';
import type { Offer, OfferedEnd } from './donorState.ts';
import { endOf } from './donorState.ts';

export const FAMILY_WORDS = { banjo: 'banjo eye', threaded: 'threaded end' } as const;
const WRONG_WORDS: Readonly<Record<WrongEnd['why'], string>> = {
  family: 'is another kind of end',
  thread: 'has another thread',
  angle: 'is bent at another angle: its route changes, so check it on the vehicle',
};

interface DonorCheckProps {
  readonly need: DonorNeed | null;
  readonly offer: Offer;
  readonly onOffer: (offer: Offer) => void;
  /** Where a route is kept: how a hose of the offered length lies along it. */
  readonly along?: { readonly scene: Scene; readonly proof: Calculated<RouteProof> } | null;
}

export function DonorCheck({ need, offer, onOffer, along = null }: DonorCheckProps) {
  const write = useWriter();
  const typed = readQuantity(offer.length, 'length').quantity;
  const result =
    need && typed
      ? judgeDonor(need, {
          length_m: typed.value_SI,
          endA: endOf(offer.endA),
          endB: endOf(offer.endB),
        })
      : null;
  return (
    <Stack $gap={12}>
      <QuantityField
        label="Its length between the sealing points (eye centre or thread end)"
        kind="length"
        text={offer.length}
        onText={(length) => onOffer({ ...offer, length })}
        big
      />
      <EndPicks name="One end" end={offer.endA} onEnd={(endA) => onOffer({ ...offer, endA })} />
      <EndPicks name="Other end" end={offer.endB} onEnd={(endB) => onOffer({ ...offer, endB })} />
      <Stack $gap={8} aria-live="polite">
        {result?.ok ? (
          <>
            <SheetTitle as="h3">{verdictText(result.value, write)}</SheetTitle>
            {result.value.wrongEnds.map(({ end, why }) => (
              <Fine key={end}>
                The end that would go to {end === 'A' ? 'the first' : 'the far'} port {WRONG_WORDS[why]}.
              </Fine>
            ))}
            {result.value.turned ? <Fine>It goes on the other way round.</Fine> : null}
            <Fine>
              Look at its marking, date and condition as well.{' '}
              <Working of="the donor’s length" result={result} />
            </Fine>
            {along && !result.value.tooShort ? <Fine>{loopText(along, write)}</Fine> : null}
            <Cautions cautions={cautionsOf(result, along?.proof ?? null)} />
          </>
        ) : result ? (
          <Fine>{problemText(result.problem, write)}</Fine>
        ) : need ? null : (
          <Fine>What the route needs is not known yet: measure it first.</Fine>
        )}
      </Stack>
    </Stack>
  );
}

/** What the route says of this length stands for the bare word that nobody looked at full bump. */
function cautionsOf(
  { value, cautions }: Calculated<DonorVerdict>,
  proof: Calculated<RouteProof> | null,
): readonly Caution[] {
  if (proof === null || value.tooShort) return cautions;
  return [...cautions.filter(({ id }) => id !== 'M05'), ...proof.cautions];
}

/** Where its loop goes. */
function loopText({ scene, proof: { value } }: NonNullable<DonorCheckProps['along']>, write: Writer): string {
  const part = value.room && scene.keepOuts[value.room.keepOut];
  if (!value.room || !part) return 'No part to keep away from is entered on its route.';
  const near = `${part.name}, ${poseText(scene.rig, value.room.pose, write)}`;
  return value.room.gap_m < 0
    ? `By the route its loop runs into the ${near}.`
    : `By the route its loop comes nearest to the ${near}: ${write.length(value.room.gap_m)} between them.`;
}

function verdictText(verdict: DonorVerdict, write: Writer): string {
  const by = write.length(Math.abs(verdict.difference_m));
  // The stop below says by how much, the doubt in the longest pose counted in.
  if (verdict.tooShort) return verdict.difference_m < 0 ? 'Too short' : 'Not surely long enough';
  if (verdict.tooLong) return `Too long: ${by} more than is needed`;
  if (verdict.wrongEnds.length > 0) return 'Long enough, but an end is wrong';
  if (verdict.slackShort_m > 0.0005)
    return `Fits, with ${write.length(verdict.slackShort_m)} less slack than the shop adds`;
  return verdict.difference_m > 0.0005 ? `Fits, with ${by} more than is needed` : 'Fits';
}

interface EndPicksProps {
  readonly name: string;
  readonly end: OfferedEnd;
  readonly onEnd: (end: OfferedEnd) => void;
}

export function EndPicks({ name, end, onEnd }: EndPicksProps) {
  return (
    <Line $gap={10} style={{ alignItems: 'end' }}>
      <div style={{ flex: '1 1 130px' }}>
        <Pick
          label={name}
          value={end.family}
          options={END_FAMILIES.map((value) => ({ value, text: FAMILY_WORDS[value] }))}
          onChange={(family) => onEnd({ ...end, family })}
        />
      </div>
      <div style={{ flex: '1 1 90px' }}>
        <Pick
          label={`${name}, bend`}
          value={String(end.angle_deg)}
          options={EXAMPLE_BENDS_deg.map((value) => ({ value: String(value), text: `${value}°` }))}
          onChange={(text) => onEnd({ ...end, angle_deg: Number(text) })}
        />
      </div>
      <div style={{ flex: '1 1 110px' }}>
        <Pick
          label={`${name}, thread`}
          value={end.thread}
          options={[
            { value: '', text: 'not known' },
            ...THREADS.map(({ designation }) => ({ value: designation, text: designation })),
          ]}
          onChange={(thread) => onEnd({ ...end, thread })}
        />
      </div>
    </Line>
  );
}
