import { AsyncLocalStorage } from 'node:async_hooks';
import type { Knex } from 'knex';

/** The pools that hold a transaction open for whatever is being done just now. */
const underWay = new AsyncLocalStorage<ReadonlySet<unknown>>();

/** What a question to a pool says while a transaction of it waits for the answer. */
export class OutsideTransactionError extends Error {
  constructor() {
    super('The pool was asked within one of its own transactions: ask through the transaction.');
  }
}

/**
 * Does work in one transaction: whole, or not at all. While it lasts, the pool it came from answers nothing that this
 * work asks: with every connection taken by transactions that wait for one more, none would ever end. Within a
 * transaction, a savepoint of it. Throws whatever the work throws.
 */
export const inTransaction = <T>(on: Knex, work: (held: Knex.Transaction) => Promise<T>): Promise<T> =>
  on.transaction((held) => {
    const pools = new Set(underWay.getStore());
    if (!on.isTransaction) pools.add(on.client);
    return underWay.run(pools, () => work(held));
  });

/** Has a pool refuse what is asked of it within one of its own transactions. */
export function refuseWithin(pool: Knex): Knex {
  const client = pool.client as Knex.Client;
  const acquire = client.acquireConnection.bind(client) as () => Promise<unknown>;
  client.acquireConnection = () =>
    underWay.getStore()?.has(client) ? Promise.reject(new OutsideTransactionError()) : acquire();
  return pool;
}

/** The transaction that a handle is of. Throws where it is a pool: what asks here rests on rows that are held. */
export function heldBy(on: Knex): Knex.Transaction {
  if (!on.isTransaction) throw new Error('This is only done within a transaction.');
  return on as Knex.Transaction;
}
