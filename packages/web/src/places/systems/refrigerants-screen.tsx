import { refrigerantName, REFRIGERANTS } from '@yarnix/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { put } from '../../app/api.ts';
import { queries } from '../../app/queries.ts';
import { queryClient } from '../../app/query-client.ts';
import { Button } from '../../kit/button.tsx';
import { Field } from '../../kit/field.tsx';

const tableFormSchema = z.object({
  name: z.string().trim().min(1, 'Which refrigerant?'),
  source: z.string().trim().min(1, 'Where are they from?'),
  estimate: z.boolean(),
  files: z.custom<FileList>((files) => (files as FileList | undefined)?.length === 1, 'Choose the file.'),
});
type TableForm = z.infer<typeof tableFormSchema>;

async function load({ name, source, estimate, files }: TableForm): Promise<void> {
  const csv = (await files[0]?.text()) ?? '';
  await put(`/api/refrigerants/${encodeURIComponent(refrigerantName(name))}`, { csv, source, estimate });
}

function LoadTable() {
  const { register, handleSubmit, reset, formState } = useForm<TableForm>({
    resolver: zodResolver(tableFormSchema),
    defaultValues: { name: '', source: '', estimate: false },
  });
  const { errors } = formState;
  const loading = useMutation({
    mutationFn: load,
    onSuccess: async (_, { source, estimate }) => {
      reset({ name: '', source, estimate });
      await queryClient.invalidateQueries({ queryKey: ['session'] });
    },
  });
  return (
    <form
      noValidate
      className="grid max-w-[560px] gap-4"
      onSubmit={(event) => void handleSubmit((table) => loading.mutate(table))(event)}
    >
      <h2 className="text-lg font-bold">Load a supplier’s table</h2>
      <p className="text-soft">
        A CSV file whose first row names temperature, bubble and dew, each with its unit (°F or °C; psig, psia or kPa),
        then one row a temperature, rising.
      </p>
      <Field label="Refrigerant" maxLength={20} error={errors.name?.message} {...register('name')} />
      <Field
        label="Where the figures come from"
        maxLength={200}
        error={errors.source?.message}
        {...register('source')}
      />
      <label className="flex min-h-12 items-center gap-3 font-semibold">
        <input type="checkbox" className="size-6" {...register('estimate')} />
        An estimate, not the supplier’s own figures
      </label>
      <Field label="CSV file" type="file" accept=".csv,text/csv" error={errors.files?.message} {...register('files')} />
      {loading.error && (
        <p role="alert" className="font-semibold text-act">
          {loading.error.message} Nothing was loaded.
        </p>
      )}
      {loading.isSuccess && <p role="status">Loaded. It is used like the built-in ones from now on.</p>}
      <Button look="main" type="submit" className="justify-self-start" disabled={loading.isPending}>
        Load it
      </Button>
    </form>
  );
}

/** Refrigerants whose saturation is known: those built in, and those the firm has loaded a table of. */
export function RefrigerantsScreen() {
  const session = useQuery(queries.session());
  const loaded = session.data?.refrigerants ?? [];
  return (
    <div className="grid content-start gap-6 px-4 py-5 md:px-5">
      <h1 className="text-[28px] font-bold">Refrigerants</h1>
      <table className="max-w-[760px]">
        <thead>
          <tr className="label text-left">
            <th scope="col" className="pr-6 font-normal">
              Name
            </th>
            <th scope="col" className="pr-6 font-normal">
              Data
            </th>
            <th scope="col" className="font-normal">
              Range
            </th>
          </tr>
        </thead>
        <tbody>
          {Object.keys(REFRIGERANTS).map((name) => (
            <tr key={name} className="border-t border-rule">
              <td className="py-2 pr-6 font-bold">{name}</td>
              <td className="pr-6">built in, from published equations</td>
              <td>to its critical point</td>
            </tr>
          ))}
          {loaded.map((r) => (
            <tr key={r.name} className="border-t border-rule">
              <td className="py-2 pr-6 font-bold">{r.name}</td>
              <td className="pr-6">
                {r.source}
                {r.estimate && <strong className="text-watch"> · estimate</strong>}
              </td>
              <td>
                {r.points[0]?.fahrenheit} to {r.points.at(-1)?.fahrenheit} °F, {r.points.length} rows
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <LoadTable />
    </div>
  );
}
