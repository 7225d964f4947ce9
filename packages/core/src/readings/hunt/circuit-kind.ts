import { POINTS, type Point } from '../../equipment/component.ts';
import { LEADS, LOOKED_AT } from '../../equipment/lead-points.ts';
import { own } from '../../quantity/own.ts';
import type { Choice, InputSpec, Method } from '../contract/entry.ts';
import type { ReadingKindId } from '../contract/kind-ids.ts';
import type { FindingKind } from '../contract/kind.ts';
import { found } from '../contract/window.ts';

const isLead = (point: Point): boolean => own(LEADS, point) !== undefined;
const isLookedAt = (point: Point): boolean => own(LOOKED_AT, point) !== undefined;
/** Every pair of leads, and everything looked at, as points. */
export const LEAD_POINTS = POINTS.filter(isLead);
const LOOKED_AT_POINTS = POINTS.filter(isLookedAt);

/** A way of taking such a reading: at any lead position there is, when a hunt asks for it. No round plans it. */
export const hunted = (
  id: string,
  title: string,
  inputs: readonly InputSpec[],
  at: readonly Point[] = LEAD_POINTS,
): Method => ({
  id,
  title,
  stops: [],
  optional: 'on-fault',
  order: 99,
  points: () => [],
  hunted: at,
  inputs,
  evaluate: () => found('noted'),
});

/** What is chosen in a word, at the points that word can be said of. */
export const chosen = (
  id: string,
  title: string,
  points: readonly (keyof typeof LOOKED_AT)[],
  options: readonly Choice[],
): Method =>
  hunted(
    id,
    title,
    [{ id: 'said', type: 'choice', label: title, options }],
    LOOKED_AT_POINTS.filter((point) => (points as readonly string[]).includes(point)),
  );

/** A kind that only a hunt takes: what it says is said by the hunt, of all causes at once. */
export const huntKind = (id: ReadingKindId, title: string, methods: readonly Method[]): FindingKind => ({
  type: 'finding',
  id,
  title,
  component: 'supply',
  plateLine: () => 'for the cause that is sought',
  methods,
});

/** The calls on which volts and amps are read, by the method's name. */
export const ON_CALLS = {
  off: 'power on, no call',
  fan: 'fan called',
  cooling: 'cooling called',
  heating: 'heat called',
  'second-stage': 'second-stage heat called',
  emergency: 'emergency heat called',
  defrost: 'defrost forced',
} as const;
