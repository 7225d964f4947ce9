import { heatElementsOf, heatVoltsOf } from '../../equipment/plate.ts';
import { heaterResistance } from '../../trade/electric-heat/heater.ts';
import { ELEMENTS } from './heater-amps.ts';
import type { About } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import { around, found, noBasis, taken } from '../contract/window.ts';

function ratedOhms({ plate }: About): number | null {
  if (plate.heatKilowatts === undefined) return null;
  const kilowatts = plate.heatKilowatts / heatElementsOf(plate);
  const ohms = heaterResistance({ kilowatts, ratedVolts: heatVoltsOf(plate) });
  return ohms.outcome === 'value' ? ohms.value : null;
}

/** Resistance of each heating element, Ω, wires isolated: R = V²/P (Ohm's law). */
export const elementOhms: NumericKind = {
  type: 'number',
  id: 'element-ohms',
  title: 'Element resistance',
  component: 'electric-heat',
  unit: 'Ω',
  plateLine: (about) => {
    const ohms = ratedOhms(about);
    return ohms === null ? 'no kW on the plate' : `${ohms.toFixed(1)} Ω by the plate`;
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
    return ohms === null ? noBasis('heat-rating') : around('element-ohms', ohms, policy.electricHeat.tolerancePercent);
  },
  plausible: (about) => {
    const ohms = ratedOhms(about);
    return ohms === null ? { low: 2, high: 200 } : { low: 0.2 * ohms, high: 4 * ohms };
  },
  driftPrior: { meanShare: 0.001, sdShare: 0.006 },
};
