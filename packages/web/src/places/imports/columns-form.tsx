import {
  measureOf,
  MEASURES,
  own,
  ruleOfUnit,
  suggestedWhats,
  SYSTEM_KIND_NAMES,
  SYSTEM_KINDS,
  waysToWrite,
  wayWritten,
  type ColumnUse,
  type ImportDetail,
  type SheetMapping,
  type SystemKind,
  type Unit,
} from '@yarnix/core';
import { useMutation } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { change } from '../../app/api.ts';
import { Button } from '../../kit/button.tsx';
import { Field, SelectField } from '../../kit/field.tsx';
import { COLUMN_CHOICES, keyOf, chosenUse } from './column-uses.ts';

const SELECT = 'h-12 w-full rounded-[4px] border-[1.5px] bg-raised px-2 text-[17px]';

/** In which unit a column writes, where there is a choice, and how it is brought to the one that is kept. */
function UnitChoice({
  name,
  unit,
  isDifference,
  written,
  onChange,
}: {
  name: string;
  unit: Unit;
  isDifference: boolean;
  written: string;
  onChange: (unit: string) => void;
}) {
  const ways = waysToWrite(unit);
  if (ways.length < 2) return <p className="label content-center">{unit}</p>;
  const rule = ruleOfUnit(written, unit, isDifference);
  return (
    <div>
      <select
        aria-label={`Unit of ${name}`}
        className={`${SELECT} border-rule-strong`}
        value={wayWritten(written, unit)}
        onChange={(e) => onChange(e.target.value)}
      >
        {ways.map((way) => (
          <option key={way}>{way}</option>
        ))}
      </select>
      {rule !== '' && <p className="text-sm text-soft">{rule}</p>}
    </div>
  );
}

const unitOf = (use: ColumnUse): { unit: Unit; isDifference: boolean } | null => {
  if (use.use === 'outdoor') return { unit: '°F', isDifference: false };
  if (use.use === 'running') return { unit: 'min', isDifference: false };
  const measure = use.use === 'measure' ? measureOf(use.measure) : undefined;
  return measure ? { unit: measure.unit, isDifference: measure.difference === true } : null;
};

/** One column of the file: its heading, what is in it, and what it is. */
function ColumnLine({
  heading,
  cells,
  use,
  onUse,
}: {
  heading: string;
  cells: readonly string[];
  use: ColumnUse;
  onUse: (use: ColumnUse) => void;
}) {
  const id = useId();
  const measured = unitOf(use);
  const isOut = use.use === 'nothing';
  return (
    <li className="grid items-start gap-x-4 gap-y-1 border-t border-rule py-2 md:grid-cols-[minmax(0,1.2fr)_minmax(0,1.4fr)_130px]">
      <div className="min-w-0">
        <label htmlFor={id} className={`block truncate text-[18px] font-bold ${isOut ? 'text-soft' : ''}`}>
          {heading}
        </label>
        <p className="truncate text-soft">
          {cells.filter((cell) => cell.trim() !== '').join(' · ') || 'nothing in its first rows'}
        </p>
      </div>
      <select
        id={id}
        className={`${SELECT} ${isOut ? 'border-rule-strong text-soft' : 'border-copper font-semibold'}`}
        value={keyOf(use)}
        onChange={(e) => onUse(chosenUse(e.target.value))}
      >
        {COLUMN_CHOICES.map(({ title, choices }) => (
          <optgroup key={title} label={title}>
            {choices.map(([key, text]) => (
              <option key={key} value={key}>
                {text}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
      {measured ? (
        <UnitChoice
          {...measured}
          name={heading}
          written={'unit' in use ? (use.unit ?? '') : ''}
          onChange={(unit) => onUse({ ...use, unit } as ColumnUse)}
        />
      ) : (
        <span />
      )}
    </li>
  );
}

/** Of a file with one reading a row: what each of its names stands for. */
function WhatLines({
  whats,
  mapping,
  onMapping,
}: {
  whats: readonly string[];
  mapping: SheetMapping;
  onMapping: (mapping: SheetMapping) => void;
}) {
  return (
    <section aria-labelledby="whats" className="mt-6">
      <h2 id="whats" className="pb-1 text-[20px] font-bold">
        What its readings are called
      </h2>
      <ul>
        {whats.map((what) => {
          const known = own(mapping.whats, what) ?? null;
          return (
            <li key={what} className="grid items-center gap-x-4 border-t border-rule py-2 md:grid-cols-2">
              <span className="font-bold">{what}</span>
              <select
                aria-label={`What “${what}” is`}
                className={`${SELECT} ${known ? 'border-copper font-semibold' : 'border-rule-strong text-soft'}`}
                value={known?.measure ?? ''}
                onChange={(e) =>
                  onMapping({
                    ...mapping,
                    whats: { ...mapping.whats, [what]: e.target.value ? { measure: e.target.value } : null },
                  })
                }
              >
                <option value="">leave it out</option>
                {MEASURES.map(({ id, title }) => (
                  <option key={id} value={id}>
                    {title}
                  </option>
                ))}
              </select>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

const DATES = [
  ['mdy', '3/4/2024 is March 4, 2024'],
  ['dmy', '3/4/2024 is April 3, 2024'],
  ['ymd', '24/3/4 is March 4, 2024'],
] as const;

/** The rules by which the cells of a file are read. */
function Rules({ mapping, onMapping }: { mapping: SheetMapping; onMapping: (mapping: SheetMapping) => void }) {
  return (
    <div className="grid gap-4">
      <SelectField
        label="Dates"
        options={DATES}
        value={mapping.dateOrder}
        onChange={(e) => onMapping({ ...mapping, dateOrder: e.target.value as SheetMapping['dateOrder'] })}
      />
      <SelectField
        label="Numbers"
        options={[
          ['.', '38.4, and 1,200 is twelve hundred'],
          [',', '38,4, and 1.200 is twelve hundred'],
        ]}
        value={mapping.decimal}
        onChange={(e) => onMapping({ ...mapping, decimal: e.target.value as SheetMapping['decimal'] })}
      />
      <SelectField
        label="Systems that are not here yet"
        options={[
          ['', 'refuse their rows'],
          ...SYSTEM_KINDS.map((kind) => [kind, `enter as ${SYSTEM_KIND_NAMES[kind]}`] as const),
        ]}
        value={mapping.newSystems ?? ''}
        onChange={(e) =>
          onMapping({ ...mapping, newSystems: e.target.value === '' ? null : (e.target.value as SystemKind) })
        }
      />
      <p className="label">
        A column “kind of system” goes before this. A day without a time counts as its noon in{' '}
        {mapping.zone.replaceAll('_', ' ')}.
      </p>
    </div>
  );
}

/** What stands in the way of checking; null when nothing does. */
function missing({ columns, whats, form }: SheetMapping): string | null {
  if (form === 'own') return null;
  const has = (...uses: string[]) => columns.some((c) => uses.includes(c.use));
  if (!has('date')) return 'Say which column is the date of the visit.';
  if (!has('address', 'system')) return 'Say which column is the address.';
  const reads = has('measure') || (has('what') && has('value') && Object.values(whats).some((w) => w !== null));
  return reads ? null : 'Say which columns are readings.';
}

/** Names the columns of a file, and has its rows checked by that. */
export function ColumnsForm({ detail, onChecking }: { detail: ImportDetail; onChecking: () => void }) {
  const [mapping, setMapping] = useState(detail.mapping);
  const [profile, setProfile] = useState(detail.profile ?? '');
  const asks = missing(mapping);
  const check = useMutation({
    mutationFn: () => {
      const name = profile.trim();
      return change(
        'PUT',
        `/api/imports/${detail.id}/mapping`,
        { mapping, ...(name === '' ? {} : { profile: name }) },
        'importSchema',
      );
    },
    onSuccess: onChecking,
  });
  const setUse = (at: number, use: ColumnUse) => {
    const columns = mapping.columns.map((before, i) => (i === at ? use : before));
    const names =
      use.use === 'what'
        ? { ...suggestedWhats(detail.sample.map((row) => row[at] ?? '').filter(Boolean)), ...mapping.whats }
        : mapping.whats;
    setMapping({ ...mapping, columns, whats: names });
  };
  const whats = [...new Set([...detail.whats, ...Object.keys(mapping.whats)])];
  return (
    <div className="grid gap-6 md:grid-cols-[minmax(0,1fr)_340px]">
      <div className="min-w-0">
        {mapping.form === 'own' ? (
          <p className="max-w-[60ch]">
            This file was written by this app: its columns are known, and each reading comes as it was entered.
          </p>
        ) : (
          <ul aria-label="Columns">
            {detail.headers.map((heading, at) => (
              <ColumnLine
                key={heading}
                heading={heading}
                cells={detail.sample.slice(0, 3).map((row) => row[at] ?? '')}
                use={mapping.columns[at] ?? { use: 'nothing' }}
                onUse={(use) => setUse(at, use)}
              />
            ))}
          </ul>
        )}
        {mapping.columns.some((c) => c.use === 'what') && (
          <WhatLines whats={whats} mapping={mapping} onMapping={setMapping} />
        )}
      </div>
      <aside aria-label="How it is read" className="grid min-w-0 content-start gap-4 [&_select]:w-full">
        {mapping.form === 'sheet' && <Rules mapping={mapping} onMapping={setMapping} />}
        <Field
          label="Keep this for the next such file, as"
          value={profile}
          maxLength={60}
          onChange={(e) => setProfile(e.target.value)}
        />
        {asks !== null && <p className="font-semibold">{asks}</p>}
        {check.error && (
          <p role="alert" className="font-semibold text-act">
            {check.error.message}
          </p>
        )}
        <Button look="main" disabled={asks !== null || check.isPending} onClick={() => check.mutate()}>
          Check every row
        </Button>
      </aside>
    </div>
  );
}
