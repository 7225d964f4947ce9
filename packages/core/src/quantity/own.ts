/**
 * The entry of a table under a name that somebody wrote; undefined when the table has none of its own. A plain index would
 * also find what every object inherits: own({}, 'constructor') is undefined, while ({})['constructor'] is a function.
 */
export const own = <T>(table: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(table, name) ? table[name] : undefined;

/** Whether a table has an entry of its own under a name that somebody wrote. */
export const isOwn = <T extends object>(table: T, name: string): name is Extract<keyof T, string> =>
  Object.hasOwn(table, name);
