import type { Method, NumberSpec, ProbeChannel } from './entry.ts';
import { OFFSETS, type InstrumentKind, type MeterQuantity, type MeterShare } from './quantities.ts';

const QUANTITY_OF: Partial<Record<ProbeChannel, MeterQuantity>> = {
  capacitance: 'capacitance',
  clamp: 'amps',
  volts: 'volts',
  ohms: 'ohms',
};

/**
 * Whose errors a method's value carries: as it says itself, or, where it asks for a single number, that of the meter which
 * shows it. Empty where no meter is used or where its offset falls out.
 */
export function metersOf(method: Method): readonly MeterShare[] {
  if (method.meters) return method.meters;
  const numbers = method.inputs.filter((i): i is NumberSpec => i.type === 'number' && i.optional !== true);
  const of = numbers.length === 1 ? QUANTITY_OF[numbers[0]!.probe ?? 'psychrometer'] : undefined;
  return of ? [{ of, power: 1 }] : [];
}

/** The instruments a method needs, each once. */
export const instrumentsOf = (method: Method): readonly InstrumentKind[] => [
  ...new Set(metersOf(method).map((share) => OFFSETS[share.of].instrument)),
];
