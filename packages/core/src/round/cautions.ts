/** A caution shown where hands go in. */
export interface Caution {
  readonly id: string;
  readonly title: string;
  readonly text: string;
}

/** Said once at the head of every round. */
export const STANDING_CAUTION =
  'Licensed and qualified people only. Local codes and the manufacturer’s instructions come first.';

/** For readings taken with the power on. */
export const LIVE_WORK: Caution = {
  id: 'live-work',
  title: 'Live panel',
  text: 'Only with the training and gloves for it. Dry weather, no jewelry, one hand where you can. Smell of gas or burnt insulation: stop, make safe, leave.',
};
/** Before hands go into a panel that has been switched off. */
export const LOCK_OUT: Caution = {
  id: 'lock-out',
  title: 'Lock out',
  text: 'Breaker off and locked, disconnect pulled. Prove the meter on a live source, prove the unit dead, prove the meter again. Control volts may remain.',
};
export const DISCHARGE: Caution = {
  id: 'discharge',
  title: 'Discharge',
  text: 'A capacitor holds hundreds of volts. Bleed each section through a resistor of about 20 kΩ, 5 W, then read near zero volts before touching a lug.',
};
export const WIRES: Caution = {
  id: 'wires',
  title: 'Wires',
  text: 'Photograph or note which wire was on which lug. Move one at a time; on a dual they may not be swapped.',
};
export const REFRIGERANT_WORK: Caution = {
  id: 'refrigerant',
  title: 'Refrigerant',
  text: 'Certified people only, as the law asks. Glasses and gloves: liquid freezes skin. Never bypass a pressure switch to keep a unit running.',
};
export const FLAMMABLE_REFRIGERANT: Caution = {
  id: 'flammable',
  title: 'Mildly flammable',
  text: 'This refrigerant is A2L: leak check before anything else, no sparks or flame, air the space.',
};
export const GAS: Caution = {
  id: 'gas',
  title: 'Gas',
  text: 'Smell of gas or a carbon monoxide alarm: stop, make safe, get everyone out. Nothing on the gas side is adjusted here.',
};
