import type { Component } from '../equipment/component.ts';
import type { Season } from '../quantity/season.ts';
import type { Plate } from '../equipment/plate.ts';
import { hasBlower, isHeatPump, type SystemKind } from '../equipment/system-kind.ts';
import type { StopId } from '../readings/contract/entry.ts';
import { placesOn, type Place } from '../readings/registry.ts';
import { isMildlyFlammable, refrigerantName } from '../trade/refrigerant/known-refrigerants.ts';
import { FLAMMABLE_REFRIGERANT } from './cautions.ts';
import { STOPS, type Instruction, type StopFacts, type StopPlace } from './stops.ts';

/** One reading to be taken at a stop. */
export interface PlannedReading<C extends Component = Component> extends Place {
  readonly component: C;
}

/** One stop of a round: a state of the system, and the readings taken in it. */
export interface Stop<C extends Component = Component> extends StopFacts {
  readonly readings: readonly PlannedReading<C>[];
}

/** What a round is planned for. */
export interface RoundAsked<C extends Component = Component> {
  readonly systemKind: SystemKind;
  readonly plate: Plate;
  /** The living parts. */
  readonly components: readonly C[];
  readonly season: Season;
  /** Whether the other season's stops are worked on the same visit. */
  readonly bothSeasons?: boolean;
}

const has = (components: readonly Component[], slot: Component['slot']) => components.some((c) => c.slot === slot);

/** The stops a season's round of this system can have; whether they have anything to read shows later. */
function stopsFor({ systemKind, components, season, bothSeasons = false }: RoundAsked): ReadonlySet<StopId> {
  const always: StopId[] = ['arrive', 'look', 'calls', 'off-outdoor', 'off-indoor', 'restart'];
  const cools: StopId[] = ['cooling-air', 'cooling'];
  if (season === 'spring' && !bothSeasons) return new Set([...always, ...cools]);
  const heats: StopId[] = [];
  if (has(components, 'electric-heat')) heats.push('electric-heat');
  if (has(components, 'gas-heat')) heats.push('gas-heat');
  if (heats.length === 0 && hasBlower(systemKind)) heats.push('fan-only');
  if (isHeatPump(systemKind)) heats.push('heating', 'defrost');
  return new Set([...always, ...heats, ...(bothSeasons ? cools : [])]);
}

/** In a packaged unit the blower stands beside the compressor: its indoor stops are worked outdoors, in one go. */
const PACKAGED: Partial<Record<StopId, StopId>> = { 'off-indoor': 'off-outdoor', 'cooling-air': 'cooling' };

function isInstructed(instruction: Instruction, asked: RoundAsked): boolean {
  if (instruction.opens === 'strip-wire-lifted') return has(asked.components, 'electric-heat');
  if (instruction.opens === 'gauges-on') return has(asked.components, 'refrigerant-circuit');
  return true;
}

function factsFor(facts: StopFacts, asked: RoundAsked): StopFacts {
  const packaged = asked.systemKind === 'packaged-heat-pump';
  const circuit = has(asked.components, 'refrigerant-circuit');
  const flammable = isMildlyFlammable(refrigerantName(asked.plate.refrigerant ?? ''));
  const aboutRefrigerant = facts.cautions.some((c) => c.id === 'refrigerant');
  return {
    ...facts,
    place: packaged && facts.place === 'indoor-unit' ? 'outdoor-unit' : facts.place,
    cautions: [
      ...facts.cautions.filter((c) => c.id !== 'refrigerant' || circuit),
      ...(aboutRefrigerant && flammable ? [FLAMMABLE_REFRIGERANT] : []),
    ],
    instructions: facts.instructions.filter((i) => isInstructed(i, asked)),
  };
}

const MOST_ORDER = 1000;
/** Stops that are worked in one go keep their own order inside it. */
const orderIn = (stop: StopId, order: number): number => MOST_ORDER * STOPS.findIndex((s) => s.id === stop) + order;

/** What it costs to go from one stop to the next: a start weighs more than any walk. */
const START = 100;
const STEPS: Readonly<Record<StopPlace, Readonly<Record<StopPlace, number>>>> = {
  thermostat: { thermostat: 0, 'indoor-unit': 1, 'outdoor-unit': 2 },
  'indoor-unit': { thermostat: 1, 'indoor-unit': 0, 'outdoor-unit': 2 },
  'outdoor-unit': { thermostat: 2, 'indoor-unit': 2, 'outdoor-unit': 0 },
};

function costBetween(from: StopFacts | undefined, to: StopFacts): number {
  const starts = to.mode !== 'as-found' && to.mode !== 'off' && to.mode !== from?.mode ? START : 0;
  return starts + STEPS[from?.place ?? 'thermostat'][to.place];
}

/** The cheapest order that keeps what must come before what; the first found wins a tie. A round has few stops: all are tried. */
function cheapestOrder<S extends StopFacts>(stops: readonly S[]): S[] {
  const there = new Set(stops.map((s) => s.id));
  let best: { order: S[]; cost: number } | null = null;
  const go = (order: S[], cost: number): void => {
    if (best && cost >= best.cost) return;
    if (order.length === stops.length) {
      best = { order, cost };
      return;
    }
    const done = new Set(order.map((s) => s.id));
    for (const next of stops) {
      const ready = next.after.every((id) => !there.has(id) || done.has(id));
      if (!done.has(next.id) && ready) go([...order, next], cost + costBetween(order.at(-1), next));
    }
  };
  go([], 0);
  return (best as { order: S[] } | null)?.order ?? [];
}

/** Starts of the machine and steps of walking that an order of stops costs. */
export function effortOf(stops: readonly StopFacts[]): { starts: number; steps: number } {
  const cost = stops.reduce((sum, stop, index) => sum + costBetween(stops[index - 1], stop), 0);
  return { starts: Math.floor(cost / START), steps: cost % START };
}

/**
 * The stops of a season's round for a system's living parts, and the readings of each in the order they are worked: mode
 * by mode and place by place, so that the machine is started, and its technician walks, as few times as can be. Stops at
 * which nothing is to be read are left out.
 */
export function planRound<C extends Component>(asked: RoundAsked<C>): Stop<C>[] {
  const allowed = stopsFor(asked);
  const packaged = asked.systemKind === 'packaged-heat-pump';
  const byStop = new Map<StopId, { planned: PlannedReading<C>; order: number }[]>();
  for (const component of asked.components) {
    for (const place of placesOn(component, asked.systemKind, asked.plate)) {
      const { method } = place;
      const stops = method.stopsFor?.({ component, ...asked }) ?? method.stops;
      const id = stops.find((stop) => allowed.has(stop));
      if (!id) continue;
      const stop = packaged ? (PACKAGED[id] ?? id) : id;
      const known = byStop.get(stop) ?? [];
      known.push({ planned: { ...place, component }, order: orderIn(id, method.order) });
      byStop.set(stop, known);
    }
  }
  // Nothing is started again that was never off.
  if (!byStop.has('off-outdoor') && !byStop.has('off-indoor')) byStop.delete('restart');
  const worked = STOPS.filter((stop) => byStop.has(stop.id)).map((stop) => ({
    ...factsFor(stop, asked),
    readings: (byStop.get(stop.id) ?? []).sort((a, b) => a.order - b.order).map(({ planned }) => planned),
  }));
  return cheapestOrder(worked);
}
