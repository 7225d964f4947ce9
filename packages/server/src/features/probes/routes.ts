import { probeFaultsSchema, probeQuerySchema, type ProbeSample } from '@yarnix/core';
import { SAMPLE_RATE } from '@yarnix/simulator';
import { streamEvents } from '../../http/event-stream.ts';
import { setTimeout as sleep } from 'node:timers/promises';
import { bytesRoute, route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

/** A stream nobody reads to its end is closed after this long, s of house time: no probe is held that long. */
const LONGEST = 900;

/** The samples at the pace of the house, as they go over the wire; an iterator that is closed in between stops waiting. */
async function* paced(samples: Iterable<{ at: number; value: number }>, everyMs: number): AsyncGenerator<ProbeSample> {
  const began = performance.now();
  let sent = 0;
  for (const { at, value } of samples) {
    await sleep(Math.max(0, began + sent * everyMs - performance.now()));
    yield { at, value: Number.isFinite(value) ? value : null };
    sent += 1;
  }
}

export const probesRoutes = ({ probes }: Services) => [
  route({
    method: 'get',
    path: '/api/probes/faults',
    summary: 'Faults that can be put into the simulated house',
    permission: 'look',
    reply: probeFaultsSchema,
    handle: () => Promise.resolve({ faults: probes.faults() }),
  }),
  bytesRoute({
    path: '/api/probes/stream',
    summary: 'What a simulated probe shows, sample after sample (server-sent events)',
    permission: 'record',
    query: probeQuerySchema,
    respond: async ({ context, query }, response) => {
      const samples = await probes.stream(context, query);
      const everyMs = 1000 / SAMPLE_RATE / probes.speed;
      await streamEvents(response, paced(samples, everyMs), { longestMs: (LONGEST * 1000) / probes.speed });
    },
  }),
];
