import type { Plate } from './plate.ts';

/** Which wire was on which lug of what, as noted before it came off. */
export type WireNote = NonNullable<Plate['wires']>[number];

/** A wire as it is put back. */
export interface WireBack {
  readonly color: string;
  readonly lug: string;
}

const wordsOf = (text: string): string[] => text.toLowerCase().match(/[a-z]{3,}/g) ?? [];

/**
 * The notes of wires that were on a part, by the name of the part: a note says it short or long ("cap", "run capacitor"),
 * and its last word is what it is.
 */
export function wiresOn(wires: readonly WireNote[] | undefined, partName: string): WireNote[] {
  const noun = wordsOf(partName).at(-1) ?? '';
  return (wires ?? []).filter(({ on }) => {
    const said = wordsOf(on).at(-1);
    return said !== undefined && noun.startsWith(said);
  });
}

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Wires that are not on the lug they were noted on: each with where it was and where it is. */
export const wiresMoved = (
  noted: readonly WireNote[],
  back: readonly WireBack[],
): { color: string; was: string; is: string }[] =>
  noted.flatMap(({ color, lug }, i) => {
    const now = back[i];
    return now && now.lug !== '' && !same(now.lug, lug) ? [{ color, was: lug, is: now.lug }] : [];
  });

/** Whether every wire that was noted has been put somewhere. */
export const areAllBack = (noted: readonly WireNote[], back: readonly WireBack[]): boolean =>
  noted.every((_, i) => (back[i]?.lug ?? '') !== '');
