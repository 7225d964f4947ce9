import type { Express } from 'express';
import request from 'supertest';
import { v7 } from 'uuid';
import { benchReading, makeSystem, openSuite, startVisit, type MadeSystem, type Suite } from '../testing/suite.ts';

// What was read before one's turn came is stale by then: each pair here is sent at once, many times over.

let suite: Suite;
let app: Express;
beforeAll(async () => {
  suite = await openSuite();
  ({ app } = suite);
});
afterAll(() => suite.close());

const scene = async (): Promise<{ system: MadeSystem; visitId: string }> => {
  const system = await makeSystem(app);
  return { system, visitId: await startVisit(app, system.id) };
};
const fitted = (system: MadeSystem, visitId: string, fittedOn = '2026-10-10') => ({
  replaces: system.part('run-capacitor'),
  fittedOn,
  plate: { rating: '40+5 µF 440 V' },
  reason: 'weak',
  visitId,
});
const fit = (body: object) => request(app).put(`/api/components/${v7()}`).send(body);
const statuses = (replies: readonly { status: number }[]) => replies.map((r) => r.status).sort((a, b) => a - b);

test('of four replacements of one part at once, one is kept and the others hear that it is out', async () => {
  for (let round = 0; round < 5; round += 1) {
    const { system, visitId } = await scene();
    const replies = await Promise.all([1, 2, 3, 4].map(() => fit(fitted(system, visitId))));
    expect(statuses(replies)).toEqual([200, 409, 409, 409]);
    expect(replies.filter((r) => r.status === 409).map((r) => r.body.code)).toEqual(Array(3).fill('part-removed'));
    const parts = (await request(app).get(`/api/systems/${system.id}`)).body.components as {
      slot: string;
      removedOn: string | null;
    }[];
    expect(parts.filter((p) => p.slot === 'run-capacitor' && p.removedOn === null)).toHaveLength(1);
  }
});

test('no reading is kept on a part after it came out, however close they come', async () => {
  let kept = 0;
  for (let round = 0; round < 20; round += 1) {
    const { system, visitId } = await scene();
    const reading = benchReading({ visitId, componentId: system.part('run-capacitor') });
    // The part came out the day before the reading: whichever is first decides which of the two holds.
    const [replaced, read] = await Promise.all([
      fit(fitted(system, visitId, '2026-10-09')),
      request(app).put(`/api/readings/${v7()}`).send(reading),
    ]);
    expect([replaced.status, read.status].filter((s) => s === 200)).toHaveLength(1);
    expect([replaced.status, read.status].filter((s) => s >= 500)).toEqual([]);
    if (read.status === 200) kept += 1;
    else expect(read.body.code).toBe('part-removed');
  }
  expect(kept).toBeLessThan(20);
});

test('a round closes before a loose end opens or not at all, never over it', async () => {
  for (let round = 0; round < 20; round += 1) {
    const { system, visitId } = await scene();
    const end = {
      visitId,
      code: 'fan-lead-pulled',
      text: '',
      openedAt: '2026-10-10T14:30:00.000Z',
      putBackAt: null,
      leftBecause: null,
    };
    const [opened, closed] = await Promise.all([
      request(app).put(`/api/loose-ends/${v7()}`).send(end),
      request(app).put(`/api/visits/${visitId}/closing`).send({ closedAt: '2026-10-10T15:00:00.000Z' }),
    ]);
    expect(statuses([opened, closed])).toEqual([200, 409]);
    expect((await request(app).get(`/api/systems/${system.id}`)).body.visits[0].closedAt === null).toBe(
      opened.status === 200,
    );
  }
});

test('a reading and the close of its round: both, or the reading hears that it is closed', async () => {
  for (let round = 0; round < 10; round += 1) {
    const { system, visitId } = await scene();
    const reading = benchReading({ visitId, componentId: system.part('run-capacitor') });
    const [read, closed] = await Promise.all([
      request(app).put(`/api/readings/${v7()}`).send(reading),
      request(app).put(`/api/visits/${visitId}/closing`).send({ closedAt: '2026-10-10T15:00:00.000Z' }),
    ]);
    expect(closed.status).toBe(200);
    expect([200, 409]).toContain(read.status);
  }
});

test('a visit that is being closed stands in one of the two lists, never in both or in none', async () => {
  let asked = 0;
  for (let round = 0; round < 20; round += 1) {
    const { visitId } = await scene();
    let isClosed = false;
    const closing = request(app)
      .put(`/api/visits/${visitId}/closing`)
      .send({ closedAt: `2026-10-10T15:${String(round).padStart(2, '0')}:00.000Z` })
      .expect(200)
      .then(() => (isClosed = true));
    const askUntilClosed = async () => {
      for (; !isClosed; asked += 1) {
        const { body } = await request(app).get('/api/visits').expect(200);
        const there = [...body.open, ...body.closed].filter((v: { id: string }) => v.id === visitId);
        expect(there).toHaveLength(1);
      }
    };
    await Promise.all([closing, ...Array.from({ length: 6 }, askUntilClosed)]);
  }
  expect(asked).toBeGreaterThan(20);
});

test('the same PUT fifty times at once is one reading', async () => {
  const { system, visitId } = await scene();
  const id = v7();
  const body = benchReading({ visitId, componentId: system.part('run-capacitor') });
  const replies = await Promise.all(
    Array.from({ length: 50 }, () => request(app).put(`/api/readings/${id}`).send(body)),
  );
  expect(new Set(statuses(replies))).toEqual(new Set([200]));
  expect((await request(app).get(`/api/systems/${system.id}`)).body.readings).toHaveLength(1);
});

test('a transaction asks its one connection one question at a time', async () => {
  const warned: string[] = [];
  const onWarning = (warning: Error) => void warned.push(warning.message);
  process.on('warning', onWarning);
  const { system, visitId } = await scene();
  await request(app)
    .put(`/api/readings/${v7()}`)
    .send(benchReading({ visitId, componentId: system.part('run-capacitor') }))
    .expect(200);
  await fit(fitted(system, visitId)).expect(200);
  await request(app).put(`/api/events/${v7()}`).send({ visitId, kind: 'filter-changed', on: '2026-10-10' }).expect(200);
  await new Promise((resolve) => setTimeout(resolve, 20));
  process.off('warning', onWarning);
  expect(warned.filter((w) => w.includes('client.query'))).toEqual([]);
});

test('as many decisions at once as there are connections, and twice as many, are all kept, and bystanders wait for none', async () => {
  const { id: personId } = (await request(app).get('/api/session')).body.person;
  const many = await Promise.all(Array.from({ length: 12 }, () => makeSystem(app)));
  const keys = await Promise.all(
    many.map(async ({ id }) => {
      const byHand = v7();
      const job = { text: 'Look at the drain', byWhen: '2026-10-20', minutes: 20 };
      await request(app).put(`/api/systems/${id}/jobs/${byHand}`).send(job).expect(200);
      return `hand:${byHand}`;
    }),
  );
  const decision = { decision: 'accepted', note: '', day: '2026-10-12', personId, version: 0 };
  const deciding = keys.map((key) => request(app).put(`/api/jobs/${key}`).send(decision));
  const [bystander, ...decided] = await Promise.all([request(app).get('/api/session'), ...deciding]);
  expect(bystander.status).toBe(200);
  expect(statuses(decided)).toEqual(Array(12).fill(200));
});
