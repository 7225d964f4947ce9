import type { Knex } from 'knex';

/** Narrows a question to rows whose column is one of some ids: one binding, however many they are, where each of `in` is one. */
export const anyOf =
  (column: string, ids: readonly string[]) =>
  (some: Knex.QueryBuilder): void =>
    void some.whereRaw('?? = any(?::uuid[])', [column, [...ids]]);
