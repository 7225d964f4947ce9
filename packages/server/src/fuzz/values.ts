import type { Random } from './random.ts';

/** A JSON Schema as far as the API's description uses it. */
export interface Schema {
  readonly type?: string;
  readonly format?: string;
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly allOf?: readonly Schema[];
  readonly additionalProperties?: Schema | boolean;
  readonly propertyNames?: Schema;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly maxItems?: number;
  readonly default?: unknown;
}

/** What real documents of the firm offer: ids that exist, of each sort, and words that are used. */
export interface Lore {
  readonly ids: readonly string[];
  readonly words: readonly string[];
}

const NAMES = ['constructor', '__proto__', 'prototype', 'toString', 'hasOwnProperty', 'valueOf'];
const DATES = [
  '0000-01-01',
  '0001-01-01',
  '1949-12-31',
  '1950-01-01',
  '2016-02-29',
  '2026-10-10',
  '2099-12-31',
  '9999-12-31',
  '2026-02-30',
  '+010000-01-01',
];
const TIMES = ['T00:00:00Z', 'T14:00:00.000Z', 'T23:59:59.9999999Z', 'T24:00:00Z', 'T14:00:00+02:00', ''];
const NUMBERS = [
  0,
  -0,
  1,
  -1,
  0.5,
  1e-300,
  5e-324,
  1e300,
  1.7976931348623157e308,
  -1e300,
  2 ** 31,
  2 ** 53 + 2,
  1e-7,
  60,
  240,
  38.4,
];
const TEXTS = [
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  'x\udfffy',
  '\u202e',
  '\ufeff',
  '\u001b[31m',
  '=1+1',
  "'; drop table readings; --",
  '<script>alert(1)</script>',
  '%00',
  '../../etc/passwd',
  '${7*7}',
  'NaN',
  'Infinity',
  'OL',
  'jumps',
  'null',
  '🧵'.repeat(50),
  'ﷺ'.repeat(40),
  'e\u0301'.repeat(100),
];

/** Any value at all, of whatever type. */
export function anything(random: Random, lore: Lore): unknown {
  return random.pick<() => unknown>([
    () => null,
    () => true,
    () => random.pick(NUMBERS),
    () => random.pick(TEXTS),
    () => random.pick(NAMES),
    () => random.pick(lore.ids),
    () => [],
    () => ({}),
    () => [random.pick(NUMBERS), random.pick(TEXTS)],
    () => JSON.parse(`{"${random.pick(NAMES)}": ${random.pick(NUMBERS.filter(Number.isFinite))}}`) as unknown,
    () => 'x'.repeat(random.pick([1000, 100_000, 200_000])),
    () => random.pick(DATES) + random.pick(TIMES),
  ])();
}

function text(schema: Schema, random: Random, lore: Lore): string {
  if (schema.format === 'uuid') return random.chance(0.9) ? random.pick(lore.ids) : random.uuid();
  if (schema.format === 'date-time')
    return random.chance(0.7) ? '2026-10-10T14:20:00.000Z' : random.pick(DATES) + random.pick(TIMES);
  if (schema.format === 'date') return random.chance(0.7) ? '2026-10-10' : random.pick(DATES);
  return random.pick<string>([...lore.words, ...lore.words, ...lore.words, ...NAMES, ...TEXTS]);
}

function number(schema: Schema, random: Random): number {
  const bounds = [schema.minimum, schema.maximum].filter((b): b is number => b !== undefined);
  const value = random.pick([...NUMBERS, ...bounds, ...bounds.map((b) => b + 1e-9), ...bounds.map((b) => b - 1)]);
  return schema.type === 'integer' && random.chance(0.9) ? Math.trunc(value) : value;
}

function object(schema: Schema, random: Random, lore: Lore, wild: number): Record<string, unknown> {
  const made: Record<string, unknown> = {};
  for (const [name, part] of Object.entries(schema.properties ?? {})) {
    const needed = schema.required?.includes(name) ?? false;
    if (random.chance(needed ? 1 - wild / 3 : 0.4)) made[name] = valueOf(part, random, lore, wild);
  }
  if (typeof schema.additionalProperties === 'object') {
    for (let n = random.below(3); n > 0; n -= 1)
      made[random.pick(lore.words)] = valueOf(schema.additionalProperties, random, lore, wild);
  }
  if (random.chance(wild / 2)) Object.defineProperty(made, random.pick(NAMES), { value: 1, enumerable: true });
  return made;
}

/** A value of a schema; with chance `wild` (0 to 1) any part of it is something else altogether. */
export function valueOf(schema: Schema, random: Random, lore: Lore, wild: number): unknown {
  if (random.chance(wild)) return anything(random, lore);
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) return valueOf(random.pick(choices), random, lore, wild);
  if (schema.allOf) return valueOf(schema.allOf[0] ?? {}, random, lore, wild);
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return random.pick(schema.enum);
  const type = schema.type ?? 'any';
  switch (type) {
    case 'object':
      return object(schema, random, lore, wild);
    case 'array':
      return Array.from({ length: random.below(Math.min(4, (schema.maxItems ?? 3) + 1)) }, () =>
        valueOf(schema.items ?? {}, random, lore, wild),
      );
    case 'string':
      return text(schema, random, lore);
    case 'number':
    case 'integer':
      return number(schema, random);
    case 'boolean':
      return random.chance(0.5);
    case 'null':
      return null;
    default:
      return anything(random, lore);
  }
}

/** A document that is right, with one of its parts made into something else. */
export function spoiled(document: unknown, random: Random, lore: Lore): unknown {
  if (typeof document !== 'object' || document === null || random.chance(0.15)) return anything(random, lore);
  if (Array.isArray(document)) {
    if (document.length === 0) return [anything(random, lore)];
    const at = random.below(document.length);
    return document.map((part: unknown, n) => (n === at ? spoiled(part, random, lore) : part));
  }
  const entries = Object.entries(document);
  if (entries.length === 0) return { [random.pick(NAMES)]: anything(random, lore) };
  const at = random.below(entries.length);
  if (random.chance(0.1)) return Object.fromEntries(entries.filter((_entry, n) => n !== at));
  return Object.fromEntries(
    entries.map(([key, part], n) => [key, n === at ? spoiled(part, random, lore) : part] as const),
  );
}
