import type { ComponentKind, Point } from '../../equipment/component.ts';
import type { SettingMoved } from '../../equipment/moved-settings.ts';
import type { Unit } from '../../quantity/unit.ts';
import type { Judgment } from '../../verdict/judgment.ts';
import type { Limits } from '../../verdict/limits.ts';
import type { Policy } from '../../verdict/policy.ts';
import type { Because, ReasonNumbers } from '../../verdict/reasons.ts';
import type { Snag } from '../../verdict/rules.ts';
import type { Conditions } from './conditions.ts';
import type { About, Inputs, Method } from './entry.ts';
import type { ReadingKindId } from './kind-ids.ts';

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
  /** True where bringing looks at what was entered besides the value. */
  readonly byInputs?: true;
}

/** A value as it would have read under common conditions. */
export interface Compared {
  /** In the kind's unit. */
  readonly value: number;
  /** Standard deviation that bringing it there adds, same unit. */
  readonly error: number;
  readonly known: boolean;
  /**
   * How far from the common weather it was read, °F, and by how much machines are taken to differ for each degree of it,
   * kind's unit; `allowed` where the error has that in it already.
   */
  readonly weather?: { readonly away: number; readonly sd: number; readonly allowed: boolean } | undefined;
}

/** How a value departs from its own baseline, percents being 100 × (value − baseline) / baseline. */
export type Departure = ReasonNumbers['as-it-was'];

/** What later readings of a visit may be told of one. */
export interface Taken {
  readonly inputs: Inputs;
  readonly value: number | null;
  readonly findings: readonly string[];
  readonly point: Point;
  /** Of the site, ft. */
  readonly altitudeFt?: number | undefined;
}

interface AnyKind {
  readonly id: ReadingKindId;
  readonly title: string;
  readonly component: ComponentKind;
  readonly methods: readonly Method[];
  /** Titles of points that have one of their own; see titleOf. */
  readonly pointTitles?: Partial<Record<Point, string>>;
  /** What the plate says of it, short: "rated 40 µF", "RLA 19.9 A". */
  readonly plateLine: (about: About) => string;
  /** What moves it besides wear, as a technician would say it. */
  readonly movedBy?: readonly string[];
  /** What of the plate it cannot be worked out without; null when nothing is missing. */
  readonly needs?: (about: About) => Snag | null;
  /** True where a part fitted or a repair made after it makes it owed again, sound or not. */
  readonly owedAgain?: true;
  /** What later readings of the same visit are told by this one. */
  readonly tells?: (taken: Taken, conditions: Conditions) => Conditions;
}

/** A kind that is looked at or chosen, and not measured: it has findings, and neither unit, limits nor wear. */
export interface FindingKind extends AnyKind {
  readonly type: 'finding';
  /** Settings that are read by an input and can be moved there and then, by what event. */
  readonly movable?: readonly { readonly input: string; readonly event: SettingMoved }[];
  /** True where what is found says itself where to look, whichever part it stands at. */
  readonly saysWhere?: true;
  /** What was found, as the firm's schools see it, from what was entered: the same findings, more, or others in their place. */
  readonly bySchool?: (found: readonly string[], inputs: Inputs, policy: Policy) => readonly string[];
}

/** A kind that is measured. */
export interface NumericKind extends AnyKind {
  readonly type: 'number';
  readonly unit: Unit;
  /** Which way wear moves it; 'either' where both ends are limits, 'none' for values that have no trend. */
  readonly wear: 'falls' | 'rises' | 'either' | 'none';
  /** Points at which the verdict is not bound to a plate figure: a known baseline of the part's own is enough. */
  readonly baselineDecides?: (point: Point) => boolean;
  readonly limits: (about: About, policy: Policy) => Limits;
  /** Values outside are questioned, in the kind's unit; null when nothing can be said. */
  readonly plausible: (about: About) => { readonly low: number; readonly high: number } | null;
  /** Parts whose replacement changes this reading without the part itself having changed: its thread starts anew. */
  readonly restartedBy?: (point: Point) => readonly ComponentKind[];
  /** How readings are brought to common conditions; left out where nothing but wear and the meter moves them. */
  readonly likeForLike?: LikeForLike;
  /** True where points of the part do not wear alike, so that each learns from its own kind only. */
  readonly pointsDiffer?: boolean;
  /** 'unit' where shares make no sense, since values lie about zero: drift is then in the kind's unit. */
  readonly driftIn?: 'share' | 'unit';
  /** Drift a year to be expected before a part has shown its own, as a share of the reference value. */
  readonly driftPrior: { readonly meanShare: number; readonly sdShare: number };
  /** What new parts truly are, share of the rating: see SeriesSpec. */
  readonly newReads?: { readonly mean: number; readonly sd: number };
  /** What a value that is past its limit costs, in figures; said beside the verdict. */
  readonly costs?: (value: number, about: About) => Because | null;
  /** Turns a departure from the part's own baseline into a verdict; undefined where baselines are not judged. */
  readonly judgeBaseline?: (departure: Departure, about: About, policy: Policy) => Judgment;
  /** True where it goes with how fast the compressor runs: see speedOf. */
  readonly bySpeed?: true;
  /** True where it goes with what is called for: a blower has a speed for each call. */
  readonly byCall?: true;
  /** By what a figure is off where the meter has changed its unit by itself, the likeliest first: asked before a slipped decimal point. */
  readonly unitSlips?: readonly number[];
  /** What else is to be said of a part that is read so, besides its value: whether it is the one its machine asks for, say. */
  readonly besides?: (inputs: Inputs, about: About, policy: Policy) => readonly Judgment[];
  /** What the values at a part's points say together, of one visit; null while they say nothing. */
  readonly acrossPoints?: (values: Readonly<Partial<Record<Point, number>>>) => Judgment | null;
}

/**
 * A kind of reading. Forms, verdicts, charts and the API follow from this description: a new kind is a new file in its
 * subject's folder, its test, its id, and a line in the registry.
 */
export type ReadingKind = NumericKind | FindingKind;

/** The class whose parts are alike: the kind, and for points that are not alike the point. */
export const threadClassOf = (kind: NumericKind, point: string): string =>
  kind.pointsDiffer ? `${kind.id}/${point}` : kind.id;
