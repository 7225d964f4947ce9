import { NO_FAULT } from './complaint-shares.ts';
import type { Expectation } from './expectations.ts';
import { oncePerTest, type Ground } from './ground.ts';

/** How often a fault that comes and goes is away while a test is taken; from memory. */
const AWAY = 0.35;

const made = new WeakMap<Ground, Ground>();

/**
 * The ground of a hunt for a fault that comes and goes: each test reads as the fault makes it, or, while it is away, as on a
 * sound machine. So what reads as it should clears nothing for good, and one answer that was caught while it showed tells as
 * much as ever.
 */
export function comesAndGoes(ground: Ground): Ground {
  const before = made.get(ground);
  if (before) return before;
  const at = ground.causes.findIndex(({ id }) => id === NO_FAULT);
  const mixed = ({ answers, chances }: Expectation): Expectation => {
    const sound = chances[at]?.[0] ?? [];
    const mixedRow = (row: readonly number[]) => row.map((p, a) => (1 - AWAY) * p + AWAY * (sound[a] ?? 0));
    return { answers, chances: chances.map((ways, i) => (i === at ? ways : ways.map(mixedRow))) };
  };
  const moving: Ground = {
    ...ground,
    expect: oncePerTest((test) => mixed(ground.expect(test))),
    with(pairs) {
      const more = ground.with(pairs);
      return more === ground ? moving : comesAndGoes(more);
    },
  };
  made.set(ground, moving);
  return moving;
}
