import { useSyncExternalStore } from 'react';
import { onOutbox, outboxState } from './outbox.ts';
import { onRounds, roundNow } from './rounds.ts';

/** What this device holds of a round. */
export const useRoundRecord = (visitId: string) => useSyncExternalStore(onRounds, () => roundNow(visitId));

/** How much is waiting to be sent, and whether the server can be reached. */
export const useOutbox = () => useSyncExternalStore(onOutbox, outboxState);
