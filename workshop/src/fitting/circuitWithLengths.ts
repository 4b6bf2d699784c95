import type { Circuit, Hose, JobDetail } from '@zephyrcombe/contract';

/** The length of a line as it will be: what was ordered once it is known, what is on the vehicle before that. */
export const lengthOf = ({ hoses }: Pick<JobDetail, 'hoses'>, hose: Hose): number =>
  hoses.find(({ hoseId }) => hoseId === hose.id)?.order_m ?? hose.length_m;

/** A circuit with the lengths that its lines will have. */
export const circuitWithLengths = (detail: JobDetail, circuit: Circuit): Circuit => ({
  ...circuit,
  hoses: circuit.hoses.map((hose) => ({ ...hose, length_m: lengthOf(detail, hose) })),
});
