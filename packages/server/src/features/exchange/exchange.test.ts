import { READING_COLUMNS } from '@yarnix/core';
import { Ajv2020 } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import { parse } from 'csv-parse/sync';
import { readFileSync } from 'node:fs';
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
let visit: string;
beforeAll(async () => {
  suite = await openSuite();
  system = await makeSystem(suite.app);
  visit = await startVisit(suite.app, system.id);
});
afterAll(() => suite.close());

/** Read by a parser that has nothing to do with what wrote it. */
async function csv(query = '', app = suite.app): Promise<Record<string, string>[]> {
  const reply = await request(app).get(`/api/readings.csv?${query}`).expect(200);
  expect(reply.headers['content-type']).toMatch(/^text\/csv; charset=utf-8/);
  expect(reply.headers['content-disposition']).toMatch(/readings\.csv/);
  return parse(reply.text, { columns: true, record_delimiter: '\r\n' }) as Record<string, string>[];
}

const read = async (over: object, id = v7()): Promise<string> => {
  await request(suite.app)
    .put(`/api/readings/${id}`)
    .send({ ...benchReading({ visitId: visit, componentId: system.part('run-capacitor') }), ...over })
    .expect(200);
  return id;
};

test('one row a reading, units in a column, a correction beside what it corrects; text of users is text', async () => {
  const first = await read({ inputs: { microfarads: 38.4 }, note: '=HYPERLINK("x")\nsecond line, with "quotes"' });
  const second = await read({ inputs: { microfarads: 39.4 }, supersedes: first });
  const rows = await csv();
  expect(rows).toHaveLength(2);
  const [old, corrected] = [rows.find((r) => r.reading === first)!, rows.find((r) => r.reading === second)!];
  expect(old).toMatchObject({
    address: '12 Ropewalk Yard',
    system_kind: 'split heat pump',
    part: 'Run capacitor',
    kind: 'run-capacitor-capacitance',
    title: 'Capacitance, HERM',
    point: 'herm',
    value: '38.4',
    unit: 'µF',
    entered: 'microfarads=38.4',
    superseded: 'yes',
  });
  // A cell cannot start a formula; what was written is all there.
  expect(old.note).toBe(`'=HYPERLINK("x")\nsecond line, with "quotes"`);
  expect(corrected).toMatchObject({ supersedes: first, superseded: 'no', value: '39.4' });
  expect(Object.keys(old)).toEqual(READING_COLUMNS.map(({ name }) => name));
});

test('by system, since a day, and on after the last system that was whole', async () => {
  const others = await Promise.all(
    [1, 2, 3].map(() => makeSystem(suite.app, { ...systemBody(), address: '1 Elsewhere' })),
  );
  for (const other of others) {
    const own = await startVisit(suite.app, other.id);
    await read({ visitId: own, componentId: other.part('run-capacitor') });
  }
  const all = await csv();
  const inOrder = [...new Set(all.map((row) => row.system))];
  expect(inOrder).toEqual([...inOrder].sort());
  expect(inOrder).toHaveLength(4);
  expect((await csv(`after=${inOrder[1]!}`)).map((row) => row.system)).toEqual(
    all.map((row) => row.system).filter((id) => id! > inOrder[1]!),
  );
  expect(new Set((await csv(`systemId=${others[0]!.id}`)).map((row) => row.system))).toEqual(new Set([others[0]!.id]));
  expect(await csv('since=2026-10-11')).toEqual([]);
  await request(suite.app).get('/api/readings.csv?since=yesterday').expect(422);
  await request(suite.app).get('/api/readings.csv?since=0000-01-01').expect(422);
});

test('another firm reads none of it', async () => {
  const theirs = suite.appFor(await suite.addFirm('Second firm'));
  expect(await csv('', theirs)).toEqual([]);
  expect(await csv(`systemId=${system.id}`, theirs)).toEqual([]);
});

test('every column is described where the file is told of, in its order', () => {
  const page = readFileSync(new URL('../../../../../docs/exchange.md', import.meta.url), 'utf8');
  const told = page
    .split('\n')
    .filter((line) => line.startsWith('| `'))
    .map((line) => line.split('|').map((cell) => cell.trim().replaceAll('`', '')))
    .map(([, name, holds]) => [name, holds]);
  expect(told).toEqual(READING_COLUMNS.map(({ name, holds }) => [name, holds]));
});

test('the firm as JSON is what its published schema says, whole, and one system of it the same', async () => {
  const other = await makeSystem(suite.app, { ...systemBody(), address: '1 "Elsewhere" \\ 火' });
  const schema = (await request(suite.app).get('/api/export.schema.json').expect(200)).body as object;
  const ajv = new Ajv2020({ allErrors: true, strict: false });
  addFormats.default(ajv);
  const isRight = ajv.compile(schema);
  const file = async (query = '', app = suite.app) =>
    (await request(app).get(`/api/export.json${query}`).expect(200)).body as { systems: { id: string }[] };
  const whole = await file();
  expect([isRight(whole), isRight.errors]).toEqual([true, null]);
  const ids = whole.systems.map(({ id }) => id);
  expect(ids).toEqual(expect.arrayContaining([system.id, other.id]));
  expect(ids).toEqual([...new Set(ids)].sort());
  const { body: detail } = await request(suite.app).get(`/api/systems/${system.id}`).expect(200);
  const one = whole.systems.find(({ id }) => id === system.id);
  // The time zone is the firm's, and stands with the firm.
  const { zone: _, ...own } = detail as Record<string, unknown>;
  expect(one).toMatchObject({ ...own, customerId: system.body.customerId });
  expect((await file(`?systemId=${system.id}`)).systems).toEqual([one]);
  expect([isRight({ ...whole, form: 'another' }), isRight({ ...whole, systems: [{}] })]).toEqual([false, false]);

  const theirs = suite.appFor(await suite.addFirm('Second firm'));
  expect((await file('', theirs)).systems).toEqual([]);
  await request(theirs).get(`/api/export.json?systemId=${system.id}`).expect(404);
});
