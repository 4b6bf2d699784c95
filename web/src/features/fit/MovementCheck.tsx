/** While a hose moves: the least distance seen in every pose beside the one that its drawing expects, and its stripe. */
import type { FitFactSaid, HoseOfJob } from '@zephyrcombe/contract';
import { hoseOfJob, isClosed } from '@zephyrcombe/contract';
import type { Pose } from '@zephyrcombe/core';
import { judgeMovement, judgeStripe, POSES } from '@zephyrcombe/core';
import type { PlanStep } from '@zephyrcombe/core/plan';
import type { Writer } from '@zephyrcombe/messages';
import { POSE_NAMES } from '@zephyrcombe/messages';
import { factOf } from '@zephyrcombe/workshop';
import { useMemo } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton } from '../../design/Button.tsx';
import { Fine, Label, Line, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { Working } from '../../quantities/Working.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';
import { useKeptRoute } from '../route/job/HoseRoute.tsx';
import { useGapsByPose } from '../route/job/useWindow.ts';

const Poses = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 0 14px;
`;

type Moves = Extract<PlanStep, { kind: 'movement' }>;
type Send = (said: FitFactSaid) => void;

export function MovementCheck({ step, send }: { readonly step: Moves; readonly send: Send }) {
  const detail = useJob();
  const poses = POSES.filter((pose) => step.poses.includes(pose));
  return step.lines.flatMap((lineId) => {
    const own = hoseOfJob(detail, lineId);
    return own && poses.length > 0 ? [<Moving key={lineId} own={own} poses={poses} send={send} />] : [];
  });
}

interface MovingProps {
  readonly own: HoseOfJob;
  readonly poses: readonly Pose[];
  readonly send: Send;
}

const NONE: Partial<Record<Pose, number>> = {};
const EMPTY = { seen_m: {} as Partial<Record<Pose, number>>, turned_rad: null as number | null };

function Moving({ own: { fitted, hose }, poses, send }: MovingProps) {
  const detail = useJob();
  const { job, shop } = detail;
  const write = useWriter();
  const kept = factOf(detail, 'movementSeen', fitted.id);
  const stripe = factOf(detail, 'stripeTurned', fitted.id);
  const [draft, setDraft] = useDraft(`moving.${job.id}.${fitted.id}`, EMPTY);
  const expected = useExpected(fitted.id, hose.order_m);
  const seen = poses.flatMap((pose) => {
    const seen_m = draft.seen_m[pose] ?? kept?.poses.find((one) => one.pose === pose)?.seen_m;
    return seen_m === undefined ? [] : [{ pose, seen_m, expected_m: expected.gaps_m[pose] ?? null }];
  });
  const judged = judgeMovement({
    poses: seen,
    expected_m: expected.least_m,
    margin_m: shop.movementMargin_m,
  });
  const turned_rad = draft.turned_rad ?? stripe ?? null;
  const twist =
    turned_rad === null || hose.order_m === null
      ? null
      : judgeStripe({ turned_rad, free_m: hose.order_m, most_rad_per_m: shop.mostTwist_rad_per_m });
  const closed = isClosed(job) ? CLOSED : null;
  const worst = judged.ok ? judged.value.poses.find(({ verdict }) => VERDICT_WORDS[verdict] !== null) : null;
  return (
    <Sheet>
      <SheetTitle>{fitted.name}: seen while it moves</SheetTitle>
      <Stack $gap={10}>
        <Spread>
          <Label>least distance by its drawing</Label>
          {expected.isDrawn ? (
            <span>{expectedText(expected, (value_m) => write.length(value_m))}</span>
          ) : (
            <span>
              no route is drawn: <Link to={expected.link}>draw it</Link>
            </span>
          )}
        </Spread>
        <Fine>Least distance to anything, in every pose; 0 where it touches.</Fine>
        <Poses>
          {poses.map((pose) => (
            <QuantityEntry
              key={pose}
              label={`${POSE_NAMES[pose]}, seen${expectedIn(expected.gaps_m[pose], write)}`}
              value_SI={seen.find((one) => one.pose === pose)?.seen_m ?? null}
              allowZero
              mayBeEmpty
              onValue={(seen_m) => {
                const { [pose]: _before, ...others } = draft.seen_m;
                setDraft({ ...draft, seen_m: seen_m === null ? others : { ...others, [pose]: seen_m } });
              }}
            />
          ))}
        </Poses>
        {judged.ok && worst ? (
          <Fine role="alert">
            {POSE_NAMES[worst.pose as Pose]}: {VERDICT_WORDS[worst.verdict]}. Kept so, the length of this hose
            is open again in Measure.
          </Fine>
        ) : null}
        <PlainButton
          because={closed ?? (seen.length < poses.length ? 'Look in every pose first.' : null)}
          onPress={() =>
            send({
              kind: 'movementSeen',
              subjectId: fitted.id,
              // What the drawing has of it is worked out where it is kept.
              value: { poses: seen.map(({ pose, seen_m }) => ({ pose, seen_m })), expected_m: null },
            })
          }
        >
          {kept ? 'Keep what is seen now' : 'Keep what was seen'}
        </PlainButton>
        <Line style={{ alignItems: 'end' }}>
          <QuantityEntry
            label="Its stripe, turned from end to end"
            kind="angle"
            allowZero
            allowNegative
            value_SI={turned_rad}
            mayBeEmpty
            onValue={(value) => setDraft({ ...draft, turned_rad: value })}
          />
          <PlainButton
            because={
              closed ??
              (turned_rad === null ? 'Say how far its stripe is turned; 0° where it runs straight.' : null)
            }
            onPress={() =>
              turned_rad === null
                ? undefined
                : send({ kind: 'stripeTurned', subjectId: fitted.id, value: turned_rad })
            }
          >
            Keep the stripe
          </PlainButton>
        </Line>
        {twist?.ok ? (
          <Fine>
            {write.angle(twist.value)} in a metre <Working of="twist" result={twist} />
          </Fine>
        ) : null}
      </Stack>
    </Sheet>
  );
}

const VERDICT_WORDS = {
  touches: 'it touches',
  nearer: 'it comes nearer than its drawing has it',
  asDrawn: null,
  clear: null,
} as const;

const expectedIn = (gap_m: number | undefined, write: Writer): string =>
  gap_m === undefined ? '' : gap_m === 0 ? ' (drawn: touches)' : ` (drawn: ${write.length(gap_m)})`;

/** The least distances that the kept route has with this length. */
function useExpected(hoseId: string, order_m: number | null) {
  const { job } = useJob();
  const { scene, link, isKnown } = useKeptRoute(job.vehicleId, hoseId, job.id);
  const own = useMemo(
    () => (scene && order_m !== null ? { ...scene, hose: { ...scene.hose, length_m: order_m } } : null),
    [scene, order_m],
  );
  const found = useGapsByPose(own);
  const gaps_m = found ?? NONE;
  const all = Object.values(gaps_m);
  return {
    isDrawn: own !== null,
    isWorkedOut: isKnown && (own === null || found !== null),
    gaps_m,
    least_m: all.length > 0 ? Math.min(...all) : null,
    link,
  };
}

function expectedText(
  { isWorkedOut, least_m }: ReturnType<typeof useExpected>,
  length: (value_m: number) => string,
): string {
  if (!isWorkedOut) return 'is worked out …';
  if (least_m === null) return 'nothing is drawn near it';
  return least_m === 0 ? 'it touches by its drawing' : `${length(least_m)}, pose by pose below`;
}
