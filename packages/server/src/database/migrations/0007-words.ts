import type { Knex } from 'knex';

/** Names that became the trade's own, each with the one it had. */
const NAMES = [
  ['autumn', 'fall'],
  ['back-up-heat-on', 'auxiliary-heat-on'],
  ['no-back-up-heat', 'no-auxiliary-heat'],
] as const;

/** Renames in the few places where names are kept: a round's season, what was seen and found, and why a part stands as it does. */
async function rename(db: Knex, from: string, to: string): Promise<void> {
  await db('visits').where({ season: from }).update({ season: to });
  await db.raw('update readings set findings = array_replace(findings, ?, ?) where findings @> array[?]', [
    from,
    to,
    from,
  ]);
  // As whole words of JSON: a note of somebody's own is no list of names.
  await db.raw(
    `update readings set inputs = jsonb_set(inputs, '{seen}', replace((inputs->'seen')::text, ?, ?)::jsonb)
     where jsonb_typeof(inputs->'seen') = 'array' and jsonb_exists(inputs->'seen', ?)`,
    [`"${from}"`, `"${to}"`, from],
  );
  await db.raw('update components set lead = replace(lead::text, ?, ?)::jsonb where position(? in lead::text) > 0', [
    `"${from}"`,
    `"${to}"`,
    `"${from}"`,
  ]);
}

const wires = (from: string, to: string): string => `
  update systems set plate = jsonb_set(plate, '{wires}', (
    select jsonb_agg(w - '${from}' || jsonb_build_object('${to}', w->'${from}')) from jsonb_array_elements(plate->'wires') w
  )) where jsonb_typeof(plate->'wires') = 'array' and jsonb_array_length(plate->'wires') > 0`;

export async function up(db: Knex): Promise<void> {
  for (const [before, now] of NAMES) await rename(db, before, now);
  await db.raw(wires('colour', 'color'));
}

export async function down(db: Knex): Promise<void> {
  for (const [before, now] of NAMES) await rename(db, now, before);
  await db.raw(wires('color', 'colour'));
}
