import type { AddressInfo } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { createApp } from '../../packages/server/src/app.ts';
import { writeMeanwhile } from '../../packages/server/src/faults/writer.ts';
import { createLog } from '../../packages/server/src/log.ts';
import { makeSystem, openSuite, startVisit } from '../../packages/server/src/testing/suite.ts';

/** The PostgreSQL of this run crashes amid writes, again and again: what was acknowledged must be there afterwards, once. */
const STRIKES = Number(process.env.FAULT_STRIKES ?? 20);
const WRITERS = 6;

const suite = await openSuite(() => new Date());
const server = createApp({ db: suite.db, log: createLog('silent'), now: () => new Date() }).listen(0, '127.0.0.1');
await new Promise((resolve) => server.once('listening', resolve));
const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
const places = [];
for (let n = 0; n < WRITERS; n += 1) {
  const system = await makeSystem(suite.app);
  const visitId = await startVisit(suite.app, system.id);
  places.push({ visitId, componentId: system.part('run-capacitor') });
}
const all = await writeMeanwhile(address, places, async () => {
  for (let strike = 0; strike < STRIKES; strike += 1) {
    await sleep(500 + ((strike * 211) % 900));
    const revived = new Promise((resolve) => process.once('message', resolve));
    process.send?.('crash');
    if ((await revived) !== 'revived') throw new Error('PostgreSQL could not be started again at its address');
  }
  await sleep(1500);
});
const kept = all.flatMap((s) => [...s.kept]);
const rows = await suite.db('readings').select<{ id: string }[]>('id');
const there = new Set(rows.map((r) => r.id));
const lost = kept.filter((id) => !there.has(id)).length;
const doubled = rows.length - there.size;
const answers = new Map<number, number>();
for (const { answers: own } of all) for (const [status, n] of own) answers.set(status, (answers.get(status) ?? 0) + n);
console.log(
  `PostgreSQL crashed: ${STRIKES} times, ${kept.length} acknowledged, ${lost} lost, ${doubled} doubled; answers ${JSON.stringify(Object.fromEntries(answers))}`,
);
const strange = [...answers.keys()].filter((status) => ![0, 200, 503].includes(status));
process.exit(lost + doubled + strange.length > 0 ? 1 : 0);
