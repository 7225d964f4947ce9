import type { Page, Request } from '@playwright/test';

const LAST = 15;

/**
 * Watches what a page asks the server. Returns what tells, a line each, what it asked last, how long each took, and what it still
 * waits for: a page that has stopped looks the same whether it asks nothing or is not answered.
 */
export function watchTraffic(page: Page): () => string {
  const began = Date.now();
  const asked = new Map<Request, { at: number; end: string }>();
  const ended = (how: string) => (request: Request) => {
    const entry = asked.get(request);
    if (entry) entry.end = `${how} after ${Date.now() - began - entry.at} ms`;
  };
  page.on('request', (request) => {
    if (request.url().includes('/api/')) asked.set(request, { at: Date.now() - began, end: 'not answered' });
  });
  page.on('requestfinished', ended('answered'));
  page.on('requestfailed', ended('failed'));
  return () =>
    [
      `${Date.now() - began} ms after the page came:`,
      ...[...asked]
        .filter(([, { end }], i) => i >= asked.size - LAST || end === 'not answered')
        .map(([request, { at, end }]) => `at ${at} ms ${request.method()} ${new URL(request.url()).pathname}: ${end}`),
    ].join('\n');
}
