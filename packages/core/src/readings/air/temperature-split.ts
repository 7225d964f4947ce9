import { moistAir } from '../../trade/air/moist-air.ts';
import type { About, Evaluated, Inputs } from '../contract/entry.ts';
import type { Compared, NumericKind } from '../contract/kind.ts';
import type { Limits } from '../../verdict/limits.ts';
import type { Policy } from '../../verdict/policy.ts';
import { whyNotSettled } from './settled-air.ts';
import { supplyDry } from './supply-air.ts';
import { doubtWhen, noBasis, stuck, taken, windowLimits } from '../contract/window.ts';

/** Air leaving a coil is never colder than the coil, and a coil that makes air colder than this ices. Common practice, no source. */
const COLDEST_SUPPLY_F = 38;

function split(inputs: Inputs, { conditions }: About): Evaluated {
  const supplyF = Number(inputs.supplyF);
  const returnF = conditions?.returnF;
  if (returnF === undefined) return stuck('supplyF', 'no-return-air');
  const wetF = inputs.supplyWetF;
  return taken(returnF - supplyF, [
    ...doubtWhen(supplyF >= returnF, 'supply-not-cooled', supplyF, returnF),
    ...doubtWhen(supplyF < COLDEST_SUPPLY_F, 'supply-below-coil', supplyF, COLDEST_SUPPLY_F),
    ...(typeof wetF === 'number' ? doubtWhen(wetF > supplyF, 'wet-supply-above-dry', wetF, supplyF) : []),
  ]);
}

/** The split may be judged only where the return air is of ordinary humidity: humid air gives a smaller one, dry air a larger. */
function limits(about: About, policy: Policy): Limits {
  const { conditions, plate } = about;
  const { air } = policy;
  const unsettled = whyNotSettled(about, policy);
  if (unsettled) return noBasis(unsettled);
  const { returnF, returnWetF } = conditions ?? {};
  if (returnF !== undefined && returnWetF !== undefined) {
    const state = moistAir({ dryBulbF: returnF, wetBulbF: returnWetF }, plate.altitudeFt);
    const ordinary =
      state.outcome === 'value' &&
      state.relativeHumidity >= air.humidityLow &&
      state.relativeHumidity <= air.humidityHigh;
    if (!ordinary) return noBasis('humid-air');
  }
  return windowLimits('split', { lower: air.splitLowF, upper: air.splitHighF });
}

const COMMON_F = 75;
const COMMON_WET_F = 63;
const COMMON_RUNNING_MIN = 15;

/**
 * The split at the common return air. Each °F of wet bulb takes about 0.8 °F off it, since more of the cooling goes into
 * water; each °F of dry bulb adds about 0.5. Off the usual target tables, from memory.
 */
function bring(value: number, { conditions = {} }: About): Compared {
  const { returnF, returnWetF } = conditions;
  if (returnF === undefined || returnWetF === undefined) return { value, error: 2.5, known: false };
  const [wet, dry] = [returnWetF - COMMON_WET_F, returnF - COMMON_F];
  return {
    value: value + 0.8 * wet - 0.5 * dry,
    error: Math.hypot(0.25 * wet, 0.25 * dry),
    known: true,
    weather: { away: wet, sd: 0.25, allowed: true },
  };
}

/** Cooling split, °F: return less supply, both dry bulb, settled. */
export const temperatureSplit: NumericKind = {
  type: 'number',
  id: 'temperature-split',
  title: 'Cooling split',
  component: 'air-side',
  unit: '°F',
  plateLine: ({ conditions }) =>
    conditions?.returnF === undefined ? 'take the return first' : `return ${conditions.returnF} °F`,
  bySpeed: true,
  wear: 'either',
  driftIn: 'unit',
  driftPrior: { meanShare: 0, sdShare: 0.8 },
  likeForLike: {
    words: () => `return air of ${COMMON_F} °F and ${COMMON_WET_F} °F wet bulb`,
    at: () => ({ returnF: COMMON_F, returnWetF: COMMON_WET_F, runningMin: COMMON_RUNNING_MIN }),
    bring,
  },
  movedBy: ['humidity of the return air', 'airflow', 'outdoor temperature', 'how long it has run'],
  methods: [
    {
      id: 'supply',
      title: 'supply, dry and wet bulb',
      stops: ['cooling-air'],
      order: 35,
      points: () => ['whole'],
      inputs: [
        supplyDry,
        {
          id: 'supplyWetF',
          type: 'number',
          label: 'Supply, wet bulb',
          unit: '°F',
          overLimit: false,
          optional: true,
          probe: 'psychrometer',
        },
      ],
      evaluate: split,
      error: () => 1,
    },
  ],
  tells: ({ inputs }, conditions) => ({
    ...conditions,
    ...(typeof inputs.supplyF === 'number' ? { supplyF: inputs.supplyF } : {}),
    ...(typeof inputs.supplyWetF === 'number' ? { supplyWetF: inputs.supplyWetF } : {}),
  }),
  limits,
  plausible: () => ({ low: 2, high: 35 }),
};
