import { writeFileSync } from 'node:fs';
import { connect } from '../packages/server/src/database/connection.ts';
import { createDatabase, databaseUrl } from '../packages/server/src/database/databases.ts';
import { describeTables } from '../packages/server/src/database/describe.ts';
import { migrate } from '../packages/server/src/database/migrate.ts';

/** Writes the page of tables from a database that was just made. */
const admin = process.env.TEST_ADMIN_URL ?? '';
await createDatabase(admin, 'yarnix_tables');
const db = connect(databaseUrl(admin, 'yarnix_tables'));
try {
  await migrate(db);
  writeFileSync(new URL('../docs/tables.md', import.meta.url), await describeTables(db));
} finally {
  await db.destroy();
}
