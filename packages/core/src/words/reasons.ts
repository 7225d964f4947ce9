import { POINT_NAMES } from '../equipment/component.ts';
import { monthOf } from '../quantity/day.ts';
import type { Because, ReasonNumbers } from '../verdict/reasons.ts';
import { STANDING_NAMES } from '../verdict/standing.ts';
import { NBSP, sayChance, sayNumber, sayPercent, sayQuantity } from './figures.ts';
import { sayFindings } from './findings.ts';
import { DOUBT_WORDS, NEED_WORDS, RULE_WORDS } from './rules.ts';
import { lineOf, textOf, type Line, type Said } from './said.ts';
import { TOGETHER_WORDS } from './together.ts';
import { inState } from './in-state.ts';
import { capital } from './letters.ts';

const limitPercent = (n: { limit: number; nominal: number }) => {
  const percent = (100 * (n.limit - n.nominal)) / n.nominal;
  return `${percent < 0 ? '−' : '+'}${Math.abs(percent).toFixed(0)}${NBSP}%`;
};

function againstRating(n: ReasonNumbers['against-rating']): Line {
  const off = (100 * (n.value - n.nominal)) / n.nominal;
  const at =
    Math.abs(off) < 0.05
      ? `as rated, ${sayNumber(n.nominal, 'µF')}`
      : `${sayPercent(off)} ${off < 0 ? 'under' : 'over'} ${sayNumber(n.nominal, 'µF')}`;
  const tail = n.position === 'past' && n.side === 'upper' ? ' Wrong part fitted, or the meter?' : '';
  return [`${sayQuantity(n.value, 'µF')}, ${at}`, `; limit ${sayNumber(n.limit, 'µF')} (${limitPercent(n)}).${tail}`];
}

function againstRatedLoad(n: ReasonNumbers['against-rated-load']): string {
  const figure = n.derived ? `${n.figure} worked out from MCA` : n.figure;
  return `${sayQuantity(n.value, 'A')}, ${((100 * n.value) / n.nominal).toFixed(0)} % of ${figure} ${sayNumber(n.nominal, 'A')}.`;
}

/** Below this, V, a machine that may stand on 208 or 240 V stands on 208. */
const LOW_FOR_240 = 216;

function againstVolts(n: ReasonNumbers['against-nominal-volts']): Said {
  const read = sayQuantity(n.value, 'V');
  if (n.position === 'within')
    return n.value < LOW_FOR_240 && n.nominal === 240
      ? `${read}, good for a 208 V supply.`
      : `${read}, good for a ${n.nominal} V supply.`;
  if (n.position === 'past') {
    return n.side === 'lower'
      ? [`${read}, below ${n.limit.toFixed(0)}`, ': investigate the supply.']
      : [`${read}, ${n.limit.toFixed(0)} or more`, ': a matter for the utility.'];
  }
  const off = sayPercent((100 * (n.value - n.nominal)) / n.nominal);
  return `${read}, ${off} ${n.value < n.nominal ? 'under' : 'over'} ${n.nominal}.`;
}

/** What may have been meant, named where more than one number was typed: "40", "suction pressure 118". */
export function meantWords({ label, value }: NonNullable<ReasonNumbers['far-from-plausible']['perhaps']>): string {
  const plain = label.replaceAll(',', '');
  const name = /^[A-Z][a-z]/.test(plain) ? `${plain.charAt(0).toLowerCase()}${plain.slice(1)} ` : plain && `${plain} `;
  return `${name}${Number(value.toPrecision(4))}`;
}

const RLA_UNKNOWN: Readonly<Record<ReasonNumbers['rla-unknown']['why'], Said>> = {
  'nothing-known': 'No RLA on the plate record, and no MCA to work it out from.',
  'fan-fla-missing': ['No RLA on the plate record', '; MCA would give it if the fan’s FLA were known.'],
  'only-breaker': [
    'Only the fuse or breaker size is known, and that is a wire figure, never a pass mark',
    '. RLA, or MCA with fan FLA, settles it.',
  ],
  contradiction: ['MCA is not above the fan’s FLA', ': one of the two is misread.'],
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
  // Readings that leave two ways of wearing open say less of the pace than the fleet does.
  if (n.ownSharePercent < 5) {
    const usual = n.fleet > 0 ? `${n.fleet} like threads of this firm say` : 'what is usual says';
    return `Its own readings leave more than one pace open; ${usual} which is likely.`;
  }
  const own = `${n.ownSharePercent.toFixed(0)}${NBSP}% of what is known of its pace comes from its own readings`;
  return n.fleet > 0
    ? `${own}, the rest from ${n.fleet} like threads of this firm.`
    : `${own}, the rest from what is usual; this firm’s own parts have not taught it yet.`;
}

function trend(n: ReasonNumbers['trend']): Line {
  const direction = n.side === 'lower' ? 'under' : 'over';
  return [
    `${capital(sayChance(n.chance))} to be ${direction} ${sayQuantity(n.limit, n.unit)} by ${monthOf(n.day)}`,
    `. ${paceOf(n)} over ${n.readings} readings; expected ${sayNumber(n.expected, n.unit)}, between ${sayNumber(n.low80, n.unit)} and ${sayNumber(n.high80, n.unit)}.`,
  ];
}

const baselineWords = (n: ReasonNumbers['as-it-was']) =>
  `${sayQuantity(n.baseline, n.unit)} ${fromWhat[n.from]}${n.at ? ` (both brought to ${n.at})` : ''}`;

const sideOf = (offPercent: number): string => (offPercent < 0 ? 'below' : 'above');

function againstWindow(n: ReasonNumbers['against-window']): Line {
  const words = RULE_WORDS[n.rule];
  const [low, high] = n.side === 'lower' ? [n.limit, n.other] : [n.other, n.limit];
  const say = (value: number) => sayNumber(value, n.unit);
  const window =
    low === null ? `at most ${say(high ?? 0)}` : high === null ? `at least ${say(low)}` : `${say(low)} to ${say(high)}`;
  const hint =
    n.position === 'open'
      ? words.open
      : n.position === 'past'
        ? n.side === 'lower'
          ? words.low
          : words.high
        : undefined;
  return [sayQuantity(n.value, n.unit), `; ${window} ${words.limits}.${hint ? ` ${hint}` : ''}`];
}

function together(n: ReasonNumbers['together']): Line {
  const { title, rulesIn } = TOGETHER_WORDS[n.rule];
  const moved = `${(100 * n.before).toFixed(0)} to ${(100 * n.after).toFixed(0)}${NBSP}%`;
  const way = n.after > n.before ? 'raises' : 'lowers';
  const said = Math.abs(n.after - n.before) < 0.005 ? '' : ` That ${way} the chance here from ${moved}.`;
  return [title, `. ${rulesIn}${said}`];
}

type AgainstLimit = 'against-rating' | 'against-rated-load' | 'against-nominal-volts' | 'against-window';

/** Where a meter is known to be off: what was read, and what that comes to, before what is said of the value believed. */
const ofMeter =
  <Code extends AgainstLimit>(say: (n: ReasonNumbers[Code]) => Said) =>
  (n: ReasonNumbers[Code]): Said => {
    const { meter, value } = n;
    if (!meter) return say(n);
    const { read, offPercent, within, unit } = meter;
    const off =
      offPercent === null ? sayQuantity(Math.abs(read - value), unit) : `${Math.abs(offPercent).toFixed(1)}${NBSP}%`;
    const about = `about ${sayNumber(value, unit)}, give or take ${sayNumber(within, unit)}`;
    const side = read < value ? 'low' : 'high';
    return [
      `${sayQuantity(read, unit)} read; that meter reads ${off} ${side}: ${about}`,
      `. ${textOf(lineOf(say(n)))}`,
    ];
  };

const SENTENCES: { [Code in keyof ReasonNumbers]: (numbers: ReasonNumbers[Code]) => Said } = {
  'against-rating': ofMeter<'against-rating'>(againstRating),
  'against-rated-load': ofMeter<'against-rated-load'>(againstRatedLoad),
  'against-nominal-volts': ofMeter<'against-nominal-volts'>(againstVolts),
  'against-window': ofMeter<'against-window'>(againstWindow),
  'no-basis': (n) => NEED_WORDS[n.need],
  'not-fitted': () => [
    'Not judged',
    ': a figure in this thread is beyond what can be reckoned with. Correct that reading.',
  ],
  finding: (n) => sayFindings(n.found, n.point),
  'heat-added': (n) => {
    const added = `${sayQuantity(n.amps, 'A')} at ${sayQuantity(n.volts, 'V')} are ${sayQuantity(Math.round(n.btuh / 100) * 100, 'Btu/h')} of heat that nobody called`;
    return n.ofCooling === null ? `${added}.` : [added, `: ${sayPercent(100 * n.ofCooling)} of its cooling.`];
  },
  'does-not-fit': (n) => DOUBT_WORDS[n.doubt](Number(n.a.toFixed(1)), Number(n.b.toFixed(1))),
  'rating-unknown': (n) =>
    n.text
      ? `The rating “${n.text}” cannot be read, so there is no limit.`
      : 'No rating on record, so there is no limit.',
  'rla-unknown': (n) => RLA_UNKNOWN[n.why],
  'fla-unknown': (n) => `No FLA of the ${n.part} on the plate record.`,
  'no-plate-limit-for-wire': (n) => [
    `No plate figure for the ${POINT_NAMES[n.point]} wire`,
    '; it is held against its own past.',
  ],
  'as-it-was': (n) =>
    Math.abs(n.offPercent) < 0.5
      ? ['As it was', `: ${baselineWords(n)}.`]
      : `${sayPercent(n.offPercent)} ${sideOf(n.offPercent)} its own ${baselineWords(n)}.`,
  'off-baseline': (n) => `${sayPercent(n.offPercent)} ${sideOf(n.offPercent)} its own ${baselineWords(n)}.`,
  'far-below-usual': (n) => [
    `${sayPercent(n.offPercent)} below its usual ${sayQuantity(n.baseline, n.unit)}`,
    ': low charge, valves leaking, or the clamp not closed.',
  ],
  'blocked-air': (n) => [
    `${sayPercent(n.offPercent)} ${sideOf(n.offPercent)} its own ${sayQuantity(n.baseline, n.unit)}`,
    `: on ${n.motor === 'psc' ? 'a PSC' : 'an ECM'} blower that points to blocked air: filter, wheel or coil.`,
  ],
  'no-baseline-yet': () => 'No baseline yet.',
  'is-the-baseline': (n) => [
    n.inThisState ? 'First reading in this state' : 'First reading of this part',
    `: ${sayQuantity(n.value, n.unit)} becomes its baseline.`,
  ],
  trend,
  'trend-too-short': (n) => [
    `${n.readings === 1 ? 'One reading' : `${n.readings} readings`} so far`,
    `; ${n.least} are needed before a trend is spoken of. The next one (${n.by}) begins it.`,
  ],
  'trend-open': (n) => [
    `${n.readings} readings leave it open whether it will be ${n.side === 'lower' ? 'under' : 'over'} ${sayQuantity(n.limit, n.unit)}`,
    `. One more (${n.by}) settles it.`,
  ],
  stepped: (n) => [
    `Stepped from ${sayNumber(n.from, n.unit)} to ${sayQuantity(n.to, n.unit)} between ${monthOf(n.after)} and ${monthOf(n.by)}`,
    ': something happened, and it is not counted as wear.',
  ],
  'trend-without-limit': (n) => [
    `${n.perYear < 0 ? 'Down' : 'Up'} ${sayQuantity(Math.abs(n.perYear), n.unit)} a year over ${n.readings} readings`,
    '; no limit to hold it against.',
  ],
  'odd-point': (n) => [
    'Off its own line',
    `: ${sayQuantity(n.expected, n.unit)} was expected. A step is not wear; take it again.`,
  ],
  together,
  'three-wires-agree': (n) => [
    'The three wires agree',
    `: run and start give ${sayQuantity(n.expected, 'A')}, common reads ${sayQuantity(n.value, 'A')}.`,
  ],
  'three-wires-miss': (n) => [
    'The three wires disagree',
    `: run and start give ${sayQuantity(n.expected, 'A')}, common reads ${sayQuantity(n.value, 'A')}. Wrong wire clamped, or a capacitor or winding off.`,
  ],
  'windings-add-up': (n) => `The windings add up: R to S reads ${sayQuantity(n.value, 'Ω')}.`,
  'windings-miss': (n) => [
    `R to S reads ${sayQuantity(n.value, 'Ω')} where the other two come to ${sayQuantity(n.expected, 'Ω')}`,
    ': a pair misread, or shorted turns. Read all three again, wires off.',
  ],
  ruled: (n) => [
    `Overruled by ${n.by}, ${STANDING_NAMES[n.standing].toLowerCase()} in place of ${STANDING_NAMES[n.was].toLowerCase()}`,
    `: ${n.why}`,
  ],
  'not-as-asked': (n) => [`${n.fitted} is fitted where the plate asks for ${n.asked}`, ': fit the right one.'],
  'volts-over-can': (n) => [
    `${sayQuantity(n.volts, 'V')} across a ${n.rated.toFixed(0)} V can`,
    ': fit one for more volts.',
  ],
  'legs-differ': (n) => [
    `${sayQuantity(n.first, 'A')} on L1 and ${sayQuantity(n.second, 'A')} on L2`,
    ': what goes out on one should come back on the other. An element touches ground, or another load was clamped.',
  ],
  'contacts-in-turn': (n) => `${n.contacts} contacts, each after the one before.`,
  'contacts-out-of-turn': (n) => {
    const [first, second] = [POINT_NAMES[n.first], POINT_NAMES[n.second]];
    const how = `${capital(second)} ${n.doing === 'closing' ? 'closes' : 'opens'} at ${sayQuantity(n.secondAt, 's')}, ${first} at ${sayQuantity(n.firstAt, 's')}`;
    return n.doing === 'closing'
      ? [
          how,
          ': not one after the other, so that the supply takes both at once. Its heaters, or a contact that was closed before.',
        ]
      : [how, ': the last to close should be the first to open. One of the two sticks; read it with no call.'];
  },
  'in-state': inState,
  'far-from-plausible': (n) => [
    sayQuantity(n.value, n.unit),
    `? ${sayNumber(n.low, n.unit)} to ${sayNumber(n.high, n.unit)} would be likely here.${n.perhaps === null ? '' : ` Did you mean ${meantWords(n.perhaps)}?`}`,
  ],
  'doubtful-volts': (n) => [
    `${sayQuantity(n.volts, 'V')} is close to the line’s ${sayNumber(n.lineVolts, 'V')}`,
    `: across a running capacitor expect ${Math.ceil(n.expectedAtLeast)} or more. Meter on the capacitor’s own lugs?`,
  ],
};

/** The sentence of a reason with its numbers, its first clause apart. The only place where verdicts become words. */
export const reasonLine = (because: Because): Line =>
  lineOf((SENTENCES[because.code] as (numbers: Because['numbers']) => Said)(because.numbers));

/** The sentence of a reason as plain text. */
export const sayReason = (because: Because): string => textOf(reasonLine(because));
