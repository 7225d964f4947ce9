import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A source of random numbers that gives the same ones again for the same seed. */
export interface Random {
  /** Uniform in [low, high). */
  between(low: number, high: number): number;
  /** Whole number in [low, high]. */
  whole(low: number, high: number): number;
  normal(mean: number, sd: number): number;
  chance(probability: number): boolean;
  pick<T>(from: readonly [T, ...T[]]): T;
  /** 16 random bytes. */
  bytes(): Uint8Array;
}

/** Makes a Random from a whole-number seed. */
export function randomFrom(seed: number): Random {
  const generator = xoroshiro128plus(seed);
  const next = () => uniformFloat64(generator);
  const between = (low: number, high: number) => low + (high - low) * next();
  const whole = (low: number, high: number) => Math.floor(between(low, high + 1));
  return {
    between,
    whole,
    // Box and Muller's transform of two uniform numbers.
    normal: (mean, sd) => mean + sd * Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    chance: (probability) => next() < probability,
    pick: (from) => from[whole(0, from.length - 1)] ?? from[0],
    bytes: () => Uint8Array.from({ length: 16 }, () => whole(0, 255)),
  };
}

/** A seed from a text, such as an id: the FNV-1a hash of it. */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash | 0;
}
