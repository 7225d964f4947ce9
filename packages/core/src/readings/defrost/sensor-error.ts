import type { Plate } from '../../equipment/plate.ts';
import { SENSOR_CURVES } from '../../equipment/sensor-curves.ts';
import { sensorsApart } from '../../trade/sensors/sensors-apart.ts';
import { thermistorTemperature, type Thermistor } from '../../trade/sensors/thermistor-temperature.ts';
import type { Finding } from '../../verdict/findings.ts';
import type { About, Evaluated, Inputs } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import { found, noBasis, perhapsKilohms, taken, windowLimits } from '../contract/window.ts';

/** The curve of a system's sensors: a chart typed in, else R25 and beta, else a usual one by its name; null when none is on record. */
export function thermistorOf(plate: Plate): Thermistor | null {
  if (plate.sensorChart && plate.sensorChart.length > 1) return { chart: plate.sensorChart };
  if (plate.sensorR25 !== undefined && plate.sensorBeta !== undefined)
    return { r25: plate.sensorR25, beta: plate.sensorBeta };
  return plate.sensorCurve === undefined ? null : SENSOR_CURVES[plate.sensorCurve];
}

/** Sensors of one machine farther apart than this, off and settled in the same air, differ, °F. Common practice, no source. */
const ALIKE_WITHIN_F = 5;
/** Where neither beta nor air is on record: what is usual. */
const USUAL = { beta: 3950, airF: 60 };

/** How two like sensors of one machine compare by their ohms; nothing when only one was read. */
function besideTheOther(ohms: number, { plate, conditions = {} }: About): Finding[] {
  const { sensorOhms, outdoorF } = conditions;
  if (sensorOhms === undefined) return [];
  const apart = sensorsApart(ohms, sensorOhms, { beta: plate.sensorBeta ?? USUAL.beta, airF: outdoorF ?? USUAL.airF });
  return [Math.abs(apart) > ALIKE_WITHIN_F ? 'sensors-differ' : 'sensors-alike'];
}

/** What sensors of 2 to 100 kΩ at 77 °F have, Ω; from memory. */
const SENSORS_HAVE = { low: 300, high: 400_000 };

function evaluate(inputs: Inputs, about: About): Evaluated {
  if (inputs.ohms === 'OL') return found('open');
  if (inputs.ohms === 'jumps') return found('jumps');
  const ohms = Number(inputs.ohms);
  if (ohms === 0) return found('shorted');
  const { plate, conditions = {} } = about;
  const compared = besideTheOther(ohms, about);
  const thermistor = thermistorOf(plate);
  const read = thermistor && thermistorTemperature(ohms, thermistor);
  // What was measured is kept, whether or not a temperature can be made of it.
  const asked = perhapsKilohms('ohms', ohms, SENSORS_HAVE);
  if (read?.outcome !== 'value' || conditions.outdoorF === undefined)
    return found([...compared, 'sensor-ohms-kept'], asked);
  return taken(read.fahrenheit - conditions.outdoorF, [], compared);
}

/** A coil that takes heat from the air is colder than it by at least so much, °F. Common practice, no source. */
const COLDER_BY_F = 3;
/** Running in heating for so long the coil has settled, min. From memory. */
const COLD_AFTER_MIN = 5;

/** Whether the coil's sensor is colder than the air, by its curve, else by the ohms of the other one; null when it cannot be said. */
function colderBy({ runningOhms, airOhms }: Inputs, { plate, conditions: { outdoorF } = {} }: About): number | null {
  const thermistor = thermistorOf(plate);
  const read = thermistor && thermistorTemperature(Number(runningOhms), thermistor);
  if (read?.outcome === 'value' && outdoorF !== undefined) return outdoorF - read.fahrenheit;
  if (typeof airOhms !== 'number' || airOhms <= 0) return null;
  const { beta, airF } = USUAL;
  return sensorsApart(Number(runningOhms), airOhms, { beta: plate.sensorBeta ?? beta, airF: outdoorF ?? airF });
}

function evaluateRunning(inputs: Inputs, about: About): Evaluated {
  const { runningOhms } = inputs;
  if (runningOhms === 'OL') return found('open');
  if (runningOhms === 'jumps') return found('jumps');
  if (Number(runningOhms) === 0) return found('shorted');
  const { runningMin } = about.conditions ?? {};
  if (runningMin !== undefined && runningMin < COLD_AFTER_MIN) return found('just-started');
  const colder = colderBy(inputs, about);
  if (colder === null) return found('sensor-ohms-kept');
  return found(colder >= COLDER_BY_F ? 'coil-sensor-colder' : 'coil-sensor-not-colder');
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
  tells: ({ inputs }, conditions) =>
    typeof inputs.ohms === 'number' ? { ...conditions, sensorOhms: inputs.ohms } : conditions,
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
      // By the thermistor equation 1 % of ohms is about 0.45 °F near 70 °F, and more ohms say colder.
      meters: [{ of: 'ohms', adds: -45 }],
    },
    {
      id: 'heating',
      title: 'ohms, unplugged while it heats',
      stops: ['heating'],
      order: 95,
      optional: true,
      // It says where the sensor sits and that it follows, not how far it is off.
      settles: false,
      points: ({ component: { slot } }) => (slot === 'coil-sensor' ? ['whole'] : []),
      inputs: [
        { id: 'runningOhms', type: 'number', label: 'Coil sensor', unit: 'Ω', overLimit: true, jumps: true },
        { id: 'airOhms', type: 'number', label: 'Outdoor sensor', unit: 'Ω', overLimit: false, optional: true },
      ],
      evaluate: evaluateRunning,
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
