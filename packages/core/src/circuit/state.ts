import type { Call } from '../trade/controls/call-table.ts';
import { canChange, type Change } from './change.ts';
import type { Bench } from './measure.ts';

/** What has its power: everything, or all but one half, or nothing. */
export type Powered = 'all' | 'outdoors-off' | 'indoors-off' | 'none';

/** What a machine is doing while it is measured. */
export interface MachineState {
  readonly powered: Powered;
  readonly call: Call;
  /** Seconds the call has been held. */
  readonly after: number;
  /**
   * What keeps it from doing what it is called to, or makes it go on: an off-timer, a sequencer that has not let go yet, or the delay
   * that lets a blower run on.
   */
  readonly held?: 'timed' | 'lingers' | 'blows-on' | undefined;
  /** With the power off, for ohms: wires left on what is read, or a call still made besides. Else they are lifted. */
  readonly wires?: 'on' | 'on-and-called' | undefined;
}

const BREAKERS = {
  indoors: ['indoor.breaker1', 'indoor.breaker2', 'heat.breaker1', 'heat.breaker2', 'door-switch'],
  outdoors: ['outdoor.breaker1', 'outdoor.breaker2'],
};
const OFF: Readonly<Record<Powered, readonly string[]>> = {
  all: [],
  'outdoors-off': BREAKERS.outdoors,
  'indoors-off': BREAKERS.indoors,
  none: [...BREAKERS.indoors, ...BREAKERS.outdoors],
};
const HELD: Readonly<Record<NonNullable<MachineState['held']>, readonly Change[]>> = {
  timed: [{ stuck: 'thermostat.Y', at: 'open' }],
  lingers: [1, 2, 3, 4].map((i) => ({ stuck: `sequencer.${i}`, at: 'closed' })),
  'blows-on': [],
};

const changesOf = ({ powered, held }: MachineState): Change[] => [
  ...OFF[powered].map((open): Change => ({ open })),
  ...(held ? HELD[held] : []),
];

/** The call a machine behaves as on: a blower that runs on after a call does so as on its own. */
export const callIn = ({ call, held }: MachineState): Call => (held === 'blows-on' ? 'fan' : call);

/** A state by its name: equal states have equal names. */
export function stateName(state: MachineState): string {
  const known = names.get(state);
  if (known !== undefined) return known;
  const { powered, call, after, held, wires } = state;
  const name = [powered, call, after, held, wires].join('/');
  names.set(state, name);
  return name;
}
const names = new WeakMap<MachineState, string>();

/** The bench of a machine in a state, with what had blown before it was brought into it. */
export function benchIn(bench: Bench, state: MachineState): Bench {
  if (state.powered === 'all' && !state.held) return bench;
  const name = `${state.powered}/${state.held ?? ''}`;
  return bench.under(name, () => changesOf(state).filter((change) => canChange(bench.machine, change)));
}
