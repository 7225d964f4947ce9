import { severityOf, type NewRuling, type Policy, type ReadingView } from '@yarnix/core';
import { useState } from 'react';
import { Button } from '../../kit/button.tsx';
import { OverruleForm } from '../../kit/overrule-form.tsx';
import type { ThreadData } from '../../thread/thread-data.ts';
import { OwnSchools } from './own-schools.tsx';
import { useDecision } from './use-decision.ts';

/** The latest reading that counts: what a thread's verdict can be overruled on. */
const latestOf = ({ readings }: ThreadData): ReadingView | undefined =>
  readings
    .filter((r) => !r.superseded)
    .reduce<ReadingView | undefined>((a, b) => (a && a.takenAt > b.takenAt ? a : b), undefined);

function Overruling({ data, systemId }: { data: ThreadData; systemId: string }) {
  const [open, setOpen] = useState(false);
  const decide = useDecision(systemId);
  const latest = latestOf(data);
  if (!latest || !data.state) return null;
  const rule = (ruling: NewRuling) =>
    decide.mutate({ path: `/api/readings/${latest.id}/ruling`, body: ruling }, { onSuccess: () => setOpen(false) });
  const { ruling } = latest;
  return (
    <>
      {ruling && ruling.standing !== 'unproven' && (
        <Button
          look="quiet"
          className="justify-self-start !px-0"
          onClick={() => rule({ standing: ruling.standing as NewRuling['standing'], why: ruling.why, withdrawn: true })}
        >
          No longer overruled
        </Button>
      )}
      {!ruling && !open && severityOf(data.state.standing) > 0 && (
        <Button look="quiet" className="justify-self-start !px-0" onClick={() => setOpen(true)}>
          Overrule
        </Button>
      )}
      {open && !ruling && <OverruleForm was={data.state.standing} onRule={rule} onLeave={() => setOpen(false)} />}
      {decide.error && (
        <p role="alert" className="font-semibold text-act">
          {decide.error.message}
        </p>
      )}
    </>
  );
}

/** What a person decides about a thread: its verdict overruled, its part judged by another school. */
export const Decide = ({ data, systemId, policy }: { data: ThreadData; systemId: string; policy: Policy }) => (
  <div className="grid gap-3 border-t border-rule py-2.5">
    <Overruling data={data} systemId={systemId} />
    <OwnSchools part={data.part} systemId={systemId} policy={policy} />
  </div>
);
