import { dayOf } from '@yarnix/core';
import request from 'supertest';
import { openSuite, type Suite } from '../testing/suite.ts';
import { createApp } from '../app.ts';
import { loadFirm } from './load-firm.ts';
import type { LoadableFirm } from './loadable-firm.ts';
import pino from 'pino';
import { v7 } from 'uuid';

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite();
});
afterAll(() => suite.close());

const [firmId, personId, systemId, partId, visitId] = Array.from({ length: 5 }, () => v7()) as [
  string,
  string,
  string,
  string,
  string,
];
const firm: LoadableFirm = {
  id: firmId,
  name: 'Loaded',
  zone: 'Etc/UTC',
  people: [{ id: personId, name: 'Loaded Person', initials: 'LP' }],
  systems: () => [
    {
      id: systemId,
      customerId: v7(),
      customerName: 'Veswick',
      address: '1 Loaded Row',
      area: 'North',
      kind: 'split-heat-pump',
      plate: {},
      installedOn: dayOf('2024-01-01'),
      parts: [
        {
          id: partId,
          slot: 'run-capacitor',
          kind: 'run-capacitor',
          plate: { rating: '40+5 µF 440 V' },
          fittedOn: dayOf('2024-01-01'),
          removedOn: null,
          removedReason: null,
          replaces: null,
        },
      ],
      visits: [{ id: visitId, startedAt: '2026-04-10T14:00:00.000Z', closedAt: '2026-04-10T15:00:00.000Z', person: 0 }],
      readings: [
        {
          id: v7(),
          visitId,
          componentId: partId,
          kind: 'run-capacitor-capacitance',
          point: 'herm',
          method: 'bench',
          inputs: { microfarads: 36 },
          takenAt: '2026-04-10T14:10:00.000Z',
          conditions: {},
          confirmed: false,
          value: 36,
          findings: [],
        },
      ],
    },
  ],
};

test('a loaded firm stands as if every reading had come through its own route', async () => {
  await loadFirm(suite.db, firm);
  const app = createApp({
    db: suite.db,
    log: pino({ level: 'silent' }),
    identify: () => Promise.resolve({ firmId, personId, permissions: new Set(['look', 'record']) }),
  });
  const { rows } = (await request(app).get('/api/watch').expect(200)).body;
  expect(rows).toEqual([expect.objectContaining({ componentId: partId, standing: 'act', rating: '40+5 µF 440 V' })]);
  // One more reading through the route: the same thread, the same judgment, and two points now.
  const next = v7();
  await request(app).put(`/api/visits/${next}`).send({ systemId, startedAt: '2026-10-09T14:00:00Z' }).expect(200);
  const reading = {
    visitId: next,
    componentId: partId,
    kind: 'run-capacitor-capacitance',
    point: 'herm',
    method: 'bench',
    inputs: { microfarads: 35.8 },
    takenAt: '2026-10-09T14:10:00Z',
  };
  await request(app).put(`/api/readings/${v7()}`).send(reading).expect(200);
  const after = (await request(app).get('/api/watch')).body.rows[0];
  expect(after.thread.points.map((p: { value: number }) => p.value)).toEqual([36, 35.8]);
});

test('a firm that cannot be loaded whole is not loaded at all', async () => {
  const broken: LoadableFirm = { ...firm, id: v7(), people: [{ id: v7(), name: 'x', initials: 'x' }] };
  await expect(loadFirm(suite.db, broken)).rejects.toThrow();
  expect(await suite.db('firms').where({ id: broken.id })).toHaveLength(0);
});
