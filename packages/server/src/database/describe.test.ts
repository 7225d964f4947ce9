import { readFileSync } from 'node:fs';
import { openSuite, type Suite } from '../testing/suite.ts';
import { describeTables } from './describe.ts';

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite();
});
afterAll(() => suite.close());

/** The page as it was before its columns were lined up. */
const bare = (page: string): string[] =>
  page
    .split('\n')
    .map((line) => (line.startsWith('|') ? line.replace(/ +/g, ' ').replace(/-{3,}/g, '---') : line).trim())
    .filter((line) => line !== '');

test('the page of tables says what the database has; npm run tables writes it anew', async () => {
  const page = readFileSync(new URL('../../../../docs/tables.md', import.meta.url), 'utf8');
  expect(bare(page)).toEqual(bare(await describeTables(suite.db)));
});
