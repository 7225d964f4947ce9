import type { Component, Point } from '../../equipment/component.ts';
import type { Plate } from '../../equipment/plate.ts';
import type { SystemKind } from '../../equipment/system-kind.ts';
import type { Unit } from '../../quantity/unit.ts';
import type { PressureTables } from '../../trade/refrigerant/pressure-table.ts';
import type { Finding } from '../../verdict/findings.ts';
import type { Because, Refusal } from '../../verdict/reasons.ts';
import type { Conditions } from './conditions.ts';
import type { MeterShare } from './quantities.ts';

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

export interface Choice {
  readonly value: string;
  readonly label: string;
  /** Where only some machines have it. */
  readonly on?: (where: Where) => boolean;
}

/** A number that is typed or streamed. */
export interface NumberSpec {
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

/** One of some choices. */
export interface ChoiceSpec {
  readonly id: string;
  readonly type: 'choice';
  readonly label: string;
  readonly options: readonly Choice[];
}

/** Choices of which several may hold at once; `none` is the one that excludes the others. */
export interface SeveralSpec {
  readonly id: string;
  readonly type: 'several';
  readonly label: string;
  readonly options: readonly Choice[];
  readonly none: Choice;
}

/** One thing a method asks for. */
export type InputSpec = NumberSpec | ChoiceSpec | SeveralSpec;

/** What one input holds: a number, "OL", "jumps", a choice's value, or the values of several choices. */
export type Input = number | string | readonly string[];
/** What was entered, by input id. */
export type Inputs = Readonly<Record<string, Input>>;

/** What a method makes of its inputs. */
export type Evaluated =
  | {
      readonly outcome: 'taken';
      /** In the kind's unit; null when only the findings count. */
      readonly value: number | null;
      /** What was found in place of, or beside, a number ("section-open", "can-bulged"). */
      readonly findings: readonly Finding[];
      /** What should be asked before it is kept. */
      readonly questions: readonly Because[];
    }
  | { readonly outcome: 'refused'; readonly input: string; readonly because: Refusal };

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
  | 'off-indoor'
  | 'restart';

/** One way of taking a kind of reading. */
export interface Method {
  readonly id: string;
  readonly title: string;
  /** Where on the round it is taken: at the first of these stops that the round has. */
  readonly stops: readonly StopId[];
  /** The same where it depends on the part: indoors and outdoors for one kind of it. */
  readonly stopsFor?: (where: Where) => readonly StopId[] | null;
  /** For a method that nobody misses: where another one of the kind was taken, or, 'on-fault', until a fault asks for it. */
  readonly optional?: true | 'on-fault';
  /** False for a method that proves too little to stand in for another one of the kind: that stays owed. */
  readonly settles?: false;
  /** Place in the order of the stop. */
  readonly order: number;
  /** Which points of the component this method is taken at. */
  readonly points: (where: Where) => readonly Point[];
  /** Where a hunt may ask for it besides: no round plans it there. */
  readonly hunted?: readonly Point[];
  /** The entry when all is as it should be, so that it can be taken with one tap; its words are the choices' own. */
  readonly usual?: (about: About) => Inputs;
  readonly inputs: readonly InputSpec[];
  /** Makes the value from inputs that have passed the checks of their types. */
  readonly evaluate: (inputs: Inputs, about: About) => Evaluated;
  /**
   * Standard deviation of the reading for a value, same unit: the meter, and what is not brought to like conditions. Left
   * out where nothing is measured.
   */
  readonly error?: (value: number) => number;
  /** Whose errors the value carries, where that does not follow from its one input: see metersOf. */
  readonly meters?: readonly MeterShare[];
}
