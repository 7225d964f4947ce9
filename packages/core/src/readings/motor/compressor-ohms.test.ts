import { judged } from '../../testing/reading.ts';
import { compressorOhms as kind } from './compressor-ohms.ts';

test('a winding that reads nothing is open, or its overload is', () => {
  expect(judged(kind, { ohms: 'OL' }, { point: 'c-r' })).toMatchObject({ standing: 'act' });
  expect(judged(kind, { ohms: 'OL' }, { point: 'c-r' }).says).toMatch(/internal overload.*let it cool/);
});

// Common practice, no source: a megohm and more to ground.
test.each([
  ['OL', 'sound'],
  [2_000_000, 'sound'],
  [400_000, 'stop'],
  [0, 'stop'],
] as const)('%s Ω to ground: %s', (ohms, standing) => {
  expect(judged(kind, { ohms }, { point: 'ground' }).standing).toBe(standing);
});

test('the three pairs are held against one another, and ohms alone condemn no compressor', () => {
  const across = (rs: number) => kind.acrossPoints?.({ 'c-r': 0.8, 'c-s': 2.4, 'r-s': rs });
  expect(across(3.2)).toMatchObject({ standing: 'sound', because: { code: 'windings-add-up' } });
  expect(across(4.4)).toMatchObject({ standing: 'watch', because: { code: 'windings-miss' } });
  expect(kind.acrossPoints?.({ 'c-r': 0.8 })).toBeNull();
  expect(judged(kind, { ohms: 0.8 }, { point: 'c-r' }).standing).toBe('unproven');
});
