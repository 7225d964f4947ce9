import { Plus, X } from 'lucide-react';
import { useFieldArray, type Control, type FieldValues, type UseFormRegister } from 'react-hook-form';
import { Button } from '../../kit/button.tsx';
import { numberOf } from './plate-form.ts';

interface Column {
  readonly name: string;
  readonly label: string;
  readonly isText?: boolean;
}

/** Rows of a plate that come in any number: chart points, wire notes. */
export function PlateRows({
  name,
  title,
  columns,
  control,
  register,
  error,
}: {
  name: string;
  title: string;
  columns: readonly Column[];
  // The form's own type differs from screen to screen; the rows only need its methods.
  control: Control<FieldValues>;
  register: UseFormRegister<FieldValues>;
  error?: string | undefined;
}) {
  const { fields, append, remove } = useFieldArray({ control, name });
  return (
    <fieldset>
      <legend className="font-semibold">{title}</legend>
      {fields.length > 0 && (
        <table className="mt-1 w-full max-w-[560px]">
          <thead>
            <tr>
              {columns.map((c) => (
                <th key={c.name} scope="col" className="label pr-2 text-left font-normal">
                  {c.label}
                </th>
              ))}
              <th>
                <span className="sr-only">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {fields.map((row, index) => (
              <tr key={row.id}>
                {columns.map((c) => (
                  <td key={c.name} className="py-0.5 pr-2">
                    <input
                      aria-label={`${title}, row ${index + 1}: ${c.label}`}
                      inputMode={c.isText ? 'text' : 'decimal'}
                      autoComplete="off"
                      className="h-12 w-full rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-3 text-[17px]"
                      {...register(`${name}.${index}.${c.name}`, c.isText ? {} : { setValueAs: numberOf })}
                    />
                  </td>
                ))}
                <td>
                  <button
                    type="button"
                    aria-label={`Remove row ${index + 1} of ${title}`}
                    className="grid size-12 place-items-center"
                    onClick={() => remove(index)}
                  >
                    <X aria-hidden size={18} />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {error && (
        <p role="alert" className="text-sm font-semibold text-act">
          {error}
        </p>
      )}
      <Button
        look="quiet"
        className="!px-0"
        onClick={() => append(Object.fromEntries(columns.map((c) => [c.name, c.isText ? '' : undefined])))}
      >
        <Plus aria-hidden size={18} /> Row
      </Button>
    </fieldset>
  );
}
