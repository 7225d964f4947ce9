import type { RequestHandler, Response } from 'express';
import type { Knex } from 'knex';
import { ProblemError } from '../http/problems.ts';

export type Permission = 'look' | 'record' | 'manage';

/** Who asks: every service and store call takes it, so that no query can forget the firm. */
export interface RequestContext {
  readonly firmId: string;
  readonly personId: string;
  readonly permissions: ReadonlySet<Permission>;
}

export const contextOf = (response: Response): RequestContext => response.locals.context as RequestContext;

/** Finds out who asks. Sign-in will be another one of these; nothing else has to change. */
export type Identify = () => Promise<RequestContext | undefined>;

/** Until there is sign-in: the first person of the first firm, who may do everything. */
export function fixedPerson(db: Knex): Identify {
  let known: RequestContext | undefined;
  return async () => {
    if (known) return known;
    const person = await db('people')
      .select<{ id: string; firm_id: string }[]>('id', 'firm_id')
      .orderBy('position')
      .first();
    if (person)
      known = { firmId: person.firm_id, personId: person.id, permissions: new Set(['look', 'record', 'manage']) };
    return known;
  };
}

/** Puts the request context where routes find it. */
export const identified =
  (identify: Identify): RequestHandler =>
  async (_request, response, next) => {
    const context = await identify();
    if (!context) {
      throw new ProblemError('unavailable', 'No firm has been set up yet.');
    }
    response.locals.context = context;
    next();
  };
