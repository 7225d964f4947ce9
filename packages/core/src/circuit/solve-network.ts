import { GROUND, type Node } from './network.ts';

/** Two nodes that something lies between. */
export interface Between {
  readonly a: Node;
  readonly b: Node;
}

/** One conductance between two nodes, S, with the current it drives from a to b where it is a source, A. */
export interface Conductance extends Between {
  readonly siemens: number;
  readonly drives?: number;
}

/** A solved network. */
export interface Solved {
  /** Volts between two nodes, with a meter that draws nothing; NaN for a node that is not in it. */
  readonly volts: (a: Node, b: Node) => number;
  /** Ω that two leads look into with all sources at rest. */
  readonly ohmsInto: (a: Node, b: Node) => number;
}

/** What leaks from every node to ground, S: it holds a lifted wire somewhere, and moves nothing else. */
const LEAK = 2e-9;

/** What of a network does not change while its contacts do: the numbers of its nodes, and which pairs of them meet. */
interface Shape {
  readonly n: number;
  readonly index: ReadonlyMap<Node, number>;
  /** Of each branch, the numbers of its nodes; −1 is ground. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  /** Of each row, the later columns that can hold anything once the row's turn has come. */
  readonly later: readonly Int32Array[];
}

/** Numbers the nodes, those with the fewest neighbors first, so that little fills up. */
function numbered(branches: readonly Between[]): Map<Node, number> {
  const degree = new Map<Node, number>();
  for (const { a, b } of branches)
    for (const node of [a, b]) if (node !== GROUND) degree.set(node, (degree.get(node) ?? 0) + 1);
  return new Map([...degree].sort(([, one], [, other]) => one - other).map(([node], i) => [node, i]));
}

/** Where rows fill up as they are worked off, whatever the figures. */
function filled(n: number, from: Int32Array, to: Int32Array): Int32Array[] {
  const rows = Array.from({ length: n }, () => new Set<number>());
  const meet = (i: number, j: number) => rows[Math.min(i, j)]?.add(Math.max(i, j));
  from.forEach((i, branch) => {
    const j = to[branch] ?? -1;
    if (i >= 0 && j >= 0 && i !== j) meet(i, j);
  });
  return rows.map((row) => {
    const later = [...row].sort((i, j) => i - j);
    later.forEach((i, at) => later.slice(at + 1).forEach((j) => meet(i, j)));
    return Int32Array.from(later);
  });
}

/** A number of an array of numbers that is known to be there. */
const at = (cells: Float64Array | Int32Array, i: number): number => cells[i]!;

/** Gauss, without pivots: conductances make a matrix that is symmetric and positive, and most of it is empty. */
function eliminate(cells: Float64Array, { n, later }: Shape): void {
  for (let k = 0; k < n; k++) {
    const columns = later[k]!;
    const row = k * n;
    const pivot = at(cells, row + k);
    for (let c = 0; c < columns.length; c++) {
      const i = at(columns, c);
      const share = at(cells, row + i) / pivot;
      if (share === 0) continue;
      // The lower half mirrors the upper one and is never read.
      for (let d = c; d < columns.length; d++) {
        const j = at(columns, d);
        cells[i * n + j] = at(cells, i * n + j) - share * at(cells, row + j);
      }
    }
  }
}

/** The potentials that given currents into the nodes make. */
function potentialsOf(cells: Float64Array, { n, later }: Shape, into: Float64Array): Float64Array {
  const x = Float64Array.from(into);
  for (let k = 0; k < n; k++) {
    const share = at(x, k) / at(cells, k * n + k);
    if (share !== 0) for (const i of later[k]!) x[i] = at(x, i) - share * at(cells, k * n + i);
  }
  for (let k = n - 1; k >= 0; k--) {
    let sum = at(x, k);
    for (const j of later[k]!) sum -= at(cells, k * n + j) * at(x, j);
    x[k] = sum / at(cells, k * n + k);
  }
  return x;
}

function solvedOf(shape: Shape, cells: Float64Array, into: Float64Array): Solved {
  const potentials = potentialsOf(cells, shape, into);
  const of = (values: Float64Array, node: Node): number =>
    node === GROUND ? 0 : (values[shape.index.get(node) ?? NaN] ?? NaN);
  return {
    volts: (a, b) => of(potentials, a) - of(potentials, b),
    ohmsInto: (a, b) => {
      const pushed = new Float64Array(shape.n);
      const [i, j] = [shape.index.get(a), shape.index.get(b)];
      if (i !== undefined) pushed[i] = 1;
      if (j !== undefined) pushed[j] = (pushed[j] ?? 0) - 1;
      const moved = potentialsOf(cells, shape, pushed);
      return of(moved, a) - of(moved, b);
    },
  };
}

/** Shapes that were worked out, by where their branches lie: a fault seldom changes that. */
const SHAPES = new Map<string, Shape>();
const MOST_SHAPES = 400;

function shapeOf(branches: readonly Between[]): Shape {
  const key = branches.map(({ a, b }) => `${a} ${b}`).join(';');
  const known = SHAPES.get(key);
  if (known) return known;
  const index = numbered(branches);
  const numberOf = (node: Node): number => (node === GROUND ? -1 : (index.get(node) ?? -1));
  const from = Int32Array.from(branches, ({ a }) => numberOf(a));
  const to = Int32Array.from(branches, ({ b }) => numberOf(b));
  const shape: Shape = { n: index.size, index, from, to, later: filled(index.size, from, to) };
  if (SHAPES.size >= MOST_SHAPES) SHAPES.clear();
  SHAPES.set(key, shape);
  return shape;
}

/**
 * Makes the solver of a network whose branches lie where they lie, whatever they conduct: given S of each branch, and the
 * A it drives from a to b, it is solved.
 */
export function solverOf(branches: readonly Between[]): (siemens: Float64Array, drives: Float64Array) => Solved {
  const shape = shapeOf(branches);
  const { n, from, to } = shape;
  return (siemens, drives) => {
    const cells = new Float64Array(n * n);
    const into = new Float64Array(n);
    for (let i = 0; i < n; i++) cells[i * n + i] = LEAK;
    for (let branch = 0; branch < from.length; branch++) {
      const [i, j, by, driven] = [at(from, branch), at(to, branch), at(siemens, branch), at(drives, branch)];
      if (by === 0 || i === j) continue;
      if (i >= 0) {
        cells[i * n + i] = at(cells, i * n + i) + by;
        into[i] = at(into, i) - driven;
      }
      if (j >= 0) {
        cells[j * n + j] = at(cells, j * n + j) + by;
        into[j] = at(into, j) + driven;
      }
      if (i >= 0 && j >= 0) {
        const upper = Math.min(i, j) * n + Math.max(i, j);
        cells[upper] = at(cells, upper) - by;
      }
    }
    eliminate(cells, shape);
    return solvedOf(shape, cells, into);
  };
}

/**
 * Nodal analysis: the sum of currents into every node is zero (Kirchhoff), each branch following Ohm, a source being its
 * EMF behind its resistance. Volts are counted from ground. Three 10 Ω in a row on 30 V leave 20 V and 10 V between them.
 */
export const solveNetwork = (branches: readonly Conductance[]): Solved =>
  solverOf(branches)(
    Float64Array.from(branches, ({ siemens }) => siemens),
    Float64Array.from(branches, ({ drives = 0 }) => drives),
  );
