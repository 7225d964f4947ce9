import type { Knex } from 'knex';

interface Column {
  readonly table_name: string;
  readonly column_name: string;
  readonly type: string;
  readonly not_null: boolean;
  readonly key: string | null;
}

const COLUMNS = `
  select c.relname as table_name, a.attname as column_name, format_type(a.atttypid, a.atttypmod) as type, a.attnotnull as not_null,
    (select string_agg(case k.contype when 'p' then 'primary key' else 'one of ' || k.confrelid::regclass end, ', ' order by k.contype desc)
     from pg_constraint k where k.conrelid = c.oid and k.contype in ('p', 'f') and a.attnum = any(k.conkey)) as key
  from pg_class c join pg_namespace n on n.oid = c.relnamespace join pg_attribute a on a.attrelid = c.oid
  where n.nspname = 'public' and c.relkind = 'r' and c.relname not like 'knex%' and a.attnum > 0 and not a.attisdropped
  order by c.relname, a.attnum`;

/** The database's tables as a page: each with its columns, their types, and what they are one of. */
export async function describeTables(db: Knex): Promise<string> {
  const { rows } = await db.raw<{ rows: Column[] }>(COLUMNS);
  const names = [...new Set(rows.map((row) => row.table_name))];
  const parts = names.map((name) =>
    [
      `## ${name}`,
      '',
      '| column | type | |',
      '| --- | --- | --- |',
      ...rows
        .filter((c) => c.table_name === name)
        .map((c) => {
          const about = [c.key, c.not_null ? null : 'may be missing'].filter(Boolean).join(', ');
          return `| \`${c.column_name}\` | ${c.type} | ${about} |`;
        }),
    ].join('\n'),
  );
  return ['# Tables', 'Written from the database by `npm run tables`.', ...parts].join('\n\n') + '\n';
}
