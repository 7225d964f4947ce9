import type { Standing } from '../verdict/standing.ts';
import { proveAll, provePair } from './proof.ts';

const read = (value: number | null, standing: Standing, error = 0.2) => ({ value, standing, error });

test('proved: it moved by more than its error, and is sound', () => {
  const pair = provePair(read(16, 'act'), read(12, 'sound'), 'rises');
  expect(pair).toMatchObject({ verdict: 'proved', difference: -4 });
  // Independent errors add as squares.
  expect(pair.error).toBeCloseTo(Math.sqrt(0.08), 12);
});

test('better, not proved: on its way, or sound by less than the meters can tell', () => {
  expect(provePair(read(16, 'act'), read(14, 'act'), 'rises').verdict).toBe('better');
  expect(provePair(read(16, 'act'), read(14, 'watch')).verdict).toBe('better');
  expect(provePair(read(14.1, 'watch'), read(13.9, 'sound')).verdict).toBe('better');
});

test('not the cause: as it was, or the other way', () => {
  expect(provePair(read(16, 'act'), read(16.1, 'act'), 'rises').verdict).toBe('not-the-cause');
  expect(provePair(read(16, 'act'), read(18, 'act'), 'rises').verdict).toBe('not-the-cause');
});

test('findings are held against one another by how they stand', () => {
  expect(provePair(read(null, 'act'), read(null, 'sound')).verdict).toBe('proved');
  expect(provePair(read(null, 'act'), read(null, 'act')).verdict).toBe('not-the-cause');
});

test('what has not been read again is owed, and one owed reading leaves the repair unproved', () => {
  expect(provePair(read(16, 'act'), null).verdict).toBe('owed');
  expect(proveAll(['proved', 'owed'])).toBe('owed');
  expect(proveAll(['proved', 'proved'])).toBe('proved');
  expect(proveAll(['proved', 'not-the-cause'])).toBe('better');
  expect(proveAll(['not-the-cause'])).toBe('not-the-cause');
  expect(proveAll([])).toBeNull();
});
