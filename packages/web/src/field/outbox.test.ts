import { withText } from '@yarnix/core';
import { jest } from '@jest/globals';
import { device } from '../app/device.ts';
import { editAgain, takeBack, tryAgain } from './decide.ts';
import { redated } from './outgoing.ts';
import { onOutbox, outboxState, startSending } from './outbox.ts';
import {
  addReading,
  change,
  closeRound,
  fitPart,
  noteRefusal,
  openRounds,
  roundNow,
  startRound,
  takeReading,
} from './rounds.ts';

/** The server as the device meets it: reachable or not, and what it answers. */
const server = {
  reachable: true,
  refuse: new Map<string, string>(),
  /** Answers of a status without a problem, by path. */
  fails: new Map<string, number>(),
  got: [] as string[],
};
const answer = (status: number, body: unknown, headers: Record<string, string> = {}) =>
  ({ ok: status < 300, status, headers: new Headers(headers), json: () => Promise.resolve(body) }) as Response;
const realFetch = jest.fn((path: string) => {
  if (!server.reachable) return Promise.reject(new TypeError('no network'));
  server.got.push(path);
  const why = server.refuse.get(path);
  const status = server.fails.get(path);
  if (status) return Promise.resolve(answer(status, undefined));
  return Promise.resolve(
    why ? answer(422, { type: 't', title: 't', status: 422, code: 'entry-refused', detail: why }) : answer(200, {}),
  );
});
globalThis.fetch = realFetch as never;
Object.assign(navigator, { locks: { request: (_name: string, work: () => Promise<unknown>) => work() } });

const reading = {
  visitId: 'v',
  componentId: 'c',
  kind: 'run-capacitor-capacitance',
  point: 'herm' as const,
  method: 'bench',
  inputs: { microfarads: 39 },
  takenAt: '2026-10-10T14:00:00.000Z',
  conditions: {},
  confirmed: false,
};
const until = async (done: () => boolean) => {
  for (let i = 0; i < 3000 && !done(); i += 1) await new Promise((resolve) => setTimeout(resolve, 20));
  expect(done()).toBe(true);
};
const sent = jest.fn();

test('what is done without a signal is kept in order, and sent in that order once there is one', async () => {
  server.reachable = false;
  startSending(sent, (refused, why) => noteRefusal(refused.visitId, refused.id, why));
  await startRound('v', { systemId: 's', startedAt: '2026-10-10T13:00:00.000Z' });
  await change('v', (r) => ({ ...r, outdoorText: '52' }));
  await addReading('v', 'key', { id: 'r1', reading, value: 39, findings: [] });
  await fitPart('v', 'c2', { replaces: 'c', fittedOn: '2026-10-10', plate: { rating: '40 µF 440 V' }, reason: 'weak' });
  await closeRound('v', '2026-10-10T15:00:00.000Z', ' done ');
  await until(() => outboxState().waiting.length === 4 && !outboxState().reachable);

  // All of it survives a reload: it is in the device's store, not only in memory.
  const stored = await (await device()).get('rounds', 'v');
  expect(stored).toMatchObject({
    outdoorText: '52',
    readings: [{ id: 'r1' }],
    parts: [{ id: 'c2' }],
    closedAt: '2026-10-10T15:00:00.000Z',
  });
  expect(await openRounds()).toEqual([]);

  server.reachable = true;
  window.dispatchEvent(new Event('online'));
  await until(() => outboxState().waiting.length === 0);
  expect(server.got).toEqual(['/api/visits/v', '/api/readings/r1', '/api/components/c2', '/api/visits/v/closing']);
  expect(outboxState().reachable).toBe(true);
  expect(sent).toHaveBeenCalled();
});

test('what the server will not take is noted where it was typed, and the rest goes on', async () => {
  server.got = [];
  server.refuse.set('/api/readings/bad', 'Beyond any meter.');
  await startRound('w', { systemId: 's', startedAt: '2026-10-10T13:00:00.000Z' });
  await addReading('w', 'key', { id: 'bad', reading: { ...reading, visitId: 'w' }, value: 39, findings: [] });
  await addReading('w', 'key', { id: 'good', reading: { ...reading, visitId: 'w' }, value: 39, findings: [] });
  await until(() => outboxState().waiting.length === 0 && server.got.includes('/api/readings/good'));
  const now = roundNow('w');
  expect(now.status === 'here' && now.record.readings.map((r) => r.refused)).toEqual(['Beyond any meter.', undefined]);
  expect((await openRounds()).map((r) => r.visitId)).toEqual(['w']);
});

test('a typed reading is taken once, however often it is asked for', async () => {
  await startRound('once', { systemId: 's', startedAt: '2026-10-10T13:00:00.000Z' });
  await change('once', (r) => withText(r, 'key', 'microfarads', '39'));
  const taken = (id: string) =>
    takeReading('once', 'key', { id, reading: { ...reading, visitId: 'once' }, value: 39, findings: [] });
  await Promise.all([taken('first'), taken('second')]);
  const now = roundNow('once');
  expect(now.status === 'here' && now.record.readings.map((r) => r.id)).toEqual(['first']);
});

test('keystrokes are written in their order, each over the one before', async () => {
  for (const text of ['3', '38', '38.', '38.4']) void change('w', (r) => ({ ...r, note: text }));
  await change('w', (r) => r);
  expect((await (await device()).get('rounds', 'w'))?.note).toBe('38.4');
});

test('however fast one types, the store is at most one write behind', async () => {
  const put = jest.spyOn(IDBObjectStore.prototype, 'put');
  const last = Array.from({ length: 200 }, (_, i) => change('w', (r) => ({ ...r, note: `stroke ${i}` }))).at(-1);
  await last;
  expect((await (await device()).get('rounds', 'w'))?.note).toBe('stroke 199');
  expect(put.mock.calls.length).toBeLessThanOrEqual(3);
  put.mockRestore();
});

test('whoever listens is told, and a round that is not here is absent', async () => {
  const heard = jest.fn();
  const stop = onOutbox(heard);
  await startRound('x', { systemId: 's', startedAt: '2026-10-10T13:00:00.000Z' });
  await until(() => heard.mock.calls.length > 0);
  stop();
  expect(roundNow('nowhere').status).toBe('loading');
  await until(() => roundNow('nowhere').status === 'absent');
});

describe('one refused write never stops the others', () => {
  const path = (id: string) => `/api/readings/${id}`;
  // What the test before left there stays there.
  const asideNow = () => outboxState().aside.filter((a) => a.visitId !== 'w');
  const begin = async (visitId: string) => {
    server.got = [];
    await startRound(visitId, { systemId: 's', startedAt: '2026-10-10T13:00:00.000Z' });
  };
  const add = (visitId: string, id: string, microfarads = 39) =>
    addReading(visitId, `${visitId}/${id}`, {
      id,
      reading: { ...reading, visitId, point: id.endsWith('fan') ? 'fan' : 'herm', inputs: { microfarads } },
      value: microfarads,
      findings: [],
    });

  test('a server that fails on one write is not taken for one without a signal', async () => {
    await begin('f');
    server.fails.set(path('f1'), 500);
    await add('f', 'f1');
    await add('f', 'f2fan');
    await until(() => server.got.includes(path('f2fan')) && outboxState().waiting.length === 0);
    expect(outboxState().reachable).toBe(true);
    expect(asideNow()).toMatchObject([{ id: 'f1', code: 'no-reason', body: { inputs: { microfarads: 39 } } }]);
  });

  test('the close waits for what was refused, and goes once that is sent again', async () => {
    await closeRound('f', '2026-10-10T15:00:00.000Z', '');
    await until(() => outboxState().waiting.length === 1);
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(server.got).not.toContain('/api/visits/f/closing');
    server.fails.clear();
    await tryAgain(asideNow()[0]!);
    await until(() => outboxState().waiting.length === 0);
    expect(server.got.slice(-2)).toEqual([path('f1'), '/api/visits/f/closing']);
    expect(asideNow()).toEqual([]);
  });

  test('what was refused can be taken back, and that undone; or edited in its field as it was typed', async () => {
    await begin('g');
    server.refuse.set(path('g1'), 'No such part.');
    await add('g', 'g1', 41);
    await until(() => asideNow().length === 1);
    const undo = await takeBack(asideNow()[0]!);
    const local = () => {
      const now = roundNow('g');
      return now.status === 'here' ? now.record : null;
    };
    expect(asideNow().length + (local()?.readings.length ?? 9)).toBeLessThanOrEqual(1);
    expect(local()?.readings).toEqual([]);
    await undo();
    await until(() => asideNow().length === 1);
    expect(local()?.readings).toMatchObject([{ id: 'g1', refused: 'No such part.' }]);
    await editAgain(asideNow()[0]!);
    await until(() => asideNow().length === 0);
    expect(local()).toMatchObject({
      readings: [],
      drafts: { 'c/run-capacitor-capacitance/herm/bench': { microfarads: '41' } },
    });
  });

  test.each([429, 502, 503, 504])(
    '%s passes by itself: it is asked again, in order, and nothing is set aside',
    async (status) => {
      const visit = `p${status}`;
      await begin(visit);
      await until(() => outboxState().waiting.length === 0);
      server.fails.set(path(`${visit}r`), status);
      await add(visit, `${visit}r`);
      await until(() => !outboxState().reachable);
      expect([asideNow().length, outboxState().waiting.length]).toEqual([0, 1]);
      server.fails.clear();
      window.dispatchEvent(new Event('online'));
      await until(() => outboxState().waiting.length === 0);
    },
  );

  test('a round whose start was refused keeps all that is its own, in order', async () => {
    server.refuse.set('/api/visits/h', 'This device’s clock is 3 days ahead.');
    await begin('h');
    await add('h', 'h1');
    await until(() => asideNow().length === 1 && outboxState().waiting.length === 1);
    server.refuse.delete('/api/visits/h');
    await tryAgain(asideNow()[0]!);
    await until(() => outboxState().waiting.length === 0);
    expect(server.got.slice(-2)).toEqual(['/api/visits/h', path('h1')]);
  });

  test('sent again with the right time, only the moments of the device’s clock move', () => {
    const body = { takenAt: '2026-10-13T14:00:00.000Z', dueOn: '2027-04-15', inputs: { amps: 5 } };
    expect(redated({ path: '/api/readings/x', body, visitId: 'v', id: 'x' }, 3 * 86_400_000).body).toEqual({
      ...body,
      takenAt: '2026-10-10T14:00:00.000Z',
    });
  });
});

test('what comes while the outbox is being looked into is not slept over', async () => {
  await until(() => outboxState().waiting.length === 0);
  await startRound('late', { systemId: 's', startedAt: '2026-10-10T13:00:00.000Z' });
  await until(() => outboxState().waiting.length === 0);
  // The look finds nothing to send, and waits for the rest of what it looks at.
  const rest = (await device()).transaction('aside', 'readwrite');
  let isHeld = true;
  const holding = (async () => {
    while (isHeld) await rest.store.count();
    await rest.done;
  })();
  window.dispatchEvent(new Event('online'));
  await (await device()).getAll('outbox');
  await addReading('late', 'late', { id: 'late1', reading: { ...reading, visitId: 'late' }, value: 39, findings: [] });
  isHeld = false;
  await holding;
  await until(() => server.got.includes('/api/readings/late1'));
});
