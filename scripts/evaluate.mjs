import { ensureNpmPackages } from './lib/packages.mjs';
import { runMain } from './lib/say.mjs';
import { runTs } from './lib/server.mjs';

/**
 * npm run evaluate [-- --tuning --by-nature --by-kind]: how well the outlooks foresee, on fleets whose truth is known;
 * npm run evaluate -- meters [named] [--tuning]: the same where meters are off.
 */
await runMain(async () => {
  await ensureNpmPackages();
  const args = process.argv.slice(2);
  await runTs(`scripts/evaluate/${args[0] === 'meters' ? 'meters' : 'main'}.ts`, { args });
});
