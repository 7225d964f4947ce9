import { branchOf, type Change } from '../circuit/change.ts';
import {
  FLOATS,
  rowIn,
  STATES,
  type Ladder,
  type Rung,
  type Row,
  type Shows,
  type State,
} from '../circuit/rungs/rungs.ts';
import { SLOTS, type Point, type Slot } from '../equipment/component.ts';
import { isHeatPump } from '../equipment/system-kind.ts';
import type { StopId } from '../readings/contract/entry.ts';
import type { Call } from '../trade/controls/call-table.ts';
import type { ToInterpret } from '../interpretation/interpret-visit.ts';

/** The reading of a visit that is taken at a point of a ladder, with the call made and without. */
interface At {
  readonly slot: Slot;
  readonly point: Point;
  readonly kind: string;
  readonly method: string;
  readonly input: string;
}

type Called = 'called' | 'no-call';

const volts =
  (kind: string, slot: Slot, point: Point) =>
  (when: Called): At => ({ kind, slot, point, method: when, input: 'volts' });
const onlyCalled =
  (kind: string, slot: Slot, point: Point, method: string, input: string) =>
  (when: Called): At | null =>
    when === 'called' ? { kind, slot, point, method, input } : null;
const contact =
  (i: number) =>
  (when: Called): At => ({
    kind: 'sequencer-contact-volts',
    slot: 'sequencer',
    point: `contact-${i}` as Point,
    method: when === 'called' ? 'meter' : 'no-call',
    input: 'volts',
  });
const element =
  (i: number) =>
  (when: Called): At => ({
    kind: when === 'called' ? 'heater-amps' : 'strips-in-cooling',
    slot: 'electric-heat',
    point: `element-${i}` as Point,
    method: when === 'called' ? 'clamp' : 'no-call',
    input: 'amps',
  });

/** Where the outdoor unit is read, the indoor one, and its electric heat. */
const OUTDOORS: Readonly<Record<string, (when: Called) => At | null>> = {
  'T1-T2': volts('contactor-volts', 'contactor', 'load-side'),
  'Yc-Co': volts('contactor-volts', 'contactor', 'coil'),
  'D1-D2': volts('contactor-volts', 'contactor', 'line-side'),
  'D1-T1': onlyCalled('contact-drop', 'contactor', 'whole', 'meter', 'volts'),
  'Oo-Co': volts('valve-volts', 'defrost-board', 'coil'),
  'A compressor.run': onlyCalled('compressor-amps', 'compressor', 'common', 'clamp', 'amps'),
  'A outdoor-fan.run': onlyCalled('outdoor-fan-amps', 'outdoor-fan', 'whole', 'clamp', 'amps'),
};
const INDOORS: Readonly<Record<string, (when: Called) => At | null>> = {
  'A blower.run': onlyCalled('blower-amps', 'blower', 'whole', 'clamp', 'amps'),
};
const HEAT: Readonly<Record<string, (when: Called) => At | null>> = {
  ...INDOORS,
  'W-C': volts('sequencer-volts', 'sequencer', 'coil'),
  'H1-n1': contact(1),
  'H1-n4': contact(2),
  'H3-n7': contact(3),
  'H3-n10': contact(4),
  'A element-1': element(1),
  'A element-2': element(2),
  'A element-3': element(3),
  'A element-4': element(4),
};

/** Stops of a visit, the call each is told to make, and what is read there. */
export const STATIONS: readonly {
  readonly stop: StopId;
  readonly calls: readonly Call[];
  readonly reads: Readonly<Record<string, (when: Called) => At | null>>;
}[] = [
  { stop: 'cooling', calls: ['cooling'], reads: OUTDOORS },
  { stop: 'heating', calls: ['heating'], reads: OUTDOORS },
  { stop: 'electric-heat', calls: ['emergency-heat', 'second-stage-heat'], reads: HEAT },
  { stop: 'calls', calls: ['off'], reads: { ...OUTDOORS, ...HEAT } },
  { stop: 'fan-only', calls: ['fan'], reads: INDOORS },
];

/** What a hand may have read of a point: its figure, the middle of its span, or one of several ghosts. */
const figuresOf = (shows: Shows): readonly number[] =>
  shows === FLOATS ? [0, 6, 35] : typeof shows === 'number' ? [shows] : [(shows[0] + shows[1]) / 2];

/** Readings that a technician takes at a station, whatever state the machine is in; `ghost` says which of several figures. */
export function readingsAt(station: (typeof STATIONS)[number], row: Row, ghost = 0): ToInterpret[] {
  const when: Called = station.stop === 'calls' ? 'no-call' : 'called';
  return Object.entries(station.reads).flatMap(([point, at]): ToInterpret[] => {
    const shows = row[point];
    const place = at(when);
    if (shows === undefined || !place) return [];
    const figures = figuresOf(shows);
    const { input, ...where } = place;
    return [{ ...where, id: point, inputs: { [input]: figures[ghost % figures.length]! }, conditions: {} }];
  });
}

/** A cell of the table: a rung in a state, read at a station. */
export interface Cell {
  readonly ladder: Ladder;
  readonly rung: Rung;
  readonly state: State;
  readonly station: (typeof STATIONS)[number];
  readonly isMeant: boolean;
  readonly row: Row;
}

/** Every cell of a ladder with its rungs: each state, read at each station. */
export function* cellsOf(ladder: Ladder, rungs: readonly Rung[]): Generator<Cell> {
  for (const rung of rungs)
    for (const state of ladder.states) {
      if (rung.silent?.includes(state) || (rung.does.length > 0 && STATES[state].powered !== 'all')) continue;
      for (const station of STATIONS) {
        // Outdoors it heats on a heat pump only.
        if (station.stop === 'heating' && !isHeatPump(ladder.kind)) continue;
        const isMeant = STATES[state].powered === 'all' && station.calls.includes(STATES[state].call);
        yield { ladder, rung, state, station, isMeant, row: rowIn(ladder, rung, state) };
      }
    }
}

export const SOUND: Rung = { name: 'sound', does: [], reads: {} };

const PART: Readonly<Record<string, readonly Slot[]>> = {
  disconnect: ['supply'],
  outdoor: ['supply'],
  indoor: ['supply'],
  heat: ['supply'],
  element: ['electric-heat'],
  link: ['electric-heat'],
  limit: ['electric-heat'],
  board: ['defrost-board', 'gas-heat'],
  'low-pressure-switch': ['low-pressure-switch', 'refrigerant-circuit'],
  'reversing-valve': ['defrost-board'],
};

/** The parts a change is made to. */
export function slotsOf(change: Change): readonly Slot[] {
  const branch = branchOf(change) ?? '';
  const part = branch.split(/\.|-\d/)[0]!;
  return PART[part] ?? SLOTS.filter((slot) => slot === part);
}
