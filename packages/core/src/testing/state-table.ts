import type { Shown } from '../circuit/probe.ts';
import { machineSpecOf, type MachineSpec } from '../circuit/machine-spec.ts';
import type { MachineState } from '../circuit/state.ts';
import { scaleOf } from '../circuit/structure.ts';
import { componentsFor, type Component } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import { fits } from '../interpretation/density.ts';
import { expectedOf, type Expected, type Way } from '../interpretation/expected.ts';
import { interpretVisit, type ToInterpret } from '../interpretation/interpret-visit.ts';
import { possibleStates, type MayBe } from '../interpretation/possible-states.ts';
import { callMadeFor, placedOf, type Placed } from '../interpretation/visit-probes.ts';
import { placesOn } from '../readings/registry.ts';
import { RUNNERS } from '../trade/controls/call-table.ts';
import type { Says } from '../verdict/interpretation.ts';

/** What one cell of the table of states came to. */
export interface StateCell {
  /** The reading's kind, point and method. */
  readonly reading: string;
  readonly state: MachineState;
  /** Whether it is the state that whoever reads is told to bring about. */
  readonly isMeant: boolean;
  readonly cause: string;
  /** Of whom the fault is: of nobody, of the part that was read, or of another. */
  readonly fault: 'sound' | 'own' | 'elsewhere';
  /** Whether no sound machine, and no fault of another part, reads so in any state that is possible. */
  readonly canTell: boolean;
  /** Whether no sound machine reads so in any state that is possible. */
  readonly showsFault: boolean;
  readonly says: Says;
}

/** Draws a figure between 0 and 1. */
export type Draw = () => number;

/** What a hand may read where a perfect meter shows something: a little off, or a ghost. */
function readAs(shown: Shown, draw: Draw): number | 'OL' | null {
  if (shown === 'floats') return Math.round(40 * draw()) / 2;
  if (shown === 'jumps' || Number.isNaN(shown)) return null;
  if (shown === Infinity) return 'OL';
  const off = shown * (1 + 0.03 * (2 * draw() - 1));
  return Number(off.toPrecision(3));
}

interface At {
  readonly reading: Omit<ToInterpret, 'id' | 'inputs'>;
  readonly placed: Placed;
  readonly states: readonly MayBe[];
}

/** Every reading of one figure that is taken of the wiring of a machine. */
function readingsOf(kind: SystemKind, plate: Plate, spec: MachineSpec, expected: Expected): At[] {
  return componentsFor(kind, plate).flatMap((part) => {
    const component: Component = { fittedOn: null, ...part };
    const { slot } = part;
    return placesOn(component, kind, plate).flatMap(({ kind: of, method, point }) => {
      const [placed, ...more] = placedOf(of.id, { slot, point, plate, spec });
      const states = possibleStates(method.stops, spec, {}, callMadeFor({ kind: of.id, point }));
      if (!placed || more.length > 0 || states.length === 0 || !expected.can(placed.probe)) return [];
      return [{ reading: { kind: of.id, slot, point, method: method.id, conditions: {} }, placed, states }];
    });
  });
}

/** What runs is looked at of the whole machine: nothing is its own. */
const isOwn = (way: Way, { reading, placed }: At): boolean =>
  placed.probe.what !== 'runs' && way.slot === reading.slot && !way.isHot;

/** Whether no way of some shows alike in a state that is possible. */
function noneShows(value: Shown, { placed, states }: At, expected: Expected, some: (way: Way) => boolean): boolean {
  const ways = expected.ways ?? [];
  return !states.some(({ state }) =>
    expected.shown(placed.probe, state).some((shown, w) => some(ways[w]!) && fits(value, shown, placed.probe, placed)),
  );
}

const runningIn = (figure: number): string[] => RUNNERS.filter((_runner, i) => (figure >> i) & 1);

/** One reading alone, in every state it may be taken in, with every fault its machine may have: what is made of each. */
export function* stateTable(kind: SystemKind, plate: Plate, draw: Draw): Generator<StateCell> {
  const spec = machineSpecOf(kind, plate);
  const expected = expectedOf(spec);
  const ways = expected.ways ?? [];
  for (const at of readingsOf(kind, plate, spec, expected)) {
    const { reading, placed, states } = at;
    const scale = scaleOf(placed.probe, spec) * (placed.part ?? 1);
    for (const { state, isMeant } of states)
      for (const [w, way] of ways.entries()) {
        const shown = expected.shownBy(w, placed.probe, state);
        const isRuns = placed.probe.what === 'runs';
        const read = isRuns && typeof shown === 'number' ? shown : readAs(shown, draw);
        if (read === null) continue;
        const figure = typeof read === 'number' ? Number((read * scale).toPrecision(3)) : read;
        const entered = isRuns ? runningIn(Number(read)) : figure;
        const value = read === 'OL' ? Infinity : read;
        const told = interpretVisit({ kind, plate }, [{ ...reading, id: 'r', inputs: { [placed.input]: entered } }]);
        yield {
          reading: `${reading.kind}/${reading.point}/${reading.method}`,
          state,
          isMeant,
          cause: way.cause,
          fault: way.isSound ? 'sound' : isOwn(way, at) ? 'own' : 'elsewhere',
          // Ghost volts are no evidence of anything.
          canTell: shown !== 'floats' && noneShows(value, at, expected, (one) => !isOwn(one, at)),
          showsFault: shown !== 'floats' && noneShows(value, at, expected, ({ isSound }) => isSound),
          says: told.get('r')?.says ?? 'counts',
        };
      }
  }
}
