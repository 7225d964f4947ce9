import { INSTRUMENT_KINDS, INSTRUMENT_NAMES, type InstrumentKind, type MeterView, type NewMeter } from '@yarnix/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { ApiProblem, change } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { Button } from '../../kit/button.tsx';
import { Field, SelectField } from '../../kit/field.tsx';
import { localToday } from '../../kit/local-day.ts';

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const today = localToday;

/** Keeps an instrument; whoever shows it hears of it. */
function useKeep(id: string, onDone: () => void) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: NewMeter) => change('PUT', `/api/meters/${id}`, body, 'meterSchema'),
    onSuccess: async () => {
      await Promise.all([
        client.invalidateQueries({ queryKey: ['meters'] }),
        client.invalidateQueries({ queryKey: ['session'] }),
      ]);
      onDone();
    },
  });
}

/** A new instrument, or what is kept of one: whose, what it is called, since when and until when it is used. */
export function MeterForm({
  people,
  meter,
  onDone,
}: {
  people: readonly { readonly id: string; readonly name: string }[];
  meter?: MeterView;
  onDone: () => void;
}) {
  const me = useQuery(queries.session()).data?.person.id;
  const [id] = useState(() => meter?.id ?? v7());
  const [kind, setKind] = useState<InstrumentKind>(meter?.kind ?? 'capacitance-meter');
  const [name, setName] = useState(meter?.name ?? '');
  const [personId, setPersonId] = useState(meter ? (meter.personId ?? '') : null);
  const [since, setSince] = useState(meter?.since ?? today());
  const [until, setUntil] = useState(meter?.until ?? '');
  const whose = personId ?? me ?? '';
  const save = useKeep(id, onDone);
  const errors = save.error instanceof ApiProblem ? (save.error.problem.errors ?? []) : [];
  const errorAt = (path: string) => errors.find((e) => e.path === path)?.detail;
  return (
    <form
      aria-label={meter ? 'What is kept of it' : 'New instrument'}
      className="mb-5 grid gap-3 border-l-[3px] border-copper bg-raised p-4 md:grid-cols-5"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate({ kind, name, personId: whose || null, since, until: until || null });
      }}
    >
      {!meter && (
        <SelectField
          label="Kind"
          value={kind}
          options={INSTRUMENT_KINDS.map((k) => [k, capital(INSTRUMENT_NAMES[k])] as const)}
          onChange={(e) => setKind(e.target.value as InstrumentKind)}
        />
      )}
      <Field
        label="Name"
        value={name}
        maxLength={60}
        placeholder="the yellow one"
        error={errorAt('name')}
        onChange={(e) => setName(e.target.value)}
      />
      <SelectField
        label="Whose"
        value={whose}
        options={[...people.map((p) => [p.id, p.name] as const), ['', 'The firm’s'] as const]}
        error={errorAt('personId')}
        onChange={(e) => setPersonId(e.target.value)}
      />
      <Field
        label="Used since"
        type="date"
        value={since}
        error={errorAt('since')}
        onChange={(e) => setSince(e.target.value)}
      />
      <Field
        label="Until"
        type="date"
        value={until}
        error={errorAt('until')}
        hint="Empty while it is used"
        onChange={(e) => setUntil(e.target.value)}
      />
      <Foot
        isPending={save.isPending}
        trouble={save.error && errors.length === 0 ? save.error.message : null}
        onLeave={onDone}
      />
    </form>
  );
}

const Foot = ({ isPending, trouble, onLeave }: { isPending: boolean; trouble: string | null; onLeave: () => void }) => (
  <div className="flex flex-wrap items-center gap-2 md:col-span-5">
    <Button type="submit" look="main" disabled={isPending}>
      Keep it
    </Button>
    <Button onClick={onLeave}>Leave it</Button>
    {trouble && (
      <span role="alert" className="font-semibold text-act">
        {trouble}
      </span>
    )}
  </div>
);
