import { DEFAULT_POLICY, type ReadingView, type SystemDetail } from '@yarnix/core';
import {
  newRound,
  placeKey,
  withoutDraft,
  withPart,
  withReading,
  withRefusal,
  withText,
  type LocalReading,
  type RoundRecord,
} from '../../field/round-record.ts';
import { isTelling, roundChanges } from './changes.ts';
import type { RoundField } from './round-view.ts';
import { roundView } from './round-model.ts';

const now = Date.parse('2026-10-10T15:00:00Z');
const visitId = 'visit-now';
let n = 0;
const past = (value: number, day: string, over: Partial<ReadingView> = {}): ReadingView => ({
  id: `p${(n += 1)}`,
  visitId: `v-${day}`,
  componentId: 'cap',
  kind: 'run-capacitor-capacitance',
  point: 'herm',
  method: 'bench',
  inputs: { microfarads: value },
  value,
  finding: null,
  takenAt: `${day}T15:00:00.000Z`,
  conditions: {},
  confirmed: false,
  note: null,
  personInitials: 'TP',
  supersedes: null,
  superseded: false,
  probes: null,
  ...over,
});
const component = (
  id: string,
  slot: SystemDetail['components'][number]['slot'],
  kind: SystemDetail['components'][number]['kind'],
  rating?: string,
) => ({
  id,
  slot,
  kind,
  plate: rating ? { rating } : {},
  fittedOn: null,
  removedOn: null,
  removedReason: null,
  replaces: null,
  standing: 'sound' as const,
});
const system: SystemDetail = {
  id: 'sys',
  customerName: 'c',
  address: '1 Test Row',
  area: null,
  kind: 'split-heat-pump',
  plate: { compressorRla: 19.9 },
  installedOn: null,
  visits: [],
  followUps: [],
  looseEnds: [],
  photos: [],
  events: [],
  components: [
    component('supply', 'supply', 'supply'),
    component('comp', 'compressor', 'compressor'),
    component('cap', 'run-capacitor', 'run-capacitor', '40+5 µF 440 V'),
  ],
  readings: [past(41.2, '2024-10-10'), past(40.6, '2025-04-10'), past(40.1, '2025-10-10'), past(39.6, '2026-04-10')],
};
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
  finding: null,
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
      status: 'empty',
      verdict: null,
      before: [{ value: 39.6 }, { value: 40.1 }, { value: 40.6 }, { value: 41.2 }],
    });
  });

  test('is judged as it is typed', () => {
    expect(field(typed('39.2'), benchKey)).toMatchObject({
      status: 'ready',
      verdict: { standing: expect.any(String) as string, value: 39.2 },
    });
    expect(field(typed('36'), benchKey)).toMatchObject({ status: 'ready', verdict: { standing: 'act' } });
  });

  test('questions 400 µF and offers 40', () => {
    expect(field(typed('400'), benchKey)).toMatchObject({
      status: 'questioned',
      perhaps: 40,
      sentences: [expect.stringContaining('Did you mean 40?')],
    });
  });

  test.each([
    ['forty', 'not a number'],
    ['-3', 'below zero'],
    ['1000000000', 'beyond any meter'],
    ['NaN', 'not a number'],
  ])('refuses %s with a sentence', (text, words) => {
    const refused = field(typed(text), benchKey);
    expect(refused).toMatchObject({ status: 'refused', badInput: 'microfarads', verdict: null, entry: null });
    expect(refused.sentences[0]).toContain(words);
  });

  test('of two inputs waits for the second, then works the value out', () => {
    const half = withText(start, loadKey, 'amps', '5.4');
    expect(field(half, loadKey).status).toBe('unfinished');
    expect(field(withText(half, loadKey, 'volts', '370'), loadKey)).toMatchObject({
      status: 'ready',
      entry: { check: { value: expect.closeTo(38.71, 2) as number } },
    });
  });

  test('holds OL for an open section', () => {
    expect(field(typed('OL'), benchKey)).toMatchObject({ status: 'ready', verdict: { standing: 'act' } });
  });
});

describe('a reading taken here', () => {
  const taken = withReading(typed('39.2'), benchKey, local('new1', 39.2));

  test('counts at once, with its text in the field and its draft gone', () => {
    expect(taken.drafts).toEqual({});
    expect(field(taken, benchKey)).toMatchObject({
      status: 'taken',
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
    expect(field(refused, benchKey)).toMatchObject({
      status: 'empty',
      sentences: ['The office did not take 39.2: This round is closed.'],
    });
  });

  test('a draft over it can be dropped', () => {
    expect(field(withoutDraft(withText(taken, benchKey, 'microfarads', '7'), benchKey), benchKey).status).toBe('taken');
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
    expect(field(load, loadKey)).toMatchObject({ status: 'questioned', sentences: [expect.stringContaining('246')] });
  });

  test('outdoor air is taken when it is a temperature', () => {
    expect(view({ ...start, outdoorText: '-4' })).toMatchObject({ conditions: { outdoorF: -4 }, outdoorProblem: null });
    expect(view({ ...start, outdoorText: 'mild' })).toMatchObject({
      conditions: {},
      outdoorProblem: expect.any(String) as string,
    });
    expect(view({ ...start, outdoorText: '200' })).toMatchObject({
      conditions: {},
      outdoorProblem: expect.stringContaining('200') as string,
    });
  });
});

describe('a part replaced on the spot', () => {
  const fitted = { replaces: 'cap', fittedOn: '2026-10-10', plate: { rating: '45+5 µF 440 V' }, reason: 'HERM weak' };
  const replaced = withPart(start, { id: 'cap2', fitted });

  test('has its own empty fields at once, and the old one’s past is not its own', () => {
    const key = benchKey.replace('cap/', 'cap2/');
    expect(field(replaced, key)).toMatchObject({
      status: 'empty',
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
    const changes = roundChanges(system, record, view(record), DEFAULT_POLICY);
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
    expect(roundChanges(system, start, view(start), DEFAULT_POLICY)).toEqual([]);
  });
});
