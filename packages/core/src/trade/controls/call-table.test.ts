import { FINDINGS } from '../../verdict/findings.ts';
import { sayFindings } from '../../words/findings.ts';
import { textOf } from '../../words/said.ts';
import { callTable, expectedOn, RUNNERS, type Call, type CallFault, type Runner } from './call-table.ts';

const heatPump = { kind: 'split-heat-pump', strips: true } as const;
const furnace = { kind: 'gas-furnace-with-coil', strips: false } as const;

// Common practice, no source: what runs on each call, and what each departure points to.
test.each<[Call, Runner[]]>([
  ['off', []],
  ['fan', ['blower']],
  ['cooling', ['compressor', 'outdoor-fan', 'blower']],
  ['heating', ['compressor', 'outdoor-fan', 'blower']],
  ['emergency-heat', ['blower', 'strips']],
  ['second-stage-heat', ['compressor', 'outdoor-fan', 'blower', 'strips']],
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
  ['cooling', ['compressor', 'outdoor-fan'], 'blower-dead-relay'],
  ['heating', ['compressor', 'outdoor-fan', 'blower', 'strips'], 'strips-on-first-stage'],
  ['emergency-heat', ['strips'], 'heat-without-air'],
  ['cooling', ['blower'], 'outdoor-unit-silent'],
  ['fan', [], 'fan-call-dead'],
  ['cooling', ['compressor', 'blower'], 'outdoor-fan-silent'],
  ['cooling', ['outdoor-fan', 'blower'], 'compressor-silent'],
  ['cooling', [], 'nothing-runs'],
  ['emergency-heat', ['blower'], 'strips-silent'],
  ['defrost', ['compressor', 'outdoor-fan', 'blower', 'strips'], 'outdoor-fan-in-defrost'],
  ['off', ['strips', 'blower'], 'blower-on-without-call'],
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

describe('each machine by its own parts', () => {
  const conditioner = { kind: 'split-air-conditioner', strips: false } as const;
  const airHandler = { kind: 'air-handler-electric-heat', strips: true } as const;
  const first = (call: Call, seen: Runner[], has: Parameters<typeof callTable>[0]['has']) =>
    callTable({ call, seen, has }).pointsTo;

  test('heat without air is a stop on every machine and call', () => {
    expect(first('heating', ['gas-burner'], furnace)).toEqual(['heat-without-air']);
    expect(first('heating', ['strips'], airHandler)).toEqual(['heat-without-air']);
    expect(first('off', ['strips'], heatPump)).toEqual(['heat-without-air', 'strips-on-without-call']);
    expect(FINDINGS['heat-without-air']).toBe('stop');
  });

  test('a furnace has no emergency heat, and an air conditioner no board relay: neither is named', () => {
    const said = (faults: readonly CallFault[]) => faults.map((f) => textOf(sayFindings([f]))).join(' ');
    for (const has of [furnace, conditioner]) {
      const blower = said(first('cooling', ['compressor', 'outdoor-fan'], has));
      expect(blower).toMatch(/motor/);
      expect(blower).toMatch(/before the coil ices/);
      expect(blower).not.toMatch(/mergency/);
    }
    expect(said(first('cooling', ['compressor', 'blower'], conditioner))).not.toMatch(/board/);
    expect(said(first('cooling', ['compressor', 'blower'], heatPump))).toMatch(/board/);
  });

  test('one observation never yields two sentences about the same part', () => {
    const parts: readonly RegExp[] = [
      /blower does not run|Heat without air|Nothing on a fan call/,
      /[Nn]othing answers/,
    ];
    const calls: Call[] = ['off', 'fan', 'cooling', 'heating', 'second-stage-heat', 'emergency-heat', 'defrost'];
    for (const has of [heatPump, furnace, conditioner, airHandler]) {
      for (const call of calls) {
        for (let bits = 0; bits < 32; bits += 1) {
          const seen = RUNNERS.filter((_runner, n) => bits & (1 << n));
          const faults = callTable({ call, seen, has }).pointsTo;
          expect(new Set(faults).size).toBe(faults.length);
          const sentences = faults.map((f) => textOf(sayFindings([f])));
          expect(sentences.filter((s) => parts.some((p) => p.test(s))).length).toBeLessThanOrEqual(1);
        }
      }
    }
  });
});
