import type { Limits, ReadingKind } from '../readings/kind.ts';
import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';
import type { DriftFit } from '../trend/fit-drift.ts';
import type { Limit, Outlook } from '../trend/outlook.ts';
import { departureFromLine, isOdd, threadOutlookOf, type ThreadReading } from '../trend/thread-outlook.ts';
import type { Judgement } from './judgement.ts';
import type { Policy } from './policy.ts';
import type { Standing } from './standing.ts';

export interface TrendJudgement {
  readonly judgement: Judgement;
  readonly fit: DriftFit | null;
  readonly outlook: Outlook | null;
}

/** The side of the limits that wear moves towards. */
function wearLimit(kind: ReadingKind, limits: Limits): Limit {
  if (!limits.known || kind.wear === 'none') return {};
  return kind.wear === 'falls' ? { lower: limits.lower } : { upper: limits.upper };
}

function standingFor(chance: number, readings: number, policy: Policy): Standing {
  if (readings < 2) return 'unproven';
  if (chance >= policy.trend.actChance && readings >= policy.trend.leastReadings) return 'act';
  return chance >= policy.trend.watchChance ? 'watch' : 'sound';
}

function reasonFrom(
  fit: DriftFit,
  ahead: Outlook,
  limit: number,
  side: 'lower' | 'upper',
  reference: number,
  kind: ReadingKind,
) {
  const perYear = fit.slope * DAYS_A_YEAR;
  return {
    code: 'trend' as const,
    numbers: {
      chance: ahead.chancePastLimit ?? 0,
      expected: ahead.expected,
      low80: ahead.low80,
      high80: ahead.high80,
      limit,
      side,
      day: ahead.day,
      perYear,
      perYearPercent: (100 * perYear) / reference,
      readings: fit.n,
      ownSharePercent: 100 * fit.ownShare,
      unit: kind.unit,
    },
  };
}

const unproven = (because: Judgement['because']): Judgement => ({
  basis: 'trend',
  standing: 'unproven',
  limit: null,
  because,
});

/**
 * Judges a reading by its thread: where it will stand at the next round and the chance of being past its limit by then.
 * A reading far off its own line is not taken for wear: it is 'watch', to be measured again, and nothing is forecast.
 * All values in the kind's unit; days since 1970. `reference` scales the drift prior (rating or baseline).
 */
export function judgeByTrend(
  kind: ReadingKind,
  earlier: readonly ThreadReading[],
  reading: ThreadReading,
  limits: Limits,
  reference: number,
  nextRound: Day,
  policy: Policy,
): TrendJudgement {
  const departure = departureFromLine(kind, earlier, reading, reference);
  if (departure && isOdd(departure, policy)) {
    const numbers = { value: reading.value, ...departure, unit: kind.unit };
    const judgement: Judgement = {
      basis: 'trend',
      standing: 'watch',
      limit: null,
      because: { code: 'odd-point', numbers },
    };
    return { judgement, fit: null, outlook: null };
  }
  const limit = wearLimit(kind, limits);
  const ahead = threadOutlookOf(kind, [...earlier, reading], reference, limit, nextRound);
  if (ahead.outcome === 'cannot-say') {
    return {
      judgement: unproven({ code: 'trend-too-short', numbers: { readings: ahead.n, least: 2 } }),
      fit: null,
      outlook: null,
    };
  }
  return {
    judgement: judgeOutlook(kind, ahead.fit, ahead.outlook, limit, reference, policy),
    fit: ahead.fit,
    outlook: ahead.outlook,
  };
}

function judgeOutlook(
  kind: ReadingKind,
  fit: DriftFit,
  ahead: Outlook,
  limit: Limit,
  reference: number,
  policy: Policy,
): Judgement {
  const value = limit.lower ?? limit.upper ?? null;
  if (value === null || ahead.chancePastLimit === null) {
    return unproven({
      code: 'trend-without-limit',
      numbers: { perYear: fit.slope * DAYS_A_YEAR, readings: fit.n, unit: kind.unit },
    });
  }
  if (fit.n < 2) return unproven({ code: 'trend-too-short', numbers: { readings: fit.n, least: 2 } });
  const side = limit.lower === value ? 'lower' : 'upper';
  return {
    basis: 'trend',
    standing: standingFor(ahead.chancePastLimit, fit.n, policy),
    limit: value,
    because: reasonFrom(fit, ahead, value, side, reference, kind),
  };
}
