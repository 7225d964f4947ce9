import type { RoundRecord } from '@yarnix/core';
import { act, screen } from '@testing-library/react';
import type { ComponentType } from 'react';
import { v7 } from 'uuid';
import { change, roundNow, startRound } from '../field/rounds.ts';
import { at, open } from './office.tsx';

type Stop = RoundRecord['begun'][number];

/** A round on this device that stands at a stop, at 50 °F outdoors; its id. */
export async function roundAt(systemId: string, stop: Stop): Promise<string> {
  const visitId = v7();
  await act(async () => {
    await startRound(visitId, { systemId, startedAt: new Date().toISOString(), season: 'fall' });
    await change(visitId, (r) => ({ ...r, outdoorText: '50', begun: [stop] }));
  });
  return visitId;
}

/** A round that stands at a stop, and the screen of rounds opened there. */
export async function openAtStop(
  Screen: ComponentType,
  systemId: string,
  stop: Stop,
  { size = 'wide', search = '' }: { readonly size?: 'phone' | 'wide'; readonly search?: string } = {},
) {
  at(size);
  const visitId = await roundAt(systemId, stop);
  const path = `/systems/${systemId}/rounds/${visitId}/${stop}${search}`;
  const drawn = open(path, { '/systems/:systemId/rounds/:visitId/:stopId': Screen });
  await screen.findAllByRole('heading', { level: 1 });
  return { ...drawn, visitId };
}

/** A round as this device has it. */
export function recordHere(visitId: string): RoundRecord {
  const now = roundNow(visitId);
  if (now.status !== 'here') throw new Error('the round is not here');
  return now.record;
}
