import fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { GROUND } from './network.ts';
import { solveNetwork, type Conductance } from './solve-network.ts';

const source = (a: string, b: string, emf: number, ohms: number): Conductance => ({
  a,
  b,
  siemens: 1 / ohms,
  drives: emf / ohms,
});
const ohm = (a: string, b: string, ohms: number): Conductance => ({ a, b, siemens: 1 / ohms });

test('three equal resistances in a row share the volts (Ohm; textbook, common practice)', () => {
  const { volts } = solveNetwork([
    source(GROUND, 'a', 30, 1e-6),
    ohm('a', 'b', 10),
    ohm('b', 'c', 10),
    ohm('c', GROUND, 10),
  ]);
  expect(volts('b', GROUND)).toBeCloseTo(20, 4);
  expect(volts('c', GROUND)).toBeCloseTo(10, 4);
});

test('an R–2R ladder halves from rung to rung (textbook, from memory)', () => {
  // Every rung looks into R to its right and R below: half of the volts go on.
  const { volts } = solveNetwork([
    source(GROUND, 'v', 16, 1e-6),
    ohm('v', 'a', 1),
    ohm('a', GROUND, 2),
    ohm('a', 'b', 1),
    ohm('b', GROUND, 2),
    ohm('b', 'c', 1),
    ohm('c', GROUND, 1),
  ]);
  expect([volts('a', GROUND), volts('b', GROUND), volts('c', GROUND)].map((v) => Number(v.toFixed(3)))).toEqual([
    8, 4, 2,
  ]);
});

test('a bridge in balance carries nothing across, and looks in as its arms do (Wheatstone; textbook)', () => {
  const bridge = [ohm('a', 'l', 100), ohm('l', 'b', 200), ohm('a', 'r', 300), ohm('r', 'b', 600), ohm('l', 'r', 50)];
  const { volts, ohmsInto } = solveNetwork([source(GROUND, 'a', 9, 1e-6), ohm('b', GROUND, 1e-6), ...bridge]);
  expect(Math.abs(volts('l', 'r'))).toBeLessThan(1e-4);
  // 300 Ω beside 900 Ω, with nothing else connected.
  expect(solveNetwork(bridge).ohmsInto('a', 'b')).toBeCloseTo(225, 2);
  expect(ohmsInto('l', 'r')).toBeGreaterThan(0);
});

test('what is lifted shows nothing to the rest and OL to an ohmmeter', () => {
  const { volts, ohmsInto } = solveNetwork([source(GROUND, 'a', 24, 1), { a: 'a', b: 'b', siemens: 0 }]);
  expect(volts('a', GROUND)).toBeCloseTo(24, 3);
  expect(volts('b', GROUND)).toBeCloseTo(0, 6);
  expect(ohmsInto('b', GROUND)).toBeGreaterThan(1e7);
});

test('any network agrees with the same equations solved by a general matrix library, and obeys Kirchhoff at every node', () => {
  const nodes = ['a', 'b', 'c', 'd', 'e', 'f'];
  const branch = fc.record({
    a: fc.constantFrom(...nodes),
    b: fc.constantFrom(GROUND, ...nodes),
    ohms: fc.double({ min: 0.01, max: 1e5, noNaN: true }),
    emf: fc.double({ min: -240, max: 240, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(branch, { minLength: 3, maxLength: 25 }), (drawn) => {
      const branches = drawn.filter(({ a, b }) => a !== b).map(({ a, b, ohms, emf }) => source(a, b, emf, ohms));
      if (branches.length === 0) return;
      const used = [...new Set(branches.flatMap(({ a, b }) => [a, b]))].filter((n) => n !== GROUND);
      const at = (node: string) => used.indexOf(node);
      const matrix = Matrix.zeros(used.length, used.length);
      const right = Matrix.zeros(used.length, 1);
      for (let i = 0; i < used.length; i++) matrix.set(i, i, 2e-9);
      for (const { a, b, siemens, drives = 0 } of branches) {
        for (const [node, other, sign] of [
          [a, b, -1],
          [b, a, 1],
        ] as const) {
          if (node === GROUND) continue;
          matrix.set(at(node), at(node), matrix.get(at(node), at(node)) + siemens);
          right.set(at(node), 0, right.get(at(node), 0) + sign * drives);
          if (other !== GROUND) matrix.set(at(node), at(other), matrix.get(at(node), at(other)) - siemens);
        }
      }
      const expected = solve(matrix, right);
      const { volts } = solveNetwork(branches);
      for (const node of used) {
        const read = volts(node, GROUND);
        expect(Math.abs(read - expected.get(at(node), 0))).toBeLessThan(1e-3 + 1e-5 * Math.abs(read));
        // Kirchhoff: what flows in flows out, but for the leak.
        const sum = branches.reduce((flow, { a, b, siemens, drives = 0 }) => {
          const out = siemens * volts(a, b) + drives;
          return flow + (a === node ? out : b === node ? -out : 0);
        }, 2e-9 * read);
        expect(Math.abs(sum)).toBeLessThan(1e-3);
      }
    }),
    { numRuns: 60, seed: 7 },
  );
});
