import fc from 'fast-check';
import { dayOf } from '../quantity/day.ts';
import {
  believedThrough,
  learnPrior,
  someOf,
  threadOutlook,
  type Thread,
  type ThreadOutlook,
} from './thread-outlook.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { Because } from '../verdict/reasons.ts';
import { sayReason } from '../words/reasons.ts';

const say = (because: Because) => sayReason(because).replaceAll('\u00a0', ' ');

const DAYS = [0, 190, 360, 550, 740, 900, 1090].map((d) => dayOf('2023-10-01') + d);
const AT = dayOf('2026-10-15');
const plate = { capacitorRating: '40 µF 440 V ±6%' };

const capacitor = (values: readonly number[], more: Partial<Thread> = {}): Thread => ({
  kind: 'run-capacitor-capacitance',
  plate,
  readings: values.map((value, i) => ({ day: DAYS[i] ?? DAYS[0]! + 182 * i, value, method: 'bench' })),
  ...more,
});

function ahead(thread: Thread, at = AT, more: Pick<Parameters<typeof threadOutlook>[0], 'prior'> = {}): ThreadOutlook {
  const said = threadOutlook({ ...thread, ...more, at });
  if (said.outcome !== 'outlook') throw new Error(said.because);
  return said;
}
const codes = (o: ThreadOutlook) => o.reasons.map((r) => r.because.code);

describe('a capacitor', () => {
  test('that holds is sound; that falls is acted on before its limit, with the days of crossing in order', () => {
    expect(ahead(capacitor([40.6, 40.5, 40.7, 40.5, 40.6, 40.5]))).toMatchObject({ standing: 'sound' });
    const falling = ahead(capacitor([41.2, 40.5, 39.9, 39.2, 38.6, 38]));
    expect(falling).toMatchObject({ standing: 'act' });
    expect(falling.expected).toBeGreaterThan(36.6);
    expect(falling.expected).toBeLessThan(37.6);
    const { earliest, likely, latest } = falling.crossing!;
    expect(earliest!).toBeLessThanOrEqual(likely!);
    expect(likely!).toBeLessThanOrEqual(latest!);
    expect(say(falling.reasons[0]!.because)).toMatch(/in 10 to be under 37.6 µF by October 2026\. Down/);
  });

  test('read once: nothing is forecast, and what would begin it is said', () => {
    const once = ahead(capacitor([38]));
    expect(once).toMatchObject({ standing: 'unproven', expected: null, chancePastLimit: null });
    expect(say(once.reasons[0]!.because)).toMatch(/One reading so far.*bench/);
  });

  test('read twice is never acted on by trend alone; open chances are unproven with what settles them', () => {
    for (const last of [39.5, 38.8, 38.2, 37.8, 37.5, 37, 36]) {
      const twice = ahead(capacitor([40.5, last]));
      expect(twice.standing).not.toBe('act');
      if (twice.chancePastLimit! > 0.2 && twice.chancePastLimit! < 0.5) expect(codes(twice)).toEqual(['trend-open']);
    }
  });

  test('one odd reading in the middle is set aside: the line is as if it had not been taken', () => {
    const clean = ahead(capacitor([40.6, 40.5, 40.6, 40.5, 40.5, 40.5]));
    const odd = ahead(capacitor([40.6, 40.5, 33, 40.5, 40.5, 40.5]));
    expect(odd.expected).toBeCloseTo(clean.expected!, 1);
    expect(odd.standing).toBe('sound');
  });

  test('a newest reading far off is asked for again, and not called wear', () => {
    const odd = ahead(capacitor([40.6, 40.5, 40.6, 40.5, 33]));
    expect(codes(odd)).toEqual(['odd-point']);
    expect(odd).toMatchObject({ standing: 'watch', expected: null });
  });

  test('a step is told apart from wear: what follows it is a line of its own', () => {
    const stepped = ahead(capacitor([40.6, 40.5, 40.6, 38.2, 38.1, 38.2]));
    expect(codes(stepped)).toContain('stepped');
    const told = stepped.reasons.find((r) => r.because.code === 'stepped')!;
    expect(say(told.because)).toMatch(/Stepped from 40.6 to 38.2 µF between .* not counted as wear/);
    expect(stepped.expected!).toBeGreaterThan(37.7);
  });

  test('a curve only where the readings ask for it', () => {
    const bends = (values: readonly number[]) => {
      const reason = ahead(capacitor(values), AT).reasons.find((r) => r.because.code === 'trend')?.because;
      return reason?.code === 'trend' && reason.numbers.bends;
    };
    expect(bends([41, 40.6, 40.2, 39.8, 39.4, 39])).toBe(false);
    expect(bends([41, 41, 41, 40.8, 40.2, 39.1, 37.5])).toBe(true);
  });
});

describe('like for like', () => {
  const amps = (conditions: readonly Conditions[], value: (c: Conditions) => number): Thread => ({
    kind: 'compressor-amps',
    plate: { compressorRla: 18, volts: '208/230' },
    point: 'common',
    readings: conditions.map((c, i) => ({ day: DAYS[i]!, value: value(c), method: 'clamp', conditions: c })),
  });
  const weather = [70, 92, 74, 95, 72, 96].map((outdoorF) => ({ outdoorF, lineVolts: 240 }));
  const hot = ({ outdoorF = 82 }: Conditions) => 15 * (1 + 0.007 * (outdoorF - 82));

  test('amps that only follow the weather stand still', () => {
    const said = ahead(amps(weather, hot));
    expect(said.expected).toBeCloseTo(15, 0);
    expect(said.standing).toBe('sound');
  });

  test('without the weather the range is wider', () => {
    const width = (o: ThreadOutlook) => o.high80! - o.low80!;
    const unknown = amps(
      weather.map(() => ({})),
      () => 15,
    );
    const known = amps(
      weather.map(() => ({ outdoorF: 82, lineVolts: 240 })),
      () => 15,
    );
    expect(width(ahead(unknown))).toBeGreaterThan(1.5 * width(ahead(known)));
  });

  test('electric heat is followed as V/I (Ohm’s law): low volts are not a weak element', () => {
    const volts = [244, 238, 230, 226, 221, 216];
    const heater: Thread = {
      kind: 'heater-amps',
      plate: { heatKilowatts: 9.6, volts: '208/230' },
      point: 'total',
      readings: volts.map((lineVolts, i) => ({
        day: DAYS[i]!,
        value: (40 * lineVolts) / 240,
        method: 'clamp',
        conditions: { lineVolts },
      })),
    };
    expect(Math.abs(ahead(heater).expected! - 40)).toBeLessThan(0.3);
    expect(ahead(heater).standing).toBe('sound');
  });

  test('an event lets the level go elsewhere without calling it a step', () => {
    const blower: Thread = {
      kind: 'blower-amps',
      plate: { blowerFla: 5 },
      readings: [2.6, 2.62, 2.59, 3.7, 3.72, 3.71].map((value, i) => ({ day: DAYS[i]!, value, method: 'clamp' })),
    };
    const silent = ahead(blower);
    const told = ahead({ ...blower, events: [{ kind: 'blower-speed-changed', day: DAYS[2]! + 1 }] });
    expect(codes(silent)).toContain('stepped');
    expect(codes(told)).not.toContain('stepped');
  });
});

describe('properties', () => {
  const noise = fc.array(fc.double({ min: -0.3, max: 0.3, noNaN: true }), { minLength: 4, maxLength: 9 });
  const slopes = fc.double({ min: -1.5, max: 0.2, noNaN: true });
  const line = (slope: number, off: readonly number[]) => capacitor(off.map((e, i) => 41 + slope * (i / 2) + e));
  const range = (o: ThreadOutlook) => o.high80! - o.low80!;

  test('the order of readings changes nothing', () => {
    fc.assert(
      fc.property(slopes, noise, fc.integer(), (slope, off, turn) => {
        const thread = line(slope, off);
        const turned = [...thread.readings].sort((a, b) => ((a.day * 7919 + turn) % 13) - ((b.day * 7919 + turn) % 13));
        const there = ahead(thread);
        const back = ahead({ ...thread, readings: turned });
        expect(back).toEqual(there);
      }),
      { numRuns: 60 },
    );
  });

  test('adding a reading on the line narrows the range', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.6, max: 0, noNaN: true }), fc.integer({ min: 3, max: 7 }), (slope, n) => {
        const on = (count: number) =>
          capacitor(
            Array.from({ length: count }, (_, i) => 41 + slope * (i / 2)),
            {
              readings: Array.from({ length: count }, (_, i) => ({
                day: DAYS[0]! + 182 * i,
                value: 41 + slope * (i / 2),
                method: 'bench',
              })),
            },
          );
        const at = DAYS[0]! + 182 * (n + 2);
        expect(range(ahead(on(n + 1), at))).toBeLessThan(range(ahead(on(n), at)));
      }),
      { numRuns: 40 },
    );
  });

  test('a part ten times the size, read in the same shares, has the same chance: units change nothing', () => {
    fc.assert(
      fc.property(slopes, noise, (slope, off) => {
        // Errors are kept in proportion by methods whose error is a share alone.
        const small = line(slope, off);
        const readings = small.readings.map((r) => ({ ...r, method: 'under-load' }));
        const big = {
          ...small,
          plate: { capacitorRating: '80 µF 440 V ±6%' },
          readings: readings.map((r) => ({ ...r, value: 2 * r.value })),
        };
        const a = ahead({ ...small, readings });
        const b = ahead(big);
        if (a.chancePastLimit === null) return expect(b.chancePastLimit).toBeNull();
        expect(b.chancePastLimit).toBeCloseTo(a.chancePastLimit, 6);
        expect(b.expected).toBeCloseTo(2 * a.expected!, 5);
      }),
      { numRuns: 40 },
    );
  });

  test('the chance rises with the day asked for, for a part that falls', () => {
    const thread = capacitor([41, 40.5, 40, 39.6, 39.1, 38.6]);
    const chances = [200, 400, 600, 900].map((d) => ahead(thread, DAYS[5]! + d).chancePastLimit!);
    expect(chances).toEqual([...chances].sort((a, b) => a - b));
  });
});

describe('the fleet', () => {
  const fleet = (slopes: readonly number[]): Thread[] =>
    slopes.map((slope, n) => capacitor([0, 1, 2, 3, 4].map((i) => 40.5 + (slope * i) / 2 + 0.1 * (((i + n) % 3) - 1))));

  test('a fleet that falls makes a short thread fall with it; one that holds lets it hold', () => {
    const falls = learnPrior(fleet(Array.from({ length: 60 }, (_, n) => -0.9 - 0.01 * (n % 9))));
    const holds = learnPrior(fleet(Array.from({ length: 60 }, (_, n) => 0.02 * ((n % 5) - 2))));
    const short = capacitor([39.3, 39]);
    const [a, b] = [falls, holds].map((prior) => ahead(short, AT, { prior }).chancePastLimit!);
    expect(a).toBeGreaterThan(b! + 0.1);
  });

  test('it recovers what it was made of: shares and drifts of a made-up fleet', () => {
    const made = [
      ...Array.from({ length: 140 }, (_, n) => 0.02 * ((n % 5) - 2)),
      ...Array.from({ length: 60 }, (_, n) => -1.2 + 0.02 * (n % 7)),
    ];
    const learned = learnPrior(fleet(made)).classes['run-capacitor-capacitance']!;
    const fast = learned.classes.filter((c) => c.mean < -0.015).reduce((sum, c) => sum + c.share, 0);
    expect(fast).toBeGreaterThan(0.22);
    expect(fast).toBeLessThan(0.38);
    expect(learned.threads).toBe(200);
  });

  test('nothing to learn from teaches nothing; unknown kinds are left out', () => {
    expect(learnPrior([])).toEqual({ classes: {}, meters: {} });
    expect(learnPrior([{ kind: 'mood', plate: {}, readings: [] }])).toEqual({ classes: {}, meters: {} });
  });

  test('of a long list evenly spaced ones are taken, the same each time', () => {
    expect(someOf([0, 1, 2, 3, 4, 5, 6, 7, 8, 9], 3)).toEqual([0, 3, 6]);
    expect(someOf([1, 2], 3)).toEqual([1, 2]);
  });
});

test.each([
  [{ ...capacitor([40]), kind: 'mood' }, 'unknown-kind'],
  [capacitor([]), 'no-readings'],
  [capacitor([NaN, 40]), 'not-a-number'],
  [{ ...capacitor([40]), kind: 'gas-rise', systemKind: 'ductless-heat-pump' as const }, 'no-such-part'],
])('what cannot be said is said (%#)', (thread, because) => {
  expect(threadOutlook({ ...thread, at: AT })).toEqual({ outcome: 'cannot-say', because });
});

describe('what was believed at each visit', () => {
  const capacitor = (values: readonly (readonly [day: number, value: number, method?: string])[]) => ({
    kind: 'run-capacitor-capacitance',
    point: 'herm' as const,
    plate: { capacitorRating: '40+5 µF' },
    readings: values.map(([day, value, method = 'bench']) => ({ day, value, method })),
  });
  const days = [18_000, 18_180, 18_360, 18_540, 18_720];

  test('follows sound readings closely, and one belief a day comes of two methods', () => {
    const steady = capacitor([...days.map((day) => [day, 40] as const), [18_720, 41.2, 'under-load']]);
    const believed = believedThrough(steady);
    expect(believed.map((b) => b.day)).toEqual(days);
    for (const { value } of believed) expect(Math.abs(value - 40)).toBeLessThan(0.4);
  });

  test('an odd newest reading hardly moves it: the fray does not begin at the dot', () => {
    const odd = capacitor(days.map((day, n) => [day, n === 4 ? 31 : 40] as const));
    expect(believedThrough(odd).at(-1)?.value).toBeGreaterThan(36);
  });

  test('its last value is where the outlook begins; without readings there is none', () => {
    const falling = capacitor(days.map((day, n) => [day, 40 - n / 2] as const));
    const last = believedThrough(falling).at(-1)?.value ?? 0;
    expect(Math.abs(last - 38)).toBeLessThan(0.4);
    expect(believedThrough(capacitor([]))).toEqual([]);
  });
});
