import { besideDemo } from './lib/demo-server.mjs';
import { ensureNpmPackages } from './lib/packages.mjs';
import { runMain } from './lib/say.mjs';

/** npm run shots: renews docs/screenshots. */
await runMain(async () => {
  await ensureNpmPackages();
  await besideDemo('scripts/take-shots.ts');
});
