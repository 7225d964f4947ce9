import type { Slot } from '../../equipment/component.ts';
import type { Change } from '../change.ts';

/** What a fault does, without its name. */
export interface Line {
  /** The part that is to be repaired. */
  readonly slot: Slot;
  /** What it does. */
  readonly does: readonly Change[];
  /** The same, milder or worse: each as likely. */
  readonly or?: readonly (readonly Change[])[];
}

/** A part that carries nothing any more. */
export const open = (slot: Slot, id: string): Line => ({ slot, does: [{ open: id }] });
/** A contact that no longer moves. */
export const stuck = (slot: Slot, id: string, at: 'open' | 'closed'): Line => ({ slot, does: [{ stuck: id, at }] });
/** A contact that stays open, or carries through what is left of it. */
export const poor = (slot: Slot, id: string): Line => ({
  slot,
  does: [{ stuck: id, at: 'open' }],
  or: [[{ burnt: id, ohms: 0.2 }], [{ burnt: id, ohms: 0.6 }]],
});
