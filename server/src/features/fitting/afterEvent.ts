/** The place in the count at which something was said: kept with it, so that a clock that is wrong changes nothing. */
import type { FitFactSaid, JobDetail } from '@zephyrcombe/contract';

const isPlaced = (said: FitFactSaid) => said.kind === 'bleedWay' || said.kind === 'absCycled';

/** What a person said, without the place. */
export const withoutPlace = (said: FitFactSaid): FitFactSaid =>
  isPlaced(said) && said.value !== null
    ? ({ ...said, value: { ...(said.value as object), after: null } } as FitFactSaid)
    : said;

export function withPlace({ bleedRuns }: JobDetail, said: FitFactSaid): FitFactSaid {
  if (!isPlaced(said) || said.value === null) return said;
  const after = Math.max(0, ...bleedRuns.flatMap(({ events }) => events.map(({ sequence }) => sequence)));
  return { ...said, value: { ...(said.value as object), after } } as FitFactSaid;
}
