import type { Day } from '../quantity/day.ts';
import { severityOf, type Standing } from '../verdict/standing.ts';

/** One thread at the close of a round: what it read now and what it read before. */
export interface ThreadAtClose {
  readonly key: string;
  readonly standing: Standing;
  /** Latest number of this visit, in the kind's unit; null for findings. */
  readonly now: number | null;
  readonly before: { readonly value: number; readonly day: Day; readonly standing: Standing } | null;
}

export interface Change extends ThreadAtClose {
  readonly turn: 'worse' | 'better' | 'same' | 'new';
  /** 100 × (now − before) / before; null without both. */
  readonly offPercent: number | null;
}

function turnOf(thread: ThreadAtClose): Change['turn'] {
  if (!thread.before) return 'new';
  const step = severityOf(thread.standing) - severityOf(thread.before.standing);
  // From unproven to sound is a basis gained, and the other way round one lost: neither is a turn of the part.
  if (thread.before.standing === 'unproven' && thread.standing === 'sound') return 'same';
  if (thread.before.standing === 'sound' && thread.standing === 'unproven') return 'same';
  return step > 0 ? 'worse' : step < 0 ? 'better' : 'same';
}

/** What changed since the last visit, thread by thread, the worst standing first and then the largest change. */
export function whatChanged(threads: readonly ThreadAtClose[]): Change[] {
  return threads
    .map((thread) => ({
      ...thread,
      turn: turnOf(thread),
      offPercent:
        thread.now === null || !thread.before || thread.before.value === 0
          ? null
          : (100 * (thread.now - thread.before.value)) / thread.before.value,
    }))
    .sort(
      (a, b) =>
        severityOf(b.standing) - severityOf(a.standing) || Math.abs(b.offPercent ?? 0) - Math.abs(a.offPercent ?? 0),
    );
}
