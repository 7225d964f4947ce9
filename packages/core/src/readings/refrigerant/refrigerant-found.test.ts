import { judged } from '../../testing/reading.ts';
import { refrigerantFound as kind } from './refrigerant-found.ts';

const plate = { refrigerant: 'R-410A' };

// Common practice, no source: another or a mixed refrigerant is recovered, never topped up.
test.each([
  ['refrigerant-as-plate', 'sound'],
  ['refrigerant-other', 'act'],
  ['refrigerant-mixed', 'act'],
  ['refrigerant-unmarked', 'unproven'],
])('%s is %s', (found, standing) => {
  expect(judged(kind, { found }, { plate }).standing).toBe(standing);
});

test('a mixed charge is never topped up', () => {
  expect(judged(kind, { found: 'refrigerant-mixed' }, { plate }).says).toMatch(/recover.*never add/i);
});
