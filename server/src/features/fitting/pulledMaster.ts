/** The figures of the master that a lever was pulled at: kept with the pull, so that drawing them away later takes nothing from it. */
import type { FitFactSaid, JobDetail } from '@zephyrcombe/contract';

type Pulls = Extract<FitFactSaid, { kind: 'leverPulls' }>;

/** What a person said, without what the drawing has. */
export const withoutMaster = (said: Pulls): Pulls => ({
  ...said,
  value: said.value?.map(({ master: _master, ...pull }) => pull) ?? null,
});

export function withMaster({ circuits }: JobDetail, said: FitFactSaid): FitFactSaid {
  if (said.kind !== 'leverPulls' || said.value === null) return said;
  const drawn = circuits
    .find(({ circuit }) => circuit.id === said.subjectId)
    ?.circuit.components.find(({ kind }) => kind === 'master');
  const master = drawn
    ? { masterBore_m: drawn.masterBore_m, leverRatio: drawn.leverRatio, leverStroke_m: drawn.leverStroke_m }
    : null;
  return { ...said, value: said.value.map((pull) => ({ ...pull, master })) };
}
