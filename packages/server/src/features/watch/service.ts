import {
  dayIn,
  isoOf,
  LIKELY_TO_FAIL,
  severityOf,
  type Slot,
  type Snooze,
  type Standing,
  type WatchChanges,
  type WatchPage,
} from '@yarnix/core';
import PQueue from 'p-queue';
import { notFound, ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { watchCsv } from './csv.ts';
import type { WatchFilter } from './filter.ts';
import { changesStore } from './changes-store.ts';
import { snoozesStore } from './snoozes-store.ts';
import { watchStore } from './store.ts';
import { summaries, type Summary } from './summary.ts';

/** What is asked of the Watch. */
export interface Asked {
  readonly standing?: Standing[] | undefined;
  readonly area?: string | undefined;
  readonly season?: 'cooling' | 'heating' | undefined;
  readonly slot?: Slot[] | undefined;
  readonly snoozed?: 'only' | 'with' | undefined;
}

interface Needs {
  readonly planning: { zone(context: RequestContext): Promise<string> };
  readonly systems: { areas(context: RequestContext): Promise<string[]> };
  readonly parts: {
    find(context: RequestContext, id: string): Promise<{ readonly removed_on: string | null } | undefined>;
  };
}

const WEEK_MS = 7 * 86_400_000;
/** How many changes are told one by one. */
const MOST_CHANGES = 30;
/** Lines of an exported list. */
const MOST_LINES = 20_000;

/** Whole lists being made, one after the other, and how many may wait. */
const lists = new PQueue({ concurrency: 1 });
const MOST_LISTS = 12;

/** The Watch: parts across all systems that are likely to fail before their next round, the most urgent first. */
export function watchService({ db, now, log, countedEveryMs, needs }: On<Needs>) {
  const store = watchStore(db, log);
  const around = summaries(db, countedEveryMs);
  const snoozes = snoozesStore(db);
  const today = async (context: RequestContext) =>
    isoOf(dayIn(await needs.planning.zone(context), now().toISOString()));
  const filterOf = async (
    context: RequestContext,
    { standing, area, season, slot, snoozed }: Asked,
  ): Promise<WatchFilter> => ({
    standing: standing ?? LIKELY_TO_FAIL,
    area,
    season,
    slots: slot,
    snoozed,
    today: await today(context),
  });
  async function count(context: RequestContext, filter: WatchFilter): Promise<Summary> {
    const [counts, components, areas, load] = await Promise.all([
      store.counts(context, filter),
      store.living(context),
      needs.systems.areas(context),
      store.load(context, filter),
    ]);
    return { components, ...counts, areas, load };
  }
  return {
    async page(context: RequestContext, asked: Asked & { limit: number; offset: number }): Promise<WatchPage> {
      const filter = await filterOf(context, asked);
      const [rows, summary] = await Promise.all([
        store.rows(context, filter, asked.limit, asked.offset),
        around.of(context, JSON.stringify(filter), () => count(context, filter)),
      ]);
      return { ...summary, rows };
    },

    /** The whole list: one is made at a time, since each holds all its rows; beyond a few, people are asked to come back. */
    async csv(context: RequestContext, asked: Asked): Promise<string> {
      if (lists.size >= MOST_LISTS)
        throw new ProblemError('unavailable', 'Many lists are made just now. Try again shortly.');
      return lists.add(async () =>
        watchCsv(await store.rows(context, await filterOf(context, asked), MOST_LINES, 0)),
      ) as Promise<string>;
    },

    /** What stands otherwise than a week ago. */
    async changes(context: RequestContext): Promise<WatchChanges> {
      const since = new Date(now().getTime() - WEEK_MS);
      const all = await changesStore(db).changes(context, since);
      const worse = all.filter((c) => severityOf(c.to) > severityOf(c.from)).length;
      return {
        since: isoOf(dayIn(await needs.planning.zone(context), since.toISOString())),
        worse,
        better: all.length - worse,
        changes: all.slice(0, MOST_CHANGES),
      };
    },

    async snooze(context: RequestContext, id: string, { until, reason }: Snooze): Promise<Snooze> {
      const part = await needs.parts.find(context, id);
      if (part?.removed_on !== null) throw notFound('part');
      if (until <= (await today(context))) {
        const detail = 'Set aside until a day ahead of today.';
        throw new ProblemError('invalid-request', detail, [{ path: 'until', detail }]);
      }
      await snoozes.snooze(context, id, until, reason, now());
      around.forget(context);
      return { until, reason };
    },
    async wake(context: RequestContext, id: string): Promise<{ woken: boolean }> {
      const woken = (await snoozes.wake(context, id)) > 0;
      around.forget(context);
      return { woken };
    },
  };
}
