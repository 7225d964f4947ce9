import type { ReadingKind } from '../readings/contract/kind.ts';
import { sayNumber, sayQuantity } from './figures.ts';

/** A value of a kind with its unit: "38.4 µF". */
export const sayValue = (kind: ReadingKind | undefined, value: number): string =>
  kind?.type === 'number' ? sayQuantity(value, kind.unit) : String(value);

/** A value of a kind without its unit. */
export const sayFigure = (kind: ReadingKind | undefined, value: number): string =>
  kind?.type === 'number' ? sayNumber(value, kind.unit) : String(value);
