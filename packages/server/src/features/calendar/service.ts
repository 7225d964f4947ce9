import { calendarWords, type Calendars, type Job } from '@yarnix/core';
import { notFound } from '../../http/problems.ts';
import { digestOfSecret, newSecret } from '../../http/secret.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { calendarText } from './feed.ts';
import { calendarStore } from './store.ts';

interface Needs {
  readonly planning: { zone(context: RequestContext): Promise<string> };
  readonly weekJobs: {
    planned(context: RequestContext): Promise<Job[]>;
    job(context: RequestContext, key: string): Promise<Job>;
  };
}

/** A job that was called off is told as that for so long, days: whoever looks more seldom finds it gone. */
const TOLD_FOR = 60;
const DAY_MS = 86_400_000;

/** Calendars of a firm's people, for other programs to read. */
export function calendarService({ db, now, needs }: On<Needs>) {
  const store = calendarStore(db);
  const someone = async (context: RequestContext, personId: string): Promise<void> => {
    if (!(await store.people(context)).some((p) => p.personId === personId)) throw notFound('person');
  };
  return {
    list: async (context: RequestContext): Promise<Calendars> => ({
      calendars: (await store.people(context)).map(({ since, ...person }) => ({
        ...person,
        since: since?.toISOString() ?? null,
      })),
    }),

    /** Makes a person's link anew; the one before reads nothing any more. */
    async make(context: RequestContext, personId: string): Promise<{ path: string }> {
      await someone(context, personId);
      const secret = newSecret();
      await store.keep(context, personId, digestOfSecret(secret), now());
      return { path: `/calendar/${secret}.ics` };
    },

    async revoke(context: RequestContext, personId: string): Promise<Calendars> {
      await someone(context, personId);
      await store.revoke(context, personId);
      return this.list(context);
    },

    /** What somebody is planned for, by the secret of their link. */
    async feed(secret: string): Promise<string> {
      const whose = await store.whose(digestOfSecret(secret));
      if (!whose) throw notFound('calendar');
      const context = { firmId: whose.firmId, personId: whose.personId, permissions: new Set(['look'] as const) };
      const jobs = (await needs.weekJobs.planned(context)).filter(({ person }) => person?.id === whose.personId);
      const since = new Date(now().getTime() - TOLD_FOR * DAY_MS);
      const stands = new Set(jobs.map(({ key }) => key));
      const off = (await store.calledOff(context, whose.personId, since)).filter(({ key }) => !stands.has(key));
      const zone = await needs.planning.zone(context);
      return calendarText({ name: `Yarnix, ${whose.name}`, zone, jobs, off, reader: 'firm' });
    },

    /** Notes that a job is not what somebody was told any more: another one does it, or nobody, or on no day. */
    async callOff(context: RequestContext, job: Job, sequence: number): Promise<void> {
      if (job.day === null || job.person === null) return;
      const { summary } = calendarWords(job);
      await store.callOff(context, {
        key: job.key,
        personId: job.person.id,
        day: job.day,
        summary,
        sequence,
        at: now(),
      });
    },

    /** One planned job by itself, to be sent to its customer. */
    async event(context: RequestContext, key: string): Promise<string> {
      const job = await needs.weekJobs.job(context, key);
      if (job.decision !== 'accepted' || job.day === null) throw notFound('planned job');
      const zone = await needs.planning.zone(context);
      return calendarText({ name: 'Yarnix', zone, jobs: [job], reader: 'customer' });
    },
  };
}
