import {
  componentsFor,
  DEFAULT_POLICY,
  type NewReading,
  type NewSystem,
  type Plate,
  type SystemKind,
} from '@yarnix/core';
import type { Express } from 'express';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import pino from 'pino';
import request from 'supertest';
import { v7 } from 'uuid';
import { createApp } from '../app.ts';
import { connect } from '../database/connection.ts';
import { createDatabase, databaseUrl, dropDatabase } from '../database/databases.ts';
import { migrate } from '../database/migrate.ts';
import type { Identify, Permission } from '../identity/context.ts';
import { jobQueue, type JobQueue } from '../jobs/queue.ts';
import { jobRunner, type Runner } from '../jobs/runner.ts';

/** Connections of a suite's pool: of one, whoever asks for a second while holding the first is found out. */
const CONNECTIONS = Number(process.env.TEST_CONNECTIONS ?? 6);

const TEMPLATE = 'yarnix_template';

/** A firm of two people, and the app as its first person sees it. */
export interface Suite {
  readonly db: Knex;
  readonly url: string;
  readonly app: Express;
  readonly firmId: string;
  readonly close: () => Promise<void>;
  /** The same database, asked by somebody else. */
  readonly appFor: (who: { firmId: string; personId: string; permissions?: Permission[] }) => Express;
  readonly addFirm: (name: string) => Promise<{ firmId: string; personId: string }>;
}

/** The schema is migrated once into a template; each suite gets a copy of its own within milliseconds. */
async function ensureTemplate(admin: string): Promise<void> {
  const lock = connect(admin, 1, { patient: true });
  try {
    await lock.raw('select pg_advisory_lock(4870)');
    await createDatabase(admin, TEMPLATE);
    const template = connect(databaseUrl(admin, TEMPLATE), 1);
    await migrate(template).finally(() => template.destroy());
  } finally {
    await lock.destroy();
  }
}

async function copyTemplate(admin: string, name: string): Promise<void> {
  const lock = connect(admin, 1, { patient: true });
  try {
    // PostgreSQL copies a template only while nobody is connected to it: suites take turns.
    await lock.raw('select pg_advisory_lock(4870)');
    await createDatabase(admin, name, TEMPLATE);
  } finally {
    await lock.destroy();
  }
}

/** Opens a fresh database with one firm and the app on it. */
export async function openSuite(now: () => Date = () => new Date('2026-10-10T18:00:00Z')): Promise<Suite> {
  const admin = process.env.TEST_ADMIN_URL ?? '';
  await ensureTemplate(admin);
  const name = `yarnix_suite_${randomUUID().slice(0, 8)}`;
  await copyTemplate(admin, name);
  const url = databaseUrl(admin, name);
  const db = connect(url, CONNECTIONS);
  const log = pino({ level: 'silent' });
  const addFirm = async (firmName: string) => {
    const [firmId, personId] = [v7(), v7()];
    await db('firms').insert({ id: firmId, name: firmName, zone: 'Etc/UTC', policy: JSON.stringify(DEFAULT_POLICY) });
    await db('people').insert({ id: personId, firm_id: firmId, position: 0, name: 'Test Person', initials: 'TP' });
    return { firmId, personId };
  };
  const { firmId } = await addFirm('First firm');
  return {
    db,
    url,
    firmId,
    addFirm,
    app: createApp({ db, log, now }),
    appFor: ({ firmId: firm, personId, permissions = ['look', 'record', 'manage'] }) => {
      const identify: Identify = () => Promise.resolve({ firmId: firm, personId, permissions: new Set(permissions) });
      return createApp({ db, log, now, identify });
    },
    close: async () => {
      await db.destroy();
      await dropDatabase(admin, name);
    },
  };
}

/** What does a suite's work off the request path: only when it is told to look, on two workers. */
export function runnerOf({ db, url }: Suite, now: () => Date): { readonly jobs: JobQueue; readonly runner: Runner } {
  const jobs = jobQueue(db);
  const log = pino({ level: 'silent' });
  // Built once for all suites: read from its sources, each worker would take seconds to begin.
  const pool = { entry: process.env.BUILT_REFIT_WORKER, pauseMs: 5 };
  return { jobs, runner: jobRunner({ db, jobs, url, log, now, workers: 2, pool }) };
}

export interface MadeSystem {
  readonly id: string;
  readonly body: NewSystem;
  readonly part: (slot: string) => string;
}

const PLATE: Plate = {
  compressorRla: 19.9,
  outdoorFanFla: 1.2,
  blowerFla: 4,
  volts: '208/230',
  capacitorRating: '40+5 µF 440 V',
};

export function systemBody(plate: Plate = PLATE, kind: SystemKind = 'split-heat-pump'): NewSystem {
  return {
    customerId: v7(),
    customerName: 'Quorumber',
    address: '12 Ropewalk Yard',
    area: 'Quayside',
    kind,
    plate,
    components: componentsFor(kind, plate).map(({ slot }) => ({ id: v7(), slot })),
  };
}

export async function makeSystem(app: Express, body: NewSystem = systemBody()): Promise<MadeSystem> {
  const id = v7();
  await request(app).put(`/api/systems/${id}`).send(body).expect(200);
  return { id, body, part: (slot) => body.components.find((c) => c.slot === slot)?.id ?? '' };
}

export async function startVisit(
  app: Express,
  systemId: string,
  startedAt = '2026-10-10T14:00:00.000Z',
): Promise<string> {
  const id = v7();
  await request(app).put(`/api/visits/${id}`).send({ systemId, startedAt }).expect(200);
  return id;
}

/** A bench reading of the herm section, or whatever is asked for instead. */
export const benchReading = (over: Partial<NewReading> & Pick<NewReading, 'visitId' | 'componentId'>): NewReading => ({
  kind: 'run-capacitor-capacitance',
  point: 'herm',
  method: 'bench',
  inputs: { microfarads: 39.6 },
  takenAt: '2026-10-10T14:20:00.000Z',
  conditions: { outdoorF: 55, lineVolts: 241 },
  confirmed: false,
  ...over,
});
