import { readingKind, type Refit } from '@yarnix/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { put, send } from '../../app/api.ts';
import { useRefit } from '../../app/use-refit.ts';
import { RefitProgress } from '../../kit/refit-progress.tsx';
import { Button } from '../../kit/button.tsx';
import { dateWords } from '../../kit/field-words.ts';

/** Of what could not be fitted, so many are named. */
const MOST_TOLD = 12;

/** What the last learning could not fit: each costs only itself, until its reading is corrected. */
function NotFitted({ refit }: { refit: Refit | null }) {
  if (!refit || refit.setAside.length === 0) return null;
  return (
    <details className="mb-2">
      <summary className="min-h-12 content-center font-semibold text-watch">{refit.setAside.length} not judged</summary>
      <ul>
        {refit.setAside.slice(0, MOST_TOLD).map((s) => (
          <li key={`${s.systemId}${s.componentId}${s.kind}${s.point}`} className="py-1">
            <Link
              className="underline"
              to={
                s.componentId
                  ? `/systems/${s.systemId}/threads/${s.componentId}/${s.kind}/${s.point}`
                  : `/systems/${s.systemId}`
              }
            >
              {(s.kind && readingKind(s.kind)?.title) ?? 'A whole system'}
            </Link>
            : {s.why}.
          </li>
        ))}
      </ul>
    </details>
  );
}

/** When the firm's own parts were last learned from; learning anew, with its progress, stopping it and going on. */
export function FleetLearned() {
  const client = useQueryClient();
  const { refit, isRunning, learnedAt, isHere } = useRefit();
  const again = () => client.invalidateQueries({ queryKey: ['refit'] });
  const ask = useMutation({ mutationFn: () => send('POST', '/api/refits'), onSettled: again });
  const wish = useMutation({
    mutationFn: (asked: { id: string; wish: 'cancel' | 'resume' }) =>
      put(`/api/refits/${asked.id}/wish`, { wish: asked.wish }),
    onSettled: again,
  });
  if (!isHere) return null;
  return (
    <section aria-labelledby="fleet" className="mt-7">
      <h2 id="fleet" className="text-lg font-bold">
        What the fleet teaches
      </h2>
      {refit && isRunning ? (
        <>
          <RefitProgress refit={refit} />
          <Button onClick={() => wish.mutate({ id: refit.id, wish: 'cancel' })}>Stop</Button>
        </>
      ) : (
        <>
          <p className="label mb-2">
            {refit?.state === 'cancelled'
              ? `Stopped after ${refit.done} of ${refit.total} systems.`
              : refit?.state === 'failed'
                ? `It failed: ${refit.error ?? ''}`
                : learnedAt
                  ? `Learned from this firm’s own parts on ${dateWords(learnedAt)}; every day anew.`
                  : 'Not learned from yet.'}
          </p>
          <NotFitted refit={refit} />
          {refit && (refit.state === 'cancelled' || refit.state === 'failed') ? (
            <Button onClick={() => wish.mutate({ id: refit.id, wish: 'resume' })}>Go on</Button>
          ) : (
            <Button onClick={() => ask.mutate()}>Learn anew now</Button>
          )}
        </>
      )}
    </section>
  );
}
