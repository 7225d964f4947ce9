import type { Plate } from '../../equipment/plate.ts';
import { thermistorTemperature, type Thermistor } from '../../trade/sensors/thermistor-temperature.ts';
import type { About, Evaluated, Inputs } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import { found, noBasis, stuck, taken, windowLimits } from '../contract/window.ts';

/** The curve of a system's sensors: a chart typed in, else R25 and beta; null when neither is on record. */
export function thermistorOf(plate: Plate): Thermistor | null {
  if (plate.sensorChart && plate.sensorChart.length > 1) return { chart: plate.sensorChart };
  if (plate.sensorR25 === undefined || plate.sensorBeta === undefined) return null;
  return { r25: plate.sensorR25, beta: plate.sensorBeta };
}

function evaluate(inputs: Inputs, { plate, conditions }: About): Evaluated {
  if (inputs.ohms === 'OL') return found('open');
  if (inputs.ohms === 'jumps') return found('jumps');
  const thermistor = thermistorOf(plate);
  if (!thermistor) return stuck('ohms', 'no-sensor-curve');
  if (conditions?.outdoorF === undefined) return stuck('ohms', 'no-outdoor-air');
  if (Number(inputs.ohms) === 0) return found('shorted');
  const read = thermistorTemperature(Number(inputs.ohms), thermistor);
  return read.outcome === 'value'
    ? taken(read.fahrenheit - conditions.outdoorF)
    : stuck('ohms', 'outside-sensor-curve');
}

/** A sensor's error, °F: what its ohms say less the air it hangs in, unit off and settled. */
export const sensorError: NumericKind = {
  type: 'number',
  id: 'sensor-error',
  title: 'error',
  component: 'temperature-sensor',
  unit: '°F',
  plateLine: ({ plate }) => {
    const thermistor = thermistorOf(plate);
    if (!thermistor) return 'no curve on record';
    return 'chart' in thermistor ? 'by its chart' : `R25 ${thermistor.r25} Ω, beta ${thermistor.beta}`;
  },
  wear: 'either',
  driftIn: 'unit',
  driftPrior: { meanShare: 0, sdShare: 0.4 },
  movedBy: ['sun on it', 'not settled after running'],
  methods: [
    {
      id: 'ohms',
      title: 'ohms, unplugged, off and settled',
      stops: ['off-outdoor'],
      order: 50,
      points: () => ['whole'],
      inputs: [{ id: 'ohms', type: 'number', label: 'Ohms', unit: 'Ω', overLimit: true, jumps: true, probe: 'ohms' }],
      evaluate,
      error: () => 1.5,
    },
  ],
  limits: ({ plate }, { defrost }) =>
    thermistorOf(plate) === null
      ? noBasis('sensor-curve')
      : windowLimits('sensor-error', {
          nominal: 0,
          lower: -defrost.sensorErrorF,
          upper: defrost.sensorErrorF,
          watchLower: -0.6 * defrost.sensorErrorF,
          watchUpper: 0.6 * defrost.sensorErrorF,
        }),
  plausible: () => ({ low: -25, high: 25 }),
};
