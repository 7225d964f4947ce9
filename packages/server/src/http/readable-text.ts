import { oneForm, troubleInText } from '@yarnix/core';
import { ProblemError } from './problems.ts';

/** Nothing the API takes is nested deeper. */
const DEEPEST = 24;

/** What is wrong with a text somewhere within what came, and where. */
export class UnreadableText extends Error {
  constructor(
    readonly path: readonly string[],
    readonly detail: string,
  ) {
    super(`${path.join('.')}: ${detail}`);
  }
}

function plainText(text: string, path: readonly string[]): string {
  const trouble = troubleInText(text);
  if (trouble !== null) throw new UnreadableText(path, trouble);
  return oneForm(text);
}

/**
 * What came, with every text in it in the one form in which texts are kept and compared, wherever it stands, keys included.
 * Throws UnreadableText where a text cannot be kept or sent on as it is (NUL and other control characters, halves of
 * surrogate pairs), and where something is nested deeper than anything here.
 */
export function plainTexts(value: unknown, path: readonly string[] = []): unknown {
  if (typeof value === 'string') return plainText(value, path);
  if (typeof value !== 'object' || value === null || Buffer.isBuffer(value)) return value;
  if (path.length > DEEPEST) throw new UnreadableText(path.slice(0, 3), 'is nested too deeply');
  if (Array.isArray(value)) return value.map((part: unknown, at) => plainTexts(part, [...path, String(at)]));
  return Object.fromEntries(
    Object.entries(value).map(([key, part]) => [plainText(key, path), plainTexts(part, [...path, key])] as const),
  );
}

/** The same for a part of a request: what cannot be kept is refused as a problem. */
export function readable(value: unknown, path: readonly string[] = []): unknown {
  try {
    return plainTexts(value, path);
  } catch (error) {
    if (!(error instanceof UnreadableText)) throw error;
    const at = error.path.join('.');
    throw new ProblemError('invalid-request', `${at || 'body'}: ${error.detail}`, [{ path: at, detail: error.detail }]);
  }
}
