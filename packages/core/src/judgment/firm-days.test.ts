import { componentView, idAt, readingView, systemView } from '../testing/views.ts';
import { dayOf, isoOf } from '../quantity/day.ts';
import { dayIn } from '../quantity/day-in.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { assessSystem } from './assess-system.ts';
import { happened } from './events.ts';
import { threadsOfSystem } from './threads-of-system.ts';

const DENVER = 'America/Denver';

test('a day is the firm’s on both sides of midnight UTC, through both moves of the clocks', () => {
  // Half past eleven at night in Denver is tomorrow in UTC, in winter (−7 h) and in summer (−6 h).
  expect(isoOf(dayIn(DENVER, '2026-12-01T06:30:00Z'))).toBe('2026-11-30');
  expect(isoOf(dayIn(DENVER, '2026-12-01T07:00:00Z'))).toBe('2026-12-01');
  expect(isoOf(dayIn(DENVER, '2026-07-01T05:30:00Z'))).toBe('2026-06-30');
  expect(isoOf(dayIn(DENVER, '2026-07-01T06:00:00Z'))).toBe('2026-07-01');
  // East of Greenwich it is the other way about.
  expect(isoOf(dayIn('Pacific/Auckland', '2026-11-30T11:30:00Z'))).toBe('2026-12-01');
});

// Outside check: the runtime's own formatter, which knows nothing of the offsets that are kept here.
test('every quarter of an hour of days on which clocks are moved is the day that the formatter says', () => {
  for (const [zone, days] of [
    [DENVER, ['2026-03-08', '2026-11-01']],
    ['Australia/Lord_Howe', ['2026-04-04', '2026-10-03']],
    ['Asia/Kathmandu', ['2026-05-05']],
  ] as const) {
    const format = new Intl.DateTimeFormat('en-CA', { timeZone: zone, dateStyle: 'short' });
    for (const day of days)
      for (let ms = Date.parse(`${day}T00:00:00Z`) - 43_200_000, n = 0; n < 192; n += 1, ms += 900_000) {
        const iso = new Date(ms).toISOString();
        expect([iso, isoOf(dayIn(zone, iso))]).toEqual([iso, format.format(ms)]);
      }
  }
});

describe('a thread', () => {
  const cap = { ...componentView({ id: 'cap' }), plate: { rating: '40 µF 440 V' }, fittedOn: null };
  const evening = readingView('2026-12-01', { value: 40.2, point: 'single', takenAt: '2026-12-01T06:30:00.000Z' });
  const { kind, plate, readings } = systemView({ readings: [evening] });
  const lastDay = (zone?: string) => {
    const system = { kind, plate, components: [cap], zone };
    const [thread] = assessSystem(system, readings, { nextRound: 20_900, policy: DEFAULT_POLICY }).threads;
    return isoOf(thread!.state.lastDay);
  };

  test('has a reading of half past eleven at night on the day that the firm says it was', () => {
    expect([lastDay(DENVER), lastDay('UTC'), lastDay()]).toEqual(['2026-11-30', '2026-12-01', '2026-12-01']);
  });

  test('is learned from by the same days', () => {
    const [thread] = threadsOfSystem({ kind, plate, components: [cap], zone: DENVER }, readings);
    expect(thread?.readings.map(({ day }) => isoOf(day))).toEqual(['2026-11-30']);
  });
});

test('a repair noted at half past eleven at night happened at that moment of the firm’s day', () => {
  const noted = { id: idAt('2026-12-01T06:30:00.000Z'), kind: 'filter-changed', on: '2026-11-30' } as const;
  expect(happened(noted, DENVER)).toMatchObject({ day: dayOf('2026-11-30'), at: '2026-12-01T06:30:00.000Z' });
  expect(happened(noted).at).toBeUndefined();
});
