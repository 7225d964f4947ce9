import { ensureNpmPackages } from './lib/packages.mjs';
import { runMain } from './lib/say.mjs';
import { runTs } from './lib/server.mjs';

/** npm run evaluate [-- --tuning --by-nature --by-kind]: how well the outlooks foresee, on fleets whose truth is known. */
await runMain(async () => {
  await ensureNpmPackages();
  await runTs('scripts/evaluate/main.ts', { args: process.argv.slice(2) });
});
