import { judged } from '../../testing/reading.ts';
import { roomTemperature as kind } from './room-temperature.ts';

test.each([
  [75, 76, 'sound'],
  [75, 79.5, 'watch'],
  [70, 60, 'act'],
])('set to %f and reading %f is %s', (setF, roomF, standing) => {
  expect(judged(kind, { setF, roomF }).standing).toBe(standing);
});
