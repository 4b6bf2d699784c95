/** Times two ways of doing something and gives how much longer the second takes: a ratio means the same on any machine. */
import { Bench } from 'tinybench';

export interface Ratio {
  readonly name: string;
  readonly ratio: number;
  /** Median time of the second, for a feeling of scale; differs from machine to machine. */
  readonly median_ms: number;
}

/** Median time of `larger` divided by the median time of `smaller`. Throws when either fails. */
export async function ratioOf(name: string, smaller: () => unknown, larger: () => unknown): Promise<Ratio> {
  const bench = new Bench({ time: 300, throws: true });
  bench.add('smaller', smaller).add('larger', larger);
  await bench.run();
  const [base, other] = bench.tasks.map((task) => {
    if (task.result.state !== 'completed') throw new Error(`${name}: ${task.name} ${task.result.state}`);
    return task.result.latency.p50;
  });
  if (base === undefined || other === undefined) throw new Error(`${name}: nothing was timed`);
  return { name, ratio: other / base, median_ms: other };
}
