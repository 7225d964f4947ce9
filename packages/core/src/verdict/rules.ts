/** Rules a value can be held against; what they say stands in the words. */
export const RULES = [
  'control-volts',
  'heater-amps',
  'heater-amps-rated',
  'no-strips',
  'element-ohms',
  'closing-time',
  'opening-time',
  'off-delay',
  'closed-contact',
  'closed-ohms',
  'pressure-switch',
  'split',
  'airflow',
  'capacity',
  'gas-rise',
  'room-departure',
  'target-superheat',
  'superheat',
  'subcooling',
  'usual-subcooling',
  'heating-chart',
  'sensor-error',
  'coil-ohms',
  'pan-heater-usual',
  'rla-span',
  'pan-heater',
  'start-range',
  'defrost-time',
] as const;
export type Rule = (typeof RULES)[number];

/** What is missing when there is nothing to hold a value against. */
export const NEEDS = [
  'heat-rating',
  'heat-elements',
  'speed',
  'stage',
  'gas-rise-range',
  'heating-chart',
  'inside-chart',
  'pan-heater-watts',
  'sensor-curve',
  'nominal-tons',
  'start-rating',
  'metering',
  'wet-bulb',
  'low-target',
  'charge-check',
  'running-time',
  'air-unsettled',
  'air-clock',
  'humid-air',
  'by-superheat',
  'no-limit',
] as const;
export type Need = (typeof NEEDS)[number];

/** Pairs of figures that cannot both be right: asked about before they are kept. */
export const DOUBTS = [
  'liquid-above-condensing',
  'suction-below-evaporating',
  'supply-below-coil',
  'wet-above-dry',
  'supply-not-cooled',
  'supply-not-heated',
  'runs-longer-than-visit',
  'wet-supply-above-dry',
  'end-colder-than-start',
] as const;
export type Doubt = (typeof DOUBTS)[number];

/** Why a value cannot be worked out from what was entered. */
export const SNAGS = [
  'no-refrigerant',
  'unknown-refrigerant',
  'outside-saturation',
  'no-return-air',
  'no-supply-air',
  'no-airflow',
  'no-heat-amps',
  'no-rise',
  'no-outdoor-air',
  'air-out-of-range',
  'nothing-measured',
] as const;
export type Snag = (typeof SNAGS)[number];
