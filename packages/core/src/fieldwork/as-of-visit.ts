import type { SystemDetail } from '../http/systems.ts';
import { dayAt } from '../quantity/day-in.ts';
import { dayOf, isoOf } from '../quantity/day.ts';
import { momentOfId } from '../quantity/moment-of-id.ts';

/** A system as it was known at the end of a visit (UTC): what was read, fitted or repaired since is left out. */
export function asOfVisit(system: SystemDetail, endedAt: string): SystemDetail {
  const day = isoOf(dayAt(system.zone, endedAt));
  const wasFitted = (id: string, fittedOn: string | null) => {
    const at = momentOfId(id);
    return fittedOn === null || fittedOn < day || (fittedOn === day && (at === null || at <= endedAt));
  };
  const components = system.components.filter((c) => c.replaces === null || wasFitted(c.id, c.fittedOn));
  const replaced = new Set(components.map(({ replaces }) => replaces));
  return {
    ...system,
    components: components.map((c) =>
      c.removedOn === null || replaced.has(c.id) || dayOf(c.removedOn) < dayOf(day) ? c : { ...c, removedOn: null },
    ),
    readings: system.readings.filter((r) => r.takenAt <= endedAt),
    events: system.events.filter((e) => e.on <= day),
    photos: system.photos.filter((p) => p.takenAt <= endedAt),
  };
}
