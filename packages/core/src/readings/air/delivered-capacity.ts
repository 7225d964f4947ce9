import { deliveredCapacity as capacityOf } from '../../trade/air/delivered-capacity.ts';
import type { About, Evaluated } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import { whyNotSettled } from './settled-air.ts';
import { noBasis, stuck, taken, unworn, windowLimits } from '../contract/window.ts';

/** Btu/h in a ton of cooling. */
const BTUH_A_TON = 12_000;
const USUAL_CFM_A_TON = 400;

function overTheCoil(_inputs: unknown, { conditions = {}, plate }: About): Evaluated {
  const { returnF, returnWetF, supplyF, supplyWetF, airflowCfm } = conditions;
  if (returnF === undefined || returnWetF === undefined) return stuck('', 'no-return-air');
  if (supplyF === undefined || supplyWetF === undefined) return stuck('', 'no-supply-air');
  const cfm = airflowCfm ?? (plate.tons === undefined ? undefined : USUAL_CFM_A_TON * plate.tons);
  if (cfm === undefined) return stuck('', 'no-airflow');
  const capacity = capacityOf({
    cfm,
    entering: { dryBulbF: returnF, wetBulbF: returnWetF },
    leaving: { dryBulbF: supplyF, wetBulbF: supplyWetF },
    altitudeFt: plate.altitudeFt,
  });
  return capacity.outcome === 'value' ? taken(capacity.total) : stuck('', 'air-out-of-range');
}

/** Cooling that reaches the air, Btu/h, from both airs of this visit: nothing more to type. */
export const deliveredCapacity: NumericKind = {
  type: 'number',
  id: 'delivered-capacity',
  title: 'Delivered cooling',
  component: 'air-side',
  unit: 'Btu/h',
  plateLine: ({ plate, conditions }) =>
    plate.tons === undefined
      ? 'no tons on the plate'
      : `${plate.tons} tons${conditions?.airflowCfm === undefined ? ', at 400 CFM a ton' : ''}`,
  bySpeed: true,
  ...unworn,
  movedBy: ['indoor and outdoor air', 'airflow, when it was not measured'],
  methods: [
    {
      id: 'enthalpy',
      title: 'from both airs, by enthalpy',
      stops: ['cooling-air'],
      order: 40,
      points: () => ['whole'],
      inputs: [],
      evaluate: overTheCoil,
      error: (value) => 0.12 * Math.abs(value),
    },
  ],
  limits: (about, policy) => {
    const [{ plate }, { air }] = [about, policy];
    const unsettled = whyNotSettled(about, policy);
    if (unsettled) return noBasis(unsettled);
    return plate.tons === undefined
      ? noBasis('nominal-tons')
      : windowLimits('capacity', {
          nominal: plate.tons * BTUH_A_TON,
          lower: 0.8 * air.capacityShare * plate.tons * BTUH_A_TON,
          watchLower: air.capacityShare * plate.tons * BTUH_A_TON,
        });
  },
  plausible: ({ plate }) => ({ low: -20_000, high: 1.6 * (plate.tons ?? 5) * BTUH_A_TON }),
};
