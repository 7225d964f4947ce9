import {
  contradictionsIn,
  isOwn,
  isSettingMoved,
  methodOf,
  ownSchoolProblem,
  readingKind,
  sayOwnSchoolProblem,
  type ExportedSystem,
  type SchoolId,
} from '@yarnix/core';
import { isAhead } from '../../http/times.ts';

/** What is wrong with a system, and where in it. */
interface Trouble {
  readonly path: string;
  readonly detail: string;
}

type Rule = (system: ExportedSystem, isToCome: (moment: string) => boolean) => Iterable<Trouble>;

/** Those that come back to themselves by what each of them follows on; in one pass, however long a line is. */
function circled(follows: ReadonlyMap<string, string | null>): ReadonlySet<string> {
  const [ended, inCircles] = [new Set<string>(), new Set<string>()];
  for (const from of follows.keys()) {
    const way = new Set<string>();
    let at: string | null | undefined = from;
    for (; typeof at === 'string' && !ended.has(at) && !way.has(at); at = follows.get(at)) way.add(at);
    if (typeof at === 'string' && way.has(at)) for (const id of way) inCircles.add(id);
    for (const id of way) ended.add(id);
  }
  return inCircles;
}

/** Rows of one list that share an id, or something else that each has of its own. */
function* doubled<T>(
  path: string,
  rows: readonly T[],
  nameOf: (row: T) => string | null,
  what: string,
): Iterable<Trouble> {
  const seen = new Set<string>();
  for (const [at, row] of rows.entries()) {
    const name = nameOf(row);
    if (name !== null && seen.has(name)) yield { path: `${path}.${at}`, detail: `is the second ${what}.` };
    if (name !== null) seen.add(name);
  }
}

const toCome = (path: string, moment: string): Trouble => ({ path, detail: `is ${moment}, which is still to come.` });

function* ownIds(s: ExportedSystem): Iterable<Trouble> {
  const lists = ['components', 'visits', 'readings', 'followUps', 'looseEnds', 'photos', 'events', 'byHand'] as const;
  for (const list of lists) yield* doubled<{ readonly id: string }>(list, s[list], ({ id }) => id, 'with this id');
  yield* doubled('decisions', s.decisions, ({ key }) => key, 'about this job');
  yield* doubled('setAside', s.setAside, ({ componentId }) => componentId, 'of this part');
  const [contradiction] = contradictionsIn(s.plate);
  if (contradiction) yield { path: `plate.${contradiction.path.join('.')}`, detail: `${contradiction.detail}.` };
}

function* parts({ components }: ExportedSystem): Iterable<Trouble> {
  const byId = new Map(components.map((c) => [c.id, c]));
  const circles = circled(new Map(components.map((c) => [c.id, c.replaces])));
  yield* doubled('components', components, (c) => (c.removedOn === null ? c.slot : null), 'in this place at once');
  yield* doubled('components', components, (c) => c.replaces, 'in place of the same part');
  for (const [at, part] of components.entries()) {
    const path = `components.${at}`;
    const before = part.replaces === null ? undefined : byId.get(part.replaces);
    if (circles.has(part.id)) yield { path: `${path}.replaces`, detail: 'comes back to the part itself.' };
    if (before && (before.slot !== part.slot || before.removedOn === null))
      yield { path: `${path}.replaces`, detail: 'is a part of another place, or one that is still in.' };
    if (part.fittedOn !== null && part.removedOn !== null && part.removedOn < part.fittedOn)
      yield { path: `${path}.removedOn`, detail: 'is before it was fitted.' };
    for (const [school, setting] of Object.entries(part.plate.schools ?? {})) {
      const problem = ownSchoolProblem(part.kind, school as SchoolId, setting);
      if (problem) yield { path: `${path}.plate.schools`, detail: sayOwnSchoolProblem(school as SchoolId, problem) };
    }
  }
}

const visits: Rule = function* ({ id, visits: all }, isToCome) {
  for (const [at, { systemId, startedAt, closedAt }] of all.entries()) {
    const path = `visits.${at}`;
    if (systemId !== id) yield { path: `${path}.systemId`, detail: 'is another system.' };
    if (isToCome(startedAt)) yield toCome(`${path}.startedAt`, startedAt);
    if (closedAt !== null && isToCome(closedAt)) yield toCome(`${path}.closedAt`, closedAt);
    if (closedAt !== null && Date.parse(closedAt) < Date.parse(startedAt))
      yield { path: `${path}.closedAt`, detail: 'is before it began.' };
  }
};

const readings: Rule = function* ({ readings: all }, isToCome) {
  const byId = new Map(all.map((r) => [r.id, r]));
  const circles = circled(new Map(all.map((r) => [r.id, r.supersedes])));
  yield* doubled('readings', all, (r) => r.supersedes, 'in place of the same reading');
  for (const [at, reading] of all.entries()) {
    const path = `readings.${at}`;
    const kind = readingKind(reading.kind);
    if (!kind || !methodOf(kind, reading.method))
      yield { path: `${path}.kind`, detail: `is no reading that is known here.` };
    if (isToCome(reading.takenAt)) yield toCome(`${path}.takenAt`, reading.takenAt);
    if (reading.value !== null && Math.abs(reading.value) >= 1e9)
      yield { path: `${path}.value`, detail: 'is beyond anything a meter shows.' };
    const before = reading.supersedes === null ? undefined : byId.get(reading.supersedes);
    if (circles.has(reading.id)) yield { path: `${path}.supersedes`, detail: 'comes back to the reading itself.' };
    if (before && (['componentId', 'kind', 'point', 'method'] as const).some((of) => before[of] !== reading[of]))
      yield { path: `${path}.supersedes`, detail: 'is of another part, point or method.' };
  }
};

const around: Rule = function* ({ followUps, looseEnds, events, photos, id }, isToCome) {
  for (const [at, { systemId, putOffAt }] of followUps.entries()) {
    if (systemId !== id) yield { path: `followUps.${at}.systemId`, detail: 'is another system.' };
    if (isToCome(putOffAt)) yield toCome(`followUps.${at}.putOffAt`, putOffAt);
  }
  for (const [at, { code, text, openedAt, putBackAt }] of looseEnds.entries()) {
    if (code === null && text === '') yield { path: `looseEnds.${at}.text`, detail: 'does not say what hangs loose.' };
    if (isToCome(putBackAt ?? openedAt)) yield toCome(`looseEnds.${at}.openedAt`, putBackAt ?? openedAt);
    if (putBackAt !== null && Date.parse(putBackAt) < Date.parse(openedAt))
      yield { path: `looseEnds.${at}.putBackAt`, detail: 'is before it was opened.' };
  }
  for (const [at, { kind, change }] of events.entries()) {
    if (isSettingMoved(kind) !== (change !== null))
      yield { path: `events.${at}.change`, detail: 'is only of a setting that was moved, and of each of those.' };
  }
  for (const [at, { takenAt }] of photos.entries()) {
    if (isToCome(takenAt)) yield toCome(`photos.${at}.takenAt`, takenAt);
  }
};

/** A job is of something of its own system: a part, a call, a reading put off, what was noted by hand, or its round. */
function* decisions(s: ExportedSystem): Iterable<Trouble> {
  const ids: Readonly<Record<string, readonly { readonly id: string }[]>> = {
    part: s.components,
    call: s.visits,
    owed: s.followUps,
    hand: s.byHand,
    round: [s],
  };
  for (const [at, { key, decision, note }] of s.decisions.entries()) {
    const [source = '', id] = key.split(':');
    if (!isOwn(ids, source) || !ids[source]?.some((row) => row.id === id))
      yield { path: `decisions.${at}.key`, detail: 'is about nothing of this system.' };
    if (decision === 'declined' && note === '') yield { path: `decisions.${at}.note`, detail: 'does not say why.' };
  }
}

const RULES: readonly Rule[] = [ownIds, parts, visits, readings, around, decisions];

/**
 * The first thing in a system's file that the app itself would not take; null where there is none. Its form is checked
 * before, and whether all that it names is in it.
 */
export function troubleIn(system: ExportedSystem, now: Date): Trouble | null {
  for (const rule of RULES) for (const trouble of rule(system, (moment) => isAhead(moment, now))) return trouble;
  return null;
}
