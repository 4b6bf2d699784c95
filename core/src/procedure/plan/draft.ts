/** The blocks of a plan with everything that has to be before something else. */
import type { Block } from './graph.ts';
import { PlanGraph } from './graph.ts';
import type { Reason } from './rules.ts';
import type { End } from './ends.ts';
import type { PlanHold, PlanJoint, PlanLine, PlanScope } from './scope.ts';
import { ENDS, otherEnd } from './ends.ts';
import type { PlanState } from './state.ts';
import { openingsAt } from './state.ts';
import type { PlanStep } from './steps.ts';
import { endOpening } from './steps.ts';
import type { Group, Move, Turned, Work } from './work.ts';
import { cutPipes, endAt, joinedBy, linesAt, openedBy, reservoirOf } from './work.ts';

/** Where a block comes in the run of a job. */
const PHASE = { shut: 0, prepare: 1, fluid: 2, off: 3, on: 4, trial: 5, final: 6, level: 7, end: 8 } as const;
const WEARING = ['faceShield', 'leatherGloves'];

/** It shuts what was left standing open, or goes on with a join or a heating that was begun. */
export const isUrgent = ({ key }: Pick<Block, 'key'>): boolean => key.length === 1 && key[0] === PHASE.shut;

const isLocking = ({ kind, keyed }: PlanHold): boolean => keyed || kind === 'springClip' || kind === 'pClip';
/** The bolt is out for its new washers. */
export const isFinishing = ({ key }: Pick<Block, 'key'>): boolean =>
  key.length === 2 && key[0] === PHASE.shut && key[1] === FINISHING;
const FINISHING = 2;

export function draftOf(scope: PlanScope, state: PlanState, work: Work): PlanGraph {
  return new Draft(scope, state, work).graph;
}

class Draft {
  readonly graph = new PlanGraph();
  private readonly scope: PlanScope;
  private readonly state: PlanState;
  private readonly work: Work;
  private readonly joints: ReadonlyMap<string, PlanJoint>;

  constructor(scope: PlanScope, state: PlanState, work: Work) {
    this.scope = scope;
    this.state = state;
    this.work = work;
    this.joints = new Map(scope.joints.map((joint) => [joint.id, joint]));
    const moved = work.moves.filter(({ off, on }) => off !== null || on !== null);
    this.shutOpenEnds();
    for (const move of moved) this.prepareLine(move);
    this.offerAnew();
    this.prepareAll();
    for (const id of work.opens) this.openJoint(id);
    this.heatJoints();
    this.fluids();
    for (const move of moved) this.moveLine(move);
    this.holds();
    for (const id of work.joins) this.joinJoint(id);
    for (const id of work.finals) this.finishJoint(id);
    for (const move of moved) this.orderOff(move);
    for (const move of work.moves) this.orderOn(move);
    for (const hold of scope.holds) this.orderHold(hold);
    for (const group of work.groups) this.trialOf(group);
    this.leads();
    this.rhythm();
    this.milestones();
    this.covers();
  }

  /** By corner each group runs through; else all of them go through each phase together. */
  private key(phase: number, group: number, ...rest: readonly number[]): readonly number[] {
    return this.work.rhythm === 'byCorner' && phase >= PHASE.off && phase <= PHASE.level
      ? [PHASE.off, group, phase, ...rest]
      : [phase, group, ...rest];
  }

  private groupOf(id: string): number {
    return this.work.groupOf.get(id) ?? 0;
  }

  private place(id: string): readonly number[] {
    const joint = this.joints.get(id);
    return [-(joint?.access ?? 0), joint?.fromMaster_m ?? 0];
  }

  private before(first: string, then: string, reason: Reason, subject = ''): void {
    this.graph.before(first, then, reason, subject);
  }

  /** What was left standing open is shut before anything else: joined where its caps were coming off for that, else capped. */
  private shutOpenEnds(): void {
    const waiting = new Set(
      [...this.resumedHeat(), ...this.resumedJoins()].flatMap(({ openings }) => openings),
    );
    const left = [...this.state.openings]
      .filter(([opening, how]) => how !== 'capped' && !waiting.has(opening))
      .map(([opening]) => opening);
    const isOpen = ({ id }: PlanJoint) => this.state.joints.get(id)?.phase === 'open';
    const steps = [
      ...this.scope.joints.filter(isOpen).flatMap(({ id }) => this.reflaresAt(id)),
      ...left.map((opening): PlanStep => ({ kind: 'cap', opening })),
    ];
    if (steps.length > 0) this.graph.add('shut', steps, [PHASE.shut]);
  }

  private reflaresAt(joint: string): readonly PlanStep[] {
    return cutPipes(this.scope, this.state, this.work, joint).map((line) => ({
      kind: 'reflare',
      line: line.id,
      end: endAt(line, joint),
    }));
  }

  /** Joints whose caps were coming off, with everything in place: they are joined next. */
  private resumedJoins(): readonly { readonly joint: string; readonly openings: readonly string[] }[] {
    return [...this.work.joins].flatMap((joint) => {
      if (this.work.opens.has(joint)) return [];
      const openings = this.openingsFor(joint).filter((one) => this.state.openings.get(one) === 'uncapped');
      const isReady = linesAt(this.scope, joint).every((line) => {
        const move = this.work.moves.find((one) => one.line.id === line.id);
        return move?.off === null && move.on === null;
      });
      return openings.length > 0 && isReady ? [{ joint, openings }] : [];
    });
  }

  /** Joints that were about to be heated, with both pipes open. */
  private resumedHeat(): readonly { readonly joint: string; readonly openings: readonly string[] }[] {
    return [...this.work.heated].flatMap(([joint, far]) => {
      if (far.some((each) => this.work.opens.has(each))) return [];
      const openings = this.pipeEnds(joint).filter((one) => this.state.openings.get(one) === 'open');
      return openings.length > 0 ? [{ joint, openings }] : [];
    });
  }

  /** Its port, and every end that comes to it. */
  private openingsFor(joint: string): readonly string[] {
    return [
      ...openingsAt(this.scope, joint),
      ...linesAt(this.scope, joint).map((line) => endOpening(line.id, endAt(line, joint))),
    ];
  }

  /** Ends of pipes that stay, at the far joints of one that is heated. */
  private pipeEnds(joint: string): readonly string[] {
    return linesAt(this.scope, joint)
      .filter(({ action }) => action === 'leave')
      .map((line) => endOpening(line.id, otherEnd(endAt(line, joint))));
  }

  /** Whether a reservoir is sucked empty. */
  private isDrained(jointId: string): boolean {
    return this.work.kept.get(reservoirOf(this.scope, jointId)) === 'drain';
  }

  private prepareLine({ line, off, on }: Move): void {
    const now = this.state.lines.get(line.id);
    const { id } = line;
    const key = [PHASE.prepare, 0];
    if (!now?.photographed && off !== null && line.action !== 'backOut')
      this.graph.add(`photograph ${id}`, [{ kind: 'photograph', line: id }], key);
    if (line.action === 'replace' && on === 'new' && !now?.offeredUp)
      this.graph.add(`offer ${id}`, [{ kind: 'offerUp', line: id }], [PHASE.prepare, 4]);
    if (line.turnEnd && on === 'new' && !now?.turned)
      this.graph.add(
        `turn ${id}`,
        [{ kind: 'turnEnd', line: id, end: line.turnEnd.end, angle_deg: line.turnEnd.angle_deg }],
        [PHASE.prepare, 3],
      );
    if (line.action === 'remake' && on === 'new' && !now?.made) {
      const isBench = line.madeFrom === 'inPlace';
      this.graph.add(
        `make ${id}`,
        [{ kind: 'makeLine', line: id }],
        isBench ? [PHASE.prepare, 5] : this.key(PHASE.on, this.groupOf(id), -10),
      );
    }
  }

  /** It lies there, and nobody has held this very one to its route: it became another one since. */
  private offerAnew(): void {
    for (const { line, off, on } of this.work.moves) {
      const now = this.state.lines.get(line.id);
      const isJoined = ENDS.some((end) => this.work.finals.has(line[end].joint));
      if (line.action === 'replace' && !off && !on && now?.new === 'routed' && !now.offeredUp && isJoined)
        this.graph.add(`offer ${line.id}`, [{ kind: 'offerUp', line: line.id }], [PHASE.prepare, 4]);
    }
  }

  private prepareAll(): void {
    const { opens } = this.work;
    if (opens.size > 0 && !this.state.paintCovered)
      this.graph.add('paint', [{ kind: 'coverPaint' }], [PHASE.prepare, 2]);
    // Each reservoir is left alone until all its new lines were held to their routes.
    for (const { id } of this.scope.reservoirs) this.graph.add(`offered ${id}`, [], [PHASE.prepare, 6]);
    for (const { line } of this.work.moves)
      this.before(`offer ${line.id}`, `offered ${reservoirOf(this.scope, line.A.joint)}`, 'PR1');
  }

  private openJoint(id: string): void {
    const joint = this.joints.get(id);
    const now = this.state.joints.get(id);
    if (!joint || !now) return;
    const group = this.groupOf(id);
    const by = openedBy(this.scope, this.work, id);
    const isClosed = now.phase === 'closedOld' || now.phase === 'tight';
    if (joint.soak && !now.soaked && now.phase === 'closedOld')
      this.graph.add(`soak ${id}`, [{ kind: 'soak', joint: id }], [PHASE.prepare, 1]);
    if (!now.clean)
      this.graph.add(`clean ${id}`, [{ kind: 'clean', joint: id }], this.key(PHASE.off, group, -3));
    if (isClosed && (by === 'bolt' || by === 'nut'))
      this.graph.add(`crack ${id}`, [{ kind: 'crack', joint: id }], this.key(PHASE.off, group, -2));
    const openings = openingsAt(this.scope, id);
    const reflares = by === 'cut' ? this.reflaresAt(id) : [];
    this.graph.add(
      `open ${id}`,
      [
        { kind: 'open', joint: id, by },
        ...reflares,
        ...openings.map((opening): PlanStep => ({ kind: 'cap', opening })),
      ],
      this.key(PHASE.off, group, 0, joint.height_m),
    );
    this.before(`soak ${id}`, `clean ${id}`, 'PR3', id);
    this.before('shut', `crack ${id}`, 'CP1');
    this.before('shut', `open ${id}`, 'CP1');
    this.before(`crack ${id}`, `open ${id}`, 'STATE');
    for (const deed of [`crack ${id}`, `open ${id}`]) {
      this.before(`clean ${id}`, deed, 'PR4');
      this.before('paint', deed, 'PR5', id);
      this.before(`offered ${reservoirOf(this.scope, id)}`, deed, 'PR1');
    }
  }

  /** The joints at the far ends are opened, the fitting is heated while the pipes stand open, and then they are capped. */
  private heatJoints(): void {
    for (const [id, far] of this.work.heated) {
      const group = this.groupOf(id);
      const pipeEnds = this.pipeEnds(id);
      const isResumed = this.resumedHeat().some(({ joint }) => joint === id);
      // What was capped as it was opened before the heat stays open until after it.
      const opened = far.filter((each) => openingsAt(this.scope, each).some((one) => pipeEnds.includes(one)));
      const steps: PlanStep[] = [];
      for (const each of opened)
        steps.push(
          ...this.graph
            .empty(`open ${each}`)
            .filter((step) => !(step.kind === 'cap' && pipeEnds.includes(step.opening))),
        );
      for (const opening of pipeEnds)
        if (!isResumed && this.state.openings.has(opening)) steps.push({ kind: 'uncap', opening });
      steps.push({ kind: 'heat', joint: id, wearing: WEARING });
      steps.push(...pipeEnds.map((opening): PlanStep => ({ kind: 'cap', opening })));
      this.graph.add(`heat ${id}`, steps, isResumed ? [PHASE.shut] : this.key(PHASE.off, group, -1));
      this.before('shut', `heat ${id}`, 'CP1');
      for (const each of far) {
        if (opened.includes(each)) {
          // Its own block is empty now: whatever waits for it waits for the heat.
          this.before(`open ${each}`, `heat ${id}`, 'STATE');
          const from = this.graph.find(`open ${each}`);
          const to = this.graph.find(`heat ${id}`);
          if (from !== undefined && to !== undefined) {
            this.graph.also(`opening ${each}`, from);
            this.graph.also(`open ${each}`, to);
          }
        } else this.before(`open ${each}`, `heat ${id}`, 'OF8');
      }
      this.before(`heat ${id}`, `crack ${id}`, 'OF7');
      this.before(`heat ${id}`, `open ${id}`, 'OF7');
    }
  }

  private fluids(): void {
    for (const { id, nipples } of this.scope.reservoirs) {
      const own = [...this.work.opens].filter((joint) => reservoirOf(this.scope, joint) === id);
      if (own.length === 0 || this.work.kept.get(id) !== 'drain') continue;
      if (!this.state.drained.has(id))
        this.graph.add(`drain ${id}`, [{ kind: 'drainReservoir', reservoir: id }], [PHASE.fluid, 0]);
      this.graph.add(`drained ${id}`, [], [PHASE.fluid, 2]);
      this.before(`offered ${id}`, `drain ${id}`, 'PR1');
      this.before('paint', `drain ${id}`, 'PR5', id);
      this.before('shut', `drain ${id}`, 'CP1');
      for (const nipple of nipples) {
        if (this.state.drainedNipples.has(nipple)) continue;
        this.graph.add(`nipple ${nipple}`, [{ kind: 'drainNipple', nipple }], [PHASE.fluid, 1]);
        this.before(`drain ${id}`, `nipple ${nipple}`, 'FL4', id);
        this.before(`offered ${id}`, `nipple ${nipple}`, 'PR1');
        this.before(`nipple ${nipple}`, `drained ${id}`, 'FL4', id);
      }
      this.before(`drain ${id}`, `drained ${id}`, 'FL4', id);
      for (const joint of own) {
        this.before(`drained ${id}`, `opening ${joint}`, 'FL4', id);
        this.before(`drained ${id}`, `open ${joint}`, 'FL4', id);
        this.before(`drained ${id}`, `heat ${joint}`, 'OF8');
      }
    }
  }

  private moveLine({ line, off, on }: Move): void {
    const { id } = line;
    const group = this.groupOf(id);
    if (off !== null)
      this.graph.add(`off ${id}`, [{ kind: 'takeOff', line: id, body: off }], this.key(PHASE.off, group, 5));
    if (on !== null)
      this.graph.add(`route ${id}`, [{ kind: 'route', line: id, body: on }], this.key(PHASE.on, group, -5));
    this.before(`off ${id}`, `route ${id}`, 'ON5');
    if (line.madeFrom !== 'inPlace') this.before(`off ${id}`, `make ${id}`, 'ON5');
    this.before(`make ${id}`, `route ${id}`, 'ON5');
    this.before(`turn ${id}`, `route ${id}`, 'ON7');
    this.before(`photograph ${id}`, `off ${id}`, 'PR2', id);
    for (const end of ENDS) {
      const joint = line[end].joint;
      this.before(`open ${joint}`, `off ${id}`, 'OF6');
      for (const deed of [`crack ${joint}`, `open ${joint}`, `opening ${joint}`])
        this.before(`photograph ${id}`, deed, 'PR2', id);
    }
  }

  private holds(): void {
    for (const hold of this.scope.holds) {
      const move = this.work.moves.find(({ line }) => line.id === hold.line);
      const now = this.state.holds.get(hold.id);
      if (!move || move.line.action === 'leave') continue;
      const group = this.groupOf(hold.line);
      const isOn = now !== 'released';
      const isMoved = move.off !== null;
      // Its body is off already: so is what held it, but for what was put on the new one.
      const isReleased = isOn && isMoved;
      if (isReleased)
        this.graph.add(
          `release ${hold.id}`,
          [{ kind: 'releaseHold', hold: hold.id }],
          this.key(PHASE.off, group, 1),
        );
      const isUntouched = move.off === null && move.on === null && isOn;
      const isPlaced = (isReleased || !isOn) && !isUntouched;
      if (isPlaced)
        this.graph.add(
          `place ${hold.id}`,
          [{ kind: 'placeHold', hold: hold.id }],
          this.key(PHASE.on, group, -1),
        );
      if (hold.tighten && (isPlaced || now === 'placed'))
        this.graph.add(
          `tighten ${hold.id}`,
          [{ kind: 'tightenHold', hold: hold.id }],
          this.key(PHASE.trial, group, 1),
        );
    }
  }

  private joinJoint(id: string): void {
    const joint = this.joints.get(id);
    if (!joint) return;
    const by = joinedBy(this.scope, this.work, id);
    const isTurned = this.work.turnedOn.has(id);
    const washers = isTurned || this.work.trialWashers === 'on' ? joint.washers : 0;
    const ends = linesAt(this.scope, id).map((line) => ({
      line,
      move: this.work.moves.find((one) => one.line.id === line.id),
      opening: endOpening(line.id, endAt(line, id)),
    }));
    const isFlaredElsewhere =
      openedBy(this.scope, this.work, id) === 'cut' || this.state.joints.get(id)?.phase === 'open';
    const reflares = isFlaredElsewhere ? [] : this.reflaresAt(id);
    if (reflares.length > 0)
      this.graph.add(`flare ${id}`, reflares, this.key(PHASE.on, this.groupOf(id), -6));
    this.before(`flare ${id}`, `join ${id}`, 'OF9');
    const resumed = this.resumedJoins().find(({ joint: one }) => one === id);
    const isOpen = !this.work.opens.has(id);
    const capped = [
      ...openingsAt(this.scope, id),
      ...ends.flatMap(({ line, move, opening }) => {
        if (line.action === 'leave') return [];
        return move?.on === 'new' || (move?.off !== 'new' && this.state.openings.has(opening))
          ? [opening]
          : [];
      }),
    ].filter((opening) => !(isOpen && resumed?.openings.includes(opening)));
    this.graph.add(
      `join ${id}`,
      [
        ...capped.map((opening): PlanStep => ({ kind: 'uncap', opening })),
        { kind: 'join', joint: id, by, washers },
      ],
      resumed ? [PHASE.shut] : this.key(PHASE.on, this.groupOf(id), 0, ...this.place(id)),
    );
    this.before('shut', `join ${id}`, 'CP1');
    if (resumed)
      for (const other of this.work.opens)
        for (const deed of ['crack', 'open']) this.before(`join ${id}`, `${deed} ${other}`, 'CP1');
    this.before(`open ${id}`, `join ${id}`, 'STATE');
    for (const { line } of ends) {
      this.before(`offer ${line.id}`, `join ${id}`, 'PR1');
      this.before(`off ${line.id}`, `join ${id}`, 'ON5');
      this.before(`route ${line.id}`, `join ${id}`, 'ON5');
    }
  }

  private finishJoint(id: string): void {
    const joint = this.joints.get(id);
    const now = this.state.joints.get(id);
    if (!joint || !now) return;
    const isJoined = this.work.joins.has(id);
    const turned = this.work.turnedOn.get(id);
    const withWashers = isJoined
      ? turned !== undefined || this.work.trialWashers === 'on'
      : now.phase === 'handWashered';
    const needsFresh = joint.washers > 0 && !withWashers;
    const meets = linesAt(this.scope, id).length > 1;
    const held = {
      ...(joint.stop ? { neckHeld: true as const } : {}),
      ...(meets && joinedBy(this.scope, this.work, id) !== 'bolt' ? { backup: true as const } : {}),
    };
    this.graph.add(
      `final ${id}`,
      [
        ...(needsFresh ? [{ kind: 'freshWashers' as const, joint: id, washers: joint.washers }] : []),
        joint.figure
          ? { kind: 'torque', joint: id, ...joint.figure, ...held }
          : { kind: 'byFeel', joint: id, ...held },
        { kind: 'mark', joint: id },
      ],
      now.isFinishing
        ? [PHASE.shut, FINISHING]
        : turned
          ? this.key(PHASE.on, this.groupOf(id), 0, ...this.place(id))
          : this.key(PHASE.final, this.groupOf(id), 0, ...this.place(id)),
    );
    this.before(`join ${id}`, `final ${id}`, 'STATE');
  }

  private orderOff({ line, off }: Move): void {
    if (off === null) return;
    const { id } = line;
    const [a, b] = [line.A.joint, line.B.joint];
    for (const end of ENDS) this.turnOff(line, end);
    // Where an end is turned, that decides which one comes first.
    if (ENDS.some((end) => this.isTurned(this.work.turnedOff, line, end))) return;
    const [jointA, jointB] = [this.joints.get(a), this.joints.get(b)];
    if (!jointA || !jointB) return;
    if (this.isDrained(a)) {
      if (jointA.height_m !== jointB.height_m) {
        const [lower, upper] = jointA.height_m < jointB.height_m ? [a, b] : [b, a];
        this.before(`open ${lower}`, `open ${upper}`, 'OF2', id);
        // A nut that is heated first is cracked when both lines stand open.
        if (!this.work.heated.has(upper)) this.before(`crack ${upper}`, `open ${lower}`, 'OF3', id);
      }
    } else if (jointA.fromMaster_m !== jointB.fromMaster_m) {
      const [near, far] = jointA.fromMaster_m < jointB.fromMaster_m ? [a, b] : [b, a];
      this.before(`open ${near}`, `open ${far}`, 'OF4', id);
    }
  }

  /** Whoever turns the line off has its other end free, and whatever keeps it from turning. */
  private turnOff(line: PlanLine, end: End): void {
    const joint = line[end].joint;
    const turned = this.work.turnedOff.get(joint);
    if (!turned || !this.isTurned(this.work.turnedOff, line, end)) return;
    const rule: Reason = turned.bySeizure ? 'OF7' : 'OF1';
    this.before(`open ${line[otherEnd(end)].joint}`, `open ${joint}`, rule);
    for (const hold of this.holdsInTheWay(turned)) this.before(`release ${hold.id}`, `open ${joint}`, rule);
  }

  private isTurned(by: Work['turnedOn'], line: PlanLine, end: End): boolean {
    const turned = by.get(line[end].joint);
    return turned?.line.id === line.id && turned.end === end;
  }

  /** What lets a line not be turned: what locks its end, and whatever holds it elsewhere. */
  private holdsInTheWay({ line, end }: Turned): readonly PlanHold[] {
    return this.scope.holds.filter((hold) => hold.line === line.id && (hold.at !== end || isLocking(hold)));
  }

  private orderOn({ line, lies }: Move): void {
    const { id } = line;
    if (line.action === 'leave') return;
    const [a, b] = [line.A.joint, line.B.joint];
    for (const end of ENDS) {
      const joint = line[end].joint;
      const turned = this.work.turnedOn.get(joint);
      if (!turned || !this.isTurned(this.work.turnedOn, line, end)) continue;
      const other = line[otherEnd(end)].joint;
      this.before(`join ${joint}`, `join ${other}`, 'ON1');
      this.before(`final ${joint}`, `join ${other}`, 'ON2');
      for (const hold of this.holdsInTheWay(turned)) this.before(`final ${joint}`, `place ${hold.id}`, 'ON2');
    }
    if (lies === null || ENDS.some((end) => this.isTurned(this.work.turnedOn, line, end))) return;
    const [jointA, jointB] = [this.joints.get(a), this.joints.get(b)];
    if (!jointA || !jointB) return;
    if (line.kind === 'hardLine') {
      const [far, near] = jointA.fromMaster_m > jointB.fromMaster_m ? [a, b] : [b, a];
      this.before(`join ${far}`, `join ${near}`, 'ON6', id);
      return;
    }
    const isUnit = ({ component }: PlanJoint) =>
      Number(this.scope.components.find((one) => one.id === component)?.kind === 'absUnit');
    const by = jointB.access - jointA.access || isUnit(jointB) - isUnit(jointA);
    if (by === 0) return;
    const [first, then] = by < 0 ? [a, b] : [b, a];
    this.before(`join ${first}`, `join ${then}`, 'ON4', id);
  }

  private orderHold(hold: PlanHold): void {
    const { scope, work } = this;
    const move = work.moves.find(({ line }) => line.id === hold.line);
    if (!move || move.line.action === 'leave') return;
    const { line } = move;
    const [release, place] = [`release ${hold.id}`, `place ${hold.id}`];
    this.before('shut', release, 'CP1');
    this.before(`photograph ${line.id}`, release, 'PR2', line.id);
    this.before(release, `off ${line.id}`, 'OF6');
    this.before(release, place, 'STATE');
    this.before(`off ${line.id}`, place, 'ON5');
    this.before(`route ${line.id}`, place, 'ON5');
    if (hold.at === 'mid') {
      this.orderGuide(hold, line);
      return;
    }
    const joint = line[hold.at].joint;
    if (hold.kind === 'springClip' && openedBy(scope, work, joint) === 'nut')
      this.before(`crack ${joint}`, release, 'OF5', hold.id);
    if (hold.closed) this.before(`open ${joint}`, release, 'OF10');
    if (this.state.joints.get(joint)?.phase === 'open' || work.joins.has(joint)) {
      const turned = work.turnedOn.get(joint);
      const isTurnedHere = turned?.line.id === line.id && turned.end === hold.at;
      // What locks the end of a turned line follows when it is tight; a key has to be there before it is joined.
      if (!isTurnedHere || !isLocking(hold) || hold.keyed) this.before(place, `join ${joint}`, 'ON3');
    }
    // At one end: support washer, bracket, clip; off in the other order.
    for (const other of scope.holds) {
      if (other.line !== hold.line || other.at !== hold.at || RANK[other.kind] <= RANK[hold.kind]) continue;
      this.before(place, `place ${other.id}`, 'ON3');
      this.before(`release ${other.id}`, release, 'STATE');
    }
  }

  /** Something along the line that it goes through. */
  private orderGuide(hold: PlanHold, line: PlanLine): void {
    if (!hold.closed) return;
    const [a, b] = [line.A.joint, line.B.joint];
    const off = ENDS.find((end) => this.work.turnedOff.get(line[end].joint)?.line.id === line.id);
    const openFirst = off === undefined ? [a, b] : [line[otherEnd(off)].joint];
    for (const joint of openFirst) this.before(`open ${joint}`, `release ${hold.id}`, 'OF10');
    const on = ENDS.find((end) => this.work.turnedOn.get(line[end].joint)?.line.id === line.id);
    const joinAfter = on === undefined ? [a, b] : [line[otherEnd(on)].joint];
    for (const joint of joinAfter) {
      this.before(`place ${hold.id}`, `join ${joint}`, 'ON3');
      this.before(`open ${joint}`, `place ${hold.id}`, 'STATE');
    }
  }

  /** Settled with its clips loose, clips tight, seen in each pose. */
  private trialOf({ index, lines, joints }: Group): void {
    const hoses = lines.filter(({ id, kind }) => {
      const now = this.state.lines.get(id);
      // An end that is opened once more does not loosen what its line has settled in.
      const isLoosened = this.scope.holds.some(
        (hold) => hold.line === id && this.graph.find(`tighten ${hold.id}`) !== undefined,
      );
      return kind === 'hose' && (this.isMoved(id) || ((this.isOn(id) || isLoosened) && !now?.settled));
    });
    for (const { id } of hoses)
      this.graph.add(`settle ${id}`, [{ kind: 'settle', line: id }], this.key(PHASE.trial, index, 0));
    const unseen = lines.filter(
      ({ id, poses }) =>
        poses.length > 0 &&
        (this.isJoinedAnew(id) ||
          (this.isOn(id) && poses.some((pose) => !this.state.lines.get(id)?.seen.has(pose)))),
    );
    if (unseen.length > 0)
      this.graph.add(
        `movement ${index}`,
        [
          {
            kind: 'movement',
            lines: unseen.map(({ id }) => id),
            poses: [...new Set(unseen.flatMap(({ poses }) => poses))],
            final: false,
          },
        ],
        this.key(PHASE.trial, index, 2),
      );
    for (const line of lines) {
      const ends = ENDS.map((end) => line[end].joint);
      for (const joint of ends) {
        this.before(`join ${joint}`, `settle ${line.id}`, 'FN1');
        this.before(`join ${joint}`, `movement ${index}`, 'FN1');
      }
      this.before(`settle ${line.id}`, `movement ${index}`, 'FN1');
      for (const hold of this.scope.holds.filter((one) => one.line === line.id)) {
        this.before(`place ${hold.id}`, `settle ${line.id}`, 'FN1');
        this.before(`place ${hold.id}`, `movement ${index}`, 'FN1');
        this.before(`settle ${line.id}`, `tighten ${hold.id}`, 'FN1');
        this.before(`place ${hold.id}`, `tighten ${hold.id}`, 'STATE');
        this.before(`tighten ${hold.id}`, `movement ${index}`, 'FN1');
        for (const joint of ends) this.before(`join ${joint}`, `tighten ${hold.id}`, 'FN1');
      }
      for (const joint of ends) {
        if (this.work.turnedOn.has(joint)) continue;
        for (const each of ends) this.before(`join ${each}`, `final ${joint}`, 'FN1');
        this.before(`settle ${line.id}`, `final ${joint}`, 'FN1');
      }
    }
    for (const { id } of joints)
      if (!this.work.turnedOn.has(id)) this.before(`movement ${index}`, `final ${id}`, 'FN2');
  }

  private isMoved(lineId: string): boolean {
    return this.work.moves.some(({ line, on }) => line.id === lineId && on !== null);
  }

  private isJoinedAnew(lineId: string): boolean {
    const line = this.scope.lines.find(({ id }) => id === lineId);
    return (
      line !== undefined && ENDS.some((end) => this.work.joins.has(line[end].joint)) && this.willBeOn(lineId)
    );
  }

  private willBeOn(lineId: string): boolean {
    const move = this.work.moves.find(({ line }) => line.id === lineId);
    return move?.on !== null || this.isOn(lineId);
  }

  /** It was put on in the steps taken. */
  private isOn(lineId: string): boolean {
    const now = this.state.lines.get(lineId);
    return now?.new === 'routed' || now?.old === 'routed';
  }

  private leads(): void {
    for (const { id, line: lineId, side } of this.scope.leads) {
      const move = this.work.moves.find(({ line }) => line.id === lineId);
      if (!move || move.line.action === 'leave') continue;
      const isOff = this.state.leadsOff.has(id);
      const group = this.groupOf(lineId);
      if (!isOff && move.off !== null)
        this.graph.add(`unplug ${id}`, [{ kind: 'unplugLead', lead: id }], this.key(PHASE.off, group, -4));
      if (isOff || this.graph.find(`unplug ${id}`) !== undefined)
        this.graph.add(
          `plug ${id}`,
          [{ kind: 'plugLead', lead: id, side }],
          // Where everything of its group is tight already it comes next.
          this.jointsOf(group).length > 0 ? this.key(PHASE.final, group, 9) : [PHASE.shut, 3],
        );
      this.before(`photograph ${lineId}`, `unplug ${id}`, 'PR2', lineId);
      for (const end of ENDS) {
        const joint = move.line[end].joint;
        for (const deed of [`crack ${joint}`, `open ${joint}`]) this.before(`unplug ${id}`, deed, 'PR6', id);
        this.before(`final ${joint}`, `plug ${id}`, 'PR6', id);
      }
      this.before(`unplug ${id}`, `plug ${id}`, 'STATE');
    }
  }

  /** One corner after the other, or all off before one goes on. */
  private rhythm(): void {
    const { work, graph, scope } = this;
    const { rhythm } = work;
    for (const { id } of scope.reservoirs) this.levels(id);
    if (rhythm === 'allOff') {
      graph.add('allOff', [], [PHASE.on, -1]);
      graph.add('trial', [], [PHASE.final, -1]);
      for (const { line } of work.moves) {
        this.before(`off ${line.id}`, 'allOff', 'CR2');
        this.before('allOff', `route ${line.id}`, 'CR2');
        this.before(`settle ${line.id}`, 'trial', 'FN7', reservoirOf(scope, line.A.joint));
      }
      for (const { index } of work.groups) this.before(`movement ${index}`, 'trial', 'FN7');
      for (const id of work.finals) {
        if (work.turnedOn.has(id)) continue;
        this.before(`join ${id}`, 'trial', 'FN7', reservoirOf(scope, id));
        this.before('trial', `final ${id}`, 'FN7', reservoirOf(scope, id));
      }
      return;
    }
    for (const { index } of work.groups) {
      const next = index + 1;
      graph.add(`corner ${index}`, [], this.key(PHASE.level, index, 1));
      for (const id of this.jointsOf(index)) this.before(`final ${id}`, `corner ${index}`, 'CR1');
      for (const { id } of scope.reservoirs) this.before(`level ${id} ${index}`, `corner ${index}`, 'CR1');
      if (index > 0) this.before(`corner ${index - 1}`, `corner ${index}`, 'CR1');
      for (const id of this.jointsOf(next)) this.beforeOpening(`corner ${index}`, id, 'CR1');
    }
  }

  private jointsOf(group: number): readonly string[] {
    return [...this.work.finals].filter((id) => this.groupOf(id) === group);
  }

  private beforeOpening(first: string, jointId: string, reason: Reason): void {
    for (const deed of [`crack ${jointId}`, `opening ${jointId}`, `open ${jointId}`])
      this.before(first, deed, reason);
  }

  /** Kept wet: the level is read before the first of its groups is opened, and after each was closed. */
  private levels(reservoir: string): void {
    const { work, graph, scope } = this;
    if (work.kept.get(reservoir) !== 'wet') return;
    const own = work.groups.filter(({ index }) =>
      this.jointsOf(index).some((id) => reservoirOf(scope, id) === reservoir),
    );
    const isTouched = scope.joints.some(
      ({ id }) => this.state.joints.get(id)?.touched && reservoirOf(scope, id) === reservoir,
    );
    if (own.length === 0 && !isTouched) return;
    const isUnderWay = scope.joints.some(({ id }) => {
      const now = this.state.joints.get(id);
      return now?.touched && now.phase !== 'tight' && reservoirOf(scope, id) === reservoir;
    });
    if (!this.state.levelled.has(reservoir) && !isUnderWay)
      graph.add(
        `level ${reservoir}`,
        [{ kind: 'level', reservoir }],
        isTouched ? [PHASE.shut, 4] : [PHASE.fluid, 0],
      );
    this.before(`offered ${reservoir}`, `level ${reservoir}`, 'PR1');
    if (isTouched && work.rhythm === 'byCorner')
      for (const id of work.opens) this.beforeOpening(`level ${reservoir}`, id, 'CR1');
    let before = `level ${reservoir}`;
    for (const { index } of own) {
      const after = `level ${reservoir} ${index}`;
      graph.add(after, [{ kind: 'level', reservoir }], this.key(PHASE.level, index, 0));
      for (const id of this.jointsOf(index).filter((joint) => reservoirOf(scope, joint) === reservoir)) {
        this.beforeOpening(before, id, 'FL3');
        this.before(`join ${id}`, after, 'FL3');
        if (work.rhythm === 'byCorner') this.before(`final ${id}`, after, 'CR1');
      }
      before = after;
    }
  }

  private milestones(): void {
    const { scope, state, work, graph } = this;
    const isTouched = (id: string) => work.finals.has(id) || state.joints.get(id)?.touched === true;
    const joints = scope.joints.filter(({ id }) => isTouched(id));
    if (joints.length === 0) return;
    const again = work.finals.size > 0;
    for (const { id } of joints)
      if (!work.finals.has(id) && state.joints.get(id)?.phase === 'tight' && !state.joints.get(id)?.marked)
        graph.add(`mark ${id}`, [{ kind: 'mark', joint: id }], [PHASE.shut, 1]);
    if (!state.capsCounted || again) graph.add('caps', [{ kind: 'countCaps' }], [PHASE.end]);
    for (const id of work.finals) {
      this.before(`final ${id}`, 'caps', 'EN1');
      this.before(`join ${id}`, 'caps', 'CP3');
    }
    for (const { id: level } of scope.reservoirs) {
      this.before(`level ${level}`, 'caps', 'EN1');
      for (const { index } of work.groups) this.before(`level ${level} ${index}`, 'caps', 'EN1');
    }
    for (const circuit of scope.circuits) {
      const own = joints.filter((joint) => joint.circuit === circuit.id);
      if (own.length > 0) this.fillAndHold(circuit.id, own);
    }
    const seen = scope.lines.filter(
      ({ action, poses, A, B }) =>
        action !== 'leave' && poses.length > 0 && (isTouched(A.joint) || isTouched(B.joint)),
    );
    if (seen.length > 0 && (!state.finalSeen || again))
      graph.add(
        'last movement',
        [
          {
            kind: 'movement',
            lines: seen.map(({ id }) => id),
            poses: [...new Set(seen.flatMap(({ poses }) => poses))],
            final: true,
          },
        ],
        [PHASE.end + 5],
      );
    for (const { id } of joints) this.before(`leak ${id}`, 'last movement', 'EN1');
    for (const { id } of scope.leads) this.before(`plug ${id}`, 'last movement', 'EN1');
  }

  private fillAndHold(circuit: string, joints: readonly PlanJoint[]): void {
    const { scope, state, work, graph } = this;
    const own = scope.circuits.find(({ id }) => id === circuit);
    if (!own) return;
    const again = joints.some(({ id }) => work.finals.has(id));
    if (!state.bled.has(circuit) || again)
      graph.add(`bleed ${circuit}`, [{ kind: 'bleed', circuit }], [PHASE.end + 1]);
    const ranDry = work.kept.get(own.reservoir) === 'drain' && own.abs !== null && own.absCanBeCycled;
    if (ranDry && (!state.cycled.has(circuit) || again))
      graph.add(`cycle ${circuit}`, [{ kind: 'absCycle', circuit }], [PHASE.end + 2]);
    if (!state.held.has(circuit) || again)
      graph.add(`hold ${circuit}`, [{ kind: 'pressureHold', circuit }], [PHASE.end + 3]);
    this.before('caps', `bleed ${circuit}`, 'CP3');
    this.before('caps', `hold ${circuit}`, 'EN1');
    this.before(`bleed ${circuit}`, `cycle ${circuit}`, 'FL2');
    this.before(`bleed ${circuit}`, `hold ${circuit}`, 'EN1');
    this.before(`cycle ${circuit}`, `hold ${circuit}`, 'FL2');
    for (const { id } of joints) {
      this.before(`final ${id}`, `bleed ${circuit}`, 'FN5', id);
      this.before(`mark ${id}`, `bleed ${circuit}`, 'FN5', id);
      if (state.joints.get(id)?.leakChecked && !again) continue;
      graph.add(`leak ${id}`, [{ kind: 'leakCheck', joint: id }], [PHASE.end + 4, 0, ...this.place(id)]);
      this.before(`hold ${circuit}`, `leak ${id}`, 'EN1');
      this.before(`final ${id}`, `leak ${id}`, 'STATE');
    }
  }

  private covers(): void {
    const { scope, state, work, graph } = this;
    for (const { id, joints } of scope.covers) {
      const under = joints.filter(
        (joint) => work.finals.has(joint) || graph.find(`leak ${joint}`) !== undefined,
      );
      const isOpen = state.coversOpen.has(id);
      if (under.length === 0 && !isOpen) continue;
      if (!isOpen) graph.add(`uncover ${id}`, [{ kind: 'openCover', cover: id }], [PHASE.prepare, 0.5]);
      graph.add(`cover ${id}`, [{ kind: 'closeCover', cover: id }], [PHASE.end + 6]);
      this.before(`uncover ${id}`, `cover ${id}`, 'STATE');
      for (const joint of joints) {
        for (const deed of ['soak', 'clean', 'crack', 'opening', 'open', 'join', 'final', 'leak'])
          this.before(`uncover ${id}`, `${deed} ${joint}`, 'PR8');
        this.before(`final ${joint}`, `cover ${id}`, 'PR8');
      }
      for (const each of scope.joints) this.before(`leak ${each.id}`, `cover ${id}`, 'EN2');
      this.before('last movement', `cover ${id}`, 'EN2');
    }
  }
}

const RANK: Readonly<Record<PlanHold['kind'], number>> = {
  supportWasher: 0,
  bracket: 1,
  springClip: 2,
  pClip: 2,
  guide: 2,
};
