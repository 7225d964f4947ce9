import type { Knex } from 'knex';

/**
 * What is left to do on systems. Most of it follows from how parts stand, how calls ended and what was put off, and is kept
 * nowhere twice: kept are what people decided of it, and what they noted by hand.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table jobs_by_hand (
      id uuid primary key,
      firm_id uuid not null references firms,
      system_id uuid not null references systems,
      person_id uuid not null references people,
      task text not null check (length(task) between 1 and 160),
      by_when date not null,
      minutes integer not null check (minutes between 5 and 960),
      made_at timestamptz not null
    );
    create index jobs_by_hand_of_firm on jobs_by_hand (firm_id, system_id);

    create table job_decisions (
      firm_id uuid not null references firms,
      key text not null,
      system_id uuid not null references systems,
      decision text not null check (decision in ('proposed', 'accepted', 'declined', 'done')),
      note text not null,
      day date,
      person_id uuid references people,
      severity integer not null,
      version integer not null check (version > 0),
      decided_by uuid not null references people,
      decided_at timestamptz not null,
      primary key (firm_id, key)
    );
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop table job_decisions; drop table jobs_by_hand;');
}
