import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Random choices from a seed: the same seed makes the same ones. */
export interface Random {
  /** 0 up to, but not, n. */
  readonly below: (n: number) => number;
  readonly chance: (share: number) => boolean;
  readonly pick: <T>(from: readonly T[]) => T;
  readonly uuid: () => string;
}

export function randomOf(seed: number): Random {
  const generator = xoroshiro128plus(seed);
  const below = (n: number): number => uniformInt(generator, 0, n - 1);
  const hex = (digits: number): string => Array.from({ length: digits }, () => below(16).toString(16)).join('');
  return {
    below,
    chance: (share) => below(1_000_000) < share * 1_000_000,
    pick: <T>(from: readonly T[]): T => from[below(from.length)]!,
    uuid: () => `${hex(8)}-${hex(4)}-7${hex(3)}-8${hex(3)}-${hex(12)}`,
  };
}
