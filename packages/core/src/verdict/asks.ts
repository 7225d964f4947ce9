/**
 * What a verdict asks for. A reading alone condemns a part only where nothing else could read like that: amps never do,
 * an open winding or a capacitor past its limit does.
 */
export const ASKS = [
  'nothing',
  'look-again',
  'measure-again',
  'find-cause',
  'clean',
  'adjust',
  'repair',
  'replace',
  'call-utility',
  'switch-off',
] as const;
export type Ask = (typeof ASKS)[number];
