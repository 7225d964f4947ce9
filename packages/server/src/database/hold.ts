import type { Knex } from 'knex';
import { notFound } from '../http/problems.ts';
import type { RequestContext } from '../identity/context.ts';

/** As holdSystem, for the system of a part; tells which it is. Throws not-found for what is not a part of the firm. */
export async function holdSystemOf(
  trx: Knex.Transaction,
  context: RequestContext,
  componentId: string,
): Promise<string> {
  const row = await trx('systems')
    .where('id', trx('components').select('system_id').where({ firm_id: context.firmId, id: componentId }))
    .forNoKeyUpdate()
    .first<{ id: string } | undefined>('id');
  if (!row) throw notFound('part');
  return row.id;
}

/**
 * Holds a system's row until the transaction ends. Whatever is decided by how a system stands (its parts, rounds, loose
 * ends, readings) is read after this and never before: what was read first may be stale by the time one's turn comes.
 * Throws not-found for what is not a system of the firm.
 */
export async function holdSystem(trx: Knex.Transaction, context: RequestContext, systemId: string): Promise<void> {
  const row: unknown = await trx('systems')
    .where({ firm_id: context.firmId, id: systemId })
    .forNoKeyUpdate()
    .first('id');
  if (!row) throw notFound('system');
}
