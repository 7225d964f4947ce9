import type { ReadingView } from '@yarnix/core';
import request from 'supertest';
import { v7 } from 'uuid';
import {
  benchReading,
  makeSystem,
  openSuite,
  startVisit,
  systemBody,
  type MadeSystem,
  type Suite,
} from '../../testing/suite.ts';

let suite: Suite;
let system: MadeSystem;
let visitId: string;
let componentId: string;
beforeAll(async () => {
  suite = await openSuite();
});
afterAll(() => suite.close());
beforeEach(async () => {
  system = await makeSystem(suite.app);
  visitId = await startVisit(suite.app, system.id);
  componentId = system.part('run-capacitor');
});

const send = (id: string, body: object) => request(suite.app).put(`/api/readings/${id}`).send(body);
const kept = async () =>
  Number((await suite.db('readings').where({ system_id: system.id }).count('* as n').first())?.n);
const reading = (over: object = {}) => benchReading({ visitId, componentId, ...over });

test('a reading is kept with its value worked out from what was entered', async () => {
  const load = reading({ method: 'under-load', inputs: { amps: 5.36, volts: 370 } });
  const { body } = (await send(v7(), load).expect(200)) as { body: ReadingView };
  expect(body.value).toBeCloseTo(38.43, 2);
  expect(body).toMatchObject({
    inputs: load.inputs,
    conditions: { outdoorF: 55 },
    personInitials: 'TP',
    superseded: false,
  });
});

test('the same PUT twice is one reading; in parallel too', async () => {
  const id = v7();
  await send(id, reading()).expect(200);
  await send(id, reading()).expect(200);
  await Promise.all([1, 2, 3, 4].map(() => send(id, reading()).expect(200)));
  const other = v7();
  const replies = await Promise.all(
    [1, 2, 3, 4].map(() => send(other, reading({ point: 'fan', inputs: { microfarads: 5 } }))),
  );
  expect(replies.map((r) => r.status)).toEqual([200, 200, 200, 200]);
  expect(await kept()).toBe(2);
});

test('the same id with another value is refused, and the first stays', async () => {
  const id = v7();
  await send(id, reading()).expect(200);
  const { body } = await send(id, reading({ inputs: { microfarads: 20 } })).expect(409);
  expect(body).toMatchObject({ code: 'id-taken' });
  expect((await suite.db('readings').where({ id }).first()).value).toBe(39.6);
});

describe('corrections', () => {
  test('supersede: the old row stays untouched, the standing follows the new one', async () => {
    const [wrong, right] = [v7(), v7()];
    await send(wrong, reading({ inputs: { microfarads: 3.96 }, confirmed: true })).expect(200);
    expect((await suite.db('components').where({ id: componentId }).first()).standing).toBe('act');
    await send(right, reading({ supersedes: wrong })).expect(200);
    expect((await suite.db('components').where({ id: componentId }).first()).standing).toBe('sound');
    expect((await suite.db('readings').where({ id: wrong }).first()).value).toBe(3.96);
    const { body } = await request(suite.app).get(`/api/systems/${system.id}`).expect(200);
    expect(body.readings.find((r: ReadingView) => r.id === wrong).superseded).toBe(true);
  });

  test('only once, only of the same place, only of what is there', async () => {
    const first = v7();
    await send(first, reading()).expect(200);
    await send(v7(), reading({ supersedes: v7() })).expect(422);
    await send(v7(), reading({ supersedes: first, point: 'fan', inputs: { microfarads: 5 } })).expect(422);
    await send(v7(), reading({ supersedes: first, inputs: { microfarads: 39.5 } })).expect(200);
    const { body } = await send(v7(), reading({ supersedes: first, inputs: { microfarads: 39.4 } })).expect(409);
    expect(body.code).toBe('already-superseded');
    expect(await kept()).toBe(2);
  });

  test('a closed round takes corrections, and nothing new', async () => {
    const first = v7();
    await send(first, reading()).expect(200);
    await request(suite.app)
      .put(`/api/visits/${visitId}/closing`)
      .send({ closedAt: '2026-10-10T15:00:00Z' })
      .expect(200);
    expect((await send(v7(), reading({ point: 'fan', inputs: { microfarads: 5 } })).expect(409)).body.code).toBe(
      'visit-closed',
    );
    await send(v7(), reading({ supersedes: first, inputs: { microfarads: 39.4 } })).expect(200);
  });
});

describe('bad input gets problem+json with a path and a sentence, and saves nothing', () => {
  test.each<[string, object, number, string, string]>([
    ['an implausible value', { inputs: { microfarads: 400 } }, 422, 'needs-confirmation', 'inputs'],
    ['a word', { inputs: { microfarads: 'forty' } }, 422, 'entry-refused', 'inputs.microfarads'],
    ['a negative', { inputs: { microfarads: -3 } }, 422, 'entry-refused', 'inputs.microfarads'],
    ['10^9', { inputs: { microfarads: 1e9 } }, 422, 'entry-refused', 'inputs.microfarads'],
    ['nothing', { inputs: {} }, 422, 'entry-refused', 'inputs.microfarads'],
    ['empty text', { inputs: { microfarads: '' } }, 422, 'entry-refused', 'inputs.microfarads'],
    ['null', { inputs: { microfarads: null } }, 422, 'invalid-request', 'inputs.microfarads'],
    ['a stranger field', { inputs: { microfarads: 40, mood: 1 } }, 422, 'entry-refused', 'inputs.mood'],
    ['an unknown kind', { kind: 'mood' }, 422, 'unknown-reading', 'kind'],
    ['an unknown method', { method: 'guess' }, 422, 'unknown-reading', 'kind'],
    ['a lug that is not there', { point: 'single' }, 422, 'unknown-reading', 'kind'],
    ['a point that does not exist', { point: 'elbow' }, 422, 'invalid-request', 'point'],
    ['a time in the future', { takenAt: '2027-10-10T14:20:00.000Z' }, 422, 'clock-off', 'takenAt'],
    ['a time that is none', { takenAt: 'yesterday' }, 422, 'invalid-request', 'takenAt'],
    ['weather beyond the world', { conditions: { outdoorF: 400 } }, 422, 'invalid-request', 'conditions.outdoorF'],
  ])('%s', async (_name, over, status, code, path) => {
    const reply = await send(v7(), { ...reading(), ...over }).expect(status);
    expect(reply.headers['content-type']).toContain('application/problem+json');
    expect(reply.body).toMatchObject({ code, status, errors: [expect.objectContaining({ path })] });
    expect(reply.body.detail.length).toBeGreaterThan(10);
    expect(await kept()).toBe(0);
  });

  test('NaN and broken JSON', async () => {
    for (const text of ['{"inputs":{"microfarads":NaN}}', '{', '']) {
      const reply = await request(suite.app)
        .put(`/api/readings/${v7()}`)
        .set('content-type', 'application/json')
        .send(text);
      expect([400, 422]).toContain(reply.status);
      expect(reply.headers['content-type']).toContain('application/problem+json');
    }
  });

  test('a body too large', async () => {
    const reply = await send(v7(), { ...reading(), note: 'x'.repeat(300_000) });
    expect(reply).toMatchObject({ status: 413, body: { code: 'too-large' } });
  });

  test('0.45 A on a compressor is asked about, and kept when confirmed', async () => {
    const amps = reading({
      componentId: system.part('compressor'),
      kind: 'compressor-amps',
      point: 'common',
      method: 'clamp',
      inputs: { amps: 0.45 },
    });
    const asked = await send(v7(), amps).expect(422);
    expect(asked.body.detail).toContain('Did you mean 4.5');
    await send(v7(), { ...amps, confirmed: true }).expect(200);
    expect(await kept()).toBe(1);
  });
});

test('a part of another system, or of nobody, is refused', async () => {
  const other = await makeSystem(suite.app, { ...systemBody(), address: '9 Elsewhere' });
  await send(v7(), reading({ componentId: other.part('run-capacitor') })).expect(422);
  await send(v7(), reading({ componentId: v7() })).expect(404);
  await send(v7(), reading({ visitId: v7() })).expect(404);
  expect(await kept()).toBe(0);
});

test('a failure in the middle leaves neither reading nor standing', async () => {
  await suite.db.raw(
    "create function fail() returns trigger language plpgsql as $$ begin raise exception 'broken'; end $$",
  );
  await suite.db.raw('create trigger broken before update on components for each row execute function fail()');
  try {
    const reply = await send(v7(), reading()).expect(500);
    expect(reply.body).toMatchObject({ code: 'unexpected' });
    expect(JSON.stringify(reply.body)).not.toContain('broken');
    expect(await kept()).toBe(0);
  } finally {
    await suite.db.raw('drop trigger broken on components');
    await suite.db.raw('drop function fail');
  }
});

test('a verdict is overruled with a reason: the part and the Watch follow, until the next reading or until it is taken back', async () => {
  const id = v7();
  await send(id, reading({ inputs: { microfarads: 30 }, confirmed: true })).expect(200);
  const standing = async () =>
    (
      (await request(suite.app).get(`/api/systems/${system.id}`)).body as {
        components: { id: string; standing: string }[];
      }
    ).components.find((c) => c.id === componentId)?.standing;
  expect(await standing()).toBe('act');
  const rule = (body: object) => request(suite.app).put(`/api/readings/${id}/ruling`).send(body);
  const { body } = await rule({ standing: 'watch', why: 'the meter’s own leads were open' }).expect(200);
  expect((body as ReadingView).ruling).toEqual({ standing: 'watch', why: 'the meter’s own leads were open', by: 'TP' });
  expect(await standing()).toBe('watch');
  await rule({ standing: 'watch', why: 'the meter’s own leads were open', withdrawn: true }).expect(200);
  expect(await standing()).toBe('act');
  await rule({ standing: 'sound', why: 'read again by another meter' }).expect(200);
  expect(await standing()).toBe('sound');
  await send(
    v7(),
    reading({ inputs: { microfarads: 30 }, confirmed: true, takenAt: '2026-10-10T14:40:00.000Z' }),
  ).expect(200);
  expect(await standing()).toBe('act');
});

test('a ruling without a reason, of no verdict, or on no reading is refused', async () => {
  const id = v7();
  await send(id, reading()).expect(200);
  const rule = (of: string, body: object) => request(suite.app).put(`/api/readings/${of}/ruling`).send(body);
  await rule(id, { standing: 'sound', why: '  ' }).expect(422);
  await rule(id, { standing: 'perfect', why: 'so' }).expect(422);
  await rule(v7(), { standing: 'sound', why: 'so' }).expect(404);
});
