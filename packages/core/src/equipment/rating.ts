/** The lugs of a capacitor a rating can speak of. */
export type Lug = 'herm' | 'fan' | 'single' | 'start';

export interface RatingSection {
  readonly lug: Lug;
  /** Rated capacitance, µF; the middle of the range for a start capacitor. */
  readonly microfarads: number;
  /** Only for a start capacitor, which is printed with a range, µF. */
  readonly range?: { readonly low: number; readonly high: number };
}

/** How it was decided what the numbers mean. */
export type RatingDecision =
  | 'one-number'
  | 'plus-or-slash-joins-two-sections'
  | 'hyphen-with-larger-first-is-dual'
  | 'hyphen-with-far-apart-numbers-is-dual'
  | 'hyphen-with-close-rising-numbers-is-range';

export interface CapacitorRating {
  readonly outcome: 'rating';
  readonly form: 'single' | 'dual' | 'start-range';
  readonly sections: readonly RatingSection[];
  /** Volt rating, V AC; null when not printed. The higher one when two are printed ("370/440 V"). */
  readonly volts: number | null;
  /** Printed tolerance, % of the rating, both as positive numbers; null when not printed. */
  readonly tolerance: { readonly minusPercent: number; readonly plusPercent: number } | null;
  readonly decidedBy: RatingDecision;
  /** True when no unit was written and µF was taken for granted. */
  readonly unitAssumed: boolean;
}

export type RatingTrouble =
  | 'nothing-written'
  | 'no-capacitance'
  | 'unit-missing'
  | 'not-understood'
  | 'second-capacitance'
  | 'second-volts'
  | 'second-tolerance'
  | 'zero'
  | 'too-large'
  | 'tolerance-too-large'
  | 'volts-out-of-range'
  | 'pair-or-range-unclear';

export interface CannotReadRating {
  readonly outcome: 'cannot-read';
  readonly because: RatingTrouble;
  /** Where in the text: first character (from 0) and length. */
  readonly at: number;
  readonly length: number;
  /** The piece that could not be read. */
  readonly piece: string;
}

const NUM = String.raw`(\d+(?:[.,]\d+)?|[.,]\d+)`;
const TOLERANCE_BOTH = new RegExp(String.raw`^(?:±|\+\s*/\s*-|\+-)\s*${NUM}\s*%`);
const TOLERANCE_APART = new RegExp(
  String.raw`^(?:-\s*${NUM}(?:\s*%)?(?:\s*/)?\s*\+\s*${NUM}|\+\s*${NUM}(?:\s*%)?(?:\s*/)?\s*-\s*${NUM})\s*%`,
);
const TOLERANCE_BARE = new RegExp(String.raw`^${NUM}\s*%`);
const VOLTS = new RegExp(String.raw`^${NUM}(?:\s*/\s*${NUM})?\s*(?:volts?|vac|v\.?\s*a\.?c\.?|v)(?![a-z])`, 'i');
const HERTZ = /^\d+(?:\s*\/\s*\d+)?\s*hz(?![a-z])/i;
const NOISE = /^(?:ac(?![a-z])|[,;·|()])/i;
// A pair never swallows the number of a volt, hertz or tolerance figure that follows it without a unit of its own.
const MICRO = String.raw`(?:[µμu]\s*f|mfd|mf|microfarads?)(?![a-z])\.?`;
const UNIT_AHEAD = new RegExp(String.raw`^${MICRO}\s*`, 'i');
// After its µF a bare figure of these can only be the volts: nobody prints them as a third section.
const BARE_VOLTS = /^(440|370|330|250|220|165|125|110)(?:\s*\/\s*(440|370))?(?![\d.,µμumh%])/i;
const CAPACITANCE = new RegExp(String.raw`^${NUM}(?:\s*([+/–-])\s*${NUM})?\s*(${MICRO})?`, 'i');

const numberOf = (text: string | undefined): number => Number((text ?? '').replace(',', '.'));

type Joiner = '+' | '/' | '-';

interface CapacitancePiece {
  first: number;
  second: number | undefined;
  joiner: Joiner | undefined;
  hasUnit: boolean;
  at: number;
  length: number;
  piece: string;
}

interface Found {
  /** "MFD 35 + 5": the unit stands before its figures. */
  unitAhead?: boolean;
  capacitance?: CapacitancePiece;
  volts?: number;
  tolerance?: { minusPercent: number; plusPercent: number };
}

/** Start capacitors are printed with ranges whose ends lie within this ratio: 88-108, 430-516, 21-25. Common practice. */
const RANGE_RATIO = 1.5;
const MAX_RUN_SECTION = 200;
const MAX_START = 1500;

const trouble = (because: RatingTrouble, at: number, piece: string): CannotReadRating => ({
  outcome: 'cannot-read',
  because,
  at,
  length: piece.length,
  piece,
});

function readTolerance(rest: string): { length: number; minusPercent: number; plusPercent: number } | undefined {
  const both = TOLERANCE_BOTH.exec(rest) ?? TOLERANCE_BARE.exec(rest);
  if (both) return { length: both[0].length, minusPercent: numberOf(both[1]), plusPercent: numberOf(both[1]) };
  const apart = TOLERANCE_APART.exec(rest);
  if (!apart) return undefined;
  return {
    length: apart[0].length,
    minusPercent: numberOf(apart[1] ?? apart[4]),
    plusPercent: numberOf(apart[2] ?? apart[3]),
  };
}

/** Reads one piece at the front of `rest` into `found`; returns its length, or what is wrong with it. */
function readPiece(rest: string, at: number, found: Found): number | CannotReadRating {
  const tolerance = readTolerance(rest);
  if (tolerance) {
    const piece = rest.slice(0, tolerance.length);
    if (found.tolerance) return trouble('second-tolerance', at, piece);
    if (Math.max(tolerance.minusPercent, tolerance.plusPercent) > 30) return trouble('tolerance-too-large', at, piece);
    found.tolerance = { minusPercent: tolerance.minusPercent, plusPercent: tolerance.plusPercent };
    return tolerance.length;
  }
  const volts = VOLTS.exec(rest);
  if (volts) {
    if (found.volts !== undefined) return trouble('second-volts', at, volts[0]);
    found.volts = Math.max(numberOf(volts[1]), volts[2] ? numberOf(volts[2]) : 0);
    if (found.volts < 50 || found.volts > 1000) return trouble('volts-out-of-range', at, volts[0]);
    return volts[0].length;
  }
  const bare = found.capacitance && found.volts === undefined ? BARE_VOLTS.exec(rest) : null;
  if (bare) {
    found.volts = Math.max(numberOf(bare[1]), bare[2] ? numberOf(bare[2]) : 0);
    return bare[0].length;
  }
  const ahead = found.capacitance ? null : UNIT_AHEAD.exec(rest);
  if (ahead) {
    found.unitAhead = true;
    return ahead[0].length;
  }
  const skipped = HERTZ.exec(rest) ?? NOISE.exec(rest);
  if (skipped) return skipped[0].length;
  return readCapacitance(rest, at, found);
}

function readCapacitance(rest: string, at: number, found: Found): number | CannotReadRating {
  const match = CAPACITANCE.exec(rest);
  if (!match) return trouble('not-understood', at, /^\S+/.exec(rest)?.[0] ?? rest.charAt(0));
  const piece = match[0].trimEnd();
  if (found.capacitance) return trouble(match[4] ? 'second-capacitance' : 'unit-missing', at, piece);
  found.capacitance = {
    first: numberOf(match[1]),
    second: match[3] === undefined ? undefined : numberOf(match[3]),
    joiner: match[2] === '–' ? '-' : (match[2] as Joiner | undefined),
    hasUnit: match[4] !== undefined || found.unitAhead === true,
    at,
    length: piece.length,
    piece,
  };
  return match[0].length;
}

function decide(piece: CapacitancePiece, volts: number | undefined): RatingDecision | RatingTrouble {
  if (piece.second === undefined) return 'one-number';
  if (piece.joiner !== '-') return 'plus-or-slash-joins-two-sections';
  if (piece.first === piece.second) return 'pair-or-range-unclear';
  if (piece.first > piece.second) return 'hyphen-with-larger-first-is-dual';
  if (piece.second / piece.first > RANGE_RATIO) return 'hyphen-with-far-apart-numbers-is-dual';
  // 370 and 440 V are run ratings; a close rising pair with one of them is neither a usual dual nor a start range.
  return volts !== undefined && volts >= 370 ? 'pair-or-range-unclear' : 'hyphen-with-close-rising-numbers-is-range';
}

function sectionsOf(piece: CapacitancePiece, decision: RatingDecision): RatingSection[] {
  const { first, second } = piece;
  if (second === undefined) return [{ lug: 'single', microfarads: first }];
  const low = Math.min(first, second);
  const high = Math.max(first, second);
  if (decision === 'hyphen-with-close-rising-numbers-is-range') {
    return [{ lug: 'start', microfarads: (low + high) / 2, range: { low, high } }];
  }
  return [
    { lug: 'herm', microfarads: high },
    { lug: 'fan', microfarads: low },
  ];
}

function conclude(found: Found, text: string): CapacitorRating | CannotReadRating {
  const piece = found.capacitance;
  if (!piece) return trouble('no-capacitance', text.length, '');
  if (piece.first === 0 || piece.second === 0) return trouble('zero', piece.at, piece.piece);
  if (!piece.hasUnit && piece.second === undefined) return trouble('unit-missing', piece.at, piece.piece);
  const decision = decide(piece, found.volts);
  if (decision === 'pair-or-range-unclear') return trouble(decision, piece.at, piece.piece);
  const sections = sectionsOf(piece, decision as RatingDecision);
  const largest = decision === 'hyphen-with-close-rising-numbers-is-range' ? MAX_START : MAX_RUN_SECTION;
  if (sections.some((s) => s.microfarads > largest)) return trouble('too-large', piece.at, piece.piece);
  return {
    outcome: 'rating',
    form: sections.length === 2 ? 'dual' : sections[0]?.lug === 'start' ? 'start-range' : 'single',
    sections,
    volts: found.volts ?? null,
    tolerance: found.tolerance ?? null,
    decidedBy: decision as RatingDecision,
    unitAssumed: !piece.hasUnit,
  };
}

/**
 * Reads the rating printed on a run or start capacitor in any of the trade's spellings: "45+5 µF 440 VAC ±6%",
 * "45/5 MFD 370V", "40-5 uF", "80 MFD", "88-108 µF 250V". µF, MFD, uF and MF all mean microfarads.
 * Sections come back in µF by lug, the larger of a dual as herm; `decidedBy` says how "40-5" (dual) and "88-108"
 * (range) were told apart. Anything else comes back as 'cannot-read' with the place; nothing is guessed.
 */
export function parseCapacitorRating(text: string): CapacitorRating | CannotReadRating {
  if (text.trim() === '') return trouble('nothing-written', 0, '');
  const found: Found = {};
  let at = 0;
  while (at < text.length) {
    if (/\s/.test(text.charAt(at))) {
      at += 1;
      continue;
    }
    const read = readPiece(text.slice(at), at, found);
    if (typeof read !== 'number') return read;
    at += read;
  }
  return conclude(found, text);
}
