import { runTs } from '../../scripts/lib/server.mjs';
import { DEMO_TEMPLATE, urlOf } from './app.ts';

/** The demo firm is loaded once, into a template that every worker copies. */
export default async function prepare(): Promise<void> {
  const admin = process.env.TEST_ADMIN_URL;
  if (!admin) throw new Error('TEST_ADMIN_URL is missing: run the journeys through "npm test".');
  await runTs('scripts/load-demo.ts', {
    env: { DATABASE_URL: urlOf(DEMO_TEMPLATE), ADMIN_DATABASE_URL: admin, DEMO_DAY: '2026-11-25' },
  });
}
