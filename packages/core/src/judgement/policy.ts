import { z } from 'zod';

const percent = z.number().min(0).max(100);
const share = z.number().min(0).max(1);

/**
 * A firm's schools and thresholds. Every limit a verdict uses comes from here or from a plate.
 * Capacitor schools: 'printed' follows the tolerance on the label; 'tight' allows 5 % below the rating; 'wide' 10 %
 * either way. All three are common practice without a source, and so are the other defaults unless they say otherwise.
 */
export const policySchema = z.object({
  capacitor: z.object({
    school: z.enum(['printed', 'tight', 'wide']),
    /** Used when the label prints no tolerance, %. */
    unprintedTolerancePercent: percent,
    /** Share of the way from rating to lower limit at which watching begins. */
    watchFrom: share,
    /** How far below its own baseline a section may fall before it is watched, %. */
    baselineDropPercent: percent,
    /** Allowed difference in µF of a replacement, %. */
    replacementPercent: percent,
  }),
  amps: z.object({
    /** Share of RLA or FLA at which watching begins. */
    watchFrom: share,
    /** How far from its own baseline a motor's amps may be before it is watched, %. */
    baselinePercent: percent,
    /** A compressor this far below its usual amps runs, but does not pump as it did, %. */
    farBelowPercent: percent,
  }),
  lineVolts: z.object({
    /** ANSI C84.1 range A, % either side of nominal. */
    goodPercent: percent,
    /** Share of nominal below which the supply is investigated: 208 of 240 V. */
    lowShare: share,
    /** Multiple of nominal from which it is the utility's problem: 256 of 240 V. */
    highMultiple: z.number().min(1).max(2),
  }),
  trend: z.object({
    /** Chance of being past the limit at the next round at which a thread is watched, and acted on. */
    watchChance: share,
    actChance: share,
    /** With fewer readings than this the trend alone never says 'act'. */
    leastReadings: z.number().int().min(2).max(10),
    /** A reading this many standard deviations off its own thread is measured again before it counts. */
    oddPointDeviations: z.number().min(2).max(10),
  }),
  /** Months (1–12) whose middle the rounds are planned for. */
  roundMonths: z.array(z.number().int().min(1).max(12)).min(1),
});

export type Policy = z.infer<typeof policySchema>;
export type CapacitorSchool = Policy['capacitor']['school'];

/** The policy a firm starts with, in the given capacitor school. */
export function policyOf(school: CapacitorSchool): Policy {
  return {
    capacitor: {
      school,
      unprintedTolerancePercent: 6,
      watchFrom: 0.6,
      baselineDropPercent: 6,
      replacementPercent: school === 'wide' ? 10 : school === 'printed' ? 5 : 0,
    },
    amps: { watchFrom: 0.9, baselinePercent: 15, farBelowPercent: 35 },
    lineVolts: { goodPercent: 5, lowShare: 208 / 240, highMultiple: 256 / 240 },
    trend: { watchChance: 0.2, actChance: 0.5, leastReadings: 3, oddPointDeviations: 4 },
    roundMonths: [4, 10],
  };
}

/** The three capacitor schools as whole policies. */
export const POLICIES: Readonly<Record<CapacitorSchool, Policy>> = {
  printed: policyOf('printed'),
  tight: policyOf('tight'),
  wide: policyOf('wide'),
};

/** The policy of a firm that has not chosen yet: the printed tolerance. */
export const DEFAULT_POLICY: Policy = POLICIES.printed;
