/** What technicians carry: one instrument may measure several quantities, each with an offset of its own. */
export const INSTRUMENT_KINDS = [
  'capacitance-meter',
  'clamp',
  'multimeter',
  'gauges',
  'pipe-clamps',
  'psychrometer',
] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

/** What an instrument measures; offsets of electrical quantities are shares of the value, of the others °F. */
export const METER_QUANTITIES = ['capacitance', 'amps', 'volts', 'ohms', 'saturation', 'pipe', 'air'] as const;
export type MeterQuantity = (typeof METER_QUANTITIES)[number];

export interface QuantityFacts {
  readonly instrument: InstrumentKind;
  readonly offsetIn: 'share' | '°F';
  /** Standard deviation among instruments of the trade before any of them is known, in the offset's unit. */
  readonly spread: number;
  /** What a data sheet allows, same unit. */
  readonly allowed: number;
}

/** Spread is half of what usual data sheets allow. Common practice, no source. */
export const OFFSETS: Readonly<Record<MeterQuantity, QuantityFacts>> = {
  capacitance: { instrument: 'capacitance-meter', offsetIn: 'share', spread: 0.0125, allowed: 0.025 },
  amps: { instrument: 'clamp', offsetIn: 'share', spread: 0.0125, allowed: 0.025 },
  volts: { instrument: 'multimeter', offsetIn: 'share', spread: 0.005, allowed: 0.01 },
  ohms: { instrument: 'multimeter', offsetIn: 'share', spread: 0.005, allowed: 0.01 },
  saturation: { instrument: 'gauges', offsetIn: '°F', spread: 0.6, allowed: 1.2 },
  pipe: { instrument: 'pipe-clamps', offsetIn: '°F', spread: 1, allowed: 2 },
  air: { instrument: 'psychrometer', offsetIn: '°F', spread: 0.8, allowed: 1.8 },
};

/** How an instrument's offset moves a method's value: with a power of it, or by so many of the kind's units for each of its own. */
export type MeterShare = { readonly of: MeterQuantity } & ({ readonly power: number } | { readonly adds: number });

/** From this share of what a data sheet allows an offset is watched: 1 % of a meter that may be 2.5 % off. */
const WATCHED_SHARE = 0.4;

/** From where a meter's offset is watched, in the offset's unit. */
export const watchedFrom = (quantity: MeterQuantity): number => WATCHED_SHARE * OFFSETS[quantity].allowed;

/** What an instrument of a kind measures. */
export const quantitiesOf = (kind: InstrumentKind): readonly MeterQuantity[] =>
  METER_QUANTITIES.filter((quantity) => OFFSETS[quantity].instrument === kind);

/** What one of an offset's units is, of something known: the whole of it where offsets are shares, else 1 °F. */
export const unitOfOffset = (quantity: MeterQuantity, known: number): number =>
  OFFSETS[quantity].offsetIn === 'share' ? known : 1;

/** How far a meter that shows one thing where another is known is off, in the offset's unit. */
export const offShown = (quantity: MeterQuantity, shown: number, known: number): number =>
  (shown - known) / unitOfOffset(quantity, known);
