/** What a reading says of its part, once it is known what it was taken in. */
export const SAYS = [
  /** The machine was in the state it was meant to be in: plate, baseline and trend apply. */
  'counts',
  /** Another state than it was meant to be in explains it: judged no further. */
  'other-state',
  /** A sound machine, this part and others all read alike, as far as anybody knows. */
  'tells-nothing',
  /** Hardly what the meter should have shown, whatever is wrong. */
  'doubtful',
  /** Something is wrong, in this part or elsewhere. */
  'faulty',
  /** Something is wrong, elsewhere. */
  'elsewhere',
  /** Read at the part itself, and nothing else explains it. */
  'condemned',
] as const;
export type Says = (typeof SAYS)[number];

/** States a machine may be in besides the one that was meant, by a word. */
export const STATE_WORDS = [
  'meant',
  'no-call',
  'other-call',
  'timer',
  'just-begun',
  'starting',
  'defrosting',
  'letting-go',
  'blower-delay',
  'other-stage',
  'power-off',
  'wires-on',
  'still-called',
  // Of air and refrigerant
  'not-settled',
  'at-rest',
  'too-cold',
  'iced',
  'other-refrigerant',
] as const;
export type StateWord = (typeof STATE_WORDS)[number];

/** What was made of a reading, as data. */
export interface Interpretation {
  readonly says: Says;
  /** The states other than the one that was meant that it may have been taken in, the likeliest first. */
  readonly states: readonly StateWord[];
  /** The faults that would read so, the likeliest first, by their names. */
  readonly causes: readonly string[];
  /** Where a meter would tell most next: two leads by their name, and what is read there; null where nothing does. */
  readonly next: { readonly lead: string; readonly what: 'volts' | 'amps' | 'ohms' } | null;
}
