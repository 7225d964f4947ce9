import { monthName, schoolOf, SCHOOL_WORDS, type Policy, type SchoolId } from '@yarnix/core';
import { FigureInputs } from '../../kit/figure-inputs.tsx';
import { textsOf, type Draft } from './draft.ts';

interface RowProps {
  readonly id: SchoolId;
  readonly policy: Policy;
  readonly draft: Draft;
  readonly problem: string | undefined;
  readonly onChange: (texts: readonly string[]) => void;
}

/** One of a few: each with who argues for it and what it costs. */
function Choices({ id, policy, draft, onChange }: RowProps) {
  const school = schoolOf(id);
  if (school.type !== 'choice') return null;
  const [chosen] = textsOf(id, policy, draft);
  return (
    <div role="radiogroup" aria-label={SCHOOL_WORDS[id].title} className="grid">
      {school.options.map((option) => {
        const side = SCHOOL_WORDS[id].sides?.[option];
        return (
          <label
            key={option}
            className="grid min-h-12 cursor-pointer grid-cols-[28px_1fr] items-baseline gap-x-2 border-l-[4px] border-transparent py-1.5 pl-2 hover:bg-raised has-checked:border-copper has-checked:bg-raised"
          >
            <input
              type="radio"
              name={id}
              className="size-5 translate-y-1 accent-(--copper)"
              checked={chosen === option}
              onChange={() => onChange([option])}
            />
            <span>
              <strong className="block">{side?.name ?? option}</strong>
              <span className="text-[15px] text-soft">
                {side?.argued} <strong className="font-semibold text-ink">Costs:</strong> {side?.costs}
              </span>
            </span>
          </label>
        );
      })}
    </div>
  );
}

function Figures({ id, policy, draft, problem, onChange }: RowProps) {
  const school = schoolOf(id);
  if (school.type !== 'figure' && school.type !== 'window') return null;
  return (
    <FigureInputs
      title={SCHOOL_WORDS[id].title}
      texts={textsOf(id, policy, draft)}
      unit={school.unit}
      invalid={problem !== undefined}
      onChange={onChange}
    />
  );
}

function Months({ id, policy, draft, onChange }: RowProps) {
  const texts = textsOf(id, policy, draft);
  const toggle = (month: string) =>
    onChange(texts.includes(month) ? texts.filter((t) => t !== month) : [...texts, month]);
  return (
    <div role="group" aria-label={SCHOOL_WORDS[id].title} className="flex flex-wrap gap-1">
      {Array.from({ length: 12 }, (_, at) => String(at + 1)).map((month) => (
        <button
          key={month}
          type="button"
          aria-pressed={texts.includes(month)}
          aria-label={monthName(Number(month))}
          onClick={() => toggle(month)}
          className="min-h-12 min-w-14 border-b-[3px] border-rule font-semibold text-soft hover:bg-raised aria-pressed:border-copper aria-pressed:bg-raised aria-pressed:text-ink"
        >
          {monthName(Number(month)).slice(0, 3)}
        </button>
      ))}
    </div>
  );
}

/** One school: what is set, how, and what either way costs. */
export function SchoolRow(props: RowProps) {
  const { id, problem } = props;
  const words = SCHOOL_WORDS[id];
  return (
    <li className="grid gap-x-6 gap-y-1 border-t border-rule py-3 lg:grid-cols-[260px_1fr]">
      <div>
        <h3 className="font-bold">{words.title}</h3>
        <p className="text-[15px] text-soft">{words.about}</p>
      </div>
      <div>
        <Choices {...props} />
        <Figures {...props} />
        {schoolOf(id).type === 'months' && <Months {...props} />}
        {problem && (
          <p role="alert" className="text-[15px] font-semibold text-act">
            {problem}
          </p>
        )}
        {words.tighter && (
          <p className="pt-1 text-[15px] text-soft">
            {words.tighter} {words.wider}
          </p>
        )}
      </div>
    </li>
  );
}
