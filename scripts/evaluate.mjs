import { ensureNpmPackages } from './lib/packages.mjs';
import { runMain } from './lib/say.mjs';
import { runTs } from './lib/server.mjs';

/**
 * npm run evaluate [-- --tuning --by-nature --by-kind]: how well the outlooks foresee, on fleets whose truth is known;
 * npm run evaluate -- meters [named] [--tuning]: the same where meters are off;
 * npm run evaluate -- find [--tuning] [--only=kind] [--list]: what is proved of hidden faults, and what it takes;
 * npm run evaluate -- states: what is made of one reading in every state and with every fault;
 * npm run evaluate -- rounds [--tuning]: failures before their visit, by whose round comes first.
 */
const ROOMS = { meters: 'meters', find: 'find/main', rounds: 'rounds', states: 'states' };

await runMain(async () => {
  await ensureNpmPackages();
  const args = process.argv.slice(2);
  await runTs(`scripts/evaluate/${ROOMS[args[0]] ?? 'main'}.ts`, { args });
});
