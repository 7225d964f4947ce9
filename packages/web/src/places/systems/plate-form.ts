import {
  contradictionsIn,
  parseCapacitorRating,
  plateSchema,
  RATING_FIELDS,
  sayRatingTrouble,
  type Plate,
  type RatingField,
} from '@yarnix/core';
import { z } from 'zod';

const readable = (text: string | undefined, ctx: z.RefinementCtx) => {
  const read = text ? parseCapacitorRating(text) : null;
  if (read?.outcome === 'cannot-read') ctx.addIssue({ code: 'custom', message: sayRatingTrouble(read) });
};
const rating = z.string().trim().max(60, 'at most 60 characters').optional().superRefine(readable);

const ratings = Object.fromEntries(RATING_FIELDS.map((field) => [field, rating])) as Record<RatingField, typeof rating>;

/** Amps of each circuit, of all of them or of none: fields that nobody filled in are none. */
const circuitAmps = z.preprocess(
  (amps) => (Array.isArray(amps) && amps.every((a) => a === undefined) ? undefined : amps),
  plateSchema.shape.heatCircuitAmps,
) as unknown as typeof plateSchema.shape.heatCircuitAmps;

/** A plate as it is typed: ratings must be readable, the rest as everywhere. */
export const plateFormSchema = plateSchema
  .extend({ ...ratings, heatCircuitAmps: circuitAmps })
  .superRefine((plate, ctx) => {
    for (const { path, detail } of contradictionsIn(plate))
      ctx.addIssue({ code: 'custom', path: [...path], message: detail });
  });

/** What a text field means as a number: nothing when empty, a decimal comma as a point. */
export const numberOf = (text: unknown): number | undefined => {
  if (typeof text === 'number') return text;
  const trimmed = typeof text === 'string' ? text.trim() : '';
  return trimmed === '' ? undefined : Number(trimmed.replace(',', '.'));
};
export const textOf = (text: unknown): string | undefined =>
  typeof text === 'string' && text.trim() !== '' ? text : undefined;

const ROWS = ['heatingChart', 'sensorChart', 'wires'] as const;

/** The plate without rows that nobody filled in. */
export function withoutEmptyRows(plate: Plate): Plate {
  const kept: Record<string, unknown> = { ...plate };
  for (const name of ROWS) {
    const rows: Record<string, unknown>[] | undefined = plate[name];
    const full = rows?.filter((row) => Object.values(row).some((v) => v !== undefined && v !== ''));
    if (!full || full.length === 0) delete kept[name];
    else kept[name] = full;
  }
  return kept;
}

/** As much of a half-typed plate as makes sense already: fields that do not are left out. */
export function sensibleSoFar(typed: unknown): Plate {
  const plate: Record<string, unknown> = { ...(typed as object) };
  for (let tries = 0; tries < 60; tries += 1) {
    const read = plateSchema.safeParse(plate);
    if (read.success) return read.data;
    const at = read.error.issues[0]?.path[0];
    if (at === undefined) return {};
    delete plate[String(at)];
  }
  return {};
}
