import { hasStrips } from '../../equipment/component.ts';
import { airflowFromElectricHeat } from '../../trade/air/airflow-from-electric-heat.ts';
import type { About, Evaluated } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import { noBasis, stuck, taken, windowLimits } from '../contract/window.ts';

function overElectricHeat(_inputs: unknown, { conditions = {}, plate }: About): Evaluated {
  const { heatAmps, lineVolts, supplyF, returnF } = conditions;
  if (heatAmps === undefined || lineVolts === undefined) return stuck('', 'no-heat-amps');
  if (returnF === undefined) return stuck('', 'no-return-air');
  if (supplyF === undefined) return stuck('', 'no-supply-air');
  const air = airflowFromElectricHeat({
    kilowatts: (heatAmps * lineVolts) / 1000,
    riseF: supplyF - returnF,
    altitudeFt: plate.altitudeFt,
  });
  return air.outcome === 'value' ? taken(air.cfm) : stuck('', 'no-rise');
}

/** Airflow, CFM, worked out from the electric heat's measured power and its rise: nothing more to type. */
export const airflow: NumericKind = {
  type: 'number',
  id: 'airflow',
  title: 'Airflow',
  component: 'air-side',
  unit: 'CFM',
  plateLine: ({ plate }) => (plate.tons === undefined ? 'no tons on the plate' : `${plate.tons} tons`),
  wear: 'falls',
  movedBy: ['filter and duct', 'speed tap', 'the error of a small rise'],
  methods: [
    {
      id: 'electric-heat',
      title: 'from the electric heat’s power and rise',
      stops: ['electric-heat'],
      order: 40,
      points: ({ systemKind, plate }) => (hasStrips(systemKind, plate) ? ['whole'] : []),
      inputs: [],
      evaluate: overElectricHeat,
      error: (value) => 0.07 * value,
    },
  ],
  tells: ({ value }, conditions) => (value === null ? conditions : { ...conditions, airflowCfm: value }),
  limits: ({ plate }, { air }) => {
    if (plate.tons === undefined) return noBasis('nominal-tons');
    const [lower, upper] = [air.cfmPerTonLow * plate.tons, air.cfmPerTonHigh * plate.tons];
    // The window is of cooling; a heat tap may run below it, so only far outside is acted on.
    return windowLimits('airflow', { lower: 0.85 * lower, upper: 1.15 * upper, watchLower: lower, watchUpper: upper });
  },
  plausible: ({ plate }) =>
    plate.tons === undefined ? { low: 200, high: 3000 } : { low: 150 * plate.tons, high: 700 * plate.tons },
  driftPrior: { meanShare: -0.005, sdShare: 0.03 },
};
