import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { componentView, idAt, readingView, systemView } from '../testing/views.ts';
import { PROOF_WORDS, sayProved } from '../words/proof.ts';
import { proofsAlong } from './proofs-along.ts';

const fresh = idAt('2026-10-10T14:20:00Z');
const visit = (id: string, day: string, over: object = {}) => ({
  id,
  systemId: 'sys',
  season: 'fall' as const,
  startedAt: `${day}T14:00:00.000Z`,
  closedAt: `${day}T16:00:00.000Z`,
  note: null,
  personName: 'Test Person',
  call: null,
  ...over,
});
const part = (id: string, over: object) =>
  componentView({ id, slot: 'run-capacitor', kind: 'run-capacitor', plate: { rating: '40+5 µF ±6 %' }, ...over });
const reading = (id: string, componentId: string, takenAt: string, value: number, visitId: string) =>
  readingView(takenAt.slice(0, 10), { id, componentId, takenAt, value, visitId });
const system = systemView({
  components: [
    part('old', { removedOn: '2026-10-10', removedReason: 'HERM weak' }),
    part(fresh, { fittedOn: '2026-10-10', replaces: 'old' }),
  ],
  visits: [visit('late', '2026-10-10'), visit('early', '2026-09-30'), visit('since', '2026-11-01')],
  readings: [
    reading('a', 'old', '2026-09-30T14:10:00.000Z', 35, 'early'),
    reading('b', fresh, '2026-10-10T14:30:00.000Z', 40.3, 'late'),
    reading('c', fresh, '2026-11-01T14:30:00.000Z', 40.2, 'since'),
  ],
});
const along = (of: typeof system, point: 'herm' | 'fan' = 'herm') =>
  proofsAlong(
    of,
    { slot: 'run-capacitor', kind: 'run-capacitor-capacitance', point },
    { policy: DEFAULT_POLICY, now: '2026-11-20T12:00:00.000Z' },
  );

test('a thread shows its step with its cause: what was found before the repair, and read after it', () => {
  const steps = along(system);
  expect(steps.map(({ repair, read }) => [repair.title, repair.at, PROOF_WORDS[read.verdict]])).toEqual([
    ['New run capacitor', '2026-10-10T14:20:00.000Z', 'Proved'],
  ]);
  expect(sayProved(steps[0]!.read).replaceAll('\u00a0', ' ')).toMatch(/^35\.0 µF before, 40\.3 µF after, \+5\.3.* ± /);
});

test('what was not read again is still to be proved; another thread has no step', () => {
  const unread = { ...system, readings: system.readings.filter(({ id }) => id === 'a') };
  expect(along(unread).map(({ read }) => [read.verdict, read.after])).toEqual([['owed', null]]);
  expect(along(system, 'fan')).toEqual([]);
  expect(along({ ...system, components: [part('old', {})] })).toEqual([]);
});

test('a visit under way counts up to now', () => {
  const open = { ...system, visits: [visit('late', '2026-10-10', { closedAt: null })] };
  expect(along(open)).toHaveLength(1);
});
