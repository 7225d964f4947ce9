import { USUAL_KILOWATTS, type MachineSpec } from '../circuit/machine-spec.ts';
import { runnersFigure, type Probe, type Shown } from '../circuit/probe.ts';
import { scaleOf } from '../circuit/structure.ts';
import type { Point, Slot } from '../equipment/component.ts';
import { heatKilowattsOf, likelyElementsOf, type Plate } from '../equipment/plate.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { Input, Inputs, StopId } from '../readings/contract/entry.ts';
import { readingKind } from '../readings/registry.ts';
import { chosenIn } from '../readings/contract/window.ts';
import type { Call } from '../trade/controls/call-table.ts';
import type { Expected } from './expected.ts';
import { possibleStates } from './possible-states.ts';
import { callMadeFor, placedOf, type Placed } from './visit-probes.ts';
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

/** What a heater may be where its plate does not say: its elements, and its kW all together; common practice, no source. */
const ELEMENTS_MAY_BE = [1, 2, 3, 4];
const KILOWATTS_MAY_BE = [3, 5, 8, 10, 15, 20];

/** By how much a figure of an element is divided to stand for one of the structure, for each way the plate may be meant. */
function shares({ probe }: Placed, { kind }: ToInterpret, plate: Plate): readonly number[] {
  const isElement = kind === 'element-ohms';
  const isHeat = isElement || (probe.what === 'amps' && probe.through[0]?.startsWith('element-') === true);
  if (!isHeat) return [1];
  const kilowatts = heatKilowattsOf(plate) === undefined ? KILOWATTS_MAY_BE.map((kw) => kw / USUAL_KILOWATTS) : [1];
  const likely = likelyElementsOf(plate);
  const elements = isElement && plate.heatElements === undefined ? ELEMENTS_MAY_BE.map((n) => n / likely) : [1];
  return elements.flatMap((n) => kilowatts.map((share) => n * (isElement ? 1 / share : share)));
}

/** How far from a share of its elements a part of a heater's amps may be to stand for it, where nobody knows how many it has. */
const SHARE_WITHIN = 0.2;

/** What a figure of all elements may stand for where their number is not known: some of them, however many that are. */
function someOfThem(
  { probe }: Placed,
  value: number,
  plate: Plate,
  { lineVolts, banks }: MachineSpec,
): readonly number[] {
  const isOfAll = probe.what === 'amps' && probe.through[0] === 'element-1' && probe.through.length === banks.length;
  if (!isOfAll || plate.heatElements !== undefined) return [];
  const each = banks.map((ohms) => lineVolts / ohms);
  const all = each.reduce((sum, amps) => sum + amps, 0);
  return each
    .map((_amps, i) => (i * all) / banks.length)
    .filter((some) => some > 0 && Math.abs(value - some) < SHARE_WITHIN * all);
}

function samplesOf(reading: ToInterpret, spec: MachineSpec, plate: Plate, expected: Expected): Sample[] {
  return placedOf(reading.kind, { ...reading, plate, spec }).flatMap((placed): Sample[] => {
    const read = readAt(placed.probe, reading.inputs?.[placed.input]);
    if (read === null || !expected.can(placed.probe)) return [];
    const or = placed.or && expected.can(placed.or.probe) ? placed.or : undefined;
    const scale = scaleOf(placed.probe, spec) * (placed.part ?? 1);
    const value = typeof read === 'number' ? read / scale : read;
    const by = shares(placed, reading, plate);
    const orValues =
      typeof value === 'number' && value !== Infinity
        ? [...by.map((share) => value / share), ...someOfThem(placed, value, plate, expected.structure)]
        : [];
    const { or: _left, ...at } = placed;
    return [{ ...at, ...(or && { or }), of: reading.id, value, ...(orValues.length > 1 && { orValues }) }];
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
