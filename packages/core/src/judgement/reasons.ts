import type { Point } from '../equipment/component.ts';
import type { Day } from '../quantity/day.ts';
import type { MeasureRefusal } from '../quantity/measure.ts';
import type { Unit } from '../quantity/unit.ts';
import type { Doubt, Need, Rule, Snag } from './rules.ts';
import type { TogetherId } from './together-rules.ts';

/** Where a value lies between its nominal and its limit. */
export type Position = 'within' | 'nearing' | 'past';

interface AgainstLimit {
  readonly value: number;
  readonly nominal: number;
  readonly limit: number;
  readonly side: 'lower' | 'upper';
  readonly position: Position;
}

interface AgainstBaseline {
  readonly value: number;
  readonly baseline: number;
  readonly offPercent: number;
  readonly from: 'as-fitted' | 'first-sound';
  readonly unit: Unit;
  /** The common conditions both were brought to, in words; absent when they are as read. */
  readonly at?: string;
}

/**
 * Every reason a verdict can give: its code and the numbers its sentence is made of. Words are made from these in
 * words.ts and nowhere else, so that screen, report and export agree.
 */
export interface ReasonNumbers {
  'against-rating': AgainstLimit;
  'against-rated-load': AgainstLimit & { readonly figure: 'RLA' | 'FLA'; readonly derived: boolean };
  'against-nominal-volts': AgainstLimit;
  /** Held against a rule or a plate figure with a lower limit, an upper one, or both. */
  'against-window': AgainstLimit & { readonly unit: Unit; readonly rule: Rule; readonly other: number | null };
  /** No limit, and what it would take. */
  'no-basis': { readonly need: Need };
  /** Findings, comma-joined; see findings.ts. */
  finding: { readonly found: string };
  /** A thread that cannot be fitted: a figure in it is beyond reckoning. */
  'not-fitted': { readonly kind: string };
  /** What a heater that should be off adds to the air being cooled; share null without the tons. */
  'heat-added': {
    readonly amps: number;
    readonly volts: number;
    readonly btuh: number;
    readonly ofCooling: number | null;
  };
  /** Figures that cannot both be right. */
  'does-not-fit': { readonly doubt: Doubt; readonly a: number; readonly b: number };
  'rating-unknown': { readonly text: string };
  'rla-unknown': { readonly why: 'nothing-known' | 'fan-fla-missing' | 'only-breaker' | 'contradiction' };
  'fla-unknown': { readonly part: 'outdoor fan' | 'blower' };
  'no-plate-limit-for-wire': { readonly point: Point };
  'open-section': { readonly point: Point };
  'shorted-section': { readonly point: Point };
  'holds-charge': { readonly point: Point };
  looks: { readonly look: 'sound' | 'rusted' | 'bulged' | 'leaking' | 'burst' };
  'as-it-was': AgainstBaseline;
  'off-baseline': AgainstBaseline;
  'far-below-usual': AgainstBaseline;
  'blocked-air': AgainstBaseline & { readonly motor: 'psc' | 'ecm' };
  'no-baseline-yet': { readonly readings: number };
  'is-the-baseline': { readonly value: number; readonly unit: Unit };
  trend: {
    readonly chance: number;
    readonly expected: number;
    readonly low80: number;
    readonly high80: number;
    readonly limit: number;
    readonly side: 'lower' | 'upper';
    readonly day: Day;
    readonly perYear: number;
    readonly perYearPercent: number;
    readonly readings: number;
    readonly ownSharePercent: number;
    /** Threads of the firm that its prior was learned from; 0 before any. */
    readonly fleet: number;
    /** True when the readings ask for a curve. */
    readonly bends: boolean;
    /** Whether the drift is said in per cent; else in the unit. */
    readonly relative: boolean;
    readonly unit: Unit;
  };
  /** `by`: the method that would settle it. */
  'trend-too-short': { readonly readings: number; readonly least: number; readonly by: string };
  'trend-open': {
    readonly chance: number;
    readonly readings: number;
    readonly limit: number;
    readonly side: 'lower' | 'upper';
    readonly by: string;
    readonly unit: Unit;
  };
  stepped: {
    readonly from: number;
    readonly to: number;
    readonly after: Day;
    readonly by: Day;
    readonly unit: Unit;
  };
  'trend-without-limit': { readonly perYear: number; readonly readings: number; readonly unit: Unit };
  'odd-point': { readonly value: number; readonly expected: number; readonly chance: number; readonly unit: Unit };
  /** A finding over several readings, and what it made of the chance. */
  together: { readonly rule: TogetherId; readonly before: number; readonly after: number };
  'three-wires-agree': { readonly expected: number; readonly value: number };
  'three-wires-miss': { readonly expected: number; readonly value: number; readonly offPercent: number };
  'far-from-plausible': {
    readonly value: number;
    readonly low: number;
    readonly high: number;
    readonly unit: Unit;
    /** The value with its decimal point moved, when that would be plausible. */
    readonly perhaps: number | null;
  };
  'doubtful-volts': { readonly volts: number; readonly lineVolts: number; readonly expectedAtLeast: number };
}

type Coded<Table> = { [Code in keyof Table]: { readonly code: Code; readonly numbers: Table[Code] } }[keyof Table];

/** A reason as data. */
export type Because = Coded<ReasonNumbers>;

/** Why a value was not taken at all. */
export type Refusal =
  | MeasureRefusal
  | { readonly code: 'unknown-choice'; readonly numbers: { readonly text: string } }
  | { readonly code: 'chosen-twice'; readonly numbers: { readonly text: string } }
  | { readonly code: 'none-and-some'; readonly numbers: { readonly text: string } }
  | { readonly code: 'unknown-field'; readonly numbers: { readonly text: string } }
  | { readonly code: 'no-volts-across'; readonly numbers: Record<string, never> }
  | { readonly code: 'cannot-work-out'; readonly numbers: { readonly snag: Snag } };
