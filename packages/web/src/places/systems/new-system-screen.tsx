import {
  componentsFor,
  dateSchema,
  parseCapacitorRating,
  plateSchema,
  sayRatingTrouble,
  SLOT_NAMES,
  SYSTEM_KIND_NAMES,
  SYSTEM_KINDS,
  systemKindSchema,
  type NewSystem,
  type SystemKind,
} from '@yarnix/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { v7 } from 'uuid';
import { z } from 'zod';
import { ApiProblem, put } from '../../app/api.ts';
import { queryClient } from '../../app/query-client.ts';
import { Button } from '../../kit/button.tsx';
import { Field, SelectField } from '../../kit/field.tsx';
import { RatingReadout } from './rating-readout.tsx';

const DRAFT = 'yarnix-new-system';

const readable = (text: string | undefined, ctx: z.RefinementCtx) => {
  const read = text ? parseCapacitorRating(text) : null;
  if (read?.outcome === 'cannot-read') ctx.addIssue({ code: 'custom', message: sayRatingTrouble(read) });
};

const formSchema = z.object({
  customerName: z.string().trim().min(1, 'Who lives there?').max(80, 'at most 80 characters'),
  address: z.string().trim().min(1, 'Where is it?').max(120, 'at most 120 characters'),
  area: z.string().trim().max(40, 'at most 40 characters').optional(),
  kind: systemKindSchema,
  installedOn: dateSchema.optional(),
  plate: plateSchema.extend({
    capacitorRating: z.string().trim().max(60, 'at most 60 characters').optional().superRefine(readable),
    fanCapacitorRating: z.string().trim().max(60, 'at most 60 characters').optional().superRefine(readable),
  }),
});
type Form = z.infer<typeof formSchema>;
type PlateNumber = 'year' | 'tons' | 'compressorRla' | 'compressorLra' | 'outdoorFanFla' | 'blowerFla' | 'mca' | 'mocp';
type PlateText = 'make' | 'model' | 'serial' | 'refrigerant' | 'capacitorRating' | 'fanCapacitorRating';

const START: Form = { customerName: '', address: '', kind: 'split-heat-pump', plate: { volts: '208/230', hertz: 60 } };

function draft(): Form {
  try {
    return { ...START, ...(JSON.parse(localStorage.getItem(DRAFT) ?? '{}') as Partial<Form>) };
  } catch {
    return START;
  }
}

const numberOf = (text: unknown): number | undefined => {
  if (typeof text === 'number') return text;
  const trimmed = typeof text === 'string' ? text.trim() : '';
  return trimmed === '' ? undefined : Number(trimmed.replace(',', '.'));
};
const textOf = (text: unknown): string | undefined =>
  typeof text === 'string' && text.trim() !== '' ? text : undefined;

async function save(form: Form): Promise<string> {
  const id = v7();
  const system: NewSystem = {
    ...form,
    customerId: v7(),
    components: componentsFor(form.kind, form.plate).map(({ slot }) => ({ id: v7(), slot })),
  };
  await put(`/api/systems/${id}`, system);
  return id;
}

/** Parts that will appear, and what the plate does not let us judge yet. */
function WhatFollows({ form }: { form: Form }) {
  const parts = componentsFor(form.kind, form.plate);
  const costs = [
    parts.some((p) => p.slot === 'compressor') &&
    form.plate.compressorRla === undefined &&
    (form.plate.mca === undefined || form.plate.outdoorFanFla === undefined)
      ? 'Without RLA, or MCA with fan FLA, compressor amps stay unproven.'
      : null,
    parts.some((p) => p.slot === 'run-capacitor' && !p.plate.rating)
      ? 'Without a rating, capacitance stays unproven.'
      : null,
    form.plate.blowerFla === undefined ? 'Without FLA, the blower is held against its own past only.' : null,
  ].filter((line) => line !== null);
  return (
    <aside className="border-rule-strong bg-raised px-5 py-5 md:border-l">
      <div className="sticky top-5">
        <h2 className="text-lg font-bold">Parts that will have a thread</h2>
        <ul className="mt-2">
          {parts.map((p) => (
            <li key={p.slot} className="border-t border-rule py-2 font-semibold">
              {SLOT_NAMES[p.slot]}
              {p.plate.rating && <span className="label block">{p.plate.rating}</span>}
            </li>
          ))}
        </ul>
        {costs.length > 0 && (
          <>
            <h2 className="mt-5 text-lg font-bold">What the plate leaves open</h2>
            {costs.map((line) => (
              <p key={line} className="mt-1 text-soft">
                {line}
              </p>
            ))}
          </>
        )}
      </div>
    </aside>
  );
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
  const { errors } = formState;
  const stored = JSON.stringify(form);
  useEffect(() => localStorage.setItem(DRAFT, stored), [stored]);

  const saving = useMutation({
    mutationFn: save,
    onSuccess: async (id) => {
      localStorage.removeItem(DRAFT);
      await queryClient.invalidateQueries({ queryKey: ['systems'] });
      await navigate(`/systems/${id}`);
    },
    onError: (error) => {
      if (!(error instanceof ApiProblem)) return;
      for (const { path, detail } of error.problem.errors ?? []) setError(path as 'address', { message: detail });
    },
  });

  const number = (name: PlateNumber, label: string, unit?: string) => (
    <Field
      label={label}
      inputMode="decimal"
      autoComplete="off"
      {...(unit ? { unit } : {})}
      error={errors.plate?.[name]?.message}
      {...register(`plate.${name}`, { setValueAs: numberOf })}
    />
  );
  const text = (name: PlateText, label: string) => (
    <Field
      label={label}
      autoComplete="off"
      error={errors.plate?.[name]?.message}
      {...register(`plate.${name}`, { setValueAs: textOf })}
    />
  );
  const rating = (name: 'capacitorRating' | 'fanCapacitorRating', label: string) => (
    <Field
      label={label}
      autoComplete="off"
      placeholder={name === 'capacitorRating' ? '45+5 µF 440 V' : '5 µF 440 V'}
      error={errors.plate?.[name]?.message}
      hint={form.plate[name] ? <RatingReadout text={form.plate[name]} /> : undefined}
      {...register(`plate.${name}`, { setValueAs: textOf })}
    />
  );
  const rows = 'grid gap-4 sm:grid-cols-2 lg:grid-cols-4';
  const wide = 'grid gap-4 sm:grid-cols-2';
  const condenser = componentsFor(form.kind, form.plate).some((p) => p.slot === 'run-capacitor');
  const compressor = componentsFor(form.kind, form.plate).some((p) => p.slot === 'compressor');
  const blower = componentsFor(form.kind, form.plate).some((p) => p.slot === 'blower');
  return (
    <form
      noValidate
      className="grid flex-1 content-start md:grid-cols-[1fr_300px] md:content-stretch"
      onSubmit={(event) => void handleSubmit((values) => saving.mutate(values))(event)}
    >
      <div className="grid content-start gap-6 px-4 py-5 md:px-5">
        <h1 className="text-[28px] font-bold">New system</h1>
        <fieldset className={wide}>
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
        </fieldset>
        <fieldset className={wide}>
          <legend className="mb-2 text-lg font-bold">What</legend>
          <SelectField
            label="Kind"
            options={SYSTEM_KINDS.map((kind: SystemKind) => [kind, SYSTEM_KIND_NAMES[kind]] as const)}
            {...register('kind')}
          />
          {text('make', 'Make')}
          {text('model', 'Model')}
          {text('serial', 'Serial')}
        </fieldset>
        {condenser && (
          <fieldset className={wide}>
            <legend className="mb-2 text-lg font-bold">Run capacitor, as printed</legend>
            {rating('capacitorRating', 'Dual, or the compressor’s single')}
            {rating('fanCapacitorRating', 'The fan’s own, if there are two')}
          </fieldset>
        )}
        <fieldset className={rows}>
          <legend className="mb-2 text-lg font-bold">Plate</legend>
          {compressor && number('compressorRla', 'Compressor RLA', 'A')}
          {compressor && number('compressorLra', 'Compressor LRA', 'A')}
          {condenser && number('outdoorFanFla', 'Outdoor fan FLA', 'A')}
          {blower && number('blowerFla', 'Blower FLA', 'A')}
          {number('mca', 'Minimum circuit ampacity', 'A')}
          {number('mocp', 'Largest fuse or breaker', 'A')}
          <SelectField
            label="Volts"
            options={[
              ['208/230', '208/230 V'],
              ['230', '230 V'],
              ['208', '208 V'],
              ['115', '115 V'],
            ]}
            {...register('plate.volts')}
          />
          <SelectField
            label="Hertz"
            options={[
              ['60', '60 Hz'],
              ['50', '50 Hz'],
            ]}
            {...register('plate.hertz', { setValueAs: numberOf })}
          />
          {blower && (
            <SelectField
              label="Blower motor"
              options={[
                ['', 'not known'],
                ['psc', 'PSC'],
                ['ecm', 'ECM'],
              ]}
              {...register('plate.blowerMotor', { setValueAs: textOf })}
            />
          )}
          {number('tons', 'Nominal cooling', 'tons')}
          {text('refrigerant', 'Refrigerant')}
          {number('year', 'Year')}
        </fieldset>
        <div className="sticky bottom-14 -mx-4 grid gap-2 border-t border-rule-strong bg-ground px-4 py-3 md:bottom-0">
          {saving.error && (
            <p role="alert" className="font-semibold text-act">
              {saving.error instanceof ApiProblem
                ? saving.error.message
                : `${saving.error.message} What you typed stays here; try again.`}
            </p>
          )}
          {formState.isSubmitted && !formState.isValid && (
            <p role="alert" className="font-semibold text-act">
              Some fields need another look; they say what.
            </p>
          )}
          <Button
            look="main"
            type="submit"
            disabled={saving.isPending}
            className="min-h-14 justify-self-start px-8 text-[18px]"
          >
            Enter the system
          </Button>
        </div>
      </div>
      <WhatFollows form={form} />
    </form>
  );
}
