/** The findings over several readings, by name. */
export const TOGETHER_IDS = [
  'weak-herm-hot-compressor',
  'compressor-amps-alone',
  'weak-fan-high-head',
  'half-of-a-dual',
  'psc-blocked-air',
  'ecm-blocked-air',
  'sensor-and-long-defrost',
  'undercharged',
  'restriction',
  'overcharged',
  'low-air-cold-coil',
  'heat-in-cooling',
  'open-element',
  'contact-and-amps',
] as const;
export type TogetherId = (typeof TOGETHER_IDS)[number];
