import type { ImportDetail, ImportRow, ImportView, SheetMapping } from '@yarnix/core';
import { simulateFirm } from '@yarnix/simulator';
import request from 'supertest';
import { v7 } from 'uuid';
import { loadFirm } from '../../database/load-firm.ts';
import type { Runner } from '../../jobs/runner.ts';
import { makeSystem, openSuite, runnerOf, type Suite, systemBody } from '../../testing/suite.ts';

const now = () => new Date('2026-10-10T18:00:00Z');
let suite: Suite;
let runner: Runner;
beforeAll(async () => {
  suite = await openSuite(now);
  ({ runner } = runnerOf(suite, now));
});
afterAll(async () => {
  await runner.stop();
  await suite.close();
});

type App = Suite['app'];
const bring = async (text: string | Buffer, app: App = suite.app, query = 'name=past.csv&zone=America/Chicago') =>
  (
    await request(app)
      .put(`/api/imports/${v7()}?${query}`)
      .set('content-type', 'text/csv')
      .send(typeof text === 'string' ? Buffer.from(text) : text)
      .expect(200)
  ).body as ImportDetail;
const detailOf = async (id: string, app: App = suite.app) =>
  (await request(app).get(`/api/imports/${id}`).expect(200)).body as ImportDetail;
const check = async (
  { id, mapping }: ImportDetail,
  change: Partial<SheetMapping> = {},
  app: App = suite.app,
  profile?: string,
) => {
  await request(app)
    .put(`/api/imports/${id}/mapping`)
    .send({ mapping: { ...mapping, ...change }, profile })
    .expect(200);
  await runner.look();
  return detailOf(id, app);
};
const rowsOf = async (id: string, query = '', app: App = suite.app) =>
  ((await request(app).get(`/api/imports/${id}/rows?${query}`).expect(200)).body as { rows: ImportRow[] }).rows;
const wish = async (id: string, what: string, app: App = suite.app) => {
  await request(app).put(`/api/imports/${id}/wish`).send({ wish: what }).expect(200);
  await runner.look();
  return detailOf(id, app);
};

/** Two years of a firm's notes on one machine, as somebody may have kept them, with mistakes of three kinds. */
const PAST = `Service Date;Address;Tech;OD temp;Line volts;Cap HERM (uF);Cap fan uF;Comp amps;Remarks
04/14/2024;12 Ropewalk yard.;TP;68;241;40,2;5,0;11,2;
10/09/2024;12 Ropewalk Yard;Test Person;55;240;39,6;5,0;11,3;
04/20/2025;12 Ropewalk Yard;Somebody Else;70;239;38,9;4,9;11,5;quiet
10/11/2025;12 Ropewalk Yard;TP;52;242;383;4,9;11,6;slipped point
04/31/2026;12 Ropewalk Yard;TP;71;240;37,7;4,9;11,8;no such day
04/15/2026;12 Ropewalk Yard;TP;71;240;37,6;4,9;n/a;
05/01/2026;1 Nowhere;TP;80;240;37,6;4,9;11;not ours
`;

describe('a past from a spreadsheet', () => {
  test('is read by its names, checked row by row, comes in as if it had been recorded, and is taken back whole', async () => {
    const system = await makeSystem(suite.app, systemBody());
    const before = (await request(suite.app).get(`/api/systems/${system.id}`)).body as { components: object[] };
    const brought = await bring(PAST);
    expect(brought).toMatchObject({
      state: 'to-map',
      mapping: { decimal: ',', dateOrder: 'mdy', zone: 'America/Chicago', form: 'sheet' },
    });
    expect(brought.mapping.columns.map((c) => (c.use === 'measure' ? c.measure : c.use))).toEqual([
      'date',
      'address',
      'technician',
      'outdoor',
      'line-volts',
      'capacitor-herm',
      'capacitor-fan',
      'compressor-amps',
      'note',
    ]);

    const checked = await check(brought);
    expect(checked).toMatchObject({
      state: 'checked',
      rows: 7,
      chosen: 4,
      outcomes: { comes: 4, questioned: 1, refused: 2 },
    });
    const rows = await rowsOf(checked.id);
    expect(rows.map((r) => [r.line, r.outcome, r.readings])).toEqual([
      [2, 'comes', 4],
      [3, 'comes', 4],
      [4, 'comes', 4],
      [5, 'questioned', 4],
      [6, 'refused', 0],
      [7, 'comes', 3],
      [8, 'refused', 0],
    ]);
    expect(rows.filter((r) => r.outcome !== 'comes').map((r) => r.why.join(' '))).toEqual([
      expect.stringMatching(/383\.0.*38\.3/s),
      '“04/31/2026” is no day of the calendar.',
      'No system has this address, and nothing says what kind it is.',
    ]);
    expect(await rowsOf(checked.id, 'outcome=refused&after=6')).toHaveLength(1);

    const imported = await wish(checked.id, 'import');
    expect(imported).toMatchObject({ state: 'imported', readings: 15, systems: 0, error: null });
    const after = (await request(suite.app).get(`/api/systems/${system.id}`)).body as {
      visits: { startedAt: string; closedAt: string; personName: string }[];
      readings: { kind: string; value: number; takenAt: string; instrument: unknown; conditions: object }[];
      components: { slot: string; standing: string }[];
    };
    expect(after.visits).toHaveLength(4);
    // A day without an hour is its noon in the zone of the file.
    expect(after.visits.at(-1)).toMatchObject({
      startedAt: '2024-04-14T17:00:00.000Z',
      closedAt: '2024-04-14T17:01:00.000Z',
    });
    const herm = after.readings.filter((r) => r.kind === 'run-capacitor-capacitance' && r.value > 30);
    expect(herm.map((r) => r.value)).toEqual([40.2, 39.6, 38.9, 37.6]);
    expect(herm[0]).toMatchObject({ conditions: { outdoorF: 68, lineVolts: 241 } });
    // Whoever is not known here has read with instruments that nobody knows.
    expect(herm.map((r) => typeof r.instrument === 'string')).toEqual([true, true, false, true]);
    expect(after.components.find((c) => c.slot === 'run-capacitor')?.standing).not.toBe('unproven');
    const watch = (await request(suite.app).get('/api/watch')).text;
    expect(watch).toContain(system.id);

    const undone = await wish(checked.id, 'undo');
    expect(undone).toMatchObject({ state: 'undone', readings: 0, systems: 0 });
    const again = (await request(suite.app).get(`/api/systems/${system.id}`)).body as Record<string, object[]>;
    expect(again.components).toEqual(before.components);
    expect([again.visits, again.readings]).toEqual([[], []]);
    await request(suite.app).delete(`/api/imports/${checked.id}`).expect(200);
    await request(suite.app).get(`/api/imports/${checked.id}`).expect(404);
  });

  test('what is questioned comes when it is chosen, and nothing comes twice', async () => {
    const checked = await check(await bring(PAST));
    const choose = (choice: object) => request(suite.app).put(`/api/imports/${checked.id}/choice`).send(choice);
    expect((await choose({ outcome: 'questioned', chosen: true }).expect(200)).body).toMatchObject({ chosen: 5 });
    // What cannot come in is not chosen, however it is asked for.
    expect((await choose({ lines: [2, 6, 8], chosen: false }).expect(200)).body).toMatchObject({ chosen: 4 });
    expect((await choose({ lines: [6, 8], chosen: true }).expect(200)).body).toMatchObject({ chosen: 4 });
    expect(await wish(checked.id, 'import')).toMatchObject({ state: 'imported', readings: 15 });
    expect((await choose({ lines: [2], chosen: true }).expect(409)).body).toMatchObject({ code: 'import-state' });
    await request(suite.app).delete(`/api/imports/${checked.id}`).expect(409);

    const second = await check(await bring(PAST));
    expect(second.outcomes).toEqual({ comes: 1, questioned: 0, refused: 6 });
    expect((await rowsOf(second.id, 'outcome=refused'))[0]?.why).toEqual(['All of it is kept already.']);
    expect(await wish(second.id, 'import')).toMatchObject({ readings: 4 });
    await wish(second.id, 'undo');
    await wish(checked.id, 'undo');
  });

  test('a correction made since stays, and its reading with it; the rest goes', async () => {
    const checked = await check(await bring(PAST));
    await wish(checked.id, 'import');
    const kept = await suite.db('readings').where({ import_id: checked.id, kind: 'line-volts' }).first();
    await request(suite.app)
      .put(`/api/readings/${v7()}`)
      .send({
        visitId: kept.visit_id,
        componentId: kept.component_id,
        kind: 'line-volts',
        point: 'whole',
        method: 'meter',
        inputs: { volts: 236 },
        takenAt: kept.taken_at.toISOString(),
        supersedes: kept.id,
      })
      .expect(200);
    expect(await wish(checked.id, 'undo')).toMatchObject({ state: 'undone', readings: 1 });
    await request(suite.app).delete(`/api/imports/${checked.id}`).expect(409);
  });

  test('systems that are not there are made of what the rows say, and go with them unless something rests on them', async () => {
    const text = `Date,Address,Customer,Type,RLA,Cap rating,Cap HERM uF
2024-05-01,7 Lockside,Ferrin,Heat pump,14.2,35+5 µF 440 V,34.8
2025-05-01,7 Lockside,Ferrin,Heat pump,14.2,35+5 µF 440 V,34.1
2025-05-01,9 Lockside,Quist,,,,34
2025-05-01,11 Lockside,Orme,gas furnace,many,,34
`;
    const plain = await check(await bring(text));
    expect((await rowsOf(plain.id)).map((r) => r.outcome)).toEqual(['comes', 'comes', 'refused', 'questioned']);
    const checked = await check(await detailOf(plain.id), { newSystems: 'split-air-conditioner' });
    expect((await rowsOf(checked.id)).map((r) => [r.outcome, r.why[0]])).toEqual([
      ['comes', undefined],
      ['comes', undefined],
      ['comes', undefined],
      ['questioned', 'Plate: “many” is no number.'],
    ]);
    await request(suite.app)
      .put(`/api/imports/${checked.id}/choice`)
      .send({ outcome: 'questioned', chosen: true })
      .expect(200);
    expect(await wish(checked.id, 'import')).toMatchObject({ readings: 4, systems: 3 });
    const found = (await request(suite.app).get('/api/systems?search=Lockside').expect(200)).body as {
      systems: { id: string; address: string; kind: string; customerName: string }[];
    };
    expect(found.systems.map((s) => [s.address, s.kind, s.customerName])).toEqual([
      ['7 Lockside', 'split-heat-pump', 'Ferrin'],
      ['9 Lockside', 'split-air-conditioner', 'Quist'],
      ['11 Lockside', 'gas-furnace-with-coil', 'Orme'],
    ]);
    // Somebody has been at one of them since.
    const worked = found.systems[1]!.id;
    await request(suite.app)
      .put(`/api/visits/${v7()}`)
      .send({ systemId: worked, startedAt: '2026-10-10T14:00:00.000Z' })
      .expect(200);
    expect(await wish(checked.id, 'undo')).toMatchObject({ state: 'undone', readings: 0, systems: 1 });
    const left = (await request(suite.app).get('/api/systems?search=Lockside').expect(200)).body as {
      systems: { id: string }[];
    };
    expect(left.systems.map((s) => s.id)).toEqual([worked]);
  });

  test('a machine of another kind where one is known is asked about, row by row; a customer is the same by name', async () => {
    const text = `Date,Address,Customer,Type,Line volts
2024-05-01,12 Ropewalk Yard,Quorumber,Air conditioner,240
2025-05-01,12 Ropewalk Yard,Quorumber,Air conditioner,241
2025-05-01,3 Elsewhere Row,quorumber,Air conditioner,241
2025-05-01,5 Elsewhere Row,New Owner,Air conditioner,241
2025-05-01,7 Elsewhere Row,New owner,Air conditioner,241
`;
    const checked = await check(await bring(text));
    expect(checked).toMatchObject({ systems: 4 });
    expect((await rowsOf(checked.id)).map((r) => [r.outcome, ...r.why])).toEqual([
      ['questioned', 'At this address there is a split heat pump: a split air conditioner would be made beside it.'],
      ['questioned', 'At this address there is a split heat pump: a split air conditioner would be made beside it.'],
      ['comes'],
      ['comes'],
      ['comes'],
    ]);
    const customers = async () =>
      Number((await suite.db('customers').where({ firm_id: suite.firmId }).count('* as n'))[0]!.n);
    const before = await customers();
    expect(await wish(checked.id, 'import')).toMatchObject({ readings: 3, systems: 3 });
    expect(await customers()).toBe(before + 1);
    expect(await wish(checked.id, 'undo')).toMatchObject({ readings: 0, systems: 0 });
    expect(await customers()).toBe(before);
  });

  test('how one file is read is kept under a name, and found again by its columns', async () => {
    const first = await bring('When,Where,X1,X2\n03.04.2025,12 Ropewalk Yard,240,zz\n');
    expect(first.mapping.columns.map((c) => c.use)).toEqual(['nothing', 'nothing', 'nothing', 'nothing']);
    const columns: SheetMapping['columns'] = [
      { use: 'date' },
      { use: 'address' },
      { use: 'measure', measure: 'line-volts' },
      { use: 'note' },
    ];
    await check(first, { columns, dateOrder: 'dmy' }, suite.app, 'The old book');
    const second = await bring('Where,when,X2,X1\n12 Ropewalk Yard,05.04.2025,zz,241\n');
    expect(second).toMatchObject({ profile: 'The old book', mapping: { dateOrder: 'dmy' } });
    expect(second.mapping.columns.map((c) => c.use)).toEqual(['address', 'date', 'note', 'measure']);
    expect((await rowsOf((await check(second)).id))[0]).toMatchObject({
      outcome: 'comes',
      cells: ['12 Ropewalk Yard', '05.04.2025', 'zz', '241'],
    });
  });

  test('files that are none say so, in any encoding', async () => {
    const refused = async (file: Buffer) =>
      (
        await request(suite.app)
          .put(`/api/imports/${v7()}?name=x`)
          .set('content-type', 'text/csv')
          .send(file)
          .expect(422)
      ).body as { code: string; detail: string };
    for (const file of ['', ',,,\n1,2,3', 'Date,Address\n', 'PK\u0003\u0004zip', '\n\n'])
      expect((await refused(Buffer.from(file))).code).toBe('file-unreadable');
    expect((await refused(Buffer.from(`${'a,'.repeat(400)}\n1`))).detail).toContain('at most 300');
    // As many decimal commas in each row as may be: the head says what parts the columns.
    const commas = await bring('Date;Address;Line volts;Comp amps\n2025-01-01;12 Ropewalk Yard;240,5;n/a\n');
    expect(commas.headers).toHaveLength(4);
    const marked = await bring('sep=|\r\nDate|Address, town\r\n2025-01-01|12 Ropewalk Yard\r\n');
    expect(marked.headers).toEqual(['Date', 'Address, town']);
    const said = 'Date,Address,Remarks\n2025-01-01,12 Ropewalk Yard,Zoë\n';
    for (const [file, encoding] of [
      [Buffer.from(`\ufeff${said}`, 'utf16le'), 'UTF-16'],
      [Buffer.from(said, 'latin1'), 'Windows'],
      [Buffer.from(`\ufeff${said}`), 'UTF-8'],
    ] as const) {
      const { sample } = await bring(file);
      expect([encoding, sample[0]?.[2]]).toEqual([encoding, 'Zoë']);
    }
  });

  test('is the firm’s own, and takes the permission to manage', async () => {
    const { id, mapping } = await bring(PAST);
    const other = await suite.addFirm('Second firm');
    const elsewhere = suite.appFor(other);
    await request(elsewhere).get(`/api/imports/${id}`).expect(404);
    await request(elsewhere).get(`/api/imports/${id}/rows`).expect(404);
    await request(elsewhere).put(`/api/imports/${id}/mapping`).send({ mapping }).expect(404);
    await request(elsewhere).delete(`/api/imports/${id}`).expect(404);
    await request(elsewhere).put(`/api/imports/${id}?name=x`).send(Buffer.from(PAST)).expect(409);
    const reader = suite.appFor({ firmId: suite.firmId, personId: v7(), permissions: ['look'] });
    await request(reader).put(`/api/imports/${v7()}?name=x`).send(Buffer.from(PAST)).expect(403);
    const list = (await request(elsewhere).get('/api/imports').expect(200)).body as { imports: ImportView[] };
    expect(list.imports).toEqual([]);
  });

  test('asked to stop, it stops; what a lost server left is gone on with', async () => {
    const checked = await check(await bring(PAST));
    await request(suite.app).put(`/api/imports/${checked.id}/wish`).send({ wish: 'import' }).expect(200);
    await request(suite.app).put(`/api/imports/${checked.id}/wish`).send({ wish: 'stop' }).expect(200);
    await runner.look();
    expect(await detailOf(checked.id)).toMatchObject({ state: 'imported', readings: 0 });
    await request(suite.app).put(`/api/imports/${checked.id}/wish`).send({ wish: 'stop' }).expect(409);
    await wish(checked.id, 'undo');

    const again = await check(await bring(PAST));
    // One reading of the file is there: the one that was corrected above. As if the server had ended half-way through: nothing is queued, and its last beat is long ago.
    await suite
      .db('imports')
      .where({ id: again.id })
      .update({ state: 'importing', done_up_to: 0, beat_at: '2026-01-01' });
    await runner.look();
    expect(await detailOf(again.id)).toMatchObject({ state: 'imported', readings: 11 });
    await wish(again.id, 'undo');
  });
});

test('two years of a firm, written by this app and read into another, stand as they stood', async () => {
  const asOf = Math.floor(now().getTime() / 86_400_000);
  const firm = simulateFirm({ seed: 31, systems: 10, asOf, years: [2, 4] });
  await loadFirm(suite.db, firm);
  const from = suite.appFor({ firmId: firm.id, personId: firm.people[0]!.id });
  const systems = [...firm.systems()];
  const book = (await request(from).get('/api/readings.csv').expect(200)).text;

  // The same machines in a firm that knows nothing of their past.
  const ids = new Map<string, string>();
  const anew = (id: string) => ids.get(id) ?? ids.set(id, v7()).get(id)!;
  const empty = {
    ...firm,
    id: v7(),
    people: firm.people.map((p) => ({ ...p, id: anew(p.id) })),
    meters: [],
    checks: [],
    systems: () =>
      systems.map((s) => ({
        ...s,
        id: anew(s.id),
        customerId: anew(s.customerId),
        parts: s.parts.map((p) => ({ ...p, id: anew(p.id), replaces: p.replaces && anew(p.replaces) })),
        visits: [],
        readings: [],
      })),
  };
  await loadFirm(suite.db, empty);
  // Both are judged by what is known before any fleet has taught anything, and with no meter known to be off.
  await suite.db('firms').whereIn('id', [firm.id, empty.id]).update({ prior: null });
  const into = suite.appFor({ firmId: empty.id, personId: empty.people[0]!.id });

  const checked = await check(await bring(book, into), {}, into);
  const superseded = systems.flatMap((s) => s.readings).filter((r) => r.supersedes).length;
  const readings = systems.flatMap((s) => s.readings).length;
  const refused = await rowsOf(checked.id, 'outcome=refused', into);
  expect(new Set(refused.flatMap((r) => r.why))).toEqual(
    new Set(superseded > 0 ? ['It was corrected there: the newer reading has a row of its own.'] : []),
  );
  await request(into)
    .put(`/api/imports/${checked.id}/choice`)
    .send({ outcome: 'questioned', chosen: true })
    .expect(200);
  const done = await wish(checked.id, 'import', into);
  expect(done).toMatchObject({ state: 'imported', readings: readings - superseded });

  // What a file does not tell: whose instruments they were, and what those showed when they were checked.
  await suite.db('readings').whereIn('firm_id', [firm.id, empty.id]).update({ instruments: '{}' });
  await suite.db('meter_checks').where({ firm_id: firm.id }).delete();
  for (const app of [from, into]) {
    await request(app).post('/api/refits').expect(200);
    await runner.look();
  }
  const stands = async (firmId: string) =>
    (
      await suite
        .db('components as k')
        .join('systems as s', 's.id', 'k.system_id')
        .where('k.firm_id', firmId)
        .whereNull('k.removed_on')
        .orderBy(['s.address', 's.kind', 'k.slot'])
        .select<
          {
            address: string;
            slot: string;
            standing: string;
            chance: number;
            lead: { thread: { points: object[] } } | null;
          }[]
        >('s.address', 'k.slot', 'k.standing', 'k.chance', 'k.lead')
    ).map((k) => ({ ...k, chance: Number(k.chance.toFixed(3)), lead: k.lead?.thread.points ?? null }));
  const was = await stands(firm.id);
  expect(was.filter((k) => k.standing !== 'unproven').length).toBeGreaterThan(50);
  expect(await stands(empty.id)).toEqual(was);
}, 120_000);
