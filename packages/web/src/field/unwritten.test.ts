import { newRound } from '@yarnix/core';
import { jest } from '@jest/globals';
import { device } from '../app/device.ts';
import { change, keep, roundNow, startRound } from './rounds.ts';
import { unwrittenTakenUp } from './unwritten.ts';

/** Pages that live hold their lock: asking for it waits. */
const living = new Set<string>();
const whenGone = new Map<string, () => void>();
Object.assign(navigator, {
  locks: {
    request: (name: string, work: () => Promise<unknown>) =>
      living.has(name) ? new Promise<void>((gone) => whenGone.set(name, gone)).then(work) : work(),
  },
});

const record = { ...newRound('v', 's', '2026-10-10T13:00:00.000Z', null), outdoorText: '52' };
const sending = (id: string) => ({ path: `/api/readings/${id}`, body: { inputs: { amps: 11 } }, visitId: 'v', id });
const noteOf = (page: string, visitId: string, note: unknown) =>
  localStorage.setItem(`yarnix-unwritten/${page}/${visitId}`, JSON.stringify(note));
const notes = () => Object.keys(localStorage).filter((name) => name.startsWith('yarnix-unwritten/'));
const here = async (visitId: string) => {
  for (let i = 0; i < 3000 && roundNow(visitId).status === 'loading'; i += 1)
    await new Promise((r) => setTimeout(r, 20));
  return roundNow(visitId);
};

test('what an earlier page could not write is written before anything is read, each thing once', async () => {
  await (await device()).add('outbox', sending('r1'));
  noteOf('gone', 'v', { record, outgoing: [sending('r1'), sending('r2')] });
  living.add('yarnix-unwritten/open');
  noteOf('open', 'elsewhere', { record: { ...record, visitId: 'elsewhere' }, outgoing: [sending('r3')] });

  // One that is reloaded on a busy device lets go late: what it noted is still there before anything is shown.
  living.add('yarnix-unwritten/going');
  noteOf('going', 'late', { record: { ...record, visitId: 'late', note: '12.6' }, outgoing: [] });
  setTimeout(() => whenGone.get('yarnix-unwritten/going')?.(), 1500);

  expect(await here('late')).toMatchObject({ status: 'here', record: { note: '12.6' } });
  expect(await here('v')).toMatchObject({ status: 'here', record: { outdoorText: '52' } });
  expect((await (await device()).getAll('outbox')).map((item) => item.id)).toEqual(['r1', 'r2']);
  // A page that is open writes its own.
  expect(notes()).toEqual(['yarnix-unwritten/open/elsewhere']);
  living.clear();
  localStorage.clear();
}, 20_000);

test('a note stands for as long as the store has not answered, and no longer', async () => {
  await unwrittenTakenUp();
  const put = jest.spyOn(IDBObjectStore.prototype, 'put');
  const begun = startRound('w', { systemId: 's', startedAt: '2026-10-10T13:00:00.000Z' });
  void change('w', (r) => ({ ...r, note: 'fan hu' }));
  const last = change('w', (r) => ({ ...r, note: 'fan hums' }));
  expect(put).not.toHaveBeenCalled();
  expect(notes()).toHaveLength(1);
  expect(JSON.parse(localStorage.getItem(notes()[0]!)!)).toMatchObject({
    record: { note: 'fan hums' },
    outgoing: [{ path: '/api/visits/w' }],
  });
  await Promise.all([begun, last]);
  expect(notes()).toEqual([]);
  put.mockRestore();
});

test('a store that fails leaves the note for the page that comes after', async () => {
  const transaction = jest.spyOn(IDBDatabase.prototype, 'transaction').mockImplementation(() => {
    throw new DOMException('no room', 'QuotaExceededError');
  });
  await expect(keep({ ...record, visitId: 'x', note: 'kept' })).rejects.toThrow('no room');
  transaction.mockRestore();
  expect(JSON.parse(localStorage.getItem(notes()[0]!)!)).toMatchObject({ record: { visitId: 'x', note: 'kept' } });
});

test('no room for a note stops nothing', async () => {
  const set = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  await startRound('y', { systemId: 's', startedAt: '2026-10-10T13:00:00.000Z' });
  set.mockRestore();
  expect((await (await device()).get('rounds', 'y'))?.visitId).toBe('y');
});
