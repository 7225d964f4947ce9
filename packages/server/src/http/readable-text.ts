import { ProblemError } from './problems.ts';

/** Nothing the API takes is nested deeper. */
const DEEPEST = 24;
/** Control characters that no text has a use for; tabs and line ends are fine. PostgreSQL cannot keep NUL at all. */
// eslint-disable-next-line no-control-regex -- control characters are what is looked for
const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/;

/** Half of a surrogate pair without the other; with the u flag a whole pair counts as one character. */
const LONE_HALF = /\p{Surrogate}/u;

function refuse(path: readonly string[], detail: string): never {
  throw new ProblemError('invalid-request', `${path.join('.') || 'body'}: ${detail}`, [
    { path: path.join('.'), detail },
  ]);
}

function checkText(text: string, path: readonly string[]): void {
  if (CONTROL.test(text)) refuse(path, 'has a control character in it; type it again');
  if (LONE_HALF.test(text)) refuse(path, 'has half a character in it; type it again');
}

/**
 * Refuses text that cannot be kept or sent on as it is, wherever in a request it stands, keys included: NUL and other
 * control characters, halves of surrogate pairs; and what is nested deeper than anything here.
 */
export function checkReadable(value: unknown, path: readonly string[] = []): void {
  if (typeof value === 'string') {
    checkText(value, path);
    return;
  }
  if (typeof value !== 'object' || value === null || Buffer.isBuffer(value)) return;
  if (path.length > DEEPEST) refuse(path.slice(0, 3), 'is nested too deeply');
  for (const [key, part] of Object.entries(value)) {
    checkText(key, path);
    checkReadable(part, [...path, key]);
  }
}
