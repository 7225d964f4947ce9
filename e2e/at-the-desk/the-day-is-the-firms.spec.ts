import { randomUUID } from 'node:crypto';
import { test as base } from '@playwright/test';
import { atRest, expect, ownServer, type OwnServer } from '../support/app.ts';
import { makeSystem } from '../support/system.ts';

/** Half past eleven at night where the firm is: UTC is at tomorrow already, or has not come to this evening yet. */
const EVENINGS = [
  {
    zone: 'America/Denver',
    now: '2026-12-01T06:30:00.000Z',
    today: 'November 30, 2026',
    other: /December 1(, 2026)?\b/,
  },
  {
    zone: 'Pacific/Auckland',
    now: '2026-12-01T10:30:00.000Z',
    today: 'December 1, 2026',
    other: /November 30|December 2/,
  },
] as const;

const minutesBefore = (iso: string, minutes: number): string =>
  new Date(Date.parse(iso) - minutes * 60_000).toISOString();

const put = async ({ address }: OwnServer, path: string, body: object) => {
  const reply = await fetch(`${address}${path}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  expect([path, reply.status]).toEqual([path, 200]);
};

for (const { zone, now, today, other } of EVENINGS)
  base(`at 23:30 in ${zone} every screen has today’s visit on today`, async ({ page }) => {
    const server = await ownServer({ now: new Date(now), zone });
    try {
      const plate = { capacitorRating: '40+5 µF 440 V', compressorRla: 17.2 };
      const system = await makeSystem(server.address, 'split-heat-pump', plate, 'Midnight Yard');
      const visitId = randomUUID();
      await put(server, `/api/visits/${visitId}`, { systemId: system.id, startedAt: minutesBefore(now, 20) });
      const part = { componentId: system.part('run-capacitor'), kind: 'run-capacitor-capacitance', point: 'herm' };
      await put(server, `/api/readings/${randomUUID()}`, {
        ...{ ...part, visitId, method: 'bench', inputs: { microfarads: 39.6 }, conditions: {}, confirmed: false },
        takenAt: minutesBefore(now, 15),
      });
      await put(server, `/api/visits/${visitId}/closing`, { closedAt: minutesBefore(now, 10) });
      const thread = `${part.componentId}/${part.kind}/${part.point}`;
      // The device is somewhere else than the firm.
      await page.clock.install({ time: new Date(now) });
      const screens: [path: string, says: boolean][] = [
        [`/systems?search=${encodeURIComponent(system.address)}`, true],
        [`/systems/${system.id}`, true],
        [`/systems/${system.id}?as=table`, false],
        [`/systems/${system.id}/threads/${thread}`, true],
        [`/systems/${system.id}/visits/${visitId}/report`, true],
        ['/rounds', true],
        ['/day', true],
      ];
      for (const [path, says] of screens) {
        await page.goto(`${server.address}${path}`);
        await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
        await atRest(page);
        const text = (await page.getByRole('main').innerText()).replaceAll(/\s+/g, ' ');
        if (says) expect([path, text]).toEqual([path, expect.stringContaining(today)]);
        // Another day may stand there for what is due; no visit, reading or fitting is on it.
        if (path !== '/day' && path !== '/rounds') expect([path, other.exec(text)?.[0]]).toEqual([path, undefined]);
      }
      const detail = (await (await fetch(`${server.address}/api/systems/${system.id}`)).json()) as { zone: string };
      expect(detail.zone).toBe(zone);
    } finally {
      await server.stop();
    }
  });
