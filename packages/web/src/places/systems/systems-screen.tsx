import { SYSTEM_KIND_NAMES, type SystemSummary } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { createColumnHelper, tableFeatures, useTable } from '@tanstack/react-table';
import { ArrowDown, ArrowUp, Download, Plus } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { Link, useSearchParams } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { Button, ButtonLink } from '../../kit/button.tsx';
import { Field } from '../../kit/field.tsx';
import { StandingWord } from '../../kit/mark.tsx';
import { dateWords } from '../../kit/field-words.ts';

const PAGE = 50;
const features = tableFeatures({});
const column = createColumnHelper<typeof features, SystemSummary>();
const NONE: SystemSummary[] = [];

/** To a system; or, when a call is to begin, straight to what the call is about. */
function SystemLink({ system }: { system: SystemSummary }) {
  const [search] = useSearchParams();
  const to = search.get('for') === 'find' ? `/systems/${system.id}/find` : `/systems/${system.id}`;
  return (
    <Link to={to} className="block text-[17px] font-bold">
      {system.address}
      <span className="label block text-[14px] md:hidden">
        {system.customerName} · {SYSTEM_KIND_NAMES[system.kind]}
      </span>
    </Link>
  );
}

const columns = column.columns([
  column.accessor('address', {
    header: 'Address',
    cell: ({ row }) => <SystemLink system={row.original} />,
  }),
  column.accessor('customerName', { header: 'Customer' }),
  column.accessor('kind', { header: 'Kind', cell: ({ row }) => SYSTEM_KIND_NAMES[row.original.kind] }),
  column.accessor('area', { header: 'Area' }),
  column.accessor('lastVisitOn', {
    header: 'Last round',
    cell: ({ row }) => (row.original.lastVisitOn ? dateWords(row.original.lastVisitOn) : 'none yet'),
  }),
  column.accessor('standing', {
    header: 'Standing',
    cell: ({ row }) => <StandingWord standing={row.original.standing} width={26} />,
  }),
]);

/** On a phone only address and standing have room; the rest stands under the address. */
const onPhone = (id: string): string => (id === 'address' || id === 'standing' ? '' : 'max-md:hidden');

function SystemsTable({
  systems,
  sort,
  onSort,
}: {
  systems: SystemSummary[];
  sort: string;
  onSort: (by: string) => void;
}) {
  const table = useTable({ features, columns, data: systems });
  const [by, direction] = sort.split(':');
  return (
    <table className="w-full border-collapse">
      <thead>
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id} className="border-b border-rule-strong text-left">
            {group.headers.map((header) => (
              <th
                key={header.id}
                scope="col"
                aria-sort={by === header.id ? (direction === 'desc' ? 'descending' : 'ascending') : 'none'}
                className={`p-0 ${onPhone(header.id)}`}
              >
                <button
                  type="button"
                  className="label flex min-h-12 items-center gap-1 pr-3"
                  onClick={() => onSort(by === header.id && direction !== 'desc' ? `${header.id}:desc` : header.id)}
                >
                  <table.FlexRender header={header} />
                  {by === header.id &&
                    (direction === 'desc' ? <ArrowDown aria-hidden size={15} /> : <ArrowUp aria-hidden size={15} />)}
                </button>
              </th>
            ))}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row) => (
          <tr key={row.id} className="border-b border-rule hover:bg-raised">
            {row.getAllCells().map((cell) => (
              <td key={cell.id} className={`h-14 pr-3 ${onPhone(cell.column.id)}`}>
                <table.FlexRender cell={cell} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const countWords = (total: number | undefined): string =>
  total === undefined ? 'Systems' : `${total} ${total === 1 ? 'system' : 'systems'}`;

const FILES = [
  ['/api/readings.csv', 'readings.csv', 'All readings of the firm as CSV'],
  ['/api/export.json', 'yarnix.json', 'All of it as JSON'],
] as const;

/** What leaves in open formats. */
const AsFiles = () => (
  <p className="flex flex-wrap gap-x-6">
    {FILES.map(([href, file, words]) => (
      <a
        key={href}
        href={href}
        download={file}
        className="inline-flex min-h-12 items-center gap-2 font-semibold text-copper underline-offset-4 hover:underline"
      >
        <Download aria-hidden size={18} /> {words}
      </a>
    ))}
  </p>
);

/** Systems: found by address, customer or area; sorted in the address bar, so that every view can be sent on. */
export function SystemsScreen() {
  const [search, setSearch] = useSearchParams();
  const box = useRef<HTMLInputElement>(null);
  const sort = search.get('sort') ?? 'address';
  const at = Math.max(0, Number(search.get('page') ?? 0) || 0);
  const asked = new URLSearchParams({ limit: String(PAGE), offset: String(at * PAGE), sort });
  if (search.get('search')) asked.set('search', search.get('search') ?? '');
  const systems = useQuery(queries.systems(asked.toString()));

  useEffect(() => {
    const toBox = (event: KeyboardEvent) => {
      if (event.key !== '/' || event.target instanceof HTMLInputElement) return;
      event.preventDefault();
      box.current?.focus();
    };
    window.addEventListener('keydown', toBox);
    return () => window.removeEventListener('keydown', toBox);
  }, []);

  const set = (name: string, value: string) => {
    const next = new URLSearchParams(search);
    if (value) next.set(name, value);
    else next.delete(name);
    if (name !== 'page') next.delete('page');
    setSearch(next, { replace: name === 'search' });
  };
  const total = systems.data?.total ?? 0;
  return (
    <div className="px-4 py-5 md:px-5">
      <div className="mb-3 flex flex-wrap items-end gap-4">
        <h1 className="mr-auto text-[28px] font-bold">
          {search.get('for') === 'find' ? 'On which system is the call?' : countWords(systems.data?.total)}
        </h1>
        <Field
          ref={box}
          label="Find by address, customer or area ( / )"
          type="search"
          maxLength={80}
          value={search.get('search') ?? ''}
          onChange={(e) => set('search', e.target.value)}
          className="w-full md:w-80"
        />
        <ButtonLink to="/refrigerants">Refrigerants</ButtonLink>
        <ButtonLink look="main" to="/systems/new">
          <Plus aria-hidden size={19} /> New system
        </ButtonLink>
      </div>
      {systems.error && !systems.data ? (
        <Failed error={systems.error} what="The systems" retry={() => void systems.refetch()} />
      ) : !systems.data ? (
        <Loading what="the systems" />
      ) : total === 0 ? (
        <p className="py-10 text-[17px]">
          {search.get('search')
            ? 'No system matches. Try a part of the street or the customer’s name.'
            : 'No system yet. Enter the first one from its plate.'}
        </p>
      ) : (
        <SystemsTable
          systems={systems.data.systems.length > 0 ? systems.data.systems : NONE}
          sort={sort}
          onSort={(by) => set('sort', by)}
        />
      )}
      {total > 0 && <AsFiles />}
      {total > PAGE && (
        <div className="flex items-center gap-4 py-4">
          <Button disabled={at === 0} onClick={() => set('page', String(at - 1))}>
            Before
          </Button>
          <span className="label">
            {at * PAGE + 1} to {Math.min((at + 1) * PAGE, total)}
          </span>
          <Button disabled={(at + 1) * PAGE >= total} onClick={() => set('page', String(at + 1))}>
            After
          </Button>
        </div>
      )}
    </div>
  );
}
