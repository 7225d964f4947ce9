import { dayOf, isoOf } from '../quantity/day.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import type { Because } from '../verdict/reasons.ts';
import { jobOfPart, type PartStands } from './job.ts';
import { minutesFor } from './minutes.ts';
import { seasonAt, USUAL_SEASON_STARTS } from './season-starts.ts';

const on = (day: string) => ({ today: dayOf(day), policy: DEFAULT_POLICY, seasons: USUAL_SEASON_STARTS });
const found = (...codes: string[]): Because => ({ code: 'finding', numbers: { found: codes } });
const trend = { code: 'trend-open', numbers: {} } as unknown as Because;
const part = (over: Partial<PartStands>): PartStands => ({
  slot: 'run-capacitor',
  systemKind: 'split-air-conditioner',
  standing: 'act',
  chance: 0.9,
  because: trend,
  kind: 'run-capacitor-capacitance',
  ...over,
});
const job = (over: Partial<PartStands>, day = '2026-11-26') => {
  const made = jobOfPart(part(over), on(day));
  return made && [made.does, made.before, isoOf(made.by)];
};

test('the season of a day, and when the next one begins', () => {
  expect(seasonAt(dayOf('2026-05-14'), USUAL_SEASON_STARTS)).toEqual({ now: 'heating', next: dayOf('2026-05-15') });
  expect(seasonAt(dayOf('2026-05-15'), USUAL_SEASON_STARTS)).toEqual({ now: 'cooling', next: dayOf('2026-10-15') });
  expect(seasonAt(dayOf('2026-12-01'), USUAL_SEASON_STARTS)).toEqual({ now: 'heating', next: dayOf('2027-05-15') });
});

test('what is sound or not known opens no job; what is unsafe is made safe at once', () => {
  expect(job({ standing: 'sound' })).toBeNull();
  expect(job({ standing: 'unproven' })).toBeNull();
  expect(job({ standing: 'stop', because: found('burnt-wire') })).toEqual(['make-safe', 'now', '2026-11-26']);
});

test('what acts is due within days in the season it serves, and before that season begins out of it', () => {
  // A capacitor of an air conditioner in November can wait for the first heat; that of a heat pump cannot.
  expect(job({})).toEqual(['replace', 'heat', '2027-05-15']);
  expect(job({ systemKind: 'split-heat-pump' })).toEqual(['replace', 'soon', '2026-12-03']);
  expect(job({}, '2026-07-01')).toEqual(['replace', 'soon', '2026-07-08']);
  expect(job({ slot: 'sequencer', because: found('never-closed') }, '2026-07-01')).toEqual([
    'replace',
    'frost',
    '2026-10-15',
  ]);
});

test('what only one season can prove waits for that season', () => {
  const split = { slot: 'air-side', because: found('anything'), kind: 'temperature-split' } as const;
  expect(job(split)).toEqual(['find-cause', 'heat', '2027-05-15']);
  expect(job(split, '2026-07-01')).toEqual(['find-cause', 'soon', '2026-07-08']);
});

test('a trend condemns only what wears by what it reads; anything else is measured again', () => {
  expect(job({ slot: 'compressor' })?.[0]).toBe('measure-again');
  expect(job({ slot: 'blower-capacitor' })?.[0]).toBe('replace');
});

test('on watch: what can be done is done by the next round, a likely failure too, and a look can wait', () => {
  expect(job({ standing: 'watch', chance: 0.1, slot: 'air-side', because: found('dirty-filter') })).toEqual([
    'clean',
    'round',
    '2027-04-15',
  ]);
  expect(job({ standing: 'watch', chance: 0.6 })).toEqual(['replace', 'round', '2027-04-15']);
  expect(job({ standing: 'watch', chance: 0.2 })).toBeNull();
});

test('minutes: a part’s own where it is known, the usual ones else', () => {
  expect([
    minutesFor('replace', 'compressor'),
    minutesFor('replace', 'thermostat'),
    minutesFor('propose', null),
  ]).toEqual([360, 45, 30]);
});
