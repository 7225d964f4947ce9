import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';
import { levelsAt, type ThreadFit } from './fit-thread.ts';
import { mixtureCdf, mixtureMean, mixtureQuantile, type Bell } from './mixture.ts';
import type { Crossing, Limit, Outlook } from './outlook.ts';

/** A crossing farther ahead than this is not worth a date, in years. */
const HORIZON_YEARS = 12;
/** Days of a crossing are found to about this, in years. */
const FINE_YEARS = 1 / 60;

const chancePast = (bells: readonly Bell[], limit: Limit, reference: number): number => {
  const below = limit.lower == null ? 0 : mixtureCdf(bells, limit.lower / reference);
  const above = limit.upper == null ? 0 : 1 - mixtureCdf(bells, limit.upper / reference);
  return Math.min(1, below + above);
};

/** Years after the last reading at which the chance of being past the limit first reaches p; null beyond the horizon. */
function yearsUntil(fit: ThreadFit, limit: Limit, reference: number, p: number): number | null {
  const chanceAfter = (years: number) => chancePast(levelsAt(fit, years), limit, reference);
  if (chanceAfter(0) >= p) return 0;
  let high = 0.25;
  while (chanceAfter(high) < p) {
    high *= 1.5;
    if (high > HORIZON_YEARS) return null;
  }
  let low = high / 1.5;
  if (high === 0.25) low = 0;
  while (high - low > FINE_YEARS) {
    const middle = (low + high) / 2;
    if (chanceAfter(middle) < p) low = middle;
    else high = middle;
  }
  return high;
}

/** Below this chance at the next round nobody asks for the day of a crossing: it is far off. */
const CROSSING_FROM = 0.02;

/**
 * Where a fitted thread will stand on a day: expected value, the range that holds it with 80 % chance, the chance of
 * being past its limit, and the days at which that chance is 10, 50 and 90 %. These are of the part itself, not of one
 * more reading of it. `lastDay` is the day of the last reading, `reference` and limits are in the kind's unit.
 */
export function threadAhead(fit: ThreadFit, lastDay: Day, reference: number, limit: Limit, day: Day): Outlook {
  const bells = levelsAt(fit, (day - lastDay) / DAYS_A_YEAR);
  const hasLimit = limit.lower != null || limit.upper != null;
  const chance = hasLimit ? chancePast(bells, limit, reference) : null;
  return {
    day,
    expected: reference * mixtureMean(bells),
    low80: reference * mixtureQuantile(bells, 0.1),
    high80: reference * mixtureQuantile(bells, 0.9),
    chancePastLimit: chance,
    crossing: chance !== null && chance > CROSSING_FROM ? crossingOf(fit, lastDay, reference, limit, bells) : null,
  };
}

function crossingOf(fit: ThreadFit, lastDay: Day, reference: number, limit: Limit, bells: readonly Bell[]): Crossing {
  const below = limit.lower == null ? 0 : mixtureCdf(bells, limit.lower / reference);
  const above = limit.upper == null ? 0 : 1 - mixtureCdf(bells, limit.upper / reference);
  const side = limit.upper == null || (limit.lower != null && below >= above) ? 'lower' : 'upper';
  const at = (p: number): Day | null => {
    const years = yearsUntil(fit, limit, reference, p);
    return years === null ? null : Math.round(lastDay + years * DAYS_A_YEAR);
  };
  return { side, earliest: at(0.1), likely: at(0.5), latest: at(0.9) };
}
