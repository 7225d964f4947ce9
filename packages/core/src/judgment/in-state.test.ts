import { dayOf } from '../quantity/day.ts';
import type { JudgedReading } from '../readings/contract/reading.ts';
import type { Interpretation, Says } from '../verdict/interpretation.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { askOf } from './asks.ts';
import type { JudgeContext } from './judge.ts';
import { judge } from './judge.ts';
import { threadState } from './thread-state.ts';

const read = (says: Says): Interpretation => ({ says, states: [], causes: [], next: null });
const context: JudgeContext = {
  systemKind: 'split-heat-pump',
  plate: { compressorRla: 20 },
  component: { slot: 'compressor', kind: 'compressor', plate: {}, fittedOn: null },
  earlier: [],
  nextRound: dayOf('2027-04-15'),
};
const day = dayOf('2026-10-10');
const amps = (value: number, says?: Says, on = day): JudgedReading => ({
  id: `${value}`,
  kind: 'compressor-amps',
  point: 'common',
  method: 'clamp',
  value,
  findings: [],
  day: on,
  ...(says && { read: read(says) }),
});
const standing = (reading: JudgedReading) => judge(reading, context, DEFAULT_POLICY).standing;

test('a part is replaced by what condemns it; what is wrong elsewhere asks for its cause, and no other state for anything', () => {
  const asked = (says: Says) => askOf(judge(amps(0, says), context, DEFAULT_POLICY));
  expect([standing(amps(0, 'condemned')), asked('condemned')]).toEqual(['act', 'replace']);
  expect([standing(amps(0, 'elsewhere')), asked('elsewhere')]).toEqual(['act', 'find-cause']);
  expect([standing(amps(0, 'faulty')), asked('faulty')]).toEqual(['act', 'find-cause']);
  for (const says of ['other-state', 'tells-nothing', 'doubtful'] as const)
    expect(standing(amps(0, says))).toBe('unproven');
  // Past the plate, and in the state that was meant: worn, or overloaded.
  expect(standing(amps(25, 'counts'))).toBe('act');
  expect(standing(amps(15, 'counts'))).toBe('sound');
});

test('what does not count becomes no baseline, and takes no part in one', () => {
  const earlier = [amps(15, 'counts', day - 400), amps(0, 'tells-nothing', day - 200)];
  const verdict = judge(amps(15.5, 'counts'), { ...context, earlier: earlier as never }, DEFAULT_POLICY);
  expect(verdict.numeric?.baseline).toMatchObject({ value: expect.closeTo(15.25, 2) as number, readings: 2 });
  expect(verdict.numeric?.compared.map((c) => c.reading.value)).toEqual([15, 15.5]);
  const alone = judge(amps(0, 'tells-nothing'), context, DEFAULT_POLICY);
  expect(alone.reasons.map(({ because }) => because.code)).toEqual(['in-state']);
});

test('a thread goes on from its last telling number', () => {
  const { earlier: _none, ...rest } = context;
  const state = threadState([amps(15, 'counts', day - 200), amps(0, 'tells-nothing')], rest, DEFAULT_POLICY);
  expect(state).toMatchObject({ standing: 'sound', lastValue: 15, lastDay: day });
  const condemned = threadState([amps(15, 'counts', day - 200), amps(0, 'condemned')], rest, DEFAULT_POLICY);
  expect(condemned?.standing).toBe('act');
});

const looked = (findings: string[], over: Partial<Interpretation>): JudgedReading => ({
  ...amps(0),
  ...{ kind: 'call-check', point: 'call-heating', method: 'seen', value: null, findings },
  read: { ...read('tells-nothing'), ...over },
});

test('what runs on a call says itself where to look; what a sound machine does by itself is no fault', () => {
  const fan = ['outdoor-fan-silent'];
  const found = judge(looked(fan, { says: 'elsewhere', causes: ['outdoor-fan-open'] }), context, DEFAULT_POLICY);
  expect(found).toMatchObject({ standing: 'act', because: { code: 'finding', numbers: { found: fan } } });
  expect(found.reasons.map(({ because }) => because.code)).toEqual(['finding', 'in-state']);
  expect(askOf(found)).toBe('find-cause');
  const defrosting = judge(looked(fan, { states: ['defrosting'] }), context, DEFAULT_POLICY);
  expect(defrosting).toMatchObject({ standing: 'unproven', because: { code: 'in-state' } });
});

test('heat without air is stopped, unless the air may still come', () => {
  const heat = (over: Partial<Interpretation>) =>
    judge(looked(['heat-without-air'], over), context, DEFAULT_POLICY).standing;
  expect(heat({ says: 'elsewhere' })).toBe('stop');
  expect(heat({ says: 'tells-nothing' })).toBe('stop');
  expect(heat({ says: 'tells-nothing', states: ['just-begun'] })).toBe('unproven');
});

test('no reading is held against itself', () => {
  const fan = (value: number, on: number): JudgedReading => ({
    ...amps(value, undefined, on),
    kind: 'outdoor-fan-amps',
    point: 'whole',
  });
  const of: JudgeContext = {
    ...context,
    plate: {},
    component: { slot: 'outdoor-fan', kind: 'outdoor-fan', plate: {}, fittedOn: null },
    earlier: [fan(1, day - 200)] as never,
  };
  const baseline = judge(fan(1.3, day), of, DEFAULT_POLICY).reasons.find(({ basis }) => basis === 'baseline');
  expect(baseline?.because).toMatchObject({ numbers: { baseline: 1, offPercent: expect.closeTo(30, 5) as number } });
});

test('what condemns a part stands without a finding that proves nothing', () => {
  const contact: JudgedReading = {
    ...amps(0, 'condemned'),
    ...{ kind: 'sequencer-contact-volts', point: 'contact-1', method: 'meter', value: null },
    findings: ['contact-path-unproven'],
  };
  const verdict = judge(contact, context, DEFAULT_POLICY);
  expect(verdict.reasons.map(({ because }) => because.code)).toEqual(['in-state']);
  expect(askOf(verdict)).toBe('replace');
});

test('an inverter sets its own speed: its amps are held against its plate alone, and its split against nothing', () => {
  const inverter = { ...context, systemKind: 'ductless-heat-pump' as const };
  const line = (value: number): JudgedReading => ({ ...amps(value), point: 'line' });
  const earlier = [{ ...line(12), day: day - 400 }];
  const low = judge(line(4), { ...inverter, earlier: earlier as never }, DEFAULT_POLICY);
  expect(low.standing).toBe('sound');
  expect(low.numeric?.outlook).toBeNull();
  expect(low.reasons.map(({ because }) => because)).toContainEqual({ code: 'no-basis', numbers: { need: 'speed' } });
  expect(judge(line(23), inverter, DEFAULT_POLICY).standing).toBe('act');
  const split: JudgedReading = {
    ...amps(11),
    ...{ kind: 'temperature-split', point: 'whole', method: 'supply', conditions: { returnF: 75, runningMin: 15 } },
  };
  const air = { slot: 'air-side', kind: 'air-side', plate: {}, fittedOn: null } as const;
  const at = (systemKind: JudgeContext['systemKind']) =>
    judge(split, { ...context, systemKind, component: air }, DEFAULT_POLICY);
  expect(at('ductless-heat-pump')).toMatchObject({ standing: 'unproven', because: { numbers: { need: 'speed' } } });
  expect(at('split-heat-pump').standing).not.toBe('unproven');
});
