import type { FollowPoint } from './follow.ts';

/** A thread made ready to be fitted: shares of its reference, years, in order of time. */
export interface ReadyThread {
  readonly points: readonly FollowPoint[];
  /** Years at which the part was fitted, same origin as the points; null when that is not known. */
  readonly fittedYears: number | null;
  /** Places in the thread before which a known event may have moved the level. */
  readonly shifts: readonly number[];
  /** How unknown an unknown level is, and how far odd readings and steps go: shares of the reference. */
  readonly levelSd: number;
  readonly oddSd: number;
  readonly stepSd: number;
  /** What the errors of meters move each point by; left out where no reading says what it was read with. */
  readonly pulls?: readonly (readonly MeterPull[])[] | undefined;
  /** How far from the common weather each point was read, °F; null where that is not known, left out where it does not matter. */
  readonly away?: readonly (number | null)[] | undefined;
  /** By how much machines are taken to differ for each degree of that, share of the reference; and whether the points' variance allows for it. */
  readonly awaySd?: number | undefined;
  readonly awayAllowed?: boolean | undefined;
  /** What all points may be off by together, since the same meters read them: standard deviation, share of the reference. */
  readonly sharedSd?: number | undefined;
}

/** How one meter's offset moves a point: with a power of it, and by shares of the reference for one unit of it. */
export interface MeterPull {
  readonly quantity: string;
  readonly name: string;
  readonly power: number;
  readonly adds: number;
}
