import { heatElementsOf, heatKilowattsOf, heatVoltsOf } from '../../equipment/plate.ts';
import { heaterResistance } from '../../trade/electric-heat/heater.ts';
import { ELEMENTS } from './heater-amps.ts';
import type { About } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import { around, found, noBasis, taken } from '../contract/window.ts';

function ratedOhms({ plate }: About): number | null {
  const all = heatKilowattsOf(plate);
  if (all === undefined) return null;
  const kilowatts = all / heatElementsOf(plate);
  const ohms = heaterResistance({ kilowatts, ratedVolts: heatVoltsOf(plate) });
  return ohms.outcome === 'value' ? ohms.value : null;
}

/** A heater has so many elements at most. */
const MOST_ELEMENTS = 6;

/** Resistance of each heating element, Ω, wires isolated: R = V²/P (Ohm's law). */
export const elementOhms: NumericKind = {
  type: 'number',
  id: 'element-ohms',
  title: 'Element resistance',
  component: 'electric-heat',
  unit: 'Ω',
  plateLine: (about) => {
    const ohms = ratedOhms(about);
    if (ohms === null) return 'no kW on the plate';
    const { heatElements } = about.plate;
    return heatElements === undefined ? 'number of elements not noted' : `${ohms.toFixed(1)} Ω by the plate`;
  },
  wear: 'rises',
  movedBy: ['whether it has cooled down', 'wires not isolated'],
  methods: [
    {
      id: 'ohms',
      title: 'ohms, wires isolated',
      stops: ['off-indoor'],
      order: 30,
      // The amps have said most of it: ohms settle a doubt.
      optional: true,
      points: ({ plate }) => ELEMENTS.slice(0, heatElementsOf(plate)),
      inputs: [{ id: 'ohms', type: 'number', label: 'Ohms', unit: 'Ω', overLimit: true, probe: 'ohms' }],
      evaluate: (inputs) => (inputs.ohms === 'OL' ? found('open') : taken(Number(inputs.ohms))),
      error: (value) => Math.hypot(0.1, 0.015 * value),
    },
  ],
  limits: (about, policy) => {
    const ohms = ratedOhms(about);
    if (ohms === null) return noBasis('heat-rating');
    // The kW of one are not known before their number is.
    if (about.plate.heatElements === undefined) return noBasis('heat-elements');
    return around('element-ohms', ohms, policy.electricHeat.tolerancePercent);
  },
  plausible: (about) => {
    const ohms = ratedOhms(about);
    return ohms === null
      ? { low: 2, high: 200 }
      : { low: 0.2 * ohms, high: (about.plate.heatElements === undefined ? MOST_ELEMENTS : 4) * ohms };
  },
  driftPrior: { meanShare: 0.001, sdShare: 0.006 },
};
