import { z } from 'zod';

/** How far under its rating a capacitor may read; see the firm's schools. */
export const CAPACITOR_SCHOOLS = ['printed', 'tight', 'wide'] as const;
export type CapacitorSchool = (typeof CAPACITOR_SCHOOLS)[number];

const percent = z.number().min(0).max(100);
const volts = z.number().min(0).max(60);
const share = z.number().min(0).max(1);

/**
 * A firm's schools and thresholds. Every limit a verdict uses comes from here or from a plate.
 * Capacitor schools: 'printed' follows the tolerance on the label; 'tight' and 'wide' allow their own (SCHOOL_PERCENT),
 * 'tight' below the rating, 'wide' either way. All three are common practice without a source, and so are the other defaults unless they say otherwise.
 */
export const policySchema = z.object({
  capacitor: z.object({
    school: z.enum(CAPACITOR_SCHOOLS),
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
  /** 24 V control circuits, V: good, and tolerated. */
  controlVolts: z
    .object({ goodLow: volts, goodHigh: volts, low: volts, high: volts })
    .refine(({ low, goodLow, goodHigh, high }) => low <= goodLow && goodLow < goodHigh && goodHigh <= high, {
      error: 'has its bounds crossed',
    }),
  electricHeat: z.object({
    /** How far amps or ohms may be from what the plate gives, %. */
    tolerancePercent: percent,
    /** Amps above this in cooling mean a strip is on. */
    zeroAmps: z.number().min(0),
    /** Longest usual time for a sequencer's contact to close, s. */
    closingSeconds: z.number().min(1),
    /** Longest usual time for it to open once the call has ended, s. */
    openingSeconds: z.number().min(1),
  }),
  air: z.object({
    /** Cooling split at ordinary humidity, °F. */
    splitLowF: z.number(),
    splitHighF: z.number(),
    /** Relative humidity of return air, %, between which the split may be judged at all. */
    humidityLow: percent,
    humidityHigh: percent,
    cfmPerTonLow: z.number(),
    cfmPerTonHigh: z.number(),
    /** Share of nominal tons that must reach the air. */
    capacityShare: share,
    /** Running time before air temperatures count, min. */
    leastRunningMin: z.number().min(0),
    /** How far the room may be from its set point, °F. */
    roomF: z.number().min(0),
  }),
  refrigerant: z.object({
    subcoolingToleranceF: z.number().min(0),
    superheatToleranceF: z.number().min(0),
    /** Superheat an expansion valve usually holds, °F. */
    valveSuperheatLowF: z.number(),
    valveSuperheatHighF: z.number(),
    /** Subcooling when the plate names none, °F. */
    usualSubcoolingLowF: z.number(),
    usualSubcoolingHighF: z.number(),
    /** How far heating pressures may be from the manufacturer's chart, %. */
    chartPercent: percent,
    /** Running time before pressures count, min. */
    leastRunningMin: z.number().min(0),
  }),
  defrost: z.object({
    /** What is done about a termination of 50 °F, which is flagged either way: 'raise-50' moves it up, 'factory' leaves it. */
    school: z.enum(['raise-50', 'factory']),
    /** The setting it is moved up to, °F. */
    raiseToF: z.union([z.literal(60), z.literal(70), z.literal(80), z.literal(90)]),
    /** The longest interval between defrosts that the firm leaves in its climate, min. */
    longestIntervalMin: z.union([z.literal(30), z.literal(60), z.literal(90)]),
    longestMin: z.number().min(1),
    /** How far a sensor may be from the air it hangs in, °F. */
    sensorErrorF: z.number().min(0),
  }),
  coils: z.object({
    contactorLowOhms: z.number(),
    contactorHighOhms: z.number(),
    relayLowOhms: z.number(),
    relayHighOhms: z.number(),
    /** How far a coil may be from its own baseline, %. */
    baselinePercent: percent,
  }),
  /** Volts across a closed contact: watched above the first, past above the second. */
  contactDrop: z.object({ watchVolts: z.number(), mostVolts: z.number() }),
  trend: z.object({
    /** Chance of being past the limit at the next round at which a thread is watched, and acted on. */
    watchChance: share,
    actChance: share,
    /** With fewer readings than this the trend alone never says 'act'. */
    leastReadings: z.number().int().min(2).max(10),
    /** Chance of being odd or stepped from which a newest reading is measured again before it counts. */
    askAgainChance: share,
  }),
  /** Months (1–12) whose middle the rounds are planned for. */
  roundMonths: z.array(z.number().int().min(1).max(12)).min(1),
});

export type Policy = z.infer<typeof policySchema>;

/** What the schools with a figure of their own allow, %. Common practice, no source. */
export const SCHOOL_PERCENT = { tight: 5, wide: 10 } as const;

/** The policy a firm starts with, in the given capacitor school. */
export function policyOf(school: CapacitorSchool): Policy {
  return {
    capacitor: {
      school,
      unprintedTolerancePercent: 6,
      watchFrom: 0.6,
      baselineDropPercent: 6,
      replacementPercent: school === 'wide' ? SCHOOL_PERCENT.wide : school === 'printed' ? 5 : 0,
    },
    amps: { watchFrom: 0.9, baselinePercent: 15, farBelowPercent: 35 },
    lineVolts: { goodPercent: 5, lowShare: 208 / 240, highMultiple: 256 / 240 },
    controlVolts: { goodLow: 24, goodHigh: 28, low: 18, high: 30 },
    electricHeat: { tolerancePercent: 10, zeroAmps: 0.5, closingSeconds: 90, openingSeconds: 90 },
    air: {
      splitLowF: 15,
      splitHighF: 22,
      humidityLow: 40,
      humidityHigh: 65,
      cfmPerTonLow: 350,
      cfmPerTonHigh: 450,
      capacityShare: 0.75,
      leastRunningMin: 8,
      roomF: 3,
    },
    refrigerant: {
      subcoolingToleranceF: 3,
      superheatToleranceF: 5,
      valveSuperheatLowF: 5,
      valveSuperheatHighF: 20,
      usualSubcoolingLowF: 8,
      usualSubcoolingHighF: 14,
      chartPercent: 7,
      leastRunningMin: 10,
    },
    defrost: { school: 'raise-50', raiseToF: 70, longestIntervalMin: 90, longestMin: 10, sensorErrorF: 5 },
    coils: {
      contactorLowOhms: 10,
      contactorHighOhms: 20,
      relayLowOhms: 40,
      relayHighOhms: 100,
      baselinePercent: 25,
    },
    contactDrop: { watchVolts: 0.5, mostVolts: 2 },
    trend: { watchChance: 0.2, actChance: 0.5, leastReadings: 3, askAgainChance: 0.8 },
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

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What is kept, with whatever it lacks taken from what it starts with. */
function filled(start: unknown, kept: unknown): unknown {
  if (!isObject(start)) return kept ?? start;
  const held = isObject(kept) ? kept : {};
  return Object.fromEntries(Object.entries(start).map(([key, value]) => [key, filled(value, held[key])]));
}

/**
 * A firm's policy from what is kept of it: settings that are newer than it start as the usual ones. What cannot be read at
 * all is as if the firm had not chosen.
 */
export function policyFrom(stored: unknown): Policy {
  const read = policySchema.safeParse(filled(DEFAULT_POLICY, stored));
  return read.success ? read.data : DEFAULT_POLICY;
}
