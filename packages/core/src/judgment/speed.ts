import { isTwoStage } from '../equipment/plate.ts';
import { isInverter, type SystemKind } from '../equipment/system-kind.ts';
import type { About } from '../readings/contract/entry.ts';
import type { NumericKind } from '../readings/contract/kind.ts';
import { noBasis } from '../readings/contract/window.ts';
import type { Limits } from '../verdict/limits.ts';
import type { Need } from '../verdict/rules.ts';

/** How fast the compressor ran for a reading that goes with it: at its full speed, on its low stage, or nobody knows. */
export type Speed = 'full' | 'low' | 'unknown';

/** Of a reading, what it takes to say how the machine ran. */
type Ran = Omit<About, 'component' | 'point'>;

/** How fast it ran while a reading of a kind was taken; 'full' for kinds that do not go with it. */
export function speedOf(kind: NumericKind, { systemKind, plate, conditions }: Ran): Speed {
  if (!kind.bySpeed) return 'full';
  if (isInverter(systemKind)) return 'unknown';
  if (!isTwoStage(plate)) return 'full';
  const stage = conditions?.compressorStage;
  if (stage === undefined) return 'unknown';
  return stage === 'high' ? 'full' : 'low';
}

/** Whether two readings may be of one call, on one stage where there are two: what nobody noted may have been the same. */
export function mayBeOneCall(one: Ran, other: Ran): boolean {
  const same = <T>(a: T | undefined, b: T | undefined) => a === undefined || b === undefined || a === b;
  const [a, b] = [one.conditions ?? {}, other.conditions ?? {}];
  return same(a.call, b.call) && (!isTwoStage(one.plate) || same(a.compressorStage, b.compressorStage));
}

/** What would settle how fast it ran. */
export const speedNeeded = (systemKind: SystemKind): Need => (isInverter(systemKind) ? 'speed' : 'stage');

/** What holds at a speed: below full, what may never be drawn, but no window that is meant for full speed. */
export const limitsAtSpeed = (limits: Limits, speed: Speed, systemKind: SystemKind): Limits =>
  speed !== 'full' && limits.known && limits.family === 'window' ? noBasis(speedNeeded(systemKind)) : limits;
