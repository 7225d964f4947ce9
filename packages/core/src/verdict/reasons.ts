import { z } from 'zod';
import { POINTS } from '../equipment/component.ts';
import type { MeasureRefusal } from '../quantity/measure.ts';
import { UNITS } from '../quantity/unit.ts';
import { DOUBTS, NEEDS, RULES, type Snag } from './rules.ts';
import { STANDINGS } from './standing.ts';
import { TOGETHER_IDS } from './together.ts';
import { SAYS, STATE_WORDS } from './interpretation.ts';

const number = z.number();
const unit = z.enum(UNITS);
const point = z.enum(POINTS);
const side = z.enum(['lower', 'upper']);
/** Where a value lies between its nominal and its limit; open where the limit itself is not certain enough to say. */
const position = z.enum(['within', 'nearing', 'past', 'open']);
export type Position = z.infer<typeof position>;

const againstLimit = {
  value: number,
  nominal: number,
  limit: number,
  side,
  position,
  /** Where the meter is known to be off: what was read, how far it is off, and how well the value is known. */
  meter: z.object({ read: number, offPercent: number.nullable(), within: number, unit }).optional(),
};
const againstBaseline = {
  value: number,
  baseline: number,
  offPercent: number,
  from: z.enum(['as-fitted', 'first-sound']),
  unit,
  /** The common conditions both were brought to, in words; absent when they are as read. */
  at: z.string().optional(),
};

const inTurn = {
  doing: z.enum(['closing', 'opening']),
  first: point,
  second: point,
  /** Seconds. */
  firstAt: number,
  secondAt: number,
  contacts: number,
};

/**
 * Every reason a verdict can give, by its code: the numbers its sentence is made of. The words are made from these and
 * nowhere else, so that screen, report and export agree; the schemas are those of the wire.
 */
export const REASONS = {
  'against-rating': z.object(againstLimit),
  'against-rated-load': z.object({ ...againstLimit, figure: z.enum(['RLA', 'FLA']), derived: z.boolean() }),
  'against-nominal-volts': z.object(againstLimit),
  /** Held against a rule or a plate figure with a lower limit, an upper one, or both. */
  'against-window': z.object({ ...againstLimit, unit, rule: z.enum(RULES), other: number.nullable() }),
  /** No limit, and what it would take. */
  'no-basis': z.object({ need: z.enum(NEEDS) }),
  /** What was found, by code (see findings.ts), and where, for those that name the point. */
  finding: z.object({ found: z.array(z.string()).readonly(), point: point.optional() }),
  /** A thread that cannot be fitted: a figure in it is beyond reckoning. */
  'not-fitted': z.object({ kind: z.string() }),
  /** What a heater that should be off adds to the air being cooled; share null without the tons. */
  'heat-added': z.object({ amps: number, volts: number, btuh: number, ofCooling: number.nullable() }),
  /** Figures that cannot both be right. */
  'does-not-fit': z.object({ doubt: z.enum(DOUBTS), a: number, b: number }),
  'rating-unknown': z.object({ text: z.string() }),
  'rla-unknown': z.object({ why: z.enum(['nothing-known', 'fan-fla-missing', 'only-breaker', 'contradiction']) }),
  'fla-unknown': z.object({ part: z.enum(['outdoor fan', 'blower']) }),
  'no-plate-limit-for-wire': z.object({ point }),
  'as-it-was': z.object(againstBaseline),
  'off-baseline': z.object(againstBaseline),
  'far-below-usual': z.object(againstBaseline),
  'blocked-air': z.object({ ...againstBaseline, motor: z.enum(['psc', 'ecm']) }),
  'no-baseline-yet': z.object({ readings: number }),
  'is-the-baseline': z.object({ value: number, unit, inThisState: z.literal(true).optional() }),
  trend: z.object({
    chance: number,
    expected: number,
    low80: number,
    high80: number,
    limit: number,
    side,
    /** Days since 1970. */
    day: number,
    perYear: number,
    perYearPercent: number,
    readings: number,
    ownSharePercent: number,
    /** Threads of the firm that its prior was learned from; 0 before any. */
    fleet: number,
    /** True when the readings ask for a curve. */
    bends: z.boolean(),
    /** Whether the drift is said in per cent; else in the unit. */
    relative: z.boolean(),
    unit,
  }),
  /** `by`: the method that would settle it. */
  'trend-too-short': z.object({ readings: number, least: number, by: z.string() }),
  'trend-open': z.object({ chance: number, readings: number, limit: number, side, by: z.string(), unit }),
  stepped: z.object({ from: number, to: number, after: number, by: number, unit }),
  'trend-without-limit': z.object({ perYear: number, readings: number, unit }),
  'odd-point': z.object({ value: number, expected: number, chance: number, unit }),
  /** A finding over several readings, and what it made of the chance. */
  together: z.object({ rule: z.enum(TOGETHER_IDS), before: number, after: number }),
  'three-wires-agree': z.object({ expected: number, value: number }),
  'three-wires-miss': z.object({ expected: number, value: number, offPercent: number }),
  'windings-add-up': z.object({ expected: number, value: number }),
  'windings-miss': z.object({ expected: number, value: number }),
  /** What a technician put in place of the verdict: how it stands, how it would, why, and who (initials). */
  ruled: z.object({ standing: z.enum(STANDINGS), was: z.enum(STANDINGS), why: z.string(), by: z.string() }),
  /** Amps of the two legs of one load, which should be the same. */
  'legs-differ': z.object({ first: number, second: number }),
  /** Contacts that switch one after the other, or do not: the first two, or the two that are out of turn. */
  'contacts-in-turn': z.object(inTurn),
  'contacts-out-of-turn': z.object(inTurn),
  'far-from-plausible': z.object({
    value: number,
    low: number,
    high: number,
    unit,
    /** The input whose decimal point, moved, would make it plausible, as it would read then; its label where there are more. */
    perhaps: z.object({ input: z.string(), label: z.string(), value: number }).nullable(),
  }),
  /** What a reading says that does not count as it is: see verdict/interpretation.ts. */
  'in-state': z.object({
    says: z.enum(SAYS),
    states: z.array(z.enum(STATE_WORDS)).readonly(),
    causes: z.array(z.string()).readonly(),
    next: z.object({ lead: z.string(), what: z.enum(['volts', 'amps', 'ohms']) }).nullable(),
    value: number.nullable(),
    unit: unit.nullable(),
  }),
  /** A part whose label is not what its machine's plate asks for: both as they are written. */
  'not-as-asked': z.object({ fitted: z.string(), asked: z.string() }),
  /** Volts across a capacitor above those on its can. */
  'volts-over-can': z.object({ volts: number, rated: number }),
  'doubtful-volts': z.object({ volts: number, lineVolts: number, expectedAtLeast: number }),
} as const;

export type ReasonCode = keyof typeof REASONS;
/** The numbers of each reason. */
export type ReasonNumbers = { readonly [Code in ReasonCode]: Readonly<z.infer<(typeof REASONS)[Code]>> };

type Coded<Table> = { [Code in keyof Table]: { readonly code: Code; readonly numbers: Table[Code] } }[keyof Table];

/** A reason as data. */
export type Because = Coded<ReasonNumbers>;

const coded = (Object.keys(REASONS) as ReasonCode[]).map((code) =>
  z.object({ code: z.literal(code), numbers: REASONS[code] }),
);

/** A reason on the wire: one of the catalog, with its own numbers. */
export const becauseSchema = z.discriminatedUnion(
  'code',
  coded as unknown as [(typeof coded)[number], ...typeof coded],
) as unknown as z.ZodType<Because>;

/** Why a value was not taken at all. */
export type Refusal =
  | MeasureRefusal
  | { readonly code: 'unknown-choice'; readonly numbers: { readonly text: string } }
  | { readonly code: 'chosen-twice'; readonly numbers: { readonly text: string } }
  | { readonly code: 'none-and-some'; readonly numbers: { readonly text: string } }
  | { readonly code: 'unknown-field'; readonly numbers: { readonly text: string } }
  | { readonly code: 'no-volts-across'; readonly numbers: Record<string, never> }
  | { readonly code: 'cannot-work-out'; readonly numbers: { readonly snag: Snag } };
