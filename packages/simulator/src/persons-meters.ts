import type { Day, InstrumentKind, ProbeChannel } from '@yarnix/core';

/** What a person of a simulated firm reads with: an instrument of each kind, and how far each shows off on a day. */
export interface PersonsMeters {
  readonly ids: Readonly<Partial<Record<InstrumentKind, string>>>;
  /** Share of the value; none for what is not an electrical quantity. */
  readonly off: (channel: ProbeChannel | undefined, day: Day) => number;
}

/** The kinds of instrument that a person of the demo firm carries, and what each is called. */
export const CARRIED: readonly (readonly [InstrumentKind, string])[] = [
  ['capacitance-meter', 'Capacitance meter'],
  ['clamp', 'Clamp'],
  ['multimeter', 'Multimeter'],
  ['gauges', 'Gauge set'],
  ['pipe-clamps', 'Pipe clamps'],
  ['psychrometer', 'Psychrometer'],
];

/** Days before the demo's own on which the second person's capacitance meter was dropped. */
export const DROPPED_BEFORE = 250;

/** How the meters of the demo's two people are: near enough, but for one that was dropped in spring. Invented. */
export function offOf(person: 0 | 1, asOf: Day): PersonsMeters['off'] {
  const usual =
    person === 0 ? { capacitance: 0.003, clamp: -0.004, volts: 0.001 } : { capacitance: -0.002, clamp: 0.006 };
  return (channel, day) => {
    const dropped = person === 1 && channel === 'capacitance' && asOf - day < DROPPED_BEFORE ? -0.018 : 0;
    return ((usual as Partial<Record<ProbeChannel, number>>)[channel ?? 'psychrometer'] ?? 0) + dropped;
  };
}
