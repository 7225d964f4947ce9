import { machineSpecOf } from '../circuit/machine-spec.ts';
import { read } from '../circuit/measure.ts';
import type { Observation } from './chances.ts';
import { comesAndGoes } from './comes-and-goes.ts';
import { NO_FAULT } from './complaint-shares.ts';
import { ARRIVED, standpointAfter } from './costs.ts';
import { groundOf } from './ground.ts';
import { hunt, type Hunt } from './hunt.ts';

const ground = groundOf(
  machineSpecOf('split-air-conditioner', { tons: 3, heatKilowatts: 10, capacitorRating: '40+5 µF 440 V' }),
);
const benchOf = (id: string) => ground.causes.find((cause) => cause.id === id)!.benches[0]!;
const [bad, sound] = [benchOf('contactor-coil-open'), benchOf(NO_FAULT)];

/** Follows the hunt; the fault shows where `shows` says so of the test's place in the order. */
function follow(shows: (n: number) => boolean, atTimes: boolean): Hunt {
  const observations: Observation[] = [];
  let standpoint = ARRIVED;
  for (;;) {
    const now = hunt(ground, { complaints: ['outdoor-unit-dead'], observations, standpoint, atTimes });
    const test = now.offers[0]?.test;
    if (now.standing.is !== 'open' || !test || observations.length > 25) return now;
    observations.push({ test: test.id, reading: read(shows(observations.length) ? bad : sound, test.measure) });
    standpoint = standpointAfter(test, standpoint);
  }
}
const chanceOf = ({ ground: { causes }, chances }: Hunt, id: string) => chances[causes.findIndex((c) => c.id === id)]!;

test('every test still has chances that sum to one, and a sound machine reads as it did', () => {
  const moving = comesAndGoes(ground);
  const at = ground.causes.findIndex(({ id }) => id === NO_FAULT);
  for (const test of [...ground.tests.values()].slice(0, 40)) {
    const { chances } = moving.expect(test);
    expect(chances[at]).toEqual(ground.expect(test).chances[at]);
    for (const row of chances.flat()) expect(row.reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 9);
  }
});

test('what is away at first, and shows later, is proved; a steady hunt names no part it did not catch', () => {
  expect(follow((n) => n >= 2, true).standing).toEqual({ is: 'proved', faults: ['contactor-coil-open'] });
  expect(follow((n) => n % 3 !== 1, true).standing).toEqual({ is: 'proved', faults: ['contactor-coil-open'] });
});

test('what never shows clears no part for good: it stays likelier than in a steady hunt, and none is named', () => {
  const [steady, moving] = [follow(() => false, false), follow(() => false, true)];
  expect([steady.standing.is, moving.standing.is]).toEqual(['nothing-found', 'nothing-found']);
  expect(chanceOf(moving, 'contactor-coil-open')).toBeGreaterThan(chanceOf(steady, 'contactor-coil-open'));
});
