import { dayOf } from '../quantity/day.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import type { Reading } from '../readings/contract/reading.ts';
import { systemThreads, type ThreadMemo } from './assess-system.ts';
import type { ThreadState } from './thread-state.ts';

const system = {
  kind: 'split-air-conditioner',
  plate: { compressorRla: 17.9, outdoorFanFla: 1.2 },
  components: [
    { id: 'cap', slot: 'run-capacitor', kind: 'run-capacitor', plate: { rating: '40+5 µF' }, fittedOn: null },
    { id: 'fan', slot: 'outdoor-fan', kind: 'outdoor-fan', plate: {}, fittedOn: null },
  ],
} as const;
const reading = (id: string, over: Partial<Reading>): Reading => ({
  id,
  visitId: id.slice(1),
  componentId: 'cap',
  kind: 'run-capacitor-capacitance',
  point: 'herm',
  method: 'bench',
  value: 39,
  findings: [],
  takenAt: `202${id.slice(1)}-04-15T12:00:00.000Z`,
  supersedes: null,
  ...over,
});
const readings = ['1', '2', '3', '4'].flatMap((year) => [
  reading(`h${year}`, { value: 40 - Number(year) / 3 }),
  reading(`f${year}`, { point: 'fan', value: 5 - Number(year) / 20 }),
  reading(`a${year}`, {
    componentId: 'fan',
    kind: 'outdoor-fan-amps',
    point: 'whole',
    method: 'clamp',
    value: 1 + Number(year) / 50,
  }),
]);
const next = dayOf('2025-04-15');

function counting(): ThreadMemo & { made: () => number } {
  const kept = new Map<string, { rests: string; state: ThreadState }>();
  let made = 0;
  return {
    get: (thread, rests) => {
      const known = kept.get(thread);
      return known?.rests === rests ? known.state : undefined;
    },
    set: (thread, rests, state) => {
      made += 1;
      kept.set(thread, { rests, state });
    },
    made: () => made,
  };
}

test('with a memo the threads are as without, and only what a reading changed is worked out again', () => {
  const memo = counting();
  const plain = (all: Reading[], at = next) => systemThreads(system, all, { nextRound: at, policy: DEFAULT_POLICY });
  const kept = (all: Reading[], at = next) =>
    systemThreads(system, all, { nextRound: at, policy: DEFAULT_POLICY, memo });
  expect(kept(readings)).toEqual(plain(readings));
  const first = memo.made();
  expect(first).toBe(3);
  expect(kept(readings)).toEqual(plain(readings));
  expect(memo.made()).toBe(first);
  const more = [...readings, reading('h5', { value: 36, takenAt: '2025-04-10T12:00:00.000Z' })];
  expect(kept(more)).toEqual(plain(more));
  expect(memo.made()).toBe(first + 1);
  // A correction is another reading; another day ahead is another outlook.
  const corrected = [...more, reading('h6', { value: 39, takenAt: '2025-04-10T12:01:00.000Z', supersedes: 'h5' })];
  expect(kept(corrected)).toEqual(plain(corrected));
  expect(kept(readings, next + 180)).toEqual(plain(readings, next + 180));
});
