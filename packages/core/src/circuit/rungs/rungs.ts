import type { Call } from '../../trade/controls/call-table.ts';
import { withChanges, type Change } from '../change.ts';
import { machineSpecOf } from '../machine-spec.ts';
import { soundMachine } from '../machine.ts';
import type { Plate } from '../../equipment/plate.ts';
import type { SystemKind } from '../../equipment/system-kind.ts';
import { benchOf, read, type Bench } from '../measure.ts';
import { benchIn, type MachineState, type Powered } from '../state.ts';

/**
 * What a meter is expected to show: a nominal figure (0, 24, 120, 240 V, or Ω and A), a span, or `FLOATS`: an end that
 * hangs on nothing, where any low figure may show.
 */
export type Shows = number | readonly [low: number, high: number] | typeof FLOATS;
export const FLOATS = 'floats' as const;

const held = (call: Call, after = 180, powered: Powered = 'all'): MachineState => ({ powered, call, after });
/**
 * States, by one letter: off, fan, cooling, heating, second-stage heat, emergency heat, defrost; of a heat call the seconds in
 * which a furnace does one thing after the other: at once, purge, glow, flame without air; power off indoors, power off outdoors with
 * the cooling call held.
 */
export const STATES = {
  O: held('off'),
  F: held('fan'),
  C: held('cooling'),
  H: held('heating'),
  A: held('second-stage-heat'),
  E: held('emergency-heat'),
  D: held('defrost'),
  n: held('heating', 1),
  u: held('heating', 10),
  g: held('heating', 30),
  b: held('heating', 60),
  i: held('cooling', 180, 'indoors-off'),
  p: held('cooling', 180, 'outdoors-off'),
} as const satisfies Record<string, MachineState>;
export type State = keyof typeof STATES;

/** Points by their names: two nodes for volts ("D1-T1"), or the branch a clamp is put around ("A element-1"). */
export type Row = Readonly<Record<string, Shows>>;

/** A machine as a hand wrote it down: what each point shows, in each state, with nothing wrong. */
export interface Ladder {
  readonly kind: SystemKind;
  readonly plate: Plate;
  readonly states: readonly State[];
  readonly sound: Readonly<Record<string, readonly Shows[]>>;
}

/** One thing that is wrong, and what differs from the sound rows, by the states it differs in ("CHAD"). */
export interface Rung {
  readonly name: string;
  /** How it is made of the network. */
  readonly does: readonly Change[];
  /** States that nothing is said of: a board leaves its defrost once the compressor no longer runs, at once or later. */
  readonly silent?: string;
  readonly reads: Readonly<Record<string, Row>>;
}

/** V and A that count as a nominal figure; common practice. */
function spanOf(shows: number, isAmps: boolean): readonly [number, number] {
  if (isAmps) return shows === 0 ? [0, 0.3] : [0.88 * shows, 1.12 * shows];
  if (shows === 0) return [0, 0.5];
  if (shows >= 22 && shows <= 29) return [22, 29];
  return [0.945 * shows, 1.055 * shows];
}
/** What floats may show, V: ghosts of the line, and at the controls all of a soft 24 that comes through a board's input. */
const FLOATING = { line: 60, control: 29 };
const LINE = /^([DHTNLX]\d|[mnof])/;

const fits = (point: string, shows: Shows, read: number): boolean => {
  if (shows === FLOATS) return read <= (LINE.test(point) ? FLOATING.line : FLOATING.control);
  const [low, high] = typeof shows === 'number' ? spanOf(shows, point.startsWith('A ')) : shows;
  return read >= low && read <= high;
};

function reading(bench: Bench, point: string, state: MachineState): number {
  const { call, after } = state;
  const here = benchIn(bench, state);
  if (point.startsWith('A ')) return Number(read(here, { what: 'amps', through: point.slice(2), call, after }));
  const [from = '', to = ''] = point.split('-');
  return Number(read(here, { what: 'volts', from, to, call, after }));
}

const said = (shows: Shows): string => (typeof shows === 'object' ? shows.join('–') : String(shows));

/** What each point shows in a state by a rung: its own rows, and what is sound beside. */
export function rowIn(
  { states, sound }: Pick<Ladder, 'states' | 'sound'>,
  { reads }: Pick<Rung, 'reads'>,
  state: State,
): Row {
  const column = states.indexOf(state);
  const beside = Object.fromEntries(Object.entries(sound).map(([point, row]) => [point, row[column] ?? 0]));
  const own = Object.entries(reads).filter(([codes]) => codes.includes(state));
  return Object.assign(beside, ...own.map(([, row]) => row)) as Row;
}

/** Where a network and a rung differ, each as one line: "C D1-T1: floats, reads 240". */
export function differences(
  { kind, plate, states, sound }: Ladder,
  { does, reads, silent = '' }: Omit<Rung, 'name'>,
): string[] {
  const machine = soundMachine(machineSpecOf(kind, plate));
  const bench = benchOf(withChanges(machine, does));
  return states.flatMap((state) => {
    // With the power off somewhere the rungs speak of the sound machine only.
    if (silent.includes(state) || (does.length > 0 && STATES[state].powered !== 'all')) return [];
    return Object.entries(rowIn({ states, sound }, { reads }, state)).flatMap(([point, shows]) => {
      const read = reading(bench, point, STATES[state]);
      return fits(point, shows, read) ? [] : [`${state} ${point}: ${said(shows)}, reads ${read.toFixed(1)}`];
    });
  });
}
