import { isOwn } from '../../quantity/own.ts';
import type { PressureTables } from './pressure-table.ts';
import { REFRIGERANTS } from './refrigerants.ts';

/** A2L refrigerants: mildly flammable, so a leak check comes first and no sparks. ASHRAE Standard 34 safety group. */
const MILDLY_FLAMMABLE = new Set(['R-32', 'R-454B', 'R-452B', 'R-454A', 'R-454C']);

/** Whether a refrigerant is A2L; false for one that is not known. */
export const isMildlyFlammable = (refrigerant: string): boolean => MILDLY_FLAMMABLE.has(refrigerant);

/**
 * The name a refrigerant goes by here, from what was written on a plate: "r410a", "R 410A" and "HFC-410A" are "R-410A".
 * A name that is not understood is returned as it was written.
 */
export function refrigerantName(text: string): string {
  const read = /^(?:hfc|hcfc|r)?[\s-]*(\d{2,3})\s*([a-z]?)$/i.exec(text.trim());
  if (!read) return text.trim();
  const letter = read[2] ?? '';
  // Isomers are written small (134a), blends large (410A). ASHRAE Standard 34.
  const isBlend = Number(read[1]) >= 400 && Number(read[1]) < 600;
  return `R-${read[1]}${isBlend ? letter.toUpperCase() : letter.toLowerCase()}`;
}

/** Whether saturation can be worked out for a refrigerant: by a built-in curve or a table of the firm's. */
export const isKnownRefrigerant = (name: string, tables: PressureTables = {}): boolean =>
  isOwn(tables, name) || isOwn(REFRIGERANTS, name);
