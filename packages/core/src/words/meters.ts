import type { MeterQuantityView, MeterView } from '../http/meters.ts';
import { monthOf } from '../quantity/day.ts';
import { OFFSETS, type InstrumentKind, type MeterQuantity } from '../readings/contract/quantities.ts';
import { NBSP } from './figures.ts';
import type { Line } from './said.ts';

/** Instruments by their names in a sentence. */
export const INSTRUMENT_NAMES: Readonly<Record<InstrumentKind, string>> = {
  'capacitance-meter': 'capacitance meter',
  clamp: 'clamp',
  multimeter: 'multimeter',
  gauges: 'gauge set',
  'pipe-clamps': 'pipe clamps',
  psychrometer: 'psychrometer',
};

/** What a quantity is called beside its instrument. */
export const QUANTITY_NAMES: Readonly<Record<MeterQuantity, string>> = {
  capacitance: 'capacitance',
  amps: 'amps',
  volts: 'volts',
  ohms: 'ohms',
  saturation: 'saturation',
  pipe: 'line temperature',
  air: 'air temperature',
};

/** What a meter is held against in a van: its name, the unit, and what is there and within how much, where that is nature's. */
export interface Reference {
  readonly against: string;
  readonly unit: string;
  readonly known: number | null;
  readonly within: number | null;
  readonly how: string;
}

/** Common practice, no source; water and ice at 32 °F. */
export const REFERENCES: Readonly<Record<MeterQuantity, Reference>> = {
  capacitance: {
    against: 'Known capacitor',
    unit: 'µF',
    known: null,
    within: null,
    how: 'A capacitor kept for this and never fitted, its value written on it by a better meter. Discharged, wires off.',
  },
  amps: {
    against: 'Load that another clamp reads',
    unit: 'A',
    known: null,
    within: null,
    how: 'The same wire, the same moment, jaw closed and the wire in its middle; the other clamp checked of late.',
  },
  volts: {
    against: 'Source that another meter reads',
    unit: 'V',
    known: null,
    within: null,
    how: 'The same two points, the same moment; the other meter checked of late.',
  },
  ohms: {
    against: 'Known resistor',
    unit: 'Ω',
    known: null,
    within: null,
    how: 'A 1 % resistor or better. Touch the leads together first and take off what they read.',
  },
  saturation: {
    against: 'Refrigerant bottle at rest',
    unit: '°F',
    known: null,
    within: null,
    how: 'A bottle that has stood for hours: its saturation temperature is the air’s beside it.',
  },
  pipe: {
    against: 'Ice bath',
    unit: '°F',
    known: 32,
    within: 0.5,
    how: 'Crushed ice with just enough water, stirred; the clamp in it in a bag, a minute.',
  },
  air: {
    against: 'Ice bath',
    unit: '°F',
    known: 32,
    within: 0.5,
    how: 'Crushed ice with just enough water, stirred; the dry probe in it in a bag, a minute.',
  },
};

/** "Bram’s capacitance meter", "The firm’s clamp (the long one)". */
export function meterName({ kind, name, personName, isKept }: MeterView): string {
  const owner = personName === null ? 'The firm’s' : `${personName.split(' ')[0]}’s`;
  const own = INSTRUMENT_NAMES[kind];
  const given = isKept && name.toLowerCase() !== own ? ` (${name})` : '';
  return `${owner} ${own}${given}${isKept ? '' : ', before it was kept'}`;
}

/** An offset in its unit, without its sign: "1.9 %", "1.2 °F". */
export const sayOffset = (quantity: MeterQuantity, offset: number): string =>
  OFFSETS[quantity].offsetIn === 'share'
    ? `${(100 * Math.abs(offset)).toFixed(1)}${NBSP}%`
    : `${Math.abs(offset).toFixed(1)}${NBSP}°F`;

/** The same without the unit, for what is given or taken beside it. */
const sayWithin = (quantity: MeterQuantity, within: number): string =>
  (OFFSETS[quantity].offsetIn === 'share' ? 100 * within : within).toFixed(1);

const readingsWords = (readings: number): string => `${readings} ${readings === 1 ? 'reading' : 'readings'}`;

/** What is known of one quantity of a meter, its first clause apart. `whose` begins the sentence. */
export function meterLine(whose: string, q: MeterQuantityView): Line {
  const resting = readingsWords(q.readings);
  const of = OFFSETS[q.quantity].instrument === 'multimeter' ? ` ${QUANTITY_NAMES[q.quantity]}` : '';
  if (q.off === null || q.within === null)
    return [`${whose}:${of} nothing to hold it against yet`, `; ${resting}. A check on something known settles it.`];
  const within = `give or take ${sayWithin(q.quantity, q.within)}`;
  const compared = q.against === 'firm' ? ' beside the firm’s others' : '';
  if (q.standing === 'watch' || q.standing === 'act') {
    const since = q.since === null ? '' : ` since ${monthOf(q.since)}`;
    const side = q.off < 0 ? 'low' : 'high';
    const check = `Check it on ${referenceName(q.quantity)}.`;
    return [
      `${whose} reads${of} ${sayOffset(q.quantity, q.off)} ${side}${compared}${since}`,
      `, ${within}: ${resting}. ${check}`,
    ];
  }
  if (q.standing === 'unproven')
    return [`${whose}:${of} open, ${within}`, `: ${resting} say too little. A check on something known settles it.`];
  const small = sayOffset(q.quantity, q.off);
  const seen = small.startsWith('0.0') ? 'no offset to be seen' : `${small} ${q.off < 0 ? 'low' : 'high'}`;
  return [`${whose} reads${of} true`, `: ${seen}${compared}, ${within}; ${resting}.`];
}

const referenceName = (quantity: MeterQuantity): string => {
  const { against } = REFERENCES[quantity];
  return `${/^[AEIOU]/.test(against) ? 'an' : 'a'} ${against.charAt(0).toLowerCase()}${against.slice(1)}`;
};
