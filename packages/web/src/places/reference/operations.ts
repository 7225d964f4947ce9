import type { Operation, Reference } from '@yarnix/core';

/** An operation with what it is called by. */
export interface Listed {
  readonly method: string;
  readonly path: string;
  readonly operation: Operation;
}

/** The operations that hold every word somebody looks for, by the subject of their path, in the order of their paths. */
export function operationsBySubject(reference: Reference, sought: string): [string, Listed[]][] {
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const subjects = new Map<string, Listed[]>();
  for (const [path, methods] of Object.entries(reference.paths).sort(([a], [b]) => (a < b ? -1 : 1)))
    for (const [method, operation] of Object.entries(methods)) {
      const text = `${method} ${path} ${operation.summary}`.toLowerCase();
      if (!words.every((word) => text.includes(word))) continue;
      const subject = path.split('/')[2]?.split('.')[0] ?? '';
      subjects.set(subject, [...(subjects.get(subject) ?? []), { method: method.toUpperCase(), path, operation }]);
    }
  return [...subjects];
}

/** A JSON Schema as text, without the line that says which edition it is of. */
export function schemaText(schema: unknown): string {
  if (typeof schema !== 'object' || schema === null) return JSON.stringify(schema);
  const { $schema: _, ...told } = schema as Record<string, unknown>;
  return JSON.stringify(told, null, 2);
}
