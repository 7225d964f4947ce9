import { subcooling as subcoolingOf } from '../../trade/refrigerant/superheat.ts';
import type { Policy } from '../../verdict/policy.ts';
import type { About, Evaluated, Inputs } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import type { Limits } from '../../verdict/limits.ts';
import {
  gaugeAndClamp,
  lacksRefrigerant,
  refrigerantLine,
  refrigerantOf,
  whyNotCounted,
} from './refrigerant-circuit.ts';
import { doubtWhen, noBasis, stuck, taken, windowLimits } from '../contract/window.ts';

function evaluate(inputs: Inputs, about: About): Evaluated {
  const refrigerant = refrigerantOf(about);
  if ('snag' in refrigerant) return stuck('psig', refrigerant.snag);
  const lineF = Number(inputs.lineF);
  const read = subcoolingOf({
    refrigerant: refrigerant.name,
    psig: Number(inputs.psig),
    lineFahrenheit: lineF,
    altitudeFt: about.plate.altitudeFt,
    tables: about.tables,
  });
  if (read.outcome === 'cannot-say') return stuck('psig', 'outside-saturation');
  return taken(read.degrees, doubtWhen(read.degrees < 0, 'liquid-above-condensing', lineF, read.saturation));
}

function limits(about: About, policy: Policy): Limits {
  const doubt = whyNotCounted(about, policy);
  if (doubt) return noBasis(doubt);
  // A fixed orifice is charged by superheat; its subcooling is whatever the weather makes it.
  if (about.plate.metering === 'fixed-orifice') return noBasis('by-superheat');
  const { subcoolingToleranceF: off, usualSubcoolingLowF, usualSubcoolingHighF } = policy.refrigerant;
  const target = about.plate.targetSubcoolingF;
  // Only a valve is charged by subcooling; a plate that names a target has one.
  if (about.plate.metering === undefined && target === undefined) return noBasis('metering');
  return target === undefined
    ? windowLimits('usual-subcooling', { lower: usualSubcoolingLowF, upper: usualSubcoolingHighF })
    : windowLimits('subcooling', { nominal: target, lower: target - off, upper: target + off });
}

/** Outdoor air that machines are compared at, °F, and by how much they differ for each °F of it. From memory. */
const COMMON_F = 85;
const OWN_ANSWER = 0.06;

/** Subcooling, °F: the bubble point at liquid pressure less the liquid line temperature. */
export const subcooling: NumericKind = {
  type: 'number',
  id: 'subcooling',
  title: 'Subcooling',
  component: 'refrigerant-circuit',
  unit: '°F',
  plateLine: (about) => {
    const target = about.plate.targetSubcoolingF;
    return `${refrigerantLine(about)}${target === undefined ? '' : `, plate ${target} °F`}`;
  },
  bySpeed: true,
  wear: 'either',
  driftIn: 'unit',
  driftPrior: { meanShare: 0, sdShare: 1 },
  likeForLike: {
    words: () => 'a charge check that counts',
    at: () => ({}),
    // The target is the plate's own, whatever the weather; a check that does not count says little.
    bring: (value, { conditions = {} }) => {
      const counts = conditions.chargeDoubt === undefined;
      const { outdoorF } = conditions;
      const weather =
        outdoorF === undefined ? undefined : { away: outdoorF - COMMON_F, sd: OWN_ANSWER, allowed: false };
      return { value, error: counts ? 0 : 5, known: counts, weather };
    },
  },
  movedBy: ['outdoor air', 'running time', 'a dirty outdoor coil'],
  methods: [
    {
      id: 'gauges',
      title: 'liquid gauge and pipe clamp',
      stops: ['cooling'],
      order: 80,
      points: () => ['liquid'],
      inputs: gaugeAndClamp('Liquid'),
      evaluate,
      error: () => 1.5,
      meters: [
        { of: 'saturation', adds: 1 },
        { of: 'pipe', adds: -1 },
      ],
    },
  ],
  needs: lacksRefrigerant,
  limits,
  plausible: () => ({ low: -1, high: 40 }),
};
