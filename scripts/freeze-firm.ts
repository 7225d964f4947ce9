import { writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { readJson, standsOf, type FrozenFirm } from '../tests/frozen-firm/stands.ts';

/**
 * Freezes how the parts of the frozen firm stand, for tests/frozen-firm.test.ts: run it when a rule was changed on purpose,
 * and look at the differences first. The firm itself stays as it is, whatever becomes of the simulator.
 */
writeFileSync(
  new URL('../tests/frozen-firm/stands.json.gz', import.meta.url),
  gzipSync(JSON.stringify(standsOf(readJson('firm') as FrozenFirm)), { level: 9 }),
);
