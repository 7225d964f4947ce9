import type { Knex } from 'knex';

/** Texts that are there or are null, and those that are always there, with as many characters as each may have. */
const IF_ANY = [
  ['systems', 'area', 40],
  ['readings', 'note', 500],
  ['visits', 'note', 6000],
  ['follow_ups', 'note', 300],
  ['photos', 'note', 200],
  ['components', 'removed_reason', 200],
] as const;
const ALWAYS = [
  ['systems', 'address', 120],
  ['customers', 'name', 80],
] as const;

const nameOf = (table: string, column: string): string => `${table}_${column}_text`;

/**
 * A text is there or it is not: of blanks alone it is none, and it is kept in one form (Unicode NFC), so that what is
 * compared by one person as another typed it is alike. What was let in before is put right; from now on the database itself
 * holds to it. Nothing of a reading changes but that a note without a word is none.
 */
export async function up(db: Knex): Promise<void> {
  for (const [table, column, most] of IF_ANY) {
    const plain = `nullif(btrim(left(normalize(${column}, nfc), ${most}), E' \\t\\n\\r'), '')`;
    await db.raw(`update ${table} set ${column} = ${plain} where ${column} is distinct from ${plain}`);
    await db.raw(
      `alter table ${table} add constraint ${nameOf(table, column)}
         check (${column} is null or (length(${column}) <= ${most} and btrim(${column}) <> ''))`,
    );
  }
  for (const [table, column, most] of ALWAYS) {
    const plain = `coalesce(nullif(btrim(left(normalize(${column}, nfc), ${most})), ''), '-')`;
    await db.raw(`update ${table} set ${column} = ${plain} where ${column} is distinct from ${plain}`);
    await db.raw(
      `alter table ${table} add constraint ${nameOf(table, column)}
         check (length(${column}) <= ${most} and btrim(${column}) <> '')`,
    );
  }
  await db.raw(`delete from area_places where btrim(area) = ''`);
}

export async function down(db: Knex): Promise<void> {
  for (const [table, column] of [...IF_ANY, ...ALWAYS])
    await db.raw(`alter table ${table} drop constraint ${nameOf(table, column)}`);
}
