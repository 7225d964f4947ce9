import { judged } from '../../testing/reading.ts';
import { chargeCheck } from './charge-check.ts';

// Common practice, no source.
test('a doubt about the charge check travels on, and goes when it counts again', () => {
  const told = (finding: string, before: object) =>
    chargeCheck.tells?.({ inputs: {}, value: null, findings: [finding], point: 'whole' }, before);
  expect(told('raining', {})).toEqual({ chargeDoubt: 'raining' });
  expect(told('check-counts', { chargeDoubt: 'raining' })).toEqual({ chargeDoubt: undefined });
});

test('what stands against a charge check leaves it unproven, and says what to wait for', () => {
  const said = judged(chargeCheck, { seen: ['just-started', 'raining'] });
  expect(said.standing).toBe('unproven');
  expect(said.says).toMatch(/10 to 15 minutes.*Rain/);
  expect(judged(chargeCheck, { seen: ['check-counts'] }).standing).toBe('sound');
});
