import type { Job, NewDecision } from '@yarnix/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiProblem, change } from '../app/api.ts';

/** A decision, and the job as it was before it: what taking it back returns to. */
interface Made {
  readonly before: Job;
  readonly after: Job;
}

const stateOf = ({ decision, note, day, person, version }: Job): NewDecision => ({
  decision,
  note,
  day,
  personId: person?.id ?? null,
  version,
});

/** Sends decisions on jobs, each upon the version that was looked at; the latest can be taken back. */
export function useDecide() {
  const client = useQueryClient();
  const [latest, setLatest] = useState<Made | null>(null);
  const sending = useMutation({
    mutationFn: ({ job, over }: { job: Job; over: Partial<NewDecision> }) =>
      change('PUT', `/api/jobs/${job.key}`, { ...stateOf(job), ...over }, 'jobSchema'),
    onSettled: () => client.invalidateQueries({ queryKey: ['jobs'] }),
  });
  return {
    latest,
    error: sending.error,
    busy: sending.isPending,
    decide: (job: Job, over: Partial<NewDecision>, then?: () => void) =>
      sending.mutate(
        { job, over },
        {
          onSuccess: (after) => {
            setLatest({ before: job, after });
            then?.();
          },
        },
      ),
    takeBack: () => {
      if (!latest) return;
      const { version: _, ...before } = stateOf(latest.before);
      sending.mutate({ job: latest.after, over: before }, { onSuccess: () => setLatest(null) });
    },
  };
}
export type Deciding = ReturnType<typeof useDecide>;

/** What went wrong with a decision, for whoever made it. */
export const troubleWords = (error: Error | null): string | null =>
  error instanceof ApiProblem
    ? error.message
    : error
      ? 'The server cannot be reached: nothing was decided. Try again with a signal.'
      : null;
