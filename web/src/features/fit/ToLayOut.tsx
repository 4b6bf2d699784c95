/** What to lay out before the first step: wrenches, washers, caps, oil, and where a second pair of hands is wanted. */
import { fitTimes, fitTools } from '@zephyrcombe/workshop';
import type { Writer } from '@zephyrcombe/messages';
import { DRIVER_NAMES, listOf, lowerFirst } from '@zephyrcombe/messages';
import { useQuery } from '@tanstack/react-query';
import { stepTimesQuery, stockQuery } from '../../api/queries.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { Fine, Rows, Sheet, SheetTitle, Spread } from '../../design/layout.ts';
import { useJob } from '../job/JobContext.ts';
import { OnHand } from './OnHand.tsx';

const HELPER = {
  longLine: 'a line over 1.2 m held to its route',
  heat: 'heat',
  turnHose: 'a hose turned while its nut is held',
} as const;

const minutes = (seconds: number) => Math.max(1, Math.round(seconds / 60));

interface Row {
  readonly what: string;
  readonly which: string;
  /** Counted on the shop's shelf; left out where nobody counts it. */
  readonly stock?: { readonly key: string; readonly needed: number };
}

type Tools = ReturnType<typeof fitTools>;

function wrenchRows(tools: Tools, write: Writer): readonly Row[] {
  return [
    ...tools.hexagons.map(({ across_m, isFlareNut, joints }): Row => {
      const size = across_m === null ? null : write.length(across_m);
      return {
        what: isFlareNut ? 'Flare-nut wrench' : 'Wrench',
        which: `${size ?? 'not measured'}: ${listOf(joints.map(lowerFirst), 'and')}`,
        ...(across_m === null
          ? {}
          : {
              stock: {
                key: `tool ${isFlareNut ? 'flare-nut wrench' : 'wrench'} ${Math.round(across_m * 1e5) / 100} mm`,
                needed: 1,
              },
            }),
      };
    }),
    ...(tools.backup.length > 0
      ? [
          {
            what: 'Second wrench',
            which: `to hold the hexagon at ${listOf(tools.backup.map(lowerFirst), 'and')}`,
          },
        ]
      : []),
    ...(tools.torqueWrenches.length > 0
      ? [{ what: 'Torque wrench', which: listOf(tools.torqueWrenches, 'and') }]
      : []),
    ...tools.drivers.map(({ driver, holds }): Row => ({
      what: 'For clips',
      which: `${driver === null ? 'nobody has looked at the screw' : DRIVER_NAMES[driver]}: ${listOf(holds.map(lowerFirst), 'and')}`,
      ...(driver === null ? {} : { stock: { key: `tool ${DRIVER_NAMES[driver]}`, needed: 1 } }),
    })),
    ...(tools.beyondWrenches.length > 0
      ? [
          {
            what: 'No torque wrench here',
            which: `holds the figure of ${listOf(tools.beyondWrenches.map(lowerFirst), 'and')}`,
          },
        ]
      : []),
  ];
}

const partRows = (tools: Tools): readonly Row[] => [
  {
    what: 'New washers',
    which:
      tools.washers.length === 0
        ? 'none'
        : listOf(
            tools.washers.map(({ joint, count }) => `${count} at ${lowerFirst(joint)}`),
            'and',
          ),
  },
  ...(tools.caps.length === 0
    ? [{ what: 'Caps and plugs', which: 'none on the vehicle from here on' }]
    : tools.caps.map(({ thread, most }): Row => ({
        what: 'Caps and plugs',
        which: `${thread ?? 'thread not known'}: ${most} on at once`,
        ...(thread === null ? {} : { stock: { key: `tool cap ${thread}`, needed: most } }),
      }))),
];

const otherRows = (tools: Tools): readonly Row[] => [
  ...(tools.soaks.length > 0
    ? [
        {
          what: 'Penetrating oil',
          which: 'an hour before, outside only',
          stock: { key: 'tool penetrating oil', needed: 1 },
        },
      ]
    : []),
  ...(tools.isHeated
    ? [
        {
          what: 'For heat',
          which: 'face shield, leather gloves, no chlorinated cleaner, extinguisher at hand',
          stock: { key: 'tool face shield', needed: 1 },
        },
      ]
    : []),
  ...(tools.isCut
    ? [
        {
          what: 'Pipe cutter and flaring tool',
          which: 'for the pipe that is cut',
          stock: { key: 'tool flaring tool', needed: 1 },
        },
      ]
    : []),
  { what: 'Always', which: 'drain tray, sheets over the paint, gloves, eye protection, water for drips' },
  ...(tools.helper.length > 0
    ? [
        {
          what: 'A second pair of hands',
          which: listOf(
            tools.helper.map((why) => HELPER[why]),
            'and',
          ),
        },
      ]
    : []),
];

export function ToLayOut() {
  const detail = useJob();
  const write = useWriter();
  const tools = fitTools(detail);
  const shop = useQuery(stepTimesQuery(detail.job.id)).data;
  const { left, waiting_s, logged } = fitTimes(
    detail,
    new Map(shop?.items.map(({ kind, durations_s }) => [kind, durations_s])),
  );
  const rows = [...wrenchRows(tools, write), ...partRows(tools), ...otherRows(tools)];
  const stock = useQuery(
    stockQuery(rows.flatMap(({ stock: counted }) => (counted ? [counted.key] : []))),
  ).data;
  if (left.total_s === 0) return null;
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
        {rows.map(({ what, which, stock: counted }) => (
          <Spread key={what + which}>
            <strong>{what}</strong>
            <span>
              {which}
              {counted ? (
                <>
                  {' '}
                  <OnHand
                    stockKey={counted.key}
                    name={`${lowerFirst(what)}, ${which}`}
                    needed={counted.needed}
                    item={stock?.items.find(({ key }) => key === counted.key)}
                  />
                </>
              ) : null}
            </span>
          </Spread>
        ))}
      </Rows>
      <Fine style={{ marginTop: 8 }}>
        Times are our estimate{logged > 0 ? `, drawn to ${logged} steps that this shop has logged` : ''}; in
        eight of ten jobs it lies between the two.
      </Fine>
    </Sheet>
  );
}
