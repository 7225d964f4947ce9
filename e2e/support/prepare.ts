import { loadDemoTemplate } from '../../scripts/lib/demo-template.mjs';

/** The demo firm is loaded once, into a template that every worker copies; the test command has done so while the unit tests ran. */
export default async function prepare(): Promise<void> {
  const admin = process.env.TEST_ADMIN_URL;
  if (!admin) throw new Error('TEST_ADMIN_URL is missing: run the journeys through "npm test".');
  if (!process.env.DEMO_TEMPLATE_IS_LOADED) await loadDemoTemplate(admin);
}
