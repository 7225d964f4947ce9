import { openSuite, type Suite } from '../testing/suite.ts';
import { heldBy, inTransaction, OutsideTransactionError } from './transaction.ts';

let suite: Suite;
beforeAll(async () => (suite = await openSuite()));
afterAll(() => suite.close());

test('within a transaction its own pool answers nothing, the transaction and its savepoints do', async () => {
  const { db } = suite;
  const names = await inTransaction(db, async (held) => {
    await expect(db('firms').select('name')).rejects.toThrow(OutsideTransactionError);
    await expect(db.transaction(() => Promise.resolve())).rejects.toThrow(OutsideTransactionError);
    return inTransaction(held, async (deeper) => {
      await expect(db('firms').select('name')).rejects.toThrow(OutsideTransactionError);
      return deeper('firms').pluck<string[]>('name');
    });
  });
  expect(names).toEqual(['First firm']);
  // After it, and beside it, the pool is there for everybody.
  expect(await db('firms').pluck<string[]>('name')).toEqual(names);
  await Promise.all([inTransaction(db, (held) => held.raw('select pg_sleep(0.05)')), db.raw('select 1')]);
});

test('what rests on held rows is refused on a pool', async () => {
  expect(() => heldBy(suite.db)).toThrow('within a transaction');
  await inTransaction(suite.db, (held) => {
    expect(heldBy(held)).toBe(held);
    return Promise.resolve();
  });
});
