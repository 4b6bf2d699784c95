/** Nothing is opened before the new hoses were held against the route that was measured. */
import type { Caution } from '../mistakes/caution.ts';

/** Raises M14 as long as nobody offered the new hoses up. */
export const judgeOfferUp = (offeredUp: boolean): readonly Caution[] =>
  offeredUp ? [] : [{ id: 'M14', evidence: {} }];
