import { roundView, tablesOf, type RoundRecord, type RoundView, type SystemDetail } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { queries } from '../app/queries.ts';
import { askAgain, takeUpRound } from '../field/rounds.ts';
import { useRoundRecord } from '../field/use-round.ts';
import { useExpected } from '../thread/expected-ahead.ts';
import { useNow } from './use-now.ts';

export type RoundScreenData =
  | { readonly status: 'loading' }
  | { readonly status: 'failed'; readonly error: Error; readonly retry: () => void }
  | { readonly status: 'here'; readonly system: SystemDetail; readonly record: RoundRecord; readonly view: RoundView };

/** Everything a round's screens show, live: the system from the server or the device's copy, the record from the device. */
export function useRoundView(systemId: string, visitId: string): RoundScreenData {
  const system = useQuery(queries.system(systemId));
  const session = useQuery(queries.session());
  const known = useRoundRecord(visitId);
  const record = known.status === 'here' ? known.record : null;
  const elsewhere = known.status === 'absent' ? system.data?.visits.find((v) => v.id === visitId) : undefined;

  useEffect(() => {
    if (elsewhere) {
      const { startedAt, season, call } = elsewhere;
      const ends = system.data?.looseEnds.filter((e) => e.visitId === visitId) ?? [];
      void takeUpRound(visitId, { systemId, startedAt, season }, ends, call);
    }
  }, [elsewhere, system.data, systemId, visitId]);
  const now = useNow(record);
  const expected = useExpected(system.data);

  const policy = session.data?.firm.policy;
  const prior = session.data?.firm.prior;
  const refrigerants = session.data?.refrigerants;
  const atHand = useMemo(
    () => session.data && { personId: session.data.person.id, meters: session.data.meters ?? [] },
    [session.data],
  );
  const view = useMemo(
    () =>
      system.data && record && policy
        ? roundView(system.data, record, policy, now, tablesOf(refrigerants ?? []), prior ?? undefined, atHand)
        : null,
    [system.data, record, policy, prior, refrigerants, atHand, now, expected],
  );
  if (system.data && record && view) return { status: 'here', system: system.data, record, view };
  const error =
    system.error ??
    session.error ??
    (known.status === 'failed' ? known.error : null) ??
    (known.status === 'absent' && system.data && !elsewhere ? new Error('no such round') : null);
  if (error) {
    return {
      status: 'failed',
      error,
      retry: () => {
        void system.refetch();
        void session.refetch();
        if (known.status === 'failed') askAgain(visitId);
      },
    };
  }
  return { status: 'loading' };
}
