/** What to lay out before the first step: wrenches, washers, caps, oil, and where a second pair of hands is wanted. */
import { fitTimes, fitTools } from '@zephyrcombe/workshop';
import { listOf, lowerFirst } from '@zephyrcombe/messages';
import { useWriter } from '../../app/SessionContext.ts';
import { Fine, Rows, Sheet, SheetTitle, Spread } from '../../design/layout.ts';
import { useJob } from '../job/JobContext.ts';

const HELPER = {
  longLine: 'a line over 1.2 m held to its route',
  heat: 'heat',
  turnHose: 'a hose turned while its nut is held',
} as const;

const minutes = (seconds: number) => Math.max(1, Math.round(seconds / 60));

export function ToLayOut() {
  const detail = useJob();
  const write = useWriter();
  const tools = fitTools(detail);
  const { left, waiting_s } = fitTimes(detail);
  if (left.total_s === 0) return null;
  const rows: readonly (readonly [string, string])[] = [
    ...tools.hexagons.map(
      ({ across_m, isFlareNut, joints }) =>
        [
          isFlareNut ? 'Flare-nut wrench' : 'Wrench',
          `${across_m === null ? 'not measured' : write.length(across_m)}: ${listOf(joints.map(lowerFirst), 'and')}`,
        ] as const,
    ),
    ...(tools.backup.length > 0
      ? [['Second wrench', `to hold the hexagon at ${listOf(tools.backup.map(lowerFirst), 'and')}`] as const]
      : []),
    ...(tools.torqueWrenches.length > 0
      ? [['Torque wrench', listOf(tools.torqueWrenches, 'and')] as const]
      : []),
    ...(tools.beyondWrenches.length > 0
      ? [
          [
            'No torque wrench here',
            `holds the figure of ${listOf(tools.beyondWrenches.map(lowerFirst), 'and')}`,
          ] as const,
        ]
      : []),
    ['New washers', String(tools.washers)],
    ['Caps and plugs', `at most ${tools.capsPeak} on the vehicle at once`],
    ...(tools.soaks.length > 0 ? [['Penetrating oil', 'an hour before, outside only'] as const] : []),
    ...(tools.isHeated
      ? [['For heat', 'face shield, leather gloves, no chlorinated cleaner, extinguisher at hand'] as const]
      : []),
    ...(tools.isCut ? [['Pipe cutter and flaring tool', 'for the pipe that is cut'] as const] : []),
    ['Always', 'drain tray, sheets over the paint, gloves, eye protection, water for drips'],
    ...(tools.helper.length > 0
      ? [
          [
            'A second pair of hands',
            listOf(
              tools.helper.map((why) => HELPER[why]),
              'and',
            ),
          ] as const,
        ]
      : []),
  ];
  return (
    <Sheet aria-label="To lay out">
      <Spread>
        <SheetTitle>To lay out</SheetTitle>
        <Fine as="span">
          {minutes(left.low_s)} to {minutes(left.high_s)} min left at the vehicle
          {waiting_s > 0 ? `, and ${minutes(waiting_s)} of waiting beside it` : ''}
        </Fine>
      </Spread>
      <Rows>
        {rows.map(([what, which]) => (
          <Spread key={what + which}>
            <strong>{what}</strong>
            <span>{which}</span>
          </Spread>
        ))}
      </Rows>
      <Fine style={{ marginTop: 8 }}>
        Times are our estimate, drawn to what this job took so far; in eight of ten jobs it lies between the
        two.
      </Fine>
    </Sheet>
  );
}
