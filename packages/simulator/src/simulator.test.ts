import { dayOf, planRound, standingReadings, utcDayOf } from '@yarnix/core';
import { demoFirm, simulateFirm } from './demo-firm.ts';
import { randomFrom } from './random.ts';
import { capacitanceAfter, drawWear } from './wear.ts';

const asOf = dayOf('2026-11-25');
const systems = [...demoFirm(asOf).systems()];

test('the same seed and day give the same firm', () => {
  expect(JSON.stringify([...demoFirm(asOf).systems()].slice(0, 5))).toBe(JSON.stringify(systems.slice(0, 5)));
  expect(demoFirm(asOf).id).toBe(demoFirm(asOf + 100).id);
});

test('another seed gives another firm', () => {
  const other = simulateFirm({ seed: 1, systems: 1, asOf, years: [2, 3] });
  expect([...other.systems()][0]?.address).not.toBe(systems[0]?.address);
});

test('about 40 systems of every kind, with 2 to 6 years of rounds that end before the day', () => {
  expect(systems.length).toBeGreaterThanOrEqual(38);
  expect(new Set(systems.map((s) => s.kind)).size).toBe(6);
  for (const system of systems) {
    expect(system.visits.length).toBeGreaterThanOrEqual(2);
    expect(system.visits.every((v) => utcDayOf(v.startedAt) <= asOf)).toBe(true);
    expect(asOf - Math.min(...system.visits.map((v) => utcDayOf(v.startedAt)))).toBeLessThanOrEqual(6.1 * 366);
  }
});

test('ids are unique across the firm', () => {
  const ids = systems.flatMap((s) => [
    s.id,
    s.customerId,
    ...s.parts.map((p) => p.id),
    ...s.visits.map((v) => v.id),
    ...s.readings.map((r) => r.id),
  ]);
  expect(new Set(ids).size).toBe(ids.length);
});

test('parts are replaced, and no slot holds two living parts', () => {
  expect(systems.some((s) => s.parts.some((p) => p.removedOn !== null))).toBe(true);
  for (const system of systems) {
    const living = system.parts.filter((p) => p.removedOn === null).map((p) => p.slot);
    expect(new Set(living).size).toBe(living.length);
  }
});

test('a slipped decimal is confirmed and then corrected', () => {
  const big = [...simulateFirm({ seed: 5, systems: 60, asOf, years: [4, 6] }).systems()];
  const corrections = big.flatMap((s) =>
    s.readings.filter((r) => r.supersedes).map((r) => [s.readings.find((w) => w.id === r.supersedes), r] as const),
  );
  expect(corrections.length).toBeGreaterThan(0);
  for (const [wrong, right] of corrections) {
    expect(wrong?.confirmed).toBe(true);
    expect(right.value! / wrong!.value!).toBeCloseTo(10, 0);
  }
});

test('every reading is at a place its part has', () => {
  for (const system of systems) {
    const plan = (['spring', 'fall'] as const).flatMap((season) =>
      planRound({ systemKind: system.kind, plate: system.plate, components: system.parts, season }).flatMap(
        (s) => s.readings,
      ),
    );
    for (const r of standingReadings(system.readings.map((x) => ({ ...x, supersedes: x.supersedes ?? null })))) {
      expect(
        plan.some(
          (p) =>
            p.component.id === r.componentId && p.kind.id === r.kind && p.method.id === r.method && p.point === r.point,
        ),
      ).toBe(true);
    }
  }
});

describe('wear', () => {
  test('most capacitors hold, some drift, a few fall fast', () => {
    const random = randomFrom(11);
    const after = Array.from({ length: 2000 }, () => capacitanceAfter(drawWear(random, 40), 5, 40) / 40);
    const share = (test: (x: number) => boolean) => after.filter(test).length / after.length;
    expect(share((x) => x > 0.97)).toBeGreaterThan(0.5);
    expect(share((x) => x < 0.94)).toBeGreaterThan(0.1);
    expect(share((x) => x < 0.94)).toBeLessThan(0.35);
  });

  test('capacitance never rises with age', () => {
    const wear = drawWear(randomFrom(3), 45);
    const values = [0, 1, 2, 5, 10, 40].map((years) => capacitanceAfter(wear, years, 45));
    expect([...values].sort((a, b) => b - a)).toEqual(values);
    expect(values.at(-1)).toBeGreaterThan(0);
  });

  test('random numbers are as spread as they say', () => {
    const random = randomFrom(2);
    const draws = Array.from({ length: 20_000 }, () => random.normal(10, 2));
    const mean = draws.reduce((a, b) => a + b, 0) / draws.length;
    const sd = Math.sqrt(draws.reduce((a, b) => a + (b - mean) ** 2, 0) / draws.length);
    expect(mean).toBeCloseTo(10, 1);
    expect(sd).toBeCloseTo(2, 1);
    expect(random.whole(3, 3)).toBe(3);
  });
});
