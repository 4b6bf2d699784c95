/** How old a hose is, and whether that alone is reason to replace it. */
import { parseDate } from '@internationalized/date';
import { date, months } from '../calculation/quantity.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Construction } from '../layout/hydraulics.ts';

const AGE: Formula = { expression: 'age = today − made, in whole months', source: 'hoseAge' };
const LIFE: Formula = { expression: 'left = life − age', source: 'hoseAge' };

/** Rubber hose every four years; common practice, no published source. The vehicle maker's interval comes first. */
export const RUBBER_LIFE_months = 48;
const SOON_months = 6;

export interface HoseAge {
  readonly months: number;
  /** `inspect`: a braided hose has no agreed life; a warranty is not a life. */
  readonly verdict: 'fresh' | 'soon' | 'over' | 'inspect';
}

/** Dates are calendar dates, ISO 8601. Problem: made after today. */
export function hoseAge(madeOn: string, today: string, construction: Construction): Result<HoseAge> {
  const made = parseDate(madeOn);
  const now = parseDate(today);
  if (made.compare(now) > 0) return problem({ code: 'madeInFuture', field: 'madeOn' });
  const age_months = (now.year - made.year) * 12 + now.month - made.month - (now.day < made.day ? 1 : 0);
  const verdict =
    construction === 'braided'
      ? 'inspect'
      : age_months >= RUBBER_LIFE_months
        ? 'over'
        : age_months >= RUBBER_LIFE_months - SOON_months
          ? 'soon'
          : 'fresh';
  const age = term('age', 'hoseAge', months(age_months));
  return calculated({ months: age_months, verdict }, [
    {
      formula: AGE,
      inputs: [term('made', 'madeOn', date(madeOn)), term('today', 'today', date(today))],
      result: age,
    },
    ...(construction === 'braided'
      ? []
      : [
          {
            formula: LIFE,
            inputs: [term('life', 'hoseLife', months(RUBBER_LIFE_months)), age],
            result: term('left', 'hoseLifeLeft', months(RUBBER_LIFE_months - age_months)),
          },
        ]),
  ]);
}
