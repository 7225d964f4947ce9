import { isTwoStage } from '../equipment/plate.ts';
import { isInverter, type SystemKind } from '../equipment/system-kind.ts';
import type { About } from '../readings/contract/entry.ts';
import type { NumericKind } from '../readings/contract/kind.ts';
import { noBasis } from '../readings/contract/window.ts';
import type { Limits } from '../verdict/limits.ts';
import type { Need } from '../verdict/rules.ts';

/** How fast the compressor ran for a reading that goes with it: at its full speed, on its low stage, or nobody knows. */
export type Speed = 'full' | 'low' | 'unknown';

/** How fast it ran while a reading of a kind was taken; 'full' for kinds that do not go with it. */
export function speedOf(
  kind: NumericKind,
  { systemKind, plate, conditions }: Omit<About, 'component' | 'point'>,
): Speed {
  if (!kind.bySpeed) return 'full';
  if (isInverter(systemKind)) return 'unknown';
  if (!isTwoStage(plate)) return 'full';
  const stage = conditions?.compressorStage;
  if (stage === undefined) return 'unknown';
  return stage === 'high' ? 'full' : 'low';
}

/** What would settle how fast it ran. */
export const speedNeeded = (systemKind: SystemKind): Need => (isInverter(systemKind) ? 'speed' : 'stage');

/** What holds at a speed: below full, what may never be drawn, but no window that is meant for full speed. */
export const limitsAtSpeed = (limits: Limits, speed: Speed, systemKind: SystemKind): Limits =>
  speed !== 'full' && limits.known && limits.family === 'window' ? noBasis(speedNeeded(systemKind)) : limits;
