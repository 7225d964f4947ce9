import { dayOf } from '@yarnix/core';
import { simulateFirm } from '@yarnix/simulator';
import autocannon from 'autocannon';
import { v7 } from 'uuid';
import { connect } from '../../packages/server/src/database/connection.ts';
import { createDatabase } from '../../packages/server/src/database/databases.ts';
import { loadFirm } from '../../packages/server/src/database/load-firm.ts';
import { migrate } from '../../packages/server/src/database/migrate.ts';
import { freePort } from '../lib/cluster.mjs';
import { startServer } from '../lib/server.mjs';
import { reportLoad, underLoad } from './load.ts';
import { report, timeAsync } from './measure.ts';
import { measureRefit } from './refit.ts';

/** A firm of 10 000 systems and about 2.5 million readings; Watch page, reading PUT, and the floors below them. */
const { DATABASE_URL = '', ADMIN_DATABASE_URL = '' } = process.env;
const SYSTEMS = Number(process.env.BENCH_SYSTEMS ?? 10_000);

async function fill(): Promise<void> {
  await createDatabase(ADMIN_DATABASE_URL, new URL(DATABASE_URL).pathname.slice(1));
  const db = connect(DATABASE_URL, 12, { patient: true });
  try {
    await migrate(db);
    const there: unknown = await db('firms').first('id');
    if (!there) {
      const began = Date.now();
      const firm = simulateFirm({ seed: 4870, systems: SYSTEMS, asOf: dayOf('2026-11-25'), years: [3.7, 4.5] });
      await loadFirm(db, firm, (n) => n % 1000 === 0 && console.error(`  ${n} systems loaded`), 100);
      await db.raw('vacuum analyze');
      console.error(`  filled in ${((Date.now() - began) / 1000).toFixed(0)} s`);
    }
    const rows = await db.first<Record<string, string>>(
      db.raw('(select count(*) from systems) as systems'),
      db.raw('(select count(*) from components where removed_on is null) as components'),
      db.raw('(select count(*) from readings) as readings'),
    );
    console.log(`\n${rows?.systems} systems, ${rows?.components} living parts, ${rows?.readings} readings\n`);
  } finally {
    await db.destroy();
  }
}

interface Target {
  systemId: string;
  componentId: string;
  visitId: string;
}

/** Systems with a dual capacitor, each with an open round to take readings in. */
async function targets(address: string, count: number): Promise<Target[]> {
  const db = connect(DATABASE_URL, 2);
  const parts = await db('components')
    .where({ slot: 'run-capacitor' })
    .whereNull('removed_on')
    .whereRaw("part_label like '%+%'")
    .orderByRaw('md5(id::text)')
    .limit(count)
    .select<{ id: string; system_id: string }[]>('id', 'system_id');
  await db.destroy();
  const made: Target[] = [];
  // One after the other: a client gets only its share of connections.
  for (const { id, system_id: systemId } of parts) {
    const visitId = v7();
    await put(address, `/api/visits/${visitId}`, { systemId, startedAt: new Date().toISOString() });
    made.push({ systemId, componentId: id, visitId });
  }
  return made;
}

async function put(address: string, path: string, body: object): Promise<void> {
  const response = await fetch(address + path, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
}

async function ask(url: string): Promise<void> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`${url}: ${response.status}`);
  await response.arrayBuffer();
}

const takeReading = (address: string, all: readonly Target[]) => (i: number) => {
  const target = all[Math.abs(i) % all.length];
  if (!target) throw new Error('no target');
  return put(address, `/api/readings/${v7()}`, {
    visitId: target.visitId,
    componentId: target.componentId,
    kind: 'run-capacitor-capacitance',
    point: 'fan',
    method: 'bench',
    inputs: { microfarads: 4.9 + (Math.abs(i) % 7) / 50 },
    confirmed: true,
    takenAt: new Date().toISOString(),
    conditions: { outdoorF: 55 },
  });
};

async function floors(): Promise<void> {
  const db = connect(DATABASE_URL, 2);
  const firm = await db('firms').first<{ id: string }>('id');
  const page = () =>
    db.raw(
      'select * from components where firm_id = ? and removed_on is null and lead is not null and severity >= 2 order by urgency desc limit 50',
      [firm?.id ?? ''],
    );
  report('floor: the Watch’s rows by one plain query', await timeAsync(page, 200), '');
  await db.destroy();
}

async function closedVisits(): Promise<string[]> {
  const db = connect(DATABASE_URL, 2);
  const ids = await db('visits').whereNotNull('closed_at').orderBy('id', 'desc').limit(20).pluck<string[]>('id');
  await db.destroy();
  return ids;
}

const [TECHNICIANS, CARDS] = [12, 400];
const MONDAY = '2026-11-23';

/** A week of twelve technicians with four hundred addresses, each with something noted by hand. */
async function planWeek(): Promise<void> {
  const db = connect(DATABASE_URL, 2);
  const firm = await db('firms').first<{ id: string }>('id');
  const planned = await db('job_decisions').count<{ count: string }[]>('* as count').first();
  if (firm && Number(planned?.count) < CARDS) {
    const people = Array.from({ length: TECHNICIANS }, (_, i) => ({
      ...{ id: v7(), firm_id: firm.id, position: 10 + i },
      ...{ name: `Technician ${i + 1}`, initials: `T${i + 1}` },
    }));
    await db('people').insert(people);
    const systems = await db('systems')
      .where({ firm_id: firm.id })
      .orderBy('id')
      .limit(CARDS)
      .select<{ id: string }[]>('id');
    const cards = systems.map(({ id }, i) => ({
      systemId: id,
      jobId: v7(),
      person: people[i % TECHNICIANS]!.id,
      day: i % 5,
    }));
    const at = new Date();
    const own = (system_id: string) => ({ firm_id: firm.id, system_id });
    await db('jobs_by_hand').insert(
      cards.map((c) => ({
        ...own(c.systemId),
        id: c.jobId,
        person_id: c.person,
        task: 'Clean',
        by_when: MONDAY,
        minutes: 45,
        made_at: at,
      })),
    );
    await db('job_decisions').insert(
      cards.map((c) => ({
        ...own(c.systemId),
        ...{ key: `hand:${c.jobId}`, decision: 'accepted', note: '', person_id: c.person, severity: 0, version: 1 },
        ...{ day: `2026-11-${23 + c.day}`, decided_by: c.person, decided_at: at },
      })),
    );
  }
  await db.destroy();
}

await fill();
await planWeek();
const port = await freePort();
const server = await startServer({
  databaseUrl: DATABASE_URL,
  port,
  env: { LOG_LEVEL: 'silent', WEB_DIST: '', AUTO_REFIT: 'off' },
});
try {
  console.log('| server | median | p95 | worst | limit |\n| --- | --- | --- | --- | --- |');
  const { address } = server;
  report('Watch, first page', await timeAsync(() => ask(`${address}/api/watch`), 300), 'p95 under 100 ms');
  report('Watch, one area', await timeAsync(() => ask(`${address}/api/watch?area=Quayside`), 100), '');
  report('systems, first page', await timeAsync(() => ask(`${address}/api/systems?limit=50`), 100), '');
  const closed = await closedVisits();
  report(
    'report of a visit as PDF',
    await timeAsync((i) => ask(`${address}/api/visits/${closed[Math.abs(i) % closed.length]}/report.pdf`), 20),
    'under 1.5 s',
  );
  report(
    'a week, 12 technicians, 400 addresses',
    await timeAsync(() => ask(`${address}/api/week?from=${MONDAY}`), 60),
    'p95 under 100 ms',
  );
  report('jobs to decide', await timeAsync(() => ask(`${address}/api/jobs?decision=proposed`), 30), '');
  report('rounds that are due', await timeAsync(() => ask(`${address}/api/jobs?source=round`), 30), '');
  const all = await targets(address, 220);
  report(
    'one system whole',
    await timeAsync((i) => ask(`${address}/api/systems/${all[Math.abs(i) % all.length]?.systemId}`), 200),
    '',
  );
  report('reading PUT', await timeAsync(takeReading(address, all), 200), 'p95 under 50 ms');
  await floors();
  report('floor: a bare HTTP reply', await timeAsync(() => ask(`${address}/healthz`), 200), '');
  const load = await autocannon({ url: `${address}/api/watch`, connections: 4, duration: 8 });
  console.log(
    `\nWatch with 4 callers at once for 8 s: ${load.requests.average.toFixed(0)} requests a second, median ${load.latency.p50} ms, p97.5 ${load.latency.p97_5} ms, ${load.non2xx} refused`,
  );
  console.log('\n| 50 callers at once, 8 s | a second | median | p97.5 | refused |\n| --- | --- | --- | --- | --- |');
  reportLoad('floor: a bare HTTP reply', await underLoad(50, 8, () => ask(`${address}/healthz`)));
  reportLoad('Watch, first page', await underLoad(50, 8, () => ask(`${address}/api/watch`)));
  const fifty = all.slice(0, 50);
  reportLoad('reading PUT, to 50 systems', await underLoad(50, 8, takeReading(address, fifty)));
  reportLoad('reading PUT, to one system', await underLoad(50, 8, takeReading(address, all.slice(60, 61))));
  if (process.env.BENCH_REFIT !== 'off') await measureRefit(address, DATABASE_URL);
} finally {
  await server.stop();
}
