import type { RoundRecord } from '@yarnix/core';
import { act } from '@testing-library/react';
import { v7 } from 'uuid';
import { change, roundNow, startRound } from '../field/rounds.ts';

/** A round on this device that stands at a stop, at 50 °F outdoors; its id. */
export async function roundAt(systemId: string, stop: RoundRecord['begun'][number]): Promise<string> {
  const visitId = v7();
  await act(async () => {
    await startRound(visitId, { systemId, startedAt: new Date().toISOString(), season: 'fall' });
    await change(visitId, (r) => ({ ...r, outdoorText: '50', begun: [stop] }));
  });
  return visitId;
}

/** A round as this device has it. */
export function recordHere(visitId: string): RoundRecord {
  const now = roundNow(visitId);
  if (now.status !== 'here') throw new Error('the round is not here');
  return now.record;
}
