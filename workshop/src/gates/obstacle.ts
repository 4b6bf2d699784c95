/** What stands in the way of an action, as a code with its figures; sentences are in `obstacleText`. No reason opens these. */
import type { LineSeen } from '@zephyrcombe/contract';
import type { JointFact, SealKind } from '@zephyrcombe/core';
import type { RuleId } from '@zephyrcombe/core/plan';
import type { NamedStep } from '../fitting/namedStep.ts';
import type { Change } from '../approvals/facts.ts';

export type Obstacle =
  /** Another step of the plan has to be first; the rule that says so, null where it could not be otherwise. */
  | {
      readonly code: 'fitWaits';
      readonly step: NamedStep;
      readonly before: NamedStep;
      readonly rule: RuleId | null;
      /** Who asks for this order, where no rule does. */
      readonly askedFor?: string | null;
    }
  | {
      readonly code: 'fitNotPlanned';
      readonly step: NamedStep;
      readonly instead: NamedStep | null;
      readonly rule: RuleId | null;
    }
  | { readonly code: 'fitRecordedElsewhere'; readonly step: NamedStep }
  | { readonly code: 'fitNotLast'; readonly step: NamedStep }
  | { readonly code: 'fitStepsLeft'; readonly steps: readonly NamedStep[] }
  | {
      readonly code: 'fitImpossible';
      readonly rules: readonly RuleId[];
      readonly demands: readonly string[];
      readonly subjects: readonly string[];
      /** The one that decides, where they are told apart. */
      readonly rule: RuleId | null;
    }
  | { readonly code: 'endsNotConfirmed' }
  | { readonly code: 'notLookedOver' }
  | { readonly code: 'notMeasured'; readonly hose: string }
  | { readonly code: 'notSpecified'; readonly hose: string }
  | { readonly code: 'changedSinceSpecified'; readonly hose: string; readonly changes: readonly Change[] }
  | { readonly code: 'changedSinceMeasured'; readonly hose: string; readonly changes: readonly Change[] }
  | { readonly code: 'changedSinceTorqued'; readonly joint: string; readonly changes: readonly Change[] }
  | { readonly code: 'changedSinceQuoted' }
  | { readonly code: 'boxReturned'; readonly hose: string }
  | { readonly code: 'boxUndecided'; readonly hose: string }
  | { readonly code: 'boxNotAsOrdered'; readonly hose: string }
  | { readonly code: 'changedSinceBox'; readonly hose: string; readonly changes: readonly Change[] }
  | { readonly code: 'changedSinceProved'; readonly hose: string; readonly changes: readonly Change[] }
  | { readonly code: 'boxNotCome' }
  | { readonly code: 'boxNotOpened'; readonly hose: string }
  /** Open by now, and what hoses were ordered by is still assumed. */
  | { readonly code: 'movesOtherwise'; readonly hose: string }
  | { readonly code: 'portNotSeen'; readonly joint: string; readonly facts: readonly JointFact[] }
  /** It was in use, and its metal or its marks say that it is not used twice. */
  | { readonly code: 'boltUsedUp'; readonly joint: string }
  | { readonly code: 'lineNotMeasured'; readonly line: string }
  | { readonly code: 'lineNotMade'; readonly line: string }
  | { readonly code: 'lineNotSeen'; readonly line: string; readonly unseen: readonly LineSeen[] }
  | { readonly code: 'changedSinceMade'; readonly line: string; readonly changes: readonly Change[] }
  | { readonly code: 'notProved'; readonly hose: string }
  | { readonly code: 'madeUpAlready'; readonly hose: string }
  | { readonly code: 'notMadeHere'; readonly hose: string }
  | { readonly code: 'nothingToOrder' }
  | { readonly code: 'notQuoted' }
  | { readonly code: 'nothingOrdered' }
  | { readonly code: 'notHandTight'; readonly joint: string }
  /** It was pulled over its limit, or its bolt gave: it does not go on being used because the next figure is right. */
  | { readonly code: 'tightenedTooFar'; readonly joint: string; readonly seal: SealKind }
  /** Fluid would be pressed out of it. */
  | { readonly code: 'lineOpen'; readonly joints: readonly string[] }
  | { readonly code: 'reservoirEmpty'; readonly strokesOver: number }
  /** Caught by a way without strokes. */
  | { readonly code: 'reservoirEmptied' }
  | { readonly code: 'airSaid' }
  | { readonly code: 'drewBackByLever' }
  | { readonly code: 'drewBackBySuction' }
  | { readonly code: 'ranDry'; readonly by: 'seen' | 'count' }
  | {
      readonly code: 'sharedReservoirEmpty';
      readonly strokesOver: number;
      /** The other circuits that it feeds. */
      readonly others: readonly string[];
    }
  | { readonly code: 'itemsNotOn'; readonly items: readonly string[] }
  /** Another job was given up with them so, at this time. */
  | {
      readonly code: 'jointsLeftOpen';
      readonly job: string;
      readonly at: string;
      readonly joints: readonly string[];
    }
  | {
      readonly code: 'itemsLeftOff';
      readonly job: string;
      readonly at: string;
      readonly items: readonly string[];
    }
  | { readonly code: 'jointsOpenElsewhere'; readonly job: string; readonly joints: readonly string[] }
  | { readonly code: 'openedAgain'; readonly joints: readonly string[] }
  | { readonly code: 'jointsNotTorqued'; readonly joints: readonly string[] }
  | { readonly code: 'jointsNotDry'; readonly joints: readonly string[] }
  | {
      readonly code: 'leverSinks';
      readonly circuit: string;
      readonly creep_m: number;
      /** Ever slower. */
      readonly fades: boolean;
    }
  | { readonly code: 'nipplesNotClear'; readonly nipples: readonly string[] };
