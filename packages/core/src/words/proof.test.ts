import { sayPair } from './proof.ts';

test('a pair says both figures, and the difference with its error', () => {
  const said = sayPair(16.2, 13.1, { difference: -3.1, error: 0.4 }, 'A').replaceAll('\u00a0', ' ');
  expect(said).toBe('16.2 A before, 13.1 A after, −3.10 ± 0.40');
  expect(sayPair(16.2, null, { difference: null, error: null }, 'A').replaceAll('\u00a0', ' ')).toBe('16.2 A before');
});
