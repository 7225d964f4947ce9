import { superheat as superheatOf, targetSuperheat } from '../../trade/refrigerant/superheat.ts';
import type { Policy } from '../../verdict/policy.ts';
import type { Conditions } from '../contract/conditions.ts';
import type { About, Evaluated, Inputs } from '../contract/entry.ts';
import type { Compared, NumericKind } from '../contract/kind.ts';
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
  const read = superheatOf({
    refrigerant: refrigerant.name,
    psig: Number(inputs.psig),
    lineFahrenheit: lineF,
    altitudeFt: about.plate.altitudeFt,
    tables: about.tables,
  });
  if (read.outcome === 'cannot-say') return stuck('psig', 'outside-saturation');
  // Half a degree of grace: two instruments never agree to the tenth.
  return taken(read.degrees, doubtWhen(read.degrees < -0.5, 'suction-below-evaporating', lineF, read.saturation));
}

/** The outer share of a valve's range that is watched, and from which share of its tolerance a target is. Common practice, no source. */
const WATCH_SHARE = 0.15;
const WATCH_FROM = 0.7;

function targetOf({ conditions = {} }: About): number | 'wet-bulb' | 'low-target' {
  const { returnWetF, outdoorF, returnF } = conditions;
  if (returnWetF === undefined || outdoorF === undefined) return 'wet-bulb';
  const target = targetSuperheat({ indoorWetBulb: returnWetF, outdoorDryBulb: outdoorF, indoorDryBulb: returnF });
  return target.outcome === 'value' ? target.degrees : 'low-target';
}

function limits(about: About, policy: Policy): Limits {
  const doubt = whyNotCounted(about, policy);
  if (doubt) return noBasis(doubt);
  const { superheatToleranceF: off, valveSuperheatLowF, valveSuperheatHighF } = policy.refrigerant;
  if (about.plate.metering === undefined) return noBasis('metering');
  if (about.plate.metering === 'expansion-valve') {
    const edge = WATCH_SHARE * (valveSuperheatHighF - valveSuperheatLowF);
    return windowLimits('superheat', {
      lower: valveSuperheatLowF,
      upper: valveSuperheatHighF,
      watchLower: valveSuperheatLowF + edge,
      watchUpper: valveSuperheatHighF - edge,
    });
  }
  const target = targetOf(about);
  return typeof target === 'string'
    ? noBasis(target)
    : windowLimits('target-superheat', {
        nominal: target,
        lower: target - off,
        upper: target + off,
        watchLower: target - WATCH_FROM * off,
        watchUpper: target + WATCH_FROM * off,
      });
}

const COMMON: Conditions = { outdoorF: 85, returnF: 75, returnWetF: 63 };

/** By how much fixed orifices differ for each °F outdoors, beside what the target has of it. From memory. */
const OWN_ANSWER = 0.08;

/** Followed as its distance from the target of the day, and shown as it would be on a common one. */
function bring(value: number, about: About): Compared {
  // Pressures taken too soon, or while something else is wrong, say little of the charge.
  const doubt = about.conditions?.chargeDoubt === undefined ? 0 : 6;
  if (about.plate.metering !== 'fixed-orifice') return { value, error: doubt, known: doubt === 0 };
  const [then, common] = [targetOf(about), targetOf({ ...about, conditions: COMMON })];
  if (typeof then !== 'number' || typeof common !== 'number')
    return { value, error: Math.hypot(doubt, 5), known: false };
  const brought = { value: value - then + common, error: doubt, known: doubt === 0 };
  const outdoorF = about.conditions?.outdoorF;
  if (outdoorF === undefined || COMMON.outdoorF === undefined) return brought;
  return { ...brought, weather: { away: outdoorF - COMMON.outdoorF, sd: OWN_ANSWER, allowed: false } };
}

/** Superheat, °F: suction line temperature less the dew point at suction pressure. */
export const superheat: NumericKind = {
  type: 'number',
  id: 'superheat',
  title: 'Superheat',
  component: 'refrigerant-circuit',
  unit: '°F',
  plateLine: (about) => {
    const target = about.plate.metering === 'fixed-orifice' ? targetOf(about) : null;
    const wanted = typeof target === 'number' ? `, target ${target.toFixed(0)} °F` : '';
    return `${refrigerantLine(about)}${wanted}`;
  },
  bySpeed: true,
  wear: 'either',
  driftIn: 'unit',
  driftPrior: { meanShare: 0, sdShare: 1 },
  likeForLike: {
    words: () => `${COMMON.outdoorF} °F outdoors and ${COMMON.returnWetF} °F wet bulb indoors`,
    at: () => COMMON,
    bring,
  },
  movedBy: ['indoor wet bulb and outdoor air', 'airflow', 'running time'],
  methods: [
    {
      id: 'gauges',
      title: 'suction gauge and pipe clamp',
      stops: ['cooling'],
      order: 75,
      points: () => ['suction'],
      inputs: gaugeAndClamp('Suction'),
      evaluate,
      error: () => 1.5,
      meters: [
        { of: 'pipe', adds: 1 },
        { of: 'saturation', adds: -1 },
      ],
    },
  ],
  needs: lacksRefrigerant,
  limits,
  plausible: () => ({ low: -2, high: 60 }),
};
