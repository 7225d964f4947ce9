import { enter, judged } from '../../testing/reading.ts';
import { defrostSettings } from './defrost-settings.ts';
import { defrostDuration as kind } from './defrost-duration.ts';

const run = {
  startF: 28,
  seen: 'valve-shifts,outdoor-fan-stops,compressor-runs,auxiliary-heat-on',
  seconds: 240,
  endF: 72,
  endedBy: 'temperature',
  frost: 'none',
} as const;
const plate = { heatKilowatts: 10, defrostTerminationF: 70 };

test('a clean defrost of four minutes is sound', () => {
  const verdict = judged(kind, run, { plate });
  expect(verdict).toMatchObject({ standing: 'sound', value: 4 });
});

test.each([
  [{ frost: 'bands' }, 'watch', 'frost-in-bands'],
  [{ frost: 'block' }, 'act', 'frost-as-block'],
  [{ endedBy: 'time-limit' }, 'watch', 'ended-by-limit'],
  [{ seen: 'valve-shifts,compressor-runs,auxiliary-heat-on' }, 'act', 'fan-kept-running'],
  [{ seen: 'outdoor-fan-stops,compressor-runs,auxiliary-heat-on' }, 'act', 'valve-did-not-shift'],
  [{ endF: 50 }, 'watch', 'ended-early'],
])('%j is %s: %s', (over, standing, found) => {
  expect(judged(kind, { ...run, ...over }, { plate })).toMatchObject({
    standing,
    because: { numbers: { found: found.split(',') } },
  });
});

test('on a warm coil time and frost prove nothing; what was seen to stay still counts', () => {
  expect(judged(kind, { ...run, startF: 48 }, { plate }).because.numbers).toMatchObject({
    found: ['coil-too-warm-to-test'],
  });
  const fan = judged(kind, { ...run, startF: 48, seen: 'valve-shifts,compressor-runs,auxiliary-heat-on' }, { plate });
  expect(fan).toMatchObject({
    standing: 'act',
    because: { numbers: { found: ['fan-kept-running', 'coil-too-warm-to-test'] } },
  });
});

test('a test in which nothing happened was not started: never three failed parts', () => {
  for (const seen of ['none-of-them', 'compressor-runs']) {
    const verdict = judged(kind, { ...run, seen }, { plate });
    expect(verdict).toMatchObject({ standing: 'unproven', because: { numbers: { found: ['test-not-started'] } } });
    expect(verdict.says).toMatch(/board and its command, then its sensors/);
  }
});

test('cut short by hand, or over in seconds, it says nothing of time and frost; what stayed still counts', () => {
  for (const [over, found] of [
    [{ endedBy: 'by-hand', frost: 'bands' }, 'ended-by-hand'],
    [{ seconds: 4 }, 'defrost-too-short'],
  ] as const)
    expect(judged(kind, { ...run, ...over }, { plate })).toMatchObject({
      ...{ standing: 'unproven', value: null, because: { numbers: { found: [found] } } },
    });
  const still = { ...run, seconds: 4, seen: 'valve-shifts,compressor-runs,auxiliary-heat-on' };
  expect(judged(kind, still, { plate }).standing).toBe('act');
});

test('frost that is left when its time is up is no matter of the setting', () => {
  const verdict = judged(kind, { ...run, endedBy: 'time-limit', frost: 'bands' }, { plate });
  expect(verdict).toMatchObject({ because: { numbers: { found: ['frost-at-limit', 'ended-by-limit'] } } });
  expect(verdict.says).not.toMatch(/raise/);
});

test('it is held against the setting that was read on this visit, not against an older record', () => {
  const at50 = { ...run, endF: 52 };
  expect(judged(kind, at50, { plate }).because.numbers).toMatchObject({ found: ['ended-early'] });
  expect(judged(kind, at50, { plate, conditions: { terminationF: 50 } }).standing).toBe('sound');
  const told = defrostSettings.tells?.(
    { inputs: { termination: '50', interval: '60' }, value: null, findings: [], point: 'whole' },
    { terminationF: 70 },
  );
  expect(told).toEqual({ terminationF: 50 });
});

test('what hangs loose hides what it would show', () => {
  const lifted = { plate, conditions: { loose: ['strip-wire-lifted'] } };
  expect(judged(kind, { ...run, seen: 'valve-shifts,outdoor-fan-stops,compressor-runs' }, lifted).standing).toBe(
    'sound',
  );
  const pulled = { plate, conditions: { loose: ['fan-lead-pulled'] } };
  expect(judged(kind, { ...run, seen: 'valve-shifts,compressor-runs,auxiliary-heat-on' }, pulled).standing).toBe(
    'sound',
  );
});

test('a coil that ends colder than it began is asked about', () => {
  expect(enter(kind, { ...run, endF: 20 }, { plate }).outcome).toBe('questioned');
});
