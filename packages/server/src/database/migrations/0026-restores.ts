import type { Knex } from 'knex';

/**
 * Files of firms that are being read back: the file in pieces, how far it is, and whose systems came of it. An import knows
 * its file by a digest, has its rows as they were read, and is no longer read from the file each time.
 */
export const up = (db: Knex) =>
  db.raw(`
    create table restores (
      id uuid primary key,
      firm_id uuid not null references firms,
      person_id uuid not null references people,
      name text not null,
      size bigint not null check (size > 0),
      state text not null,
      total integer not null default 0,
      done integer not null default 0,
      systems integer not null default 0,
      readings integer not null default 0,
      photos integer not null default 0,
      judged_up_to uuid,
      error text,
      tries integer not null default 0,
      asked_at timestamptz not null,
      beat_at timestamptz,
      ended_at timestamptz
    );
    create index restores_of_firm on restores (firm_id, asked_at desc);
    create table restore_pieces (
      restore_id uuid not null references restores on delete cascade,
      piece integer not null,
      bytes bytea not null,
      primary key (restore_id, piece)
    );
    -- Read from anywhere, and packed already.
    alter table restore_pieces alter column bytes set storage external;
    create table restored_systems (
      restore_id uuid not null references restores on delete cascade,
      system_id uuid not null,
      primary key (restore_id, system_id)
    );
  `);

export const down = (db: Knex) => db.raw('drop table restored_systems, restore_pieces, restores');
