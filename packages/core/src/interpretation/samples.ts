import type { MachineSpec } from '../circuit/machine-spec.ts';
import { runnersFigure, type Probe, type Shown } from '../circuit/probe.ts';
import { scaleOf } from '../circuit/structure.ts';
import type { Point, Slot } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { Input, Inputs, StopId } from '../readings/contract/entry.ts';
import { readingKind } from '../readings/registry.ts';
import { chosenIn } from '../readings/contract/window.ts';
import type { Call } from '../trade/controls/call-table.ts';
import type { Expected } from './expected.ts';
import { possibleStates } from './possible-states.ts';
import { callMadeFor, placedOf } from './visit-probes.ts';
import type { Episode, Sample } from './weigh.ts';

/** A reading as it is interpreted: taken, or typed and not taken yet. */
export interface ToInterpret {
  readonly id: string;
  readonly kind: string;
  readonly slot: Slot;
  readonly point: Point;
  readonly method: string;
  readonly inputs?: Inputs | undefined;
  readonly conditions?: Conditions | undefined;
  readonly findings?: readonly string[] | undefined;
  /** Which stretch of the visit, between one repair and the next, it is of. */
  readonly since?: string | undefined;
}

const shownIn = (input: Input | undefined): Shown | null =>
  input === 'OL' ? Infinity : input === 'jumps' ? 'jumps' : typeof input === 'number' ? input : null;

const readAt = ({ what }: Probe, input: Input | undefined): Shown | null =>
  what !== 'runs' ? shownIn(input) : input === undefined ? null : runnersFigure(chosenIn(input));

/** The figures that one input may stand for where the plate does not say how many elements there are. */
const ELEMENTS_MAY_BE = [1, 2, 3, 4];

function samplesOf(reading: ToInterpret, spec: MachineSpec, plate: Plate, expected: Expected): Sample[] {
  return placedOf(reading.kind, { ...reading, plate, spec }).flatMap((placed): Sample[] => {
    const read = readAt(placed.probe, reading.inputs?.[placed.input]);
    if (read === null || !expected.can(placed.probe)) return [];
    const or = placed.or && expected.can(placed.or.probe) ? placed.or : undefined;
    const scale = scaleOf(placed.probe, spec) * (placed.part ?? 1);
    const value = typeof read === 'number' ? read / scale : read;
    const isElement = placed.probe.what === 'ohms' && reading.kind === 'element-ohms';
    const orValues =
      isElement && plate.heatElements === undefined && typeof value === 'number' && value !== Infinity
        ? ELEMENTS_MAY_BE.map((n) => value / n)
        : undefined;
    const { or: _left, ...at } = placed;
    return [{ ...at, ...(or && { or }), of: reading.id, value, ...(orValues && { orValues }) }];
  });
}

/** What held for all readings of an episode: what one of them knows of the state, it knows for all. */
const together = (all: readonly Conditions[]): Conditions => ({
  outdoorF: all.find(({ outdoorF }) => outdoorF !== undefined)?.outdoorF,
  runningMin: all.reduce<number | undefined>(
    (most, { runningMin }) => (runningMin === undefined ? most : Math.max(most ?? 0, runningMin)),
    undefined,
  ),
  ...(all.some(({ asMeant }) => asMeant) && { asMeant: true }),
});

/** Readings that were taken together: at one stop, between one repair and the next. */
export function episodesOf(
  readings: readonly ToInterpret[],
  spec: MachineSpec,
  plate: Plate,
  expected: Expected,
): Episode[] {
  const groups = new Map<
    string,
    { stops: readonly StopId[]; call: Call | null; conditions: Conditions[]; latest: Map<string, readonly Sample[]> }
  >();
  for (const reading of readings) {
    const method = readingKind(reading.kind)?.methods.find(({ id }) => id === reading.method);
    const samples = samplesOf(reading, spec, plate, expected);
    if (!method || samples.length === 0) continue;
    const { stops } = method;
    const call = callMadeFor(reading);
    const key = [stops.join(), call ?? '', reading.since ?? ''].join('|');
    const group = groups.get(key) ?? { stops, call, conditions: [], latest: new Map<string, readonly Sample[]>() };
    groups.set(key, group);
    group.conditions.push(reading.conditions ?? {});
    // What was read again is what was meant.
    group.latest.set([reading.kind, reading.slot, reading.point].join('/'), samples);
  }
  return [...groups.values()]
    .map(({ stops, call, conditions, latest }) => ({
      states: possibleStates(stops, spec, together(conditions), call),
      samples: [...latest.values()].flat(),
    }))
    .filter(({ states }) => states.length > 0);
}
