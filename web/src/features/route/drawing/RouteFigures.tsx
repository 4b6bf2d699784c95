/** What the route comes to, in large figures, with the pose that decides each. */
import type { Lying, RigPose, RouteProof, Scene } from '@zephyrcombe/core';
import { lyingOf, TAUT_RATIO } from '@zephyrcombe/core';
import { clockingConvention, problemText } from '@zephyrcombe/messages';
import type { ReactNode } from 'react';
import { memo } from 'react';
import { useWriter } from '../../../app/SessionContext.ts';
import {
  Figure,
  Fine,
  Hero,
  Label,
  Line,
  Rows,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
} from '../../../design/layout.ts';
import { Notice } from '../../../design/Notice.tsx';
import { ClockingView } from '../../../drawing/ClockingView.tsx';
import { Working } from '../../../quantities/Working.tsx';
import { Cautions } from '../../job/Cautions.tsx';
import type { RouteCurves, RouteFrame, ShownPose } from '../engine/compute.ts';
import { apartText, NEXT_STEP, poseText, REASON_WORDS, windowText } from '../words.ts';

/** Kept free for what the worker answers, so that nothing jumps when it does. */
const FIGURES_px = 744;

interface RouteFiguresProps {
  /** What the figures are of; null until they are known. */
  readonly scene: Scene | null;
  readonly frame: RouteFrame | null;
  readonly shown: ShownPose | null;
  readonly curves: RouteCurves | null;
  readonly curvesAreOld: boolean;
  /** The field of the length, which the hand is on: it does not wait for figures. */
  readonly children: ReactNode;
}

export function RouteFigures({ scene, frame, shown, curves, curvesAreOld, children }: RouteFiguresProps) {
  const write = useWriter();
  const proof = frame?.proof ?? null;
  return (
    <Stack $gap={14}>
      <Sheet style={{ minHeight: FIGURES_px }}>
        {children}
        {proof === null || scene === null ? (
          <Fine aria-live="polite">Working it out…</Fine>
        ) : proof.ok ? (
          <Proven
            scene={scene}
            proof={proof.value}
            curves={curvesAreOld && frame?.settled ? null : curves}
            curvesAreOld={curvesAreOld}
            shown={shown}
            working={<Working of="the route" result={proof} />}
          />
        ) : (
          <Notice severity="warn" title="This cannot be worked out" live>
            <p>{problemText(proof.problem, write)}</p>
          </Notice>
        )}
      </Sheet>
      {proof?.ok ? <Cautions cautions={proof.cautions} /> : null}
    </Stack>
  );
}

interface ProvenProps {
  readonly scene: Scene;
  readonly proof: RouteProof;
  readonly curves: RouteCurves | null;
  readonly curvesAreOld: boolean;
  readonly shown: ShownPose | null;
  readonly working: ReactNode;
}

function Proven({
  scene: { rig, hose, keepOuts },
  proof,
  curves,
  curvesAreOld,
  shown,
  working,
}: ProvenProps) {
  const write = useWriter();
  const where = (pose: RigPose) => poseText(rig, pose, write);
  const window = curves?.window;
  const part = proof.room && keepOuts[proof.room.keepOut];
  return (
    <>
      <SheetTitle as="h3" style={{ marginTop: 6 }}>
        {proof.holds ? 'Length window' : `Does not hold: ${REASON_WORDS[proof.reason]}`}
      </SheetTitle>
      <Hero data-window aria-busy={curvesAreOld} style={curvesAreOld ? { opacity: 0.5 } : {}}>
        {windowText(window, write)}
      </Hero>
      <Fine>
        {window
          ? `Shorter: ${window.shortBecause ? REASON_WORDS[window.shortBecause] : 'holds as far as was looked'}. Longer: ${window.longBecause ? REASON_WORDS[window.longBecause] : 'holds as far as was looked'}.`
          : window === null
            ? `At ${write.length(hose.length_m)} some pose does not hold; ${where(proof.pose)} decides. ${NEXT_STEP[proof.reason]}`
            : 'Every length is tried in all poses.'}{' '}
        {curves?.apart?.length ? `${apartText(curves.apart, window ?? null, write)} ` : null}
        An estimate from the figures below: the tape on the vehicle decides. {working}
      </Fine>
      <Rows style={{ marginTop: 8 }}>
        <Row
          name="tightest bend"
          value={proof.radius_m ? write.length(proof.radius_m.value) : 'none to show'}
          note={
            proof.radius_m
              ? `${where(proof.radius_m.pose)}; at least ${write.length(hose.leastRadius_m)}`
              : 'the hose is all but straight, or cannot reach'
          }
        />
        <Row
          name="straight distance / hose length"
          value={write.fraction(proof.chordRatio.value)}
          note={`${where(proof.chordRatio.pose)}; at most ${write.fraction(TAUT_RATIO)}`}
        />
        {proof.room && part ? (
          <Row
            name={`gap, ${part.name.charAt(0).toLowerCase()}${part.name.slice(1)}`}
            value={write.length(proof.room.gap_m)}
            note={`${where(proof.room.pose)}; at least ${write.length(proof.room.gap_m - proof.room.spare_m)}`}
          />
        ) : null}
        {proof.clocking_rad === null ? null : (
          <Clocked
            clocking_rad={proof.clocking_rad}
            start={lyingOf(hose.start)}
            end={lyingOf(hose.end)}
            turned_rad={proof.imposedTwist_rad ?? 0}
          />
        )}
        <Row
          name="no hose can be shorter than"
          value={write.length(proof.bound.length_m)}
          note={
            proof.bound.by === 'arcStraightArc'
              ? 'shortest way with its least bend radius; a bound, not a length to order'
              : 'by what its turns alone take, for its ends are near each other; a bound, not a length to order'
          }
        />
      </Rows>
      <Fine aria-live="off" style={{ marginTop: 8 }}>
        In this pose: {shown?.radius_m ? `bend ${write.length(shown.radius_m)}` : 'no bend to show'}
        {shown?.spare_m === null || shown === null ? '' : `, room to spare ${write.length(shown.spare_m)}`}.
      </Fine>
    </>
  );
}

interface RowProps {
  readonly name: string;
  readonly value: string;
  readonly note: string;
}

interface ClockedProps {
  readonly clocking_rad: number;
  readonly start: Lying;
  readonly end: Lying;
  readonly turned_rad: number;
}

/** As the order says and draws it; the first end of a route is end A. */
function Clocked({ clocking_rad, start, end, turned_rad }: ClockedProps) {
  const write = useWriter();
  return (
    <Line $gap={12} style={{ flexWrap: 'nowrap', alignItems: 'start' }}>
      <div style={{ flex: 1 }}>
        <Row
          name="clocking, untwisted"
          value={write.angle(clocking_rad)}
          note={`${clockingConvention(start, end)} (the first end); the movement turns it by ${write.angle(turned_rad)}`}
        />
      </div>
      <ClockingView clocking_rad={clocking_rad} endA={start} endB={end} perMm_px={2.2} />
    </Line>
  );
}

const Row = memo(function Row({ name, value, note }: RowProps) {
  return (
    <div>
      <Spread>
        <Label>{name}</Label>
        <Figure $size="large">{value}</Figure>
      </Spread>
      <Fine>{note}</Fine>
    </div>
  );
});
