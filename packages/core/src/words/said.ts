/** A sentence as data: its first clause, which is said with weight, and the rest of it; '' before a rest that is all. */
export type Line = readonly [head: string, rest: string];
/** A sentence of a table: in one piece, or with its first clause apart. */
export type Said = string | Line;

/** A sentence of a table as a line. */
export const lineOf = (said: Said): Line => (typeof said === 'string' ? ['', said] : said);

/** A line as plain text. */
export const textOf = ([head, rest]: Line): string => head + rest;

/** Several lines as one: only the first keeps its weight. */
export function joined(lines: readonly Line[]): Line {
  const [first, ...others] = lines;
  if (!first) return ['', ''];
  return [first[0], [first[1], ...others.map(textOf)].join(' ')];
}
