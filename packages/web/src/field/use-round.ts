import { useSyncExternalStore } from 'react';
import { onRounds, roundNow } from './rounds.ts';

/** What this device holds of a round. */
export const useRoundRecord = (visitId: string) => useSyncExternalStore(onRounds, () => roundNow(visitId));
