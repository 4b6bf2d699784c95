/** What a quote covers: every hose that is ordered, as it is specified. */
import type { JobDetail } from '@zephyrcombe/contract';
import { ordered } from '@zephyrcombe/contract';
import type { Facts } from './facts.ts';
import { factsOf } from './facts.ts';
import { hoseFacts } from './specification.ts';

export const orderFacts = (detail: JobDetail): Facts =>
  factsOf({
    hoses: ordered(detail).map((own) => ({ name: own.fitted.name, ...hoseFacts(detail, own) })),
    finish: detail.job.orderTerms?.finish ?? '',
  });
