/** The route bench: three views to scale, the movement, the figures that decide, and the length with its window. */
import type { Corner, CornerHose, FoundFitting, RigPose, Scene, SceneHose } from '@zephyrcombe/core';
import { sceneOf } from '@zephyrcombe/core';
import { lazy, memo, Suspense, useCallback, useDeferredValue, useMemo, useState } from 'react';
import styled from 'styled-components';
import { useAddress } from '../../../app/useAddress.ts';
import { useLatest } from '../../../app/useLatest.ts';
import { useUndoKeys } from '../../../app/useUndoKeys.ts';
import { useWriter } from '../../../app/SessionContext.ts';
import { ChoiceRow as AnyChoiceRow } from '../../../design/fields.tsx';
import { Columns, Fine, Line, Sheet, SheetTitle, Stack } from '../../../design/layout.ts';
import { Notice } from '../../../design/Notice.tsx';
import { useWidth } from '../../../drawing/useWidth.ts';
import { QuantityEntry } from '../../../quantities/QuantityEntry.tsx';
import type { MapFigure, RouteAction, RouteState } from './benchState.ts';
import { MAP_FIGURES, withHose } from './benchState.ts';
import type { RouteFrame } from '../engine/compute.ts';
import { RouteComputer } from '../engine/compute.ts';
import { ChordCheckSheet } from '../job/ChordCheckSheet.tsx';
import { Comparison } from '../finder/Comparison.tsx';
import { FittingFinder } from '../finder/FittingFinder.tsx';
import { handlesOf } from '../drawing/handles.ts';
import { LengthCurves } from '../drawing/LengthCurves.tsx';
import { PoseMap } from '../drawing/PoseMap.tsx';
import type { Bounds, Projection } from '../drawing/projection.ts';
import { arrange, boundsOf, holds, projection } from '../drawing/projection.ts';
import { RouteFigures } from '../drawing/RouteFigures.tsx';
import { RouteView as AnyRouteView } from '../drawing/RouteView.tsx';
import { SceneEditor } from '../editor/SceneEditor.tsx';
import { Scrub as AnyScrub } from '../drawing/Scrub.tsx';
import { SpaceWords } from '../space/SpaceWords.tsx';
import { useReading } from '../../../app/useReading.ts';
import { useResting } from '../engine/useResting.ts';
import { useRoute } from '../engine/useRoute.ts';
import { poseText } from '../words.ts';

const DRAWN = [
  { value: 'views', text: 'three views' },
  { value: 'round', text: 'in the round' },
] as const;
const MAP_NAMES: Readonly<Record<MapFigure, string>> = { radius: 'bend', room: 'room', slack: 'slack' };
const MAPS = MAP_FIGURES.map((value) => ({ value, text: MAP_NAMES[value] }));

/** In a row, or side beside front, top under side, and in the free corner the map of the poses. */
const Views = styled.div<{ $columns: string }>`
  display: grid;
  grid-template-columns: ${({ $columns }) => $columns};
  gap: 8px;
  justify-content: start;
  user-select: none;
`;

const GAP_px = 8;
const MOST_HEIGHT_px = 480;
const LEAST_MAP_px = 150;
/** Kept free for what the worker answers, so that nothing jumps when it does. */
const CURVES_px = 326;
const ROW_MAP_px = { width: 330, height: 172 } as const;

const SPACE_px = 470;

/** The drawing library comes only to whoever asks for it. */
const SpaceView = lazy(async () => ({ default: (await import('../space/SpaceView.tsx')).SpaceView }));

const Editor = memo(SceneEditor);
const RouteView = memo(AnyRouteView);
const Figures = memo(RouteFigures);
const Poses = memo(PoseMap);
const Scrub = memo(AnyScrub);
const ChoiceRow = memo(AnyChoiceRow) as typeof AnyChoiceRow;
const Finder = memo(FittingFinder);
const Chords = memo(ChordCheckSheet);
const Compared = memo(Comparison);

interface RouteBenchProps {
  readonly state: RouteState;
  readonly dispatch: (action: RouteAction) => void;
  readonly onHand?: ((found: FoundFitting) => void) | null;
}

export function RouteBench({ state, dispatch, onHand = null }: RouteBenchProps) {
  const write = useWriter();
  const { corner, hoseId, pose } = state;
  const scene = useMemo(() => sceneOf(corner, hoseId), [corner, hoseId]);
  const hose = corner.hoses.find(({ id }) => id === hoseId);
  if (!scene || !hose) throw new Error('a bench without a hose');
  const answers = useRoute(scene, pose, hoseId);
  const { frame, shown, problem } = answers;
  // The drawing follows the hand at once; the figures as soon as it is drawn, the tables when the hand rests.
  const calm = useDeferredValue(answers);
  const resting = useResting(state);
  const lineNow = useReading(shown?.line ?? null);
  const drawnHose = useDrawn(hose);
  const [map, setMap] = useState<MapFigure>('radius');
  const [laidAside, setAside] = useState<CornerHose | null>(null);
  // What was laid aside belongs to its hose.
  const aside = laidAside?.id === hose.id ? laidAside : null;
  const asideLine = useAsideLine(scene, aside, pose);
  const [ref, width_px] = useWidth<HTMLDivElement>(840);
  const bounds = useBounds(corner, hose, frame);
  // So do the search for ends and the comparison.
  const restingScene = useMemo(() => sceneOf(resting.corner, resting.hoseId), [resting]);
  const restingHose = resting.corner.hoses.find(({ id }) => id === resting.hoseId) ?? hose;
  const calmWindow = calm.curvesAreOld ? undefined : calm.curves?.window;
  const onHose = useLatest((next: CornerHose, field: string) =>
    dispatch({ type: 'change', corner: withHose(state, () => next), field: `${hoseId} ${field}` }),
  );
  // What is taken hold of was drawn before the length changed.
  const onHeld = useLatest((next: CornerHose, field: string) =>
    onHose({ ...next, length_m: hose.length_m }, field),
  );
  const hand = useLatest((found: FoundFitting) => onHand?.(found));
  const onLook = useLatest((found: SceneHose) =>
    onHose({ ...hose, ...found }, `found ${JSON.stringify(found.end.outward)}`),
  );
  const onMend = useLatest((mended: Scene) =>
    dispatch({
      type: 'change',
      corner: {
        ...withHose(state, (now) => ({ ...now, ...mended.hose })),
        rig: mended.rig,
      },
      field: `mended ${JSON.stringify(mended.rig)}`,
    }),
  );
  const onSwap = useLatest(() => {
    if (!aside) return;
    onHose({ ...aside, id: hose.id, name: hose.name }, `swap ${aside.length_m} ${hose.length_m}`);
    setAside(hose);
  });
  const onPose = useCallback((next: RigPose) => dispatch({ type: 'pose', pose: next }), [dispatch]);
  const onRest = useCallback(() => dispatch({ type: 'rest' }), [dispatch]);
  const onLength = useLatest((length_m: number) => onHose({ ...hose, length_m }, 'length'));
  // What was typed and what was dragged after it are two steps back.
  const onTyped = useLatest((length_m: number) => onHose({ ...hose, length_m }, 'length typed'));
  // On a drag it reads along with the figures: by itself it would have the whole bench drawn once more for each step.
  const calmLength_m = state.inHand && calm.scene ? calm.scene.hose.length_m : hose.length_m;
  const lengthField = useMemo(
    () => (
      <QuantityEntry
        label="Length, port to port"
        kind="length"
        value_SI={calmLength_m}
        onValue={(value) => {
          if (value !== null) onTyped(value);
        }}
      />
    ),
    [calmLength_m, onTyped],
  );
  useUndoKeys(
    () => dispatch({ type: 'undo' }),
    () => dispatch({ type: 'redo' }),
  );

  const { inRow, perMetre_px } = arrange(bounds, width_px - 2 * GAP_px - 2, MOST_HEIGHT_px);
  const [side, front, top] = useMemo(
    () =>
      (['side', 'front', 'top'] as const).map((view) => projection(view, bounds, perMetre_px)) as [
        Projection,
        Projection,
        Projection,
      ],
    [bounds, perMetre_px],
  );
  const [text, setAddress] = useAddress();
  const inTheRound = text('as') === 'round';
  const onDrawn = useLatest((as: 'views' | 'round') => setAddress({ as: as === 'round' ? as : '' }));
  const isUnderTop = inRow && side.height_px - top.height_px >= LEAST_MAP_px;
  const viewProps = {
    rig: corner.rig,
    hose: drawnHose,
    keepOuts: corner.keepOuts,
    pose,
    frame,
    shown,
    asideLine,
    onHose: onHeld,
    onRest,
  };
  const calmShown = calm.shown;
  const said = [
    poseText(corner.rig, pose, write),
    calmShown?.radius_m ? `bend ${write.length(calmShown.radius_m)}` : 'no bend to show',
    calmShown?.spare_m === null || calmShown === null
      ? ''
      : `room to spare ${write.length(calmShown.spare_m)}`,
  ]
    .filter((part) => part !== '')
    .join(', ');

  const poseMap = (wide_px: number, high_px: number) =>
    calm.frame ? (
      <Poses
        figures={calm.frame.figures}
        columns={calm.frame.columns}
        figure={map}
        leastRadius_m={hose.leastRadius_m}
        pose={pose}
        width_px={wide_px}
        height_px={high_px}
        said={said}
        onPose={onPose}
      />
    ) : (
      <div style={{ width: wide_px, height: high_px }} />
    );

  return (
    <Stack $gap={18}>
      <Columns $right="350px">
        <div ref={ref}>
          <Stack $gap={10}>
            <ChoiceRow<'views' | 'round'>
              label="Drawn"
              value={inTheRound ? 'round' : 'views'}
              options={DRAWN}
              onChange={onDrawn}
            />
            {inTheRound ? (
              <Suspense fallback={<div style={{ height: SPACE_px }}>Fetching the view in the round…</div>}>
                <SpaceView
                  {...viewProps}
                  bounds={bounds}
                  width_px={width_px}
                  height_px={Math.min(SPACE_px, width_px)}
                  said={said}
                />
              </Suspense>
            ) : (
              <Views
                $columns={[side, front, ...(inRow ? [top] : [])]
                  .map((view) => `${view.width_px}px`)
                  .join(' ')}
              >
                <RouteView projection={side} {...viewProps} />
                <RouteView projection={front} {...viewProps} />
                {isUnderTop ? (
                  <Stack $gap={GAP_px}>
                    <RouteView projection={top} {...viewProps} />
                    {poseMap(top.width_px, side.height_px - top.height_px - GAP_px)}
                  </Stack>
                ) : (
                  <RouteView projection={top} {...viewProps} />
                )}
                {inRow ? null : poseMap(front.width_px, top.height_px)}
              </Views>
            )}
            <Line $gap={22} style={{ alignItems: 'start' }}>
              {inTheRound || (inRow && !isUnderTop) ? poseMap(ROW_MAP_px.width, ROW_MAP_px.height) : null}
              <Stack $gap={10} style={{ flex: '1 1 300px' }}>
                <Scrub rig={corner.rig} pose={pose} onPose={onPose} />
                <ChoiceRow<MapFigure> label="The map shows" value={map} options={MAPS} onChange={setMap} />
              </Stack>
            </Line>
            <Fine>
              The map: steering or roll across, suspension from droop down to bump; darker is nearer the
              limit, × over it, ○ the worst. Red: hot.{' '}
              {inTheRound
                ? 'Clips and ends are moved in the three views.'
                : 'Squares grip, rings are guides, dots are the way the hose passes: all can be taken hold of, with the pointer or the arrow keys. Thick and dark on the hose: a stiffener; grey over it: a sleeve.'}
            </Fine>
            {inTheRound ? (
              <SpaceWords
                rig={corner.rig}
                hose={drawnHose}
                keepOuts={corner.keepOuts}
                pose={pose}
                shown={calmShown}
              />
            ) : null}
          </Stack>
        </div>
        <Stack $gap={14}>
          {problem ? (
            <Notice severity="warn" title="The route cannot be worked out in this browser" live>
              <p>{problem}</p>
            </Notice>
          ) : null}
          <Figures
            scene={calm.scene}
            frame={calm.frame}
            shown={calm.shown}
            curves={calm.curves}
            curvesAreOld={calm.curvesAreOld}
          >
            {lengthField}
          </Figures>
          <Sheet style={{ minHeight: CURVES_px }}>
            <SheetTitle>Against the length of the hose</SheetTitle>
            {calm.curves ? (
              <LengthCurves
                curves={calm.curves}
                length_m={hose.length_m}
                drawn_m={state.inHand && answers.scene ? answers.scene.hose.length_m : hose.length_m}
                leastRadius_m={hose.leastRadius_m}
                onLength={onLength}
                onRest={onRest}
              />
            ) : null}
          </Sheet>
        </Stack>
      </Columns>
      {restingScene ? (
        <>
          <Finder scene={restingScene} onLook={onLook} canHand={onHand !== null} onHand={hand} />
          <Chords key={hoseId} scene={restingScene} pose={pose} onMend={onMend} />
          <Compared
            scene={restingScene}
            hose={restingHose}
            frame={aside ? calm.frame : null}
            window={aside ? calmWindow : undefined}
            aside={aside}
            onAside={setAside}
            onSwap={onSwap}
          />
        </>
      ) : null}
      <Editor state={resting} dispatch={dispatch} lineNow={lineNow} />
    </Stack>
  );
}

/** The hose as its drawing needs it: the same while only its length changes, which is drawn from what the worker says. */
function useDrawn(hose: CornerHose): CornerHose {
  const [drawn, setDrawn] = useState(hose);
  const keys = Object.keys({ ...drawn, ...hose }) as (keyof CornerHose)[];
  if (keys.every((key) => key === 'length_m' || drawn[key] === hose[key])) return drawn;
  setDrawn(hose);
  return hose;
}

/** The candidate that was laid aside, in the pose that is looked at. */
function useAsideLine(
  { rig, keepOuts }: Scene,
  aside: CornerHose | null,
  pose: RigPose,
): Float32Array | null {
  const computer = useMemo(() => {
    if (aside === null) return null;
    const own = new RouteComputer();
    own.frame({ rig, keepOuts, hose: aside }, { across: 0, down: 0 }, false);
    return own;
  }, [rig, keepOuts, aside]);
  return useMemo(() => computer?.shown(pose)?.line ?? null, [computer, pose]);
}

/** Round everything as it was last settled: while something is dragged the paper does not move under the hand. */
function useBounds(corner: Corner, hose: CornerHose, frame: RouteFrame | null): Bounds {
  const [kept, setKept] = useState<{ readonly frame: RouteFrame | null; readonly bounds: Bounds }>(() => ({
    frame: null,
    bounds: around(corner, hose, firstLines(corner, hose.id)),
  }));
  if (frame?.settled && frame !== kept.frame) {
    const bounds = around(corner, hose, [frame.sweep]);
    // What was there before the first answer stays while it holds everything: nothing jumps when a page appears.
    setKept({ frame, bounds: kept.frame === null && holds(kept.bounds, bounds) ? kept.bounds : bounds });
  }
  return kept.bounds;
}

/** The corners of the movement, solved at once: a handful of poses takes no longer than drawing them. */
function firstLines(corner: Corner, hoseId: string): readonly Float32Array[] {
  const computer = new RouteComputer();
  const scene = sceneOf(corner, hoseId);
  return scene ? computer.corners(scene) : [];
}

function around(corner: Corner, hose: CornerHose, lines: readonly Float32Array[]): Bounds {
  const handles = handlesOf(corner.rig, hose, { across: 0, down: 0 });
  const points = handles.map(({ at_m }) => at_m);
  for (const line of lines)
    for (let at = 0; at + 2 < line.length; at += 3)
      points.push([line[at] ?? 0, line[at + 1] ?? 0, line[at + 2] ?? 0]);
  return boundsOf(points);
}
