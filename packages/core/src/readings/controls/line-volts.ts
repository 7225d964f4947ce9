import { hasStrips } from '../../equipment/component.ts';
import { nominalVoltsOf, type Plate } from '../../equipment/plate.ts';
import { hasOutdoorUnit } from '../../equipment/system-kind.ts';
import type { NumericKind } from '../contract/kind.ts';

/** The lower of the supplies that a plate's volts stand for, V: a 208/230 V machine may stand on either. */
const leastVoltsOf = (plate: Plate): number => (plate.volts === '208/230' ? 208 : nominalVoltsOf(plate));

/** What a house may lose between its service and a machine that runs, % of nominal: ANSI C84.1, utilization against service, range A; from memory. */
const LOST_INDOORS_PERCENT = 5;

/**
 * Line volts at the unit while it runs, held against ANSI C84.1: below, its utilization range, since a machine that runs is not read at
 * the service; above, range A; and against the policy's outer limits.
 */
export const lineVolts: NumericKind = {
  type: 'number',
  id: 'line-volts',
  title: 'Line volts',
  component: 'supply',
  unit: 'V',
  plateLine: ({ plate }) => (plate.volts ? `plate ${plate.volts} V` : 'plate volts not known'),
  wear: 'none',
  movedBy: ['the utility and the hour'],
  methods: [
    {
      id: 'meter',
      title: 'meter, unit running',
      stops: ['cooling', 'heating'],
      order: 10,
      points: ({ systemKind }) => (hasOutdoorUnit(systemKind) ? ['whole'] : []),
      inputs: [{ id: 'volts', type: 'number', label: 'Volts', unit: 'V', overLimit: false, probe: 'volts' }],
      evaluate: (inputs) => ({ outcome: 'taken', value: Number(inputs.volts), findings: [], questions: [] }),
      error: (value) => Math.hypot(1, 0.01 * value),
    },
    {
      id: 'air-handler',
      title: 'meter at the air handler',
      stops: ['electric-heat', 'gas-heat', 'cooling-air', 'fan-only'],
      order: 10,
      // Where strips draw their amps, their own volts decide what they should be.
      points: ({ systemKind, plate }) => (hasStrips(systemKind, plate) ? ['air-handler'] : []),
      inputs: [{ id: 'volts', type: 'number', label: 'Volts', unit: 'V', overLimit: false, probe: 'volts' }],
      evaluate: (inputs) => ({ outcome: 'taken', value: Number(inputs.volts), findings: [], questions: [] }),
      error: (value) => Math.hypot(1, 0.01 * value),
    },
  ],
  tells: ({ value }, conditions) => (value === null ? conditions : { ...conditions, lineVolts: value }),
  limits: (about, policy) => {
    const nominal = nominalVoltsOf(about.plate);
    const least = leastVoltsOf(about.plate);
    const { goodPercent, lowShare, highMultiple } = policy.lineVolts;
    return {
      known: true,
      family: 'nominal-volts',
      nominal,
      lower: lowShare * least,
      upper: highMultiple * nominal,
      watchLower: least * (1 - (goodPercent + LOST_INDOORS_PERCENT) / 100),
      watchUpper: nominal * (1 + goodPercent / 100),
    };
  },
  plausible: (about) => {
    return { low: 0.75 * leastVoltsOf(about.plate), high: 1.2 * nominalVoltsOf(about.plate) };
  },
  driftPrior: { meanShare: 0, sdShare: 0.01 },
};
