import { utcDayOf } from '@yarnix/core';
import { connect } from '../packages/server/src/database/connection.ts';
import { createDatabase } from '../packages/server/src/database/databases.ts';
import { loadFirm } from '../packages/server/src/database/load-firm.ts';
import { migrate } from '../packages/server/src/database/migrate.ts';
import { demoFirm } from '@yarnix/simulator';
import { planDemoDays } from './plan-demo-days.ts';

/** Makes the database of DATABASE_URL if needed, migrates it, and loads the demo firm into it when it is empty. */
const { DATABASE_URL = '', ADMIN_DATABASE_URL = '', DEMO_DAY } = process.env;

await createDatabase(ADMIN_DATABASE_URL, new URL(DATABASE_URL).pathname.slice(1));
const db = connect(DATABASE_URL, 12, { patient: true });
try {
  await migrate(db);
  const there: unknown = await db('firms').first('id');
  if (!there) {
    const today = utcDayOf(DEMO_DAY ?? new Date().toISOString());
    await loadFirm(db, demoFirm(today));
    await planDemoDays(db, today);
    console.log('yarnix: the demo firm is loaded');
  }
} finally {
  await db.destroy();
}
