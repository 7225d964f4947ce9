import type { MachineSpec } from '../circuit/machine-spec.ts';
import { callsOf } from '../circuit/machine.ts';
import type { MachineState } from '../circuit/state.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { StopId } from '../readings/contract/entry.ts';
import type { Call } from '../trade/controls/call-table.ts';

/** A state a machine may have been in, and how likely it was before anything was read. */
export interface MayBe {
  readonly state: MachineState;
  readonly weight: number;
  /** Whether it is the state that whoever reads is told to bring about. */
  readonly isMeant: boolean;
  /** True where it is over in seconds or minutes: who reads it then has met a rare moment. */
  readonly passes: boolean;
}

/** The call that is made at each stop; those that fit the machine, the first of them. */
const CALLS_AT: Readonly<Partial<Record<StopId, readonly Call[]>>> = {
  'electric-heat': ['emergency-heat', 'second-stage-heat', 'heating'],
  'gas-heat': ['heating'],
  'fan-only': ['fan'],
  heating: ['heating'],
  defrost: ['heating'],
  'cooling-air': ['cooling'],
  cooling: ['cooling'],
  calls: ['off'],
  arrive: ['off'],
  look: ['off'],
};

/** Seconds a call has been held where everything has come on, and where it has only begun. */
const SETTLED = 600;
const BEGUN = [8, 35];
/** A gas burner is lit, and the air has not come yet. */
const LIT = 70;
const begunOf = ({ indoors }: MachineSpec): number[] => (indoors === 'furnace' ? [...BEGUN, LIT] : BEGUN);
const FIRST_SECOND = 0.5;
/** Minutes after which everything has come on, second contacts and delays included. */
const ALL_ON_MIN = 3;

/**
 * How often a machine is in another state than it was meant to be, in a hundred; from memory. A heat pump in the cold defrosts
 * by itself some of its time.
 */
const ASTRAY = {
  noCall: 6,
  otherCall: 6,
  timed: 4,
  begun: 4,
  starting: 4,
  defrost: 6,
  oneHalfOff: 1.5,
  allOff: 1,
  lingers: 0.6,
};
/** No heat pump defrosts above this outdoors, °F; common practice, no source. */
const DEFROSTS_BELOW_F = 45;
/** Whether a heat pump may be in a defrost of its own, its fan rightly at rest, at an outdoor temperature, °F, or where that is not known. */
export const mayDefrostAt = (outdoorF: number | undefined): boolean =>
  outdoorF === undefined || outdoorF < DEFROSTS_BELOW_F;
/** By how much rarer another call is once somebody has seen the right one begin. */
const SEEN_TO_BEGIN = 0.1;

const at = (call: Call, over: Partial<MachineState> = {}): MachineState => ({
  powered: 'all',
  call,
  after: SETTLED,
  ...over,
});

const callsCompressor = (call: Call, { outdoors }: MachineSpec): boolean =>
  call === 'cooling' || (outdoors === 'heat-pump' && (call === 'heating' || call === 'second-stage-heat'));

/** What may have led a machine astray, by its conditions. */
interface Astray {
  readonly mayBegin: boolean;
  readonly mayDefrost: boolean;
  /** Whether somebody noted when it began to run as it is called. */
  readonly wasBegun: boolean;
}

function astray(call: Call, spec: MachineSpec, { mayBegin, mayDefrost, wasBegun }: Astray): [MachineState, number][] {
  const calls = callsOf(spec);
  const all: [MachineState, number, boolean][] = [
    [at('off'), ASTRAY.noCall, call !== 'off'],
    [at('off', { held: 'lingers' }), ASTRAY.lingers, spec.banks.length > 0 && spec.heatSwitch === 'sequencer'],
    ...calls
      .filter((other) => other !== call && other !== 'off')
      .map((other): [MachineState, number, boolean] => [
        at(other),
        (wasBegun ? SEEN_TO_BEGIN : 1) * (ASTRAY.otherCall / calls.length),
        true,
      ]),
    [at(call, { held: 'timed' }), ASTRAY.timed, callsCompressor(call, spec)],
    ...begunOf(spec).map((after): [MachineState, number, boolean] => [
      at(call, { after }),
      ASTRAY.begun,
      mayBegin && call !== 'off' && !callsCompressor(call, spec),
    ]),
    [at(call, { after: FIRST_SECOND }), ASTRAY.starting, mayBegin && callsCompressor(call, spec)],
    [at('defrost'), ASTRAY.defrost, call === 'heating' && calls.includes('defrost') && mayDefrost],
    [at(call, { powered: 'outdoors-off' }), ASTRAY.oneHalfOff, spec.outdoors !== 'none'],
    [at(call, { powered: 'indoors-off' }), ASTRAY.oneHalfOff, spec.outdoors !== 'none'],
    [at(call, { powered: 'none' }), ASTRAY.allOff, true],
  ];
  return all.filter(([, , may]) => may).map(([state, weight]) => [state, weight]);
}

/**
 * What a sound machine does by itself while calls are made one after the other and what runs is looked at, in a hundred; from memory.
 * That it is called and has its power is what is looked at: it is not taken for granted, nor held to be a slip.
 */
const BY_ITSELF = { timed: 20, begun: 6, defrost: 8, defrostBegun: 3, stages: 8, blowsOn: 25, lingers: 5 };
const STAGES: Readonly<Partial<Record<Call, Call>>> = { heating: 'second-stage-heat', 'second-stage-heat': 'heating' };

function byItself(call: Call, spec: MachineSpec, { mayBegin, mayDefrost }: Astray): [MachineState, number][] {
  const can = callsOf(spec);
  const heatsOutdoors = call !== 'cooling' && callsCompressor(call, spec);
  const stage = heatsOutdoors ? STAGES[call] : undefined;
  const all: [MachineState, number, boolean][] = [
    [at(call, { held: 'timed' }), BY_ITSELF.timed, callsCompressor(call, spec)],
    ...begunOf(spec).map((after): [MachineState, number, boolean] => [
      at(call, { after }),
      BY_ITSELF.begun,
      mayBegin && call.endsWith('heating') && !heatsOutdoors,
    ]),
    [at('defrost'), BY_ITSELF.defrost, heatsOutdoors && mayDefrost],
    [at('defrost', { after: BEGUN[0]! }), BY_ITSELF.defrostBegun, heatsOutdoors && mayDefrost],
    ...(stage ? [[at(stage), BY_ITSELF.stages, can.includes(stage)] as [MachineState, number, boolean]] : []),
    [at('off', { held: 'blows-on' }), BY_ITSELF.blowsOn, call === 'off' && can.includes('fan')],
    [at('off', { held: 'lingers' }), BY_ITSELF.lingers, call === 'off' && spec.heatSwitch === 'sequencer'],
  ];
  return all.filter(([, , may]) => may).map(([state, weight]) => [state, weight]);
}

/** With the power off, for ohms: wires are lifted as they should be, or left on; a thermostat may go on calling. */
const DEAD: readonly MayBe[] = [
  { state: at('off', { powered: 'none' }), weight: 0.75, isMeant: true, passes: false },
  { state: at('off', { powered: 'none', wires: 'on' }), weight: 0.15, isMeant: false, passes: false },
  { state: at('cooling', { powered: 'none', wires: 'on-and-called' }), weight: 0.06, isMeant: false, passes: false },
  {
    state: at('emergency-heat', { powered: 'none', wires: 'on-and-called' }),
    weight: 0.04,
    isMeant: false,
    passes: false,
  },
];

/** Only the states that were meant, with the weights of all. */
function onlyMeant(states: readonly MayBe[]): readonly MayBe[] {
  const meant = states.filter(({ isMeant }) => isMeant);
  const all = meant.reduce((sum, { weight }) => sum + weight, 0);
  return meant.map((may) => ({ ...may, weight: may.weight / all }));
}
const DEAD_AS_MEANT = onlyMeant(DEAD);

const isPassing = ({ held, after }: MachineState): boolean => held !== undefined || after < SETTLED;

/** Another call, where the right one was seen to begin: a slip, and no state that lasts. */
const isSeenOff = ({ call, powered }: MachineState, { wasBegun }: Astray): boolean =>
  wasBegun && powered === 'all' && call !== 'off' && call !== 'defrost';

const isDead = (stop: StopId): boolean => stop.startsWith('off-');

/**
 * The states a machine may be in at a reading that is taken at the first of some stops a visit has, with their weights, which sum
 * to 1. `conditions` are those the reading was taken in; `made` is the call that whoever takes it makes for it alone.
 */
export function possibleStates(
  stops: readonly StopId[],
  spec: MachineSpec,
  { outdoorF, runningMin, asMeant }: Conditions,
  made: Call | null = null,
): readonly MayBe[] {
  if (!made && stops.some(isDead)) return asMeant ? DEAD_AS_MEANT : DEAD;
  const may: Astray = {
    mayBegin: (runningMin ?? 0) < ALL_ON_MIN,
    wasBegun: runningMin !== undefined,
    mayDefrost: mayDefrostAt(outdoorF),
  };
  const ofSpec = known.get(spec) ?? new Map<string, readonly MayBe[]>();
  known.set(spec, ofSpec);
  const name = `${made ?? stops.join()}/${may.mayBegin}/${may.wasBegun}/${may.mayDefrost}/${asMeant ?? ''}`;
  const before = ofSpec.get(name);
  if (before) return before;
  const all = made ? statesOn(made, spec, may) : statesAt(stops, spec, may);
  const states = asMeant ? onlyMeant(all) : all;
  ofSpec.set(name, states);
  return states;
}
const known = new WeakMap<MachineSpec, Map<string, readonly MayBe[]>>();

/** The calls that are meant, alike likely, and what may be in their place, with its weight in a hundred. */
function listed(
  meant: readonly Call[],
  besides: readonly [MachineState, number][],
  passes: (state: MachineState) => boolean,
): readonly MayBe[] {
  const astrayAll = besides.reduce((sum, [, weight]) => sum + weight, 0);
  return [
    ...meant.map((call): MayBe => ({
      state: at(call),
      weight: (100 - astrayAll) / 100 / meant.length,
      isMeant: true,
      passes: false,
    })),
    ...besides.map(([state, weight]): MayBe => ({
      state,
      weight: weight / 100,
      isMeant: false,
      passes: passes(state),
    })),
  ];
}

/** The states of a call that is made alone. */
const statesOn = (call: Call, spec: MachineSpec, may: Astray): readonly MayBe[] =>
  callsOf(spec).includes(call) ? listed([call], byItself(call, spec, may), isPassing) : [];

/** The states of whatever is called at the first of some stops a visit has. */
function statesAt(stops: readonly StopId[], spec: MachineSpec, may: Astray): readonly MayBe[] {
  const can = callsOf(spec);
  const here = stops.filter((stop) => stop !== 'heating' || spec.outdoors === 'heat-pump');
  const meant = [
    ...new Set(
      here.flatMap((stop) => (CALLS_AT[stop] ?? []).find((call) => call === 'off' || can.includes(call)) ?? []),
    ),
  ];
  if (meant.length === 0) return [];
  const besides = new Map<string, [MachineState, number]>();
  for (const call of meant)
    for (const [state, weight] of astray(call, spec, may)) {
      const name = JSON.stringify(state);
      if (!meant.some((c) => JSON.stringify(at(c)) === name)) besides.set(name, [state, weight]);
    }
  return listed(meant, [...besides.values()], (state) => isPassing(state) || isSeenOff(state, may));
}
