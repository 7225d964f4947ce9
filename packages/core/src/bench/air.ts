import { airflowFromElectricHeat } from '../trade/air/airflow-from-electric-heat.ts';
import { deliveredCapacity } from '../trade/air/delivered-capacity.ts';
import { LIVE_WORK } from '../round/cautions.ts';
import { sayQuantity } from '../words/figures.ts';
import { altitude, altitudeFtOf, cannotSay, number, plain, type BenchSum } from './contract.ts';

/** Airflow by the rise over heat that was measured. */
export const airflow: BenchSum = {
  id: 'airflow-from-heat',
  title: 'Airflow from heat',
  says: 'CFM from the temperature rise over electric heat, by its measured volts and amps.',
  inputs: [
    number('volts', 'Volts at the heat', 'V', [50, 300]),
    number('amps', 'Amps of the heat', 'A', [1, 150]),
    number('rise', 'Supply less return', '°F', [1, 120]),
    number('blower', 'Blower', 'W', [0, 1500], { optional: true }),
    altitude,
  ],
  work(values) {
    const { number: of } = values;
    const kilowatts = (of('volts') * of('amps')) / 1000;
    const blower = of('blower');
    const found = airflowFromElectricHeat({
      kilowatts,
      riseF: of('rise'),
      blowerWatts: Number.isNaN(blower) ? undefined : blower,
      altitudeFt: altitudeFtOf(values),
    });
    if (found.outcome === 'cannot-say') return cannotSay('Power and rise must be above zero.');
    const watts = plain(kilowatts * 1000 + (Number.isNaN(blower) ? 0 : blower));
    return {
      outcome: 'value',
      result: sayQuantity(found.cfm, 'CFM'),
      formula: `${watts} W × 3.412 ÷ (1.08${Number.isNaN(of('altitude')) ? '' : ', thinner air,'} × ${plain(of('rise'))} °F)`,
      also: [`What ${plain(found.cfm / 400, 2)} tons have at 400 CFM a ton.`],
    };
  },
  cautions: [LIVE_WORK],
  source: '1.08 = 60 min × 0.075 lb/ft³ × 0.24 Btu/(lb °F): ASHRAE Handbook Fundamentals.',
};

/** Cooling that reaches the air. */
export const delivered: BenchSum = {
  id: 'delivered-cooling',
  title: 'Delivered cooling',
  says: 'Btu/h that the coil takes out of the air, by airflow and the air before and after it.',
  inputs: [
    number('cfm', 'Airflow', 'CFM', [50, 5000]),
    number('inDry', 'Return, dry bulb', '°F', [40, 120]),
    number('inWet', 'Return, wet bulb', '°F', [30, 100]),
    number('outDry', 'Supply, dry bulb', '°F', [30, 120]),
    number('outWet', 'Supply, wet bulb', '°F', [25, 100]),
    altitude,
  ],
  work(values) {
    const { number: of } = values;
    const found = deliveredCapacity({
      cfm: of('cfm'),
      entering: { dryBulbF: of('inDry'), wetBulbF: of('inWet') },
      leaving: { dryBulbF: of('outDry'), wetBulbF: of('outWet') },
      altitudeFt: altitudeFtOf(values),
    });
    if (found.outcome === 'cannot-say') return cannotSay('A wet bulb above its dry bulb, or air beyond −40 to 200 °F.');
    return {
      outcome: 'value',
      result: sayQuantity(found.total, 'Btu/h'),
      formula: `4.5${Number.isNaN(of('altitude')) ? '' : ', thinner air,'} × ${plain(of('cfm'))} CFM × ${plain(found.enthalpyDrop, 3)} Btu/lb`,
      also: [
        `${plain(found.total / 12_000, 3)} tons; sensible ${sayQuantity(found.sensible, 'Btu/h')}, ${plain((100 * found.sensible) / found.total, 2)} % of it.`,
      ],
      doubts: found.total <= 0 ? ['No cooling: were the two airs taken for one another?'] : [],
    };
  },
  source: 'Enthalpies by the ASHRAE Handbook Fundamentals, Psychrometrics; 4.5 = 60 min × 0.075 lb/ft³.',
};
