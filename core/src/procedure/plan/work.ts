/** What is still to be done, from the scope and what the steps taken have left; and what `auto` stands for. */
import type { End } from './ends.ts';
import type { Kept, PlanHold, PlanJoint, PlanLine, PlanScope, SeizedWay } from './scope.ts';
import { ENDS, otherEnd } from './ends.ts';
import type { PlanState } from './state.ts';
import { bodyOn } from './state.ts';
import type { Body, JoinedBy, OpenedBy } from './steps.ts';

/** A line that comes off, goes on, or both. */
export interface Move {
  readonly line: PlanLine;
  readonly off: Body | null;
  readonly on: Body | null;
  /** What lies there in the end. */
  readonly lies: Body | null;
}

/** The end of a line that is turned in with the whole line. */
export interface Turned {
  readonly line: PlanLine;
  readonly end: End;
  /** Its nut is seized: the way that was chosen, not the end's own. */
  readonly bySeizure: boolean;
}

/** Lines that share a joint or a corner: the least that can be closed by itself. */
export interface Group {
  readonly index: number;
  readonly lines: readonly PlanLine[];
  readonly joints: readonly PlanJoint[];
}

export interface Work {
  readonly kept: ReadonlyMap<string, Kept>;
  readonly rhythm: 'byCorner' | 'allOff';
  readonly trialWashers: 'on' | 'off';
  readonly seizedWay: ReadonlyMap<string, SeizedWay>;
  readonly moves: readonly Move[];
  readonly opens: ReadonlySet<string>;
  readonly joins: ReadonlySet<string>;
  readonly finals: ReadonlySet<string>;
  /** Joints that are opened, or joined, by turning a line. */
  readonly turnedOff: ReadonlyMap<string, Turned>;
  readonly turnedOn: ReadonlyMap<string, Turned>;
  /** Of a joint that is heated: the joints at the far ends of its lines. */
  readonly heated: ReadonlyMap<string, readonly string[]>;
  readonly groups: readonly Group[];
  readonly groupOf: ReadonlyMap<string, number>;
}

const FLARE_NUTS: ReadonlySet<string> = new Set(['invertedFlareNut', 'bubbleFlareNut']);
const FEMALE: ReadonlySet<string> = new Set(['femaleInverted', 'femaleBubble']);

/** Pipes that were cut off at a joint, or will be, and go on again: their end is flared anew. */
export function cutPipes(
  scope: PlanScope,
  state: PlanState,
  work: Work,
  jointId: string,
): readonly PlanLine[] {
  const now = state.joints.get(jointId);
  const isCut = now?.openedBy === 'cut' && !now.freed;
  if (!isCut && work.seizedWay.get(jointId) !== 'cut') return [];
  return linesAt(scope, jointId).filter(({ id, kind, action }) => {
    const lies = work.moves.find(({ line }) => line.id === id)?.lies;
    return kind === 'hardLine' && (action === 'leave' || lies === 'old');
  });
}

export const linesAt = ({ lines }: Pick<PlanScope, 'lines'>, jointId: string): readonly PlanLine[] =>
  lines.filter((line) => ENDS.some((end) => line[end].joint === jointId));

export const endAt = (line: PlanLine, jointId: string): End => (line.A.joint === jointId ? 'A' : 'B');

export const reservoirOf = ({ circuits, joints }: PlanScope, jointId: string): string => {
  const circuit = joints.find(({ id }) => id === jointId)?.circuit;
  return circuits.find(({ id }) => id === circuit)?.reservoir ?? '';
};

const isWork = ({ action }: PlanLine): boolean => action !== 'leave';

function keptOf(scope: PlanScope, state: PlanState): ReadonlyMap<string, Kept> {
  return new Map(
    scope.reservoirs.map(({ id, kept }): [string, Kept] => {
      if (kept !== 'auto') return [id, kept];
      if (state.drained.has(id)) return [id, 'drain'];
      const circuits = scope.circuits.filter(({ reservoir }) => reservoir === id);
      const own = scope.joints.filter(({ circuit }) => circuits.some((one) => one.id === circuit));
      // Once begun it keeps its way.
      if (own.some((joint) => state.joints.get(joint.id)?.touched)) return [id, 'wet'];
      const lines = scope.lines.filter((line) => own.some((joint) => joint.id === line.A.joint));
      const isAllOff = lines.length > 0 && lines.every(isWork);
      const canRunDry = circuits.every(({ abs, absCanBeCycled }) => abs === null || absCanBeCycled);
      return [id, isAllOff && canRunDry ? 'drain' : 'wet'];
    }),
  );
}

function moveOf(line: PlanLine, state: PlanState): Move {
  const now = state.lines.get(line.id);
  const lies = now ? bodyOn(now) : null;
  const move = (off: Body | null, on: Body | null): Move => ({ line, off, on, lies: on ?? lies });
  if (!now || !isWork(line)) return move(null, null);
  const { old, new: fresh } = now;
  if (line.action === 'backOut') {
    if (fresh === 'routed') return move('new', 'old');
    return old === 'off' ? move(null, 'old') : move(null, null);
  }
  if (line.action === 'refit') {
    if (old === 'on') return move('old', 'old');
    return old === 'off' ? move(null, 'old') : move(null, null);
  }
  if (fresh === 'routed') return move(null, null);
  return move(old === 'on' ? 'old' : null, 'new');
}

/** A hold that was forgotten and cannot be put on while its end, or either end, is joined. */
const needsOpenEnd = ({ kind, closed }: PlanHold): boolean => closed || kind === 'supportWasher';

/** Joints that are opened once more for a hold that was left off: the easier end of its line. */
function reopened(scope: PlanScope, state: PlanState, moves: readonly Move[]): readonly string[] {
  return scope.holds.flatMap((hold) => {
    const move = moves.find(({ line }) => line.id === hold.line);
    const isIdle = move && isWork(move.line) && move.off === null && move.on === null;
    if (!isIdle || state.holds.get(hold.id) !== 'released' || !needsOpenEnd(hold)) return [];
    const ends = hold.at === 'mid' ? ENDS : [hold.at];
    const joints = ends.map((end) => move.line[end].joint);
    const phases = joints.map((id) => state.joints.get(id)?.phase);
    // One of them still stands open: it goes on before that one is joined.
    if (hold.at === 'mid' ? phases.includes('open') : phases[0] === 'open') return [];
    const ease = (id: string) =>
      (state.joints.get(id)?.phase === 'tight' ? 10 : 0) +
      (scope.joints.find((joint) => joint.id === id)?.access ?? 0);
    return joints.toSorted((a, b) => ease(a) - ease(b)).slice(0, 1);
  });
}

interface Ends {
  readonly scope: PlanScope;
  readonly state: PlanState;
  readonly moves: readonly Move[];
}

/** The end of a moved line that turns with the line at a joint, by the kind of the end alone. */
function turnedEnd({ scope, moves }: Ends, jointId: string, which: 'off' | 'lies'): Turned | null {
  for (const { line, ...move } of moves) {
    if (!isWork(line) || move[which] === null || !ENDS.some((end) => line[end].joint === jointId)) continue;
    const end = endAt(line, jointId);
    const kind = line[end].end;
    const hasNut = linesAt(scope, jointId).some((other) => FLARE_NUTS.has(other[endAt(other, jointId)].end));
    if (kind === 'maleScrewed' || (FEMALE.has(kind) && !hasNut)) return { line, end, bySeizure: false };
  }
  return null;
}

/** The hose that can be turned off a seized nut; null where none is moved. */
function hoseAtSeized({ moves }: Ends, jointId: string, which: 'off' | 'lies'): Turned | null {
  const move = moves.find(
    ({ line, ...each }) =>
      isWork(line) &&
      each[which] !== null &&
      ENDS.some((end) => line[end].joint === jointId && FEMALE.has(line[end].end)),
  );
  return move ? { line: move.line, end: endAt(move.line, jointId), bySeizure: true } : null;
}

/** The nut of a new pipe turns; so does one that was heated, or whose pipe was flared anew. */
const isSeized = ({ scope, state }: Ends, joint: PlanJoint): boolean =>
  joint.seized === true &&
  state.joints.get(joint.id)?.freed !== true &&
  !linesAt(scope, joint.id).some(
    ({ id, kind }) => kind === 'hardLine' && state.lines.get(id)?.new === 'routed',
  );

function wayOf(ends: Ends, joint: PlanJoint, isDrained: boolean): SeizedWay {
  const { scope } = ends;
  const asked = scope.choices.seizedWay?.[joint.id];
  if (asked !== undefined && asked !== 'auto') return asked;
  const hose = hoseAtSeized(ends, joint.id, 'off');
  if (hose) {
    const far = hose.line[otherEnd(hose.end)].joint;
    const isKeyed = scope.holds.some(
      ({ line, at, keyed }) => line === hose.line.id && at === hose.end && keyed,
    );
    if (!isKeyed && turnedEnd(ends, far, 'off') === null) return 'turnHose';
  }
  // A far end that is turned in cannot be opened before this one.
  const standsOpen = linesAt(scope, joint.id).every((line) => {
    const far = line[otherEnd(endAt(line, joint.id))].joint;
    const isSeizedToo = scope.joints.find(({ id }) => id === far)?.seized === true;
    return !isSeizedToo && turnedEnd(ends, far, 'off') === null;
  });
  return isDrained && standsOpen ? 'heat' : 'cut';
}

function groupsOf(scope: PlanScope, state: PlanState, isByCorner: boolean): readonly Group[] {
  const lines = scope.lines.filter(isWork);
  const root = new Map<string, string>();
  const find = (key: string): string => {
    const up = root.get(key) ?? key;
    if (up === key) return key;
    const top = find(up);
    root.set(key, top);
    return top;
  };
  for (const line of lines)
    for (const key of [
      line.A.joint,
      line.B.joint,
      ...(line.corner === undefined ? [] : [`corner ${line.corner}`]),
    ])
      root.set(find(key), find(`line ${line.id}`));
  const byRoot = new Map<string, PlanLine[]>();
  for (const line of lines) {
    const key = find(`line ${line.id}`);
    byRoot.set(key, [...(byRoot.get(key) ?? []), line]);
  }
  const isBegun = (own: readonly PlanLine[]) =>
    own.some((line) =>
      ENDS.some((end) => {
        const joint = state.joints.get(line[end].joint);
        return joint?.touched && joint.phase !== 'tight';
      }),
    );
  const parts = [...byRoot.values()];
  // By corner the one that was begun is closed first.
  const inTurn = isByCorner ? [...parts.filter(isBegun), ...parts.filter((own) => !isBegun(own))] : parts;
  const withLines = inDemandedOrder(scope, inTurn).map((own) => ({
    lines: own,
    joints: scope.joints.filter(({ id }) => own.some((line) => ENDS.some((end) => line[end].joint === id))),
  }));
  // A joint that is only tightened anew is a group of its own; one that was begun is closed first.
  const alone = scope.joints
    .filter((joint) => joint.reopen && !withLines.some(({ joints }) => joints.includes(joint)))
    .map((joint) => ({ lines: [], joints: [joint] }));
  const isLeftOpen = ({ joints }: { readonly joints: readonly PlanJoint[] }) =>
    isByCorner &&
    joints.some(({ id }) => {
      const now = state.joints.get(id);
      return now?.touched && now.phase !== 'tight';
    });
  return [...alone.filter(isLeftOpen), ...withLines, ...alone.filter((group) => !isLeftOpen(group))].map(
    (group, index) => ({ index, ...group }),
  );
}

/** What somebody wants first comes first, where groups are otherwise taken as they are listed. */
function inDemandedOrder(
  { demands, holds }: PlanScope,
  groups: readonly (readonly PlanLine[])[],
): readonly (readonly PlanLine[])[] {
  const groupIn = (pattern: Readonly<Record<string, unknown>>): number =>
    groups.findIndex((own) =>
      own.some(
        (line) =>
          line.id === pattern.line ||
          ENDS.some((end) => line[end].joint === pattern.joint) ||
          holds.some((hold) => hold.id === pattern.hold && hold.line === line.id),
      ),
    );
  const wanted = demands
    .map(({ first, then }) => [groupIn(first), groupIn(then)] as const)
    .filter(([first, then]) => first >= 0 && then >= 0 && first !== then);
  const order = groups.map((_, index) => index);
  // Few groups, few demands: each that lies wrong is put right, at most as often as there are pairs.
  for (let round = 0; round < wanted.length * groups.length; round += 1) {
    const wrong = wanted.find(([first, then]) => order.indexOf(first) > order.indexOf(then));
    if (!wrong) break;
    order.splice(order.indexOf(wrong[0]), 1);
    order.splice(order.indexOf(wrong[1]), 0, wrong[0]);
  }
  return order.map((index) => groups[index] ?? []);
}

export function workOf(scope: PlanScope, state: PlanState): Work {
  const moves = scope.lines.map((line) => moveOf(line, state));
  const ends: Ends = { scope, state, moves };
  const kept = keptOf(scope, state);
  const phase = (id: string) => state.joints.get(id)?.phase ?? 'closedOld';
  const offAt = (id: string) =>
    moves.some(({ line, off }) => {
      const now = state.lines.get(line.id);
      return (
        off !== null && now !== undefined && bodyOn(now) === off && ENDS.some((end) => line[end].joint === id)
      );
    });
  const opens = new Set(
    scope.joints
      .map(({ id }) => id)
      .filter((id) => phase(id) !== 'open' && (offAt(id) || phase(id) === 'cracked')),
  );
  for (const id of reopened(scope, state, moves)) opens.add(id);
  for (const { id, reopen } of scope.joints) if (reopen && !state.joints.get(id)?.touched) opens.add(id);
  const seizedWay = new Map<string, SeizedWay>();
  const heated = new Map<string, readonly string[]>();
  for (const joint of scope.joints.filter(({ id }) => phase(id) === 'open')) {
    // Turned off its seized nut it is turned on again.
    const now = state.joints.get(joint.id);
    if (isSeized(ends, joint) && now?.openedBy === 'turningHose') seizedWay.set(joint.id, 'turnHose');
  }
  for (const joint of scope.joints.filter((one) => opens.has(one.id) && isSeized(ends, one))) {
    const way = wayOf(ends, joint, kept.get(reservoirOf(scope, joint.id)) === 'drain');
    seizedWay.set(joint.id, way);
    if (way !== 'heat') continue;
    const far = linesAt(scope, joint.id).map((line) => line[otherEnd(endAt(line, joint.id))].joint);
    heated.set(joint.id, far);
    for (const id of far) if (phase(id) !== 'open') opens.add(id);
  }
  const joins = new Set([...opens, ...scope.joints.map(({ id }) => id).filter((id) => phase(id) === 'open')]);
  const finals = new Set([
    ...joins,
    ...scope.joints.map(({ id }) => id).filter((id) => ['handBare', 'handWashered'].includes(phase(id))),
  ]);
  const turned = (which: 'off' | 'lies', id: string): Turned | null => {
    const isTurnedOff = seizedWay.get(id) === 'turnHose' && (which === 'off' || pipeStays(moves, id));
    // What was joined so by now is tightened so.
    const wasTurnedOn =
      which === 'lies' && !joins.has(id) && state.joints.get(id)?.joinedBy === 'turningHose';
    return (isTurnedOff || wasTurnedOn ? hoseAtSeized(ends, id, which) : null) ?? turnedEnd(ends, id, which);
  };
  const turnedAt = (which: 'off' | 'lies', of: ReadonlySet<string>) =>
    new Map(
      [...of].flatMap((id): [string, Turned][] => {
        const found = turned(which, id);
        return found ? [[id, found]] : [];
      }),
    );
  const anyWet = [...kept.values()].includes('wet');
  const asked = scope.choices;
  const rhythm =
    asked.rhythm === 'byCorner' || asked.rhythm === 'allOff' ? asked.rhythm : anyWet ? 'byCorner' : 'allOff';
  const trialWashers =
    asked.trialWashers === 'on' || asked.trialWashers === 'off' ? asked.trialWashers : anyWet ? 'on' : 'off';
  const groups = groupsOf(scope, state, rhythm === 'byCorner');
  const groupOf = new Map<string, number>();
  for (const { index, lines, joints } of groups) {
    for (const { id } of joints) groupOf.set(id, index);
    for (const { id } of lines) groupOf.set(id, index);
  }
  // A joint that was opened only so that one at the far end of its pipe could be heated belongs to that one.
  for (const line of scope.lines)
    for (const end of ENDS) {
      const own = groupOf.get(line[end].joint);
      const far = line[otherEnd(end)].joint;
      if (own !== undefined && finals.has(line[end].joint) && finals.has(far) && !groupOf.has(far))
        groupOf.set(far, own);
    }
  return {
    kept,
    rhythm,
    trialWashers,
    seizedWay,
    moves,
    opens,
    joins,
    finals,
    turnedOff: turnedAt('off', opens),
    turnedOn: turnedAt('lies', finals),
    heated,
    groups,
    groupOf,
  };
}

/** The pipe that will lie there is the one with the seized nut. */
const pipeStays = (moves: readonly Move[], jointId: string): boolean =>
  !moves.some(
    ({ line, lies }) =>
      lies === 'new' && line.kind === 'hardLine' && ENDS.some((end) => line[end].joint === jointId),
  );

/** How a joint comes apart. */
export function openedBy(scope: PlanScope, work: Work, jointId: string): OpenedBy {
  if (work.seizedWay.get(jointId) === 'cut') return 'cut';
  return work.turnedOff.has(jointId) ? 'turningHose' : boltOrNut(scope, jointId);
}

/** How it is joined. */
export const joinedBy = (scope: PlanScope, work: Work, jointId: string): JoinedBy =>
  work.turnedOn.has(jointId) ? 'turningHose' : boltOrNut(scope, jointId);

const boltOrNut = (scope: PlanScope, jointId: string): 'bolt' | 'nut' =>
  linesAt(scope, jointId).some((line) => line[endAt(line, jointId)].end === 'banjo') ? 'bolt' : 'nut';
