import { BENCH, workOut, type BenchInput, type BenchSum, type BenchWorked } from '@yarnix/core';
import { useEffect } from 'react';
import { Link, NavLink, useNavigate, useParams, useSearchParams } from 'react-router';
import { NowhereScreen } from '../../app/states.tsx';
import { Field, SelectField } from '../../kit/field.tsx';
import { IntoReading } from './into-reading.tsx';
import { keepSum, pathOf, useLatestSums } from './latest-sums.ts';

/** A sum that stands unchanged for so long is kept among the last ones, ms. */
const SETTLED_MS = 1500;
/** A result of so many letters is a sentence, and no figure. */
const LONG = 24;

interface Typing {
  readonly value: string;
  readonly error: string | undefined;
  readonly onType: (text: string) => void;
}

function BenchField({ input, value, error, onType }: Typing & { input: BenchInput }) {
  if (input.type === 'choice')
    return (
      <SelectField label={input.label} value={value} options={input.choices} onChange={(e) => onType(e.target.value)} />
    );
  const isNumber = input.type === 'number';
  return (
    <Field
      label={isNumber && input.optional ? `${input.label}, if known` : input.label}
      value={value}
      maxLength={60}
      autoComplete="off"
      onChange={(e) => onType(e.target.value)}
      error={error}
      {...(isNumber && { unit: input.unit, inputMode: 'decimal' as const })}
    />
  );
}

/** What it comes to, largest of all; then the formula with the numbers in it. */
function Result({ worked }: { worked: BenchWorked }) {
  if (worked.outcome === 'open')
    return <p className="label">Still to type: {worked.missing.join(', ').toLowerCase()}.</p>;
  if (worked.outcome === 'refused') return <p className="label">Put right what is marked, and it is worked out.</p>;
  if (worked.outcome === 'cannot-say') return <p className="text-[19px] font-semibold">{worked.why}</p>;
  return (
    <>
      <p
        className={`leading-tight font-bold tabular-nums ${worked.result.length > LONG ? 'text-[24px]' : 'text-[44px]'}`}
      >
        {worked.result}
      </p>
      <p className="text-[17px] tabular-nums">= {worked.formula}</p>
      {worked.also?.map((line) => (
        <p key={line} className="mt-1 text-[17px] font-semibold">
          {line}
        </p>
      ))}
      {worked.doubts?.map((line) => (
        <p key={line} className="mt-1 border-l-[3px] border-watch pl-3 font-semibold text-watch">
          {line}
        </p>
      ))}
    </>
  );
}

function Latest() {
  const latest = useLatestSums();
  if (latest.length === 0) return null;
  return (
    <section aria-label="Worked out last" className="mt-6">
      <h2 className="label">Worked out last, on this device</h2>
      <ul>
        {latest.map((sum) => (
          <li key={pathOf(sum)} className="border-t border-rule">
            <Link to={pathOf(sum)} className="flex min-h-12 items-center justify-between gap-4 hover:bg-raised">
              <span>{BENCH.find(({ id }) => id === sum.id)?.title}</span>
              <span className="font-semibold tabular-nums">{sum.result}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Sum({ sum }: { sum: BenchSum }) {
  const [search, setSearch] = useSearchParams();
  const typed = Object.fromEntries(
    sum.inputs.flatMap(({ id }) => (search.has(id) ? [[id, search.get(id) ?? '']] : [])),
  );
  const worked = workOut(sum, typed);
  const result = worked.outcome === 'value' ? worked.result : null;
  const asTyped = JSON.stringify(typed);
  useEffect(() => {
    // What stands by its usual values alone nobody has asked for.
    if (result === null || asTyped === '{}') return;
    const kept = { id: sum.id, typed: JSON.parse(asTyped) as Record<string, string>, result };
    const timer = setTimeout(() => keepSum(kept), SETTLED_MS);
    return () => clearTimeout(timer);
  }, [sum.id, asTyped, result]);
  const type = (id: string, text: string) => {
    const next = new URLSearchParams(search);
    next.set(id, text);
    setSearch(next, { replace: true });
  };
  return (
    <div className="min-w-0">
      <h1 className="text-[28px] font-bold max-md:sr-only">{sum.title}</h1>
      <p className="max-w-[60ch]">{sum.says}</p>
      <div className="mt-4 grid max-w-3xl grid-cols-2 gap-3 md:grid-cols-3">
        {sum.inputs.map((input) => (
          <BenchField
            key={`${sum.id} ${input.id}`}
            input={input}
            value={search.get(input.id) ?? input.usual ?? ''}
            error={worked.outcome === 'refused' ? worked.wrong[input.id] : undefined}
            onType={(text) => type(input.id, text)}
          />
        ))}
      </div>
      <div aria-live="polite" className="mt-5 max-w-3xl border-t-[3px] border-copper pt-3">
        <Result worked={worked} />
        {result !== null && sum.hands && <IntoReading hands={sum.hands} typed={typed} />}
        <p className="label mt-3">{sum.source}</p>
        {sum.cautions?.map(({ id, title, text }) => (
          <p key={id} className="label mt-2">
            <strong>{title}.</strong> {text}
          </p>
        ))}
      </div>
      <Latest />
    </div>
  );
}

/** The bench: the arithmetic alone, no system needed. What is typed is in the address, so that it can be sent on. */
export function BenchScreen() {
  const { sumId } = useParams();
  const navigate = useNavigate();
  const sum = BENCH.find(({ id }) => id === (sumId ?? BENCH[0]?.id));
  if (!sum) return <NowhereScreen />;
  return (
    <div className="grid flex-1 content-start gap-x-8 gap-y-4 px-4 py-5 md:grid-cols-[220px_1fr] md:px-5">
      <nav aria-label="Sums" className="hidden md:block">
        <ul>
          {BENCH.map(({ id, title }) => (
            <li key={id} className="border-b border-rule">
              <NavLink
                to={`/bench/${id}`}
                aria-current={id === sum.id ? 'page' : undefined}
                className="flex min-h-12 items-center border-l-[3px] border-transparent pl-3 font-semibold text-soft hover:text-ink aria-[current=page]:border-copper aria-[current=page]:text-ink"
              >
                {title}
              </NavLink>
            </li>
          ))}
        </ul>
      </nav>
      <div className="md:hidden">
        <SelectField
          label="What is to be worked out"
          value={sum.id}
          options={BENCH.map(({ id, title }) => [id, title] as const)}
          onChange={(e) => void navigate(`/bench/${e.target.value}`)}
        />
      </div>
      <Sum key={sum.id} sum={sum} />
    </div>
  );
}
