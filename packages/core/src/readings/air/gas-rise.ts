import type { NumericKind } from '../contract/kind.ts';
import { whyNotSettled } from './settled-air.ts';
import { rise, supplyDry } from './supply-air.ts';
import { noBasis, unworn, windowLimits } from '../contract/window.ts';

/** A gas furnace's temperature rise, °F: it must lie inside the range on its plate. */
export const gasRise: NumericKind = {
  type: 'number',
  id: 'gas-rise',
  title: 'Temperature rise',
  component: 'gas-heat',
  unit: '°F',
  plateLine: ({ plate }) =>
    plate.gasRiseLowF === undefined || plate.gasRiseHighF === undefined
      ? 'no rise range on the plate'
      : `plate ${plate.gasRiseLowF} to ${plate.gasRiseHighF} °F`,
  ...unworn,
  movedBy: ['airflow: filter, wheel, duct', 'gas input', 'how long it has run'],
  methods: [
    {
      id: 'supply',
      title: 'supply probe out of sight of the heat exchanger',
      stops: ['gas-heat'],
      order: 35,
      points: () => ['whole'],
      inputs: [supplyDry],
      evaluate: rise,
      error: () => 1.5,
    },
  ],
  limits: (about, policy) => {
    const { plate } = about;
    const unsettled = whyNotSettled(about, policy);
    if (unsettled) return noBasis(unsettled);
    const { gasRiseLowF: lower, gasRiseHighF: upper } = plate;
    if (lower === undefined || upper === undefined || upper <= lower) return noBasis('gas-rise-range');
    const edge = 0.1 * (upper - lower);
    return windowLimits('gas-rise', { lower, upper, watchLower: lower + edge, watchUpper: upper - edge });
  },
  plausible: () => ({ low: 10, high: 120 }),
};
