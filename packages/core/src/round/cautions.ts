/** A caution shown where hands go in. */
export interface Caution {
  readonly id: string;
  readonly title: string;
  readonly text: string;
}

/** Said once at the head of every round. */
export const STANDING_CAUTION =
  'Licensed and qualified people only. Local codes and the maker’s instructions come first.';

/** Cautions for readings taken with the power on. */
export const LIVE_CAUTIONS: readonly Caution[] = [
  {
    id: 'live-work',
    title: 'Live panel',
    text: 'Only with the training and gloves for it. Dry weather, no jewellery, one hand where you can. Smell of gas or burnt insulation: stop, make safe, leave.',
  },
];

/** Cautions before hands go into a panel that has been switched off. */
export const POWER_OFF_CAUTIONS: readonly Caution[] = [
  {
    id: 'lock-out',
    title: 'Lock out',
    text: 'Breaker off and locked, disconnect pulled. Prove the meter on a live source, prove the unit dead, prove the meter again. Control volts may remain.',
  },
  {
    id: 'discharge',
    title: 'Discharge',
    text: 'A capacitor holds hundreds of volts. Bleed each section through a resistor of about 20 kΩ, 5 W, then read near zero volts before touching a lug.',
  },
  {
    id: 'wires',
    title: 'Wires',
    text: 'Photograph or note which wire was on which lug. Move one at a time; on a dual they may not be swapped.',
  },
];
