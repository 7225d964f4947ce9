import request from 'supertest';
import { v7 } from 'uuid';
import { benchReading, makeSystem, openSuite, startVisit, systemBody, type Suite } from '../../testing/suite.ts';

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite();
});
afterAll(() => suite.close());

const put = (id: string, body: object) => request(suite.app).put(`/api/systems/${id}`).send(body);

test('a system comes with the parts its plate tells of, each with its rating', async () => {
  const id = v7();
  const { body } = await put(id, { ...systemBody(), installedOn: '2021-05-03' }).expect(200);
  const slots = body.components.map((c: { slot: string }) => c.slot);
  expect(slots).toEqual(expect.arrayContaining(['blower', 'compressor', 'contactor', 'run-capacitor', 'supply']));
  expect(slots).toHaveLength(systemBody().components.length);
  expect(body.components.find((c: { slot: string }) => c.slot === 'run-capacitor')).toMatchObject({
    plate: { rating: '40+5 µF 440 V' },
    fittedOn: '2021-05-03',
    removedOn: null,
    standing: 'unproven',
  });
});

test('entering it twice is entering it once; another one under its id is refused', async () => {
  const id = v7();
  const body = systemBody();
  await put(id, body).expect(200);
  await put(id, body).expect(200);
  expect((await put(id, { ...body, address: 'somewhere else' }).expect(409)).body.code).toBe('id-taken');
  expect(await suite.db('components').where({ system_id: id })).toHaveLength(body.components.length);
});

test('an empty plate is a plate', async () => {
  await put(v7(), systemBody({})).expect(200);
});

test.each<[string, object, string]>([
  ['no address', { address: ' ' }, 'address'],
  ['a kind nobody makes', { kind: 'perpetual-motion' }, 'kind'],
  ['an unreadable rating', { plate: { capacitorRating: '45+5 µF 444' } }, 'plate.capacitorRating'],
  ['amps in words', { plate: { compressorRla: 'many' } }, 'plate.compressorRla'],
  ['amps beyond measure', { plate: { compressorRla: 1e9 } }, 'plate.compressorRla'],
  ['a day that is none', { installedOn: '2021-02-31' }, 'installedOn'],
])('%s is refused at its field and saves nothing', async (_name, over, path) => {
  const id = v7();
  const { body } = await put(id, { ...systemBody(), ...over }).expect(422);
  expect(body.errors).toContainEqual(expect.objectContaining({ path }));
  expect(await suite.db('systems').where({ id })).toHaveLength(0);
});

test('parts that do not belong to the kind are refused', async () => {
  const body = systemBody();
  const { body: problem } = await put(v7(), { ...body, components: body.components.slice(1) }).expect(422);
  expect(problem.code).toBe('parts-do-not-match');
});

describe('the list', () => {
  beforeAll(async () => {
    for (const [address, customerName] of [
      ['1 Findable Lane', 'Zelwick'],
      ['2 Findable Lane', 'Ardolmar'],
      ['50% Odd_Street', 'Percent'],
    ]) {
      await makeSystem(suite.app, { ...systemBody(), address: address ?? '', customerName: customerName ?? '' });
    }
  });
  const list = async (query: string) => (await request(suite.app).get(`/api/systems?${query}`).expect(200)).body;

  test('finds by any words of address and customer', async () => {
    expect((await list('search=findable')).total).toBe(2);
    expect((await list('search=zelwick+lane')).systems[0].address).toBe('1 Findable Lane');
    expect((await list('search=nothing-like-it')).total).toBe(0);
  });

  test('takes % and _ as themselves', async () => {
    expect((await list('search=50%25')).total).toBe(1);
    expect((await list('search=Odd_S')).total).toBe(1);
    expect((await list('search=Odd%25S')).total).toBe(0);
  });

  test('sorts and pages', async () => {
    const names = async (sort: string) =>
      (await list(`search=findable&sort=${sort}`)).systems.map((s: { customerName: string }) => s.customerName);
    expect(await names('customerName')).toEqual(['Ardolmar', 'Zelwick']);
    expect(await names('customerName:desc')).toEqual(['Zelwick', 'Ardolmar']);
    expect((await list('search=findable&limit=1&offset=1')).systems).toHaveLength(1);
    for (const sort of ['standing', 'lastVisitOn:desc', 'kind', 'area']) await list(`sort=${sort}`);
    await request(suite.app).get('/api/systems?sort=mood').expect(422);
  });
});

describe('another firm', () => {
  test('sees nothing of it, and cannot write into it', async () => {
    const mine = await makeSystem(suite.app);
    const visitId = await startVisit(suite.app, mine.id);
    const reading = v7();
    await request(suite.app)
      .put(`/api/readings/${reading}`)
      .send(benchReading({ visitId, componentId: mine.part('run-capacitor') }))
      .expect(200);
    const theirs = suite.appFor(await suite.addFirm('Second firm'));
    await request(theirs).get(`/api/systems/${mine.id}`).expect(404);
    expect((await request(theirs).get('/api/systems').expect(200)).body.total).toBe(0);
    expect(
      (await request(theirs).get('/api/watch?standing=sound,unproven,watch,act,stop').expect(200)).body.components,
    ).toBe(0);
    expect((await request(theirs).get('/api/visits').expect(200)).body.open).toEqual([]);
    await request(theirs)
      .put(`/api/visits/${v7()}`)
      .send({ systemId: mine.id, startedAt: '2026-10-10T14:00:00Z' })
      .expect(404);
    await request(theirs).put(`/api/visits/${visitId}/closing`).send({ closedAt: '2026-10-10T15:00:00Z' }).expect(404);
    await request(theirs)
      .put(`/api/readings/${v7()}`)
      .send(benchReading({ visitId, componentId: mine.part('run-capacitor') }))
      .expect(404);
    await request(theirs).put(`/api/systems/${mine.id}`).send(systemBody()).expect(409);
    await request(theirs)
      .put(`/api/readings/${reading}`)
      .send(benchReading({ visitId, componentId: mine.part('run-capacitor') }))
      .expect(404);
    await request(theirs)
      .put(`/api/systems/${v7()}`)
      .send({ ...systemBody(), customerId: mine.body.customerId })
      .expect(409);
  });

  test('one who may only look cannot record', async () => {
    const person = (await suite.db('people').first()) as { id: string };
    const looking = suite.appFor({ firmId: suite.firmId, personId: person.id, permissions: ['look'] });
    await request(looking).get('/api/systems').expect(200);
    expect((await request(looking).put(`/api/systems/${v7()}`).send(systemBody()).expect(403)).body.code).toBe(
      'not-allowed',
    );
  });
});

test('the wires of one part are noted beside what else is on the plate; too many are refused', async () => {
  const system = await makeSystem(suite.app);
  const note = (body: object, id = system.id, app = suite.app) =>
    request(app).put(`/api/systems/${id}/wires`).send(body);
  const plate = async () => (await request(suite.app).get(`/api/systems/${system.id}`)).body.plate;
  const before = await plate();
  const can = { on: 'Run capacitor', wires: [{ lug: 'HERM', color: 'yellow' }] };
  expect((await note(can).expect(200)).body).toEqual(can);
  await note({ on: 'Contactor', wires: [{ lug: 'T1', color: 'black' }] }).expect(200);
  await note({ on: 'Run capacitor', wires: [{ lug: 'C', color: 'red' }] }).expect(200);
  expect(await plate()).toEqual({
    ...before,
    wires: [
      { on: 'Contactor', lug: 'T1', color: 'black' },
      { on: 'Run capacitor', lug: 'C', color: 'red' },
    ],
  });
  const many = Array.from({ length: 12 }, (_, i) => ({ lug: `${i}`, color: 'red' }));
  for (const on of ['Blower motor', 'Sequencer', 'Transformer']) await note({ on, wires: many }).expect(200);
  expect((await note({ on: 'Blower relay', wires: many }).expect(422)).body.detail).toMatch(/At most 40 wires/);
  await note({ on: ' ', wires: [] }).expect(422);
  await note(can, v7()).expect(404);
  await note(can, system.id, suite.appFor(await suite.addFirm('Other'))).expect(404);
});

test('the list tells a visit by the firm’s day, and addresses sort as people count', async () => {
  const zoned = await openSuite(() => new Date('2026-12-01T07:30:00Z'));
  try {
    await zoned.db('firms').update({ zone: 'America/Denver' });
    for (const address of ['12 Ropewalk Yard', '2 Ropewalk Yard', '10 Ropewalk Yard']) {
      const made = await makeSystem(zoned.app, { ...systemBody(), address });
      // Half past eleven at night where the firm is.
      if (address.startsWith('2 ')) await startVisit(zoned.app, made.id, '2026-12-01T06:30:00.000Z');
    }
    const { systems } = (await request(zoned.app).get('/api/systems').expect(200)).body as {
      systems: { address: string; lastVisitOn: string | null }[];
    };
    expect(systems.map(({ address, lastVisitOn }) => [address, lastVisitOn])).toEqual([
      ['2 Ropewalk Yard', '2026-11-30'],
      ['10 Ropewalk Yard', null],
      ['12 Ropewalk Yard', null],
    ]);
    const { systems: back } = (await request(zoned.app).get('/api/systems?sort=address:desc').expect(200)).body as {
      systems: { address: string }[];
    };
    expect(back.map(({ address }) => address.split(' ')[0])).toEqual(['12', '10', '2']);
  } finally {
    await zoned.close();
  }
});
