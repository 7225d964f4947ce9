import { moistAir } from '../../trade/air/moist-air.ts';
import type { Inputs } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import { doubtWhen, noBasis, stuck, taken, unworn } from '../contract/window.ts';

const dry = {
  id: 'dryF',
  type: 'number',
  label: 'Dry bulb',
  unit: '°F',
  overLimit: false,
  probe: 'psychrometer',
} as const;

function byWetBulb(inputs: Inputs) {
  const [dryF, wetF] = [Number(inputs.dryF), Number(inputs.wetF)];
  return taken(dryF, doubtWhen(wetF > dryF, 'wet-above-dry', wetF, dryF));
}

/** The wet bulb of what was entered, °F; undefined when it cannot be said. */
function wetBulbOf(inputs: Inputs, altitudeFt: number | undefined): number | undefined {
  if (typeof inputs.wetF === 'number') return inputs.wetF;
  const [dryF, percent] = [inputs.dryF, inputs.percent];
  if (typeof dryF !== 'number' || typeof percent !== 'number') return undefined;
  const air = moistAir({ dryBulbF: dryF, relativeHumidity: percent }, altitudeFt);
  return air.outcome === 'value' ? air.wetBulbF : undefined;
}

/** Return air, °F dry bulb, with its wet bulb or humidity: what target superheat, split and capacity rest on. */
export const returnAir: NumericKind = {
  type: 'number',
  id: 'return-air',
  title: 'Return air',
  component: 'air-side',
  unit: '°F',
  plateLine: () => 'probe in the return stream, settled',
  ...unworn,
  movedBy: ['the weather and the house'],
  methods: [
    {
      id: 'wet-bulb',
      title: 'dry and wet bulb',
      stops: ['cooling-air'],
      order: 30,
      points: () => ['whole'],
      inputs: [
        dry,
        { id: 'wetF', type: 'number', label: 'Wet bulb', unit: '°F', overLimit: false, probe: 'psychrometer' },
      ],
      evaluate: byWetBulb,
      error: () => 0.7,
    },
    {
      id: 'humidity',
      title: 'dry bulb and humidity',
      stops: ['cooling-air'],
      order: 31,
      optional: true,
      points: () => ['whole'],
      inputs: [
        dry,
        {
          id: 'percent',
          type: 'number',
          label: 'Relative humidity',
          unit: '%',
          overLimit: false,
          probe: 'psychrometer',
        },
      ],
      evaluate: (inputs, about) =>
        wetBulbOf(inputs, about.plate.altitudeFt) === undefined
          ? stuck('percent', 'air-out-of-range')
          : taken(Number(inputs.dryF)),
      error: () => 0.7,
    },
    {
      id: 'dry-bulb',
      title: 'dry bulb',
      stops: ['electric-heat', 'gas-heat'],
      order: 30,
      points: () => ['whole'],
      inputs: [dry],
      evaluate: (inputs) => taken(Number(inputs.dryF)),
      error: () => 0.7,
    },
  ],
  tells: ({ inputs, value, altitudeFt }, conditions) => {
    const wetF = wetBulbOf(inputs, altitudeFt);
    return {
      ...conditions,
      ...(value === null ? {} : { returnF: value }),
      ...(wetF === undefined ? {} : { returnWetF: Number(wetF.toFixed(1)) }),
    };
  },
  limits: () => noBasis('no-limit'),
  plausible: () => ({ low: 50, high: 95 }),
};
