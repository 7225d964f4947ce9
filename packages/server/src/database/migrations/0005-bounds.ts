import type { Knex } from 'knex';

const WHOLE_PRIOR = `(jsonb_typeof(prior) = 'object'
        and not jsonb_path_exists(prior, '$.*.classes[*].* ? (@ == null)')
        and not jsonb_path_exists(prior, '$.*.scatter[*].* ? (@ == null)')
        and not jsonb_path_exists(prior, '$.*.asFitted.* ? (@ == null)')
        and not jsonb_path_exists(prior, '$.*.oddChance ? (@ == null)')
        and not jsonb_path_exists(prior, '$.*.stepChance ? (@ == null)'))`;

const STANDINGS = `('sound', 'unproven', 'watch', 'act', 'stop')`;

/**
 * What must hold of every row, whatever wrote it: figures that are numbers (NaN counts as larger than infinity here),
 * standings there are, times that every client can read. What earlier versions let in is put right first: a part that
 * cannot be sorted is unproven until it is judged anew, a prior that is not whole is learned anew, and rounds of the year
 * 10000 come back to where they can be read. Readings are never changed: for those the rule holds from now on.
 */
const BOUNDS = `
    update components set standing = 'unproven', severity = 1, urgency = 0, chance = 0, lead = null,
        revision = revision + 1
      where not (urgency >= 0 and urgency < 'infinity' and chance >= 0 and chance <= 1);
    update firms set prior = null, prior_learned_at = null where prior is not null and not ${WHOLE_PRIOR};

    -- What an earlier version rounded into the year 10000: no client could read the list it stands in.
    update visits set started_at = '2099-12-31' where started_at >= '2100-01-02';
    update visits set closed_at = '2099-12-31' where closed_at >= '2100-01-02';

    alter table components
      add constraint components_standing check (standing in ${STANDINGS} and severity between 0 and 4),
      add constraint components_urgency check (urgency >= 0 and urgency < 'infinity'),
      add constraint components_chance check (chance >= 0 and chance <= 1);
    alter table standing_changes
      add constraint standing_changes_standings check (from_standing in ${STANDINGS} and to_standing in ${STANDINGS});
    alter table firms add constraint firms_prior check (prior is null or ${WHOLE_PRIOR});
    alter table readings
      add constraint readings_value check (value > -1e9 and value < 1e9) not valid,
      add constraint readings_taken_at check (taken_at >= '1950-01-01' and taken_at < '2100-01-02') not valid;
    alter table visits
      add constraint visits_times check (
        started_at >= '1950-01-01' and started_at < '2100-01-02' and (closed_at is null or closed_at < '2100-01-02')
      ) not valid;
    alter table loose_ends
      add constraint loose_ends_times check (
        opened_at >= '1950-01-01' and opened_at < '2100-01-02' and (put_back_at is null or put_back_at >= opened_at)
      ) not valid;
    alter table refits add column set_aside jsonb not null default '[]';
`;

export async function up(db: Knex): Promise<void> {
  // A question mark of jsonpath is none of a binding.
  await db.raw(BOUNDS.replaceAll('?', '\\?'));
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    alter table refits drop column set_aside;
    alter table loose_ends drop constraint loose_ends_times;
    alter table visits drop constraint visits_times;
    alter table readings drop constraint readings_taken_at, drop constraint readings_value;
    alter table firms drop constraint firms_prior;
    alter table standing_changes drop constraint standing_changes_standings;
    alter table components
      drop constraint components_chance, drop constraint components_urgency, drop constraint components_standing;
  `);
}
