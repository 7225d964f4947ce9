import { dayOf, isoOf, type ImportDetail } from '@yarnix/core';
import { simulateFirm } from '@yarnix/simulator';
import { performance } from 'node:perf_hooks';
import { setTimeout as sleep } from 'node:timers/promises';
import { v7 } from 'uuid';
import { connect } from '../../packages/server/src/database/connection.ts';
import { createDatabase } from '../../packages/server/src/database/databases.ts';
import { loadFirm } from '../../packages/server/src/database/load-firm.ts';
import { migrate } from '../../packages/server/src/database/migrate.ts';
import { freePort } from '../lib/cluster.mjs';
import { startServer } from '../lib/server.mjs';
import { report } from './measure.ts';

/** A past of 200 000 rows comes into a firm of 2500 systems, is seen coming, and is taken back. */
const { DATABASE_URL = '', ADMIN_DATABASE_URL = '' } = process.env;
const SYSTEMS = Number(process.env.BENCH_SYSTEMS ?? 2500);
const TODAY = dayOf('2026-11-25');

const NAME = new URL(DATABASE_URL).pathname.slice(1);

async function fill(): Promise<string[]> {
  await createDatabase(ADMIN_DATABASE_URL, NAME);
  const db = connect(DATABASE_URL, 8, { patient: true });
  try {
    await migrate(db);
    const there: unknown = await db('firms').first('id');
    if (!there) {
      const firm = simulateFirm({ seed: 4871, systems: SYSTEMS, asOf: TODAY, years: [1, 1.2] });
      await loadFirm(db, firm, (n) => n % 500 === 0 && console.error(`  ${n} systems loaded`), 100);
      // Its parts were in for as long as the book goes back.
      await db('components').whereNull('replaces').update({ fitted_on: null });
      await db.raw(`update systems set plate = plate - 'year'`);
      await db.raw('vacuum analyze');
    }
    return await db('systems').orderBy('id').pluck<string[]>('id');
  } finally {
    await db.destroy();
  }
}

/** What is read at each visit, and about what it reads. */
const READINGS: readonly (readonly [string, number])[] = [
  ['Line volts', 240],
  ['Control volts', 26],
  ['Cap HERM (uF)', 40],
  ['Cap fan (uF)', 5],
  ['Compressor amps', 9],
  ['Outdoor fan amps', 1],
  ['Blower amps', 3],
  ['Contactor drop', 0.1],
  ['Return air', 72],
  ['C to S ohms', 2],
];
const VISITS = 8;

/** A sheet with one reading a row: eight visits to each system, half a year apart, ten readings each. */
function sheet(systems: readonly string[]): string {
  const lines = ['Date,System id,OD temp,Reading,Value'];
  for (let visit = VISITS; visit > 0; visit -= 1) {
    systems.forEach((id, at) => {
      const day = isoOf(TODAY - 500 - 182 * visit + (at % 90));
      for (const [what, value] of READINGS)
        lines.push(`${day},${id},${50 + (at % 40)},${what},${(value * (1 + (at % 11) / 100)).toFixed(2)}`);
    });
  }
  return lines.join('\n');
}

async function run(address: string, csv: string): Promise<void> {
  const id = v7();
  const json = async <T>(path: string, method = 'GET', body?: unknown): Promise<T> => {
    const init = {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    };
    const response = await fetch(`${address}${path}`, init);
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
    return (await response.json()) as T;
  };
  const watch: number[] = [];
  const until = async (state: ImportDetail['state']): Promise<number> => {
    const began = performance.now();
    for (;;) {
      await sleep(250);
      const asked = performance.now();
      await fetch(`${address}/api/watch`).then((r) => r.arrayBuffer());
      watch.push(performance.now() - asked);
      const { imports } = await json<{ imports: ImportDetail[] }>('/api/imports');
      const found = imports.find((i) => i.id === id);
      if (found?.state === 'failed') throw new Error(found.error ?? 'it failed');
      if (found?.state === state) return (performance.now() - began) / 1000;
    }
  };
  const began = performance.now();
  const put = await fetch(`${address}/api/imports/${id}?name=bench.csv&zone=America/Chicago`, {
    method: 'PUT',
    headers: { 'content-type': 'text/csv' },
    body: csv,
  });
  const { mapping } = (await put.json()) as ImportDetail;
  const brought = (performance.now() - began) / 1000;
  await json(`/api/imports/${id}/mapping`, 'PUT', { mapping });
  const checked = await until('checked');
  const { outcomes } = await json<ImportDetail>(`/api/imports/${id}`);
  await json(`/api/imports/${id}/wish`, 'PUT', { wish: 'import' });
  const imported = await until('imported');
  const { readings } = await json<ImportDetail>(`/api/imports/${id}`);
  await json(`/api/imports/${id}/wish`, 'PUT', { wish: 'undo' });
  const undone = await until('undone');
  const rows = csv.split('\n').length - 1;
  const say = (s: number) => `${s.toFixed(1)} s`;
  console.log(
    `\n${rows} rows (${(csv.length / 1e6).toFixed(1)} MB), ${SYSTEMS} systems: ${JSON.stringify(outcomes)}, ${readings} readings\n`,
  );
  console.log(
    `Brought ${say(brought)}, checked ${say(checked)}, in and judged ${say(imported)}, taken back ${say(undone)}; to the end of coming in ${say(brought + checked + imported)} (limit 60 s)\n`,
  );
  console.log('| server | median | p95 | worst | limit |\n| --- | --- | --- | --- | --- |');
  report('Watch meanwhile', watch, 'p95 under 100 ms');
}

const systems = await fill();
const port = await freePort();
const server = await startServer({
  databaseUrl: DATABASE_URL,
  port,
  stdio: 'inherit',
  env: { LOG_LEVEL: 'error', AUTO_REFIT: 'off' },
});
try {
  await run(`http://127.0.0.1:${port}`, sheet(systems));
} finally {
  await server.stop();
}
