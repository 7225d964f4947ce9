import jStat from 'jstat';
import { addChecks } from './meter-checks.ts';
import { mirror, noEvidence } from './meter-evidence.ts';
import { layMeters } from './meter-layout.ts';
import { metersKnown, noMeters, solveMeters } from './solve-meters.ts';

/**
 * Yields of dyestuff, grams, five samples of each of six batches: Davies and Goldsmith, Statistical Methods in Research and
 * Production, 1972, table 6.1; figures from memory. The classic example of a one-way random-effects model.
 */
const DYESTUFF = [
  [1545, 1440, 1440, 1520, 1580],
  [1540, 1555, 1490, 1560, 1495],
  [1595, 1550, 1605, 1510, 1560],
  [1445, 1440, 1595, 1465, 1545],
  [1595, 1630, 1515, 1635, 1625],
  [1520, 1455, 1450, 1480, 1445],
];
const MEAN = 1527.5;
/** Standard deviations between batches and within them, by restricted maximum likelihood, as published with the data. */
const BETWEEN = 42.0;
const WITHIN = 49.51;

function batchesAsMeters() {
  const checks = DYESTUFF.flatMap((samples, batch) =>
    samples.map((grams, i) => ({
      quantity: 'capacitance',
      name: `batch ${batch}`,
      day: 20_000,
      off: grams - MEAN,
      sd: WITHIN,
      against: `${batch}/${i}`,
      knownWithin: 0,
    })),
  );
  const layout = layMeters([], checks);
  const evidence = noEvidence(layout.size);
  addChecks(evidence, checks, layout);
  mirror(evidence, layout.size);
  const trade = () => BETWEEN;
  const solved = solveMeters({ layout, evidence, trade }, noMeters(layout, trade), []);
  return metersKnown(layout, solved).capacitance!;
}

test('six batches as six meters: the random effects published for the dyestuff data', () => {
  const published = [-17.61, 0.39, 28.56, -23.08, 56.73, -44.99];
  const { meters } = batchesAsMeters();
  for (const [batch, effect] of published.entries()) {
    expect(Math.abs(meters[`batch ${batch}`]!.mean[0]! - effect)).toBeLessThan(0.06);
  }
});

test('means and their errors are those of the joint Gaussian, by a library’s matrices (jStat)', () => {
  const known = batchesAsMeters();
  const batchOf = DYESTUFF.flatMap((samples, batch) => samples.map(() => batch));
  const common = BETWEEN * Math.hypot(0.24, 0.25);
  const own = BETWEEN ** 2 * (1 + 0.02 ** 2);
  const between = (a: number, b: number) => common ** 2 + (a === b ? own : 0);
  const covariance = batchOf.map((a, i) => batchOf.map((b, j) => between(a, b) + (i === j ? WITHIN ** 2 : 0)));
  const inverse = jStat.inv(covariance);
  const off = DYESTUFF.flat().map((grams) => grams - MEAN);
  for (let batch = 0; batch < DYESTUFF.length; batch += 1) {
    const along = batchOf.map((b) => between(batch, b));
    const weights = inverse.map((row: number[]) => row.reduce((sum, w, j) => sum + w * along[j]!, 0));
    const mean = weights.reduce((sum: number, w: number, i: number) => sum + w * off[i]!, 0);
    const variance =
      between(batch, batch) - weights.reduce((sum: number, w: number, i: number) => sum + w * along[i]!, 0);
    expect(known.meters[`batch ${batch}`]!.mean[0]!).toBeCloseTo(mean, 6);
    expect(known.meters[`batch ${batch}`]!.sd[0]!).toBeCloseTo(Math.sqrt(variance), 6);
  }
});
