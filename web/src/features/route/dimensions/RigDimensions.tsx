/** What a tape reads on the vehicle, typed where it is measured: on a drawing of the rig, to scale, that follows. */
import type { Corner, CornerHose } from '@zephyrcombe/core';
import { memo, useState } from 'react';
import { useWriter } from '../../../app/SessionContext.ts';
import { Fine, Line, Sheet, SheetTitle, Stack } from '../../../design/layout.ts';
import { useWidth } from '../../../drawing/useWidth.ts';
import { QuantityEntry } from '../../../quantities/QuantityEntry.tsx';
import type { Bounds } from '../drawing/projection.ts';
import { boundsOf } from '../drawing/projection.ts';
import { replaced } from '../drawing/placing.ts';
import type { PointRow } from '../editor/sceneRows.ts';
import { hosePoints, rigPoints, rigSizes } from '../editor/sceneRows.ts';
import { DimensionView } from './DimensionView.tsx';
import { rigSketch } from './rigSketch.ts';

const GAP_px = 24;
const MOST_HIGH_px = 420;
const HEIGHTS_px = 138;
const SIZES_px = 190;
/** Narrower than this the two views stand under each other. */
const NARROW_px = 760;

interface RigDimensionsProps {
  readonly corner: Corner;
  readonly hose: CornerHose;
  readonly onChange: (edit: (corner: Corner) => Corner, field: string) => void;
}

/** Drawn anew only for what it shows: a hose of another length is the same here. */
export const RigDimensions = memo(
  Dimensions,
  (was, is) =>
    was.corner.rig === is.corner.rig &&
    was.corner.keepOuts === is.corner.keepOuts &&
    was.hose.id === is.hose.id &&
    was.hose.start === is.hose.start &&
    was.hose.end === is.hose.end &&
    was.hose.clips === is.hose.clips &&
    was.onChange === is.onChange,
);

function Dimensions({ corner, hose, onChange }: RigDimensionsProps) {
  const write = useWriter();
  const [ref, width_px] = useWidth<HTMLDivElement>(1180);
  const [active, setActive] = useState<string | null>(null);
  const rowsOf = (now: Corner): readonly PointRow[] => [
    ...now.hoses.flatMap((own) => (own.id === hose.id ? hosePoints(now, own) : [])),
    ...rigPoints(now),
  ];
  const points = rowsOf(corner);
  const sizes = rigSizes(corner);
  const sketch = rigSketch(corner, hose);
  const bounds = boundsOf([
    [0, 0, 0],
    ...points.map(({ point_m }) => point_m),
    ...sketch.lines.flat(),
    ...sketch.travels.flat(),
  ]);
  const isNarrow = width_px < NARROW_px;
  const perMetre_px = scaleFor(bounds, width_px, isNarrow);
  const sideShare = isNarrow ? 1 : sideShareOf(bounds);
  const inner_px = isNarrow ? width_px : width_px - GAP_px - SIZES_px - GAP_px;
  const onCoordinate = (key: string, axis: 0 | 1 | 2, value_m: number) =>
    onChange(
      (now) => {
        const row = rowsOf(now).find((candidate) => candidate.key === key);
        return row ? row.put(replaced(row.point_m, axis, value_m), row.direction, row.body) : now;
      },
      `${key} ${'xyz'[axis] ?? ''}`,
    );
  const view = (name: 'side' | 'front', wide_px: number) => (
    <DimensionView
      view={name}
      corner={corner}
      sketch={sketch}
      points={points}
      bounds={bounds}
      width_px={Math.floor(wide_px)}
      perMetre_px={perMetre_px}
      hasNames={name === 'side' && !isNarrow}
      hasHeights={name === 'side'}
      marks={
        name === 'side'
          ? sizes.flatMap(({ key }, index) => {
              const point_m = sketch.measuredAt[key];
              return point_m ? [{ key, letter: letterOf(index), point_m }] : [];
            })
          : []
      }
      active={active}
      onActive={setActive}
      onCoordinate={onCoordinate}
    />
  );
  return (
    <Sheet>
      <SheetTitle>Type the tape’s figures onto the drawing</SheetTitle>
      <Fine>
        Straight ahead, full droop, in {write.units.length}, from the cross marked 0: any point of your choice
        (the wheel’s centre or the steering head serve well). Under the views how far forward and how far to
        the left, beside them how high; letters are the movement. What stands in the way and the ways the hose
        leaves are in the tables below.
      </Fine>
      <div ref={ref} style={{ overflowX: 'auto', position: 'relative', marginTop: 10 }}>
        <Line $gap={GAP_px} style={{ alignItems: 'start' }}>
          {isNarrow ? (
            <Fine as="ol" style={{ margin: 0, paddingLeft: 22, listStyle: 'decimal' }}>
              {points.map(({ key, name }) => (
                <li key={key}>{name}</li>
              ))}
            </Fine>
          ) : null}
          {view('side', inner_px * sideShare)}
          {view('front', isNarrow ? width_px : inner_px * (1 - sideShare))}
          <Stack $gap={8} style={{ width: isNarrow ? width_px : SIZES_px }}>
            {sizes.map((row, index) => (
              <div key={row.key} onFocus={() => setActive(row.key)} onBlur={() => setActive(null)}>
                <QuantityEntry
                  label={`${letterOf(index)}: ${row.name}`}
                  kind={row.kind}
                  value_SI={row.value}
                  onValue={(value) =>
                    onChange((now) => {
                      const own = rigSizes(now).find(({ key }) => key === row.key);
                      return own ? own.put(value) : now;
                    }, row.key)
                  }
                />
              </div>
            ))}
          </Stack>
        </Line>
      </div>
    </Sheet>
  );
}

const letterOf = (index: number) => String.fromCharCode(65 + index);

const sizeOf = ({ least_m, most_m }: Bounds, axis: 0 | 1 | 2) => most_m[axis] - least_m[axis];

function scaleFor(bounds: Bounds, width_px: number, isNarrow: boolean): number {
  const [x, y, z] = ([0, 1, 2] as const).map((axis) => sizeOf(bounds, axis)) as [number, number, number];
  const high = MOST_HIGH_px / z;
  if (isNarrow) return Math.max(20, Math.min(high, (width_px - HEIGHTS_px) / x, width_px / y));
  return Math.max(20, Math.min(high, (width_px - 2 * GAP_px - SIZES_px - HEIGHTS_px) / (x + y)));
}

/** The wider the view, the more of the paper it gets. */
function sideShareOf(bounds: Bounds): number {
  const [x, y] = [sizeOf(bounds, 0), sizeOf(bounds, 1)];
  return Math.max(0.5, Math.min(0.68, (x + 0.2) / (x + y + 0.2)));
}
