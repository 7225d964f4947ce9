import { componentView, idAt, readingView, systemView } from '../testing/views.ts';
import { asOfVisit } from './as-of-visit.ts';

const part = (id: string, over: object) => componentView({ id, ...over });

test('what was fitted and read since the end of a visit is left out, and what it replaced is in again', () => {
  const later = idAt('2026-10-10T18:00:00Z');
  const system = systemView({
    components: [
      part('first', { removedOn: '2026-10-10' }),
      part(later, { fittedOn: '2026-10-10', replaces: 'first' }),
      part('second', { removedOn: '2025-01-01' }),
    ],
    readings: [readingView('2026-10-10', { id: 'then' }), readingView('2026-11-10', { id: 'since' })],
  });
  const then = asOfVisit(system, '2026-10-10T17:00:00.000Z');
  expect(then.components.map(({ id, removedOn }) => [id, removedOn])).toEqual([
    ['first', null],
    ['second', '2025-01-01'],
  ]);
  expect(then.readings.map(({ id }) => id)).toEqual(['then']);
});

test('what was fitted on the visit itself is in, and what it replaced is out', () => {
  const fitted = idAt('2026-10-10T16:00:00Z');
  const system = systemView({
    components: [
      part('first', { removedOn: '2026-10-10' }),
      part(fitted, { fittedOn: '2026-10-10', replaces: 'first' }),
    ],
  });
  const then = asOfVisit(system, '2026-10-10T17:00:00.000Z');
  expect(then.components.map(({ id, removedOn }) => [id, removedOn])).toEqual([
    ['first', '2026-10-10'],
    [fitted, null],
  ]);
});
