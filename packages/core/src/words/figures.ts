import type { Unit } from '../quantity/unit.ts';

/** Keeps a number and its unit on one line. */
export const NBSP = '\u00a0';

/** Decimals of a number as a technician reads it, by its unit and size. */
function decimalsOf(value: number, unit: Unit): number {
  const size = Math.abs(value);
  switch (unit) {
    case 'µF':
    case 'A':
      return size < 9.995 ? 2 : 1;
    case 'Ω':
      return size < 99.95 ? 1 : 0;
    case '°F':
    case 'psig':
      // Gauges and thermometers are read to a tenth at best; whole figures stay whole.
      return Number.isInteger(Number(value.toFixed(1))) ? 0 : 1;
    case 'V':
      return size < 9.95 && !Number.isInteger(value) ? 1 : 0;
    case 'CFM':
    case 'Btu/h':
    case '%':
    case 's':
    case 'min':
      return 0;
  }
}

let grouped: Intl.NumberFormat | undefined;
/** Made when the first large number is said: making it takes a phone longer than all other words together. */
const grouping = (): Intl.NumberFormat => (grouped ??= new Intl.NumberFormat('en-US', { maximumFractionDigits: 0 }));

/** A number as a technician reads it: 38.4, 0.91, 241, 34,600. Small amps keep two decimals. */
export function sayNumber(value: number, unit: Unit): string {
  if (Math.abs(value) >= 10_000) return grouping().format(value);
  // No minus before a zero.
  const text = value.toFixed(decimalsOf(value, unit)).replace(/^-(0(?:\.0+)?)$/, '$1');
  return text.replace('-', '−');
}

/** A number with its unit: "38.4 µF". */
export const sayQuantity = (value: number, unit: Unit): string => `${sayNumber(value, unit)}${NBSP}${unit}`;

/** A percentage without its sign, whole unless small: "4 %", "0.6 %". */
export const sayPercent = (percent: number): string => {
  const size = Math.abs(percent);
  return `${size < 1 && size > 0 ? size.toFixed(1) : size.toFixed(0)}${NBSP}%`;
};

/** A chance in the way people weigh it: "8 in 10", "under 1 in 10". */
export function sayChance(chance: number): string {
  if (chance < 0.095) return 'under 1 in 10';
  if (chance > 0.945) return 'over 9 in 10';
  return `${Math.round(chance * 10)} in 10`;
}
