import type { Knex } from 'knex';

/**
 * What was found becomes a list of codes, where it was one text joined by commas; so do entries of several choices. The
 * looks of a can and the sections of a capacitor take the codes that all kinds share.
 */
const LISTS = `
    alter table readings add column findings text[] not null default '{}';
    update readings set findings = string_to_array(finding, ',') where finding is not null;
    update readings set findings = array[case finding
        when 'open' then 'section-open' when 'shorted' then 'section-shorted' when 'holds' then 'section-holds'
        else 'can-' || finding end]
      where kind = 'run-capacitor-capacitance' and finding is not null;
    alter table readings drop column finding;
    update readings set inputs = jsonb_set(inputs, '{seen}', to_jsonb(string_to_array(inputs->>'seen', ',')))
      where jsonb_typeof(inputs->'seen') = 'string';
`;

interface Reason {
  code: string;
  numbers: Record<string, unknown>;
}

/** Reasons of judgements as they were kept, in the form they are kept in now. */
function reasonNow({ code, numbers }: Reason): Reason {
  const { point } = numbers;
  const found = (codes: string[]): Reason => ({
    code: 'finding',
    numbers: { found: codes, ...(point ? { point } : {}) },
  });
  switch (code) {
    case 'looks':
      return found([`can-${String(numbers.look)}`]);
    case 'open-section':
      return found(['section-open']);
    case 'shorted-section':
      return found(['section-shorted']);
    case 'holds-charge':
      return found(['section-holds']);
    case 'finding':
      return typeof numbers.found === 'string' ? found(numbers.found.split(',')) : { code, numbers };
    default:
      return { code, numbers };
  }
}

const CHUNK = 500;

async function bringLeads(db: Knex): Promise<void> {
  interface Row {
    id: string;
    lead: { because: Reason; also: Reason[] };
  }
  for (let after: string | null = null; ;) {
    const rows: Row[] = await db('components')
      .whereNotNull('lead')
      .modify((query) => {
        if (after !== null) void query.where('id', '>', after);
      })
      .orderBy('id')
      .limit(CHUNK)
      .select<Row[]>('id', 'lead');
    for (const { id, lead } of rows) {
      const now = { ...lead, because: reasonNow(lead.because), also: lead.also.map(reasonNow) };
      if (JSON.stringify(now) !== JSON.stringify(lead))
        await db('components')
          .where({ id })
          .update({ lead: JSON.stringify(now) });
    }
    after = rows.at(-1)?.id ?? null;
    if (after === null) return;
  }
}

export async function up(db: Knex): Promise<void> {
  await db.raw(LISTS);
  await bringLeads(db);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    alter table readings add column finding text;
    update readings set finding = array_to_string(findings, ',') where findings <> '{}';
    update readings set finding = regexp_replace(finding, '^(can|section)-', '')
      where kind = 'run-capacitor-capacitance' and finding is not null;
    alter table readings drop column findings;
  `);
}
