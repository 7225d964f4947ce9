import type { Component, ComponentKind, Point } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import type { Judgement } from '../judgement/judgement.ts';
import type { Policy } from '../judgement/policy.ts';
import type { Because, Refusal } from '../judgement/reasons.ts';
import type { Rule, Snag } from '../judgement/rules.ts';
import type { Unit } from '../quantity/unit.ts';
import type { PressureTables } from '../trade/refrigerant/pressure-table.ts';
import type { Conditions } from './conditions.ts';

/** The stops of a round at which readings are taken; see round/stops.ts for what each is. */
export type StopId =
  | 'arrive'
  | 'look'
  | 'calls'
  | 'electric-heat'
  | 'gas-heat'
  | 'fan-only'
  | 'heating'
  | 'defrost'
  | 'cooling-air'
  | 'cooling'
  | 'off-outdoor'
  | 'off-indoor';

export type { Conditions } from './conditions.ts';

/** Where on what system a reading is taken. */
export interface Where {
  readonly systemKind: SystemKind;
  readonly plate: Plate;
  readonly component: Component;
}

/** What a reading is about. */
export interface About extends Where {
  readonly point: Point;
  /** What held while it was taken; empty when nothing is known. */
  readonly conditions?: Conditions | undefined;
  /** Pressure tables the firm has loaded. */
  readonly tables?: PressureTables | undefined;
}

/** An instrument of the probe kit that can serve an input. */
export type ProbeChannel =
  'clamp' | 'volts' | 'ohms' | 'suction-gauge' | 'liquid-gauge' | 'pipe-clamp' | 'psychrometer' | 'capacitance';

/** One thing a method asks for. */
export type InputSpec =
  | {
      readonly id: string;
      readonly type: 'number';
      readonly label: string;
      readonly unit: Unit;
      /** True where a meter may show OL. */
      readonly overLimit: boolean;
      /** True where a figure that does not stand still is itself a reading. */
      readonly jumps?: boolean;
      /** True for further samples, which nobody misses. */
      readonly optional?: boolean;
      /** True where it may be below zero. */
      readonly signed?: boolean;
      /** The instrument that can stream it. */
      readonly probe?: ProbeChannel;
    }
  | { readonly id: string; readonly type: 'choice'; readonly label: string; readonly options: readonly Choice[] }
  /** Several may hold at once; stored comma-joined. `none` is the choice that excludes the others. */
  | {
      readonly id: string;
      readonly type: 'several';
      readonly label: string;
      readonly options: readonly Choice[];
      readonly none: Choice;
    };

export interface Choice {
  readonly value: string;
  readonly label: string;
}

/** What was entered, by input id: a number, "OL", "jumps", a choice's value, or several of them comma-joined. */
export type Inputs = Readonly<Record<string, number | string>>;

/** What a method makes of its inputs. */
export type Evaluated =
  | {
      readonly outcome: 'taken';
      /** In the kind's unit; null when only the finding counts. */
      readonly value: number | null;
      /** A finding in place of, or beside, a number ("open", "bulged"). */
      readonly finding: string | null;
      /** What should be asked before it is kept. */
      readonly questions: readonly Because[];
    }
  | { readonly outcome: 'refused'; readonly input: string; readonly because: Refusal };

/** One way of taking a kind of reading. */
export interface Method {
  readonly id: string;
  readonly title: string;
  /** Where on the round it is taken: at the first of these stops that the round has. */
  readonly stops: readonly StopId[];
  /** True for a method that nobody misses when another one of the kind was taken. */
  readonly optional?: boolean;
  /** False for a method that proves too little to stand in for another one of the kind: that stays owed. */
  readonly settles?: false;
  /** Place in the order of the stop. */
  readonly order: number;
  /** Which points of the component this method is taken at. */
  readonly points: (where: Where) => readonly Point[];
  /** The entry when all is as it should be, so that it can be taken with one tap; its words are the choices' own. */
  readonly usual?: (about: About) => Inputs;
  readonly inputs: readonly InputSpec[];
  /** Makes the value from inputs that have passed the checks of their types. */
  readonly evaluate: (inputs: Inputs, about: About) => Evaluated;
  /** Standard deviation of the reading for a value, same unit: the meter, and what is not brought to like conditions. */
  readonly error: (value: number) => number;
}

/** The limits a value is judged by, or why there are none. */
export type Limits =
  | {
      readonly known: true;
      readonly family: 'rating' | 'rated-load' | 'nominal-volts' | 'window';
      readonly nominal: number;
      readonly lower: number | null;
      readonly upper: number | null;
      /** Where watching begins, between nominal and limit; null for a side that is not watched. */
      readonly watchLower: number | null;
      readonly watchUpper: number | null;
      /** For the rated-load family. */
      readonly figure?: 'RLA' | 'FLA' | undefined;
      readonly derived?: boolean | undefined;
      /** For the window family: what the limits are of. */
      readonly rule?: Rule | undefined;
    }
  | { readonly known: false; readonly because: Because };

/** How a kind's readings are made comparable. */
export interface LikeForLike {
  /** The common conditions, in words: "82 °F outdoors, 240 V". */
  readonly words: (about: About) => string;
  /** The common conditions; limits of compared values are taken there. */
  readonly at: (about: About) => Conditions;
  /**
   * The value as it would have read there, in the kind's unit, and the standard deviation that bringing it adds. Where a
   * condition is not known (`about.conditions`), `known` is false and the error stands for all it may have been.
   */
  readonly bring: (value: number, about: About, inputs: Inputs) => Compared;
}

/** A value as it would have read under common conditions. */
export interface Compared {
  /** In the kind's unit. */
  readonly value: number;
  /** Standard deviation that bringing it there adds, same unit. */
  readonly error: number;
  readonly known: boolean;
}

/**
 * A kind of reading. Forms, verdicts, charts and the API follow from this description: a new kind is a new file in
 * this folder, its test, and a line in the registry.
 */
export interface ReadingKind {
  readonly id: string;
  readonly title: string;
  readonly component: ComponentKind;
  readonly unit: Unit;
  /** Decimals shown. */
  readonly decimals: number;
  readonly methods: readonly Method[];
  /** Titles of points that have one of their own; see titleOf. */
  readonly pointTitles?: Partial<Record<Point, string>>;
  /** What the plate says of it, short: "rated 40 µF", "RLA 19.9 A". */
  readonly plateLine: (about: About) => string;
  /** Which way wear moves it; 'either' where both ends are limits, 'none' for values that have no trend. */
  readonly wear: 'falls' | 'rises' | 'either' | 'none';
  /** What moves it besides wear, as a technician would say it. */
  readonly movedBy: readonly string[];
  /** True when, without a plate figure, the verdict stays unproven even if the part's own baseline is known. */
  readonly plateDecides: (point: Point) => boolean;
  readonly limits: (about: About, policy: Policy) => Limits;
  /** Values outside are questioned, in the kind's unit; null when nothing can be said. */
  readonly plausible: (about: About) => { readonly low: number; readonly high: number } | null;
  /** Parts whose replacement changes this reading without the part itself having changed: its thread starts anew. */
  readonly restartedBy?: (point: Point) => readonly ComponentKind[];
  /** How readings are brought to common conditions; left out where nothing but wear and the meter moves them. */
  readonly likeForLike?: LikeForLike;
  /** True where points of the part do not wear alike, so that each learns from its own kind only. */
  readonly pointsDiffer?: boolean;
  /** 'unit' where shares make no sense, since values lie about nought: drift is then in the kind's unit. */
  readonly driftIn?: 'share' | 'unit';
  /** Drift a year to be expected before a part has shown its own, as a share of the reference value. */
  readonly driftPrior: { readonly meanShare: number; readonly sdShare: number };
  /** What of the plate it cannot be worked out without; null when nothing is missing. */
  readonly needs?: (about: About) => Snag | null;
  /** Verdict of a finding that is not a number. */
  readonly judgeFinding?: (finding: string, point: Point, policy: Policy) => Judgement;
  /** What later readings of the same visit are told by this one. */
  readonly tells?: (
    taken: {
      inputs: Inputs;
      value: number | null;
      finding: string | null;
      point: Point;
      /** Of the site, ft. */ altitudeFt?: number | undefined;
    },
    conditions: Conditions,
  ) => Conditions;
  /** What a value that is past its limit costs, in figures; said beside the verdict. */
  readonly costs?: (value: number, about: About) => Because | null;
  /** Turns a departure from the part's own baseline into a verdict; undefined where baselines are not judged. */
  readonly judgeBaseline?: (departure: Departure, about: About, policy: Policy) => Judgement;
}

/** How a value departs from its own baseline. */
export interface Departure {
  readonly value: number;
  readonly baseline: number;
  /** 100 × (value − baseline) / baseline. */
  readonly offPercent: number;
  readonly from: 'as-fitted' | 'first-sound';
  readonly unit: Unit;
  /** The common conditions both were brought to, in words; absent when they are as read. */
  readonly at?: string;
}
