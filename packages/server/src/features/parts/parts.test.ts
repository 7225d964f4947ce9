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
let old: string;
beforeAll(async () => {
  suite = await openSuite();
});
afterAll(() => suite.close());
beforeEach(async () => {
  system = await makeSystem(suite.app, { ...systemBody(), installedOn: '2021-05-03' });
  old = system.part('run-capacitor');
});

const fit = (id: string, over: object = {}) =>
  request(suite.app)
    .put(`/api/components/${id}`)
    .send({ replaces: old, fittedOn: '2026-10-10', plate: { rating: '40+5 µF 440 V' }, reason: 'HERM weak', ...over });

const judgeBy = (id: string, school: string, setting: unknown) =>
  request(suite.app).put(`/api/components/${id}/school`).send({ school, setting });

test('the old life ends, a new one begins in the same place, unproven', async () => {
  const id = v7();
  const { body } = await fit(id).expect(200);
  expect(body).toMatchObject({
    id,
    slot: 'run-capacitor',
    fittedOn: '2026-10-10',
    replaces: old,
    standing: 'unproven',
  });
  const detail = (await request(suite.app).get(`/api/systems/${system.id}`)).body;
  expect(detail.components.find((c: { id: string }) => c.id === old)).toMatchObject({
    removedOn: '2026-10-10',
    removedReason: 'HERM weak',
  });
});

test('the same again is the same part; a second successor is refused', async () => {
  const id = v7();
  await fit(id).expect(200);
  await fit(id).expect(200);
  expect((await fit(id, { reason: 'other' }).expect(409)).body.code).toBe('id-taken');
  expect((await fit(v7()).expect(409)).body.code).toBe('part-removed');
});

test('a lower volt rating is refused with the rule, unless overruled with a reason that is kept', async () => {
  const lower = { plate: { rating: '40+5 µF 370 V' } };
  const { body } = await fit(v7(), lower).expect(422);
  expect(body).toMatchObject({
    code: 'replacement-refused',
    errors: [{ path: 'plate.rating', detail: expect.stringContaining('never fit a lower volt rating') }],
  });
  expect((await suite.db('components').where({ id: old }).first()).removed_on).toBeNull();
  const id = v7();
  await fit(id, { ...lower, overruledBecause: 'only one on the van, back tomorrow' }).expect(200);
  expect((await suite.db('components').where({ id }).first()).overruled_because).toContain('back tomorrow');
});

test.each<[string, object, string]>([
  ['an unreadable label', { plate: { rating: 'smudge' } }, 'plate.rating'],
  ['no label', { plate: {} }, 'plate.rating'],
  ['no reason', { reason: '' }, 'reason'],
  ['a day before the old one was fitted', { fittedOn: '2020-01-01' }, 'fittedOn'],
])('%s is refused, and the old part stays', async (_name, over, path) => {
  const { body } = await fit(v7(), over).expect(422);
  expect(body.errors).toContainEqual(expect.objectContaining({ path }));
  expect((await suite.db('components').where({ id: old }).first()).removed_on).toBeNull();
});

test('an unknown part cannot be replaced', () => fit(v7(), { replaces: v7() }).expect(404));

test('first readings of the new part are its own: the old part’s decline is not held against it', async () => {
  const visitId = await startVisit(suite.app, system.id);
  const send = (componentId: string, microfarads: number) =>
    request(suite.app)
      .put(`/api/readings/${v7()}`)
      .send(benchReading({ visitId, componentId, inputs: { microfarads } }))
      .expect(200);
  await send(old, 35);
  const id = v7();
  await fit(id).expect(200);
  await send(id, 41.2);
  const standings = await suite.db('components').whereIn('id', [old, id]).select('id', 'standing');
  expect(Object.fromEntries(standings.map((s: { id: string; standing: string }) => [s.id, s.standing]))).toEqual({
    [old]: 'act',
    [id]: 'sound',
  });
  const watch = (await request(suite.app).get('/api/watch')).body;
  expect(watch.rows.map((r: { componentId: string }) => r.componentId)).not.toContain(old);
});

test('any part can be replaced: one without a rating needs none, and its thread starts anew', async () => {
  const own = await makeSystem(suite.app);
  const id = v7();
  const fitted = { replaces: own.part('contactor'), fittedOn: '2026-10-10', plate: {}, reason: 'pitted' };
  await request(suite.app).put(`/api/components/${id}`).send(fitted).expect(200);
  const { body } = await request(suite.app).get(`/api/systems/${own.id}`);
  const lives = body.components.filter((c: { slot: string }) => c.slot === 'contactor');
  expect(lives).toHaveLength(2);
  expect(lives.find((c: { id: string }) => c.id === id)).toMatchObject({ kind: 'contactor', standing: 'unproven' });
});

test('a new start capacitor is held against the rule like any other', async () => {
  const made = await makeSystem(
    suite.app,
    systemBody({ compressorRla: 19.9, capacitorRating: '40+5 µF 440 V', startCapacitorRating: '88-108 µF 330 V' }),
  );
  const fit = (rating: string, over: object = {}) =>
    request(suite.app)
      .put(`/api/components/${v7()}`)
      .send({
        replaces: made.part('start-capacitor'),
        fittedOn: '2026-10-10',
        plate: { rating },
        reason: 'weak',
        ...over,
      });
  expect((await fit('88-108 µF 250 V').expect(422)).body.detail).toMatch(/never fit a lower volt rating/);
  expect((await fit('45 µF 440 V').expect(422)).body.code).toBe('replacement-refused');
  await fit('88-108 µF 330 V').expect(200);
});

test('one capacitor judged by another school stands by it, its system anew, and by the firm’s again', async () => {
  const visit = await startVisit(suite.app, system.id);
  // 40 µF with 6 % printed: 37.6 is within the label, and under 5 % by more than a meter errs.
  await request(suite.app)
    .put(`/api/readings/${v7()}`)
    .send(benchReading({ visitId: visit, componentId: old, inputs: { microfarads: 37.6 }, confirmed: true }))
    .expect(200);
  const standing = async () =>
    (await request(suite.app).get(`/api/systems/${system.id}`)).body.components.find(
      (c: { id: string }) => c.id === old,
    ) as { standing: string; plate: object };
  const before = await standing();
  const { body } = await judgeBy(old, 'capacitor-tolerance', 'tight').expect(200);
  expect(body).toMatchObject({ id: old, standing: 'act', plate: { schools: { 'capacitor-tolerance': 'tight' } } });
  expect(await standing()).toMatchObject({ standing: 'act' });
  await judgeBy(old, 'capacitor-tolerance', null).expect(200);
  expect(await standing()).toEqual(before);
});

test('any part that is in has the schools of its kind for itself, within their bounds', async () => {
  const contactor = system.part('contactor');
  const { body } = await judgeBy(contactor, 'contactor-coil', [5, 30]).expect(200);
  expect(body.plate).toEqual({ schools: { 'contactor-coil': [5, 30] } });
  await judgeBy(contactor, 'coil-baseline', [30]).expect(200);
  expect((await judgeBy(contactor, 'contactor-coil', null).expect(200)).body.plate).toEqual({
    schools: { 'coil-baseline': [30] },
  });
  const refused = async (part: string, school: string, setting: unknown, detail?: RegExp) => {
    const reply = await judgeBy(part, school, setting).expect(422);
    if (detail) expect(reply.body.errors).toEqual([{ path: 'setting', detail: expect.stringMatching(detail) }]);
  };
  await refused(contactor, 'capacitor-tolerance', 'tight', /no such part is judged by it/);
  await refused(contactor, 'contactor-coil', [30, 5], /lower figure must be under/);
  await refused(contactor, 'contactor-coil', [0, 500], /from 1 to 200 Ω/);
  await refused(contactor, 'contactor-coil', [20], /nothing that it can be set to/);
  await refused(old, 'capacitor-tolerance', 'strict', /nothing that it can be set to/);
  await refused(old, 'taste', 'sweet');
  await judgeBy(v7(), 'capacitor-tolerance', 'tight').expect(404);
  await fit(v7()).expect(200);
  await judgeBy(old, 'capacitor-tolerance', 'tight').expect(409);
});

test('a fuse is replaced by one of as many amps or fewer, whoever asks; nothing else has amps of its own', async () => {
  const own = await makeSystem(suite.app, systemBody({ ...systemBody().plate, controlFuseAmps: 3 }));
  const fuse = own.part('control-fuse');
  const replaced = (id: string, replaces: string, plate: object, over: object = {}) =>
    fit(id, { replaces, plate, reason: 'blown', ...over });
  const { body } = await replaced(v7(), fuse, { amps: 5 }, { overruledBecause: 'it was all I had' }).expect(422);
  expect(body).toMatchObject({ code: 'replacement-refused', errors: [{ path: 'plate.amps' }] });
  expect(body.detail).toBe('A 5 A fuse is never fitted where the board says 3 A: find what blew it.');
  await replaced(v7(), fuse, {}).expect(422);
  const smaller = v7();
  await replaced(smaller, fuse, { amps: 2 }).expect(200);
  // The board's figure holds, not that of the one that came out.
  await replaced(v7(), smaller, { amps: 3 }).expect(200);
  await replaced(v7(), own.part('contactor'), { amps: 3 }).expect(422);
});
