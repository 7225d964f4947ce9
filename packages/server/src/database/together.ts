import type { Knex } from 'knex';

/** Questions at once; within a transaction one after the other, for they share a connection. */
export async function together<T extends readonly unknown[]>(
  on: Knex,
  ...ask: { [K in keyof T]: () => Promise<T[K]> }
): Promise<T> {
  if (!on.isTransaction) return Promise.all(ask.map((one) => one())) as unknown as Promise<T>;
  const answers: unknown[] = [];
  for (const one of ask) answers.push(await one());
  return answers as unknown as T;
}
