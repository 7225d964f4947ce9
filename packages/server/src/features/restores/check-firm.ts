import {
  exportedFirmSchema,
  exportedSystemSchema,
  OFFSETS,
  saySchoolProblem,
  schoolProblems,
  type ExportedFirm,
  type ExportedSystem,
} from '@yarnix/core';
import { isAhead } from '../../http/times.ts';
import { plainTexts, UnreadableText } from '../../http/readable-text.ts';
import { refuseFile } from './refusal.ts';
import { troubleIn } from './check-system.ts';

interface Parser<T> {
  safeParse(value: unknown): {
    readonly success: boolean;
    readonly data?: T;
    readonly error?: {
      readonly issues: readonly { readonly path: readonly PropertyKey[]; readonly message: string }[];
    };
  };
}

/** A part of a file as everything that comes in is taken: its texts in one form, within the bounds of its schema. */
function taken<T>(schema: Parser<T>, value: unknown, where: string): T {
  try {
    const read = schema.safeParse(plainTexts(value));
    const issue = read.error?.issues[0];
    if (read.data !== undefined && !issue) return read.data;
    return refuseFile(
      `${where}: ${issue ? `${issue.path.map(String).join('.')} ${issue.message}` : 'cannot be read'}.`,
    );
  } catch (error) {
    if (!(error instanceof UnreadableText)) throw error;
    return refuseFile(`${where}: ${error.path.join('.')} ${error.detail}.`);
  }
}

/** The first name that is not among those that are there. */
function checkNamed(what: string, there: ReadonlySet<string>, named: readonly (string | null)[]): void {
  const lost = named.find((id) => id !== null && !there.has(id));
  if (lost !== undefined) refuseFile(`It names ${what} ${lost}, which is not in it.`);
}

const idsOf = (rows: readonly { readonly id: string }[]): Set<string> => new Set(rows.map(({ id }) => id));

/** What the systems of a file rest on, held to all that the app itself holds it to. Throws FileRefused with the place. */
export function readFirm(value: unknown, now: Date): ExportedFirm {
  const firm = taken(exportedFirmSchema, value, 'It is no file of a firm');
  const [problem] = schoolProblems(firm.policy);
  if (problem) refuseFile(`policy: ${saySchoolProblem(problem)}`);
  const persons = idsOf(firm.people);
  checkNamed(
    'person',
    persons,
    [...firm.meters, ...firm.checks, ...firm.dayOrders, ...firm.vans].map((r) => r.personId),
  );
  const meters = new Map(firm.meters.map((m) => [m.id, m]));
  checkNamed(
    'meter',
    new Set(meters.keys()),
    firm.checks.map((c) => c.meterId),
  );
  firm.meters.forEach(({ since, until }, at) => {
    if (until !== null && until < since) refuseFile(`meters.${at}.until is before it came into use.`);
  });
  firm.checks.forEach((check, at) => {
    const { instrument } = OFFSETS[check.quantity];
    if (instrument !== meters.get(check.meterId)?.kind)
      refuseFile(`checks.${at}.quantity is nothing that instrument measures.`);
    if (isAhead(check.takenAt, now)) refuseFile(`checks.${at}.takenAt: ${check.takenAt} is still to come.`);
  });
  return firm;
}

/** The ids that a system names, by what they are of. */
const namedIn = (s: ExportedSystem) => ({
  people: [
    ...Object.values(s.by),
    ...s.decisions.flatMap((d) => [d.by, d.personId]),
    ...[...s.byHand, ...s.setAside].map((d) => d.by),
  ],
  visits: [...s.readings, ...s.followUps, ...s.looseEnds, ...s.events, ...s.photos].map((r) => r.visitId),
  parts: [
    ...[...s.readings, ...s.followUps, ...s.setAside, ...s.photos].map((r) => r.componentId),
    ...s.components.map((c) => c.replaces),
  ],
  readings: [
    ...s.readings.map((r) => r.supersedes),
    ...s.followUps.map((f) => f.doneBy),
    ...s.photos.map((p) => p.readingId),
  ],
});

/**
 * The system of a file that has that number in it, the first being 1, held to all that the app itself holds one to; what rests on what is not in the file
 * would rest on whatever has that id here. Throws FileRefused with the place.
 */
export function readSystem(value: unknown, number: number, firm: ExportedFirm, now: Date): ExportedSystem {
  const where = `System ${number}`;
  const system = taken(exportedSystemSchema, value, where);
  const named = namedIn(system);
  checkNamed('person', idsOf(firm.people), named.people);
  checkNamed('visit', idsOf(system.visits), named.visits);
  checkNamed('part', idsOf(system.components), named.parts);
  checkNamed('reading', idsOf(system.readings), named.readings);
  const trouble = troubleIn(system, now);
  if (trouble) refuseFile(`${where}: ${trouble.path} ${trouble.detail}`);
  return system;
}
