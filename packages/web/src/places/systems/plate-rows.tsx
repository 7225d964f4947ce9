import { readChart, type ChartName } from '@yarnix/core';
import { Plus, X } from 'lucide-react';
import { useRef, useState } from 'react';
import { useFieldArray, type Control, type FieldValues, type UseFormRegister } from 'react-hook-form';
import { Button } from '../../kit/button.tsx';
import { numberOf } from './plate-form.ts';

interface Column {
  readonly name: string;
  readonly label: string;
  readonly isText?: boolean;
}

/** The largest file that can be such a chart, bytes. */
const MOST_BYTES = 100_000;

/** The points of a chart in a CSV file, or why it is none; what reads files is fetched when somebody has one. */
async function chartIn(name: ChartName, file: File): Promise<ReturnType<typeof readChart>> {
  if (file.size > MOST_BYTES) return { outcome: 'refused', why: 'It is too large to be such a chart.' };
  const [{ default: Papa }, text] = await Promise.all([import('papaparse'), file.text()]);
  return readChart(name, Papa.parse<string[]>(text.trim()).data);
}

/** Takes a manufacturer's chart from a CSV file in place of typing it. */
function FromFile({
  chart,
  title,
  onPoints,
}: {
  chart: ChartName;
  title: string;
  onPoints: (points: readonly object[]) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ text: string; isWrong: boolean } | null>(null);
  const take = async (file: File) => {
    const read = await chartIn(chart, file).catch(() => ({ outcome: 'refused', why: 'It cannot be read.' }) as const);
    if (read.outcome === 'chart') onPoints(read.points);
    setSaid(
      read.outcome === 'chart'
        ? { text: `${read.points.length} rows taken from ${file.name}; kept with the plate.`, isWrong: false }
        : { text: `${file.name}: ${read.why} Nothing was changed.`, isWrong: true },
    );
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv"
        aria-label={`${title}: CSV file`}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          // The same file again, put right, is another one.
          if (file) void take(file).finally(() => input.current && (input.current.value = ''));
        }}
      />
      <Button look="quiet" onClick={() => input.current?.click()}>
        From a CSV file
      </Button>
      {said && (
        <p role={said.isWrong ? 'alert' : 'status'} className={said.isWrong ? 'font-semibold text-act' : 'text-soft'}>
          {said.text}
        </p>
      )}
    </>
  );
}

/** Rows of a plate that come in any number: chart points, wire notes. */
export function PlateRows({
  name,
  title,
  columns,
  control,
  register,
  error,
  chart,
}: {
  name: string;
  title: string;
  columns: readonly Column[];
  // The form's own type differs from screen to screen; the rows only need its methods.
  control: Control<FieldValues>;
  register: UseFormRegister<FieldValues>;
  error?: string | undefined;
  /** The chart that these rows are, where a manufacturer prints it. */
  chart?: ChartName;
}) {
  const { fields, append, remove, replace } = useFieldArray({ control, name });
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
      {chart && <FromFile chart={chart} title={title} onPoints={(points) => replace(points.map((p) => ({ ...p })))} />}
    </fieldset>
  );
}
