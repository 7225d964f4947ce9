import type { NewCall } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { Navigate, useNavigate, useParams } from 'react-router';
import { v7 } from 'uuid';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { change, keepCall, startRound } from '../../field/rounds.ts';
import { useVisits } from '../../field/use-visits.ts';
import { ComplaintForm } from './complaint-form.tsx';

const NONE = { visits: [] };

/** Begins a call on a system, or goes on with the visit that is under way there. */
export function StartCallScreen() {
  const { systemId = '' } = useParams();
  const navigate = useNavigate();
  const { data: system, error, refetch } = useQuery(queries.system(systemId));
  const visits = useVisits(system ?? NONE);
  if (!system)
    return error ? (
      <Failed error={error} what="This system" retry={() => void refetch()} />
    ) : (
      <Loading what="the system" />
    );
  const open = visits.find((v) => v.closedAt === null);
  if (open) return <Navigate to={`/systems/${systemId}/calls/${open.id}`} replace />;
  const begin = async (call: NewCall, outdoorText: string) => {
    const visitId = v7();
    // In one breath: a page that goes right after the tap leaves no visit behind without what it is about.
    void startRound(visitId, { systemId, startedAt: new Date().toISOString() });
    void change(visitId, (record) => ({ ...record, outdoorText }));
    await keepCall(visitId, call);
    await navigate(`/systems/${systemId}/calls/${visitId}`, { replace: true });
  };
  return (
    <ComplaintForm
      system={system}
      before={null}
      outdoorBefore=""
      onBegin={(call, outdoorText) => void begin(call, outdoorText)}
    />
  );
}
