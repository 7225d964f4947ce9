import { useSyncExternalStore } from 'react';
import { onOutbox, outboxState } from './outbox.ts';

/** How much is waiting to be sent, and whether the server can be reached. */
export const useOutbox = () => useSyncExternalStore(onOutbox, outboxState);
