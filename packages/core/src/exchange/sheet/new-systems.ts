import { z } from 'zod';
import { componentsFor, RATING_FIELDS } from '../../equipment/component.ts';
import { givenPlateSchema } from '../../equipment/given-plate.ts';
import type { Plate } from '../../equipment/plate.ts';
import { parseCapacitorRating } from '../../equipment/rating.ts';
import type { SystemKind } from '../../equipment/system-kind.ts';
import type { Day } from '../../quantity/day.ts';
import { addressSchema, areaSchema, customerNameSchema } from '../../http/systems.ts';
import type { SheetRow } from './rows.ts';

/** A system that rows tell of and that is not there yet. */
export interface SheetNewSystem {
  readonly kind: SystemKind;
  readonly plate: Plate;
  readonly parts: ReturnType<typeof componentsFor>;
  readonly address: string;
  readonly customer: string;
  readonly area: string;
  readonly installedOn: Day | null;
  /** What of the plate could not be taken over, in words. */
  readonly troubles: readonly string[];
}

/** Whose a system is and where, as everywhere in the app. */
const aboutSchema = z.object({
  address: addressSchema,
  customer: customerNameSchema,
  area: areaSchema,
});

/** The first that is there. */
const firstOf = <T>(rows: readonly SheetRow[], of: (row: SheetRow) => T | null | ''): T | null =>
  rows.map(of).find((value): value is T => value !== null && value !== '') ?? null;

const isReadable = (rating: string | undefined): boolean =>
  rating !== undefined && parseCapacitorRating(rating).outcome === 'rating';

/** The plate that rows tell of, as far as it can be one; the last row that says something of a field has it. */
function plateOf(rows: readonly SheetRow[]): { plate: Plate; troubles: string[] } {
  let plate: Plate = {};
  const troubles: string[] = [];
  for (const [field, value] of Object.entries(Object.assign({}, ...rows.map((row) => row.plate)) as Plate)) {
    const isRating = (RATING_FIELDS as readonly string[]).includes(field);
    const next = givenPlateSchema.safeParse({ ...plate, [field]: value });
    if (next.success && (!isRating || isReadable(value as string))) plate = next.data;
    else {
      const why = next.success ? 'is no rating that can be read' : (next.error.issues[0]?.message ?? 'cannot be');
      troubles.push(`Plate, ${field}: “${JSON.stringify(value).replaceAll('"', '').slice(0, 40)}” ${why}.`);
    }
  }
  return { plate, troubles };
}

/** The system that rows of one address make, or why they make none. */
export function newSystemOf(rows: readonly SheetRow[], otherwise: SystemKind | null): SheetNewSystem | string {
  const kind = firstOf(rows, (row) => row.kind) ?? otherwise;
  const address = firstOf(rows, (row) => row.address);
  if (address === null) return 'No system has this id.';
  if (kind === null) return 'No system has this address, and nothing says what kind it is.';
  const given = {
    address,
    customer: firstOf(rows, (row) => row.customer) ?? address.slice(0, 80).trim(),
    area: firstOf(rows, (row) => row.area),
  };
  const about = aboutSchema.safeParse(given);
  if (!about.success) return about.error.issues.map(({ path, message }) => `${path.join()}: ${message}.`).join(' ');
  const { plate, troubles } = plateOf(rows);
  return {
    kind,
    plate,
    parts: componentsFor(kind, plate),
    ...about.data,
    area: about.data.area ?? '',
    installedOn: firstOf(rows, (row) => row.installedOn),
    troubles,
  };
}
