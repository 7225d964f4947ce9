import type { Knex } from 'knex';

const WHOLE_PRIOR = `(jsonb_typeof(prior) = 'object'
        and not jsonb_path_exists(prior, '$.classes.*.classes[*].* ? (@ == null)')
        and not jsonb_path_exists(prior, '$.classes.*.scatter[*].* ? (@ == null)')
        and not jsonb_path_exists(prior, '$.classes.*.asFitted.* ? (@ == null)')
        and not jsonb_path_exists(prior, '$.classes.*.oddChance ? (@ == null)')
        and not jsonb_path_exists(prior, '$.classes.*.stepChance ? (@ == null)')
        and not jsonb_path_exists(prior, '$.meters.*.spread ? (@ == null)')
        and not jsonb_path_exists(prior, '$.meters.*.meters.*.mean[*] ? (@ == null)'))`;

const BEFORE = `(jsonb_typeof(prior) = 'object'
        and not jsonb_path_exists(prior, '$.*.classes[*].* ? (@ == null)')
        and not jsonb_path_exists(prior, '$.*.scatter[*].* ? (@ == null)')
        and not jsonb_path_exists(prior, '$.*.asFitted.* ? (@ == null)')
        and not jsonb_path_exists(prior, '$.*.oddChance ? (@ == null)')
        and not jsonb_path_exists(prior, '$.*.stepChance ? (@ == null)'))`;

/**
 * What readings are taken with. An instrument is somebody's, or the firm's; a reading keeps which it came from, by kind of
 * instrument (readings from before stand under the person who took them); checks hold a meter against something known. What
 * a firm's threads taught gets a place for its meters beside its classes.
 */
const METERS = `
    create table meters (
      id uuid primary key,
      firm_id uuid not null references firms,
      person_id uuid references people,
      kind text not null,
      name text not null,
      since date not null,
      until date,
      check (until is null or until >= since)
    );
    create index meters_by_firm on meters (firm_id);

    create table meter_checks (
      id uuid primary key,
      firm_id uuid not null references firms,
      meter_id uuid not null references meters,
      person_id uuid not null references people,
      quantity text not null,
      against text not null,
      known double precision not null check (known > -1e9 and known < 1e9),
      known_within double precision not null check (known_within >= 0 and known_within < 1e9),
      shown double precision not null check (shown > -1e9 and shown < 1e9),
      taken_at timestamptz not null check (taken_at >= '1950-01-01' and taken_at < '2100-01-02')
    );
    create index meter_checks_by_meter on meter_checks (meter_id, taken_at);

    alter table readings add column instruments jsonb;

    alter table firms drop constraint firms_prior;
    update firms set prior = jsonb_build_object('classes', prior, 'meters', '{}'::jsonb) where prior is not null;
    alter table firms add constraint firms_prior check (prior is null or ${WHOLE_PRIOR});
`;

export async function up(db: Knex): Promise<void> {
  // A question mark of jsonpath is none of a binding.
  await db.raw(METERS.replaceAll('?', '\\?'));
}

export async function down(db: Knex): Promise<void> {
  await db.raw(
    `
    alter table firms drop constraint firms_prior;
    update firms set prior = prior -> 'classes' where prior is not null;
    alter table firms add constraint firms_prior check (prior is null or ${BEFORE});
    alter table readings drop column instruments;
    drop table meter_checks, meters;
  `.replaceAll('?', '\\?'),
  );
}
