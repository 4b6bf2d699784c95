/** Changes to one hose of a job: what was checked, taken as its length, and specified. */
import type { Approval, JobDetail, JobHose, Override } from '@zephyrcombe/contract';
import {
  hoseOfJob,
  liveReadings,
  partsOf,
  readingCautions,
  specificationCautions,
  tapeSetting,
} from '@zephyrcombe/contract';
import {
  boughtGate,
  cautionDigest,
  lengthFacts,
  lengthStanding,
  specificationFacts,
} from '@zephyrcombe/workshop';
import { ALONG_NAMES, createWriter, problemText } from '@zephyrcombe/messages';
import type { Caution } from '@zephyrcombe/core';
import { freeHose, inOrder, orderLength, placeFaults } from '@zephyrcombe/core';
import { requireMay } from '../../http/access.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import { keepEnds } from '../ends/endSheets.ts';
import type { JobAction } from './jobAction.ts';
import { evidenceCautions, keptEvidence } from '../evidence/keptEvidence.ts';
import { routeCautions } from '../evidence/keptRoute.ts';
import { approved, requireAsSeen, requireStopsAnswered, requireWay, told } from './jobAction.ts';
import { requireVersion } from '../../http/requireVersion.ts';

/** What makes it another hose. */
const OF_THE_HOSE = ['build', 'endA', 'endB', 'clocking_rad'] as const;
/** A taken length may be rounded to the maker's step, but not away from the readings. */
const TAKEN_TOLERANCE_m = 0.0005;

export async function editJobHose(
  action: JobAction,
  hoseId: string,
  body: ParsedBody<'editJobHose'>,
): Promise<void> {
  const { detail, models, transaction, log, person } = action;
  const current = detail.hoses.find((hose) => hose.hoseId === hoseId);
  if (!current) throw new AppProblem('not-found');
  requireVersion(current, body.version);
  const { version, overrides, seen, poseChecks, ...rest } = body;
  const changes = {
    ...rest,
    ...(poseChecks ? { poseChecks: { ...current.poseChecks, ...definedOnly(poseChecks) } } : {}),
    ...(rest.build ? { build: { ...rest.build, along: inOrder(rest.build.along) } } : {}),
    // What was specified before approvals were kept cannot tell that it is another hose.
    ...(OF_THE_HOSE.every((key) => rest[key] === undefined) || current.specification
      ? {}
      : { specified: rest.specified ?? false }),
    // A length taken before this lift was entered was made without it.
    ...(rest.lift === undefined || rest.order_m !== undefined ? {} : { order_m: null, specified: false }),
  };
  const next = { ...current, ...definedOnly(changes) };
  const wasMadeHere = current.build?.madeHere === true;
  if (wasMadeHere && next.build?.madeHere !== true) {
    const before = hoseOfJob(detail, hoseId);
    if (before) requireWay(boughtGate(before), person);
  }

  if (next.build && (changes.build || changes.specified === true)) requirePlaces(detail, hoseId, next);
  if (typeof changes.order_m === 'number' || changes.specified === true) requireMay(person, 'approve');
  if (typeof changes.order_m === 'number') {
    if (changes.specified !== true) requireAsSeen(seen, lengthFacts(detail, next));
    await takeLength(action, next, changes.order_m, overrides);
  }
  if (changes.specified === true)
    await specify(action, next, { seen, overrides, takesLength: changes.order_m !== undefined });
  if (changes.plugs !== undefined) await log('plugsCounted', { hoseId, ...changes.plugs });
  if (changes.lift !== undefined) await log('liftEntered', { hoseId, lift: changes.lift });
  if (changes.poseChecks !== undefined) await log('poseChecked', { hoseId, ...changes.poseChecks });

  await keepEnds(models, transaction, [changes.endA, changes.endB], person, action.now);
  await models.JobHose.update(
    {
      ...definedOnly(changes),
      ...(changes.specified === true ? { specification: specified(action, next) } : {}),
      ...(typeof changes.order_m === 'number'
        ? { lengthTaken: approved(action, lengthFacts(detail, next)) }
        : {}),
      version: version + 1,
    },
    { where: { jobId: detail.job.id, hoseId }, transaction },
  );
}

/** Every part on the hose lies between its ferrules, and none on another. */
function requirePlaces(detail: JobDetail, hoseId: string, { build, order_m, endA, endB }: JobHose): void {
  if (!build) return;
  const length_m = order_m ?? partsOf(detail).hoses.find(({ id }) => id === hoseId)?.length_m ?? 0;
  const [fault] = placeFaults(build.along, freeHose(length_m, endA, endB));
  const part = build.along.find(({ id }) => id === fault?.id);
  if (fault && part)
    throw fieldProblem(
      'build.along',
      fault.reason === 'beyond' ? 'notBetweenFerrules' : 'liesOnAnother',
      ALONG_NAMES[part.kind],
    );
}

/** A length that is taken is what the readings ask for, with every stop answered. */
async function takeLength(
  { detail, log, person }: JobAction,
  hose: JobHose,
  order_m: number,
  overrides: readonly Override[],
): Promise<void> {
  const result = orderLength(liveReadings(detail, hose.hoseId), tapeSetting(detail, hose));
  if (!result.ok)
    throw new AppProblem('no-answer', { detail: problemText(result.problem, createWriter(person.units)) });
  if (order_m < result.value.order_m - TAKEN_TOLERANCE_m) throw fieldProblem('order_m', 'shorterThanAsked');
  const cautions = [...result.cautions, ...readingCautions(detail, hose)];
  requireStopsAnswered(cautions, overrides, person);
  await log('lengthTaken', { hoseId: hose.hoseId, order_m, overrides, cautions: told(cautions) });
}

const onceEach = (cautions: readonly Caution[]): readonly Caution[] => [
  ...new Map(cautions.map((caution) => [cautionDigest(caution), caution])).values(),
];

interface Specifying {
  readonly seen: string | undefined;
  readonly overrides: readonly Override[];
  /** Its length is taken in the same breath. */
  readonly takesLength: boolean;
}

/** A hose is specified as it was seen, on a length that stands, with every stop answered. */
async function specify(
  { detail, models, transaction, log, person }: JobAction,
  hose: JobHose,
  { seen, overrides, takesLength }: Specifying,
): Promise<void> {
  const { hoseId } = hose;
  const own = hoseOfJob(detail, hoseId);
  if (own) requireAsSeen(seen, specificationFacts(detail, { ...own, hose }));
  if (own && hose.order_m === null) requireWay([{ code: 'notMeasured', hose: own.fitted.name }], person);
  const length = lengthStanding(detail, hose);
  if (own && !takesLength && length.state === 'passed')
    requireWay([{ code: 'changedSinceMeasured', hose: own.fitted.name, changes: length.changes }], person);
  // The kept route is tried with this very hose, and what somebody kept of it with the job is asked about too.
  const cautions = own
    ? onceEach([
        ...specificationCautions(detail, { ...own, hose }),
        ...(await routeCautions(models, detail, { ...own, hose }, person, transaction)),
        ...evidenceCautions(await keptEvidence(models, detail.job.id, transaction), 'routeJudged', hoseId),
      ])
    : [];
  requireStopsAnswered(cautions, overrides, person);
  await log('specified', {
    hoseId,
    endA: hose.endA,
    endB: hose.endB,
    clocking_rad: hose.clocking_rad,
    build: hose.build,
    overrides,
    cautions: told(cautions),
  });
}

/** What is approved: exactly the facts that the cautions were worked out from. */
function specified(action: JobAction, hose: JobHose): Approval | null {
  const own = hoseOfJob(action.detail, hose.hoseId);
  if (own === null) return null;
  return approved(action, specificationFacts(action.detail, { ...own, hose }));
}
