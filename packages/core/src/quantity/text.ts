import { z } from 'zod';

/** Control characters that no text has a use for; tabs and line ends are fine. A database cannot keep NUL at all. */
// eslint-disable-next-line no-control-regex -- control characters are what is looked for
const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/;
/** Half of a surrogate pair without the other; with the u flag a whole pair counts as one character. */
const LONE_HALF = /\p{Surrogate}/u;

/** Why a text cannot be kept or sent on as it is; null when it can. */
export function troubleInText(text: string): string | null {
  if (CONTROL.test(text)) return 'has a control character in it; type it again';
  return LONE_HALF.test(text) ? 'has half a character in it; type it again' : null;
}

/**
 * A text in the one form in which it is kept and compared (Unicode NFC): "é" typed as one character or as "e" and an accent
 * is the same letter.
 */
export const oneForm = (text: string): string => text.normalize('NFC');

const most = (max: number): string => `at most ${max} characters`;

/** A text that is there, as it is given and as it is kept: not blank, at most so many characters. `what` names it; `missing` is said in place of it. */
export const line = (max: number, what: string, missing = `${what} is missing`) =>
  z.string({ error: missing }).trim().min(1, missing).max(max, most(max));

/** A text as it is given and as it is kept; it may be empty. */
export const text = (max: number) => z.string().trim().max(max, most(max));

/** A text that may be left out as it is given: of blanks alone it is left out. */
export const textIfAny = (max: number) =>
  text(max)
    .transform((given) => (given === '' ? undefined : given))
    .optional();

/** The same as it is kept: null where there is none. */
export const textOrNull = (max: number) => text(max).min(1, 'is blank').nullable();
