import { settle, settleAir, type Sample } from './settle.ts';

const stream = (seconds: number, value: (at: number) => number): Sample[] =>
  Array.from({ length: seconds * 4 + 1 }, (_, i) => ({ at: i / 4, value: value(i / 4) }));

test('flat for five seconds is settled, at the median, with its spread kept', () => {
  const settled = settle(
    stream(6, (at) => 14.2 + 0.05 * Math.sin(9 * at)),
    'A',
  );
  expect(settled.settled).toBe(true);
  expect(settled.value).toBeCloseTo(14.2, 1);
  expect(settled.spread).toBeGreaterThan(0.05);
  expect(settled.samples).toBe(20);
});

test('too short is not settled, however flat', () => {
  expect(
    settle(
      stream(4, () => 14.2),
      'A',
    ).settled,
  ).toBe(false);
  expect(settle([], 'A')).toMatchObject({ settled: false, value: null });
});

test('a start-up that still falls is not settled, and is once it is over', () => {
  const start = (at: number) => 14 + 34 * Math.exp(-at / 2);
  expect(settle(stream(6, start), 'A').settled).toBe(false);
  expect(settle(stream(25, start), 'A').settled).toBe(true);
});

test('a slow drift inside the spread is not settled: it has not arrived', () => {
  expect(
    settle(
      stream(6, (at) => 60 + 0.12 * at),
      '°F',
    ).settled,
  ).toBe(false);
  expect(
    settle(
      stream(6, (at) => 60 + 0.02 * at),
      '°F',
    ).settled,
  ).toBe(true);
});

test('a jumping coil never settles', () => {
  expect(
    settle(
      stream(12, (at) => (Math.floor(at * 4) % 2 === 0 ? 14 : 9)),
      'Ω',
    ).settled,
  ).toBe(false);
});

test('one spike does not move the median', () => {
  const spiked = stream(6, (at) => (at === 5 ? 30 : 14.2));
  expect(settle(spiked, 'A').value).toBeCloseTo(14.2, 6);
  expect(settle(spiked, 'A').settled).toBe(false);
});

describe('air settles over minutes', () => {
  test('a stream that climbs 3 °F a minute stands still for five seconds and has not settled', () => {
    const climbing = stream(400, (at) => 60 + at / 20);
    expect(settle(climbing.slice(-24), '°F').settled).toBe(true);
    expect(settleAir(climbing).settled).toBe(false);
  });
  test('after a start it settles once the rest is flat, and not before three minutes of it', () => {
    const start = (at: number) => 56 + 5 * Math.exp(-at / 110);
    expect(settleAir(stream(200, start)).settled).toBe(false);
    expect(settleAir(stream(520, start)).settled).toBe(true);
    expect(settleAir(stream(100, () => 56))).toMatchObject({ settled: false, flatFor: 100 });
    expect(settleAir(stream(181, () => 56)).settled).toBe(true);
    expect(settleAir([])).toMatchObject({ settled: false, flatFor: 0 });
  });
});
