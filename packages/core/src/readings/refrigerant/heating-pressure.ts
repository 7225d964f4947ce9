import { isHeatPump } from '../../equipment/system-kind.ts';
import { heatingChart } from '../../trade/refrigerant/heating-chart.ts';
import type { About } from '../contract/entry.ts';
import type { NumericKind } from '../contract/kind.ts';
import type { Limits } from '../../verdict/limits.ts';
import type { Policy } from '../../verdict/policy.ts';
import { refrigerantLine, whyNotCounted } from './refrigerant-circuit.ts';
import { around, noBasis, taken, unworn } from '../contract/window.ts';

/** What the manufacturer's chart gives at this weather, psig, or why it gives nothing. */
function chartPsig({ plate, point, conditions }: About): number | 'heating-chart' | 'inside-chart' {
  const points = (plate.heatingChart ?? []).flatMap((p) => {
    const psig = point === 'suction' ? p.suctionPsig : p.liquidPsig;
    return psig === undefined ? [] : [{ outdoorF: p.outdoorF, psig }];
  });
  if (points.length < 2 || conditions?.outdoorF === undefined) return 'heating-chart';
  const read = heatingChart(points, conditions.outdoorF);
  return read.outcome === 'value' ? read.psig : 'inside-chart';
}

function limits(about: About, policy: Policy): Limits {
  const chart = chartPsig(about);
  if (typeof chart === 'string') return noBasis(chart);
  const doubt = whyNotCounted(about, policy);
  return doubt ? noBasis(doubt) : around('heating-chart', chart, policy.refrigerant.chartPercent);
}

/** Pressures in heating, psig, against the manufacturer's chart for the outdoor air; without a chart only the record. */
export const heatingPressure: NumericKind = {
  type: 'number',
  bySpeed: true,
  id: 'heating-pressure',
  title: 'Heating pressure',
  component: 'refrigerant-circuit',
  unit: 'psig',
  plateLine: (about) => {
    const chart = chartPsig(about);
    return `${refrigerantLine(about)}, ${typeof chart === 'number' ? `chart ${chart.toFixed(0)} psig` : 'no chart'}`;
  },
  ...unworn,
  movedBy: ['outdoor air', 'return air', 'frost on the coil'],
  methods: (['suction', 'liquid'] as const).map((side, index) => ({
    id: `${side}-gauge`,
    title: `${side} gauge, heating`,
    stops: ['heating'],
    order: 75 + index,
    points: ({ systemKind }) => (isHeatPump(systemKind) ? [side] : []),
    inputs: [{ id: 'psig', type: 'number', label: 'Pressure', unit: 'psig', overLimit: false, probe: `${side}-gauge` }],
    evaluate: (inputs) => taken(Number(inputs.psig)),
    error: (value) => Math.hypot(1, 0.01 * value),
  })),
  limits,
  plausible: (about) => (about.point === 'suction' ? { low: 5, high: 180 } : { low: 100, high: 550 }),
};
