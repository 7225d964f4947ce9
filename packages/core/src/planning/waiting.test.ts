import { dayOf } from '../quantity/day.ts';
import { USUAL_SEASON_STARTS } from './season-starts.ts';
import { costOfFailing, waitingOn, type PartWaiting, type SystemWaiting } from './waiting.ts';

const cost = (slot: PartWaiting['slot'], day: string, kind: SystemWaiting['kind'] = 'split-air-conditioner') =>
  costOfFailing(slot, kind, dayOf(day), USUAL_SEASON_STARTS);
const part = (over: Partial<PartWaiting> = {}): PartWaiting => ({
  slot: 'run-capacitor',
  standing: 'watch',
  chance: 0.3,
  ahead: null,
  ...over,
});
const wait = (day: string, parts: readonly PartWaiting[], over: Partial<SystemWaiting> = {}) =>
  waitingOn(dayOf(day), { kind: 'split-air-conditioner', parts, lastRound: dayOf(day), ...over }, USUAL_SEASON_STARTS);

test('what a failure costs goes with the season: cooling is missed in July, heat in January, both on a heat pump', () => {
  // At the height of its season a compressor is the unit.
  expect(cost('compressor', '2026-07-30')).toBeCloseTo(1, 2);
  expect(cost('compressor', '2026-05-16')).toBeCloseTo(0.5, 1);
  expect(cost('compressor', '2026-01-20')).toBeLessThan(0.2);
  expect(cost('compressor', '2026-01-30', 'split-heat-pump')).toBeCloseTo(1, 2);
  expect(cost('gas-heat', '2026-01-30', 'gas-furnace-with-coil')).toBeGreaterThan(
    3 * cost('gas-heat', '2026-07-30', 'gas-furnace-with-coil'),
  );
  // A weak capacitor before the compressor outweighs a sensor.
  expect(cost('run-capacitor', '2026-07-30')).toBeGreaterThan(cost('coil-sensor', '2026-01-30', 'split-heat-pump'));
});

test('a wait costs more the surer a part is to go, the nearer its season, and the longer nobody has looked', () => {
  const frays = { from: dayOf('2026-06-01'), chances: [0, 0.3, 0.6, 0.9, 1] };
  const [early, late] = ['2026-06-02', '2026-08-01'].map((day) => wait(day, [part({ ahead: frays })]).cost);
  expect(late!).toBeGreaterThan(early!);
  expect(wait('2026-07-01', [part({ chance: 0.6 })]).cost).toBeGreaterThan(wait('2026-07-01', [part()]).cost);
  expect(wait('2026-07-01', [part()]).cost).toBeGreaterThan(wait('2026-01-01', [part()]).cost);
  const sound = part({ chance: 0, standing: 'sound' });
  expect(wait('2026-07-01', [sound], { lastRound: dayOf('2025-07-01') }).cost).toBeGreaterThan(
    wait('2026-07-01', [sound]).cost,
  );
});

test('the chance of a week is that of any part; the one that costs most is named', () => {
  const parts = [part({ chance: 1, standing: 'act' }), part({ slot: 'coil-sensor', chance: 1, standing: 'act' })];
  const { chance, most } = wait('2026-07-01', parts, { lastRound: null });
  // 1 − 0.96².
  expect(chance).toBeCloseTo(0.0784, 4);
  expect(most).toEqual({ slot: 'run-capacitor', past: 1 });
  expect(wait('2026-07-01', [])).toEqual({ cost: 0, chance: 0, most: null });
});

test('what was found of a part holds whatever its trend says; a trend alone goes by its own course', () => {
  const ahead = { from: dayOf('2026-07-01'), chances: [0, 0.1, 0.2, 0.4, 0.6] };
  const past = (over: Partial<PartWaiting>) => wait('2026-07-01', [part({ ahead, ...over })]).most?.past ?? 0;
  expect(past({ standing: 'act', chance: 1 })).toBe(1);
  expect(past({ standing: 'watch', chance: 0.4 })).toBeLessThan(0.1);
});
