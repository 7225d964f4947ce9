/** From this chance on, 0 to 1, a part is said to be past its limit. */
export const CERTAIN = 0.95;
