import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';
import { AHEAD_YEARS } from './ahead.ts';
import type { LevelsAhead } from './levels-ahead.ts';
import { mixtureCdf, mixtureMean, mixtureQuantile, type Bell } from './mixture.ts';
import { isOpen, type Crossing, type Limit, type Outlook } from './outlook.ts';

/** Years after the last reading at which a crossing is looked for; one farther ahead is not worth a date. */
const LOOKED_AT = [0, 0.25, 0.5, 0.75, 1, 1.5, 2, 3, 4, 6, 8, 12] as const;
/** Halvings between two of these. */
const HALVINGS = 4;

/** Years after the last reading at which the chance of being past the limit first reaches each p; null beyond the last. */
function yearsUntil(levels: LevelsAhead, limit: Limit, chances: readonly number[]): (number | null)[] {
  const chanceAfter = (years: number) => levels.chancePast(years, limit);
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

/** The chance of being past a limit on a day; limits in the kind's unit; null without one. */
export function chanceAhead(
  levels: LevelsAhead,
  lastDay: Day,
  reference: number,
  limit: Limit,
  day: Day,
): number | null {
  if (isOpen(limit.lower) && isOpen(limit.upper)) return null;
  return levels.chancePast((day - lastDay) / DAYS_A_YEAR, inShares(limit, reference));
}

/**
 * Where a fitted thread will stand on a day: expected value, the range that holds it with 80 % chance, the chance of
 * being past its limit, and the days at which that chance is 10, 50 and 90 %. These are of the part itself, not of one
 * more reading of it. `lastDay` is the day of the last reading, `reference` and limits are in the kind's unit.
 */
export function threadAhead(levels: LevelsAhead, lastDay: Day, reference: number, limit: Limit, day: Day): Outlook {
  const bells = levels.at((day - lastDay) / DAYS_A_YEAR);
  const shares = inShares(limit, reference);
  const chance = chanceAhead(levels, lastDay, reference, limit, day);
  return {
    day,
    now: reference * levels.meanAt(0),
    expected: reference * mixtureMean(bells),
    low80: reference * mixtureQuantile(bells, 0.1),
    high80: reference * mixtureQuantile(bells, 0.9),
    chancePastLimit: chance,
    crossing: chance !== null && chance > CROSSING_FROM ? crossingOf(levels, lastDay, shares, bells) : null,
    ahead:
      chance !== null && chance > AHEAD_FROM
        ? { from: lastDay, chances: AHEAD_YEARS.map((years) => levels.chancePast(years, shares)) }
        : null,
  };
}

const inShares = ({ lower, upper }: Limit, reference: number): Limit => ({
  lower: isOpen(lower) ? null : lower / reference,
  upper: isOpen(upper) ? null : upper / reference,
});

function crossingOf(levels: LevelsAhead, lastDay: Day, limit: Limit, bells: readonly Bell[]): Crossing {
  const below = isOpen(limit.lower) ? 0 : mixtureCdf(bells, limit.lower);
  const above = isOpen(limit.upper) ? 0 : 1 - mixtureCdf(bells, limit.upper);
  const side = isOpen(limit.upper) || (!isOpen(limit.lower) && below >= above) ? 'lower' : 'upper';
  const [earliest = null, likely = null, latest = null] = yearsUntil(levels, limit, [0.1, 0.5, 0.9]).map((years) =>
    years === null ? null : Math.round(lastDay + years * DAYS_A_YEAR),
  );
  return { side, earliest, likely, latest };
}
