import { isCalledOff, isDoneBySaying, jobSeverity, type Job, type JobsPage, type NewDecision } from '@yarnix/core';
import { ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { Within } from '../../wiring.ts';
import { jobsStore } from './store.ts';

export interface CalledOff {
  readonly calendar: { callOff(context: RequestContext, job: Job, sequence: number): Promise<void> };
}

/** A decision is made upon the job as it is, says done only where that can be said, and names somebody of the firm. */
function checkDecision(job: Job, asked: NewDecision, people: JobsPage['people']): void {
  if (asked.version !== job.version)
    throw new ProblemError('conflict', `${job.decided?.by ?? 'Somebody'} decided this meanwhile. Look again.`);
  if (asked.decision === 'done' && !isDoneBySaying(job.source))
    throw new ProblemError('invalid-request', 'It is done once its reading says so.', [
      { path: 'decision', detail: 'It is done once its reading says so.' },
    ]);
  if (asked.personId !== null && !people.some((p) => p.id === asked.personId))
    throw new ProblemError('invalid-request', 'Nobody of the firm.', [
      { path: 'personId', detail: 'is nobody of the firm' },
    ]);
}

/** Keeps a decision, and tells the calendar of who is not to come any more. */
export async function keepDecision(
  { db, needs }: Within<CalledOff>,
  context: RequestContext,
  job: Job,
  asked: NewDecision,
  at: Date,
): Promise<void> {
  const store = jobsStore(db);
  checkDecision(job, asked, await store.people(context));
  if (isCalledOff({ ...job, personId: job.person?.id ?? null }, asked))
    await needs.calendar.callOff(context, job, job.version + 1);
  await store.decide(context, job.key, {
    ...asked,
    systemId: job.systemId,
    severity: jobSeverity(job.standing),
    at,
  });
}
