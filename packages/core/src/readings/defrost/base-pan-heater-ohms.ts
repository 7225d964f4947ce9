import { nominalVoltsOf } from '../../equipment/plate.ts';
import { heaterResistance } from '../../trade/electric-heat/heater.ts';
import type { About } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import { found, noBasis, perhapsKilohms, taken, windowLimits } from '../contract/window.ts';

function ratedOhms({ plate }: About): number | null {
  if (plate.panHeaterWatts === undefined) return null;
  const ohms = heaterResistance({ kilowatts: plate.panHeaterWatts / 1000, ratedVolts: nominalVoltsOf(plate) });
  return ohms.outcome === 'value' ? ohms.value : null;
}

/** Hundreds of ohms are sound where its watts are not known, Ω: 50 to 500 W at 240 V. Common practice, no source. */
const USUAL = { nominal: 350, lower: 80, watchLower: 110, watchUpper: 950, upper: 1000 } as const;

/** What such heaters have, hot or cold, Ω. Common practice, no source. */
const ASKED_WITHIN = { low: 50, high: 3000 };

/** Above this a heater has gone open for all purposes, Ω. Common practice, no source. */
const AS_GOOD_AS_OPEN = 5000;

/** Resistance of the base pan heater, Ω: R = V²/P; and from it to ground, where only OL is sound. */
export const basePanHeaterOhms: NumericKind = {
  type: 'number',
  id: 'base-pan-heater-ohms',
  title: 'Base pan heater',
  component: 'base-pan-heater',
  unit: 'Ω',
  plateLine: (about) => {
    if (about.point === 'ground') return 'OL and nothing else';
    const ohms = ratedOhms(about);
    return ohms === null ? 'no watts on the plate' : `${ohms.toFixed(0)} Ω by its watts`;
  },
  wear: 'none',
  movedBy: ['whether it is warm'],
  methods: [
    {
      id: 'ohms',
      title: 'ohms, unplugged',
      stops: ['off-outdoor'],
      order: 60,
      points: () => ['whole'],
      inputs: [{ id: 'ohms', type: 'number', label: 'Ohms', unit: 'Ω', overLimit: true, probe: 'ohms' }],
      evaluate: (inputs) => {
        if (inputs.ohms === 'OL' || Number(inputs.ohms) > AS_GOOD_AS_OPEN) return found('open');
        const ohms = Number(inputs.ohms);
        return ohms < 1 ? found('shorted', perhapsKilohms('ohms', ohms, ASKED_WITHIN)) : taken(ohms);
      },
      error: (value) => 0.015 * value + 1,
    },
    {
      id: 'to-ground',
      title: 'either wire to ground',
      stops: ['off-outdoor'],
      order: 61,
      points: () => ['ground'],
      usual: () => ({ ohms: 'OL' }),
      inputs: [{ id: 'ohms', type: 'number', label: 'Ohms', unit: 'Ω', overLimit: true, probe: 'ohms' }],
      evaluate: (inputs) => found(inputs.ohms === 'OL' ? 'nothing' : 'grounded'),
      error: () => 0,
    },
  ],
  limits: (about) => {
    if (about.point === 'ground') return noBasis('no-limit');
    const ohms = ratedOhms(about);
    return ohms === null
      ? windowLimits('pan-heater-usual', USUAL)
      : windowLimits('pan-heater', { nominal: ohms, lower: 0.8 * ohms, upper: 1.25 * ohms });
  },
  plausible: (about) => {
    const ohms = ratedOhms(about);
    return ohms === null ? ASKED_WITHIN : { low: 0.3 * ohms, high: 4 * ohms };
  },
  driftPrior: { meanShare: 0, sdShare: 0.01 },
};
