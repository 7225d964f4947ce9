import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { RoundRecord } from '../field/round-record.ts';
import type { Outgoing } from '../field/outbox.ts';

/** What is kept on this device, so that neither a reload nor a lost signal loses anything. */
export interface Device extends DBSchema {
  rounds: { key: string; value: RoundRecord };
  outbox: { key: number; value: Outgoing };
  cache: { key: string; value: string };
}

let opened: Promise<IDBPDatabase<Device>> | undefined;

export function device(): Promise<IDBPDatabase<Device>> {
  opened ??= openDB<Device>('yarnix', 1, {
    upgrade(db) {
      db.createObjectStore('rounds', { keyPath: 'visitId' });
      db.createObjectStore('outbox', { keyPath: 'order', autoIncrement: true });
      db.createObjectStore('cache');
    },
  });
  return opened;
}
