import { readingKind, type Refit } from '@yarnix/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { put, send } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Button } from '../../kit/button.tsx';
import { dateWords } from '../../kit/field-words.ts';

const POLL_MS = 700;
/** Of what could not be fitted, so many are named. */
const MOST_TOLD = 12;
const UNDER_WAY = ['queued', 'learning', 'judging'];

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
  const { data } = useQuery({
    ...queries.refit(),
    refetchInterval: (query) => (UNDER_WAY.includes(query.state.data?.refit?.state ?? '') ? POLL_MS : false),
  });
  const again = () => client.invalidateQueries({ queryKey: ['refit'] });
  const ask = useMutation({ mutationFn: () => send('POST', '/api/refits'), onSettled: again });
  const wish = useMutation({
    mutationFn: (asked: { id: string; wish: 'cancel' | 'resume' }) =>
      put(`/api/refits/${asked.id}/wish`, { wish: asked.wish }),
    onSettled: again,
  });
  const refit = data?.refit;
  const isDone = refit?.state === 'done';
  useEffect(() => {
    if (!isDone) return;
    void client.invalidateQueries({ queryKey: ['watch'] });
    void client.invalidateQueries({ queryKey: ['session'] });
  }, [isDone, refit?.id, client]);
  if (!data) return null;
  const isRunning = refit !== null && refit !== undefined && UNDER_WAY.includes(refit.state);
  return (
    <section aria-labelledby="fleet" className="mt-7">
      <h2 id="fleet" className="text-lg font-bold">
        What the fleet teaches
      </h2>
      {isRunning ? (
        <>
          <p className="label">
            {refit.state === 'judging'
              ? `Judging anew: ${refit.done} of ${refit.total} systems`
              : 'Learning from all threads'}
          </p>
          <progress
            className="my-2 w-full"
            max={Math.max(1, refit.total)}
            value={refit.done}
            aria-label="Systems judged"
          />
          <Button onClick={() => wish.mutate({ id: refit.id, wish: 'cancel' })}>Stop</Button>
        </>
      ) : (
        <>
          <p className="label mb-2">
            {refit?.state === 'cancelled'
              ? `Stopped after ${refit.done} of ${refit.total} systems.`
              : refit?.state === 'failed'
                ? `It failed: ${refit.error ?? ''}`
                : data.learnedAt
                  ? `Learned from this firm’s own parts on ${dateWords(data.learnedAt)}; every day anew.`
                  : 'Not learned from yet.'}
          </p>
          <NotFitted refit={refit ?? null} />
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
