import type { Component } from '../equipment/component.ts';
import { dayOf } from '../quantity/day.ts';
import type { Reading } from '../readings/contract/reading.ts';
import type { Judgment } from '../verdict/judgment.ts';
import { inlineThread } from './inline-thread.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { severityOf, standingOfPart, worstOf } from '../verdict/standing.ts';
import { byThread, companionsOf, restartedOn, standingReadings, systemThreads, threadKey } from './assess-system.ts';
import { threadState } from './thread-state.ts';
import { chanceOf, urgencyOf } from './urgency.ts';

const part: Component & { id: string } = {
  id: 'c1',
  slot: 'run-capacitor',
  kind: 'run-capacitor',
  plate: { rating: '40+5 µF 440 V' },
  fittedOn: null,
};
const motor: Component & { id: string } = {
  id: 'm1',
  slot: 'compressor',
  kind: 'compressor',
  plate: {},
  fittedOn: null,
};
const system = { kind: 'split-heat-pump' as const, plate: { compressorRla: 20 }, components: [part, motor] };
const nextRound = dayOf('2027-04-15');

let n = 0;
const kept = (over: Partial<Reading>): Reading => ({
  id: `r${String((n += 1)).padStart(3, '0')}`,
  visitId: 'v1',
  componentId: 'c1',
  kind: 'run-capacitor-capacitance',
  point: 'herm',
  method: 'bench',
  value: 40,
  findings: [],
  takenAt: '2026-10-10T15:00:00Z',
  supersedes: null,
  ...over,
});
const threads = (readings: Reading[], components = system.components) =>
  systemThreads({ ...system, components }, readings, { nextRound, policy: DEFAULT_POLICY });

test('a superseded reading no longer counts: the slipped decimal is gone from the thread', () => {
  const wrong = kept({ value: 4 });
  const right = kept({ value: 40, supersedes: wrong.id });
  expect(standingReadings([right, wrong])).toEqual([right]);
  expect(threads([wrong, right])[0]?.state).toMatchObject({ standing: 'sound', lastValue: 40 });
});

test('readings fall into threads by part, kind and point', () => {
  const map = byThread([kept({}), kept({ point: 'fan', value: 5 }), kept({})]);
  expect([...map.keys()]).toEqual([
    threadKey({ componentId: 'c1', kind: 'run-capacitor-capacitance', point: 'herm' }),
    expect.stringContaining('/fan'),
  ]);
  expect([...map.values()].map((t) => t.length)).toEqual([2, 1]);
});

test('the latest finding of each method counts beside the latest number, the worst leads', () => {
  const readings = [
    kept({ value: 40 }),
    kept({ method: 'needle-sweep', value: null, findings: ['section-shorted'], takenAt: '2026-10-10T15:10:00Z' }),
  ];
  expect(threads(readings)[0]?.state).toMatchObject({
    standing: 'act',
    lead: { because: { code: 'finding', numbers: { found: ['section-shorted'], point: 'herm' } } },
  });
  const later = kept({
    method: 'needle-sweep',
    value: null,
    findings: ['section-holds'],
    takenAt: '2026-10-11T15:10:00Z',
  });
  expect(threads([...readings, later])[0]?.state.standing).toBe('sound');
});

test('a method that reads a figure after what it found no longer stands for the finding', () => {
  const open = kept({ value: null, findings: ['section-open'] });
  expect(threads([open])[0]?.state.standing).toBe('act');
  expect(threads([open, kept({ takenAt: '2026-10-11T15:00:00Z' })])[0]?.state).toMatchObject({
    standing: 'sound',
    lastValue: 40,
  });
  // Another method has not taken its finding back.
  const sweep = kept({ method: 'needle-sweep', value: null, findings: ['section-shorted'] });
  expect(threads([sweep, kept({ takenAt: '2026-10-11T15:00:00Z' })])[0]?.state.standing).toBe('act');
});

describe('an element of the heat that was replaced', () => {
  const heater: Component & { id: string } = {
    id: 'h1',
    slot: 'electric-heat',
    kind: 'electric-heat',
    plate: {},
    fittedOn: null,
  };
  const house = {
    kind: 'split-heat-pump' as const,
    plate: { heatKilowatts: 10, heatElements: 2 },
    components: [heater],
    events: [{ kind: 'element-1-replaced' as const, day: dayOf('2026-10-10'), at: '2026-10-10T15:30:00.000Z' }],
  };
  const ohms = (over: Partial<Reading>) =>
    kept({ componentId: 'h1', kind: 'element-ohms', point: 'element-1', method: 'ohms', ...over });
  const standingWith = (readings: Reading[]) =>
    systemThreads(house, readings, { nextRound, policy: DEFAULT_POLICY }).map(({ state }) => state.standing);
  const old = ohms({ value: null, findings: ['open'], takenAt: '2026-10-10T15:10:00.000Z' });

  test('what was found of the old one is not held against the new one', () => {
    expect(standingWith([old])).toEqual([]);
    expect(standingWith([old, ohms({ value: 11.5, takenAt: '2026-10-10T15:45:00.000Z' })])).toEqual(['sound']);
    expect(standingWith([old, ohms({ value: 11.5, method: 'other', takenAt: '2026-10-11T15:45:00.000Z' })])).toEqual([
      'sound',
    ]);
  });

  test('what was found of another one stands', () => {
    expect(standingWith([{ ...old, point: 'element-2' }])).toEqual(['act']);
  });
});

test('no readings, no state', () => {
  expect(
    threadState([], { systemKind: 'split-heat-pump', plate: {}, component: part, nextRound }, DEFAULT_POLICY),
  ).toBeNull();
});

test('readings of strangers are left out', () => {
  expect(threads([kept({ componentId: 'elsewhere' })])).toEqual([]);
});

test('companions are the other wires of the same visit', () => {
  const wires = [
    kept({ componentId: 'm1', kind: 'compressor-amps', point: 'common', value: 13 }),
    kept({ componentId: 'm1', kind: 'compressor-amps', point: 'run', value: 12 }),
    kept({ componentId: 'm1', kind: 'compressor-amps', point: 'run', value: 9, visitId: 'v0' }),
  ];
  expect(companionsOf(wires, { visitId: 'v1', componentId: 'm1', kind: 'compressor-amps' })).toEqual({
    common: 13,
    run: 12,
  });
});

test('a new run capacitor restarts the start wire’s thread, not the common one’s', () => {
  const fitted = { ...part, fittedOn: dayOf('2026-04-20') };
  const wire = (point: 'start-wire' | 'common', value: number, on: string) =>
    kept({ componentId: 'm1', kind: 'compressor-amps', point, value, takenAt: `${on}T15:00:00Z` });
  const readings = [
    wire('start-wire', 3.4, '2025-10-10'),
    wire('start-wire', 5.2, '2026-10-10'),
    wire('common', 14, '2025-10-10'),
    wire('common', 14.2, '2026-10-10'),
  ];
  const result = threads(readings, [fitted, motor]);
  expect(result.find((t) => t.state.point === 'start-wire')?.readings).toHaveLength(1);
  expect(result.find((t) => t.state.point === 'common')?.readings).toHaveLength(2);
  expect(restartedOn('compressor-amps', 'start-wire', [fitted, motor])).toBe(fitted.fittedOn);
  expect(restartedOn('compressor-amps', 'common', [fitted, motor])).toBe(-Infinity);
});

test('an inline thread has points in order, the limit wear moves to, the baseline and the range ahead', () => {
  const values = [41, 40.6, 40.1, 39.7].map((value, i) => kept({ value, takenAt: `202${3 + i}-10-10T15:00:00Z` }));
  const [thread] = threads([...values].reverse());
  const data = inlineThread(thread!.state);
  expect(data.points.map((p) => p.value)).toEqual([41, 40.6, 40.1, 39.7]);
  expect(data.limit).toBeCloseTo(37.6);
  expect(data.ahead?.day).toBe(nextRound);
  expect(data.ahead!.low80).toBeLessThan(data.ahead!.high80);
});

describe('urgency', () => {
  const heatPump = { systemKind: 'split-heat-pump', nextRound: dayOf('2027-04-15') } as const;

  const act = [
    {
      basis: 'plate' as const,
      standing: 'act' as const,
      limit: 1,
      because: { code: 'finding' as const, numbers: { found: ['section-open'], point: 'herm' as const } },
    },
  ];

  test('a compressor outranks its capacitor, the herm section the fan section', () => {
    expect(urgencyOf(act, 'compressor', 'common', heatPump)).toBeGreaterThan(
      urgencyOf(act, 'run-capacitor', 'herm', heatPump),
    );
    expect(urgencyOf(act, 'run-capacitor', 'herm', heatPump)).toBeGreaterThan(
      urgencyOf(act, 'run-capacitor', 'fan', heatPump),
    );
  });

  test('what only cools matters most before a summer, what only heats before a winter', () => {
    const fall = { systemKind: 'split-air-conditioner', nextRound: dayOf('2027-10-15') } as const;
    const spring = { systemKind: 'split-air-conditioner', nextRound: dayOf('2027-04-15') } as const;
    const [summer, winter] = [fall, spring].map((s) => urgencyOf(act, 'run-capacitor', 'herm', s));
    expect(summer).toBeGreaterThan(winter!);
    const strips = (s: typeof spring | typeof fall) => urgencyOf(act, 'electric-heat', 'total', s);
    expect(strips(spring)).toBeGreaterThan(strips(fall));
    // A heat pump needs its compressor all year.
    expect(urgencyOf(act, 'compressor', 'common', heatPump)).toBe(
      urgencyOf(act, 'compressor', 'common', { ...heatPump, nextRound: fall.nextRound }),
    );
  });

  test('unsafe outranks everything', () => {
    expect(urgencyOf([{ ...act[0]!, standing: 'stop' }], 'supply', 'whole', heatPump)).toBeGreaterThan(
      urgencyOf(act, 'compressor', 'common', heatPump),
    );
  });

  test('what only nears its limit has the chance its trend gives it; what is past it has all of it', () => {
    const nearing = { ...act[0]!, standing: 'watch' as const };
    const numbers = {
      chance: 0.06,
      expected: 38,
      low80: 37.8,
      high80: 38.2,
      limit: 37.6,
      side: 'lower',
      day: nextRound,
    };
    const more = { perYear: -0.1, perYearPercent: -0.2, readings: 6, ownSharePercent: 80, fleet: 0, bends: false };
    const trend: Judgment = {
      basis: 'trend',
      standing: 'sound',
      limit: 37.6,
      because: { code: 'trend', numbers: { ...numbers, ...more, side: 'lower', relative: true, unit: 'µF' } },
    };
    expect(chanceOf([nearing])).toBe(0.25);
    expect(chanceOf([nearing, trend])).toBe(0.06);
    expect(chanceOf([...act, trend])).toBe(1);
  });

  test('nothing wrong, no chance', () => {
    expect(chanceOf([])).toBe(0);
    expect(chanceOf([{ ...act[0]!, standing: 'sound' }])).toBe(0);
  });
});

test('an unproven thread does not unprove a part that is otherwise known', () => {
  expect(standingOfPart(['unproven', 'sound'])).toBe('sound');
  expect(standingOfPart(['unproven', 'act', 'sound'])).toBe('act');
  expect(standingOfPart(['unproven'])).toBe('unproven');
  expect(standingOfPart([])).toBe('unproven');
});

test('standings have one order', () => {
  expect(worstOf(['sound', 'act', 'watch'])).toBe('act');
  expect(worstOf([])).toBe('unproven');
  expect(severityOf('stop')).toBeGreaterThan(severityOf('act'));
});
