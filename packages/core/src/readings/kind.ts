import type { Component, ComponentKind, Point } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import type { Judgement } from '../judgement/judgement.ts';
import type { Policy } from '../judgement/policy.ts';
import type { Because, Refusal } from '../judgement/reasons.ts';
import type { Unit } from '../quantity/unit.ts';

/** The stops of a round at which readings are taken, in the order they are worked. */
export type StopId = 'running' | 'power-off';

/** What a reading is about. */
export interface About {
  readonly systemKind: SystemKind;
  readonly plate: Plate;
  readonly component: Component;
  readonly point: Point;
}

/** What held while readings were taken; entered once a visit and carried by each reading. */
export interface Conditions {
  /** Outdoor air, °F. */
  readonly outdoorF?: number | undefined;
  /** Line volts, V. */
  readonly lineVolts?: number | undefined;
}

/** One thing a method asks for. */
export type InputSpec =
  | {
      readonly id: string;
      readonly type: 'number';
      readonly label: string;
      readonly unit: Unit;
      /** True where a meter may show OL. */
      readonly overLimit: boolean;
    }
  | { readonly id: string; readonly type: 'choice'; readonly label: string; readonly options: readonly Choice[] };

export interface Choice {
  readonly value: string;
  readonly label: string;
}

/** What was entered, by input id: a number, "OL", or a choice's value. */
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
  readonly stop: StopId;
  /** True for a method that nobody misses when another one of the kind was taken. */
  readonly optional?: boolean;
  /** Place in the order of the stop. */
  readonly order: number;
  /** Which points of the component this method is taken at. */
  readonly points: (component: Component, systemKind: SystemKind) => readonly Point[];
  readonly inputs: readonly InputSpec[];
  /** Makes the value from inputs that have passed the checks of their types. */
  readonly evaluate: (inputs: Inputs, about: About, conditions: Conditions) => Evaluated;
  /** Standard deviation of the reading for a value, same unit: the meter, and what is not brought to like conditions. */
  readonly error: (value: number) => number;
}

/** The limits a value is judged by, or why there are none. */
export type Limits =
  | {
      readonly known: true;
      readonly family: 'rating' | 'rated-load' | 'nominal-volts';
      readonly nominal: number;
      readonly lower: number | null;
      readonly upper: number | null;
      /** Where watching begins, between nominal and limit; null for a side that is not watched. */
      readonly watchLower: number | null;
      readonly watchUpper: number | null;
      /** For the rated-load family. */
      readonly figure?: 'RLA' | 'FLA' | undefined;
      readonly derived?: boolean | undefined;
    }
  | { readonly known: false; readonly because: Because };

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
  /** Which way wear moves it; 'none' for values that do not wear. */
  readonly wear: 'falls' | 'rises' | 'none';
  /** What moves it besides wear, as a technician would say it. */
  readonly movedBy: readonly string[];
  /** True when, without a plate figure, the verdict stays unproven even if the part's own baseline is known. */
  readonly plateDecides: (point: Point) => boolean;
  readonly limits: (about: About, policy: Policy) => Limits;
  /** Values outside are questioned, in the kind's unit; null when nothing can be said. */
  readonly plausible: (about: About) => { readonly low: number; readonly high: number } | null;
  /** Parts whose replacement changes this reading without the part itself having changed: its thread starts anew. */
  readonly restartedBy?: (point: Point) => readonly ComponentKind[];
  /** Drift a year to be expected before a part has shown its own, as a share of the reference value. */
  readonly driftPrior: { readonly meanShare: number; readonly sdShare: number };
  /** Verdict of a finding that is not a number. */
  readonly judgeFinding?: (finding: string, point: Point) => Judgement;
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
}
