/** Vehicles and jobs on them as chance would have it, seeded: masters, units, tees, pipes to brackets, hoses to calipers. */
import type {
  HoldKind,
  LineAction,
  PlanChoices,
  PlanCircuit,
  PlanComponent,
  PlanCover,
  PlanHold,
  PlanJoint,
  PlanLead,
  PlanLine,
  PlanReservoir,
  PlanScope,
} from '../scope.ts';
import { chance } from '../../../calculation/chance.ts';

class Builder {
  readonly reservoirs: PlanReservoir[] = [];
  readonly circuits: PlanCircuit[] = [];
  readonly components: PlanComponent[] = [];
  readonly joints: PlanJoint[] = [];
  readonly lines: PlanLine[] = [];
  readonly holds: PlanHold[] = [];
  readonly leads: PlanLead[] = [];
  readonly covers: PlanCover[] = [];
  private readonly next: () => number;

  constructor(next: () => number) {
    this.next = next;
  }

  is(share: number): boolean {
    return this.next() < share;
  }
  pick<Item>(items: readonly Item[]): Item {
    return items[Math.floor(this.next() * items.length)] as Item;
  }
  between(low: number, high: number): number {
    return Math.round((low + this.next() * (high - low)) * 100) / 100;
  }

  part(id: string, kind: string): string {
    if (!this.components.some((one) => one.id === id)) this.components.push({ id, kind });
    return id;
  }
  joint(
    id: string,
    component: string,
    circuit: string,
    fromMaster_m: number,
    over: Partial<PlanJoint> = {},
  ): string {
    this.joints.push({
      id,
      component,
      circuit,
      fromMaster_m,
      height_m: this.between(0.2, 1),
      access: this.pick([0, 1, 1, 2, 3]),
      washers: 2,
      figure: this.is(0.8) ? { minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker' } : null,
      ...(this.is(0.2) ? { stop: true } : {}),
      ...over,
    });
    return id;
  }
  hold(line: string, kind: HoldKind, at: PlanHold['at'], over: Partial<PlanHold> = {}): void {
    this.holds.push({
      id: `${kind} ${at} ${line}`.replaceAll(' ', '_'),
      kind,
      line,
      at,
      closed: false,
      keyed: false,
      tighten: false,
      ...over,
    });
  }
}

const POSES = ['lockLeft', 'lockRight', 'droop', 'bump'];

/** A brake from a master: hoses straight to calipers, over a tee, or over a unit and pipes to hoses at the wheels. */
function brake(
  made: Builder,
  name: string,
  reservoir: string,
  unit: string | null,
  canBeCycled: boolean,
): void {
  const circuit = `c${name}`;
  made.circuits.push({ id: circuit, reservoir, abs: unit, absCanBeCycled: unit !== null && canBeCycled });
  const action = (share = 0.75): LineAction =>
    made.is(share) ? 'replace' : made.is(0.3) ? 'refit' : 'leave';
  const wheels = 1 + Math.floor(made.between(0, 2.99));
  const hose = (id: string, A: PlanLine['A'], B: PlanLine['B'], over: Partial<PlanLine> = {}): PlanLine => {
    const line: PlanLine = {
      id,
      kind: 'hose',
      action: action(),
      A,
      B,
      poses: POSES.filter(() => made.is(0.6)),
      oldWhole: true,
      ...(made.is(0.15) ? { selfMade: true, proofTested: true } : {}),
      ...(made.is(0.1)
        ? {
            turnEnd: {
              end: made.pick(['A', 'B'] as const),
              angle_deg: made.pick([45, 90, 180]),
              rotatable: true,
            },
          }
        : {}),
      ...over,
    };
    made.lines.push(line);
    if (made.is(0.3)) made.hold(id, 'pClip', 'mid', { tighten: true });
    if (made.is(0.25)) made.hold(id, 'guide', 'mid', { closed: made.is(0.6) });
    if (made.is(0.2)) made.leads.push({ id: `lead_${id}`, line: id, side: made.pick(['inside', 'outside']) });
    return line;
  };
  const master = made.part(`m${name}`, 'master');
  const style = made.pick(['direct', 'tee', 'pipes'] as const);
  if (style === 'direct' && unit === null) {
    // All eyes on one bolt, or one hose alone.
    const jm = made.joint(`jm${name}`, master, circuit, 0, { washers: wheels + 1 });
    for (let wheel = 0; wheel < wheels; wheel += 1)
      hose(
        `h${name}${wheel}`,
        { joint: jm, end: 'banjo' },
        {
          joint: made.joint(
            `j${name}${wheel}`,
            made.part(`cal${name}${wheel}`, 'caliper'),
            circuit,
            made.between(0.6, 1.2),
          ),
          end: 'banjo',
        },
      );
    return;
  }
  const hub = unit ?? made.part(`t${name}`, 'junction');
  const far_m = made.between(0.6, 1);
  hose(
    `main${name}`,
    { joint: made.joint(`jm${name}`, master, circuit, 0), end: 'banjo' },
    { joint: made.joint(`jti${name}`, hub, circuit, far_m), end: 'banjo' },
  );
  for (let wheel = 0; wheel < wheels; wheel += 1) {
    const key = `${name}${wheel}`;
    const corner = made.is(0.5) ? `w${key}` : undefined;
    const caliper = made.part(`cal${key}`, 'caliper');
    const isScrewed = made.is(0.25);
    const jc = (at_m: number) =>
      made.joint(`j${key}`, caliper, circuit, at_m, isScrewed ? { washers: 0 } : {});
    const end = { end: isScrewed ? ('maleScrewed' as const) : ('banjo' as const) };
    if (style !== 'pipes') {
      hose(
        `h${key}`,
        { joint: made.joint(`jt${key}`, hub, circuit, far_m), end: 'banjo' },
        { joint: jc(far_m + made.between(0.3, 0.6)), ...end },
        { corner },
      );
      continue;
    }
    const isInverted = made.is(0.5);
    const nut = isInverted ? ('invertedFlareNut' as const) : ('bubbleFlareNut' as const);
    const pipe: PlanLine = {
      id: `p${key}`,
      kind: 'hardLine',
      action: made.is(0.2) ? 'remake' : 'leave',
      A: { joint: made.joint(`jt${key}`, hub, circuit, far_m, { washers: 0, figure: null }), end: nut },
      B: {
        joint: made.joint(`jb${key}`, made.part(`br${key}`, 'bracket'), circuit, far_m + 0.5, {
          washers: 0,
          figure: null,
          ...(made.is(0.5) ? { soak: true } : {}),
          ...(made.is(0.3) ? { seized: true } : {}),
        }),
        end: nut,
      },
      poses: [],
      corner,
      madeFrom: made.pick(['oldLine', 'inPlace'] as const),
    };
    made.lines.push(pipe);
    const id = `h${key}`;
    hose(
      id,
      { joint: `jb${key}`, end: isInverted ? 'femaleInverted' : 'femaleBubble' },
      { joint: jc(far_m + 0.9), ...end },
      { corner },
    );
    if (made.is(0.8)) made.hold(id, 'bracket', 'A', { closed: made.is(0.8), keyed: made.is(0.15) });
    if (made.is(0.8)) made.hold(id, 'springClip', 'A');
    if (made.is(0.3)) made.hold(id, 'supportWasher', 'A');
  }
}

export function randomScope(seed: number): PlanScope {
  const made = new Builder(chance(seed));
  const brakes = made.is(0.3) ? ['F', 'R'] : ['F'];
  const unit = made.is(0.4) ? made.part('unit', 'absUnit') : null;
  const canBeCycled = made.is(0.5);
  const isShared = brakes.length > 1 && made.is(0.3);
  for (const name of brakes) brake(made, name, isShared ? 'rF' : `r${name}`, unit, canBeCycled);
  for (const id of new Set(made.circuits.map(({ reservoir }) => reservoir)))
    made.reservoirs.push({
      id,
      kept: made.is(0.8) ? 'auto' : made.is(0.5) ? 'wet' : unit === null || canBeCycled ? 'drain' : 'auto',
      nipples: [`n${id}1`, `n${id}2`],
    });
  if (made.is(0.2))
    made.covers.push({ id: 'tank', joints: made.joints.filter(() => made.is(0.3)).map(({ id }) => id) });
  const choices: PlanChoices = {
    ...(made.is(0.2) ? { rhythm: made.pick(['byCorner', 'auto'] as const) } : {}),
    ...(made.is(0.2) ? { trialWashers: made.pick(['on', 'off'] as const) } : {}),
  };
  const { reservoirs, circuits, components, joints, lines, holds, leads, covers } = made;
  return {
    reservoirs,
    circuits,
    components,
    joints,
    lines,
    holds,
    leads,
    covers,
    choices,
    demands: [],
    done: [],
  };
}
