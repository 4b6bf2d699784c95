/**
 * Where the parts of a circuit lie on its drawing: what makes pressure on the left, wheels on the right, lines between
 * their joints. Layers and rows come from dagre; joints, stubs and curves are ours. Pure geometry in pixels.
 */
import { Graph, layout as layoutGraph } from '@dagrejs/dagre';
import type { ComponentKind, Hydraulics, SealKind } from '@zephyrcombe/core';
import { curveMonotoneX, line } from 'd3-shape';

export interface DiagramPart {
  readonly id: string;
  /** Middle of the symbol. */
  readonly x: number;
  readonly y: number;
  /** What sits on it: reservoir, nipples, switches. */
  readonly attached: readonly string[];
}
export interface DiagramJoint {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly seal: SealKind;
  /** From the edge of its part to the joint. */
  readonly stub: string;
}
export interface DiagramLine {
  readonly id: string;
  readonly path: string;
  readonly labelX: number;
  readonly labelY: number;
}
export interface Diagram {
  readonly width: number;
  readonly height: number;
  readonly parts: readonly DiagramPart[];
  readonly joints: readonly DiagramJoint[];
  readonly lines: readonly DiagramLine[];
}

export const PART_WIDTH = 54;
export const PART_HEIGHT = 34;
/** From the middle of a symbol to where its ports are. */
const REACH: Readonly<Record<ComponentKind, number>> = {
  master: PART_WIDTH / 2,
  reservoir: 20,
  absUnit: PART_WIDTH / 2,
  junction: 16,
  bracket: 13,
  caliper: 21,
  wheelCylinder: 23,
  bleedNipple: 6,
  pressureSwitch: 10,
};
/** Room for the name under a part, and for what sits on it above. */
const NODE_WIDTH = 148;
const NODE_HEIGHT = 96;
const RANK_GAP = 96;
const ROW_GAP = 14;
const MARGIN = 26;
const STUB = 22;
const JOINT_PITCH = 24;

interface Point {
  readonly x: number;
  readonly y: number;
}

export function layoutDiagram(circuit: Hydraulics): Diagram {
  const hostOf = new Map(circuit.joints.map((joint) => [joint.id, joint.componentId]));
  const ids = new Set(circuit.components.map((part) => part.id));
  const standing = circuit.components.filter((part) => part.attachedTo === null || !ids.has(part.attachedTo));
  const runs = circuit.hoses.flatMap((hose) => {
    const from = hostOf.get(hose.fromJointId);
    const to = hostOf.get(hose.toJointId);
    return from === undefined || to === undefined || from === to ? [] : [{ hose, from, to }];
  });
  const depth = depths(circuit, runs);

  const graph = new Graph({ multigraph: true });
  graph.setGraph({ rankdir: 'LR', nodesep: ROW_GAP, ranksep: RANK_GAP, marginx: MARGIN, marginy: MARGIN });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const part of standing) graph.setNode(part.id, { width: NODE_WIDTH, height: NODE_HEIGHT });
  const flow = runs.map((run) => {
    // Fluid runs away from the master, whichever way round the line was entered.
    const turned = (depth.get(run.from) ?? 0) > (depth.get(run.to) ?? 0);
    return { ...run, tail: turned ? run.to : run.from, head: turned ? run.from : run.to };
  });
  for (const { hose, tail, head } of flow) graph.setEdge(tail, head, {}, hose.id);
  layoutGraph(graph);

  const parts = standing.map((part): DiagramPart => {
    const { x, y } = graph.node(part.id) as Point;
    return {
      id: part.id,
      x,
      y,
      attached: circuit.components.filter((other) => other.attachedTo === part.id).map((other) => other.id),
    };
  });
  const middle = new Map(parts.map((part) => [part.id, part]));
  const joints = placeJoints(circuit, middle);
  const jointAt = new Map(joints.map((joint) => [joint.id, joint]));
  const lines = flow.flatMap(({ hose, tail, head }, index): DiagramLine[] => {
    const [first, last] =
      hostOf.get(hose.fromJointId) === tail
        ? [hose.fromJointId, hose.toJointId]
        : [hose.toJointId, hose.fromJointId];
    const start = jointAt.get(first);
    const end = jointAt.get(last);
    if (!start || !end) return [];
    const edge = graph.edge({ v: tail, w: head, name: hose.id }) as { readonly points?: readonly Point[] };
    // Between neighbouring layers there is one point on the way, and a plain S is the better line.
    const bends =
      (edge.points ?? []).length > 3
        ? (edge.points ?? []).slice(1, -1).filter((point) => point.x > start.x + 30 && point.x < end.x - 30)
        : [];
    return [{ id: hose.id, ...curve([start, ...bends, end], index) }];
  });
  const graphSize = graph.graph() as { readonly width?: number; readonly height?: number };
  return {
    width: Math.max(320, finite(graphSize.width)),
    height: Math.max(NODE_HEIGHT + 2 * MARGIN, finite(graphSize.height)),
    parts,
    joints,
    lines,
  };
}

const finite = (value: number | undefined) => (value !== undefined && Number.isFinite(value) ? value : 0);

interface Run {
  readonly from: string;
  readonly to: string;
}

/** Lines between each part and the nearest master; a circuit without one starts at its first part. */
function depths(circuit: Hydraulics, runs: readonly Run[]): ReadonlyMap<string, number> {
  const masters = circuit.components.filter((part) => part.kind === 'master').map((part) => part.id);
  const depth = new Map<string, number>();
  let front = masters.length > 0 ? masters : circuit.components.slice(0, 1).map((part) => part.id);
  for (let at = 0; front.length > 0; at += 1) {
    for (const id of front) depth.set(id, at);
    front = runs
      .flatMap(({ from, to }) => (front.includes(from) ? [to] : front.includes(to) ? [from] : []))
      .filter((id) => !depth.has(id));
  }
  return depth;
}

/** Joints sit on the side where their lines go, one above the other in the order of what they lead to. */
function placeJoints(circuit: Hydraulics, middle: ReadonlyMap<string, DiagramPart>): readonly DiagramJoint[] {
  const hostOf = new Map(circuit.joints.map((joint) => [joint.id, joint.componentId]));
  const kindOf = new Map(circuit.components.map((part) => [part.id, part.kind]));
  const peers = (jointId: string) =>
    circuit.hoses.flatMap((hose) => {
      const other =
        hose.fromJointId === jointId ? hose.toJointId : hose.toJointId === jointId ? hose.fromJointId : null;
      return other === null ? [] : (middle.get(hostOf.get(other) ?? '') ?? []);
    });
  const mean = (values: readonly number[], otherwise: number) =>
    values.length === 0 ? otherwise : values.reduce((sum, value) => sum + value, 0) / values.length;
  return [...middle.values()].flatMap((part) => {
    const own = circuit.joints
      .filter((joint) => joint.componentId === part.id)
      .map((joint) => {
        const others = peers(joint.id);
        const toRight =
          mean(
            others.map((other) => other.x),
            part.x + 1,
          ) >= part.x;
        const passes = others.some((other) => other.x < part.x) && others.some((other) => other.x > part.x);
        return {
          joint,
          toRight,
          passes,
          towards: mean(
            others.map((other) => other.y),
            part.y,
          ),
        };
      });
    // A pipe and a hose that meet in a bracket meet inside it.
    const inside = kindOf.get(part.id) === 'bracket' ? own.filter(({ passes }) => passes) : [];
    const middleOnes = inside.map(({ joint }): DiagramJoint => ({
      id: joint.id,
      x: part.x,
      y: part.y,
      seal: joint.seal,
      stub: '',
    }));
    const atEdges = [true, false].flatMap((side) =>
      own
        .filter((each) => each.toRight === side && !inside.includes(each))
        .sort((left, right) => left.towards - right.towards)
        .map(({ joint }, index, all): DiagramJoint => {
          const sign = side ? 1 : -1;
          const edge = part.x + sign * REACH[kindOf.get(part.id) ?? 'junction'];
          const x = part.x + sign * (PART_WIDTH / 2 + STUB);
          const y = part.y + (index - (all.length - 1) / 2) * JOINT_PITCH;
          const exit = part.y + Math.max(-12, Math.min(12, y - part.y));
          return { id: joint.id, x, y, seal: joint.seal, stub: `M${edge} ${exit} L${x} ${y}` };
        }),
    );
    return [...middleOnes, ...atEdges];
  });
}

const through = line<Point>(
  (point) => point.x,
  (point) => point.y,
).curve(curveMonotoneX);

/** A smooth way through the points; where it would run backwards, a bow that leaves and arrives level. */
function curve(points: readonly Point[], index: number): Omit<DiagramLine, 'id'> {
  const [start] = points;
  const end = points.at(-1);
  if (!start || !end) return { path: '', labelX: 0, labelY: 0 };
  if (points.length > 2) {
    const label = points[Math.floor(points.length / 2)] ?? start;
    return { path: through(points) ?? '', labelX: label.x, labelY: label.y };
  }
  const forward = end.x - start.x;
  if (forward > 24) {
    const reach = Math.max(30, forward / 2);
    return {
      path: `M${start.x} ${start.y} C${start.x + reach} ${start.y} ${end.x - reach} ${end.y} ${end.x} ${end.y}`,
      labelX: (start.x + end.x) / 2,
      labelY: (start.y + end.y) / 2,
    };
  }
  // Side by side or back: out to the right and round.
  const out = Math.max(start.x, end.x) + 46 + (index % 3) * 12;
  return {
    path: `M${start.x} ${start.y} C${out} ${start.y} ${out} ${end.y} ${end.x} ${end.y}`,
    labelX: (Math.max(start.x, end.x) + 3 * out) / 4 - 8,
    labelY: (start.y + end.y) / 2,
  };
}

/** The nearest of the places in a direction, for arrow keys; null when there is none that way. */
export function nearestInDirection<Place extends Point>(
  from: Point,
  places: readonly Place[],
  direction: 'left' | 'right' | 'up' | 'down',
): Place | null {
  const along = { left: [-1, 0], right: [1, 0], up: [0, -1], down: [0, 1] } as const;
  const [dx, dy] = along[direction];
  let best: { readonly place: Place; readonly cost: number } | null = null;
  for (const place of places) {
    const x = place.x - from.x;
    const y = place.y - from.y;
    const forward = x * dx + y * dy;
    const aside = Math.abs(x * dy) + Math.abs(y * dx);
    // Off to the side counts double: the next one along the row comes first.
    if (forward < 2 || aside > forward * 4) continue;
    const cost = forward + 2 * aside;
    if (best === null || cost < best.cost) best = { place, cost };
  }
  return best?.place ?? null;
}

/** Everything from left to right and down: the way that leaves nothing out, where arrows would go past something. */
export const inReadingOrder = <Place extends Point>(places: readonly Place[]): readonly Place[] =>
  [...places].sort((left, right) => left.x - right.x || left.y - right.y);
