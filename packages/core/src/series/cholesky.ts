/**
 * Cholesky's factor of a symmetric positive definite matrix of n rows, row by row in `a`: lower triangle L with L·Lᵀ = a.
 * Null where the matrix is not positive definite.
 */
export function cholesky(a: Float64Array, n: number): Float64Array | null {
  const l = new Float64Array(n * n);
  for (let i = 0; i < n; i += 1) {
    for (let j = 0; j <= i; j += 1) {
      let sum = a[i * n + j]!;
      for (let k = 0; k < j; k += 1) sum -= l[i * n + k]! * l[j * n + k]!;
      if (i === j) {
        if (!(sum > 0)) return null;
        l[i * n + i] = Math.sqrt(sum);
      } else l[i * n + j] = sum / l[j * n + j]!;
    }
  }
  return l;
}

/** Solves L·x = b in place. */
export function forward(l: Float64Array, n: number, b: Float64Array): Float64Array {
  for (let i = 0; i < n; i += 1) {
    let sum = b[i]!;
    for (let k = 0; k < i; k += 1) sum -= l[i * n + k]! * b[k]!;
    b[i] = sum / l[i * n + i]!;
  }
  return b;
}

/** Solves Lᵀ·x = b in place, row by row of L, as it lies in memory. */
function backward(l: Float64Array, n: number, b: Float64Array): Float64Array {
  for (let i = n - 1; i >= 0; i -= 1) {
    const row = i * n;
    const x = b[i]! / l[row + i]!;
    b[i] = x;
    for (let k = 0; k < i; k += 1) b[k]! -= l[row + k]! * x;
  }
  return b;
}

/** Solves L·Lᵀ·x = b in place. */
export const solve = (l: Float64Array, n: number, b: Float64Array): Float64Array => backward(l, n, forward(l, n, b));

/** The inverse of L·Lᵀ. */
export function inverse(l: Float64Array, n: number): Float64Array {
  const inverted = new Float64Array(n * n);
  const column = new Float64Array(n);
  for (let j = 0; j < n; j += 1) {
    column.fill(0);
    column[j] = 1;
    solve(l, n, column);
    for (let i = 0; i < n; i += 1) inverted[i * n + j] = column[i]!;
  }
  return inverted;
}

/** Logarithm of the determinant of L·Lᵀ. */
export function logDeterminant(l: Float64Array, n: number): number {
  let sum = 0;
  for (let i = 0; i < n; i += 1) sum += Math.log(l[i * n + i]!);
  return 2 * sum;
}
