/**
 * A vehicle on the lift, as the rules of fitting see it: steps are taken one by one, and each rule that one breaks is told. It shares
 * no code with the planner, so that it finds what the planner gets wrong.
 */
import type { FitPlanDocument } from '../plan.ts';
import type { RuleId } from '../rules.ts';
import type { PlanHold, PlanJoint, PlanLine, PlanScope } from '../scope.ts';
import type { PlanStep } from '../steps.ts';

export interface Broken {
  readonly rule: RuleId | 'STATE';
  readonly what: string;
}
type Ends = 'A' | 'B';
type BodyStep = Extract<PlanStep, { readonly body: unknown }>;
const BOTH: readonly Ends[] = ['A', 'B'];

interface Joint {
  it: PlanJoint;
  at: 'closedOld' | 'cracked' | 'open' | 'hand' | 'tight';
  washered: boolean;
  touched: boolean;
  clean: boolean;
  soaked: boolean;
  heated: boolean;
  cut: boolean;
  flared: boolean;
  marked: boolean;
  leak: boolean;
  settledWith: boolean;
}
interface Line {
  it: PlanLine;
  old: 'on' | 'off' | 'routed';
  fresh: 'waiting' | 'routed' | 'off';
  photo: boolean;
  offered: boolean;
  turned: boolean;
  made: boolean;
  settled: boolean;
  seen: Set<string>;
  cycled: boolean;
}
interface Hold {
  it: PlanHold;
  at: 'on' | 'released' | 'placed' | 'tight';
}

export class Lift {
  readonly broken: Broken[] = [];
  private readonly joints = new Map<string, Joint>();
  private readonly lines = new Map<string, Line>();
  private readonly holds = new Map<string, Hold>();
  private readonly openings = new Map<string, 'open' | 'capped'>();
  private readonly drained = new Set<string>();
  private readonly nipples = new Set<string>();
  private readonly bled = new Set<string>();
  private readonly cycledAbs = new Set<string>();
  private readonly held = new Set<string>();
  private readonly leadsOff = new Set<string>();
  private readonly coversOpen = new Set<string>();
  private readonly openedSinceLevel = new Map<string, Set<string>>();
  private readonly levelled = new Set<string>();
  private paint = false;
  private counted = false;
  private lastSeen = false;
  private facts = true;
  private readonly scope: PlanScope;
  private readonly plan: FitPlanDocument;

  constructor(scope: PlanScope, plan: FitPlanDocument) {
    this.scope = scope;
    this.plan = plan;
    for (const it of scope.joints)
      this.joints.set(it.id, {
        it,
        at: 'closedOld',
        washered: false,
        touched: false,
        clean: false,
        soaked: false,
        heated: false,
        cut: false,
        flared: false,
        marked: false,
        leak: false,
        settledWith: false,
      });
    for (const it of scope.lines)
      this.lines.set(it.id, {
        it,
        old: 'on',
        fresh: 'waiting',
        photo: false,
        offered: false,
        turned: false,
        made: false,
        settled: false,
        seen: new Set(),
        cycled: false,
      });
    for (const it of scope.holds) this.holds.set(it.id, { it, at: 'on' });
    for (const step of scope.done) this.take(step, undefined);
    this.facts = false;
  }

  run(): readonly Broken[] {
    const { steps } = this.plan;
    for (const [index, step] of steps.entries()) {
      this.nothingOpen(step, steps.slice(index));
      this.take(step, steps[index + 1]);
    }
    this.atTheEnd();
    return this.broken;
  }

  private fail(rule: Broken['rule'], what: string, isFine = false): void {
    if (!isFine && !this.facts) this.broken.push({ rule, what });
  }
  private stepsAside(rule: RuleId, ...subjects: readonly string[]): boolean {
    return this.plan.setAside.some(
      (one) => one.rule === rule && (subjects.length === 0 || subjects.includes(one.subject)),
    );
  }
  private j(id: string): Joint {
    const joint = this.joints.get(id);
    if (!joint) throw new Error(`no joint ${id}`);
    return joint;
  }
  private l(id: string): Line {
    const line = this.lines.get(id);
    if (!line) throw new Error(`no line ${id}`);
    return line;
  }
  private at(jointId: string): readonly (readonly [Line, Ends])[] {
    return [...this.lines.values()].flatMap((line) =>
      BOTH.filter((end) => line.it[end].joint === jointId).map((end) => [line, end] as const),
    );
  }
  private reservoir(jointId: string): string {
    const circuit = this.scope.circuits.find(({ id }) => id === this.j(jointId).it.circuit);
    return circuit?.reservoir ?? '';
  }
  private isDrain(jointId: string): boolean {
    return this.plan.choices.kept[this.reservoir(jointId)] === 'drain';
  }
  private isMoved({ it, old, fresh }: Line): boolean {
    if (it.action === 'leave') return false;
    if (it.action === 'backOut') return fresh === 'routed' || old === 'off' || old === 'routed';
    return true;
  }
  /** Lines that share a joint or a corner. */
  private groupOf(jointId: string): ReadonlySet<string> {
    const group = new Set<string>([jointId]);
    for (let grown = true; grown;) {
      grown = false;
      for (const { it } of this.lines.values()) {
        if (it.action === 'leave') continue;
        const own = [it.A.joint, it.B.joint, ...(it.corner === undefined ? [] : [`corner ${it.corner}`])];
        if (own.some((id) => group.has(id)))
          for (const id of own)
            if (!group.has(id)) {
              group.add(id);
              grown = true;
            }
      }
    }
    // A joint that is opened for the sake of a heated one belongs to it.
    return group;
  }

  /** CP1: whatever was opened is shut by the very next steps. */
  private nothingOpen(step: PlanStep, rest: readonly PlanStep[]): void {
    if (['cap', 'uncap', 'join', 'heat', 'reflare'].includes(step.kind)) return;
    const open = [...this.openings].filter(([, how]) => how === 'open').map(([opening]) => opening);
    if (open.length === 0) return;
    const heat = rest.find((one) => one.kind === 'heat');
    const mayWait =
      heat?.kind === 'heat'
        ? this.at(heat.joint).map(([{ it }, end]) => `end:${it.id}:${end === 'A' ? 'B' : 'A'}`)
        : [];
    this.fail(
      'CP1',
      `${open.join(', ')} open before ${step.kind}`,
      open.every((one) => mayWait.includes(one)),
    );
  }

  private take(step: PlanStep, next: PlanStep | undefined): void {
    if ('joint' in step && step.kind !== 'heat') this.underCover(step.joint, step.kind);
    switch (step.kind) {
      case 'openCover':
        this.coversOpen.add(step.cover);
        break;
      case 'closeCover':
        this.fail('EN2', step.cover, this.allLeakChecked() && this.lastSeenOrNone());
        this.coversOpen.delete(step.cover);
        break;
      case 'coverPaint':
        this.paint = true;
        break;
      case 'photograph':
        this.l(step.line).photo = true;
        break;
      case 'offerUp':
        this.l(step.line).offered = true;
        break;
      case 'soak':
        this.j(step.joint).soaked = true;
        break;
      case 'clean': {
        const joint = this.j(step.joint);
        const wants = joint.it.soak === true && joint.at === 'closedOld';
        this.fail('PR3', step.joint, !wants || joint.soaked || this.stepsAside('PR3', step.joint));
        joint.clean = true;
        break;
      }
      case 'unplugLead': {
        const lead = this.scope.leads.find(({ id }) => id === step.lead);
        const line = this.l(lead?.line ?? '');
        this.fail(
          'PR2',
          line.it.id,
          line.photo || line.it.action === 'backOut' || this.stepsAside('PR2', line.it.id),
        );
        this.leadsOff.add(step.lead);
        break;
      }
      case 'plugLead': {
        const lead = this.scope.leads.find(({ id }) => id === step.lead);
        const line = this.l(lead?.line ?? '');
        this.fail(
          'PR6',
          step.lead,
          BOTH.every((end) => ['tight', 'closedOld'].includes(this.j(line.it[end].joint).at)) ||
            this.stepsAside('PR6', step.lead),
        );
        this.fail('PR6', `${step.lead} side`, lead?.side === step.side);
        this.leadsOff.delete(step.lead);
        break;
      }
      case 'level':
        this.levelled.add(step.reservoir);
        this.openedSinceLevel.delete(step.reservoir);
        break;
      case 'drainReservoir':
        this.drain(step.reservoir);
        break;
      case 'drainNipple': {
        const reservoir =
          this.scope.reservoirs.find(({ nipples }) => nipples.includes(step.nipple))?.id ?? '';
        this.fail('FL1', step.nipple, this.plan.choices.kept[reservoir] === 'drain');
        this.fail('FL4', step.nipple, this.drained.has(reservoir) || this.stepsAside('FL4', reservoir));
        this.nipples.add(step.nipple);
        break;
      }
      case 'crack':
        this.beforeOpening(step.joint);
        this.j(step.joint).at = 'cracked';
        this.again(step.joint);
        break;
      case 'open':
        this.open(step);
        break;
      case 'heat':
        this.heat(step.joint, step.wearing);
        break;
      case 'reflare':
        this.j(this.l(step.line).it[step.end].joint).flared = true;
        break;
      case 'cap':
        this.fail('STATE', `cap ${step.opening}`, this.openings.get(step.opening) === 'open');
        this.openings.set(step.opening, 'capped');
        break;
      case 'uncap':
        this.fail('STATE', `uncap ${step.opening}`, this.openings.get(step.opening) === 'capped');
        this.fail(
          'CP1',
          `${step.opening} uncapped, then ${next?.kind}`,
          next?.kind === 'uncap' || next?.kind === 'join' || this.facts,
        );
        this.openings.set(step.opening, 'open');
        break;
      case 'releaseHold':
        this.release(step.hold);
        break;
      case 'placeHold':
        this.placeHold(step.hold);
        break;
      case 'tightenHold': {
        const hold = this.holds.get(step.hold);
        if (!hold) break;
        const { it, settled } = this.l(hold.it.line);
        const isJoined = BOTH.every((end) =>
          ['hand', 'tight', 'closedOld'].includes(this.j(it[end].joint).at),
        );
        this.fail('FN1', step.hold, hold.at === 'placed' && (it.kind === 'hose' ? settled : isJoined));
        hold.at = 'tight';
        break;
      }
      case 'takeOff':
        this.takeOff(step);
        break;
      case 'makeLine': {
        const line = this.l(step.line);
        this.fail(
          'ON5',
          `${step.line} made from the old one`,
          line.it.madeFrom === 'inPlace' || line.old === 'off',
        );
        line.made = true;
        break;
      }
      case 'turnEnd': {
        const line = this.l(step.line);
        this.fail(
          'ON7',
          step.line,
          line.fresh === 'waiting' &&
            !line.turned &&
            line.it.turnEnd?.rotatable === true &&
            Math.abs(step.angle_deg) <= 180,
        );
        line.turned = true;
        break;
      }
      case 'route':
        this.route(step);
        break;
      case 'join':
        this.join(step);
        break;
      case 'freshWashers': {
        const joint = this.j(step.joint);
        this.fail(
          'FN3',
          step.joint,
          joint.at === 'hand' && !joint.washered && step.washers === joint.it.washers,
        );
        this.fail(
          'FN3',
          `${step.joint} one at a time`,
          next === undefined ||
            this.facts ||
            ((next.kind === 'torque' || next.kind === 'byFeel') && next.joint === step.joint),
        );
        joint.washered = true;
        break;
      }
      case 'torque':
      case 'byFeel':
        this.tighten(step);
        break;
      case 'mark':
        this.j(step.joint).marked = true;
        break;
      case 'settle': {
        const line = this.l(step.line);
        this.fail(
          'FN1',
          `${step.line} settled`,
          BOTH.every((end) => ['hand', 'tight', 'closedOld'].includes(this.j(line.it[end].joint).at)),
        );
        const own = [...this.holds.values()].filter(({ it }) => it.line === step.line);
        this.fail(
          'FN1',
          `${step.line} settled without its holds`,
          own.every(({ at }) => at !== 'released'),
        );
        this.fail(
          'FN1',
          `${step.line} settled with its clips tight`,
          own.every(({ it, at }) => !it.tighten || at !== 'tight'),
        );
        line.settled = true;
        break;
      }
      case 'movement':
        this.movement(step);
        break;
      case 'countCaps':
        this.fail(
          'EN1',
          'caps counted',
          this.touched().every(({ at }) => at === 'tight'),
        );
        this.fail('CP3', 'caps counted', this.openings.size === 0);
        this.counted = true;
        break;
      case 'bleed':
        this.fail('CP3', `bleed ${step.circuit}`, this.counted);
        this.fail(
          'FN5',
          step.circuit,
          this.touched(step.circuit).every(({ marked, it }) => marked || this.stepsAside('FN5', it.id)),
        );
        this.bled.add(step.circuit);
        break;
      case 'absCycle':
        this.fail('FL2', `cycle ${step.circuit}`, this.bled.has(step.circuit));
        this.cycledAbs.add(step.circuit);
        break;
      case 'pressureHold': {
        const circuit = this.scope.circuits.find(({ id }) => id === step.circuit);
        this.fail('EN1', `hold ${step.circuit}`, this.bled.has(step.circuit) && this.counted);
        const ranDry = circuit?.abs !== null && this.drained.has(circuit?.reservoir ?? '');
        this.fail('FL2', `hold ${step.circuit}`, !ranDry || this.cycledAbs.has(step.circuit));
        this.held.add(step.circuit);
        break;
      }
      case 'leakCheck': {
        const joint = this.j(step.joint);
        this.fail('EN1', `leak ${step.joint}`, joint.at === 'tight' && this.held.has(joint.it.circuit));
        joint.leak = true;
        break;
      }
    }
  }

  private touched(circuit?: string): readonly Joint[] {
    return [...this.joints.values()].filter(
      ({ touched, it }) => touched && (circuit === undefined || it.circuit === circuit),
    );
  }
  private allLeakChecked(): boolean {
    return this.touched().every(({ leak }) => leak);
  }
  private lastSeenOrNone(): boolean {
    return (
      this.lastSeen ||
      [...this.lines.values()].every(
        ({ it }) =>
          it.action === 'leave' ||
          it.poses.length === 0 ||
          !BOTH.some((end) => this.j(it[end].joint).touched),
      )
    );
  }
  private underCover(jointId: string, kind: string): void {
    const over = this.scope.covers.filter(({ joints }) => joints.includes(jointId));
    this.fail(
      'PR8',
      `${kind} ${jointId}`,
      over.every(({ id }) => this.coversOpen.has(id)),
    );
  }
  private again(jointId: string): void {
    const joint = this.j(jointId);
    joint.touched = true;
    joint.marked = false;
    joint.leak = false;
    this.counted = false;
    this.lastSeen = false;
    for (const set of [this.bled, this.cycledAbs, this.held]) set.delete(joint.it.circuit);
  }

  private drain(reservoir: string): void {
    this.fail('FL1', reservoir, this.plan.choices.kept[reservoir] === 'drain');
    const circuits = this.scope.circuits.filter((one) => one.reservoir === reservoir);
    this.fail(
      'FL2',
      reservoir,
      circuits.every(({ abs, absCanBeCycled }) => abs === null || absCanBeCycled),
    );
    this.offered(reservoir);
    this.fail('PR5', reservoir, this.paint || this.stepsAside('PR5'));
    this.drained.add(reservoir);
  }
  private offered(reservoir: string): void {
    for (const line of this.lines.values())
      if (
        line.it.action === 'replace' &&
        line.fresh === 'waiting' &&
        this.reservoir(line.it.A.joint) === reservoir
      )
        this.fail('PR1', line.it.id, line.offered);
  }

  private beforeOpening(jointId: string): void {
    const joint = this.j(jointId);
    const reservoir = this.reservoir(jointId);
    this.offered(reservoir);
    this.fail('PR4', jointId, joint.clean);
    this.fail('PR5', jointId, this.paint || this.stepsAside('PR5'));
    for (const [line] of this.at(jointId)) {
      if (line.it.action === 'leave') continue;
      const isOldOn = line.old === 'on' && line.it.action !== 'backOut';
      this.fail(
        'PR2',
        line.it.id,
        !isOldOn || line.photo || line.fresh !== 'waiting' || this.stepsAside('PR2', line.it.id),
      );
      for (const lead of this.scope.leads)
        if (
          lead.line === line.it.id &&
          this.isMoved(line) &&
          line.fresh === 'waiting' &&
          line.old === 'on' &&
          line.it.action !== 'backOut'
        )
          this.fail('PR6', lead.id, this.leadsOff.has(lead.id) || this.stepsAside('PR6', lead.id));
    }
    if (this.isDrain(jointId)) return;
    // Kept wet: this group alone may stand open, and the level was read since another one was closed.
    const group = this.groupOf(jointId);
    const heatedFor = this.heatGroup(jointId);
    const others = [...this.joints.values()].filter(
      ({ it, at }) =>
        (at === 'open' || at === 'cracked') &&
        !group.has(it.id) &&
        !heatedFor.has(it.id) &&
        this.reservoir(it.id) === reservoir,
    );
    this.fail('FL3', `${jointId} beside ${others.map(({ it }) => it.id).join(', ')}`, others.length === 0);
    const before = this.openedSinceLevel.get(reservoir) ?? new Set<string>();
    const isFirst =
      !this.levelled.has(reservoir) && !this.touched().some(({ it }) => this.reservoir(it.id) === reservoir);
    this.fail('FL3', `${jointId} before any level`, !isFirst);
    this.fail(
      'FL3',
      `${jointId} before the level`,
      [...before].every((id) => group.has(id) || heatedFor.has(id)),
    );
    before.add(jointId);
    this.openedSinceLevel.set(reservoir, before);
    if (this.plan.choices.rhythm === 'byCorner') {
      const loose = this.touched().filter(
        ({ it, at }) => at !== 'tight' && !group.has(it.id) && !heatedFor.has(it.id),
      );
      this.fail('CR1', `${jointId} beside ${loose.map(({ it }) => it.id).join(', ')}`, loose.length === 0);
    }
  }
  private heatGroup(jointId: string): ReadonlySet<string> {
    const ids = new Set<string>();
    for (const [joint, way] of Object.entries(this.plan.choices.seizedWay)) {
      if (way !== 'heat') continue;
      const around = [joint, ...this.at(joint).flatMap(([{ it }]) => [it.A.joint, it.B.joint])];
      if (around.includes(jointId)) for (const id of around) ids.add(id);
    }
    return ids;
  }

  private isTurned(jointId: string, line: Line, end: Ends, by: string): boolean {
    if (by !== 'turningHose') return false;
    const kind = line.it[end].end;
    if (kind === 'maleScrewed') return true;
    const isFemale = kind === 'femaleInverted' || kind === 'femaleBubble';
    return isFemale && line.it.action !== 'leave' && this.at(jointId).length > 0;
  }

  private open(step: Extract<PlanStep, { kind: 'open' }>): void {
    const joint = this.j(step.joint);
    this.beforeOpening(step.joint);
    const reservoir = this.reservoir(step.joint);
    if (this.isDrain(step.joint)) {
      const nipples = this.scope.reservoirs.find(({ id }) => id === reservoir)?.nipples ?? [];
      this.fail(
        'FL4',
        step.joint,
        (this.drained.has(reservoir) && nipples.every((id) => this.nipples.has(id))) ||
          this.stepsAside('FL4', reservoir),
      );
    }
    const isClosed = joint.at === 'closedOld' || joint.at === 'tight';
    this.fail(
      'STATE',
      `open ${step.joint} uncracked`,
      !isClosed || step.by === 'turningHose' || step.by === 'cut',
    );
    const isSeized = joint.it.seized === true && !joint.heated && !joint.flared && joint.at !== 'hand';
    if (isSeized && !joint.touched) this.fail('OF7', step.joint, step.by !== 'nut' && step.by !== 'bolt');
    for (const [line, end] of this.at(step.joint)) {
      if (!this.isTurned(step.joint, line, end, step.by)) continue;
      const other = line.it[end === 'A' ? 'B' : 'A'].joint;
      this.fail(joint.it.seized ? 'OF7' : 'OF1', `${step.joint}: far end`, this.j(other).at === 'open');
      for (const hold of this.inTheWay(line, end))
        this.fail(joint.it.seized ? 'OF7' : 'OF1', `${step.joint}: ${hold.it.id}`, hold.at === 'released');
    }
    this.whichEndFirst(step.joint);
    if (step.by === 'cut') joint.cut = true;
    const component = this.scope.components.find(({ id }) => id === joint.it.component);
    if (component?.kind !== 'bracket') this.openings.set(`port:${step.joint}`, 'open');
    for (const [line, end] of this.at(step.joint))
      if (line.it.action === 'leave') this.openings.set(`end:${line.it.id}:${end}`, 'open');
    joint.at = 'open';
    joint.washered = false;
    this.again(step.joint);
  }
  /** Of a line that comes off and is turned at neither end: drained the lower end first and the upper one cracked, wet the nearer one. */
  private whichEndFirst(jointId: string): void {
    for (const [line, end] of this.at(jointId)) {
      const { id, action } = line.it;
      const comesOff =
        action === 'backOut'
          ? line.fresh === 'routed'
          : action !== 'leave' && line.old === 'on' && line.fresh === 'waiting';
      const other = this.j(line.it[end === 'A' ? 'B' : 'A'].joint);
      if (!comesOff || other.at === 'open' || this.isTurnedOff(line)) continue;
      const own = this.j(jointId);
      if (this.isDrain(jointId)) {
        if (own.it.height_m === other.it.height_m) continue;
        const isLower = own.it.height_m < other.it.height_m;
        this.fail('OF2', `${id}: ${jointId}`, isLower || this.stepsAside('OF2', id));
        const isVented =
          ['cracked', 'hand'].includes(other.at) || this.plan.choices.seizedWay[other.it.id] !== undefined;
        this.fail('OF3', `${id}: ${other.it.id}`, !isLower || isVented || this.stepsAside('OF3', id));
      } else
        this.fail(
          'OF4',
          `${id}: ${jointId}`,
          own.it.fromMaster_m <= other.it.fromMaster_m || this.stepsAside('OF4', id),
        );
    }
  }
  private isTurnedOff(line: Line): boolean {
    return BOTH.some((end) => {
      const jointId = line.it[end].joint;
      return this.plan.steps.some(
        (step) =>
          step.kind === 'open' && step.joint === jointId && this.isTurned(jointId, line, end, step.by),
      );
    });
  }

  /** Of a line that is turned at neither end: a pipe at its far end first, a hose where it is worse to reach, or at the unit. */
  private whichEndOnFirst(line: Line, end: Ends): void {
    const { it } = line;
    const far: Ends = end === 'A' ? 'B' : 'A';
    const [own, other] = [this.j(it[end].joint).it, this.j(it[far].joint).it];
    const isFirst = this.j(other.id).at === 'open';
    if (!isFirst || this.isTurnedOn(line, end) || this.isTurnedOn(line, far)) return;
    if (it.kind === 'hardLine') {
      this.fail('ON6', it.id, own.fromMaster_m >= other.fromMaster_m || this.stepsAside('ON6', it.id));
      return;
    }
    const isUnit = ({ component }: PlanJoint) =>
      this.scope.components.some(({ id, kind }) => id === component && kind === 'absUnit');
    const isWorse =
      own.access > other.access || (own.access === other.access && (isUnit(own) || !isUnit(other)));
    this.fail('ON4', it.id, isWorse || this.stepsAside('ON4', it.id));
  }

  /** The holds that keep a line from being turned about its end. */
  private inTheWay(line: Line, end: Ends): readonly Hold[] {
    return [...this.holds.values()].filter(
      ({ it }) =>
        it.line === line.it.id &&
        (it.at !== end || it.keyed || it.kind === 'springClip' || it.kind === 'pClip'),
    );
  }
  private heat(jointId: string, wearing: readonly string[]): void {
    const joint = this.j(jointId);
    this.fail('OF8', `${jointId} wet`, this.isDrain(jointId) && this.drained.has(this.reservoir(jointId)));
    this.fail('OF8', `${jointId} bare`, wearing.includes('faceShield') && wearing.includes('leatherGloves'));
    for (const [line, end] of this.at(jointId)) {
      const far: Ends = end === 'A' ? 'B' : 'A';
      this.fail('OF8', `${line.it.id} closed`, this.j(line.it[far].joint).at === 'open');
      if (line.it.action === 'leave')
        this.fail('OF8', `${line.it.id} capped`, this.openings.get(`end:${line.it.id}:${far}`) === 'open');
    }
    joint.heated = true;
  }

  private release(holdId: string): void {
    const hold = this.holds.get(holdId);
    if (!hold) return;
    const line = this.l(hold.it.line);
    const { at, kind } = hold.it;
    this.fail(
      'PR2',
      line.it.id,
      line.photo ||
        line.it.action === 'backOut' ||
        line.fresh !== 'waiting' ||
        line.old !== 'on' ||
        this.stepsAside('PR2', line.it.id),
    );
    if (hold.it.closed) {
      const ends = at === 'mid' ? BOTH : [at];
      this.fail(
        'OF10',
        holdId,
        ends.some((end) => this.j(line.it[end].joint).at === 'open'),
      );
    }
    if (kind === 'springClip' && at !== 'mid') {
      const joint = this.j(line.it[at].joint);
      const byNut = this.plan.steps.some(
        (step) => step.kind === 'open' && step.joint === joint.it.id && step.by === 'nut',
      );
      this.fail('OF5', holdId, !byNut || joint.at !== 'closedOld' || this.stepsAside('OF5', holdId));
    }
    hold.at = 'released';
  }

  private placeHold(holdId: string): void {
    const hold = this.holds.get(holdId);
    if (!hold) return;
    const line = this.l(hold.it.line);
    this.fail('ON5', holdId, line.fresh === 'routed' || line.old === 'routed' || line.old === 'on');
    if (hold.it.closed) {
      const ends = hold.it.at === 'mid' ? BOTH : [hold.it.at];
      this.fail(
        'ON3',
        `${holdId} through joined ends`,
        ends.some((end) => this.j(line.it[end].joint).at === 'open'),
      );
    }
    if (hold.it.at !== 'mid') {
      const order = ['supportWasher', 'bracket', 'springClip'];
      const mine = order.indexOf(hold.it.kind);
      for (const other of this.holds.values())
        if (
          other.it.line === hold.it.line &&
          other.it.at === hold.it.at &&
          order.indexOf(other.it.kind) > mine &&
          mine >= 0
        )
          this.fail('ON3', `${holdId} after ${other.it.id}`, other.at === 'released');
    }
    for (const end of BOTH) {
      const joint = this.j(line.it[end].joint);
      if (!this.isTurnedOn(line, end)) continue;
      if (this.inTheWay(line, end).includes(hold)) this.fail('ON2', holdId, joint.at === 'tight');
    }
    hold.at = 'placed';
  }
  private isTurnedOn(line: Line, end: Ends): boolean {
    const jointId = line.it[end].joint;
    const byOf = (step: PlanStep) => (step.kind === 'join' && step.joint === jointId ? [step.by] : []);
    const by = this.plan.steps.flatMap(byOf)[0] ?? this.scope.done.flatMap(byOf).at(-1);
    return by !== undefined && this.isTurned(jointId, line, end, by);
  }

  private takeOff(step: BodyStep): void {
    const line = this.l(step.line);
    this.fail(
      'OF6',
      step.line,
      BOTH.every((end) => this.j(line.it[end].joint).at === 'open'),
    );
    const own = [...this.holds.values()].filter(({ it }) => it.line === step.line);
    this.fail(
      'OF6',
      `${step.line} held`,
      own.every(({ at }) => at === 'released'),
    );
    if (step.body === 'old') line.old = 'off';
    else {
      line.fresh = 'off';
      for (const end of BOTH) this.openings.delete(`end:${step.line}:${end}`);
    }
  }

  private route(step: BodyStep): void {
    const line = this.l(step.line);
    if (step.body === 'new') {
      this.fail('ON5', `${step.line} with the old one on`, line.old === 'off');
      this.fail('ON5', `${step.line} unmade`, line.it.action !== 'remake' || line.made);
      this.fail('PR7', step.line, !line.it.selfMade || line.it.proofTested === true);
      this.fail('ON7', `${step.line} unturned`, line.it.turnEnd === undefined || line.turned);
      line.fresh = 'routed';
      for (const end of BOTH) this.openings.set(`end:${step.line}:${end}`, 'capped');
    } else {
      this.fail('ON5', `${step.line} back`, line.old === 'off' && line.fresh !== 'routed');
      line.old = 'routed';
      line.cycled = true;
    }
    line.settled = false;
    line.seen.clear();
    if (this.plan.choices.rhythm === 'allOff' && !this.facts)
      for (const other of this.lines.values())
        this.fail('CR2', `${step.line} before ${other.it.id} is off`, !this.stillToComeOff(other));
  }
  private stillToComeOff(line: Line): boolean {
    return (
      this.plan.steps.some((step) => step.kind === 'takeOff' && step.line === line.it.id) &&
      (line.it.action === 'backOut' ? line.fresh === 'routed' : line.old === 'on')
    );
  }

  private join(step: Extract<PlanStep, { kind: 'join' }>): void {
    const joint = this.j(step.joint);
    this.fail('STATE', `join ${step.joint}`, joint.at === 'open');
    const isNewPipe = this.at(step.joint).some(
      ([{ it, fresh }]) => it.kind === 'hardLine' && fresh === 'routed',
    );
    this.fail('OF9', step.joint, !joint.cut || joint.flared || isNewPipe);
    const openings = [
      `port:${step.joint}`,
      ...this.at(step.joint).map(([{ it }, end]) => `end:${it.id}:${end}`),
    ];
    this.fail(
      'CP2',
      step.joint,
      openings.every((opening) => this.openings.get(opening) !== 'capped'),
    );
    this.fail('STATE', `${step.washers} washers`, step.washers === 0 || step.washers === joint.it.washers);
    for (const [line, end] of this.at(step.joint)) {
      const isHere = line.it.action === 'leave' || line.fresh === 'routed' || line.old !== 'off';
      this.fail('ON5', `${step.joint} without ${line.it.id}`, isHere);
      if (line.it.action === 'leave') continue;
      const far: Ends = end === 'A' ? 'B' : 'A';
      const other = this.j(line.it[far].joint);
      this.whichEndOnFirst(line, end);
      if (this.isTurnedOn(line, far) && !this.isTurnedOn(line, end)) {
        this.fail('ON1', step.joint, other.at !== 'open');
        this.fail('ON2', step.joint, other.at === 'tight');
      }
      const turnedHere = this.isTurned(step.joint, line, end, step.by);
      if (turnedHere) this.fail('ON1', `${step.joint} with the far end on`, other.at === 'open');
      for (const hold of this.holds.values()) {
        if (hold.it.line !== line.it.id || hold.at !== 'released') continue;
        const isLocking = hold.it.keyed || hold.it.kind === 'springClip' || hold.it.kind === 'pClip';
        if (hold.it.at === end && ['supportWasher', 'bracket', 'springClip'].includes(hold.it.kind))
          this.fail('ON3', `${step.joint} before ${hold.it.id}`, turnedHere && isLocking && !hold.it.keyed);
        if (hold.it.at === 'mid' && hold.it.closed)
          this.fail('ON3', `${step.joint} before ${hold.it.id}`, other.at === 'open');
      }
      if (turnedHere)
        for (const hold of this.inTheWay(line, end))
          this.fail(
            'ON2',
            `${step.joint} held by ${hold.it.id}`,
            hold.at === 'released' || (hold.it.keyed && hold.it.at === end),
          );
    }
    for (const opening of openings) this.openings.delete(opening);
    joint.at = 'hand';
    joint.washered = step.washers >= joint.it.washers;
  }

  private tighten(step: Extract<PlanStep, { kind: 'torque' | 'byFeel' }>): void {
    const joint = this.j(step.joint);
    const { it } = joint;
    this.fail('STATE', `tighten ${it.id}`, joint.at === 'hand');
    this.fail('FN3', it.id, joint.washered);
    if (step.kind === 'torque')
      this.fail(
        'FN4',
        it.id,
        it.figure !== null &&
          step.minimum_Nm === it.figure.minimum_Nm &&
          step.maximum_Nm === it.figure.maximum_Nm &&
          step.source === it.figure.source,
      );
    else this.fail('FN4', it.id, it.figure === null);
    this.fail('FN6', `${it.id} neck`, (step.neckHeld === true) === (it.stop === true));
    const at = this.at(it.id);
    const banjo = at.some(([line, end]) => line.it[end].end === 'banjo');
    if (at.length > 1 && !banjo) this.fail('FN6', `${it.id} hexagon`, step.backup === true);
    const turned = at.some(([line, end]) => this.isTurnedOn(line, end));
    if (!turned)
      for (const [line] of at) {
        if (line.it.action === 'leave' || !this.isMoved(line)) continue;
        this.fail('FN1', `${it.id}: ${line.it.id} not settled`, line.it.kind !== 'hose' || line.settled);
        this.fail(
          'FN2',
          `${it.id}: ${line.it.id} not seen`,
          line.it.poses.every((pose) => line.seen.has(pose)),
        );
      }
    if (this.plan.choices.rhythm === 'allOff' && !turned && !this.facts)
      this.fail(
        'FN7',
        it.id,
        this.stepsAside('FN7') ||
          [...this.lines.values()].every(
            (line) =>
              !this.plan.steps.some((one) => one.kind === 'settle' && one.line === line.it.id) ||
              line.settled,
          ),
      );
    joint.at = 'tight';
  }

  private movement(step: Extract<PlanStep, { kind: 'movement' }>): void {
    for (const id of step.lines) {
      const line = this.l(id);
      for (const pose of step.poses) line.seen.add(pose);
      if (step.final) continue;
      this.fail('FN1', `${id} moved before it settled`, line.it.kind !== 'hose' || line.settled);
      const own = [...this.holds.values()].filter(({ it }) => it.line === id);
      this.fail(
        'FN1',
        `${id} moved with loose clips`,
        own.every(({ it, at }) => at !== 'released' && (!it.tighten || at === 'tight' || at === 'on')),
      );
    }
    if (!step.final) return;
    this.fail('EN1', 'last movement before the leak check', this.allLeakChecked());
    this.fail('EN1', 'last movement with leads off', this.leadsOff.size === 0);
    this.lastSeen = true;
  }

  private atTheEnd(): void {
    for (const { it, at, touched, marked, leak } of this.joints.values()) {
      this.fail('STATE', `${it.id} was not opened`, touched || !it.reopen);
      if (!touched) continue;
      this.fail('EN1', `${it.id} is ${at}`, at === 'tight' && marked && leak);
      this.fail('EN1', `${it.circuit} not filled`, this.bled.has(it.circuit) && this.held.has(it.circuit));
    }
    for (const { it, old, fresh } of this.lines.values()) {
      if (it.action === 'replace' || it.action === 'remake')
        this.fail('STATE', `${it.id} is not on`, fresh === 'routed' && old === 'off');
      if (it.action === 'refit') this.fail('STATE', `${it.id} is not on`, old === 'routed');
      if (it.action === 'backOut')
        this.fail('STATE', `${it.id} is not back`, fresh !== 'routed' && old !== 'off');
    }
    this.fail('CP3', `open: ${[...this.openings.keys()].join(', ')}`, this.openings.size === 0);
    for (const { it, at } of this.holds.values())
      if (this.l(it.line).it.action !== 'leave')
        this.fail('FN1', `${it.id} is ${at}`, at !== 'released' && (!it.tighten || at !== 'placed'));
    this.fail('PR6', 'leads off', this.leadsOff.size === 0);
    this.fail('EN2', 'covers off', this.coversOpen.size === 0);
    this.fail('EN1', 'not seen at the end', this.lastSeenOrNone());
  }
}
