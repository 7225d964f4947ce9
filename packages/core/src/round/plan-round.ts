import type { Component } from '../equipment/component.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import type { StopId } from '../readings/kind.ts';
import { placesOn, type Place } from '../readings/registry.ts';
import { LIVE_CAUTIONS, POWER_OFF_CAUTIONS, type Caution } from './cautions.ts';

/** One reading to be taken at a stop. */
export interface PlannedReading<C extends Component = Component> extends Place {
  readonly component: C;
}

/** One stop of a round: a state of the system, and the readings taken in it. */
export interface Stop<C extends Component = Component> {
  readonly id: StopId;
  readonly title: string;
  /** The state the system must be in, as short statements. */
  readonly state: readonly string[];
  readonly cautions: readonly Caution[];
  readonly readings: readonly PlannedReading<C>[];
}

const STOPS: readonly Omit<Stop, 'readings'>[] = [
  {
    id: 'running',
    title: 'Running',
    state: ['Breaker on, disconnect in', 'Thermostat calling', 'Running 10 minutes or more'],
    cautions: LIVE_CAUTIONS,
  },
  {
    id: 'power-off',
    title: 'Power off',
    state: ['Thermostat off', 'Locked out and proved dead', 'Capacitors discharged'],
    cautions: POWER_OFF_CAUTIONS,
  },
];

/**
 * The stops of a round for a system's living parts, and the readings of each in the order they are worked, so that the
 * unit is started and stopped once. Stops at which nothing is to be read are left out.
 */
export function planRound<C extends Component>(systemKind: SystemKind, components: readonly C[]): Stop<C>[] {
  const readings = components.flatMap((component) =>
    placesOn(component, systemKind).map((place) => ({ ...place, component })),
  );
  return STOPS.map((stop) => ({
    ...stop,
    readings: readings.filter((r) => r.method.stop === stop.id).sort((a, b) => a.method.order - b.method.order),
  })).filter((stop) => stop.readings.length > 0);
}
