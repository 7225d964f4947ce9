import { OFFERED_FOR_MS, streamAfter } from './probes.ts';

/** Four samples a second of house time, from a function of time. */
const heard = (seconds: number, value: (at: number) => number) => ({
  samples: Array.from({ length: 4 * seconds }, (_, n) => ({ at: n / 4, value: value(n / 4) })),
  over: 0,
});
const steady = heard(8, () => 12.4);
const moving = heard(8, (at) => 12 + at);
const volts = { unit: 'V' as const, isAir: false };

test('what has settled is offered', () => {
  const { listening } = streamAfter(steady, volts, null, 0);
  expect(listening).toMatchObject({ status: 'live', settled: { settled: true }, offered: { value: 12.4 } });
});

test('what moves on may still be taken for as long as a finger is on its way, and no longer', () => {
  const before = streamAfter(steady, volts, null, 1000).offered;
  const on = streamAfter(moving, volts, before, 1000 + OFFERED_FOR_MS - 1);
  expect(on.listening).toMatchObject({ settled: { settled: false }, offered: { settled: true, value: 12.4 } });
  const off = streamAfter(moving, volts, on.offered, 1000 + OFFERED_FOR_MS);
  expect(off.listening).toMatchObject({ offered: null });
});

test('the latest that settled is what is offered', () => {
  const before = streamAfter(steady, volts, null, 0).offered;
  const again = streamAfter(
    heard(8, () => 13.1),
    volts,
    before,
    500,
  );
  expect(again.offered).toMatchObject({ settled: { value: 13.1 }, until: 500 + OFFERED_FOR_MS });
});

test('air settles over minutes: what stands still for seconds is not offered', () => {
  expect(
    streamAfter(
      heard(20, () => 75),
      { unit: '°F', isAir: true },
      null,
      0,
    ).listening,
  ).toMatchObject({
    offered: null,
  });
});

test('OL is told once it has held', () => {
  expect(streamAfter({ samples: [], over: 9 }, volts, null, 0).listening).toMatchObject({ over: false });
  expect(streamAfter({ samples: [], over: 10 }, volts, null, 0).listening).toMatchObject({ over: true });
});
