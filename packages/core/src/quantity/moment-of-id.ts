/**
 * When a time-ordered id was made, UTC: the first 48 bits of a UUID of version 7 are milliseconds since 1970 (RFC 9562).
 * Null for any other id.
 */
export function momentOfId(id: string): string | null {
  const hex = id.replaceAll('-', '');
  if (!/^[0-9a-f]{12}7[0-9a-f]{19}$/i.test(hex)) return null;
  return new Date(Number.parseInt(hex.slice(0, 12), 16)).toISOString();
}
