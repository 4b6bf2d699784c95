/** Scale and line on the left, figures on the right: the same on the bench and in a job. */
import { problemText } from '@zephyrcombe/messages';
import { measureTracing, patternFrom } from '@zephyrcombe/core';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { Link } from 'react-router';
import type { History, HistoryAction } from '../../app/history.ts';
import { FigureTable } from '../../design/FigureTable.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useUndoKeys } from '../../app/useUndoKeys.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { ChoiceRow } from '../../design/fields.tsx';
import {
  Columns,
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
} from '../../design/layout.ts';
import { QuantityField } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { lineAddress, MOST_BENDS } from '../hard-line/lineState.ts';
import { LegAngleRow } from './LegAngleRow.tsx';
import type { ScaleKind, Target, TraceDraft } from './traceDraft.ts';
import { nextTarget, SCALE_POINTS, scalePoints, tracingOf, withPoint } from './traceDraft.ts';
import type { Picture } from './TracePicture.tsx';
import { TracePicture } from './TracePicture.tsx';

interface TraceBenchProps {
  readonly picture: Picture;
  readonly history: History<TraceDraft>;
  readonly dispatch: (action: HistoryAction<TraceDraft>) => void;
  readonly isDisabled?: boolean;
  /** Below the figures. */
  readonly children?: ReactNode;
}

export function TraceBench({ picture, history, dispatch, isDisabled = false, children }: TraceBenchProps) {
  const write = useWriter();
  const draft = history.now;
  const [chosen, setTarget] = useState<Target | null>(null);
  const wanted = nextTarget(draft);
  // The scale comes first; whoever goes back to it is done with it when it has its points.
  const target = wanted === 'scale' ? (chosen ?? 'scale') : 'line';
  useUndoKeys(
    () => dispatch({ type: 'undo' }),
    () => dispatch({ type: 'redo' }),
  );
  const change = (to: (now: TraceDraft) => TraceDraft, field?: string) => {
    if (!isDisabled) dispatch({ type: 'change', to, ...(field === undefined ? {} : { field }) });
  };
  const type = (part: Partial<TraceDraft>, field: string) => change((now) => ({ ...now, ...part }), field);
  const result = measureTracing(tracingOf(draft));
  const pattern = result.ok
    ? patternFrom(
        draft.points.map((point) => {
          const { x, y } = result.value.toPlane(point);
          return [x, y, 0] as const;
        }),
      )
    : null;
  const needed = SCALE_POINTS[draft.scaleKind] - scalePoints(draft).length;
  return (
    <Columns $left="1.6fr" $right="1fr">
      <Stack $gap={12}>
        <TracePicture
          picture={picture}
          draft={draft}
          target={target}
          onDraft={change}
          onRest={() => dispatch({ type: 'rest' })}
        />
        <Line>
          <PlainButton
            isQuiet
            because={history.past.length === 0 ? 'Nothing to undo.' : null}
            onPress={() => dispatch({ type: 'undo' })}
          >
            Undo
          </PlainButton>
          <PlainButton
            isQuiet
            because={history.future.length === 0 ? 'Nothing to redo.' : null}
            onPress={() => dispatch({ type: 'redo' })}
          >
            Redo
          </PlainButton>
          <TextButton
            onPress={() =>
              change((now) => withPoint(now, target, { x: picture.width_px / 2, y: picture.height_px / 2 }))
            }
          >
            set a point in the middle, to be moved by arrow keys
          </TextButton>
        </Line>
      </Stack>
      <Stack $gap={14}>
        <div aria-live="polite">
          <Label>Length of the line</Label>
          <Hero data-testid="traced-length">{result.ok ? write.length(result.value.length_m) : '–'}</Hero>
          {result.ok ? (
            <Spread>
              <Fine>sure to ±{write.length(result.value.uncertainty_m)}, in the plane of the scale</Fine>
              <Working of="traced length" result={result} />
            </Spread>
          ) : (
            <Fine>{problemText(result.problem, write)}</Fine>
          )}
        </div>
        <Sheet>
          <Stack $gap={12}>
            <ChoiceRow<ScaleKind>
              label="Scale"
              value={draft.scaleKind}
              options={[
                { value: 'even', text: 'two points' },
                { value: 'perspective', text: 'four corners' },
              ]}
              onChange={(scaleKind) => change((now) => ({ ...now, scaleKind }))}
            />
            <Fine>
              {needed > 0
                ? draft.scaleKind === 'even'
                  ? `Press on ${needed === 2 ? 'two points' : 'the second point'} whose distance you know.`
                  : `Press on the corners of a rectangle you know, one after the other round it: ${needed} to go. A sheet of paper beside the part will do.`
                : 'The scale is set; drag its points to move them.'}
            </Fine>
            {draft.scaleKind === 'even' ? (
              <QuantityField
                label="Distance between the two points"
                kind="length"
                text={draft.distance}
                onText={(distance) => type({ distance }, 'distance')}
              />
            ) : (
              <Line $gap={12} style={{ alignItems: 'start' }}>
                <div style={{ flex: '1 1 120px' }}>
                  <QuantityField
                    label="First side"
                    kind="length"
                    text={draft.width}
                    onText={(width) => type({ width }, 'width')}
                  />
                </div>
                <div style={{ flex: '1 1 120px' }}>
                  <QuantityField
                    label="Second side"
                    kind="length"
                    text={draft.height}
                    onText={(height) => type({ height }, 'height')}
                  />
                </div>
              </Line>
            )}
          </Stack>
        </Sheet>
        <Sheet>
          <Stack $gap={12}>
            <ChoiceRow<TraceDraft['line']>
              label="Line"
              value={draft.line}
              options={[
                { value: 'straight', text: 'straight legs' },
                { value: 'smooth', text: 'smooth curve' },
              ]}
              onChange={(line) => change((now) => ({ ...now, line }))}
            />
            <Fine>
              {draft.points.length === 0
                ? 'Then press along the hose, pipe or angle from end to end.'
                : draft.line === 'smooth'
                  ? 'Set a point wherever the bend changes.'
                  : 'Set a point at each bend.'}
            </Fine>
            <Line>
              {wanted === 'scale' ? (
                <TextButton onPress={() => setTarget(target === 'scale' ? 'line' : 'scale')}>
                  {target === 'scale' ? 'set the line first' : 'set the scale'}
                </TextButton>
              ) : null}
              {draft.points.length > 0 ? (
                <TextButton onPress={() => change((now) => ({ ...now, points: now.points.slice(0, -1) }))}>
                  remove the last point
                </TextButton>
              ) : null}
              {scalePoints(draft).length > 0 ? (
                <TextButton
                  onPress={() =>
                    change((now) => ({ ...now, [now.scaleKind === 'even' ? 'even' : 'corners']: [] }))
                  }
                >
                  set the scale anew
                </TextButton>
              ) : null}
            </Line>
          </Stack>
        </Sheet>
        {result.ok ? (
          <Sheet>
            <SheetTitle>Legs and bends</SheetTitle>
            <FigureTable>
              <thead>
                <tr>
                  <th scope="col">point</th>
                  <th scope="col">turns by</th>
                  <th scope="col">to the next</th>
                </tr>
              </thead>
              <tbody>
                {draft.points.map((_, index) => {
                  const turn_rad = result.value.turns_rad[index - 1];
                  const leg_m = result.value.legs_m[index];
                  return (
                    <tr key={index}>
                      <th scope="row">{index + 1}</th>
                      <td>{turn_rad === undefined ? '' : write.angle(turn_rad)}</td>
                      <td>{leg_m === undefined ? '' : write.length(leg_m)}</td>
                    </tr>
                  );
                })}
              </tbody>
            </FigureTable>
            <Rows>
              <Spread>
                <Label>between the two ends</Label>
                <Figure>{write.angle(result.value.betweenEnds_rad)}</Figure>
              </Spread>
              {result.value.tightest_m === null ? null : (
                <Spread>
                  <Label>tightest bend, about</Label>
                  <Figure>{write.length(result.value.tightest_m)}</Figure>
                </Spread>
              )}
            </Rows>
            {draft.line === 'straight' && result.value.legs_m.length > 1 ? (
              <LegAngleRow tracing={tracingOf(draft)} legs={result.value.legs_m.length} />
            ) : null}
            {pattern && draft.line === 'straight' && pattern.bends.length <= MOST_BENDS ? (
              <Link to={lineAddress(pattern.legs_m, pattern.bends, write.units)}>
                Make a hard line of these legs and bends
              </Link>
            ) : null}
            <Fine style={{ marginTop: 8 }}>
              What lies nearer to the camera than the scale comes out too long. A tape on the vehicle decides.
            </Fine>
          </Sheet>
        ) : null}
        {children}
      </Stack>
    </Columns>
  );
}
