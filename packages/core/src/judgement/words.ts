import { POINT_NAMES } from '../equipment/component.ts';
import { monthOf } from '../quantity/day.ts';
import { MEASURES, type Unit } from '../quantity/unit.ts';
import { findingsOf } from './findings.ts';
import type { Because, ReasonNumbers, Refusal } from './reasons.ts';
import { DOUBTS, NEEDS, RULES, SNAGS } from './rules.ts';
import { TOGETHER } from './together-rules.ts';

/** Keeps a number and its unit on one line. */
const NBSP = '\u00a0';

/** Decimals of a number as a technician reads it, by its unit and size. */
function decimalsOf(value: number, unit: Unit): number {
  const size = Math.abs(value);
  switch (unit) {
    case 'µF':
    case 'A':
      return size < 9.995 ? 2 : 1;
    case 'Ω':
      return size < 99.95 ? 1 : 0;
    case '°F':
    case 'psig':
      // Gauges and thermometers are read to a tenth at best; whole figures stay whole.
      return Number.isInteger(Number(value.toFixed(1))) ? 0 : 1;
    case 'V':
      return size < 9.95 && !Number.isInteger(value) ? 1 : 0;
    case 'CFM':
    case 'Btu/h':
    case '%':
    case 's':
    case 'min':
      return 0;
  }
}

const GROUPED = new Intl.NumberFormat('en-US', { maximumFractionDigits: 0 });

/** A number as a technician reads it: 38.4, 0.91, 241, 34,600. Small amps keep two decimals. */
export function sayNumber(value: number, unit: Unit): string {
  if (Math.abs(value) >= 10_000) return GROUPED.format(value);
  // No minus before a nought.
  const text = value.toFixed(decimalsOf(value, unit)).replace(/^-(0(?:\.0+)?)$/, '$1');
  return text.replace('-', '−');
}

/** A number with its unit: "38.4 µF". */
export const sayQuantity = (value: number, unit: Unit): string => `${sayNumber(value, unit)}${NBSP}${unit}`;

/** A percentage without its sign, whole unless small: "4 %", "0.6 %". */
export const sayPercent = (percent: number): string => {
  const size = Math.abs(percent);
  return `${size < 1 && size > 0 ? size.toFixed(1) : size.toFixed(0)}${NBSP}%`;
};

/** A chance in the way people weigh it: "8 in 10", "under 1 in 10". */
export function sayChance(chance: number): string {
  if (chance < 0.095) return 'under 1 in 10';
  if (chance > 0.945) return 'over 9 in 10';
  return `${Math.round(chance * 10)} in 10`;
}

const limitPercent = (n: { limit: number; nominal: number }) => {
  const percent = (100 * (n.limit - n.nominal)) / n.nominal;
  return `${percent < 0 ? '−' : '+'}${Math.abs(percent).toFixed(0)}${NBSP}%`;
};

function againstRating(n: ReasonNumbers['against-rating']): string {
  const off = (100 * (n.value - n.nominal)) / n.nominal;
  const at =
    Math.abs(off) < 0.05
      ? `as rated, ${sayNumber(n.nominal, 'µF')}`
      : `${sayPercent(off)} ${off < 0 ? 'under' : 'over'} ${sayNumber(n.nominal, 'µF')}`;
  const limit = `limit ${sayNumber(n.limit, 'µF')} (${limitPercent(n)})`;
  const tail = n.position === 'past' && n.side === 'upper' ? ' Wrong part fitted, or the meter?' : '';
  return `${sayQuantity(n.value, 'µF')}, ${at}; ${limit}.${tail}`;
}

function againstRatedLoad(n: ReasonNumbers['against-rated-load']): string {
  const figure = n.derived ? `${n.figure} worked out from MCA` : n.figure;
  return `${sayQuantity(n.value, 'A')}, ${((100 * n.value) / n.nominal).toFixed(0)} % of ${figure} ${sayNumber(n.nominal, 'A')}.`;
}

function againstVolts(n: ReasonNumbers['against-nominal-volts']): string {
  const what = {
    within: `good for a ${n.nominal} V supply`,
    nearing: `${sayPercent((100 * (n.value - n.nominal)) / n.nominal)} ${n.value < n.nominal ? 'under' : 'over'} ${n.nominal}`,
    past:
      n.side === 'lower'
        ? `below ${n.limit.toFixed(0)}: investigate the supply`
        : `${n.limit.toFixed(0)} or more: a matter for the utility`,
  }[n.position];
  return `${sayQuantity(n.value, 'V')}, ${what}.`;
}

const RLA_UNKNOWN: Readonly<Record<ReasonNumbers['rla-unknown']['why'], string>> = {
  'nothing-known': 'No RLA on the plate record, and no MCA to work it out from.',
  'fan-fla-missing': 'No RLA on the plate record; MCA would give it if the fan’s FLA were known.',
  'only-breaker':
    'Only the fuse or breaker size is known, and that is a wire figure, never a pass mark. RLA, or MCA with fan FLA, settles it.',
  contradiction: 'MCA is not above the fan’s FLA: one of the two is misread.',
};

const LOOKS: Readonly<Record<ReasonNumbers['looks']['look'], string>> = {
  sound: 'The can looks sound.',
  rusted: 'The can is rusted; look for a leak at the seam.',
  bulged: 'A bulged can is condemned whatever it reads.',
  leaking: 'A leaking can is condemned whatever it reads.',
  burst: 'Burst or burnt: do not run it.',
};

const fromWhat = { 'as-fitted': 'as fitted', 'first-sound': 'in its first readings' } as const;

function paceOf(n: ReasonNumbers['trend']): string {
  const steady = n.relative ? Math.abs(n.perYearPercent) < 0.25 : Math.abs(n.perYear) < 0.1;
  if (steady) return 'Holding steady';
  const size = n.relative ? `${Math.abs(n.perYearPercent).toFixed(1)} %` : sayQuantity(Math.abs(n.perYear), n.unit);
  return `${n.perYear < 0 ? 'Down' : 'Up'} ${size} a year${n.bends ? ', and faster of late,' : ''}`;
}

/** How much of an outlook is the part's own doing, in words. */
export function sayOwnShare(n: ReasonNumbers['trend']): string {
  const own = `${n.ownSharePercent.toFixed(0)}${NBSP}% of what is known of its pace comes from its own readings`;
  return n.fleet > 0
    ? `${own}, the rest from ${n.fleet} like threads of this firm.`
    : `${own}, the rest from what is usual; this firm’s own parts have not taught it yet.`;
}

function trend(n: ReasonNumbers['trend']): string {
  const direction = n.side === 'lower' ? 'under' : 'over';
  return `${capital(sayChance(n.chance))} to be ${direction} ${sayQuantity(n.limit, n.unit)} by ${monthOf(n.day)}. ${paceOf(n)} over ${n.readings} readings; expected ${sayNumber(n.expected, n.unit)}, between ${sayNumber(n.low80, n.unit)} and ${sayNumber(n.high80, n.unit)}.`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const baselineWords = (n: ReasonNumbers['as-it-was']) =>
  `${sayQuantity(n.baseline, n.unit)} ${fromWhat[n.from]}${n.at ? ` (both brought to ${n.at})` : ''}`;

function againstWindow(n: ReasonNumbers['against-window']): string {
  const words: { limits: string; low?: string; high?: string } = RULES[n.rule];
  const [low, high] = n.side === 'lower' ? [n.limit, n.other] : [n.other, n.limit];
  const say = (value: number) => sayNumber(value, n.unit);
  const window =
    low === null ? `at most ${say(high ?? 0)}` : high === null ? `at least ${say(low)}` : `${say(low)} to ${say(high)}`;
  const hint = n.position === 'past' ? (n.side === 'lower' ? words.low : words.high) : undefined;
  return `${sayQuantity(n.value, n.unit)}; ${window} ${words.limits}.${hint ? ` ${hint}` : ''}`;
}

const SENTENCES: { [Code in keyof ReasonNumbers]: (numbers: ReasonNumbers[Code]) => string } = {
  'against-rating': againstRating,
  'against-rated-load': againstRatedLoad,
  'against-nominal-volts': againstVolts,
  'against-window': againstWindow,
  'no-basis': (n) => NEEDS[n.need],
  'not-fitted': () => 'Not judged: a figure in this thread is beyond what can be reckoned with. Correct that reading.',
  finding: (n) =>
    findingsOf(n.found)
      .map((finding) => finding.sentence)
      .join(' '),
  'heat-added': (n) =>
    `${sayQuantity(n.amps, 'A')} at ${sayQuantity(n.volts, 'V')} add ${sayQuantity(Math.round(n.btuh / 100) * 100, 'Btu/h')} to the air being cooled${n.ofCooling === null ? '' : `: ${sayPercent(100 * n.ofCooling)} of its cooling`}.`,
  'does-not-fit': (n) => DOUBTS[n.doubt](Number(n.a.toFixed(1)), Number(n.b.toFixed(1))),
  'rating-unknown': (n) =>
    n.text
      ? `The rating “${n.text}” cannot be read, so there is no limit.`
      : 'No rating on record, so there is no limit.',
  'rla-unknown': (n) => RLA_UNKNOWN[n.why],
  'fla-unknown': (n) => `No FLA of the ${n.part} on the plate record.`,
  'no-plate-limit-for-wire': (n) =>
    `No plate figure for the ${POINT_NAMES[n.point]} wire; it is held against its own past.`,
  'open-section': (n) => `${POINT_NAMES[n.point]} reads nothing: open.`,
  'shorted-section': (n) => `${POINT_NAMES[n.point]} is shorted.`,
  'holds-charge': (n) =>
    `${POINT_NAMES[n.point]} holds a charge; how much is not shown. Its µF on the bench are still owed.`,
  looks: (n) => LOOKS[n.look],
  'as-it-was': (n) =>
    Math.abs(n.offPercent) < 0.5
      ? `As it was: ${baselineWords(n)}.`
      : `${sayPercent(n.offPercent)} ${n.offPercent < 0 ? 'below' : 'above'} its own ${baselineWords(n)}.`,
  'off-baseline': (n) =>
    `${sayPercent(n.offPercent)} ${n.offPercent < 0 ? 'below' : 'above'} its own ${baselineWords(n)}.`,
  'far-below-usual': (n) =>
    `${sayPercent(n.offPercent)} below its usual ${sayQuantity(n.baseline, n.unit)}: low charge, valves leaking, or the clamp not closed.`,
  'blocked-air': (n) =>
    `${sayPercent(n.offPercent)} ${n.offPercent < 0 ? 'below' : 'above'} its own ${sayQuantity(n.baseline, n.unit)}: on ${n.motor === 'psc' ? 'a PSC' : 'an ECM'} blower that points to blocked air: filter, wheel or coil.`,
  'no-baseline-yet': () => 'No baseline yet.',
  'is-the-baseline': (n) => `First reading of this part: ${sayQuantity(n.value, n.unit)} becomes its baseline.`,
  trend,
  'trend-too-short': (n) =>
    `${n.readings === 1 ? 'One reading' : `${n.readings} readings`} so far; ${n.least} are needed before a trend is spoken of. The next one (${n.by}) begins it.`,
  'trend-open': (n) =>
    `${n.readings} readings leave it open whether it will be ${n.side === 'lower' ? 'under' : 'over'} ${sayQuantity(n.limit, n.unit)}. One more (${n.by}) settles it.`,
  stepped: (n) =>
    `Stepped from ${sayNumber(n.from, n.unit)} to ${sayQuantity(n.to, n.unit)} between ${monthOf(n.after)} and ${monthOf(n.by)}: something happened, and it is not counted as wear.`,
  'trend-without-limit': (n) =>
    `${n.perYear < 0 ? 'Down' : 'Up'} ${sayQuantity(Math.abs(n.perYear), n.unit)} a year over ${n.readings} readings; no limit to hold it against.`,
  'odd-point': (n) =>
    `Off its own line: ${sayQuantity(n.expected, n.unit)} was expected. A step is not wear; take it again.`,
  together: (n) => {
    const { title, rulesIn } = TOGETHER[n.rule];
    const moved = `${(100 * n.before).toFixed(0)} to ${(100 * n.after).toFixed(0)}${NBSP}%`;
    const way = n.after > n.before ? 'raises' : 'lowers';
    const said = Math.abs(n.after - n.before) < 0.005 ? '' : ` That ${way} the chance here from ${moved}.`;
    return `${title}. ${rulesIn}${said}`;
  },
  'three-wires-agree': (n) =>
    `The three wires agree: run and start give ${sayQuantity(n.expected, 'A')}, common reads ${sayQuantity(n.value, 'A')}.`,
  'three-wires-miss': (n) =>
    `The three wires disagree: run and start give ${sayQuantity(n.expected, 'A')}, common reads ${sayQuantity(n.value, 'A')}. Wrong wire clamped, or a capacitor or winding off.`,
  'far-from-plausible': (n) =>
    `${sayQuantity(n.value, n.unit)}? ${sayNumber(n.low, n.unit)} to ${sayNumber(n.high, n.unit)} would be likely here.${n.perhaps === null ? '' : ` Did you mean ${Number(n.perhaps.toPrecision(4))}?`}`,
  'doubtful-volts': (n) =>
    `${sayQuantity(n.volts, 'V')} is close to the line’s ${sayNumber(n.lineVolts, 'V')}: across a running capacitor expect ${Math.ceil(n.expectedAtLeast)} or more. Meter on the capacitor’s own lugs?`,
};

/** The sentence of a reason, with its numbers. The only place where verdicts become words. */
export const sayReason = (because: Because): string =>
  (SENTENCES[because.code] as (numbers: Because['numbers']) => string)(because.numbers);

/** The sentence at a field whose entry was refused; it says what to type instead. */
export function sayRefusal(refusal: Refusal): string {
  switch (refusal.code) {
    case 'empty':
      return 'Nothing entered.';
    case 'not-a-number':
      return `“${refusal.numbers.text}” is not a number. Type digits, such as 38.4.`;
    case 'negative':
      return refusal.numbers.unit === '°F'
        ? `${refusal.numbers.value} °F is below anything met outdoors.`
        : refusal.numbers.unit === 'psig'
          ? `${refusal.numbers.value} psig is below a full vacuum.`
          : `${refusal.numbers.value} ${refusal.numbers.unit}: ${MEASURES[refusal.numbers.unit]} cannot be below zero.`;
    case 'beyond-any-meter':
      return `${Number(refusal.numbers.value.toPrecision(4))} ${refusal.numbers.unit} is beyond any meter; at most ${refusal.numbers.limit} ${refusal.numbers.unit}.`;
    case 'finer-than-any-meter':
      return `${refusal.numbers.value} ${refusal.numbers.unit} is finer than any meter shows. A slip of the decimal point?`;
    case 'no-over-limit-here':
      return 'OL is not a reading here; type the number shown.';
    case 'no-jumps-here':
      return 'Type the number shown; “jumps” is for ohms.';
    case 'cannot-work-out':
      return SNAGS[refusal.numbers.snag];
    case 'unknown-choice':
      return `“${refusal.numbers.text}” is not one of the choices.`;
    case 'chosen-twice':
      return `“${refusal.numbers.text}” is chosen twice.`;
    case 'none-and-some':
      return `“${refusal.numbers.text}” cannot hold beside another choice.`;
    case 'unknown-field':
      return `There is no field “${refusal.numbers.text}” in this reading.`;
    case 'no-volts-across':
      return 'With no volts across the capacitor nothing can be worked out; is it running?';
  }
}
