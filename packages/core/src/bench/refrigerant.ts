import { saturationTemperature } from '../trade/refrigerant/saturation.ts';
import { REFRIGERANTS } from '../trade/refrigerant/refrigerants.ts';
import {
  subcooling as subcoolingOf,
  superheat as superheatOf,
  targetSuperheat as targetOf,
} from '../trade/refrigerant/superheat.ts';
import { REFRIGERANT_WORK } from '../round/cautions.ts';
import { sayQuantity } from '../words/figures.ts';
import { altitude, altitudeFtOf, cannotSay, number, plain, type BenchInput, type BenchSum } from './contract.ts';

const refrigerant: BenchInput = {
  type: 'choice',
  id: 'refrigerant',
  label: 'Refrigerant',
  usual: 'R-410A',
  choices: Object.keys(REFRIGERANTS).map((name) => [name, name] as const),
};
const OUTSIDE = 'That pressure is outside of what this refrigerant’s curve covers.';

/** What differs between superheat and subcooling. */
interface OfLine {
  readonly id: 'superheat' | 'subcooling';
  readonly title: string;
  readonly says: string;
  /** Which line, and so which gauge. */
  readonly side: string;
  readonly find: typeof superheatOf;
  readonly formula: (line: string, saturation: string, psig: string) => string;
  readonly belowZero: string;
}

/** How far a line is from saturation at its pressure, and from its target. */
const ofLine = ({ id, title, says, side, find, formula, belowZero }: OfLine): BenchSum => ({
  id,
  title,
  says,
  inputs: [
    refrigerant,
    number('psig', `${side} pressure`, 'psig', [-14, 700]),
    number('line', `${side} line`, '°F', [-60, 200]),
    number('target', 'Target', '°F', [0, 60], { optional: true }),
    altitude,
  ],
  work(values) {
    const { number: of, text } = values;
    const [psig, line] = [of('psig'), of('line')];
    const found = find({
      refrigerant: text('refrigerant'),
      psig,
      lineFahrenheit: line,
      altitudeFt: altitudeFtOf(values),
    });
    if (found.outcome === 'cannot-say') return cannotSay(OUTSIDE);
    const off = found.degrees - of('target');
    return {
      outcome: 'value',
      result: sayQuantity(found.degrees, '°F'),
      formula: formula(`${plain(line)} °F`, `${plain(found.saturation, 3)} °F`, plain(psig)),
      also: Number.isNaN(off) ? [] : [`${sayQuantity(Math.abs(off), '°F')} ${off < 0 ? 'below' : 'above'} its target.`],
      doubts: found.degrees < 0 ? [belowZero] : [],
    };
  },
  hands: { kind: id, method: 'gauges', inputs: { psig: 'psig', line: 'lineF' } },
  cautions: [REFRIGERANT_WORK],
  source: 'Saturation curves fitted to published properties; the firm’s own tables count on a system, not here.',
});

/** Superheat at the suction line. */
export const superheat = ofLine({
  id: 'superheat',
  title: 'Superheat',
  says: 'How far the suction line is above the dew point at the suction pressure.',
  side: 'Suction',
  find: superheatOf,
  formula: (line, saturation, psig) => `${line} − ${saturation} (dew point at ${psig} psig)`,
  belowZero: 'Below zero: a gauge or a thermometer is off, or the refrigerant is another one.',
});

/** Subcooling at the liquid line. */
export const subcooling = ofLine({
  id: 'subcooling',
  title: 'Subcooling',
  says: 'How far the liquid line is below the bubble point at the liquid pressure.',
  side: 'Liquid',
  find: subcoolingOf,
  formula: (line, saturation, psig) => `${saturation} (bubble point at ${psig} psig) − ${line}`,
  belowZero: 'Below zero: gas in the liquid line, or a gauge or a thermometer is off.',
});

/** What superheat a fixed orifice should have. */
export const targetSuperheat: BenchSum = {
  id: 'target-superheat',
  title: 'Target superheat',
  says: 'What a fixed orifice should have, by the air indoors and outdoors. An expansion valve has its own.',
  inputs: [number('wet', 'Return air, wet bulb', '°F', [30, 90]), number('outdoor', 'Outdoor air', '°F', [40, 125])],
  work({ number: of }) {
    const [wet, outdoor] = [of('wet'), of('outdoor')];
    const target = targetOf({ indoorWetBulb: wet, outdoorDryBulb: outdoor });
    if (target.outcome === 'cannot-say')
      return cannotSay(
        target.because === 'below-five'
          ? `It comes to ${plain((3 * wet - 80 - outdoor) / 2, 3)} °F: under 5 °F nothing is charged by superheat. Weigh it in, or come back in other weather.`
          : 'Both airs are needed.',
      );
    return {
      outcome: 'value',
      result: sayQuantity(target.degrees, '°F'),
      formula: `(3 × ${plain(wet)} − 80 − ${plain(outdoor)}) ÷ 2`,
    };
  },
  source: 'Common practice, no source.',
};

/** What a pressure boils and condenses at. */
export const saturation: BenchSum = {
  id: 'saturation',
  title: 'Saturation',
  says: 'The bubble point and the dew point of a refrigerant at a gauge pressure.',
  inputs: [refrigerant, number('psig', 'Pressure', 'psig', [-14, 700]), altitude],
  work(values) {
    const { number: of, text } = values;
    const asked = { refrigerant: text('refrigerant'), psig: of('psig'), altitudeFt: altitudeFtOf(values) };
    const [bubble, dew] = [
      saturationTemperature({ ...asked, side: 'bubble' }),
      saturationTemperature({ ...asked, side: 'dew' }),
    ];
    if (bubble.outcome === 'cannot-say' || dew.outcome === 'cannot-say') return cannotSay(OUTSIDE);
    return {
      outcome: 'value',
      result: `${sayQuantity(bubble.fahrenheit, '°F')} bubble`,
      formula: `${text('refrigerant')} at ${plain(of('psig'))} psig`,
      also: [
        `${sayQuantity(dew.fahrenheit, '°F')} dew, a glide of ${sayQuantity(dew.fahrenheit - bubble.fahrenheit, '°F')}.`,
      ],
    };
  },
  source: 'Saturation curves fitted to published properties.',
};
