import type { Moved, NewDayOrder, StopMove, Week } from '@yarnix/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { change } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { withMove, type Card } from './board.ts';

type To = Omit<StopMove, 'jobs'>;

/** A move that was made, and where the card was: what taking it back returns to. */
interface Made {
  readonly card: Card;
  readonly now: Moved;
  readonly was: To;
}

const versionsOf = (jobs: Card['jobs']) => jobs.map(({ key, version }) => ({ key, version }));

/** Moves cards of a week, each upon what was looked at, and puts days in order; the latest move can be taken back. */
export function useMoves(from: string, days: number) {
  const client = useQueryClient();
  const [latest, setLatest] = useState<Made | null>(null);
  const { queryKey } = queries.week(from, days);
  const again = () =>
    Promise.all([client.invalidateQueries({ queryKey: ['week'] }), client.invalidateQueries({ queryKey: ['jobs'] })]);
  const moving = useMutation({
    mutationFn: ({ card, to }: { card: Card; to: To; was: To | null }) =>
      change('PUT', `/api/week/stops/${card.systemId}`, { ...to, jobs: versionsOf(card.jobs) }, 'movedSchema'),
    // The card is where it was put until the server says otherwise; refused, it is where the server has it.
    onMutate: async ({ card, to }) => {
      await client.cancelQueries({ queryKey });
      client.setQueryData<Week>(queryKey, (week) => week && withMove(week, card, to));
    },
    onSuccess: (now, { card, was }) => setLatest(was && { card, now, was }),
    onSettled: again,
  });
  const ordering = useMutation({
    mutationFn: ({ personId, day, ...body }: NewDayOrder & { personId: string; day: string }) =>
      change('PUT', `/api/week/people/${personId}/days/${day}`, body, 'weekSchema'),
    onSuccess: () => setLatest(null),
    onSettled: again,
  });
  return {
    latest,
    busy: moving.isPending || ordering.isPending,
    error: moving.error ?? ordering.error,
    move: (card: Card, to: To, was: To | null) => {
      ordering.reset();
      moving.mutate({ card, to, was });
    },
    order: (asked: NewDayOrder & { personId: string; day: string }) => {
      moving.reset();
      ordering.mutate(asked);
    },
    takeBack: () => {
      if (latest) moving.mutate({ card: { ...latest.card, jobs: latest.now.jobs }, to: latest.was, was: null });
    },
  };
}
export type Moves = ReturnType<typeof useMoves>;
