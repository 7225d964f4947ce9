import { leaningsOfRecord, leaningsOfThreads } from './leanings.ts';

test('a thread that was not sound leans its fault, and a firm’s record leans all of them', () => {
  const thread = (kind: string, point: string, standing: string) =>
    ({ state: { kind, point, standing }, component: { slot: 'run-capacitor' } }) as never;
  expect(
    leaningsOfThreads({
      threads: [
        thread('run-capacitor-capacitance', 'fan', 'act'),
        thread('line-volts', 'line', 'act'),
        thread('run-capacitor-capacitance', 'herm', 'sound'),
      ],
    }),
  ).toEqual([{ fault: 'fan-capacitor-weak', by: 10, slot: 'run-capacitor' }]);
  expect(leaningsOfRecord({ proved: [] })).toEqual({});
  const leaning = leaningsOfRecord({ proved: [{ fault: 'sequencer-late', count: 30 }] });
  expect(leaning['sequencer-late']).toBeGreaterThan(5);
  expect(leaning['herm-weak']).toBeLessThan(1);
});
