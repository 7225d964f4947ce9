import { SWITCH_ORDER_NAMES, SWITCH_ORDERS } from '../equipment/switch-order.ts';
import { LIVE_WORK } from '../round/cautions.ts';
import { CHAIN_PLACES, controlChain, type ChainFinding, type ChainPlace } from '../trade/controls/control-chain.ts';
import type { Finding } from '../verdict/findings.ts';
import { sayFindings } from '../words/findings.ts';
import { capital } from '../words/letters.ts';
import { textOf } from '../words/said.ts';
import { number, plain, type BenchInput, type BenchSum } from './contract.ts';

const DAY_MIN = 24 * 60;
/** Boards end a defrost by time after so long, if the coil has not; some after 14. Common practice, no source. */
const LIMIT_MIN = 10;
/** Longer between two defrosts is too long where ice is seen, min. Common practice, no source. */
const SHORT_INTERVAL_MIN = 30;
const LOW_TERMINATION_F = 50;

const said = (codes: readonly Finding[]): string => textOf(sayFindings(codes, 'whole'));

/** What a board's settings come to in a day of frost. */
export const defrostSettingsSum: BenchSum = {
  id: 'defrost-settings',
  title: 'Defrost settings',
  says: 'How often a time-and-temperature board defrosts in a day, what that costs, and what speaks against its settings.',
  inputs: [
    {
      type: 'choice',
      id: 'interval',
      label: 'Interval',
      usual: '60',
      choices: [
        ['30', '30 min'],
        ['60', '60 min'],
        ['90', '90 min'],
      ],
    },
    {
      type: 'choice',
      id: 'ends',
      label: 'Ends at',
      usual: '70',
      choices: [50, 60, 70, 80, 90, 100].map((n) => [String(n), `${n} °F`] as const),
    },
    {
      type: 'choice',
      id: 'ice',
      label: 'Ice or bands of frost seen',
      usual: 'no',
      choices: [
        ['no', 'No'],
        ['yes', 'Yes'],
      ],
    },
    number('lasts', 'One defrost lasts', 'min', [0.5, 20]),
    number('runs', 'Compressor runs', '% of the time', [5, 100], { usual: '100' }),
    number('strips', 'Strips that temper the air', 'kW', [0, 30], { optional: true }),
  ],
  work({ number: of, text }) {
    const [interval, lasts, runs, strips] = [Number(text('interval')), of('lasts'), of('runs'), of('strips')];
    const times = (DAY_MIN * runs) / 100 / (interval + lasts);
    const flags: Finding[] = [
      ...(Number(text('ends')) <= LOW_TERMINATION_F ? ['terminates-low' as const] : []),
      ...(text('ice') === 'yes' && interval > SHORT_INTERVAL_MIN ? ['interval-long' as const] : []),
      ...(lasts >= LIMIT_MIN ? ['ended-by-limit' as const] : []),
    ];
    return {
      outcome: 'value',
      result: `${plain(times, 3)} a day`,
      formula: `${DAY_MIN} min × ${plain(runs)} % ÷ (${interval} min + ${plain(lasts)} min)`,
      also: [
        `${plain(times * lasts, 3)} min a day it cools the house instead of heating it.`,
        ...(strips > 0 ? [`${plain((times * lasts * strips) / 60, 3)} kWh a day for the strips.`] : []),
      ],
      doubts: flags.map((flag) => said([flag])),
    };
  },
  source: 'The interval counts minutes the compressor runs; a defrost adds its own. Common practice, no source.',
};

const PLACES = Object.keys(CHAIN_PLACES) as ChainPlace[];
const labelOf = (place: ChainPlace): string => capital(CHAIN_PLACES[place]).replace(/^The /, '');

const order: BenchInput = {
  type: 'choice',
  id: 'switches',
  label: 'Pressure switches',
  usual: 'unknown',
  choices: [['unknown', 'Not traced'], ...SWITCH_ORDERS.map((id) => [id, SWITCH_ORDER_NAMES[id]] as const)],
};

function findingSaid(finding: ChainFinding): string {
  if (finding.found === 'lost')
    return `Lost between ${CHAIN_PLACES[finding.after]} and ${CHAIN_PLACES[finding.before]}: measure what lies between.`;
  if (finding.found === 'contradiction')
    return `No volts at ${CHAIN_PLACES[finding.missing]}, and volts again at ${CHAIN_PLACES[finding.there]} behind it: one of the two was read wrong.`;
  return said([finding.found]);
}

/** Where an outdoor unit's control circuit loses its volts. */
export const chainSum: BenchSum = {
  id: 'control-chain',
  title: 'Control chain',
  says: 'Where 24 V is lost between the transformer and the contactor coil of an outdoor unit, with the call held.',
  inputs: [
    order,
    ...PLACES.map((place) => number(place, labelOf(place), 'V', [0, 60], place === 'r-to-c' ? {} : { optional: true })),
    number('coil', 'Coil at its thermostat', '°F', [-40, 160], { optional: true }),
    number('outdoor', 'Outdoor air', '°F', [-40, 130], { optional: true }),
  ],
  work({ number: of, text }) {
    const known = (id: string): number | undefined => (Number.isNaN(of(id)) ? undefined : of(id));
    const volts = Object.fromEntries(PLACES.flatMap((at) => (known(at) === undefined ? [] : [[at, of(at)] as const])));
    const switches = SWITCH_ORDERS.find((id) => id === text('switches'));
    const { findings, complete } = controlChain({ volts, switches, coilF: known('coil'), outdoorF: known('outdoor') });
    const [first, ...others] = findings.map(findingSaid);
    const good = said([complete ? 'chain-complete' : 'chain-so-far-good']);
    return {
      outcome: 'value',
      result: first ?? good,
      formula: PLACES.flatMap((at) => (known(at) === undefined ? [] : [`${labelOf(at)} ${plain(of(at))} V`])).join(
        ' → ',
      ),
      also: others,
      doubts:
        switches === undefined && Object.keys(volts).some((at) => at.includes('switch'))
          ? ['In what order the switches are wired is taken from the volts as far as they tell it.']
          : [],
    };
  },
  hands: {
    kind: 'defrost-chain',
    method: 'volts',
    inputs: { ...Object.fromEntries(PLACES.map((place) => [place, place])), coil: 'coilF' },
  },
  cautions: [LIVE_WORK],
  source: 'The fault lies between the last place with volts and the first without. Common practice, no source.',
};
