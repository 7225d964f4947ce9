import { z } from 'zod';

const port = z.coerce.number().int().min(0).max(65_535);

/** What the server is told by its environment; docs/operations.md lists it. */
export const environmentSchema = z.object({
  DATABASE_URL: z.url({ protocol: /^postgres(ql)?$/, error: 'must be a postgres:// address' }),
  PORT: port.default(4870),
  WEB_DIST: z.string().min(1).optional(),
  LOG_LEVEL: z.enum(['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent']).default('info'),
  PROBE_SPEED: z.coerce.number().positive().max(100_000).default(1),
  REFIT_WORKERS: z.coerce.number().int().min(1).max(64).default(2),
  REFIT_PRIORITY: z.coerce.number().int().min(0).max(19).default(10),
  CLOCK_FROM: z.iso.datetime({ error: 'must be a moment such as 2026-11-25T15:00:00Z' }).optional(),
  AUTO_REFIT: z.enum(['on', 'off']).default('on'),
  ALLOWED_HOSTS: z
    .string()
    .default('')
    .transform((text) => text.split(',').filter(Boolean)),
});

export type Environment = z.infer<typeof environmentSchema>;

/** The environment, checked; or one sentence that says what is wrong with it. Empty variables count as left out. */
export function environmentFrom(
  variables: Readonly<Record<string, string | undefined>>,
): { readonly environment: Environment } | { readonly trouble: string } {
  const given = Object.fromEntries(Object.entries(variables).filter(([, value]) => value !== ''));
  const read = environmentSchema.safeParse(given);
  if (read.success) return { environment: read.data };
  const wrong = read.error.issues.map((issue) => {
    const name = String(issue.path[0]);
    return given[name] === undefined ? `${name} is missing` : `${name} is "${given[name]}": ${issue.message}`;
  });
  return { trouble: `The server cannot start: ${wrong.join('; ')}.` };
}

/** The clock of the server: the real one or, where a moment is given, one that stood there when the server started. */
export function clockFrom(moment: string | undefined): () => Date {
  if (moment === undefined) return () => new Date();
  const ahead = Date.parse(moment) - Date.now();
  return () => new Date(Date.now() + ahead);
}
