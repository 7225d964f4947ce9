import { componentsFor, type NewPlate, type SystemDetail } from '@yarnix/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useForm, useWatch, type Control, type FieldValues, type UseFormRegister } from 'react-hook-form';
import { useNavigate, useParams } from 'react-router';
import { v7 } from 'uuid';
import { z } from 'zod';
import { put } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { queryClient } from '../../app/query-client.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { showAtFields } from '../../app/at-fields.ts';
import { PlateFields } from './plate-fields.tsx';
import { plateFormSchema, sensibleSoFar, withoutEmptyRows } from './plate-form.ts';
import { SaveBar } from './save-bar.tsx';
import { WhatFollows } from './what-follows.tsx';

const formSchema = z.object({ plate: plateFormSchema });
type Form = z.infer<typeof formSchema>;

function PlateForm({ system }: { system: SystemDetail }) {
  const navigate = useNavigate();
  const { register, handleSubmit, control, formState, setError } = useForm<Form>({
    resolver: zodResolver(formSchema),
    defaultValues: { plate: system.plate },
    mode: 'onTouched',
  });
  const plate = sensibleSoFar(useWatch({ control }).plate);
  // Read on every draw: the form follows only what was asked of it.
  const { errors, isSubmitted, isValid } = formState;
  const saving = useMutation({
    mutationFn: (form: Form) => {
      const read = withoutEmptyRows(form.plate);
      const known = new Set(system.components.filter((c) => c.removedOn === null).map((c) => c.slot));
      const fresh = componentsFor(system.kind, read).filter((c) => !known.has(c.slot));
      const body: NewPlate = { plate: read, components: fresh.map(({ slot }) => ({ id: v7(), slot })) };
      return put(`/api/systems/${system.id}/plate`, body);
    },
    onSuccess: async () => {
      await queryClient.invalidateQueries();
      await navigate(`/systems/${system.id}`);
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
        <div>
          <p className="label">{system.address}</p>
          <h1 className="text-[28px] font-bold">Plate</h1>
        </div>
        <PlateFields
          kind={system.kind}
          plate={plate}
          control={control as unknown as Control<FieldValues>}
          register={register as unknown as UseFormRegister<FieldValues>}
          errors={errors.plate}
        />
        <SaveBar
          error={saving.error}
          pending={saving.isPending}
          invalid={isSubmitted && !isValid}
          label="Keep the plate"
        />
      </div>
      <WhatFollows kind={system.kind} plate={plate} />
    </form>
  );
}

/** A plate read better later: every part is judged anew by it. */
export function PlateScreen() {
  const { systemId = '' } = useParams();
  const system = useQuery(queries.system(systemId));
  if (system.data) return <PlateForm system={system.data} />;
  return system.error ? (
    <Failed error={system.error} what="This system" retry={() => void system.refetch()} />
  ) : (
    <Loading what="the plate" />
  );
}
