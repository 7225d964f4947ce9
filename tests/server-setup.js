import { buildWorker } from '../scripts/lib/build.mjs';

/** Server tests need a real PostgreSQL, which npm test starts and says where it is, and a worker that begins at once. */
export default async function setup() {
  if (!process.env.TEST_ADMIN_URL)
    throw new Error('TEST_ADMIN_URL is missing: run the server tests through "npm test".');
  process.env.BUILT_REFIT_WORKER = await buildWorker();
}
