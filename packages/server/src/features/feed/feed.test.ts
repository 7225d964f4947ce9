import type { Feed } from '@yarnix/core';
import { setTimeout as sleep } from 'node:timers/promises';
import request from 'supertest';
import { v7 } from 'uuid';
import { connect } from '../../database/connection.ts';
import { benchReading, makeSystem, openSuite, startVisit, type MadeSystem, type Suite } from '../../testing/suite.ts';

let suite: Suite;
let system: MadeSystem;
let visit: string;
beforeAll(async () => {
  suite = await openSuite();
  system = await makeSystem(suite.app);
  visit = await startVisit(suite.app, system.id);
});
afterAll(() => suite.close());

const ask = async (after: string | null = null, limit = 200, app = suite.app): Promise<Feed> =>
  (
    await request(app)
      .get(`/api/feed?limit=${limit}${after === null ? '' : `&after=${after}`}`)
      .expect(200)
  ).body as Feed;
/**
 * Waits until all that is written can be told. The server knows of transactions in every database it has: while another suite's
 * is open that began before, what was written since waits.
 */
async function settled(): Promise<void> {
  for (;;) {
    const { rows } = await suite.db.raw<{ rows: { waiting: boolean }[] }>(
      'select exists (select 1 from feed where xact >= pg_snapshot_xmin(pg_current_snapshot())) as waiting',
    );
    if (!rows[0]!.waiting) return;
    await sleep(20);
  }
}
/** Reads on to the end, by pages. */
async function rest(after: string | null, limit = 3) {
  const events: Feed['events'] = [];
  let at = after;
  for (;;) {
    const { events: some, next } = await ask(at, limit);
    events.push(...some);
    at = next;
    if (some.length < limit) return { events, at };
  }
}
const read = (microfarads: number, id = v7()) =>
  request(suite.app)
    .put(`/api/readings/${id}`)
    .send(benchReading({ visitId: visit, componentId: system.part('run-capacitor'), inputs: { microfarads } }));

test('what happened is told in order, once, and from where somebody was', async () => {
  await settled();
  const first = await rest(null);
  expect(first.events.map((e) => e.kind)).toEqual([
    'system-entered',
    ...system.body.components.map(() => 'part-fitted'),
    'visit-started',
  ]);
  expect(first.events[0]).toMatchObject({ systemId: system.id, id: system.id });
  const id = v7();
  await read(31, id).expect(200);
  await read(31, id).expect(200);
  await request(suite.app)
    .put(`/api/readings/${id}/ruling`)
    .send({ standing: 'sound', why: 'the lug was loose' })
    .expect(200);
  await request(suite.app)
    .put(`/api/visits/${visit}/closing`)
    .send({ closedAt: '2026-10-10T15:00:00.000Z' })
    .expect(200);
  await settled();
  const second = await rest(first.at);
  // The same PUT twice is one reading.
  expect(second.events.filter((e) => e.kind !== 'part-stands-otherwise').map((e) => [e.kind, e.id])).toEqual([
    ['reading-taken', id],
    ['reading-overruled', id],
    ['visit-closed', visit],
  ]);
  expect(second.events.some((e) => e.kind === 'part-stands-otherwise' && e.id === system.part('run-capacitor'))).toBe(
    true,
  );
  expect((await ask(second.at)).events).toEqual([]);
  expect((await ask(second.at)).next).toBe(second.at);
});

test('a transaction that began first and ends last is not passed over', async () => {
  await settled();
  const { at } = await rest(null);
  const own = { firm_id: suite.firmId, customer_id: (await suite.db('systems').first('customer_id')).customer_id };
  const row = (id: string) => ({
    ...own,
    id,
    address: 'x',
    kind: 'split-heat-pump',
    plate: '{}',
    digest: id,
    created_by: null,
  });
  const person = (await suite.db('people').where({ firm_id: suite.firmId }).first('id')).id as string;
  const [slow, fast] = [v7(), v7()];
  // On a connection of its own, as another request's: this suite may have but one.
  const other = connect(suite.url, 1);
  const trx = await other.transaction();
  await trx('systems').insert({ ...row(slow), created_by: person });
  await suite.db('systems').insert({ ...row(fast), created_by: person });
  // The fast one is there, but the slow one may still come before it: neither is told yet.
  expect((await ask(at)).events).toEqual([]);
  await trx.commit();
  await other.destroy();
  await settled();
  expect((await ask(at)).events.map((e) => e.id)).toEqual([slow, fast]);
});

test('while many write at once, a reader by pages gets everything, and nothing twice', async () => {
  const other = await makeSystem(suite.app, {
    ...system.body,
    customerId: v7(),
    components: system.body.components.map((c) => ({ ...c, id: v7() })),
  });
  const into = await startVisit(suite.app, other.id);
  await settled();
  let { at } = await rest(null, 100);
  const seen: string[] = [];
  const ids = Array.from({ length: 60 }, () => v7());
  let writing = true;
  const writers = Promise.all(
    [0, 1, 2, 3].map(async (n) => {
      for (const id of ids.filter((_, i) => i % 4 === n))
        await request(suite.app)
          .put(`/api/readings/${id}`)
          .send(
            benchReading({
              visitId: into,
              componentId: other.part('run-capacitor'),
              inputs: { microfarads: 40 + n / 10 },
            }),
          )
          .expect(200);
    }),
  ).finally(() => (writing = false));
  for (let over = false; !over;) {
    over = !writing;
    if (over) await settled();
    const page = await ask(at, 7);
    seen.push(...page.events.filter((e) => e.kind === 'reading-taken').map((e) => e.id));
    at = page.next;
    over &&= page.events.length < 7;
  }
  await writers;
  expect(seen).toHaveLength(60);
  expect(new Set(seen)).toEqual(new Set(ids));
});

test('is each firm’s own, and a place that is none is told', async () => {
  const elsewhere = suite.appFor(await suite.addFirm('Second firm'));
  expect(await ask(null, 200, elsewhere)).toEqual({ events: [], next: null });
  for (const after of ['x', '1', '-', '1-2-3', `${'9'.repeat(19)}-1`, `1-${'9'.repeat(19)}`, '-1-1'])
    await request(suite.app).get(`/api/feed?after=${after}`).expect(422);
});
