/** A list in pieces of a size. */
export const chunksOf = <T>(all: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(all.length / size) }, (_, i) => all.slice(i * size, (i + 1) * size));
