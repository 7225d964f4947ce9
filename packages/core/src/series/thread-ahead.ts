import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';
import { AHEAD_YEARS } from './ahead.ts';
import { levelsAt, type ThreadFit } from './fit-thread.ts';
import { mixtureCdf, mixtureMean, mixtureQuantile, type Bell } from './mixture.ts';
import type { Crossing, Limit, Outlook } from './outlook.ts';

/** Years after the last reading at which a crossing is looked for; one farther ahead is not worth a date. */
const LOOKED_AT = [0, 0.25, 0.5, 0.75, 1, 1.5, 2, 3, 4, 6, 8, 12] as const;
/** Halvings between two of these. */
const HALVINGS = 4;

/** Whether a side of the limits is not there. */
const isOpen = (side: number | null | undefined): side is null | undefined => side === null || side === undefined;

const chancePast = (bells: readonly Bell[], limit: Limit, reference: number): number => {
  const below = isOpen(limit.lower) ? 0 : mixtureCdf(bells, limit.lower / reference);
  const above = isOpen(limit.upper) ? 0 : 1 - mixtureCdf(bells, limit.upper / reference);
  return Math.min(1, below + above);
};

/** Years after the last reading at which the chance of being past the limit first reaches each p; null beyond the last. */
function yearsUntil(fit: ThreadFit, limit: Limit, reference: number, chances: readonly number[]): (number | null)[] {
  const chanceAfter = (years: number) => chancePast(levelsAt(fit, years), limit, reference);
  const seen: number[] = [];
  const at = (index: number) => (seen[index] ??= chanceAfter(LOOKED_AT[index]!));
  return chances.map((p) => {
    let index = 0;
    while (index < LOOKED_AT.length && at(index) < p) index += 1;
    if (index === 0) return 0;
    if (index === LOOKED_AT.length) return null;
    let [low, high] = [LOOKED_AT[index - 1]!, LOOKED_AT[index]!] as [number, number];
    for (let i = 0; i < HALVINGS; i += 1) {
      const middle = (low + high) / 2;
      if (chanceAfter(middle) < p) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  });
}

/** Below this chance at the next round nobody asks for the day of a crossing: it is far off. */
const CROSSING_FROM = 0.04;

/** Below this chance at the next round it counts as none until then. */
const AHEAD_FROM = 0.01;

/**
 * Where a fitted thread will stand on a day: expected value, the range that holds it with 80 % chance, the chance of
 * being past its limit, and the days at which that chance is 10, 50 and 90 %. These are of the part itself, not of one
 * more reading of it. `lastDay` is the day of the last reading, `reference` and limits are in the kind's unit.
 */
export function threadAhead(fit: ThreadFit, lastDay: Day, reference: number, limit: Limit, day: Day): Outlook {
  const bells = levelsAt(fit, (day - lastDay) / DAYS_A_YEAR);
  const hasLimit = !isOpen(limit.lower) || !isOpen(limit.upper);
  const chance = hasLimit ? chancePast(bells, limit, reference) : null;
  return {
    day,
    now: reference * mixtureMean(levelsAt(fit, 0)),
    expected: reference * mixtureMean(bells),
    low80: reference * mixtureQuantile(bells, 0.1),
    high80: reference * mixtureQuantile(bells, 0.9),
    chancePastLimit: chance,
    crossing: chance !== null && chance > CROSSING_FROM ? crossingOf(fit, lastDay, reference, limit, bells) : null,
    ahead:
      chance !== null && chance > AHEAD_FROM
        ? { from: lastDay, chances: AHEAD_YEARS.map((years) => chancePast(levelsAt(fit, years), limit, reference)) }
        : null,
  };
}

function crossingOf(fit: ThreadFit, lastDay: Day, reference: number, limit: Limit, bells: readonly Bell[]): Crossing {
  const below = isOpen(limit.lower) ? 0 : mixtureCdf(bells, limit.lower / reference);
  const above = isOpen(limit.upper) ? 0 : 1 - mixtureCdf(bells, limit.upper / reference);
  const side = isOpen(limit.upper) || (!isOpen(limit.lower) && below >= above) ? 'lower' : 'upper';
  const [earliest = null, likely = null, latest = null] = yearsUntil(fit, limit, reference, [0.1, 0.5, 0.9]).map(
    (years) => (years === null ? null : Math.round(lastDay + years * DAYS_A_YEAR)),
  );
  return { side, earliest, likely, latest };
}
