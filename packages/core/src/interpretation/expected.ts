import { SLOTS, type Slot } from '../equipment/component.ts';
import { soundMachine } from '../circuit/machine.ts';
import type { MachineSpec } from '../circuit/machine-spec.ts';
import { benchOf, type Bench } from '../circuit/measure.ts';
import { canProbe, probeName, shownBy, type Probe, type Shown } from '../circuit/probe.ts';
import { stateName, type MachineState } from '../circuit/state.ts';
import { structureName, structureOf } from '../circuit/structure.ts';
import { NO_FAULT } from '../diagnosis/complaint-shares.ts';
import { causesOf, UNLISTED, type Cause, type CauseId } from '../diagnosis/causes.ts';
import { fits, type Differs } from './density.ts';

/** One way a machine may be: with nothing wrong, or with a fault as it comes. */
export interface Way {
  readonly cause: CauseId;
  /** The part that is to be repaired; null for wires between parts. */
  readonly slot: Slot | null;
  readonly isSound: boolean;
  /** True where an overload has opened on heat: no part of it is broken. */
  readonly isHot: boolean;
  /** Ways of its cause. */
  readonly among: number;
}

/** What machines of a structure show. */
export interface Expected {
  readonly structure: MachineSpec;
  /** Every way it may be, the sound one first; null until they have been worked out. */
  readonly ways: readonly Way[] | null;
  readonly can: (probe: Probe) => boolean;
  /** What a sound machine shows at a probe in a state. */
  readonly sound: (probe: Probe, state: MachineState) => Shown;
  /** What each way shows there, in their order; all alike as sound where they have not been worked out. */
  readonly shown: (probe: Probe, state: MachineState) => readonly Shown[];
  /** The same of one way, by its place. */
  readonly shownBy: (way: number, probe: Probe, state: MachineState) => Shown;
}

const nameOf = (probe: Probe, state: MachineState): string => `${probeName(probe)}|${stateName(state)}`;

/** Two faults at once are left to the diagnosis. */
const isSingle = ({ id }: Cause): boolean => id !== UNLISTED && !id.includes('+');

/** The part that a wire of no list belongs to, by the branch that is open; null for wires between parts. */
function slotOf(id: CauseId): Slot | null {
  const part = id.slice('open:'.length).split(/[.-]/)[0] ?? '';
  if (['element', 'link', 'limit'].includes(part)) return 'electric-heat';
  return SLOTS.find((slot) => slot === part) ?? null;
}

function waysOf(structure: MachineSpec): { way: Way; bench: Bench }[] {
  const ways = causesOf(structure)
    .filter(isSingle)
    .flatMap(({ id, slot, benches }) =>
      benches.map((bench) => ({
        bench,
        way: {
          cause: id,
          slot: slot ?? slotOf(id),
          isSound: id === NO_FAULT,
          isHot: bench.machine.network.some(({ hot }) => hot),
          among: benches.length,
        },
      })),
    );
  return ways.sort((a, b) => Number(b.way.isSound) - Number(a.way.isSound));
}

/** What a sound machine shows, worked out when it is first asked for. */
function soundOf(structure: MachineSpec): Pick<Expected, 'can' | 'sound'> {
  const bench = benchOf(soundMachine(structure));
  const known = new ByPlace<Shown>();
  return {
    can: (probe) => canProbe(bench, probe),
    sound: (probe, state) => known.at(probe, state, () => shownBy(bench, probe, state)),
  };
}

/** Things kept by probe and state. */
class ByPlace<T> {
  readonly #all = new Map<string, Map<string, T>>();
  at(probe: Probe, state: MachineState, make: () => T): T {
    const name = probeName(probe);
    let ofProbe = this.#all.get(name);
    if (!ofProbe) this.#all.set(name, (ofProbe = new Map<string, T>()));
    const of = stateName(state);
    let made = ofProbe.get(of);
    if (made === undefined) ofProbe.set(of, (made = make()));
    return made;
  }
}

/** What every way shows, each figure worked out when it is first asked for: some seconds for all of a structure. */
export function workedOut(structure: MachineSpec): Expected {
  const known = new ByPlace<Shown[]>();
  let made: ReturnType<typeof waysOf> | null = null;
  let facts: readonly Way[] | null = null;
  const all = () => (made ??= waysOf(structure));
  const columnAt = (probe: Probe, state: MachineState) => known.at(probe, state, () => []);
  const shownByWay: Expected['shownBy'] = (way, probe, state) =>
    (columnAt(probe, state)[way] ??= shownBy(all()[way]!.bench, probe, state));
  return {
    structure,
    ...soundOf(structure),
    get ways() {
      return (facts ??= all().map(({ way }) => way));
    },
    shownBy: shownByWay,
    shown: (probe, state) => {
      const column = columnAt(probe, state);
      all().forEach(({ bench }, w) => (column[w] ??= shownBy(bench, probe, state)));
      return column;
    },
  };
}

/** What was worked out elsewhere, as it is sent: its ways, and for each probe and state a column of figures. */
export interface ExpectedTable {
  readonly structure: string;
  readonly ways: readonly Way[];
  readonly names: readonly string[];
  /** Column after column, each as long as the ways; codes stand for what is no figure. */
  readonly figures: Float64Array;
}
const CODES = { floats: -1, jumps: -2 } as const;
const codeOf = (shown: Shown): number => (typeof shown === 'number' ? shown : CODES[shown]);
const shownOf = (code: number): Shown => (code === CODES.floats ? 'floats' : code === CODES.jumps ? 'jumps' : code);

/** Works out what every way shows at some probes and states. */
export function tableOf(spec: MachineSpec, at: readonly (readonly [Probe, MachineState])[]): ExpectedTable {
  const expected = workedOut(structureOf(spec));
  const ways = expected.ways ?? [];
  const named = [...new Map(at.map(([probe, state]) => [nameOf(probe, state), [probe, state] as const]))];
  const figures = new Float64Array(named.length * ways.length);
  named.forEach(([, [probe, state]], column) => {
    if (expected.can(probe)) figures.set(expected.shown(probe, state).map(codeOf), column * ways.length);
  });
  return { structure: structureName(spec), ways, names: named.map(([name]) => name), figures };
}

/** What is known of a structure by a table; of sound machines alone until there is one. */
function byTable(structure: MachineSpec, table: ExpectedTable | null): Expected {
  const sound = soundOf(structure);
  const ways = table?.ways ?? null;
  const columns = new Map<string, number>(table?.names.map((name, column) => [name, column]));
  const known = new ByPlace<readonly Shown[]>();
  const shown = (probe: Probe, state: MachineState): readonly Shown[] =>
    known.at(probe, state, () => {
      const column = columns.get(nameOf(probe, state));
      if (!table || !ways || column === undefined) return (ways ?? []).map(() => sound.sound(probe, state));
      const from = column * ways.length;
      return Array.from(table.figures.subarray(from, from + ways.length), shownOf);
    });
  return {
    structure,
    ...sound,
    ways,
    shownBy: (way, probe, state) => shown(probe, state)[way] ?? sound.sound(probe, state),
    shown,
  };
}

/** Structures that are kept; a firm has a few dozen. */
const MOST_KEPT = 60;
const kept = new Map<string, Expected>();
let isByTables = false;

function keep(name: string, made: Expected): Expected {
  kept.set(name, made);
  const oldest = kept.size > MOST_KEPT ? kept.keys().next().value : undefined;
  if (oldest !== undefined) kept.delete(oldest);
  return made;
}

/** What is expected of machines built as one is; made once for each structure. */
export function expectedOf(spec: MachineSpec): Expected {
  const name = structureName(spec);
  const structure = structureOf(spec);
  return kept.get(name) ?? keep(name, isByTables ? byTable(structure, null) : workedOut(structure));
}

/** From now on nothing but sound machines is worked out here: all else comes by tables. */
export function expectByTables(): void {
  isByTables = true;
  kept.clear();
}

let wanted: ((spec: MachineSpec) => void) | null = null;

/** Tells of each machine whose faults would be needed to judge a reading, and that no table has come for yet. */
export function onWanted(listener: (spec: MachineSpec) => void): void {
  wanted = listener;
}
/** Notes that a machine's faults are needed. */
export const wantTable = (spec: MachineSpec): void => wanted?.(spec);

let taken = 0;
/** A number that changes with each table that is taken up: what was worked out before may not hold any more. */
export const tablesTaken = (): number => taken;

/** Takes up a table that was worked out elsewhere for machines built as one is. */
export function takeUpTable(spec: MachineSpec, table: ExpectedTable): void {
  taken += 1;
  if (structureName(spec) === table.structure) keep(table.structure, byTable(structureOf(spec), table));
}

/** Whether some fault of a part reads otherwise there than a sound machine; `differs` is by how much sound ones do. */
export function tellsAt(expected: Expected, probe: Probe, state: MachineState, differs: Differs): boolean {
  const known = told.get(expected) ?? new ByPlace<boolean>();
  told.set(expected, known);
  return known.at(probe, state, () => {
    const sound = expected.sound(probe, state);
    const tells = (way: Way, w: number) =>
      way.slot !== null && !way.isSound && !fits(expected.shownBy(w, probe, state), sound, probe, differs);
    // What is not known yet is given the benefit of the doubt.
    return expected.ways?.some(tells) ?? true;
  });
}
const told = new WeakMap<Expected, ByPlace<boolean>>();

/** The causes that read otherwise there than a sound machine. */
export function showingAt(expected: Expected, probe: Probe, state: MachineState, differs: Differs): readonly CauseId[] {
  const known = showing.get(expected) ?? new ByPlace<readonly CauseId[]>();
  showing.set(expected, known);
  return known.at(probe, state, () => {
    const sound = expected.sound(probe, state);
    const shown = expected.shown(probe, state);
    const isSeen = (w: number) => !fits(shown[w]!, sound, probe, differs);
    return [...new Set((expected.ways ?? []).flatMap(({ cause }, w) => (isSeen(w) ? [cause] : [])))];
  });
}
const showing = new WeakMap<Expected, ByPlace<readonly CauseId[]>>();
