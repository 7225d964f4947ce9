import type { About, Compared, Conditions, Inputs, ReadingKind } from '../readings/kind.ts';

/**
 * Brings a value (kind's unit) to the kind's common conditions, given what held when it was taken. Kinds that nothing
 * but wear and the meter move return it as it is.
 */
export function bringAlike(
  kind: ReadingKind,
  value: number,
  about: About,
  conditions: Conditions | undefined,
  inputs?: Inputs,
): Compared {
  const alike = kind.likeForLike;
  if (!alike) return { value, error: 0, known: true };
  return alike.bring(value, { ...about, conditions: conditions ?? {} }, inputs ?? {});
}

/** What a reading is about under the kind's common conditions: the limits of compared values are taken there. */
export const aboutAlike = (kind: ReadingKind, about: About): About =>
  kind.likeForLike ? { ...about, conditions: kind.likeForLike.at(about) } : about;
