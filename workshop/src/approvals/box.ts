/** What somebody covers who accepts a hose out of its box: what was ordered, and what was found. */
import type { HoseOfJob, JobDetail, KitCheck } from '@zephyrcombe/contract';
import { kitOrderOf } from '@zephyrcombe/contract';
import type { Facts } from './facts.ts';
import { factsOf } from './facts.ts';
import type { Standing } from './standingOf.ts';
import { standingOf } from './standingOf.ts';

export const boxFacts = (detail: JobDetail, own: HoseOfJob, found: KitCheck['found']): Facts =>
  factsOf({ ordered: kitOrderOf(detail, own), found });

/** Whether the box that was accepted still holds what is ordered. */
export const boxStanding = (detail: JobDetail, own: HoseOfJob): Standing =>
  own.hose.kit
    ? standingOf(own.hose.kit.accepted, boxFacts(detail, own, own.hose.kit.found))
    : { state: 'none' };
