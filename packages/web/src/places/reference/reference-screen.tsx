import type { Operation } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { ChevronRight } from 'lucide-react';
import { useSearchParams } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Field } from '../../kit/field.tsx';
import { operationsBySubject, schemaText, type Listed } from './operations.ts';

function Schema({ title, schema }: { title: string; schema: unknown }) {
  return (
    <div className="min-w-0">
      <h3 className="label">{title}</h3>
      <pre
        tabIndex={0}
        aria-label={title}
        className="max-h-80 overflow-auto rounded-[4px] border border-rule bg-raised p-3 font-mono text-[14px]"
      >
        {schemaText(schema)}
      </pre>
    </div>
  );
}

const firstOf = (content: Record<string, { schema?: unknown }> | undefined) => Object.entries(content ?? {})[0];

/** What an operation takes and gives. */
function Told({ operation }: { operation: Operation }) {
  const body = firstOf(operation.requestBody?.content);
  const reply = firstOf(operation.responses['200']?.content);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3 py-2 pl-4">
      <p className="label">Needs the permission to {operation['x-permission']}.</p>
      {operation.parameters.map(({ name, in: where, required, schema }) => (
        <Schema key={name} title={`${name}, in the ${where}${required ? '' : ', may be left out'}`} schema={schema} />
      ))}
      {body && <Schema title={`Body, ${body[0]}`} schema={body[1].schema} />}
      {reply && <Schema title={`Reply, ${reply[0] === '*/*' ? 'a file' : reply[0]}`} schema={reply[1].schema} />}
    </div>
  );
}

const Line = ({ listed: { method, path, operation } }: { listed: Listed }) => (
  <li className="border-t border-rule">
    <details className="group">
      <summary className="flex min-h-12 cursor-pointer flex-wrap items-center gap-x-3 py-1">
        <ChevronRight aria-hidden size={18} className="flex-none text-soft group-open:rotate-90" />
        <span className="w-14 font-bold">{method}</span>
        <code className="font-mono text-[15px] font-semibold break-all">{path}</code>
        <span className="basis-full text-[15px] md:basis-auto">{operation.summary}</span>
      </summary>
      <Told operation={operation} />
    </details>
  </li>
);

/** The interface for other programs, as it is checked by: every operation with what it takes and gives. */
export function ReferenceScreen() {
  const reference = useQuery(queries.reference());
  const [search, setSearch] = useSearchParams();
  if (!reference.data)
    return reference.error ? (
      <Failed error={reference.error} what="The interface" retry={() => void reference.refetch()} />
    ) : (
      <Loading what="the interface" />
    );
  const sought = search.get('q') ?? '';
  const subjects = operationsBySubject(reference.data, sought);
  return (
    <div className="max-w-5xl px-4 py-5 md:px-5">
      <h1 className="text-[28px] font-bold">For other programs</h1>
      <p className="mb-3 max-w-[70ch] text-soft">
        What is described here is what every request is checked by.{' '}
        <a href="/api/openapi.json" className="font-semibold text-copper underline">
          The same as OpenAPI
        </a>
        . Whole files, as CSV and for calendars, are among it.
      </p>
      <Field
        label="Look for"
        value={sought}
        className="max-w-md"
        onChange={(e) => setSearch(e.target.value === '' ? {} : { q: e.target.value }, { replace: true })}
      />
      {subjects.length === 0 && <p className="mt-6 text-[17px]">Nothing of that is here.</p>}
      {subjects.map(([subject, listed]) => (
        <section key={subject} aria-label={subject} className="mt-6">
          <h2 className="text-xl font-bold first-letter:uppercase">{subject.replaceAll('-', ' ')}</h2>
          <ul className="border-b border-rule">
            {listed.map((one) => (
              <Line key={one.method + one.path} listed={one} />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
