import type { Knex } from 'knex';

/** Where systems and areas are, how a firm plans, what was promised, and in which order somebody's day is gone. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table systems
      add column lat double precision check (lat between -90 and 90),
      add column lng double precision check (lng between -180 and 180),
      add constraint systems_place check ((lat is null) = (lng is null));
    alter table firms add column planning jsonb;
    create table area_places (
      firm_id uuid not null references firms,
      area text not null,
      lat double precision not null check (lat between -90 and 90),
      lng double precision not null check (lng between -180 and 180),
      primary key (firm_id, area)
    );
    alter table job_decisions
      add column from_minute integer,
      add column to_minute integer,
      add constraint job_decisions_window check (
        (from_minute is null and to_minute is null) or (from_minute >= 0 and from_minute < to_minute and to_minute <= 1440)
      );
    create index job_decisions_by_day on job_decisions (firm_id, day) where decision = 'accepted';
    create table day_orders (
      firm_id uuid not null references firms,
      person_id uuid not null references people,
      day date not null,
      systems uuid[] not null,
      primary key (firm_id, person_id, day)
    );
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    drop table day_orders;
    drop index job_decisions_by_day;
    alter table job_decisions drop column from_minute, drop column to_minute;
    drop table area_places;
    alter table firms drop column planning;
    alter table systems drop column lat, drop column lng;
  `);
}
