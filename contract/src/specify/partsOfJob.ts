/** The hydraulics of all circuits of a job as one drawing: a hose, a joint or a nipple is looked for in it by its id. */
import type { Circuit, Component } from '../entities/vehicle.ts';
import type { JobCircuit, JobDetail } from '../entities/job.ts';

type OfCircuits = Pick<JobDetail, 'circuits'>;
export type Parts = Pick<Circuit, 'components' | 'ports' | 'joints' | 'hoses'>;

/** Worked out once for each reply: the lists are asked for by every row of a page. */
const known = new WeakMap<JobDetail['circuits'], Parts>();

export function partsOf({ circuits }: OfCircuits): Parts {
  const kept = known.get(circuits);
  if (kept) return kept;
  const all = circuits.map(({ circuit }) => circuit);
  const [only] = all;
  const parts: Parts =
    all.length === 1 && only
      ? only
      : {
          components: all.flatMap(({ components }) => components),
          ports: all.flatMap(({ ports }) => ports),
          joints: all.flatMap(({ joints }) => joints),
          hoses: all.flatMap(({ hoses }) => hoses),
        };
  known.set(circuits, parts);
  return parts;
}

/** The circuit that a hose, a joint or a part of it belongs to; null where the job has none with that part. */
export const circuitOfPart = ({ circuits }: OfCircuits, partId: string): JobCircuit | null =>
  circuits.find(({ circuit }) =>
    [...circuit.hoses, ...circuit.joints, ...circuit.components].some(({ id }) => id === partId),
  ) ?? null;

/** The first circuit: the only one of most jobs. */
export function firstCircuit({ circuits }: OfCircuits): JobCircuit {
  const [first] = circuits;
  if (!first) throw new Error('a job without a circuit');
  return first;
}

/** The nipples that are bled in a job. */
export const nipplesOf = (detail: OfCircuits): readonly Component[] =>
  partsOf(detail).components.filter(({ kind }) => kind === 'bleedNipple');

/** "Front brake, rear brake and sidecar". */
export function namesInLine([first = '', ...others]: readonly string[]): string {
  return [first, ...others.map((name) => name.replace(/^[A-Z](?=[a-z])/, (letter) => letter.toLowerCase()))]
    .join(', ')
    .replace(/, ([^,]*)$/, ' and $1');
}

export const circuitNames = ({ circuits }: OfCircuits): string =>
  namesInLine(circuits.map(({ circuit }) => circuit.name));
