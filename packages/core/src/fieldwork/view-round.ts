import { wiresNoted } from '../equipment/wires.ts';
import type { SystemDetail } from '../http/systems.ts';
import { assessSystem, byThread, standingReadings } from '../judgment/assess-system.ts';
import { interpreted, type InterpretedSystem } from '../judgment/interpreted.ts';
import { happened, type SystemEvent } from '../judgment/events.ts';
import { dayAt } from '../quantity/day-in.ts';
import { seasonOf, type Season } from '../quantity/season.ts';
import { nextRoundAfter } from '../round/next-round.ts';
import { planRound } from '../round/plan-round.ts';
import type { FleetPrior } from '../series/drift-prior.ts';
import type { PressureTables } from '../trade/refrigerant/pressure-table.ts';
import type { Policy } from '../verdict/policy.ts';
import type { AtHand } from './read-with.ts';
import { repairsOn } from './repairs.ts';
import { allReadings, livingParts, type RoundReading } from './round-parts.ts';
import type { RoundRecord } from './round-record.ts';
import type { RoundView } from './round-view.ts';
import { runningIn, visitConditions } from './visit-conditions.ts';
import { fieldAtPlace, fieldOf, once, type Scene } from './view-field.ts';

/** Whether a visit would have more stops if the other season were worked as well. */
export const hasOtherSeason = (system: SystemDetail, { components, season }: RoundView): boolean => {
  const asked = { systemKind: system.kind, plate: system.plate, components, season };
  return planRound({ ...asked, bothSeasons: true }).length > planRound(asked).length;
};

/** The season a round is worked for: as chosen at its start, else by its date. */
export const seasonOfRound = (record: RoundRecord, zone?: string): Season =>
  record.season ?? seasonOf(dayAt(zone, record.startedAt));

/** What was done to the system: as the office has it, and as it was noted or taken back on this device. */
function eventsOn(system: SystemDetail, record: RoundRecord): SystemEvent[] {
  const noted = record.events.filter((e) => !e.event.withdrawn && !system.events.some((known) => known.id === e.id));
  const takenBack = new Set(record.events.filter((e) => e.event.withdrawn).map((e) => e.id));
  return [
    ...system.events.filter((e) => !takenBack.has(e.id)).map((e) => happened(e, system.zone)),
    ...noted.map(({ id, event }) => happened({ id, kind: event.kind, on: event.on }, system.zone)),
  ];
}

/** A device that nobody has said who works with. */
const NOBODY: AtHand = { personId: '', meters: [] };

/** A system with the wires that were noted on this device, whether or not the office has them yet. */
function withNotes(system: SystemDetail, { wires }: RoundRecord): SystemDetail {
  const noted = Object.entries(wires);
  if (noted.length === 0) return system;
  const all = noted.reduce((so, [on, own]) => wiresNoted(so, on, own), [...(system.plate.wires ?? [])]);
  return { ...system, plate: { ...system.plate, wires: all } };
}

/** All readings, those that stand with what they say once all of their visit are weighed together. */
function withInterpretations(system: InterpretedSystem, readings: readonly RoundReading[]): RoundReading[] {
  const told = new Map(interpreted(system, standingReadings(readings)).map((r) => [r.id, r]));
  return readings.map((r) => told.get(r.id) ?? r);
}

/** The whole round as it stands at a moment (ms), worked out from the system, this device's record and the firm's policy. */
export function roundView(
  given: SystemDetail,
  record: RoundRecord,
  policy: Policy,
  now: number,
  tables: PressureTables = {},
  prior?: FleetPrior,
  atHand: AtHand = NOBODY,
): RoundView {
  const system = withNotes(given, record);
  const events = eventsOn(system, record);
  const components = livingParts(system, record);
  const judged = { kind: system.kind, plate: system.plate, zone: system.zone, components, events };
  const readings = withInterpretations(judged, allReadings(system, record, atHand.personId));
  const repairs = repairsOn(system, record, components);
  const { conditions, problem } = visitConditions(record, readings, now, system.plate.altitudeFt);
  const today = dayAt(system.zone, new Date(now).toISOString());
  const nextRound = nextRoundAfter(today, policy);
  const season = seasonOfRound(record, system.zone);
  const threads = byThread(readings);
  const standing = [...threads.values()].flat();
  const scene: Scene = {
    system,
    record,
    policy,
    prior,
    events,
    components,
    repairs,
    threads,
    standing,
    judged,
    atHand,
    conditions,
    tables,
    today,
    nextRound,
  };
  const { bothSeasons } = record;
  const plan = planRound({ systemKind: system.kind, plate: system.plate, components, season, bothSeasons });
  const stops = plan.map((stop) => {
    const running = runningIn(record, standing, stop.mode, now);
    const fields = stop.readings.map((planned) => fieldOf(scene, planned, running));
    return { ...stop, runningMin: running.runningMin ?? null, fields };
  });
  const assessment = once(() => assessSystem(judged, readings, { nextRound, policy, prior }));
  return {
    stops,
    conditions,
    outdoorProblem: problem,
    components,
    readings,
    nextRound,
    get assessment() {
      return assessment();
    },
    policy,
    prior,
    events,
    repairs,
    season,
    atHand,
    tables,
    fieldAt: (at, anew = false) => fieldAtPlace(scene, at, now, anew),
  };
}
