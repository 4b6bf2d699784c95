/** The view in the round for those who do not see it: the same pose in words and figures. */
import type { CornerHose, KeepOut, Rig, RigPose, Vector } from '@zephyrcombe/core';
import { useWriter } from '../../../app/SessionContext.ts';
import { FigureTable } from '../../../design/FigureTable.ts';
import { Fine, Sheet, SheetTitle } from '../../../design/layout.ts';
import type { ShownPose } from '../engine/compute.ts';
import { poseText } from '../words.ts';
import { partRows, placesOf } from './spaceRows.ts';

interface SpaceWordsProps {
  readonly rig: Rig;
  readonly hose: CornerHose;
  readonly keepOuts: readonly KeepOut[];
  readonly pose: RigPose;
  readonly shown: ShownPose | null;
}

export function SpaceWords({ rig, hose, keepOuts, pose, shown }: SpaceWordsProps) {
  const write = useWriter();
  const where = ([x, y, z]: Vector) =>
    [
      `${write.length(Math.abs(x))} ${x < 0 ? 'back' : 'forward'}`,
      `${write.length(Math.abs(y))} ${y < 0 ? 'right' : 'left'}`,
      `${write.length(Math.abs(z))} ${z < 0 ? 'below' : 'up'}`,
    ].join(', ');
  const places = placesOf(shown?.line ?? null);
  const parts = partRows(keepOuts, shown);
  const [nearest] = parts;
  return (
    <Sheet>
      <SheetTitle>The same in words and figures</SheetTitle>
      <p>
        {hose.name}, {poseText(rig, pose, write)}.{' '}
        {places.length === 0
          ? 'The hose has no shape here: it is pulled straight, or cannot reach.'
          : shown?.radius_m && shown.tightest_m
            ? `It bends hardest, to ${write.length(shown.radius_m)}, at ${where(shown.tightest_m)}.`
            : 'It is all but straight: no bend to show.'}
        {nearest
          ? ` It comes nearest to ${nearest.part.name}, with ${write.length(nearest.gap_m)} between, at ${where(nearest.nearest_m)}.`
          : ''}
      </p>
      <div style={{ overflowX: 'auto', position: 'relative' }}>
        {places.length > 0 ? (
          <FigureTable>
            <caption style={{ textAlign: 'left' }}>Where the hose is, from port to port</caption>
            <thead>
              <tr>
                <th scope="col">along the hose</th>
                <th scope="col">x, forward</th>
                <th scope="col">y, left</th>
                <th scope="col">z, up</th>
              </tr>
            </thead>
            <tbody>
              {places.map(({ along_m, point_m }, index) => (
                <tr key={index}>
                  <th scope="row">{write.length(along_m)}</th>
                  {point_m.map((value_m, axis) => (
                    <td key={axis}>{write.length(value_m)}</td>
                  ))}
                </tr>
              ))}
            </tbody>
          </FigureTable>
        ) : null}
        {parts.length > 0 ? (
          <FigureTable style={{ marginTop: 14 }}>
            <caption style={{ textAlign: 'left' }}>Parts, the one nearest to its limit first</caption>
            <thead>
              <tr>
                <th scope="col">part</th>
                <th scope="col">it is</th>
                <th scope="col">between</th>
                <th scope="col">at least</th>
              </tr>
            </thead>
            <tbody>
              {parts.map(({ part, gap_m, wanted_m }) => (
                <tr key={part.id} data-decides={gap_m < wanted_m || undefined}>
                  <th scope="row">{part.name}</th>
                  <td>{part.nature}</td>
                  <td>{write.length(gap_m)}</td>
                  <td>{write.length(wanted_m)}</td>
                </tr>
              ))}
            </tbody>
          </FigureTable>
        ) : null}
      </div>
      <Fine>As worked out for this pose. What the tape and the eye say on the vehicle comes first.</Fine>
    </Sheet>
  );
}
