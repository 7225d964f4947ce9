import { isoOf, type Day, type Job } from '@yarnix/core';
import { placesOfAreas, YARD } from '@yarnix/simulator';
import type { connect } from '../packages/server/src/database/connection.ts';
import { fixedPerson } from '../packages/server/src/identity/context.ts';
import { jobQueue } from '../packages/server/src/jobs/queue.ts';
import { createLog } from '../packages/server/src/log.ts';
import { servicesOn } from '../packages/server/src/services.ts';

/** How many addresses each of two people goes to on a day and those after it. */
const ADDRESSES = [5, 4, 2];
const PROMISED = { from: 9 * 60, to: 11 * 60 };

/** Plans days for the demo firm: what presses most, then rounds that are due; and says where its areas and its yard are. */
export async function planDemoDays(db: ReturnType<typeof connect>, today: Day): Promise<void> {
  const context = await fixedPerson(db)();
  if (!context) throw new Error('no firm is loaded');
  const now = () => new Date(`${isoOf(today)}T06:00:00Z`);
  const wiring = { db, now, log: createLog('silent'), jobs: jobQueue(db), probeSpeed: 1, countedEveryMs: 0 };
  const { weekJobs, week, planning } = servicesOn(wiring);
  const settings = await planning.settings(context);
  await planning.keep(context, { ...settings, start: YARD, areas: placesOfAreas() });
  const asked = { limit: 200, decision: 'proposed' as const };
  const { jobs, people } = await weekJobs.page(context, asked);
  const rounds = await weekJobs.page(context, { ...asked, source: 'round' });
  const pressing = new Map<string, Job[]>();
  // Every second address alone: the office has something left to decide.
  for (const job of [...jobs, ...rounds.jobs]) pressing.set(job.systemId, [...(pressing.get(job.systemId) ?? []), job]);
  const addresses = [...pressing].filter((_, i) => i % 3 !== 0);
  for (const [later, count] of ADDRESSES.entries())
    for (let n = 0; n < count; n += 1)
      for (const person of people) {
        const [systemId, own] = addresses.shift() ?? [];
        if (!systemId || !own) return;
        const window = n === 1 && later === 0 ? PROMISED : null;
        const move = { day: isoOf(today + later), personId: person.id, before: null, window };
        await week.move(context, systemId, { ...move, jobs: own.map(({ key, version }) => ({ key, version })) });
      }
}
