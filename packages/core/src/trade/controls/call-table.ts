import { hasBlower, isHeatPump, type SystemKind } from '../../equipment/system-kind.ts';

/** A thermostat call made alone. */
export type Call = 'off' | 'fan' | 'cooling' | 'heating' | 'second-stage-heat' | 'emergency-heat' | 'defrost';
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
  | 'strips-on-first-stage'
  | 'compressor-on-emergency-heat'
  | 'heat-without-air'
  | 'fan-call-dead'
  | 'blower-dead'
  | 'blower-dead-relay'
  | 'outdoor-unit-silent'
  | 'compressor-silent'
  | 'outdoor-fan-silent'
  | 'outdoor-fan-silent-no-board'
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

/** What of a system could be seen or heard to run at all. */
export function mayRun(has: Callable): ReadonlySet<Runner> {
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
    'second-stage-heat': [...heatingRunners(has), 'strips'],
    'emergency-heat': has.kind === 'gas-furnace-with-coil' ? ['gas-burner', 'blower'] : ['strips', 'blower'],
    defrost: ['compressor', 'blower', 'strips'],
  };
  const there = mayRun(has);
  return RUNNERS.filter((runner) => expected[call].includes(runner) && there.has(runner));
}

/** What was seen on a call, as the rules below look at it. */
interface Seen {
  readonly call: Call;
  readonly has: Callable;
  readonly missing: ReadonlySet<Runner>;
  readonly extra: ReadonlySet<Runner>;
  readonly seen: ReadonlySet<Runner>;
}

interface FaultRule {
  readonly fault: CallFault;
  readonly when: (s: Seen) => boolean;
  /** What this already says, so that it is not said again, or otherwise. */
  readonly covers?: readonly CallFault[];
}

const isHeating = (call: Call): boolean =>
  call === 'heating' || call === 'second-stage-heat' || call === 'emergency-heat';
const heats = (seen: ReadonlySet<Runner>): boolean => seen.has('strips') || seen.has('gas-burner');

/** The most telling first; each speaks of parts that the machine has. */
const FAULTS: readonly FaultRule[] = [
  // Heat without air comes before all else, whatever the call and whatever the machine.
  {
    fault: 'heat-without-air',
    when: ({ seen }) => heats(seen) && !seen.has('blower'),
    covers: ['blower-dead', 'blower-dead-relay'],
  },
  {
    fault: 'fan-call-dead',
    when: ({ call, missing, seen }) => call === 'fan' && seen.size === 0 && missing.size > 0,
    covers: ['nothing-runs', 'blower-dead', 'blower-dead-relay'],
  },
  {
    fault: 'nothing-runs',
    when: ({ call, missing, seen }) => call !== 'off' && seen.size === 0 && missing.size > 0,
    covers: [
      'blower-dead',
      'blower-dead-relay',
      'compressor-silent',
      'outdoor-unit-silent',
      'strips-silent',
      'burner-silent',
    ],
  },
  {
    // A machine with emergency heat may bring the blower another way, which tells the relay from the motor.
    fault: 'blower-dead-relay',
    when: ({ call, has, missing }) =>
      missing.has('blower') && call !== 'emergency-heat' && has.strips && isHeatPump(has.kind),
    covers: ['blower-dead'],
  },
  { fault: 'blower-dead', when: ({ missing }) => missing.has('blower') },
  { fault: 'strips-in-cooling', when: ({ call, extra }) => call === 'cooling' && extra.has('strips') },
  { fault: 'compressor-on-fan-call', when: ({ call, extra }) => call === 'fan' && extra.has('compressor') },
  { fault: 'blower-on-without-call', when: ({ call, extra }) => call === 'off' && extra.has('blower') },
  { fault: 'compressor-on-without-call', when: ({ call, extra }) => call === 'off' && extra.has('compressor') },
  {
    fault: 'strips-on-without-call',
    when: ({ call, extra }) => (call === 'off' || call === 'fan') && extra.has('strips'),
  },
  { fault: 'strips-on-first-stage', when: ({ call, extra }) => call === 'heating' && extra.has('strips') },
  {
    fault: 'compressor-on-emergency-heat',
    when: ({ call, extra }) => call === 'emergency-heat' && extra.has('compressor'),
  },
  { fault: 'outdoor-fan-in-defrost', when: ({ call, extra }) => call === 'defrost' && extra.has('outdoor-fan') },
  {
    fault: 'outdoor-unit-silent',
    when: ({ missing }) => missing.has('compressor') && missing.has('outdoor-fan'),
    covers: ['compressor-silent'],
  },
  { fault: 'compressor-silent', when: ({ missing }) => missing.has('compressor') },
  {
    fault: 'outdoor-fan-silent',
    when: ({ has, missing }) => missing.has('outdoor-fan') && !missing.has('compressor') && isHeatPump(has.kind),
  },
  {
    fault: 'outdoor-fan-silent-no-board',
    when: ({ has, missing }) => missing.has('outdoor-fan') && !missing.has('compressor') && !isHeatPump(has.kind),
  },
  { fault: 'strips-silent', when: ({ missing }) => missing.has('strips') },
  { fault: 'burner-silent', when: ({ call, missing }) => isHeating(call) && missing.has('gas-burner') },
];

/** What a departure points to, the most telling first: nothing is said twice, and nothing against what was said before it. */
function pointsTo(seen: Seen): CallFault[] {
  const found: CallFault[] = [];
  const covered = new Set<CallFault>();
  for (const { fault, when, covers } of FAULTS) {
    if (covered.has(fault) || !when(seen)) continue;
    found.push(fault);
    covers?.forEach((other) => covered.add(other));
  }
  return found;
}

/**
 * Holds what was seen to run on a thermostat call against what should, and says what each departure points to.
 * `callTable({ call: 'fan', seen: ['blower', 'compressor'], has })` points to G and Y wires touching.
 * A blower may be held on for a while by a delay: wait for it before condemning the relay. Common practice, no source.
 */
export function callTable(asked: { call: Call; seen: readonly Runner[]; has: Callable }): CallTable {
  const expected = expectedOn(asked.call, asked.has);
  const missing = expected.filter((runner) => !asked.seen.includes(runner));
  const extra = RUNNERS.filter((runner) => asked.seen.includes(runner) && !expected.includes(runner));
  const found = pointsTo({
    call: asked.call,
    has: asked.has,
    missing: new Set(missing),
    extra: new Set(extra),
    seen: new Set(asked.seen),
  });
  const named = missing.length + extra.length > 0 && found.length === 0;
  return { expected, missing, extra, pointsTo: named ? ['runs-besides-the-call'] : found };
}

/** Whether a ducted blower can be heard on its own; a ductless head runs with its own logic. */
export const hasFanCall = (kind: SystemKind): boolean => hasBlower(kind);
