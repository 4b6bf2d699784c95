/** One line of the log in words: what was done to which part, with the figure and the verdict. */
import type { FitFactKind, JobDetail, LogEntry, LogKind, ToldDetail } from '@zephyrcombe/contract';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { fitNames } from '@zephyrcombe/workshop';
import { lowerFirst } from './lowerFirst.ts';
import { FIT_FACT_NAMES, stepDone, stepTitle, THREAD_STATE_NAMES } from './fitting.ts';
import { isTightened, partsOf, toldBy } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import { cautionText } from './cautions.ts';
import { FIT_CHECK_NAMES, handoverNames, POSE_CHECK_NAMES, vehicleWords } from './checks.ts';
import { CONDITION_WORDS } from './condition.ts';
import { KIT_VERDICT_NAMES, MAKE_UP_STEP_NAMES, OUTFLOW_NAMES, POSE_NAMES, SEAT_NAMES } from './names.ts';
import type { Writer } from './writer.ts';

type Data = Readonly<Record<string, unknown>>;
interface Around {
  readonly detail: JobDetail;
  readonly write: Writer;
}
type Words = readonly (string | null | undefined | false)[];

export function describeEntry(entry: LogEntry, detail: JobDetail, write: Writer): string {
  const data = withCorrected(entry.detail, detail);
  const told = toldBy(entry.kind, data);
  const wordsOf: (told: object, around: Around) => Words = WORDS[entry.kind];
  const parts = [aboutOf(data, detail), ...wordsOf(told, { detail, write }), ...overrideWords(data)].filter(
    (part): part is string => typeof part === 'string' && part !== '',
  );
  return parts.length > 0 ? `: ${parts.join(', ')}` : '';
}

/** What a line of each kind says beside its name and its part. */
const WORDS: { readonly [Kind in LogKind]: (told: ToldDetail<Kind>, around: Around) => Words } = {
  opened: ({ title, hoses, lines, joints }) => [title, scopeWords(hoses, lines, joints)],
  renamed: ({ from, title }) => [title, from && `before: ${from}`],
  lookedOver: () => [],
  portSeen: ({ before, found }, { write }) => portWords(before, found, write),
  findingRecorded: ({ condition, degree }) => [
    condition && CONDITION_WORDS[condition],
    typeof degree === 'string' && degree,
  ],
  findingStruck: ({ because, condition }) => [
    typeof condition === 'string' && condition in CONDITION_WORDS
      ? CONDITION_WORDS[condition as keyof typeof CONDITION_WORDS]
      : null,
    becauseOf(because),
  ],
  photoAdded: ({ step }) => [step && lowerFirst(stepDone({ kind: step }))],
  hosesChosen: ({ hoses, lines, joints }) => [scopeWords(hoses, lines, joints)],
  layoutChosen: ({ hoses }) => [scopeWords(hoses)],
  readingTaken: ({ pose, length_m, typed }, around) => readingWords({ pose, length_m, typed }, around),
  readingStruck: ({ because, ...rest }, around) => [...readingWords(rest, around), becauseOf(because)],
  poseChecked: tickWords,
  liftEntered: () => [],
  traceSaved: () => [],
  traceRemoved: () => [],
  donorChecked: ({ donor, fits, cautions }, { write }) => [
    donor && `a hose of ${write.length(donor.length_m)}`,
    fits === true ? 'it will do' : 'it will not do',
    ...titlesOf(cautions, write),
  ],
  routeJudged: ({ holds, cautions }, { write }) => [
    holds === true ? 'holds in every pose' : 'does not hold in every pose',
    ...titlesOf(cautions, write),
  ],
  lineJudged: ({ cut_m, cautions }, { write }) => [cutWords(cut_m, write), ...titlesOf(cautions, write)],
  patternTaken: ({ cut_m }, { write }) => [cutWords(cut_m, write)],
  lineMade: ({ cut_m, made, cautions }, { write }) => [
    cutWords(cut_m, write),
    made === true ? 'said to be made' : made === false ? 'taken back' : 'looked at',
    ...titlesOf(cautions, write),
  ],
  lengthTaken: ({ order_m }, { write }) => [order_m !== undefined && write.length(order_m)],
  orderTermsSet: ({ needBy, finish }, { write }) => [
    needBy ? `needed by ${write.date(needBy)}` : null,
    finish,
  ],
  specified: () => [],
  quoted: ({ quote }) => [quote],
  ordered: ({ order }) => [order],
  delivered: ({ order }) => [order],
  made: ({ step, undo }) => [
    step &&
      `${MAKE_UP_STEP_NAMES[step].replace(/^./, (first) => first.toLowerCase())}${undo === true ? ', taken back' : ''}`,
  ],
  proved: ({ passed, typed }) => [
    passed === undefined ? null : passed ? 'passed' : 'not passed',
    typedAs(typed),
  ],
  kitChecked: ({ verdict, decided }) => [
    verdict && `what was found asks to ${KIT_VERDICT_NAMES[verdict].toLowerCase()}`,
    decided && `decided to ${KIT_VERDICT_NAMES[decided.verdict].toLowerCase()}`,
  ],
  itemSaved: ({ done, handling, item, torque_Nm, typed }, { write }) => [
    torque_Nm !== undefined && write.torque(torque_Nm),
    done === true ? 'on again' : handling === 'replace' ? 'to be replaced' : 'comes off',
    done === true &&
      item !== undefined &&
      isTightened(item) &&
      torque_Nm === undefined &&
      'by feel, no figure',
    typedAs(typed),
  ],
  itemRemoved: ({ because }) => [becauseOf(because)],
  plugsCounted: capWords,
  fitStepTaken: ({ step, undo, passedOver }, { detail }) => [
    step && stepTitle(step as PlanStep, fitNames(detail)),
    undo === true && 'taken back',
    passedOver && passedOver.length > 0 && `before what is usual (${passedOver.join(', ')})`,
  ],
  fitFactSaid: ({ fact, value }) => [fact && FIT_FACT_NAMES[fact as FitFactKind], factValue(value)],
  handTight: ({ handTight }) => [handTight === false && 'taken back'],
  fitChecked: tickWords,
  torqued: torqueWords,
  bled: ({ kind, outflow }) => [
    kind && `${kind === 'topUp' ? 'topped up' : kind}${outflow ? ` ${OUTFLOW_NAMES[outflow]}` : ''}`,
  ],
  leakChecked: ({ leakChecked }) => [leakChecked === false ? 'taken back' : 'stayed dry'],
  handoverChecked: tickWords,
  finished: () => [],
  abandoned: ({ because, brakeLeftOpen, tickedByMistake }) => [
    becauseOf(because),
    brakeLeftOpen === true && 'the brake was left open',
    tickedByMistake === true && 'ticked by mistake before, nothing was opened',
  ],
};

function factValue(value: unknown): string | null {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number' || typeof value === 'string') return String(value);
  return Array.isArray(value) ? String(value.length) : null;
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

function aboutOf(data: Data, detail: JobDetail): string | null {
  const { hoses, joints, components } = partsOf(detail);
  const named = [...hoses, ...joints, ...components].find((part) =>
    [data.hoseId, data.lineId, data.jointId, data.nippleId, data.subjectId].includes(part.id),
  );
  return named?.name ?? (typeof data.name === 'string' ? data.name : null);
}

const becauseOf = (because: unknown): string | null =>
  typeof because === 'string' && because !== '' ? `because: ${because}` : null;
const typedAs = (typed: unknown): string | null => (typeof typed === 'string' ? `typed “${typed}”` : null);

const scopeWords = (...names: readonly (readonly string[] | undefined)[]): string | null =>
  names.flatMap((own) => own ?? []).join(' and ') || null;

const readingWords = ({ pose, length_m, typed }: Data, { write }: Around): Words => [
  typeof pose === 'string' && pose in POSE_NAMES
    ? POSE_NAMES[pose as keyof typeof POSE_NAMES].toLowerCase()
    : null,
  typeof length_m === 'number' && write.length(length_m),
  typedAs(typed),
];

const cutWords = (cut_m: number | undefined, write: Writer): string | null =>
  cut_m === undefined ? null : `cut at ${write.length(cut_m)}`;

/** What stood against it, answered or not. */
const titlesOf = (cautions: ToldDetail<'routeJudged'>['cautions'], write: Writer): Words =>
  (cautions ?? []).map((caution) => cautionText(caution as unknown as Caution, write).title);

const RENEWED = 'tightened too far before: new bolt, or seat and thread sound';
const VERDICTS = {
  below: 'below its range',
  within: 'within its range',
  above: 'above its range',
  yielded: 'it turned on without getting tighter',
} as const;

function torqueWords(told: ToldDetail<'torqued'>, { write }: Around): Words {
  const { torque_Nm, range, verdict, wrenchName, freshWashers, witnessMark, typed } = told;
  if (torque_Nm === undefined) return [];
  if (torque_Nm === null)
    return [
      'by feel, no figure is known',
      becauseOf(told.because),
      freshWashers !== undefined && freshWashers > 0 && `${freshWashers} fresh washers`,
      told.renewed === true && RENEWED,
      witnessMark === true && 'marked',
    ];
  const limits = range ? ` (${write.torqueRange(range.minimum_Nm, range.maximum_Nm)})` : '';
  return [
    write.torque(torque_Nm),
    verdict && verdict !== 'byFeel' && `${VERDICTS[verdict]}${limits}`,
    wrenchName && `with ${wrenchName}`,
    told.pull &&
      `read as ${told.pull.serial}${told.pull.isSimulated ? ', which is simulated' : ''}, ${write.angle(told.pull.turn_rad)} after it bit`,
    freshWashers !== undefined && freshWashers > 0 && `${freshWashers} fresh washers`,
    told.renewed === true && RENEWED,
    told.threads && told.threads !== 'unsaid' && `threads ${THREAD_STATE_NAMES[told.threads]}`,
    witnessMark === true && 'marked',
    typedAs(typed),
  ];
}

/** Each tick by its own words, and a tick that was taken away as such. */
function tickWords(told: Data, { detail }: Around): Words {
  const names: Readonly<Record<string, string>> = {
    ...POSE_CHECK_NAMES,
    ...FIT_CHECK_NAMES,
    ...handoverNames(vehicleWords(detail.vehicle, partsOf(detail))),
  };
  return Object.entries(told).map(([check, ticked]) => {
    const name = names[check];
    if (name === undefined || typeof ticked !== 'boolean') return null;
    return ticked ? `“${name}”` : `“${name}” taken back`;
  });
}

type PortFacts = NonNullable<ToldDetail<'portSeen'>['found']>;
const portText = ({ thread, seat, depth_m, eyeThickness_m = null }: PortFacts, write: Writer) =>
  `${thread}, ${SEAT_NAMES[seat]}${depth_m === null ? '' : `, ${write.length(depth_m)} deep`}${
    eyeThickness_m === null ? '' : `, an eye of ${write.length(eyeThickness_m)}`
  }`;

/** What an opened port showed; what had been assumed of it where that was something else. */
function portWords(before: PortFacts | undefined, found: PortFacts | undefined, write: Writer): Words {
  if (!found) return [];
  const is = portText(found, write);
  const was = before ? portText(before, write) : is;
  return [is, was !== is && `before: ${was}`];
}

function capWords(told: Data): Words {
  const count = (value: unknown, where = '') =>
    typeof value === 'object' && value !== null && 'put' in value && 'out' in value
      ? `${where}${String(value.put)} on, ${String(value.out)} off`
      : null;
  return [count(told), count(told.A, 'end A '), count(told.B, 'end B ')];
}

const overrideWords = (data: Data): Words =>
  Array.isArray(data.overrides)
    ? (data.overrides as readonly { caution?: unknown; reason?: unknown }[]).map(
        ({ caution, reason }) => `went on past ${String(caution)}: ${String(reason)}`,
      )
    : [];
