import Papa from 'papaparse';

/**
 * What a spreadsheet would take for the beginning of a formula. The package's own pattern reads to the end of the line, so
 * that a formula of two lines would pass it.
 */
const FORMULA = /^[=+\-@\t\r\n]/;

/** Rows as CSV (RFC 4180), each ended; text that would begin a formula gets an apostrophe. */
export const csvOf = (rows: readonly object[]): string =>
  rows.length === 0 ? '' : `${Papa.unparse([...rows], { escapeFormulae: FORMULA, newline: '\r\n' })}\r\n`;
