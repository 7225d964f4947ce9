import { own } from '../quantity/own.ts';
import { threadClassOf, type NumericKind } from '../readings/contract/kind.ts';
import { startingPrior, type FleetPrior, type ThreadPrior } from '../series/drift-prior.ts';
import { fitThread, type ThreadFit } from '../series/fit-thread.ts';
import { LevelsAhead } from '../series/levels-ahead.ts';
import type { Limit, Outlook } from '../series/outlook.ts';
import { upTo } from '../series/ready-thread.ts';
import { chanceAhead, threadAhead } from '../series/thread-ahead.ts';
import { DAYS_A_YEAR, type Day } from '../quantity/day.ts';
import type { Judgment } from '../verdict/judgment.ts';
import type { Limits } from '../verdict/limits.ts';
import type { Policy } from '../verdict/policy.ts';
import type { Standing } from '../verdict/standing.ts';
import type { ComparedReading } from './compare-readings.ts';
import type { PreparedSeries } from './prepare-series.ts';

export interface TrendJudgment {
  readonly judgments: readonly Judgment[];
  readonly fit: ThreadFit | null;
  readonly outlook: Outlook | null;
  /** Readings that were set aside as odd: their places among those compared. */
  readonly setAside: readonly number[];
}

/** What a thread's trend is judged in the light of. */
export interface TrendContext {
  readonly prior: FleetPrior | undefined;
  readonly nextRound: Day;
  readonly policy: Policy;
}

/** From this chance on a reading counts as odd, or a step as one. */
const TAKEN_FOR_TRUE = 0.5;
/** A step is news for this long, days. */
const NEWS_FOR = 400;

/** The sides of the limits that wear moves toward. */
function wearLimit(kind: NumericKind, limits: Limits): Limit {
  if (!limits.known || kind.wear === 'none') return {};
  if (kind.wear === 'either') return { lower: limits.lower, upper: limits.upper };
  return kind.wear === 'falls' ? { lower: limits.lower } : { upper: limits.upper };
}

/** The prior of a thread's class: the fleet's, or what the kind starts with. */
export const priorFor = (kind: NumericKind, point: string, prior: FleetPrior | undefined): ThreadPrior =>
  own(prior?.classes ?? {}, threadClassOf(kind, point)) ?? startingPrior(kind);

const judgment = (standing: Standing, because: Judgment['because'], limit: number | null = null): Judgment => ({
  basis: 'trend',
  standing,
  limit,
  because,
});

/** The method that reads the kind best, in its own words: what settles a doubt. */
function settledBy(kind: NumericKind, value: number): string {
  const exact = kind.methods
    .map((m) => ({ title: m.title, error: m.error?.(value) ?? 0 }))
    .filter((m) => m.error > 0)
    .sort((a, b) => a.error - b.error)[0];
  return exact?.title ?? kind.title;
}

function judgeOutlook(
  kind: NumericKind,
  fit: ThreadFit,
  ahead: Outlook,
  limits: Limit,
  reference: number,
  prior: ThreadPrior,
  policy: Policy,
): Judgment {
  const perYear = fit.drift * reference;
  const chance = ahead.chancePastLimit;
  if (chance === null) {
    return judgment('unproven', {
      code: 'trend-without-limit',
      numbers: { perYear, readings: fit.n, unit: kind.unit },
    });
  }
  const side = ahead.crossing?.side ?? nearerSide(limits, ahead.expected);
  const limit = (side === 'lower' ? limits.lower : limits.upper) ?? 0;
  const { watchChance, actChance, leastReadings } = policy.trend;
  const few = fit.n < leastReadings;
  if (few && chance >= watchChance && chance < actChance) {
    const numbers = { chance, readings: fit.n, limit, side, by: settledBy(kind, ahead.expected), unit: kind.unit };
    return judgment('unproven', { code: 'trend-open', numbers }, limit);
  }
  const standing = chance >= actChance && !few ? 'act' : chance >= watchChance ? 'watch' : 'sound';
  return judgment(
    standing,
    {
      code: 'trend',
      numbers: {
        chance,
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
        fleet: prior.threads,
        bends: fit.bendChance > TAKEN_FOR_TRUE,
        relative: kind.driftIn !== 'unit',
        unit: kind.unit,
      },
    },
    limit,
  );
}

function nearerSide(limits: Limit, expected: number): 'lower' | 'upper' {
  const lower = limits.lower ?? null;
  const upper = limits.upper ?? null;
  if (lower === null) return 'upper';
  if (upper === null) return 'lower';
  return expected - lower < upper - expected ? 'lower' : 'upper';
}

/** The last step that counts as one, as a judgment: watched while it is news and went the way wear would. */
function stepJudgment(kind: NumericKind, fit: ThreadFit, compared: readonly ComparedReading[]): Judgment | null {
  const at = fit.stepChances.findLastIndex((chance) => chance > TAKEN_FOR_TRUE);
  const [before, after, newest] = [compared[at - 1], compared[at], compared.at(-1)];
  if (!before || !after || !newest) return null;
  const moved = after.value - before.value;
  const bad = kind.wear === 'either' || (kind.wear === 'falls' ? moved < 0 : moved > 0);
  const isNews = newest.reading.day - after.reading.day <= NEWS_FOR;
  return judgment(bad && isNews ? 'watch' : 'sound', {
    code: 'stepped',
    numbers: {
      from: before.value,
      to: after.value,
      after: before.reading.day,
      by: after.reading.day,
      unit: kind.unit,
    },
  });
}

function oddJudgment(
  series: PreparedSeries,
  fit: ThreadFit,
  thread: ThreadPrior,
  chancePast: () => number | null,
  policy: Policy,
): Judgment | null {
  const { compared, reference, kind, ready } = series;
  const newest = compared.at(-1);
  const at = fit.n - 1;
  if (!newest || (fit.oddChances[at] ?? 0) + (fit.stepChances[at] ?? 0) < policy.trend.askAgainChance) return null;
  const without = fitThread(upTo(ready, at), thread);
  const last = compared.at(-2);
  if (!without || !last) return null;
  const years = (newest.reading.day - last.reading.day) / DAYS_A_YEAR;
  const expected = reference * new LevelsAhead(without).meanAt(years);
  return judgment('watch', {
    code: 'odd-point',
    numbers: { value: newest.value, expected, chance: chancePast() ?? 0, unit: kind.unit },
  });
}

/**
 * Judges a thread by where it will stand at the next round: chance of being past its limit by then, and whether its
 * readings stepped or its newest is odd. A reading far off its own line is not taken for wear: it is 'watch', to be
 * measured again. With fewer readings than the policy's least it never says 'act', and says 'unproven' while the chance
 * is open. Values in the kind's unit under common conditions; days since 1970.
 */
export function judgeByTrend(series: PreparedSeries, context: TrendContext): TrendJudgment {
  const { kind, about, compared, limits, reference, ready } = series;
  const { policy, nextRound } = context;
  const newest = compared.at(-1);
  if (compared.length < 2 || !newest) {
    const numbers = { readings: compared.length, least: 2, by: settledBy(kind, newest?.value ?? reference) };
    const judgments = [judgment('unproven', { code: 'trend-too-short', numbers })];
    return { judgments, fit: null, outlook: null, setAside: [] };
  }
  const prior = priorFor(kind, about.point, context.prior);
  const fit = fitThread(ready, prior);
  if (!fit) return { judgments: [], fit: null, outlook: null, setAside: [] };
  const limit = wearLimit(kind, limits);
  const levels = new LevelsAhead(fit);
  const setAside = fit.oddChances.flatMap((chance, i) => (chance > TAKEN_FOR_TRUE ? [i] : []));
  const { day } = newest.reading;
  const odd = oddJudgment(series, fit, prior, () => chanceAhead(levels, day, reference, limit, nextRound), policy);
  if (odd) return { judgments: [odd], fit, outlook: null, setAside };
  const outlook = threadAhead(levels, day, reference, limit, nextRound);
  const stepped = stepJudgment(kind, fit, compared);
  const ahead = judgeOutlook(kind, fit, outlook, limit, reference, prior, policy);
  return { judgments: [stepped, ahead].filter((j) => j !== null), fit, outlook, setAside };
}
