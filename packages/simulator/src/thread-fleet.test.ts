import { randomFrom } from './random.ts';
import { FLEET_PARTS, simulateThreads, trulyPast, type FleetNature } from './thread-fleet.ts';

const nature: FleetNature = {
  drifting: 0.3,
  fast: 0.2,
  bending: 0.1,
  pace: 1,
  noise: 1,
  oddChance: 0.02,
  stepChance: 0.02,
  years: [3, 6],
};
const fleet = (seed: number, over: Partial<FleetNature> = {}) =>
  simulateThreads(randomFrom(seed), { ...nature, ...over }, 60, 20_000);

test('one seed is one fleet, another seed another', () => {
  expect(fleet(4)).toEqual(fleet(4));
  expect(fleet(5)).not.toEqual(fleet(4));
});

test('every kind of part is there; visits are in order; a life that ends in a replacement is followed by another', () => {
  const threads = fleet(6);
  expect(new Set(threads.map((t) => t.part.kind)).size).toBe(FLEET_PARTS.length);
  for (const { readings } of threads) {
    const days = readings.map((r) => r.day);
    expect(days).toEqual([...days].sort((a, b) => a - b));
  }
  const next = threads.findIndex((t) => t.replaced) + 1;
  expect(threads[next]?.fittedOn).toBe(threads[next - 1]?.readings.at(-1)?.day);
});

test('a fleet that neither wears, slips nor steps stays within its limits, and reads what it is', () => {
  const still = fleet(7, { drifting: 0, fast: 0, bending: 0, oddChance: 0, stepChance: 0, noise: 0.01 });
  const all = still.flatMap((thread) => thread.readings.map((r) => ({ thread, r })));
  expect(all.every(({ thread, r }) => !trulyPast(thread, r))).toBe(true);
  const capacitors = all.filter(({ thread }) => thread.part.kind === 'run-capacitor-capacitance');
  expect(capacitors.every(({ r }) => Math.abs(r.value - r.truth) < 0.05)).toBe(true);
});

test('faster wear takes more parts past their limits', () => {
  const past = (pace: number) => fleet(8, { pace }).filter((t) => t.readings.some((r) => trulyPast(t, r))).length;
  expect(past(1.5)).toBeGreaterThan(past(0.5));
});
