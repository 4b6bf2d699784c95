/**
 * Where the parts of a circuit lie on the strip: master left, wheels right, hoses to one common scale.
 * Pure geometry in pixels; the component only draws it.
 */
import type { ComponentKind, LineKind, SealKind } from '@zephyrcombe/core';

export interface StripCircuit {
  readonly components: readonly {
    readonly id: string;
    readonly kind: ComponentKind;
    readonly name: string;
    readonly attachedTo: string | null;
  }[];
  readonly joints: readonly { readonly id: string; readonly componentId: string; readonly seal: SealKind }[];
  readonly hoses: readonly {
    readonly id: string;
    readonly fromJointId: string;
    readonly toJointId: string;
    readonly length_m: number;
    readonly kind?: LineKind;
  }[];
}

export interface StripHose {
  readonly id: string;
  readonly path: string;
  readonly labelX: number;
  readonly labelY: number;
  readonly drawn_px: number;
  /** Level line there is to write on. */
  readonly room_px: number;
  readonly endX: number;
  /** A long hard line is broken off, as on any drawing: only hoses are to scale. */
  readonly isBroken: boolean;
}
export interface StripPoint {
  readonly id: string;
  readonly x: number;
  readonly y: number;
}
export interface StripLayout {
  readonly width: number;
  readonly height: number;
  readonly scale_px_per_m: number;
  readonly master: StripPoint | null;
  readonly hoses: readonly StripHose[];
  readonly joints: readonly StripPoint[];
  /** From a part in the middle of the line to the joints on its far side. */
  readonly stubs: readonly string[];
  /** Parts at the far ends, by their left middle. */
  readonly parts: readonly StripPoint[];
}

const TOP = 34;
const ROW = 42;
const BOTTOM = 30;
const MASTER_WIDTH = 78;
const MASTER_TO_JOINT = 26;
const STUB = 22;
const PART_WIDTH = 34;
const LABEL = 130;
const FAN = 56;
/** A single short hose is not blown up to fill the strip. */
const MOST_px_per_m = 620;
/** A hard line is drawn no longer than this: metres of pipe would leave no room for the hoses. */
const BROKEN_px = 176;

interface Branch {
  readonly hose: StripCircuit['hoses'][number];
  readonly farJointId: string;
  readonly partId: string;
  readonly onwards: readonly Onward[];
}
/** A joint of a part that the line reached, with what leaves it: the joint of arrival, or one on the far side. */
interface Onward {
  readonly jointId: string;
  readonly branches: readonly Branch[];
}

/** `scale_px_per_m` given: drawn to that scale, so that several strips can be compared by eye. */
export function layoutStrip(circuit: StripCircuit, width: number, given_px_per_m?: number): StripLayout {
  const master = circuit.components.find((component) => component.kind === 'master');
  const kindOf = new Map(circuit.components.map((component) => [component.id, component.kind]));
  const rootJoints = circuit.joints.filter((joint) => joint.componentId === master?.id);
  const seen = new Set<string>();
  const roots = rootJoints.map((joint) => ({ joint, branches: branchesFrom(circuit, joint.id, seen) }));

  const fixedStart = MASTER_WIDTH + MASTER_TO_JOINT;
  const room = width - fixedStart - LABEL - STUB - PART_WIDTH;
  const scale_px_per_m =
    given_px_per_m ??
    Math.min(
      MOST_px_per_m,
      ...roots
        .flatMap((root) => pathsOf(root.branches))
        .filter((path) => path.hose_m > 0)
        .map((path) => Math.max(40, (room - path.fixed_px) / path.hose_m)),
    );

  const hoses: StripHose[] = [];
  const joints: StripPoint[] = [];
  const parts: StripPoint[] = [];
  let row = 0;

  const stubs: string[] = [];
  const place = (branches: readonly Branch[], x: number, y: number): void => {
    for (const branch of branches) {
      const rowY = TOP + ROW * row + ROW / 2;
      const scaled_px = branch.hose.length_m * scale_px_per_m;
      const isBroken = branch.hose.kind === 'hardLine' && scaled_px > BROKEN_px;
      const drawn_px = isBroken ? BROKEN_px : scaled_px;
      const { path, endX, labelX, room_px } = hosePath(x, y, rowY, drawn_px);
      hoses.push({
        id: branch.hose.id,
        path,
        labelX: isBroken ? labelX - 12 : labelX,
        labelY: rowY,
        drawn_px,
        room_px,
        isBroken,
        endX,
      });
      joints.push({ id: branch.farJointId, x: endX, y: rowY });
      // A bracket holds the joint where pipe and hose meet; other parts stand behind theirs.
      const isBracket = kindOf.get(branch.partId) === 'bracket';
      const partX = isBracket ? endX - PART_WIDTH / 2 : endX + STUB;
      parts.push({ id: branch.partId, x: partX, y: rowY });
      if (branch.onwards.length === 0) row += 1;
      for (const onward of branch.onwards) {
        if (onward.jointId === branch.farJointId) {
          place(onward.branches, endX, rowY);
          continue;
        }
        // Through the part: out at its far side, on the row where this joint's first line runs.
        const outX = partX + PART_WIDTH + STUB;
        const outY = TOP + ROW * row + ROW / 2;
        stubs.push(`M${partX + PART_WIDTH} ${rowY} L${outX} ${outY}`);
        joints.push({ id: onward.jointId, x: outX, y: outY });
        place(onward.branches, outX, outY);
      }
    }
  };

  const rows = Math.max(
    1,
    roots.reduce((sum, root) => sum + leaves(root.branches), 0),
  );
  const middle = TOP + (ROW * rows) / 2;
  for (const [index, root] of roots.entries()) {
    const y = roots.length === 1 ? middle : TOP + ROW * row + (ROW * leaves(root.branches)) / 2 + index;
    joints.unshift({ id: root.joint.id, x: fixedStart, y });
    place(root.branches, fixedStart, y);
  }
  return {
    width,
    height: TOP + ROW * rows + BOTTOM,
    scale_px_per_m,
    master: master ? { id: master.id, x: 0, y: middle } : null,
    hoses,
    joints,
    stubs,
    parts,
  };
}

/** Hoses leaving a joint, shortest first, each with what lies beyond it. A hose is drawn once, so a ring ends. */
function branchesFrom(circuit: StripCircuit, jointId: string, seen: Set<string>): readonly Branch[] {
  const leaving = circuit.hoses
    .filter((hose) => !seen.has(hose.id) && (hose.fromJointId === jointId || hose.toJointId === jointId))
    .sort((left, right) => left.length_m - right.length_m);
  for (const hose of leaving) seen.add(hose.id);
  return leaving.map((hose) => {
    const farJointId = hose.fromJointId === jointId ? hose.toJointId : hose.fromJointId;
    const partId = circuit.joints.find((joint) => joint.id === farJointId)?.componentId ?? '';
    const onwards = circuit.joints
      .filter((joint) => joint.componentId === partId)
      .map((joint) => ({ jointId: joint.id, branches: branchesFrom(circuit, joint.id, seen) }))
      .filter((onward) => onward.branches.length > 0)
      // What goes on from the joint of arrival stays nearest to it.
      .sort((left, right) => Number(right.jointId === farJointId) - Number(left.jointId === farJointId));
    return { hose, farJointId, partId, onwards };
  });
}

const leaves = (branches: readonly Branch[]): number =>
  branches.reduce(
    (sum, branch) =>
      sum +
      Math.max(
        1,
        branch.onwards.reduce((total, onward) => total + leaves(onward.branches), 0),
      ),
    0,
  );

/** Every way from here to an end: hose on it, and what takes the same room at any scale. */
function pathsOf(
  branches: readonly Branch[],
): readonly { readonly hose_m: number; readonly fixed_px: number }[] {
  return branches.flatMap((branch) => {
    const own =
      branch.hose.kind === 'hardLine'
        ? { hose_m: 0, fixed_px: BROKEN_px }
        : { hose_m: branch.hose.length_m, fixed_px: 0 };
    if (branch.onwards.length === 0) return [own];
    return branch.onwards
      .flatMap((onward) => pathsOf(onward.branches))
      .map((path) => ({
        hose_m: own.hose_m + path.hose_m,
        fixed_px: own.fixed_px + path.fixed_px + 2 * STUB + PART_WIDTH,
      }));
  });
}

interface HosePath {
  readonly path: string;
  readonly endX: number;
  readonly labelX: number;
  /** Level line to write on. */
  readonly room_px: number;
}

/** An S from the joint to its row, then straight on; its drawn length is exactly to scale. */
function hosePath(x: number, y: number, rowY: number, drawn_px: number): HosePath {
  const rise = rowY - y;
  if (Math.abs(rise) < 0.5)
    return {
      path: `M${x} ${y} H${x + drawn_px}`,
      endX: x + drawn_px,
      labelX: x + drawn_px / 2,
      room_px: drawn_px,
    };
  // A very short hose on a far row still reaches it: its S becomes as steep as its length allows.
  let fan = FAN;
  while (fan > 1 && curveLength(fan, rise) > drawn_px) fan -= 1;
  const straight = Math.max(0, drawn_px - curveLength(fan, rise));
  const endX = x + fan + straight;
  return {
    path: `M${x} ${y} C${x + fan / 2} ${y} ${x + fan / 2} ${rowY} ${x + fan} ${rowY} H${endX}`,
    endX,
    labelX: x + fan + straight / 2,
    room_px: straight,
  };
}

/** Length of the S, by a fine polyline: half a pixel is far below what is seen. */
export function curveLength(fan: number, rise: number): number {
  const steps = 64;
  let length = 0;
  let last = { x: 0, y: 0 };
  for (let step = 1; step <= steps; step += 1) {
    const t = step / steps;
    const s = 1 - t;
    const x = 3 * s * s * t * (fan / 2) + 3 * s * t * t * (fan / 2) + t ** 3 * fan;
    const y = 3 * s * t * t * rise + t ** 3 * rise;
    length += Math.hypot(x - last.x, y - last.y);
    last = { x, y };
  }
  return length;
}
