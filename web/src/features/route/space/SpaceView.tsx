/** The corner in the round: turned by pointer, fingers or keys, and it moves with the pose. Loaded when it is asked for. */
import type { KeyboardEvent } from 'react';
import { useCallback, useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { useLatest } from '../../../app/useLatest.ts';
import { PlainButton } from '../../../design/Button.tsx';
import { Fine, Line, Stack } from '../../../design/layout.ts';
import { Notice } from '../../../design/Notice.tsx';
import { colourNow, useSheetChanges } from '../../../design/sheetColours.ts';
import { colour, SIZE } from '../../../design/tokens.ts';
import type { Bounds } from '../drawing/projection.ts';
import type { Look, SpaceColours, SpaceContent } from './SpaceDrawing.ts';
import { SpaceDrawing } from './SpaceDrawing.ts';

const Canvas = styled.canvas`
  display: block;
  background: ${colour('sheet')};
  outline: 1px solid ${colour('hairline')};
  outline-offset: -1px;
  cursor: grab;
  touch-action: none;
  &:focus-visible {
    outline: 2px solid ${colour('action')};
  }
`;

const Place = styled.div`
  position: relative;
  overflow: hidden;
  span {
    position: absolute;
    left: 6px;
    top: -8px;
    font-size: ${SIZE.fine};
    color: ${colour('inkSoft')};
    pointer-events: none;
  }
`;

const LOOK_NAMES: Readonly<Record<Look, string>> = {
  quarter: 'from the corner',
  side: 'from the side',
  front: 'from the front',
  top: 'from above',
};

const TURN_rad = Math.PI / 24;
const NEARER = 1.15;
const KEYS: Readonly<Record<string, readonly [number, number, number]>> = {
  ArrowLeft: [-TURN_rad, 0, 1],
  ArrowRight: [TURN_rad, 0, 1],
  ArrowUp: [0, TURN_rad, 1],
  ArrowDown: [0, -TURN_rad, 1],
  '+': [0, 0, NEARER],
  '=': [0, 0, NEARER],
  '-': [0, 0, 1 / NEARER],
};

const coloursNow = (): SpaceColours => ({
  hose: colourNow('brass'),
  sweep: colourNow('brassLight'),
  fitting: colourNow('ink'),
  sleeve: colourNow('inkSoft'),
  hot: colourNow('danger'),
  moving: colourNow('inkSoft'),
  still: colourNow('hairline'),
  service: colourNow('action'),
  tight: colourNow('caution'),
});

interface SpaceViewProps extends SpaceContent {
  readonly bounds: Bounds;
  readonly width_px: number;
  readonly height_px: number;
  readonly said: string;
}

export function SpaceView({ bounds, width_px, height_px, said, ...content }: SpaceViewProps) {
  const ahead = useRef<HTMLSpanElement>(null);
  const [drawing, setDrawing] = useState<SpaceDrawing | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const sheet = useSheetChanges();
  const canvas = useCallback((element: HTMLCanvasElement) => {
    let own: SpaceDrawing;
    try {
      own = new SpaceDrawing(element, coloursNow(), (frames, x, y) => {
        element.dataset.frames = String(frames);
        if (ahead.current) ahead.current.style.translate = `${x.toFixed(0)}px ${y.toFixed(0)}px`;
      });
    } catch (reason) {
      setFailed(reason instanceof Error ? reason.message : String(reason));
      return undefined;
    }
    setDrawing(own);
    return () => own.dispose();
  }, []);
  useEffect(() => drawing?.resize(width_px, height_px), [drawing, width_px, height_px]);
  // Only a new drawing is looked at anew: what was turned stays turned when the hose changes.
  const lookAtAll = useLatest((own: SpaceDrawing | null) => own?.lookFrom('quarter', bounds));
  useEffect(() => lookAtAll(drawing), [drawing, lookAtAll]);
  const { rig, hose, keepOuts, pose, frame, shown } = content;
  useEffect(
    () => drawing?.show({ rig, hose, keepOuts, pose, frame, shown }),
    [drawing, rig, hose, keepOuts, pose, frame, shown],
  );

  const press = (event: KeyboardEvent) => {
    const by = KEYS[event.key];
    if (!by) return;
    event.preventDefault();
    drawing?.turn(...by);
  };

  return (
    <Stack $gap={10}>
      {failed === null ? (
        <>
          <Place>
            <Canvas
              key={sheet}
              ref={canvas}
              style={{ width: width_px, height: height_px }}
              tabIndex={0}
              role="img"
              aria-label={`In the round: ${said}. Arrow keys turn it, plus and minus bring it nearer and farther; the same in figures below.`}
              onKeyDown={press}
            />
            <span ref={ahead} aria-hidden="true">
              forward
            </span>
          </Place>
          <Line $gap={8}>
            {(Object.keys(LOOK_NAMES) as Look[]).map((look) => (
              <PlainButton key={look} onPress={() => drawing?.lookFrom(look, bounds)}>
                {LOOK_NAMES[look]}
              </PlainButton>
            ))}
            <Fine>Drag to turn, wheel or two fingers for nearer, right button to shift.</Fine>
          </Line>
        </>
      ) : (
        <Notice severity="note" title="This browser does not draw in three dimensions">
          <p>The three views and the figures below say the same. ({failed})</p>
        </Notice>
      )}
    </Stack>
  );
}
