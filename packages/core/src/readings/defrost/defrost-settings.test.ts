import { DEFAULT_POLICY } from '../../verdict/policy.ts';
import { judged } from '../../testing/reading.ts';
import { defrostSettings as kind } from './defrost-settings.ts';

const factory = { ...DEFAULT_POLICY, defrost: { ...DEFAULT_POLICY.defrost, school: 'factory' as const } };

// Common practice, no source: one school moves a 50 °F termination up, the other leaves it; bands of frost stay either way.
test('50 °F is flagged with its reason, in whichever school', () => {
  const at50 = { termination: '50', interval: '60' };
  for (const policy of [DEFAULT_POLICY, factory]) {
    expect(judged(kind, at50, { policy })).toMatchObject({ standing: 'watch' });
    expect(judged(kind, at50, { policy }).says).toMatch(/bands of frost stay/);
  }
});

test('any other setting is told as what it is, and against the record where that says otherwise', () => {
  const at70 = { termination: '70', interval: 'demand' };
  expect(judged(kind, at70)).toMatchObject({ standing: 'sound' });
  expect(judged(kind, at70, { plate: { defrostTerminationF: 70 } }).standing).toBe('sound');
  const moved = judged(kind, at70, { plate: { defrostTerminationF: 60 } });
  expect(moved.standing).toBe('watch');
  expect(moved.says).toMatch(/Not as the plate record has it/);
  expect(moved.says).not.toMatch(/factory/);
});
