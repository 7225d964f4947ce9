import { ratingOf, SLOT_NAMES, type Component, type ComponentKind } from './component.ts';
import type { Plate } from './plate.ts';

/** Which wire was on which lug of what, as noted before it came off. */
export type WireNote = NonNullable<Plate['wires']>[number];

/** A wire as it is put back. */
export interface WireBack {
  readonly color: string;
  readonly lug: string;
}

const wordsOf = (text: string): string[] => text.toLowerCase().match(/[a-z]{3,}/g) ?? [];

const PART_NAMES: ReadonlySet<string> = new Set(Object.values(SLOT_NAMES).map((name) => name.toLowerCase()));

/**
 * The notes of wires that were on a part, by the name of the part: a note says it short or long ("cap", "capacitor"), and its
 * last word is what it is; one that says a part's whole name is of that one alone.
 */
export function wiresOn(wires: readonly WireNote[] | undefined, partName: string): WireNote[] {
  const noun = wordsOf(partName).at(-1) ?? '';
  return (wires ?? []).filter(({ on }) => {
    const name = on.trim().toLowerCase();
    if (PART_NAMES.has(name)) return name === partName.toLowerCase();
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

/** The notes with those of one part, by its name, in place of what was noted of it before. */
export const wiresNoted = (
  wires: readonly WireNote[] | undefined,
  partName: string,
  noted: readonly WireBack[],
): WireNote[] => [
  ...(wires ?? []).filter((w) => wiresOn([w], partName).length === 0),
  ...noted.map(({ lug, color }) => ({ on: partName, lug, color })),
];

/** Colors that wires are; two of them are a striped one. Common practice, no source. */
export const WIRE_COLORS = [
  'black',
  'white',
  'red',
  'yellow',
  'brown',
  'brown/white',
  'blue',
  'purple',
  'orange',
  'green',
  'gray',
] as const;

const SECTION_LUGS = { herm: 'HERM', fan: 'FAN', single: 'single', start: 'single' } as const;

const LUGS: Readonly<Partial<Record<ComponentKind, readonly string[]>>> = {
  'run-capacitor': ['1', '2'],
  'start-capacitor': ['1', '2'],
  contactor: ['L1', 'L2', 'T1', 'T2', 'coil 1', 'coil 2'],
  'blower-relay': ['common', 'NO', 'NC', 'coil 1', 'coil 2'],
  'heat-relay': ['common', 'NO', 'NC', 'coil 1', 'coil 2'],
  transformer: ['line 1', 'line 2', 'R', 'C'],
};

/** The lugs of a part as its maker marks them; of one that marks none, by number. Common practice, no source. */
export function lugsOf(part: Pick<Component, 'kind' | 'plate'>): readonly string[] {
  const sections = part.kind === 'run-capacitor' ? (ratingOf(part)?.sections ?? []) : [];
  if (sections.length > 1) return ['C', ...sections.map(({ lug }) => SECTION_LUGS[lug])];
  return LUGS[part.kind] ?? ['1', '2', '3'];
}
