import type { Day } from '../quantity/day.ts';
import { severityOf, type Standing } from '../verdict/standing.ts';

/** Where a job comes from: a part as it stands, the end of a call, a reading put off, somebody's word, or a round that is due. */
export const JOB_SOURCES = ['part', 'call', 'owed', 'hand', 'round'] as const;
export type JobSource = (typeof JOB_SOURCES)[number];

/** What was decided of a job. Nothing yet is "proposed". */
export const JOB_DECISIONS = ['proposed', 'accepted', 'declined', 'done'] as const;
export type JobDecision = (typeof JOB_DECISIONS)[number];

/** Whether a job is done when somebody says so: what a reading settles is done once the reading says it. */
export const isDoneBySaying = (source: JobSource): boolean => source === 'hand' || source === 'call';

/** How bad what a job is about stands, as it is decided upon; 0 where it is about no part. */
export const jobSeverity = (standing: Standing | null): number => (standing ? severityOf(standing) : 0);

/** A decision as it holds now: what stands worse than when it was declined is asked again, what is planned stays so. */
export const decisionNow = (
  kept: { readonly decision: JobDecision; readonly severity: number },
  standing: Standing | null,
): JobDecision => (kept.decision !== 'accepted' && jobSeverity(standing) > kept.severity ? 'proposed' : kept.decision);

/** A decision of a round holds until that round is made: one of the day of a round, or before, was about that one. */
export const holdsForRound = (decidedOn: Day, lastRound: Day | null): boolean =>
  lastRound === null || decidedOn > lastRound;

/** What is planned: for whom and when. */
interface Plan {
  readonly decision: JobDecision;
  readonly day: string | null;
  readonly personId: string | null;
}
/** Whether somebody was told of a plan who is not to come any more, or on no day. A day that moves is told by itself. */
export const isCalledOff = (was: Plan, is: Plan): boolean =>
  was.decision === 'accepted' && (is.decision !== 'accepted' || is.day === null || is.personId !== was.personId);

/** What was said to be done is listed for so many days more. */
const DONE_FOR = 90;
/** Whether a job was said to be done so long ago that no list tells it any more. */
export const isLongDone = (decision: JobDecision, decidedOn: Day | null, today: Day): boolean =>
  decision === 'done' && decidedOn !== null && today - decidedOn > DONE_FOR;
