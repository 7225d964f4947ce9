import type { Job } from '@yarnix/core';

/** Things by a key, in the order of the first of each. */
function grouped<T, K>(things: readonly T[], keyOf: (thing: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const thing of things) groups.set(keyOf(thing), [...(groups.get(keyOf(thing)) ?? []), thing]);
  return groups;
}

/** The jobs of one system: what one visit settles. */
export interface SystemJobs {
  readonly systemId: string;
  readonly address: string;
  readonly jobs: readonly Job[];
  readonly minutes: number;
}

/** Jobs by the system they are on, in the order of the first of each. */
export function bySystem(jobs: readonly Job[]): SystemJobs[] {
  const groups = grouped(jobs, ({ systemId }) => systemId);
  return [...groups].map(([systemId, own]) => ({
    systemId,
    address: own[0]?.address ?? '',
    jobs: own,
    minutes: own.reduce((sum, { minutes }) => sum + minutes, 0),
  }));
}

/** A day of the plan: whose, and which systems. */
export interface PlannedDay {
  readonly day: string | null;
  readonly minutes: number;
  readonly people: readonly {
    readonly name: string | null;
    readonly id: string | null;
    readonly systems: readonly SystemJobs[];
  }[];
}

/** Planned jobs by day, then by who does them; those without a day come last, those nobody does yet last of a day. */
export function byDay(jobs: readonly Job[]): PlannedDay[] {
  const last = (text: string | null) => text ?? '\uffff';
  const days = [...grouped(jobs, ({ day }) => day)].sort(([a], [b]) => (last(a) < last(b) ? -1 : 1));
  return days.map(([day, own]) => ({
    day,
    minutes: own.reduce((sum, { minutes }) => sum + minutes, 0),
    people: [...grouped(own, ({ person }) => person?.name ?? null)]
      .sort(([a], [b]) => (last(a) < last(b) ? -1 : 1))
      .map(([name, theirs]) => ({ name, id: theirs[0]?.person?.id ?? null, systems: bySystem(theirs) })),
  }));
}
