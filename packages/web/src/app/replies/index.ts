import type { z } from 'zod';

const frame = () => import('./frame.ts');
const watch = () => import('./watch.ts');
const meters = () => import('./meters.ts');
const systems = () => import('./systems.ts');
const week = () => import('./week.ts');
const office = () => import('./office.ts');

/**
 * The shapes of what the server answers, each with the part of the app that knows it: the first screen waits neither for what
 * checks its own answer nor for what checks those to others.
 */
const PARTS = {
  problemSchema: frame,
  sessionSchema: frame,
  latestRefitSchema: watch,
  watchChangesSchema: watch,
  watchPageSchema: watch,
  meterSchema: meters,
  metersSchema: meters,
  followUpsPageSchema: systems,
  probeFaultsSchema: systems,
  provedCausesSchema: systems,
  referenceSchema: systems,
  systemDetailSchema: systems,
  systemsPageSchema: systems,
  visitsPageSchema: systems,
  calendarLinkSchema: week,
  calendarsSchema: week,
  jobSchema: week,
  jobsPageSchema: week,
  movedSchema: week,
  planningSchema: week,
  vanSchema: week,
  weekSchema: week,
  importDetailSchema: office,
  importRowsSchema: office,
  importSchema: office,
  importsSchema: office,
  previewSchema: office,
  reportHeadSchema: office,
  reportLinkSchema: office,
  restoreSchema: office,
  restoresSchema: office,
  schoolsSchema: office,
} as const;

export type ReplyName = keyof typeof PARTS;
type PartOf<Name extends ReplyName> = Awaited<ReturnType<(typeof PARTS)[Name]>>;
type SchemaOf<Name extends ReplyName> = PartOf<Name>[Name & keyof PartOf<Name>];
/** What an answer is once it has been checked. */
export type Reply<Name extends ReplyName> = z.output<SchemaOf<Name>>;

/** Fetches what checks an answer; once for all. */
export async function replySchema<Name extends ReplyName>(name: Name): Promise<z.ZodType<Reply<Name>>> {
  const part = (await PARTS[name]()) as unknown as Record<ReplyName, z.ZodType<Reply<Name>>>;
  return part[name];
}
