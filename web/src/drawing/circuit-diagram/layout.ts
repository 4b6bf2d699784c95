/**
 * Where the parts of a circuit lie on its drawing: what makes pressure on the left, wheels on the right, lines between
 * their joints. A brake circuit is a tree but for a rare loop: the tree is laid out by d3-hierarchy (Reingold and
 * Tilford), a line that closes a loop is drawn into it. Pure geometry in pixels.
 */
import type { ComponentKind, Hydraulics, SealKind } from '@zephyrcombe/core';
import { hierarchy, tree } from 'd3-hierarchy';

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
  const { parts, depth, width, height } = placeParts(circuit, standing, runs);
  const middle = new Map(parts.map((part) => [part.id, part]));
  const joints = placeJoints(circuit, middle);
  const jointAt = new Map(joints.map((joint) => [joint.id, joint]));
  const lines = runs.flatMap(({ hose, from, to }, index): DiagramLine[] => {
    // Fluid runs away from the master, whichever way round the line was entered.
    const turned = (depth.get(from) ?? 0) > (depth.get(to) ?? 0);
    const [first, last] = turned ? [hose.toJointId, hose.fromJointId] : [hose.fromJointId, hose.toJointId];
    const start = jointAt.get(first);
    const end = jointAt.get(last);
    return start && end ? [{ id: hose.id, ...curve(start, end, index) }] : [];
  });
  return { width, height, parts, joints, lines };
}

interface Run {
  readonly from: string;
  readonly to: string;
}

interface Branch {
  readonly id: string;
  readonly branches: Branch[];
}

/** Each part a column further from its master; what nothing leads to stands in the first column, below. */
function placeParts(
  circuit: Hydraulics,
  standing: Hydraulics['components'],
  runs: readonly Run[],
): {
  readonly parts: readonly DiagramPart[];
  readonly depth: ReadonlyMap<string, number>;
  readonly width: number;
  readonly height: number;
} {
  const next = new Map<string, string[]>(standing.map((part) => [part.id, []]));
  for (const { from, to } of runs) {
    next.get(from)?.push(to);
    next.get(to)?.push(from);
  }
  const depth = new Map<string, number>();
  const grown = new Map<string, Branch>();
  const roots: Branch[] = [];
  const masters = standing.filter((part) => part.kind === 'master');
  // All masters at once: two that meet in an ABS unit stand side by side before it.
  for (const starts of [masters, ...standing.map((part) => [part])]) {
    const fresh = starts.filter(({ id }) => !depth.has(id)).map(({ id }) => id);
    for (const id of fresh) {
      const root: Branch = { id, branches: [] };
      roots.push(root);
      grown.set(id, root);
      depth.set(id, 0);
    }
    // Breadth first: a part stands as near to its master as the shortest way through lines.
    for (let front = fresh; front.length > 0;) {
      const reached: string[] = [];
      for (const id of front)
        for (const other of next.get(id) ?? []) {
          if (depth.has(other)) continue;
          const branch: Branch = { id: other, branches: [] };
          grown.get(id)?.branches.push(branch);
          grown.set(other, branch);
          depth.set(other, (depth.get(id) ?? 0) + 1);
          reached.push(other);
        }
      front = reached;
    }
  }
  const laidOut = tree<Branch>()
    .nodeSize([NODE_HEIGHT + ROW_GAP, NODE_WIDTH + RANK_GAP])
    .separation(() => 1)(hierarchy<Branch>({ id: '', branches: roots }, (branch) => branch.branches));
  // d3-hierarchy grows downwards: its x is our y. The first level is only what holds the roots together.
  const nodes = laidOut.descendants().filter((node) => node.depth > 0);
  const top = Math.min(0, ...nodes.map((node) => node.x));
  const placed = new Map(
    nodes.map((node) => [
      node.data.id,
      {
        x: MARGIN + NODE_WIDTH / 2 + (node.depth - 1) * (NODE_WIDTH + RANK_GAP),
        y: MARGIN + NODE_HEIGHT / 2 + node.x - top,
      },
    ]),
  );
  const parts = standing.map((part): DiagramPart => {
    const { x, y } = placed.get(part.id) ?? { x: 0, y: 0 };
    return {
      id: part.id,
      x,
      y,
      attached: circuit.components.filter((other) => other.attachedTo === part.id).map((other) => other.id),
    };
  });
  return {
    parts,
    depth,
    width: Math.max(320, ...parts.map((part) => part.x + NODE_WIDTH / 2 + MARGIN)),
    height: Math.max(NODE_HEIGHT + 2 * MARGIN, ...parts.map((part) => part.y + NODE_HEIGHT / 2 + MARGIN)),
  };
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

/** An S from joint to joint; where it would run backwards, a bow that leaves and arrives level. */
function curve(start: Point, end: Point, index: number): Omit<DiagramLine, 'id'> {
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
