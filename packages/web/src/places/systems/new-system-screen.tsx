import {
  componentsFor,
  dateSchema,
  SYSTEM_KIND_NAMES,
  SYSTEM_KINDS,
  systemKindSchema,
  type NewSystem,
} from '@yarnix/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { useForm, useWatch, type Control, type FieldValues, type UseFormRegister } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { v7 } from 'uuid';
import { z } from 'zod';
import { put } from '../../app/api.ts';
import { queryClient } from '../../app/query-client.ts';
import { Field, SelectField } from '../../kit/field.tsx';
import { showAtFields } from '../../app/at-fields.ts';
import { PlateFields } from './plate-fields.tsx';
import { plateFormSchema, sensibleSoFar, textOf, withoutEmptyRows } from './plate-form.ts';
import { SaveBar } from './save-bar.tsx';
import { WhatFollows } from './what-follows.tsx';

const DRAFT = 'yarnix-new-system';

const formSchema = z.object({
  customerName: z.string().trim().min(1, 'Who lives there?').max(80, 'at most 80 characters'),
  address: z.string().trim().min(1, 'Where is it?').max(120, 'at most 120 characters'),
  area: z.string().trim().max(40, 'at most 40 characters').optional(),
  kind: systemKindSchema,
  installedOn: dateSchema.optional(),
  plate: plateFormSchema,
});
type Form = z.infer<typeof formSchema>;

const START: Form = { customerName: '', address: '', kind: 'split-heat-pump', plate: { volts: '208/230', hertz: 60 } };

function draft(): Form {
  try {
    return { ...START, ...(JSON.parse(localStorage.getItem(DRAFT) ?? '{}') as Partial<Form>) };
  } catch {
    return START;
  }
}

async function save(form: Form): Promise<string> {
  const id = v7();
  const plate = withoutEmptyRows(form.plate);
  const system: NewSystem = {
    ...form,
    plate,
    customerId: v7(),
    components: componentsFor(form.kind, plate).map(({ slot }) => ({ id: v7(), slot })),
  };
  await put(`/api/systems/${id}`, system);
  return id;
}

/** A new system from its plate. A half-readable plate is fine: each missing figure costs only what rests on it. */
export function NewSystemScreen() {
  const navigate = useNavigate();
  const defaultValues = useMemo(() => draft(), []);
  const { register, handleSubmit, control, formState, setError } = useForm<Form>({
    resolver: zodResolver(formSchema),
    defaultValues,
    mode: 'onTouched',
  });
  const form = { ...START, ...useWatch({ control }) };
  // Read on every draw: the form follows only what was asked of it.
  const { errors, isSubmitted, isValid } = formState;
  const stored = JSON.stringify(form);
  useEffect(() => localStorage.setItem(DRAFT, stored), [stored]);
  const plate = sensibleSoFar(form.plate);

  const saving = useMutation({
    mutationFn: save,
    onSuccess: async (id) => {
      localStorage.removeItem(DRAFT);
      await queryClient.invalidateQueries({ queryKey: ['systems'] });
      await navigate(`/systems/${id}`);
    },
    onError: (error) => showAtFields(error, setError),
  });

  return (
    <form
      noValidate
      className="grid flex-1 content-start md:grid-cols-[1fr_300px] md:content-stretch"
      onSubmit={(event) => void handleSubmit((values) => saving.mutate(values))(event)}
    >
      <div className="grid content-start gap-6 px-4 py-5 md:px-5">
        <h1 className="text-[28px] font-bold">New system</h1>
        <fieldset className="grid gap-4 sm:grid-cols-2">
          <legend className="mb-2 text-lg font-bold">Where</legend>
          <Field
            label="Customer"
            autoComplete="off"
            error={errors.customerName?.message}
            {...register('customerName')}
          />
          <Field label="Address" autoComplete="off" error={errors.address?.message} {...register('address')} />
          <Field
            label="Area"
            autoComplete="off"
            error={errors.area?.message}
            {...register('area', { setValueAs: textOf })}
          />
          <Field
            label="Installed on, if known"
            type="date"
            error={errors.installedOn?.message}
            {...register('installedOn', { setValueAs: textOf })}
          />
          <SelectField
            label="Kind"
            options={SYSTEM_KINDS.map((kind) => [kind, SYSTEM_KIND_NAMES[kind]] as const)}
            {...register('kind')}
          />
        </fieldset>
        <PlateFields
          kind={form.kind}
          plate={plate}
          control={control as unknown as Control<FieldValues>}
          register={register as unknown as UseFormRegister<FieldValues>}
          errors={errors.plate}
        />
        <SaveBar
          error={saving.error}
          pending={saving.isPending}
          invalid={isSubmitted && !isValid}
          label="Enter the system"
        />
      </div>
      <WhatFollows kind={form.kind} plate={plate} />
    </form>
  );
}
