import { newRound, type RoundRecord } from './round-record.ts';
import type { RoundReading } from './round-parts.ts';
import { runningIn, visitConditions } from './visit-conditions.ts';

const start = newRound('visit', 'system', '2026-10-10T14:00:00.000Z');
const NOW = Date.parse('2026-10-10T15:00:00.000Z');
const settings = (takenAt: string, termination: string): RoundReading => ({
  ...{ id: takenAt, visitId: 'visit', componentId: 'board', kind: 'defrost-settings', point: 'whole' },
  ...{ method: 'jumpers', value: null, findings: [], takenAt, supersedes: null, conditions: {} },
  inputs: { termination, interval: '60' },
});
/** Ids of version 7 begin with their moment, ms since 1970. */
const idAt = (moment: string) => {
  const hex = Date.parse(moment).toString(16).padStart(12, '0');
  return `${hex.slice(0, 8)}-${hex.slice(8)}-7000-8000-000000000000`;
};
const moved = (at: string, to: number, withdrawn = false): RoundRecord['events'][number] => ({
  id: idAt(at),
  event: {
    ...{ visitId: 'visit', kind: 'termination-moved', on: '2026-10-10', note: null },
    ...{ change: { from: 50, to }, withdrawn },
  },
});
const terminationF = (events: RoundRecord['events'], ...readings: RoundReading[]) =>
  visitConditions({ ...start, events }, readings, NOW).conditions.terminationF;

test('where a defrost ends is as it was read on this visit, or moved, whichever came last', () => {
  const read = settings('2026-10-10T14:10:00.000Z', '50');
  expect(terminationF([])).toBeUndefined();
  expect(terminationF([], read)).toBe(50);
  expect(terminationF([moved('2026-10-10T14:20:00.000Z', 70)], read)).toBe(70);
  expect(terminationF([moved('2026-10-10T14:05:00.000Z', 70)], read)).toBe(50);
  expect(terminationF([moved('2026-10-10T14:20:00.000Z', 70, true)], read)).toBe(50);
  expect(terminationF([], settings('2026-10-10T14:10:00.000Z', 'fixed'))).toBeUndefined();
});

test('outdoor air that is no number is told, and warmer than any is refused', () => {
  const problem = (outdoorText: string) => visitConditions({ ...start, outdoorText }, [], NOW).problem;
  expect([problem(''), problem('84'), problem('-5')]).toEqual([null, null, null]);
  expect(problem('warm')).toHaveProperty('because');
  expect(problem('400')).toEqual({ above: 400 });
});

test('a stage noted in one mode says nothing of the other, and the last one noted holds', () => {
  const stage = (takenAt: string, point: string, named: string, visitId = 'visit'): RoundReading => ({
    ...{ ...settings(takenAt, '50'), visitId, componentId: 'compressor', kind: 'compressor-stage', method: 'cooling' },
    ...{ point: point as never, inputs: { stage: named } },
  });
  const cooling = stage('2026-10-10T14:10:00.000Z', 'call-cooling', 'low');
  const at = (mode: 'heating' | 'cooling' | 'fan' | 'calls', ...readings: RoundReading[]) =>
    runningIn(start, readings, mode, NOW);
  expect(at('cooling', cooling)).toEqual({ call: 'cooling', compressorStage: 'low' });
  expect([at('heating', cooling), at('fan', cooling)]).toEqual([{ call: 'heating' }, { call: 'fan' }]);
  expect(at('calls', cooling)).toEqual({});
  expect(at('cooling', cooling, stage('2026-10-10T14:20:00.000Z', 'call-cooling', 'high'))).toEqual({
    call: 'cooling',
    compressorStage: 'high',
  });
  expect(at('cooling', stage('2025-10-10T14:10:00.000Z', 'call-cooling', 'high', 'another'))).toEqual({
    call: 'cooling',
  });
  const running = { ...start, runningSince: { cooling: '2026-10-10T14:45:00.000Z' } };
  expect(runningIn(running, [cooling], 'cooling', NOW)).toEqual({
    ...{ runningMin: 15, call: 'cooling', compressorStage: 'low' },
  });
});
