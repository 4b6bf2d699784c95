/** Across a whole vehicle: which bolts would go into which ports that are not theirs. */
import { threadNamed } from './catalogue.ts';
import type { HandOutcome } from './handStart.ts';
import { handStarts } from './handStart.ts';

export interface PortThread {
  readonly portId: string;
  readonly name: string;
  readonly thread: string;
}

export interface Swap {
  /** Whose bolt … */
  readonly boltThread: string;
  readonly boltPorts: readonly string[];
  /** … would be taken by which port. */
  readonly portThread: string;
  readonly ports: readonly string[];
  /** The most that hand turning would allow. */
  readonly outcome: Exclude<HandOutcome, 'doesNotStart' | 'dropsIn'>;
  /** Turns before it binds, at the loosest. */
  readonly turns: number;
}

/**
 * Every pair of different threads on one vehicle where the bolt of one at least starts in the port of the other, the
 * most dangerous first: one that goes in all the way is noticed only when it strips.
 */
export function swappableThreads(ports: readonly PortThread[]): readonly Swap[] {
  const byThread = new Map<string, PortThread[]>();
  for (const port of ports) {
    const designation = threadNamed(port.thread)?.designation;
    if (designation) byThread.set(designation, [...(byThread.get(designation) ?? []), port]);
  }
  const swaps: Swap[] = [];
  for (const [boltThread, boltPorts] of byThread) {
    for (const [portThread, takers] of byThread) {
      const loosest = boltThread === portThread ? null : loosestStart(boltThread, portThread);
      if (!loosest || loosest.outcome === 'doesNotStart' || loosest.outcome === 'dropsIn') continue;
      swaps.push({
        boltThread,
        boltPorts: boltPorts.map((port) => port.name),
        portThread,
        ports: takers.map((port) => port.name),
        outcome: loosest.outcome,
        turns: loosest.turns,
      });
    }
  }
  return swaps.sort((left, right) => right.turns - left.turns);
}

function loosestStart(boltThread: string, portThread: string) {
  const bolt = threadNamed(boltThread);
  const port = threadNamed(portThread);
  return bolt && port ? handStarts(bolt, port).at(-1) : undefined;
}
