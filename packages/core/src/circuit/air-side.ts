import type { Operated } from './operate.ts';

/** What can be wrong with air and refrigerant, each as a share: 0 is as it should be. */
export interface Air {
  /** Share of the airflow that is missing. */
  readonly choked: number;
  /** Share of the charge that is missing, or too much. */
  readonly lack: number;
  readonly excess: number;
  /** How far the metering device or the drier is choked. */
  readonly feed: number;
  /** How far the outdoor coil is blocked. */
  readonly fouled: number;
  /** Share of its pumping the compressor has lost. */
  readonly worn: number;
  /** Share of the return air drawn from where it should not be. */
  readonly leak: number;
  /** How far the reversing valve stands between its ends. */
  readonly midway: number;
  /** Flame signal, µA. */
  readonly flame: number;
  /** Gas pressure at the valve's inlet, as a share. */
  readonly gas: number;
  /** Ω of a sensor against its chart, °F off. */
  readonly sensorOff: number;
  /** Ice that grows from the base of the outdoor coil, and frost left when a defrost ends. */
  readonly baseIce: number;
  readonly frostLeft: number;
}

export const SOUND_AIR: Air = {
  choked: 0,
  lack: 0,
  excess: 0,
  feed: 0,
  fouled: 0,
  worn: 0,
  leak: 0,
  midway: 0,
  flame: 3,
  gas: 1,
  sensorOff: 0,
  baseIce: 0,
  frostLeft: 0,
};

/** What is read of air and refrigerant. */
export const AIR_QUANTITIES = [
  'split',
  'superheat',
  'subcooling',
  'condensing-over-air',
  'static-pressure',
  'return-gain',
  'compressor-share',
  'valve-gain',
  'heating-rise',
  'under-air',
  'over-return',
  'heating-subcooling',
  'standing-pressure',
  'flame-signal',
  'gas-inlet',
  'sensor-off',
] as const;
export type AirQuantity = (typeof AIR_QUANTITIES)[number];

/** Btu/h of one kW, and what one CFM carries a degree: they turn strips in cooling into degrees of split. */
const BTU_A_KW = 3412;
const BTU_A_CFM = 1.08;
/** The rise of a sound heat pump in mild cold, °F; common practice, no source. */
const USUAL_RISE_F = 20;

/** What the air side looks at besides what is wrong with it. */
export interface AirScene {
  readonly air: Air;
  readonly at: Operated;
  /** True where it heats on a call to cool, or cools on a call to heat: the reversing valve stands the other way. */
  readonly reversed: boolean;
  readonly stripsKw: number;
  readonly tons: number;
}

const RUNNING: Readonly<Partial<Record<AirQuantity, (scene: AirScene) => number>>> = {
  split: ({ air, stripsKw, tons, reversed }) => {
    if (reversed) return -20;
    const cooled = 19 * (1 - 0.55 * air.lack) * (1 - 0.5 * air.feed) * (1 - 0.6 * air.worn) * (1 - 0.8 * air.midway);
    const share = 1 - air.choked;
    return cooled * share ** -0.6 * (1 - 0.2 * air.fouled) - (stripsKw * BTU_A_KW) / (BTU_A_CFM * 400 * tons * share);
  },
  superheat: ({ air }) => 12 + 28 * air.lack + 22 * air.feed - 24 * air.choked + 3 * air.worn - 5 * air.excess,
  subcooling: ({ air }) => 10 - 17 * air.lack + 2 * air.feed + 18 * air.excess - 2 * air.worn,
  'condensing-over-air': ({ air, at }) =>
    (at.runs('outdoor-fan.run') ? 20 : 60) + 34 * air.fouled + 36 * air.excess - 10 * air.lack - 10 * air.worn,
  'compressor-share': ({ air }) => 1 - 0.35 * air.lack + 0.4 * air.fouled - 0.8 * air.worn - 0.15 * air.feed,
  'valve-gain': ({ air }) => 1.5 + 16 * air.midway,
  'heating-rise': ({ air, at, stripsKw, tons, reversed }) => {
    if (reversed) return -1;
    const share = 1 - air.choked;
    const pumped = (1 - 0.5 * air.lack) * (1 - 0.45 * air.feed) * (1 - 0.6 * air.worn) * (1 - 0.7 * air.midway);
    const taken = (1 - 0.45 * air.fouled) * (at.runs('outdoor-fan.run') ? 1 : 0.55);
    return pumped * taken * share ** -0.75 + (stripsKw * BTU_A_KW) / (BTU_A_CFM * 400 * tons * share) / USUAL_RISE_F;
  },
  'under-air': ({ air, at }) =>
    (at.runs('outdoor-fan.run') ? 12 : 34) +
    16 * air.lack +
    18 * air.feed +
    22 * air.fouled -
    12 * air.worn -
    6 * air.midway,
  'over-return': ({ air, at }) =>
    (at.runs('outdoor-fan.run') ? 38 : 24) +
    45 * air.choked +
    30 * air.excess -
    22 * air.lack -
    8 * air.feed -
    24 * air.worn -
    20 * air.midway -
    10 * air.fouled,
  'heating-subcooling': ({ air }) => 10 - 16 * air.lack + 14 * air.feed + 16 * air.excess - 3 * air.worn,
};

const ALWAYS: Readonly<Partial<Record<AirQuantity, (air: Air) => number>>> = {
  'flame-signal': (air) => air.flame,
  // 6 in wc of natural gas; common practice, no source.
  'gas-inlet': (air) => 6 * air.gas,
  'sensor-off': (air) => air.sensorOff,
};
const BLOWING: Readonly<Partial<Record<AirQuantity, (air: Air) => number>>> = {
  'static-pressure': (air) => 0.5 + 1.6 * air.choked,
  'return-gain': (air) => 1 + 14 * air.leak,
};

/**
 * What a perfect instrument would read of air or refrigerant: °F, in wc for static pressure, a share of its own usual amps, a
 * share of the usual pressure at rest, a share of the usual rise in heating, µA. NaN where nothing runs that it could be read of. Slopes are from memory, and meant
 * to tell faults apart rather than to size them.
 */
export function airReading(quantity: AirQuantity, scene: AirScene): number {
  const { air, at } = scene;
  const blows = ['blower.run', 'blower.cool', 'blower.heat'].some(at.runs);
  const pumps = at.runs('compressor.run');
  if (quantity === 'standing-pressure') return pumps ? NaN : 1 - air.lack;
  const always = ALWAYS[quantity]?.(air);
  if (always !== undefined) return always;
  if (!blows) return NaN;
  return BLOWING[quantity]?.(air) ?? (pumps ? (RUNNING[quantity]?.(scene) ?? NaN) : NaN);
}
