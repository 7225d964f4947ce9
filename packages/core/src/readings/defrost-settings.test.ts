import { DEFAULT_POLICY } from '../judgement/policy.ts';
import { judged } from '../testing/reading.ts';
import { defrostSettings as kind } from './defrost-settings.ts';

const factory = { ...DEFAULT_POLICY, defrost: { ...DEFAULT_POLICY.defrost, school: 'factory' as const } };

// Common practice, no source: one school moves a 50 °F termination up, the other leaves it.
test('50 °F is flagged with its reason, by the firm’s school', () => {
  const at50 = { termination: '50', interval: '60' };
  expect(judged(kind, at50)).toMatchObject({ standing: 'watch' });
  expect(judged(kind, at50).says).toMatch(/bands of frost stay/);
  expect(judged(kind, at50, { policy: factory }).standing).toBe('sound');
  expect(judged(kind, { termination: '70', interval: 'demand' }).standing).toBe('sound');
});
