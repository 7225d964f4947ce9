import { placesOn, SYSTEM_KINDS, type NewReading, type Plate, type SystemDetail } from '@yarnix/core';
import type { Express } from 'express';
import request from 'supertest';
import { v7 } from 'uuid';
import { makeSystem, startVisit, systemBody } from '../testing/suite.ts';
import type { Lore } from './values.ts';

/** Bodies that are right, by route: what is spoiled starts from them. */
export type Documents = Readonly<Record<string, readonly unknown[]>>;

const PLATE: Plate = {
  compressorRla: 19.9,
  outdoorFanFla: 1.2,
  blowerFla: 4,
  refrigerant: 'R-410A',
  metering: 'fixed-orifice',
  tons: 3,
  heatKilowatts: 10,
  heatElements: 2,
  capacitorRating: '40+5 µF 440 V',
  sensorR25: 10_000,
  sensorBeta: 3950,
  panHeaterWatts: 120,
  gasRiseLowF: 30,
  gasRiseHighF: 60,
  heatingChart: [
    { outdoorF: 20, suctionPsig: 60 },
    { outdoorF: 40, suctionPsig: 100 },
  ],
};

const NUMBER: Readonly<Record<string, number>> = { µF: 39, A: 12, V: 240, Ω: 15, '°F': 70, psig: 120, '%': 50, s: 45 };

/** A reading of every place of a system, entered as it might be. */
function readingsOf(system: SystemDetail, visitId: string): NewReading[] {
  return system.components.flatMap((part) => {
    const component = { ...part, fittedOn: null };
    return placesOn(component, system.kind, system.plate).map(({ kind, method, point }) => ({
      visitId,
      componentId: part.id,
      kind: kind.id,
      point,
      method: method.id,
      inputs: Object.fromEntries(
        method.inputs.map((i) => [i.id, i.type === 'number' ? (NUMBER[i.unit] ?? 10) : (i.options[0]?.value ?? '')]),
      ),
      takenAt: '2026-10-10T14:20:00.000Z',
      conditions: { outdoorF: 55, lineVolts: 241, runningMin: 15, returnF: 72, returnWetF: 60 },
      confirmed: true,
    }));
  });
}

/** A firm with a system of every kind and a round on each: what its ids are, its words, and bodies that are right. */
export async function madeFirm(app: Express): Promise<{ lore: Lore; documents: Documents; systemIds: string[] }> {
  const ids: string[] = [];
  const words = new Set<string>();
  const readings: NewReading[] = [];
  const systems: unknown[] = [];
  const parts: string[] = [];
  for (const kind of SYSTEM_KINDS) {
    const body = systemBody(PLATE, kind);
    const { id } = await makeSystem(app, body);
    const visitId = await startVisit(app, id);
    const detail = (await request(app).get(`/api/systems/${id}`)).body as SystemDetail;
    ids.push(id, visitId, ...detail.components.map((c) => c.id));
    parts.push(...detail.components.map((c) => c.id));
    readings.push(...readingsOf(detail, visitId));
    systems.push({ ...body, customerId: v7(), components: body.components.map((c) => ({ ...c, id: v7() })) });
  }
  for (const reading of readings.filter((_reading, n) => n % 3 === 0)) {
    const id = v7();
    ids.push(id);
    await request(app).put(`/api/readings/${id}`).send(reading);
  }
  for (const { kind, method, point, inputs } of readings)
    [kind, method, point, ...Object.keys(inputs)].forEach((w) => words.add(w));
  const visitId = readings[0]?.visitId;
  const at = '2026-10-10T14:30:00.000Z';
  return {
    systemIds: ids.slice(0),
    lore: { ids, words: [...words] },
    documents: {
      'put /api/readings/{id}': readings,
      'put /api/systems/{id}': systems,
      'put /api/systems/{id}/plate': [{ plate: PLATE, components: [] }],
      'put /api/visits/{id}': [{ systemId: ids[0], startedAt: at, season: 'fall' }],
      'put /api/visits/{id}/closing': [{ closedAt: at, note: 'done' }],
      'put /api/components/{id}': parts.map((replaces) => ({
        replaces,
        fittedOn: '2026-10-10',
        plate: {},
        reason: 'weak',
        visitId,
      })),
      'put /api/loose-ends/{id}': [
        { visitId, code: null, text: 'panel', openedAt: at, putBackAt: null, leftBecause: null },
      ],
      'put /api/follow-ups/{id}': readings.map(({ componentId, kind, point, method, visitId: visit }) => ({
        visitId: visit,
        componentId,
        kind,
        point,
        method,
        reason: 'no-access',
        dueOn: '2027-04-15',
        putOffAt: at,
      })),
      'put /api/events/{id}': [{ visitId, kind: 'filter-changed', on: '2026-10-10', note: 'x' }],
      'put /api/watch/{componentId}/snooze': [{ until: '2026-12-01', reason: 'not now' }],
      'put /api/refits/{id}/wish': [{ wish: 'cancel' }, { wish: 'resume' }],
      'put /api/refrigerants/{name}': [
        {
          csv: 'Temperature °F,Bubble psig,Dew psig\n0,40,38\n20,60,58\n40,90,88\n60,130,128\n80,180,178',
          source: 'supplier',
        },
      ],
    },
  };
}
