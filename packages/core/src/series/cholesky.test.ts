import jStat from 'jstat';
import { cholesky, inverse, logDeterminant, solve } from './cholesky.ts';

const N = 5;
/** A symmetric positive definite matrix. */
const rows = Array.from({ length: N }, (_, i) =>
  Array.from({ length: N }, (_, j) => (i === j ? 3 + i : 1 / (1 + Math.abs(i - j)))),
);

test('factor, solution, inverse and determinant are a library’s (jStat)', () => {
  const factor = cholesky(Float64Array.from(rows.flat()), N)!;
  const whole = jStat.inv(rows);
  for (const [i, value] of inverse(factor, N).entries())
    expect(value).toBeCloseTo(whole[Math.floor(i / N)]![i % N]!, 12);
  const b = [1, -2, 3, 0, 5];
  const x = solve(factor, N, Float64Array.from(b));
  for (const [i, row] of rows.entries()) expect(row.reduce((sum, a, j) => sum + a * x[j]!, 0)).toBeCloseTo(b[i]!, 12);
  expect(logDeterminant(factor, N)).toBeCloseTo(Math.log(jStat.det(rows)), 12);
});

test('what is not positive definite has none', () => {
  expect(cholesky(Float64Array.from([1, 2, 2, 1]), 2)).toBeNull();
});
