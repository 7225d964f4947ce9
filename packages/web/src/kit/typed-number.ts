import { parseMeasure, type Unit } from '@yarnix/core';

/** A number as it is typed in a unit; NaN for what is none. */
export function typedNumber(text: string, unit: Unit): number {
  const read = parseMeasure(text, unit);
  return read.outcome === 'number' ? read.value : NaN;
}
