import {
  isOwn,
  readPressureTable,
  REFRIGERANTS,
  sayTableTrouble,
  tablesOf,
  type NewRefrigerant,
  type PressureTables,
  type RefrigerantView,
} from '@yarnix/core';
import Papa from 'papaparse';
import { ProblemError } from '../../http/problems.ts';
import type { RequestContext } from '../../identity/context.ts';
import type { On } from '../../wiring.ts';
import { refrigerantsStore } from './store.ts';

/** Suppliers' pressure–temperature tables: checked row by row, then used like the built-in curves. */
export function refrigerantsService({ db }: On) {
  const store = refrigerantsStore(db);
  return {
    all: (context: RequestContext) => store.all(context),
    tables: async (context: RequestContext): Promise<PressureTables> => tablesOf(await store.all(context)),
    async load(context: RequestContext, name: string, asked: NewRefrigerant): Promise<RefrigerantView> {
      if (isOwn(REFRIGERANTS, name)) {
        const detail = `${name} is built in, from published equations; its data cannot be replaced.`;
        throw new ProblemError('table-refused', detail, [{ path: 'path.name', detail }]);
      }
      const { data } = Papa.parse<string[]>(asked.csv.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: false });
      const read = readPressureTable(data);
      if (read.outcome === 'refused') {
        const detail = sayTableTrouble(read);
        throw new ProblemError('table-refused', detail, [{ path: 'csv', detail }]);
      }
      const table = { name, estimate: asked.estimate, source: asked.source, points: [...read.points] };
      await store.put(context, table);
      return table;
    },
  };
}
