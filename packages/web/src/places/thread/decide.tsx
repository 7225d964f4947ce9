import {
  CAPACITOR_SCHOOLS,
  SCHOOL_WORDS,
  severityOf,
  type CapacitorSchool,
  type NewRuling,
  type ReadingView,
} from '@yarnix/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { put } from '../../app/api.ts';
import { Button } from '../../kit/button.tsx';
import { SelectField } from '../../kit/field.tsx';
import { OverruleForm } from '../../kit/overrule-form.tsx';
import type { ThreadData } from '../../thread/thread-data.ts';

/** Sends a decision of the office, and looks at the system and the Watch anew. */
function useDecision(systemId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ path, body }: { path: string; body: unknown }) => put(path, body),
    onSettled: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: ['system', systemId] }),
        client.invalidateQueries({ queryKey: ['watch'] }),
      ]),
  });
}

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

/** By which school this part is judged: the firm's, or one of its own. */
function PartSchool({ data, systemId }: { data: ThreadData; systemId: string }) {
  const decide = useDecision(systemId);
  const { part } = data;
  if (part.kind !== 'run-capacitor' || part.removedOn !== null) return null;
  const names = (school: CapacitorSchool) => SCHOOL_WORDS['capacitor-tolerance'].sides?.[school]?.name ?? school;
  return (
    <SelectField
      label="How far under its rating this one may read"
      value={part.plate.school ?? ''}
      disabled={decide.isPending}
      options={[['', 'As the firm has it'], ...CAPACITOR_SCHOOLS.map((school) => [school, names(school)] as const)]}
      error={decide.error?.message}
      onChange={(e) =>
        decide.mutate({ path: `/api/components/${part.id}/school`, body: { school: e.target.value || null } })
      }
    />
  );
}

/** What a person decides about a thread: its verdict overruled, its part judged by another school. */
export const Decide = ({ data, systemId }: { data: ThreadData; systemId: string }) => (
  <div className="grid gap-3 border-t border-rule py-2.5">
    <Overruling data={data} systemId={systemId} />
    <PartSchool data={data} systemId={systemId} />
  </div>
);
