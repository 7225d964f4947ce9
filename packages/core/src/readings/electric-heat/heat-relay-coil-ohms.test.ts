import { judged } from '../../testing/reading.ts';
import { heatRelayCoilOhms as kind } from './heat-relay-coil-ohms.ts';

const plate = { heatKilowatts: 10, heatSwitch: 'relay' as const };

// Common practice, no source: a common relay's coil has about 70 Ω.
test.each([
  [72, 'sound'],
  [38, 'watch'],
  [30, 'act'],
  ['OL', 'act'],
] as const)('%s Ω is %s', (first, standing) => {
  expect(judged(kind, { first }, { plate }).standing).toBe(standing);
});
