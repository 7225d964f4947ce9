import type { CapacitorRating, RatingSection } from './rating.ts';

const sayNumber = (value: number): string => String(Number(value.toFixed(2)));

/** A section's rating: "45 µF", or "88–108 µF" for a start capacitor. */
export const saySection = (section: RatingSection): string =>
  section.range
    ? `${sayNumber(section.range.low)}–${sayNumber(section.range.high)} µF`
    : `${sayNumber(section.microfarads)} µF`;

/** A whole rating in one way of writing: "45+5 µF 440 V", so that like parts are counted together. */
export function sayRating(rating: CapacitorRating): string {
  const [first, second] = rating.sections;
  const size =
    first && second
      ? `${sayNumber(first.microfarads)}+${sayNumber(second.microfarads)} µF`
      : first
        ? saySection(first)
        : '';
  return rating.volts === null ? size : `${size} ${rating.volts} V`;
}
