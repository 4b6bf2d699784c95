/** Caps and plugs on the vehicle at once, by size; those that new lines bring are their own. */
import { ENDS } from './ends.ts';
import type { PlanScope } from './scope.ts';
import type { PlanStep } from './steps.ts';

/**
 * The most of each size that are on at once while the steps are taken, with those that the steps done have left on; sizes in the
 * order in which they come up.
 */
export function capsBySize(
  { lines, done }: PlanScope,
  steps: readonly PlanStep[],
  sizeOf: (opening: string) => string,
): ReadonlyMap<string, number> {
  const own = new Set(
    lines
      .filter(({ action }) => action !== 'leave')
      .flatMap(({ id }) => ENDS.map((end) => `end:${id}:${end}`)),
  );
  const on = new Map<string, number>();
  const most = new Map<string, number>();
  const onNow = new Set<string>();
  for (const step of done) {
    if (step.kind === 'cap') onNow.add(step.opening);
    if (step.kind === 'uncap') onNow.delete(step.opening);
  }
  const before = [...onNow].map((opening): PlanStep => ({ kind: 'cap', opening }));
  for (const step of [...before, ...steps]) {
    if ((step.kind !== 'cap' && step.kind !== 'uncap') || own.has(step.opening)) continue;
    const size = sizeOf(step.opening);
    const now = (on.get(size) ?? 0) + (step.kind === 'cap' ? 1 : -1);
    on.set(size, now);
    most.set(size, Math.max(most.get(size) ?? 0, now));
  }
  return most;
}

/** The joint whose opening it is: of a port the joint itself, of an end the joint that its line ends on. */
export function jointOfOpening({ lines }: Pick<PlanScope, 'lines'>, opening: string): string {
  const [what, id = '', end] = opening.split(':');
  if (what === 'port') return id;
  const line = lines.find((one) => one.id === id);
  return (end === 'A' ? line?.A.joint : line?.B.joint) ?? '';
}
