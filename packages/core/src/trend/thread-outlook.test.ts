import { runCapacitorCapacitance as kind } from '../readings/run-capacitor-capacitance.ts';
import { POLICIES } from '../judgement/policy.ts';
import { departureFromLine, fitThread, isOdd, pointsOf, threadOutlookOf } from './thread-outlook.ts';

const steady = [0, 180, 360, 540].map((day, i) => ({ day, value: 40 + [0.1, -0.1, 0.1, 0][i]!, method: 'bench' }));

test('the method decides the error: under load is less certain than the bench', () => {
  const [bench] = pointsOf(kind, [{ day: 0, value: 40, method: 'bench' }]);
  const [load] = pointsOf(kind, [{ day: 0, value: 40, method: 'under-load' }]);
  expect(load?.error).toBeGreaterThan(bench?.error ?? 0);
});

test('a value far off its own line is odd, one near it is not', () => {
  const policy = POLICIES.printed;
  expect(isOdd(departureFromLine(kind, steady, { day: 720, value: 34, method: 'bench' }, 40), policy)).toBe(true);
  expect(isOdd(departureFromLine(kind, steady, { day: 720, value: 39.6, method: 'bench' }, 40), policy)).toBe(false);
});

test('no line is established by fewer than three readings', () => {
  expect(departureFromLine(kind, steady.slice(0, 2), { day: 720, value: 20, method: 'bench' }, 40)).toBeNull();
});

test('a thread without readings has no outlook', () => {
  expect(threadOutlookOf(kind, [], 40, { lower: 37.6 }, 900)).toEqual({ outcome: 'cannot-say', n: 0 });
  expect(fitThread(kind, [], 40)).toMatchObject({ outcome: 'cannot-say' });
});

test('order of readings changes nothing', () => {
  const there = threadOutlookOf(kind, steady, 40, { lower: 37.6 }, 900);
  const back = threadOutlookOf(kind, [...steady].reverse(), 40, { lower: 37.6 }, 900);
  expect(there.outcome === 'outlook' && there.outlook.expected).toBeCloseTo(
    back.outcome === 'outlook' ? back.outlook.expected : NaN,
    9,
  );
});
