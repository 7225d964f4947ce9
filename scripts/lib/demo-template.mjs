import { runTs } from './server.mjs';

/** The database that every worker of the journeys copies. */
export const DEMO_TEMPLATE = 'yarnix_demo_template';

/** Loads the demo firm of a fixed day into the template, on the cluster of that address. */
export async function loadDemoTemplate(adminUrl) {
  const url = new URL(adminUrl);
  url.pathname = `/${DEMO_TEMPLATE}`;
  await runTs('scripts/load-demo.ts', {
    env: { DATABASE_URL: url.toString(), ADMIN_DATABASE_URL: adminUrl, DEMO_DAY: '2026-11-25' },
  });
}
