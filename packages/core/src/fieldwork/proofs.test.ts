import { componentView, idAt as idOf, systemView } from '../testing/views.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { roundProofs, unproved } from './proofs.ts';
import { newRound, placeKey, type LocalEvent, type LocalReading, type RoundRecord } from './round-record.ts';
import { takeEntry } from './transitions.ts';
import { roundView } from './view-round.ts';

const now = Date.parse('2026-10-10T15:00:00Z');
const visitId = 'visit-now';
/** A time-ordered id of a moment of the day. */
const idAt = (time: string): string => idOf(`2026-10-10T${time}:00Z`);
const component = (id: string, slot: 'outdoor-fan' | 'compressor') => componentView({ id, slot, kind: slot });
const system = systemView({
  plate: { outdoorFanFla: 1.2, compressorRla: 19.9 },
  components: [component('fan', 'outdoor-fan'), component('comp', 'compressor')],
});
const amps = (id: string, time: string, value: number, over: object = {}): LocalReading => ({
  id,
  value,
  findings: [],
  reading: {
    visitId,
    componentId: 'fan',
    kind: 'outdoor-fan-amps',
    point: 'whole',
    method: 'clamp',
    inputs: { amps: value },
    takenAt: `2026-10-10T${time}:00.000Z`,
    conditions: {},
    confirmed: true,
    ...over,
  },
});
const cleaned = (time: string, withdrawn = false): LocalEvent => ({
  id: idAt(time),
  event: { visitId, kind: 'outdoor-coil-cleaned', on: '2026-10-10', note: null, change: null, withdrawn },
});
const start = newRound(visitId, 'sys', '2026-10-10T14:00:00.000Z');
const fanKey = placeKey({ componentId: 'fan', kind: 'outdoor-fan-amps', point: 'whole', method: 'clamp' });
const view = (record: RoundRecord, of = system) => roundView(of, record, DEFAULT_POLICY, now);
const proofs = (record: RoundRecord) => roundProofs(system, visitId, view(record));
const fieldOf = (record: RoundRecord) =>
  view(record)
    .stops.flatMap((s) => s.fields)
    .find((f) => f.key === fanKey)!;

const found = { ...start, readings: [amps('a', '14:10', 1.6)] };
const repaired = { ...found, events: [cleaned('14:20')] };

test('a repair is owed its proof while what was wrong has not been read again', () => {
  expect(proofs(found)).toEqual([]);
  const [proof] = proofs(repaired);
  expect(proof).toMatchObject({ verdict: 'owed', repair: { title: 'Outdoor coil cleaned' } });
  expect(proof?.readings.map((r) => [r.kind.id, r.before.standing, r.after])).toEqual([
    ['outdoor-fan-amps', 'act', null],
  ]);
  expect(unproved(proofs(repaired), {})).toHaveLength(1);
  expect(unproved(proofs(repaired), { [idAt('14:20')]: 'dark by then' })).toEqual([]);
  expect(proofs({ ...found, events: [cleaned('14:20', true)] })).toEqual([]);
});

test('the reading after it is no correction: both stay, and prove it together', () => {
  const field = fieldOf(repaired);
  expect(field.again?.title).toBe('Outdoor coil cleaned');
  expect(fieldOf(found).again).toBeNull();
  const given = { now: '2026-10-10T14:30:00.000Z', id: 'b' };
  const taking = takeEntry(repaired, field, { amps: 1.0 }, given);
  if (taking.outcome !== 'taken') throw new Error('not taken');
  expect(taking.reading.reading.supersedes).toBeUndefined();
  const after = { ...repaired, readings: [...repaired.readings, taking.reading] };
  expect(proofs(after)[0]).toMatchObject({
    verdict: 'proved',
    readings: [{ before: { value: 1.6 }, after: { value: 1 } }],
  });
  // Without a repair between them the second one corrects the first.
  const corrected = takeEntry(found, fieldOf(found), { amps: 1.0 }, given);
  expect(corrected).toMatchObject({ reading: { reading: { supersedes: 'a' } } });
});

test('a part that another device fitted since the round began is a repair here too', () => {
  const fresh = { ...component('fresh', 'outdoor-fan'), id: idAt('14:20'), replaces: 'fan', fittedOn: '2026-10-10' };
  const old = { ...component('fan', 'outdoor-fan'), removedOn: '2026-10-10' };
  const there = { ...system, components: [old, fresh, component('comp', 'compressor')] };
  const [proof] = roundProofs(there, visitId, view(found, there));
  expect(proof).toMatchObject({ verdict: 'owed', repair: { title: 'New outdoor fan motor' } });
  // One that was fitted on a round before is none of this one's.
  const earlier = { ...there, components: [old, { ...fresh, id: idAt('13:20') }, component('comp', 'compressor')] };
  expect(roundProofs(earlier, visitId, view(found, earlier))).toEqual([]);
});

test('a part that was found bad on an earlier visit and is changed on this one is proved by the new one', () => {
  const fresh = { ...component('fresh', 'outdoor-fan'), id: idAt('14:20'), replaces: 'fan', fittedOn: '2026-10-10' };
  const old = { ...component('fan', 'outdoor-fan'), removedOn: '2026-10-10' };
  const kept = (r: LocalReading, of: string) => ({ ...r.reading, id: r.id, value: r.value, findings: [], visitId: of });
  const before = kept(amps('a', '14:10', 1.6, { takenAt: '2026-10-01T15:00:00.000Z' }), 'earlier');
  const there = {
    ...system,
    components: [old, fresh, component('comp', 'compressor')],
    readings: [before as never],
  };
  const [proof] = roundProofs(there, visitId, view(start, there));
  expect(proof).toMatchObject({ verdict: 'owed', readings: [{ before: { value: 1.6 }, after: null }] });
  const after = amps('b', '14:30', 1.0, { componentId: idAt('14:20') });
  const read = { ...start, readings: [after] };
  expect(roundProofs(there, visitId, view(read, there))[0]).toMatchObject({
    verdict: 'proved',
    readings: [{ before: { value: 1.6 }, after: { value: 1 } }],
  });
});

test('the same figure after a repair is a reading too: not the cause', () => {
  const taking = takeEntry(repaired, fieldOf(repaired), { amps: 1.6 }, { now: '2026-10-10T14:30:00.000Z', id: 'b' });
  if (taking.outcome !== 'taken') throw new Error('not taken');
  const after = { ...repaired, readings: [...repaired.readings, taking.reading] };
  expect(proofs(after)[0]).toMatchObject({ verdict: 'not-the-cause' });
});

test('the thread parts at the repair and not at the day', () => {
  const after = { ...repaired, readings: [...repaired.readings, amps('b', '14:30', 1.0)] };
  const state = view(after).assessment.threads.find((t) => t.state.kind === 'outdoor-fan-amps')!.state;
  // What was read before it is no baseline of what comes after.
  expect(state.numeric?.baseline).toMatchObject({ value: 1, readings: 1 });
  expect(state.reasons.some((r) => r.because.code === 'odd-point' || r.because.code === 'stepped')).toBe(false);
});
