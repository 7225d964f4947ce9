import { judged } from '../../testing/reading.ts';
import { fanBypass as kind } from './fan-bypass.ts';

test('a fan that runs past the relay condemns the relay; one that stays dead does not', () => {
  expect(judged(kind, { fan: 'fan-runs-past-relay' }).says).toMatch(/relay is bad/);
  expect(judged(kind, { fan: 'fan-dead-past-relay' }).says).toMatch(/capacitor, then its motor/);
});
