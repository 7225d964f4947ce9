import type { RoundRecord } from '@yarnix/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Outgoing, SetAside } from '../field/outgoing.ts';

/** What is kept on this device, so that neither a reload nor a lost signal loses anything. */
export interface Device extends DBSchema {
  rounds: { key: string; value: RoundRecord };
  outbox: { key: number; value: Outgoing };
  /** What the server would not take, until somebody decides about it. */
  aside: { key: number; value: SetAside };
  cache: { key: string; value: string };
}

let opened: Promise<IDBPDatabase<Device>> | undefined;

export function device(): Promise<IDBPDatabase<Device>> {
  opened ??= openDB<Device>('yarnix', 2, {
    upgrade(db, from) {
      if (from < 1) {
        db.createObjectStore('rounds', { keyPath: 'visitId' });
        db.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true });
        db.createObjectStore('cache');
      }
      if (from < 2) db.createObjectStore('aside', { keyPath: 'order' });
    },
    // Another tab with a newer version wants to go on: this one lets it, and fetches its own store again when it is asked.
    blocking(_current, _blocked, event) {
      (event.target as IDBDatabase).close();
      opened = undefined;
    },
    terminated() {
      opened = undefined;
    },
  });
  return opened;
}
