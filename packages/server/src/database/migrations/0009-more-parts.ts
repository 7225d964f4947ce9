import type { Knex } from 'knex';

/** Parts that systems have by what their plates said then, and that were no parts before: the condition in terms of the plate. */
const PARTS = [
  [
    'blower-capacitor',
    'run-capacitor',
    `plate->>'blowerMotor' = 'psc' and kind in ('split-air-conditioner', 'split-heat-pump', 'packaged-heat-pump',
       'air-handler-electric-heat', 'gas-furnace-with-coil')`,
  ],
  [
    'heat-relay',
    'heat-relay',
    `plate->>'heatSwitch' = 'relay' and (jsonb_exists(plate, 'heatKilowatts') or kind = 'air-handler-electric-heat')`,
  ],
  ['indoor-unit', 'indoor-unit', `kind = 'packaged-heat-pump'`],
] as const;

/** A PSC blower has a capacitor, strips without a sequencer a relay, and a packaged unit an indoor half: systems entered before have them from now on. */
export async function up(db: Knex): Promise<void> {
  for (const [slot, kind, has] of PARTS) {
    await db.raw(
      `insert into components (id, firm_id, system_id, slot, kind, plate, fitted_on)
       select gen_random_uuid(), firm_id, id, ?, ?, '{}', installed_on from systems s
       where ${has} and not exists (
         select 1 from components k where k.system_id = s.id and k.slot = ? and k.removed_on is null)`,
      [slot, kind, slot],
    );
  }
}

export async function down(db: Knex): Promise<void> {
  await db.raw(
    `delete from components k where plate = '{}' and (slot in ('blower-capacitor', 'heat-relay')
         or (slot = 'indoor-unit' and exists (select 1 from systems s where s.id = k.system_id and s.kind = 'packaged-heat-pump')))
       and not exists (select 1 from readings r where r.component_id = k.id)`,
  );
}
