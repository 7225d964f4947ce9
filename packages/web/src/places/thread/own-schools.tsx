import {
  saySchool,
  schoolOf,
  schoolsJudging,
  SCHOOL_WORDS,
  type ComponentView,
  type PartSchool,
  type Policy,
  type SchoolId,
} from '@yarnix/core';
import { useState } from 'react';
import { Button } from '../../kit/button.tsx';
import { SelectField } from '../../kit/field.tsx';
import { FigureInputs } from '../../kit/figure-inputs.tsx';
import { typedNumber } from '../../kit/typed-number.ts';
import { useDecision } from './use-decision.ts';

interface RowProps {
  readonly id: SchoolId;
  readonly part: ComponentView;
  readonly policy: Policy;
  readonly isPending: boolean;
  readonly onSet: (setting: PartSchool['setting']) => void;
}

function ChoiceRow({ id, part, policy, isPending, onSet }: RowProps) {
  const school = schoolOf(id);
  const own = part.plate.schools?.[id];
  if (school.type !== 'choice') return null;
  const { title, sides } = SCHOOL_WORDS[id];
  return (
    <SelectField
      label={title}
      value={typeof own === 'string' ? own : ''}
      disabled={isPending}
      options={[
        ['', `As the firm has it: ${saySchool(id, policy)}`],
        ...school.options.map((option) => [option, sides?.[option]?.name ?? option] as const),
      ]}
      onChange={(e) => onSet(e.target.value || null)}
    />
  );
}

function FigureRow({ id, part, policy, isPending, onSet }: RowProps) {
  const school = schoolOf(id);
  const own = part.plate.schools?.[id];
  const [texts, setTexts] = useState<readonly string[] | null>(() => (Array.isArray(own) ? own.map(String) : null));
  if (school.type !== 'figure' && school.type !== 'window') return null;
  const { title } = SCHOOL_WORDS[id];
  const shown = texts ?? school.get(policy).map(() => '');
  const figures = shown.map((text) => typedNumber(text, school.unit));
  const isTyped = JSON.stringify(figures) !== JSON.stringify(own ?? null) && shown.some((t) => t.trim() !== '');
  return (
    <fieldset className="grid gap-1">
      <legend className="label">{title}</legend>
      <div className="flex flex-wrap items-center gap-2">
        <FigureInputs title={title} texts={shown} unit={school.unit} onChange={setTexts} />
        {isTyped && (
          <Button disabled={isPending || figures.some(Number.isNaN)} onClick={() => onSet(figures)}>
            Judge by it
          </Button>
        )}
      </div>
      {own === undefined ? (
        <p className="text-sm text-soft">As the firm has it: {saySchool(id, policy)}</p>
      ) : (
        <Button
          look="quiet"
          className="justify-self-start !px-0"
          disabled={isPending}
          onClick={() => {
            setTexts(null);
            onSet(null);
          }}
        >
          As the firm has it: {saySchool(id, policy)}
        </Button>
      )}
    </fieldset>
  );
}

/** By which schools this part is judged: the firm's, or its own. */
export function OwnSchools({ part, systemId, policy }: { part: ComponentView; systemId: string; policy: Policy }) {
  const decide = useDecision(systemId);
  const ids = schoolsJudging(part.kind);
  const own = ids.filter((id) => part.plate.schools?.[id] !== undefined);
  const [open, setOpen] = useState(false);
  if (ids.length === 0 || part.removedOn !== null) return null;
  const set = (school: SchoolId, setting: PartSchool['setting']) =>
    decide.mutate({ path: `/api/components/${part.id}/school`, body: { school, setting } satisfies PartSchool });
  return (
    <section aria-label="How this part is judged" className="grid grid-cols-[minmax(0,1fr)] gap-3">
      {own.length > 0 && (
        <p className="font-semibold">
          Judged in its own way: {own.map((id) => SCHOOL_WORDS[id].title.toLowerCase()).join('; ')}.
        </p>
      )}
      {!open && (
        <Button look="quiet" className="justify-self-start !px-0" onClick={() => setOpen(true)}>
          Judge this part in its own way
        </Button>
      )}
      {open &&
        ids.map((id) => {
          const row = {
            id,
            part,
            policy,
            isPending: decide.isPending,
            onSet: (s: PartSchool['setting']) => set(id, s),
          };
          return schoolOf(id).type === 'choice' ? <ChoiceRow key={id} {...row} /> : <FigureRow key={id} {...row} />;
        })}
      {decide.error && (
        <p role="alert" className="font-semibold text-act">
          {decide.error.message}
        </p>
      )}
    </section>
  );
}
