import { hasBlower, isHeatPump, type SystemKind } from '../../equipment/system-kind.ts';

/** A thermostat call made alone. */
export type Call = 'off' | 'fan' | 'cooling' | 'heating' | 'emergency-heat' | 'defrost';
/** What can be seen or heard to run on a call. */
export const RUNNERS = ['compressor', 'outdoor-fan', 'blower', 'strips', 'gas-burner'] as const;
export type Runner = (typeof RUNNERS)[number];

/** What a system has that a call can run. */
export interface Callable {
  readonly kind: SystemKind;
  /** Whether it has electric heat. */
  readonly strips: boolean;
}

/** What a departure from the table points to. */
export type CallFault =
  | 'blower-on-without-call'
  | 'compressor-on-fan-call'
  | 'compressor-on-without-call'
  | 'strips-in-cooling'
  | 'strips-on-without-call'
  | 'blower-only-on-emergency-heat'
  | 'blower-silent'
  | 'compressor-silent'
  | 'outdoor-fan-silent'
  | 'outdoor-fan-in-defrost'
  | 'nothing-runs'
  | 'strips-silent'
  | 'burner-silent'
  | 'runs-besides-the-call';

export interface CallTable {
  readonly expected: readonly Runner[];
  readonly missing: readonly Runner[];
  readonly extra: readonly Runner[];
  /** The most telling first; empty when all is as it should be. */
  readonly pointsTo: readonly CallFault[];
}

function mayRun(has: Callable): ReadonlySet<Runner> {
  const outdoors = has.kind !== 'air-handler-electric-heat';
  const all: [Runner, boolean][] = [
    ['compressor', outdoors],
    ['outdoor-fan', outdoors],
    ['blower', true],
    ['strips', has.strips],
    ['gas-burner', has.kind === 'gas-furnace-with-coil'],
  ];
  return new Set(all.filter(([, there]) => there).map(([runner]) => runner));
}

const heatingRunners = (has: Callable): readonly Runner[] =>
  has.kind === 'gas-furnace-with-coil'
    ? ['gas-burner', 'blower']
    : isHeatPump(has.kind)
      ? ['compressor', 'outdoor-fan', 'blower']
      : ['strips', 'blower'];

/**
 * What runs on a call when all is well: nothing with the thermostat off, the blower on a fan call, compressor, outdoor fan
 * and blower on cooling, and so on; common practice, no source. Parts the system does not have are left out.
 */
export function expectedOn(call: Call, has: Callable): Runner[] {
  const expected: Readonly<Record<Call, readonly Runner[]>> = {
    off: [],
    fan: ['blower'],
    cooling: ['compressor', 'outdoor-fan', 'blower'],
    heating: heatingRunners(has),
    'emergency-heat': has.kind === 'gas-furnace-with-coil' ? ['gas-burner', 'blower'] : ['strips', 'blower'],
    defrost: ['compressor', 'blower', 'strips'],
  };
  const there = mayRun(has);
  return RUNNERS.filter((runner) => expected[call].includes(runner) && there.has(runner));
}

const FAULTS: readonly {
  readonly fault: CallFault;
  readonly when: (call: Call, missing: ReadonlySet<Runner>, extra: ReadonlySet<Runner>, seen: number) => boolean;
}[] = [
  { fault: 'nothing-runs', when: (call, missing, _extra, seen) => call !== 'off' && seen === 0 && missing.size > 0 },
  {
    fault: 'blower-only-on-emergency-heat',
    when: (call, missing) => call !== 'emergency-heat' && call !== 'off' && missing.size === 1 && missing.has('blower'),
  },
  { fault: 'strips-in-cooling', when: (call, _missing, extra) => call === 'cooling' && extra.has('strips') },
  { fault: 'compressor-on-fan-call', when: (call, _missing, extra) => call === 'fan' && extra.has('compressor') },
  { fault: 'blower-on-without-call', when: (call, _missing, extra) => call === 'off' && extra.has('blower') },
  { fault: 'compressor-on-without-call', when: (call, _missing, extra) => call === 'off' && extra.has('compressor') },
  {
    fault: 'strips-on-without-call',
    when: (call, _missing, extra) => (call === 'off' || call === 'fan') && extra.has('strips'),
  },
  { fault: 'outdoor-fan-in-defrost', when: (call, _missing, extra) => call === 'defrost' && extra.has('outdoor-fan') },
  { fault: 'compressor-silent', when: (_call, missing, _extra, seen) => seen > 0 && missing.has('compressor') },
  {
    fault: 'outdoor-fan-silent',
    when: (_call, missing) => missing.has('outdoor-fan') && !missing.has('compressor'),
  },
  { fault: 'strips-silent', when: (_call, missing, _extra, seen) => seen > 0 && missing.has('strips') },
  { fault: 'burner-silent', when: (_call, missing, _extra, seen) => seen > 0 && missing.has('gas-burner') },
  {
    fault: 'blower-silent',
    when: (call, missing, _extra, seen) => seen > 0 && missing.has('blower') && call === 'emergency-heat',
  },
];

/**
 * Holds what was seen to run on a thermostat call against what should, and says what each departure points to.
 * `callTable({ call: 'fan', seen: ['blower', 'compressor'], has })` points to G and Y wires touching.
 * A blower may be held on for a while by a delay: wait for it before condemning the relay. Common practice, no source.
 */
export function callTable(asked: { call: Call; seen: readonly Runner[]; has: Callable }): CallTable {
  const expected = expectedOn(asked.call, asked.has);
  const missing = expected.filter((runner) => !asked.seen.includes(runner));
  const extra = RUNNERS.filter((runner) => asked.seen.includes(runner) && !expected.includes(runner));
  const found = FAULTS.filter(({ when }) => when(asked.call, new Set(missing), new Set(extra), asked.seen.length)).map(
    ({ fault }) => fault,
  );
  const named = missing.length + extra.length > 0 && found.length === 0;
  return { expected, missing, extra, pointsTo: named ? ['runs-besides-the-call'] : found };
}

/** Whether a ducted blower can be heard on its own; a ductless head runs with its own logic. */
export const hasFanCall = (kind: SystemKind): boolean => hasBlower(kind);
