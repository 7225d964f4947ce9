import type { ReadingView } from '../http/readings.ts';
import type { ComponentView, SystemDetail } from '../http/systems.ts';
import { componentView, readingView, systemView } from '../testing/views.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import {
  newRound,
  placeKey,
  withoutDraft,
  withFollowUp,
  withLooseEnd,
  withPart,
  withReading,
  withRefusal,
  withText,
  type LocalReading,
  type RoundRecord,
} from './round-record.ts';
import { isTelling, roundChanges } from './round-changes.ts';
import { isTaken, missingFields, type RoundField } from './round-view.ts';
import { putOffField, notedReading, takeEntry, takeField, toRestore, typedInto, withStopBegun } from './transitions.ts';
import { sayField, sayOutdoorProblem } from '../words/field.ts';
import { roundView } from './view-round.ts';

const now = Date.parse('2026-10-10T15:00:00Z');
const visitId = 'visit-now';
const past = (value: number, day: string, over: Partial<ReadingView> = {}): ReadingView =>
  readingView(day, { value, inputs: { microfarads: value }, ...over });
const component = (id: string, slot: ComponentView['slot'], kind: ComponentView['kind'], rating?: string) =>
  componentView({ id, slot, kind, plate: rating ? { rating } : {} });
const system = systemView({
  plate: { compressorRla: 19.9 },
  components: [
    component('supply', 'supply', 'supply'),
    component('comp', 'compressor', 'compressor'),
    component('cap', 'run-capacitor', 'run-capacitor', '40+5 µF 440 V'),
  ],
  readings: [past(41.2, '2024-10-10'), past(40.6, '2025-04-10'), past(40.1, '2025-10-10'), past(39.6, '2026-04-10')],
});
const start = newRound(visitId, 'sys', '2026-10-10T14:00:00.000Z');
const benchKey = placeKey({ componentId: 'cap', kind: 'run-capacitor-capacitance', point: 'herm', method: 'bench' });
const loadKey = placeKey({
  componentId: 'cap',
  kind: 'run-capacitor-capacitance',
  point: 'herm',
  method: 'under-load',
});
const view = (record: RoundRecord, of: SystemDetail = system) => roundView(of, record, DEFAULT_POLICY, now);
const field = (record: RoundRecord, key: string, of?: SystemDetail): RoundField => {
  const found = view(record, of)
    .stops.flatMap((s) => s.fields)
    .find((f) => f.key === key);
  if (!found) throw new Error(`no field ${key}`);
  return found;
};
const typed = (text: string, key = benchKey, input = 'microfarads') => withText(start, key, input, text);
const local = (id: string, value: number, over: Partial<LocalReading['reading']> = {}): LocalReading => ({
  id,
  value,
  findings: [],
  reading: {
    visitId,
    componentId: 'cap',
    kind: 'run-capacitor-capacitance',
    point: 'herm',
    method: 'bench',
    inputs: { microfarads: value },
    takenAt: '2026-10-10T14:30:00.000Z',
    conditions: {},
    confirmed: false,
    ...over,
  },
});

describe('a field', () => {
  test('is empty with its past beside it: latest first', () => {
    expect(field(start, benchKey)).toMatchObject({
      typed: 'nothing',
      state: 'open',
      verdict: null,
      before: [{ value: 39.6 }, { value: 40.1 }, { value: 40.6 }, { value: 41.2 }],
    });
  });

  test('is judged as it is typed', () => {
    expect(field(typed('39.2'), benchKey)).toMatchObject({
      typed: 'ready',
      verdict: { standing: expect.any(String) as string, value: 39.2 },
    });
    expect(field(typed('36'), benchKey)).toMatchObject({ typed: 'ready', verdict: { standing: 'act' } });
  });

  test('questions 400 µF and offers 40', () => {
    const asked = field(typed('400'), benchKey);
    expect(asked).toMatchObject({ typed: 'questioned', perhaps: { input: 'microfarads', value: 40 } });
    expect(sayField(asked.told)).toEqual([expect.stringContaining('Did you mean 40?')]);
  });

  test.each([
    ['forty', 'not a number'],
    ['-3', 'below zero'],
    ['1000000000', 'beyond any meter'],
    ['NaN', 'not a number'],
  ])('refuses %s with a sentence', (text, words) => {
    const refused = field(typed(text), benchKey);
    expect(refused).toMatchObject({ typed: 'refused', badInput: 'microfarads', verdict: null, entry: null });
    expect(sayField(refused.told)[0]).toContain(words);
  });

  test('of two inputs waits for the second, then works the value out', () => {
    const half = withText(start, loadKey, 'amps', '5.4');
    expect(field(half, loadKey).typed).toBe('unfinished');
    expect(field(withText(half, loadKey, 'volts', '370'), loadKey)).toMatchObject({
      typed: 'ready',
      entry: { check: { value: expect.closeTo(38.71, 2) as number } },
    });
  });

  test('holds OL for an open section', () => {
    expect(field(typed('OL'), benchKey)).toMatchObject({ typed: 'ready', verdict: { standing: 'act' } });
  });
});

describe('a reading taken here', () => {
  const taken = withReading(typed('39.2'), benchKey, local('new1', 39.2));

  test('counts at once, with its text in the field and its draft gone', () => {
    expect(taken.drafts).toEqual({});
    expect(field(taken, benchKey)).toMatchObject({
      typed: 'nothing',
      state: 'taken',
      texts: { microfarads: '39.2' },
      taken: { id: 'new1' },
    });
  });

  test('is not its own past', () => {
    expect(field(taken, benchKey).before.map((b) => b.value)).toEqual([39.6, 40.1, 40.6, 41.2]);
  });

  test('counts once when the server has it too', () => {
    const both = { ...system, readings: [...system.readings, past(39.2, '2026-10-10', { id: 'new1', visitId })] };
    expect(view(taken, both).readings.filter((r) => r.id === 'new1')).toHaveLength(1);
  });

  test('gives way to its correction', () => {
    const corrected = withReading(
      taken,
      benchKey,
      local('new2', 38.9, { supersedes: 'new1', takenAt: '2026-10-10T14:31:00.000Z' }),
    );
    expect(field(corrected, benchKey)).toMatchObject({ taken: { id: 'new2' }, texts: { microfarads: '38.9' } });
  });

  test('refused by the office no longer counts, but its field says so', () => {
    const refused = withRefusal(taken, 'new1', 'This round is closed.');
    const there = field(refused, benchKey);
    expect(there).toMatchObject({ typed: 'nothing', state: 'open' });
    expect(sayField(there.told)).toEqual(['The office did not take 39.2: This round is closed.']);
  });

  test('a draft over it can be dropped', () => {
    const typedOver = withText(taken, benchKey, 'microfarads', '7');
    expect(isTaken(field(typedOver, benchKey))).toBe(false);
    expect(isTaken(field(withoutDraft(typedOver, benchKey), benchKey))).toBe(true);
  });
});

describe('conditions', () => {
  test('line volts are entered once, at their field, and doubt the meter on the line', () => {
    const volts = withReading(start, 'x', {
      ...local('lv', 246, {
        componentId: 'supply',
        kind: 'line-volts',
        point: 'whole',
        method: 'meter',
        inputs: { volts: 246 },
      }),
    });
    expect(view(volts).conditions).toMatchObject({ lineVolts: 246 });
    const load = withText(withText(volts, loadKey, 'amps', '3.6'), loadKey, 'volts', '250');
    expect(field(load, loadKey).typed).toBe('questioned');
    expect(sayField(field(load, loadKey).told)).toEqual([expect.stringContaining('246')]);
  });

  test('outdoor air is taken when it is a temperature', () => {
    expect(view({ ...start, outdoorText: '-4' })).toMatchObject({ conditions: { outdoorF: -4 }, outdoorProblem: null });
    for (const [text, says] of [
      ['mild', 'not a number'],
      ['200', '200 °F is above'],
    ] as const) {
      const { conditions, outdoorProblem } = view({ ...start, outdoorText: text });
      expect(conditions).not.toHaveProperty('outdoorF');
      expect(sayOutdoorProblem(outdoorProblem!)).toContain(says);
    }
  });
});

describe('a part replaced on the spot', () => {
  const fitted = { replaces: 'cap', fittedOn: '2026-10-10', plate: { rating: '45+5 µF 440 V' }, reason: 'HERM weak' };
  const replaced = withPart(start, { id: 'cap2', fitted });

  test('has its own empty fields at once, and the old one’s past is not its own', () => {
    const key = benchKey.replace('cap/', 'cap2/');
    expect(field(replaced, key)).toMatchObject({
      typed: 'nothing',
      state: 'open',
      before: [],
      planned: { component: { isNew: true, plate: { rating: '45+5 µF 440 V' } } },
    });
    expect(() => field(replaced, benchKey)).toThrow();
  });

  test('may itself be replaced', () => {
    const again = withPart(replaced, { id: 'cap3', fitted: { ...fitted, replaces: 'cap2' } });
    expect(
      view(again)
        .components.filter((c) => c.slot === 'run-capacitor')
        .map((c) => c.id),
    ).toEqual(['cap3']);
  });

  test('refused by the office, the old one is back', () => {
    expect(view(withRefusal(replaced, 'cap2', 'no')).components.map((c) => c.id)).toContain('cap');
  });
});

describe('at the close', () => {
  test('what changed is told against how it stood before', () => {
    const record = withReading(start, benchKey, local('new1', 37));
    const changes = roundChanges(system, visitId, view(record));
    expect(changes).toHaveLength(1);
    expect(changes[0]).toMatchObject({
      turn: 'worse',
      standing: 'act',
      now: 37,
      before: { value: 39.6 },
      point: 'herm',
    });
    expect(isTelling(changes[0]!)).toBe(true);
  });

  test('nothing taken, nothing changed', () => {
    expect(roundChanges(system, visitId, view(start))).toEqual([]);
  });
});

describe('what is done on a round', () => {
  const given = { now: '2026-10-10T14:40:00.000Z', id: 'new' };

  test('what is ready is taken as it was entered; what is questioned waits for its yes', () => {
    const ready = typed('39.2');
    expect(takeField(ready, field(ready, benchKey), false, given)).toMatchObject({
      outcome: 'taken',
      reading: { id: 'new', value: 39.2, reading: { inputs: { microfarads: 39.2 }, takenAt: given.now } },
    });
    const asked = typed('400');
    expect(takeField(asked, field(asked, benchKey), false, given).outcome).toBe('not-yet');
    expect(takeField(asked, field(asked, benchKey), true, given)).toMatchObject({
      outcome: 'taken',
      reading: { reading: { confirmed: true } },
    });
    const nothing = typed('');
    expect(takeField(nothing, field(nothing, benchKey), false, given).outcome).toBe('not-yet');
  });

  test('the same typed again changes nothing; another figure supersedes, and an erased one is still owed', () => {
    const taken = withReading(typed('39.2'), benchKey, local('new1', 39.2));
    const again = typedInto(taken, field(taken, benchKey), 'microfarads', '39.2');
    expect(takeField(again, field(again, benchKey), false, given).outcome).toBe('as-before');
    const other = typedInto(taken, field(taken, benchKey), 'microfarads', '38.8');
    expect(takeField(other, field(other, benchKey), false, given)).toMatchObject({
      reading: { reading: { supersedes: 'new1' } },
    });
    const erased = typedInto(taken, field(taken, benchKey), 'microfarads', '');
    expect(field(erased, benchKey)).toMatchObject({ typed: 'unfinished', state: 'taken' });
    expect(missingFields(view(erased).stops).map((m) => m.field.key)).toContain(benchKey);
    expect(missingFields(view(taken).stops).map((m) => m.field.key)).not.toContain(benchKey);
  });

  test('a note takes the place of the reading without one: the same figures, of the same moment', () => {
    const taken = withReading(typed('39.2'), benchKey, local('new1', 39.2));
    const before = field(taken, benchKey).taken!;
    const noted = notedReading(taken, before, 'lugs were loose', 'new2');
    const after = field(withReading(taken, benchKey, noted), benchKey);
    expect(after.taken).toMatchObject({ id: 'new2', value: 39.2, note: 'lugs were loose', takenAt: before.takenAt });
    expect(noted.reading).toMatchObject({ supersedes: 'new1', inputs: before.inputs });
    // Taken away again, nothing is left of it.
    const without = notedReading(taken, after.taken!, '', 'new3');
    expect(without.reading).not.toHaveProperty('note');
  });

  test('a choice is taken whole, one that is none of them not at all', () => {
    const looks = placeKey({ componentId: 'cap', kind: 'run-capacitor-capacitance', point: 'can', method: 'looks' });
    const at = field(start, looks);
    expect(takeEntry(start, at, { finding: 'bulged' }, given)).toMatchObject({
      outcome: 'taken',
      reading: { value: null, findings: ['can-bulged'] },
    });
    expect(takeEntry(start, at, { finding: 'purple' }, given).outcome).toBe('not-yet');
  });

  test('what is put off has its reason and its day, and is missed no more', () => {
    const off = putOffField(start, field(start, benchKey), { reason: 'rain', note: ' wet ' }, given);
    expect(off.followUp).toMatchObject({ reason: 'rain', note: 'wet', dueOn: '2026-10-24' });
    const record = withFollowUp(start, off);
    expect(field(record, benchKey)).toMatchObject({ typed: 'nothing', state: 'put-off' });
    expect(missingFields(view(record).stops).map((m) => m.field.key)).not.toContain(benchKey);
  });

  test('a stop begun starts the clock of its mode once, and knows what it has to put back', () => {
    const stop = view(start).stops.find((s) => s.id === 'off-outdoor')!;
    const defrostLike = { ...stop, settle: { from: 5, to: 10 }, mode: 'heating' as const };
    const begun = withStopBegun(start, defrostLike, given.now);
    expect(begun.runningSince).toEqual({ heating: given.now });
    expect(withStopBegun(begun, defrostLike, '2026-10-10T14:50:00.000Z').runningSince).toEqual({ heating: given.now });
    const end = {
      id: 'e',
      code: 'disconnect-out' as const,
      text: '',
      openedAt: given.now,
      putBackAt: null,
      leftBecause: null,
    };
    expect(toRestore(withLooseEnd(start, end), stop)).toEqual([end]);
    expect(toRestore(withLooseEnd(start, { ...end, putBackAt: given.now }), stop)).toEqual([]);
  });
});
