/** One line of the log in words: what was done to which part, with the figure and the verdict. */
import type { JobDetail, LogEntry } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import type { Writer } from './writer.ts';
import { cautionText } from './cautions.ts';
import { CONDITION_WORDS } from './condition.ts';
import { FIT_CHECK_NAMES, handoverNames, POSE_CHECK_NAMES, vehicleWords } from './checks.ts';
import { KIT_VERDICT_NAMES, MAKE_UP_STEP_NAMES, OUTFLOW_NAMES, SEAT_NAMES, POSE_NAMES } from './names.ts';
import type { Caution, Seat } from '@zephyrcombe/core';

type Data = Readonly<Record<string, unknown>>;

export function describeEntry(entry: LogEntry, detail: JobDetail, write: Writer): string {
  const data = withCorrected(entry.detail, detail);
  const parts = [
    ...aboutOf(data, detail),
    ...readingWords(data, write),
    ...torqueWords(entry.kind, data, write),
    ...tickWords(entry.kind, data, detail),
    ...itemWords(entry.kind, data),
    ...makingWords(data),
    ...kitWords(entry.kind, data),
    ...findingWords(entry.kind, data),
    ...capWords(data),
    ...plainWords(data, write),
    ...portWords(entry.kind, data, write),
    ...judgementWords(entry.kind, data, write),
    ...overrideWords(data),
  ];
  return parts.length > 0 ? `: ${parts.join(', ')}` : '';
}

/** A correction names the entry that it strikes out by its id: what that was stands with it. */
function withCorrected(data: Data, { readings, findings }: JobDetail): Data {
  const reading = readings.find(({ id }) => id === data.readingId);
  const finding = findings.find(({ id }) => id === data.findingId);
  if (reading)
    return {
      hoseId: reading.hoseId,
      pose: reading.pose,
      length_m: reading.length_m,
      typed: reading.typed,
      ...data,
    };
  return finding ? { ...data, condition: finding.condition, subjectId: finding.subjectId } : data;
}

function aboutOf(data: Data, detail: JobDetail): readonly string[] {
  const { hoses, joints, components } = partsOf(detail);
  const named = [...hoses, ...joints, ...components].find((part) =>
    [data.hoseId, data.lineId, data.jointId, data.nippleId, data.subjectId].includes(part.id),
  );
  const name = named?.name ?? (typeof data.name === 'string' ? data.name : null);
  return name === null ? [] : [name];
}

const readingWords = (data: Data, write: Writer): readonly string[] => [
  ...(typeof data.pose === 'string' && data.pose in POSE_NAMES
    ? [POSE_NAMES[data.pose as keyof typeof POSE_NAMES].toLowerCase()]
    : []),
  ...(typeof data.length_m === 'number' ? [write.length(data.length_m)] : []),
  ...(typeof data.order_m === 'number' ? [write.length(data.order_m)] : []),
];

const VERDICTS: Readonly<Record<string, string>> = {
  below: 'below its range',
  within: 'within its range',
  above: 'above its range',
};

function torqueWords(kind: LogEntry['kind'], data: Data, write: Writer): readonly string[] {
  if (typeof data.torque_Nm !== 'number') return [];
  const range = data.range as { minimum_Nm?: unknown; maximum_Nm?: unknown } | undefined;
  const limits =
    typeof range?.minimum_Nm === 'number' && typeof range.maximum_Nm === 'number'
      ? ` (${write.torqueRange(range.minimum_Nm, range.maximum_Nm)})`
      : '';
  const verdict = kind === 'torqued' && typeof data.verdict === 'string' ? VERDICTS[data.verdict] : undefined;
  return [
    write.torque(data.torque_Nm),
    ...(verdict === undefined ? [] : [`${verdict}${limits}`]),
    ...(typeof data.wrenchName === 'string' ? [`with ${data.wrenchName}`] : []),
    ...(typeof data.freshWashers === 'number' && data.freshWashers > 0
      ? [`${data.freshWashers} fresh washers`]
      : []),
    ...(data.witnessMark === true ? ['marked'] : []),
  ];
}

const tickNames = (detail: JobDetail): Readonly<Record<string, string>> => ({
  ...POSE_CHECK_NAMES,
  ...FIT_CHECK_NAMES,
  ...handoverNames(vehicleWords(detail.vehicle, partsOf(detail))),
});

/** Each tick by its own words, and a tick that was taken away as such. */
function tickWords(kind: LogEntry['kind'], data: Data, detail: JobDetail): readonly string[] {
  if (kind === 'handTight' || kind === 'leakChecked')
    return data[kind] === false ? ['taken back'] : kind === 'leakChecked' ? ['stayed dry'] : [];
  if (kind !== 'poseChecked' && kind !== 'fitChecked' && kind !== 'handoverChecked') return [];
  const names = tickNames(detail);
  return Object.entries(data).flatMap(([check, ticked]) => {
    const name = names[check];
    if (name === undefined || typeof ticked !== 'boolean') return [];
    return [ticked ? `“${name}”` : `“${name}” taken back`];
  });
}

const itemWords = (kind: LogEntry['kind'], data: Data): readonly string[] =>
  kind !== 'itemSaved'
    ? []
    : [
        data.done === true ? 'on again' : data.handling === 'replace' ? 'to be replaced' : 'comes off',
        ...(data.done === true && data.item === 'mountBolt' && data.torque_Nm === undefined
          ? ['by feel, no figure']
          : []),
      ];

const makingWords = (data: Data): readonly string[] => [
  ...(typeof data.step === 'string' && data.step in MAKE_UP_STEP_NAMES
    ? [
        `${MAKE_UP_STEP_NAMES[data.step as keyof typeof MAKE_UP_STEP_NAMES].replace(/^./, (first) => first.toLowerCase())}${data.undo === true ? ', taken back' : ''}`,
      ]
    : []),
  ...(typeof data.passed === 'boolean' ? [data.passed ? 'passed' : 'not passed'] : []),
];

function kitWords(kind: LogEntry['kind'], data: Data): readonly string[] {
  const name = (verdict: unknown) =>
    typeof verdict === 'string' && verdict in KIT_VERDICT_NAMES
      ? KIT_VERDICT_NAMES[verdict as keyof typeof KIT_VERDICT_NAMES].toLowerCase()
      : null;
  const judged = kind === 'kitChecked' ? name(data.verdict) : null;
  const decided = isDecision(data.decided) ? name(data.decided.verdict) : null;
  return [
    ...(judged === null ? [] : [`what was found asks to ${judged}`]),
    ...(decided === null ? [] : [`decided to ${decided}`]),
    ...[data.quote, data.order].filter((number): number is string => typeof number === 'string'),
  ];
}

interface PortFacts {
  readonly thread: string;
  readonly seat: Seat;
  readonly depth_m: number | null;
}
const portText = ({ thread, seat, depth_m }: PortFacts, write: Writer) =>
  `${thread}, ${SEAT_NAMES[seat]}${depth_m === null ? '' : `, ${write.length(depth_m)} deep`}`;

/** What an opened port showed; what had been assumed of it where that was something else. */
function portWords(kind: LogEntry['kind'], data: Data, write: Writer): readonly string[] {
  if (kind !== 'portSeen') return [];
  const { before, found } = data as unknown as { readonly before: PortFacts; readonly found: PortFacts };
  const [was, is] = [portText(before, write), portText(found, write)];
  return [is, ...(was === is ? [] : [`before: ${was}`])];
}

const isDecision = (value: unknown): value is { readonly verdict: string } =>
  typeof value === 'object' && value !== null && 'verdict' in value && typeof value.verdict === 'string';

const findingWords = (kind: LogEntry['kind'], data: Data): readonly string[] => [
  ...((kind === 'findingRecorded' || kind === 'findingStruck') &&
  typeof data.condition === 'string' &&
  data.condition in CONDITION_WORDS
    ? [CONDITION_WORDS[data.condition as keyof typeof CONDITION_WORDS]]
    : []),
  ...(typeof data.degree === 'string' ? [data.degree] : []),
];

function capWords(data: Data): readonly string[] {
  const count = (value: unknown) =>
    typeof value === 'object' && value !== null && 'put' in value && 'out' in value
      ? `${String(value.put)} on, ${String(value.out)} off`
      : null;
  const [whole, a, b] = [count(data), count(data.A), count(data.B)];
  return [
    ...(whole === null ? [] : [whole]),
    ...(a === null ? [] : [`end A ${a}`]),
    ...(b === null ? [] : [`end B ${b}`]),
  ];
}

function plainWords(data: Data, write: Writer): readonly string[] {
  const outflow = typeof data.outflow === 'string' && data.outflow in OUTFLOW_NAMES ? data.outflow : null;
  const event = data.kind === 'topUp' ? 'topped up' : data.kind;
  return [
    ...(typeof data.typed === 'string' ? [`typed “${data.typed}”`] : []),
    ...(typeof data.because === 'string' && data.because !== '' ? [`because: ${data.because}`] : []),
    ...(typeof data.title === 'string' ? [data.title] : []),
    ...(typeof data.from === 'string' && typeof data.title === 'string' ? [`before: ${data.from}`] : []),
    ...(typeof data.needBy === 'string' ? [`needed by ${write.date(data.needBy)}`] : []),
    ...(typeof data.finish === 'string' && data.finish !== '' ? [data.finish] : []),
    ...(data.brakeLeftOpen === true ? ['the brake was left open'] : []),
    ...(data.tickedByMistake === true ? ['ticked by mistake before, nothing was opened'] : []),
    ...(Array.isArray(data.hoses) || Array.isArray(data.lines)
      ? [
          [data.hoses, data.lines]
            .flatMap((names) => (Array.isArray(names) ? names.map(String) : []))
            .join(' and '),
        ]
      : []),
    ...(typeof event === 'string'
      ? [
          [event, outflow === null ? null : OUTFLOW_NAMES[outflow as keyof typeof OUTFLOW_NAMES]]
            .filter((word) => word !== null)
            .join(' '),
        ]
      : []),
  ];
}

const donorLength = ({ donor }: Data, write: Writer): readonly string[] =>
  typeof donor === 'object' && donor !== null && 'length_m' in donor && typeof donor.length_m === 'number'
    ? [`a hose of ${write.length(donor.length_m)}`]
    : [];

const LINE_KINDS: readonly LogEntry['kind'][] = ['lineJudged', 'patternTaken', 'lineMade'];

/** A donor hose, a route or a hard line that was judged: what came out, and what stood against it. */
function judgementWords(kind: LogEntry['kind'], data: Data, write: Writer): readonly string[] {
  if (kind !== 'donorChecked' && kind !== 'routeJudged' && !LINE_KINDS.includes(kind)) return [];
  const cautions = Array.isArray(data.cautions) ? (data.cautions as Caution[]) : [];
  const verdict =
    kind === 'donorChecked'
      ? [...donorLength(data, write), data.fits === true ? 'it will do' : 'it will not do']
      : kind === 'routeJudged'
        ? [data.holds === true ? 'holds in every pose' : 'does not hold in every pose']
        : typeof data.cut_m === 'number'
          ? [
              `cut at ${write.length(data.cut_m)}`,
              ...(data.made === true ? ['said to be made'] : data.made === false ? ['taken back'] : []),
            ]
          : [];
  return [...verdict, ...cautions.map((caution) => cautionText(caution, write).title)];
}

const overrideWords = (data: Data): readonly string[] =>
  Array.isArray(data.overrides)
    ? (data.overrides as readonly { caution?: unknown; reason?: unknown }[]).map(
        ({ caution, reason }) => `went on past ${String(caution)}: ${String(reason)}`,
      )
    : [];
