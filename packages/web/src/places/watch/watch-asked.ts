import { isWide } from '../../app/use-media.ts';

/** Rows of a page of the Watch: a phone shows fewer at once, and has a slower line and processor to get them with. */
export const pageSize = (): number => (isWide() ? 50 : 20);
/** What of the address is asked of the server. */
export const FILTERS = ['standing', 'area', 'season', 'slot', 'snoozed'] as const;

/** Which page an address is at; 0 is the first. */
export const pageOf = (search: URLSearchParams): number => Math.max(0, Number(search.get('page') ?? 0) || 0);

/** What is asked of the server for an address of the Watch. */
export function watchAsked(search: URLSearchParams): string {
  const size = pageSize();
  const asked = new URLSearchParams({ limit: String(size), offset: String(pageOf(search) * size) });
  for (const name of FILTERS) if (search.has(name)) asked.set(name, search.get(name) ?? '');
  return asked.toString();
}
