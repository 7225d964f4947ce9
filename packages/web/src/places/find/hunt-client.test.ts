import type { HuntAsked, HuntReport } from '@yarnix/core';
import { jest } from '@jest/globals';
import { busyNow } from '../../app/busy.ts';
import { huntClient, type Worked } from './hunt-client.ts';

const report = { suspects: [], offers: [], contradictions: [], standing: { is: 'open' } } as HuntReport;
const asked = {} as HuntAsked;

/** A worker that answers as told: with a report, never, or by failing. */
function worker(does: 'answers' | 'hangs' | 'refuses') {
  let fail: (error: Error) => void = () => undefined;
  const failed = new Promise<never>((_, reject) => (fail = reject));
  failed.catch(() => undefined);
  const answer = () =>
    does === 'answers'
      ? Promise.resolve(report)
      : does === 'hangs'
        ? new Promise<HuntReport>(() => undefined)
        : Promise.reject(new Error('cannot be worked out'));
  const end = jest.fn();
  return { worked: { hunting: { report: answer }, failed, end } as unknown as Worked, end, fail };
}

test('one worker answers for as long as it does', async () => {
  const one = worker('answers');
  const start = jest.fn(() => one.worked);
  const ask = huntClient(start);
  expect(await ask('split-heat-pump', {}, asked)).toBe(report);
  await ask('split-heat-pump', {}, asked);
  expect(start).toHaveBeenCalledTimes(1);
  expect(busyNow()).toEqual([]);
});

test('a worker that dies is told of to whoever waits, ended, and followed by another', async () => {
  const [dead, alive] = [worker('hangs'), worker('answers')];
  const workers = [dead.worked, alive.worked];
  const ask = huntClient(() => workers.shift()!);
  const waiting = ask('split-heat-pump', {}, asked);
  expect(busyNow()).toEqual(['diagnosis']);
  dead.fail(new Error('out of memory'));
  await expect(waiting).rejects.toThrow('out of memory');
  expect(dead.end).toHaveBeenCalledTimes(1);
  expect(busyNow()).toEqual([]);
  expect(await ask('split-heat-pump', {}, asked)).toBe(report);
});

test('a question that is never answered ends', async () => {
  const ask = huntClient(() => worker('hangs').worked, 30);
  await expect(ask('split-heat-pump', {}, asked)).rejects.toThrow('no answer');
});

test('what the worker itself refuses is told, too', async () => {
  await expect(huntClient(() => worker('refuses').worked)('split-heat-pump', {}, asked)).rejects.toThrow('worked out');
});
