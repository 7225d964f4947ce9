import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { workerPool } from './worker-pool.ts';

const ASK = { task: 'learn', firmId: '', ids: [], policy: {} as never, share: 0, shares: 1 } as const;
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'workers-'));
});
afterAll(() => rm(folder, { recursive: true }));

/** A pool of one worker that runs this text; `trace` is a file it may write to. */
async function poolOf(name: string, text: string) {
  const entry = join(folder, `${name}.mjs`);
  const trace = join(folder, `${name}.txt`);
  await writeFile(
    entry,
    `import { appendFileSync, existsSync, readFileSync } from 'node:fs';\nconst trace = ${JSON.stringify(trace)};\n${text}`,
  );
  return workerPool('postgres://none', 1, { entry, pauseMs: 20 });
}
const TRIES = `appendFileSync(trace, 'x'); const tries = readFileSync(trace, 'utf8').length;`;

test('what fails for a moment is done again, whether the ask fails, its worker dies, or none can start', async () => {
  const fails = await poolOf(
    'fails',
    `export default () => { ${TRIES} if (tries < 3) throw new Error('no connection'); return tries; };`,
  );
  expect(await fails.run(ASK)).toBe(3);
  await fails.close();
  const dies = await poolOf('dies', `export default () => { ${TRIES} if (tries < 3) process.exit(1); return tries; };`);
  expect(await dies.run(ASK)).toBe(3);
  await dies.close();
  const starts = await poolOf(
    'starts',
    `${TRIES} if (tries < 3) throw new Error('cannot start'); export default () => tries;`,
  );
  expect(await starts.run(ASK)).toBe(3);
  await starts.close();
});

test('what fails every time is told, and a pool that is closed tries no more', async () => {
  const never = await poolOf('never', `export default () => { throw new Error('the disk is full'); };`);
  await expect(never.run(ASK)).rejects.toThrow('the disk is full');
  await never.close();
  const broken = await poolOf('broken', `throw new Error('no such module');`);
  await expect(broken.run(ASK)).rejects.toThrow('no such module');
  await broken.close();
});
