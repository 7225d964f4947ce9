import type { FollowUpView } from '../http/rounds.ts';
import type { SystemDetail } from '../http/systems.ts';
import { placeKey, type LocalFollowUp, type RoundRecord } from './round-record.ts';

/** The follow-up this round made of a field, unless it was taken back. */
export const followUpOf = (record: RoundRecord, key: string): LocalFollowUp | null =>
  record.followUps.find((f) => placeKey(f.followUp) === key && !f.followUp.withdrawn) ?? null;

/** What an earlier visit put off at a place and nobody has taken since. */
export const owedAt = (
  system: SystemDetail,
  place: { componentId: string; kind: string; point: string },
): FollowUpView | null =>
  system.followUps.find(
    (f) =>
      f.componentId === place.componentId &&
      f.kind === place.kind &&
      f.point === place.point &&
      f.doneBy === null &&
      !f.withdrawn,
  ) ?? null;
