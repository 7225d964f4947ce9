import type { Component } from '../equipment/component.ts';
import { dated, isNumeric, type Reading } from '../readings/contract/reading.ts';
import { byThread, countingReadings, type JudgedSystem } from './assess-system.ts';
import type { Thread } from './thread-outlook.ts';

/** The threads of a system's living parts, as they are learned from: the numbers that count, with what they are of. */
export function threadsOfSystem(
  system: JudgedSystem<Component & { id: string }>,
  readings: readonly Reading[],
): Thread[] {
  const parts = new Map(system.components.map((part) => [part.id, part]));
  const { plate, kind: systemKind, events } = system;
  return [...byThread(readings).values()].flatMap((kept) => {
    const first = kept[0];
    const component = first && parts.get(first.componentId);
    if (!first || !component) return [];
    const numbers = countingReadings(kept, system.components, system)
      .filter(isNumeric)
      .map((r) => dated(r, system.zone));
    // What no meter shows cannot teach either.
    if (numbers.some((n) => !Number.isFinite(n.value))) return [];
    const { kind, point } = first;
    return numbers.length > 0 ? [{ kind, point, plate, systemKind, component, events, readings: numbers }] : [];
  });
}
