import { INSTRUMENT_KINDS, INSTRUMENT_NAMES, newMeterSchema, type MeterView, type NewMeter } from '@yarnix/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { v7 } from 'uuid';
import type { z } from 'zod';
import { change } from '../../app/api.ts';
import { showAtFields, troubleBeside } from '../../app/at-fields.ts';
import { Button } from '../../kit/button.tsx';
import { Field, SelectField } from '../../kit/field.tsx';
import { localToday } from '../../kit/local-day.ts';

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const noneIfEmpty = (text: string | null): string | null => (text === '' ? null : text);

type Typed = z.input<typeof newMeterSchema>;

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
  me = null,
  meter,
  onDone,
}: {
  people: readonly { readonly id: string; readonly name: string }[];
  /** Whose a new one is, as a rule. */
  me?: string | null;
  meter?: MeterView;
  onDone: () => void;
}) {
  const [id] = useState(() => meter?.id ?? v7());
  const { register, handleSubmit, setError, formState } = useForm<Typed, unknown, NewMeter>({
    resolver: zodResolver(newMeterSchema),
    defaultValues: {
      kind: meter?.kind ?? 'capacitance-meter',
      name: meter?.name ?? '',
      personId: meter ? meter.personId : me,
      since: meter?.since ?? localToday(),
      until: meter?.until ?? null,
    },
  });
  const { errors } = formState;
  const save = useKeep(id, onDone);
  const keep = (body: NewMeter) => save.mutate(body, { onError: (error) => showAtFields(error, setError) });
  return (
    <form
      noValidate
      aria-label={meter ? 'What is kept of it' : 'New instrument'}
      className="mb-5 grid gap-3 border-l-[3px] border-copper bg-raised p-4 md:grid-cols-5"
      onSubmit={(event) => void handleSubmit(keep)(event)}
    >
      {!meter && (
        <SelectField
          label="Kind"
          options={INSTRUMENT_KINDS.map((k) => [k, capital(INSTRUMENT_NAMES[k])] as const)}
          {...register('kind')}
        />
      )}
      <Field
        label="Name"
        maxLength={60}
        placeholder="the yellow one"
        error={errors.name?.message}
        {...register('name')}
      />
      <SelectField
        label="Whose"
        options={[...people.map((p) => [p.id, p.name] as const), ['', 'The firm’s'] as const]}
        error={errors.personId?.message}
        {...register('personId', { setValueAs: noneIfEmpty })}
      />
      <Field label="Used since" type="date" error={errors.since?.message} {...register('since')} />
      <Field
        label="Until"
        type="date"
        error={errors.until?.message}
        hint="Empty while it is used"
        {...register('until', { setValueAs: noneIfEmpty })}
      />
      <Foot isPending={save.isPending} trouble={troubleBeside(save.error)} onLeave={onDone} />
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
