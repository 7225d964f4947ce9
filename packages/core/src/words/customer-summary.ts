import { SLOT_NAMES, type Slot } from '../equipment/component.ts';
import type { Ask } from '../verdict/asks.ts';
import { severityOf, worstOf, type Standing } from '../verdict/standing.ts';

/** One part as the customer hears of it. */
export interface PartTested {
  readonly slot: Slot;
  readonly standing: Standing;
  /** Readings taken of it on this visit. */
  readonly readings: number;
  /** Its most telling sentence, with its number. */
  readonly sentence: string;
  readonly isNew: boolean;
  /** What its verdict asks for. */
  readonly asks: Ask;
  /** Chance, 0 to 1, of being past its limit by the next round. */
  readonly chance: number;
}

export interface CustomerSummary {
  readonly headline: string;
  readonly parts: readonly {
    readonly slot: Slot;
    readonly name: string;
    readonly says: string;
    readonly standing: Standing;
    readonly number: string;
  }[];
  readonly sound: readonly string[];
  readonly open: readonly string[];
}

/** In plain words, what is asked for means to whoever pays the bill. */
const PLAINLY: Readonly<Record<Exclude<Ask, 'nothing' | 'look-again'>, string>> = {
  'switch-off': 'Not safe to run as it is. It should stay off until this is put right.',
  'measure-again': 'One figure is out of line. It should be measured again before anything is decided.',
  'find-cause': 'Outside its limit. The cause should be found before anything is replaced.',
  clean: 'Dirty enough to matter. It should be cleaned.',
  adjust: 'Works, but is set wrong. It should be set right.',
  repair: 'Damaged. It should be repaired now.',
  replace: 'Past its limit. It should be replaced now, before it fails or damages what it serves.',
  'call-utility': 'The supply to the house is outside its limits. That is a matter for the electric utility.',
};

/** In plain words, how a part stands. */
function plainly(part: PartTested): string {
  if (part.isNew && severityOf(part.standing) < severityOf('act')) return 'New today, and measured as fitted.';
  if (part.standing === 'sound') return 'Measured, and as it should be.';
  if (part.standing === 'unproven') return 'Measured; there is nothing to compare it with yet.';
  if (part.asks !== 'nothing' && part.asks !== 'look-again') return PLAINLY[part.asks];
  return part.chance >= 0.5
    ? 'Still working, but more likely than not to be past its limit before the next visit.'
    : 'Still working. It has changed enough that we will look at it again next time.';
}

/**
 * What the customer can be shown on the spot: a headline, the parts that need a word with their number, those that are
 * sound by name, and what is left open. Parts without a reading on this visit are not spoken of.
 */
export function customerSummary(parts: readonly PartTested[], open: readonly string[]): CustomerSummary {
  const tested = parts.filter((p) => p.readings > 0 || p.isNew);
  const readings = tested.reduce((sum, p) => sum + p.readings, 0);
  const worst = worstOf(tested.map((p) => p.standing));
  const telling = tested
    .filter((p) => severityOf(p.standing) >= severityOf('watch') || p.isNew)
    .sort((a, b) => severityOf(b.standing) - severityOf(a.standing) || b.chance - a.chance);
  const count = telling.filter((p) => severityOf(p.standing) >= severityOf('act')).length;
  const headline =
    worst === 'stop'
      ? 'Your system should not run until one thing is put right.'
      : count > 0
        ? `${count === 1 ? 'One part needs' : `${count} parts need`} attention now.`
        : telling.some((p) => p.standing === 'watch')
          ? 'Your system works; we are keeping an eye on it.'
          : 'Everything we measured is as it should be.';
  return {
    headline: `${headline} ${readings} ${readings === 1 ? 'reading' : 'readings'} on ${tested.length} ${tested.length === 1 ? 'part' : 'parts'} today.`,
    parts: telling.map((p) => ({
      slot: p.slot,
      name: SLOT_NAMES[p.slot],
      says: plainly(p),
      standing: p.standing,
      number: p.sentence,
    })),
    sound: tested.filter((p) => p.standing === 'sound' && !p.isNew).map((p) => SLOT_NAMES[p.slot]),
    open,
  };
}
