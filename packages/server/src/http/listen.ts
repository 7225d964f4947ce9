import type { Express } from 'express';
import { createServer, type Server } from 'node:http';
import type { Socket } from 'node:net';

export interface ConnectionLimits {
  /** Headers must be here by then, ms. */
  readonly headersMs: number;
  /** A request must have come whole by then, ms: a photo over a poor line takes its time. */
  readonly requestMs: number;
  /** A connection on which nothing moves is closed after this, ms: a body half sent, an answer nobody reads. */
  readonly idleMs: number;
  /**
   * A connection that waits for its client's next request is closed after this, ms. Longer than clients and proxies keep one (most
   * 60 s or less), so that the client is the one who hangs up: a request on its way to a socket just closed is answered by a reset.
   */
  readonly keepAliveMs: number;
  readonly perClient: number;
  readonly all: number;
}
export const USUAL_CONNECTIONS: ConnectionLimits = {
  headersMs: 10_000,
  requestMs: 120_000,
  idleMs: 20_000,
  keepAliveMs: 65_000,
  perClient: 120,
  all: 1000,
};

/** Hangs up on a client that opens more than its share of connections. */
function limitPerClient(server: Server, most: number): void {
  const open = new Map<string, number>();
  server.on('connection', (socket: Socket) => {
    const client = socket.remoteAddress ?? '';
    const now = (open.get(client) ?? 0) + 1;
    open.set(client, now);
    socket.once('close', () => {
      const left = (open.get(client) ?? 1) - 1;
      if (left > 0) open.set(client, left);
      else open.delete(client);
    });
    if (now > most) socket.destroy();
  });
}

/** An HTTP server for the app whose every connection has an end, whatever its client does or leaves undone. */
export function httpServer(app: Express, limits: ConnectionLimits = USUAL_CONNECTIONS): Server {
  const server = createServer(
    {
      headersTimeout: limits.headersMs,
      requestTimeout: limits.requestMs,
      connectionsCheckingInterval: Math.min(5000, limits.headersMs),
    },
    app,
  );
  server.setTimeout(limits.idleMs);
  server.keepAliveTimeout = limits.keepAliveMs;
  server.maxConnections = limits.all;
  limitPerClient(server, limits.perClient);
  return server;
}
