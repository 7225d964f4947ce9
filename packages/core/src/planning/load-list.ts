import { ratingOf, SLOT_NAMES, type ComponentPlate, type Slot } from '../equipment/component.ts';
import { parseCapacitorRating, type CapacitorRating, type Lug } from '../equipment/rating.ts';
import { sayRating } from '../equipment/rating-text.ts';
import { judgeReplacement } from '../trade/capacitor/judge-replacement.ts';

/** What a van carries for the case that it is needed; the rest is ordered once a job asks for it. Common practice, no source. */
export const CARRIED: readonly Slot[] = [
  'run-capacitor',
  'fan-capacitor',
  'start-capacitor',
  'blower-capacitor',
  'contactor',
  'blower-relay',
  'heat-relay',
  'sequencer',
  'coil-sensor',
  'outdoor-sensor',
  'transformer',
  'control-fuse',
  'base-pan-heater',
];

/** A part that a day asks for: its name on the shelf, where, the chance that it is past its limit, and whether a job fits it. */
export interface Wanted {
  readonly part: string;
  readonly address: string;
  readonly chance: number;
  readonly planned: boolean;
}

/** So many of a part in a van. */
export interface Aboard {
  readonly part: string;
  readonly count: number;
}

/** One line of what to load. */
export interface LoadLine {
  readonly part: string;
  /** How many the day asks for: those that jobs fit, and of the others as many as their chances come to. */
  readonly need: number;
  readonly aboard: number;
  /** What is aboard and may stand in, by the replacement rule. */
  readonly standsIn: readonly Aboard[];
  readonly toLoad: number;
  readonly wanted: readonly Wanted[];
}

/** What a part is called on the shelf: its rating, or what it is. */
export function shelfName({ slot, plate }: { readonly slot: Slot; readonly plate: ComponentPlate }): string {
  const rating = ratingOf({ plate });
  if (plate.amps !== undefined) return `${SLOT_NAMES[slot].toLowerCase()} ${plate.amps} a`;
  return rating ? sayRating(rating) : SLOT_NAMES[slot].toLowerCase();
}

/** A name typed for the shelf in its one way of writing: "40/5 mfd 440" is "40+5 µF 440 V"; what is no rating, in small letters. */
export function namedForShelf(typed: string): string {
  const rating = parseCapacitorRating(typed);
  return rating.outcome === 'rating' ? sayRating(rating) : typed.trim().toLowerCase().replace(/\s+/g, ' ');
}

const ratingNamed = (part: string): CapacitorRating | null => {
  const rating = parseCapacitorRating(part);
  return rating.outcome === 'rating' ? rating : null;
};

/** What a van has left while needs are served from it, one after the other. */
type Left = Map<string, number>;
const take = (left: Left, part: string): void => void left.set(part, (left.get(part) ?? 0) - 1);

/** Of what is left, one part that may stand in for another, or a single for each of its sections; null when nothing may. */
function standInFor(original: CapacitorRating, left: Left, allowedPercent: number): string[] | null {
  const free = [...left].flatMap(([part, count]) => {
    const rating = count > 0 ? ratingNamed(part) : null;
    return rating ? [{ part, rating, count }] : [];
  });
  const fits = (asked: CapacitorRating, rating: CapacitorRating): boolean =>
    judgeReplacement(asked, rating, allowedPercent).verdict === 'fits';
  const whole = free.find(({ rating }) => fits(original, rating));
  if (whole) return [whole.part];
  if (original.form !== 'dual') return null;
  const used: string[] = [];
  for (const section of original.sections) {
    const lug: Lug = 'single';
    const asked: CapacitorRating = { ...original, form: 'single', sections: [{ ...section, lug }] };
    const single = free.find(
      ({ part, rating, count }) => used.filter((u) => u === part).length < count && fits(asked, rating),
    );
    if (!single) return null;
    used.push(single.part);
  }
  return used;
}

const counted = (parts: readonly string[]): Aboard[] =>
  [...new Set(parts)].map((part) => ({ part, count: parts.filter((p) => p === part).length }));

/** How many of a part a day asks for: a tenth of one more than whole ones is one more. */
const needOf = (wanted: readonly Wanted[]): number => {
  const sure = wanted.filter(({ planned }) => planned).length;
  const perhaps = wanted.reduce((sum, { chance, planned }) => sum + (planned ? 0 : chance), 0);
  return sure + Math.ceil(perhaps - 0.1);
};

/**
 * What to load for a day: what it asks for, less what is aboard, with what may stand in by the replacement rule within
 * `allowedPercent` (0, 5 or 10 by school): a 440 V capacitor for a 370 V one, two singles for a dual. A part stands in only
 * where the day does not ask for it itself. What is short comes first.
 */
export function loadList(wanted: readonly Wanted[], aboard: readonly Aboard[], allowedPercent: number): LoadLine[] {
  const left: Left = new Map(aboard.map(({ part, count }) => [part, count]));
  const names = [...new Set(wanted.map(({ part }) => part))];
  const lines = names.map((part) => {
    const own = wanted.filter((w) => w.part === part);
    const need = Math.max(1, needOf(own));
    const has = left.get(part) ?? 0;
    const served = Math.min(need, has);
    left.set(part, has - served);
    return { part, need, aboard: has, short: need - served, wanted: own };
  });
  return lines
    .map(({ short, ...line }) => {
      const original = ratingNamed(line.part);
      const used: string[] = [];
      let toLoad = short;
      while (original && toLoad > 0) {
        const standIn = standInFor(original, left, allowedPercent);
        if (!standIn) break;
        for (const part of standIn) take(left, part);
        used.push(...standIn);
        toLoad -= 1;
      }
      return { ...line, standsIn: counted(used), toLoad };
    })
    .sort((a, b) => Number(b.toLoad > 0) - Number(a.toLoad > 0) || (a.part < b.part ? -1 : 1));
}
