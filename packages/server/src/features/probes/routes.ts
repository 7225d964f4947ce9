import { probeFaultsSchema, probeQuerySchema } from '@yarnix/core';
import { SAMPLE_RATE } from '@yarnix/simulator';
import { setInterval } from 'node:timers';
import { bytesRoute, route } from '../../http/route.ts';
import type { Services } from '../../services.ts';

/** A stream nobody reads to its end is closed after this long, s of house time: no probe is held that long. */
const LONGEST = 900;

export const probesRoutes = ({ probes, probeSpeed }: Services) => [
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
      // Buffered by nobody on the way: a figure that comes late is no live figure.
      response.set({
        'content-type': 'text/event-stream',
        'cache-control': 'no-cache, no-transform',
        'x-accel-buffering': 'no',
      });
      response.flushHeaders();
      const timer = setInterval(
        () => {
          const { value: sample } = samples.next() as IteratorYieldResult<{ at: number; value: number }>;
          const value = Number.isFinite(sample.value) ? sample.value : null;
          response.write(`data: ${JSON.stringify({ at: sample.at, value })}\n\n`);
          if (sample.at > LONGEST) response.end();
        },
        1000 / SAMPLE_RATE / probeSpeed,
      );
      response.on('close', () => clearInterval(timer));
    },
  }),
];
