import { callTable, expectedOn, type Call, type CallFault, type Runner } from './call-table.ts';

const heatPump = { kind: 'split-heat-pump', strips: true } as const;
const furnace = { kind: 'gas-furnace-with-coil', strips: false } as const;

// Common practice, no source: what runs on each call, and what each departure points to.
test.each<[Call, Runner[]]>([
  ['off', []],
  ['fan', ['blower']],
  ['cooling', ['compressor', 'outdoor-fan', 'blower']],
  ['heating', ['compressor', 'outdoor-fan', 'blower']],
  ['emergency-heat', ['blower', 'strips']],
  ['defrost', ['compressor', 'blower', 'strips']],
])('%s should run %j on a heat pump with strips', (call, runs) => {
  expect(expectedOn(call, heatPump)).toEqual(runs);
  expect(callTable({ call, seen: runs, has: heatPump })).toEqual({
    expected: runs,
    missing: [],
    extra: [],
    pointsTo: [],
  });
});

test.each<[Call, Runner[], CallFault]>([
  ['off', ['blower'], 'blower-on-without-call'],
  ['fan', ['blower', 'compressor'], 'compressor-on-fan-call'],
  ['cooling', ['compressor', 'outdoor-fan', 'blower', 'strips'], 'strips-in-cooling'],
  ['cooling', ['compressor', 'outdoor-fan'], 'blower-only-on-emergency-heat'],
  ['cooling', ['compressor', 'blower'], 'outdoor-fan-silent'],
  ['cooling', ['outdoor-fan', 'blower'], 'compressor-silent'],
  ['cooling', [], 'nothing-runs'],
  ['emergency-heat', ['blower'], 'strips-silent'],
  ['defrost', ['compressor', 'outdoor-fan', 'blower', 'strips'], 'outdoor-fan-in-defrost'],
  ['off', ['strips'], 'strips-on-without-call'],
  ['off', ['compressor'], 'compressor-on-without-call'],
])('%s with %j points first to %s', (call, seen, fault) => {
  expect(callTable({ call, seen, has: heatPump }).pointsTo[0]).toBe(fault);
});

test('a furnace heats with its burner, and a system without strips is not asked for them', () => {
  expect(expectedOn('heating', furnace)).toEqual(['blower', 'gas-burner']);
  expect(callTable({ call: 'heating', seen: ['blower'], has: furnace }).pointsTo).toEqual(['burner-silent']);
  expect(expectedOn('defrost', { ...heatPump, strips: false })).toEqual(['compressor', 'blower']);
  expect(expectedOn('cooling', { kind: 'air-handler-electric-heat', strips: true })).toEqual(['blower']);
});

test('a departure without a name of its own is still a departure', () => {
  expect(callTable({ call: 'fan', seen: ['blower', 'outdoor-fan'], has: heatPump })).toMatchObject({
    extra: ['outdoor-fan'],
    pointsTo: ['runs-besides-the-call'],
  });
});
