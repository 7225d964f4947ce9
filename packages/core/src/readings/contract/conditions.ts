import { z } from 'zod';
import type { Because } from '../../verdict/reasons.ts';
import { CEILING, FINEST, FLOOR, type Unit } from '../../quantity/unit.ts';

/** Outdoor air above this is met nowhere, °F. */
export const OUTDOOR_MOST_F = 140;

const within = (unit: Unit, low = FLOOR[unit], high = CEILING[unit]) =>
  z
    .number({ error: `must be a number in ${unit}` })
    .min(low, `at least ${low} ${unit}`)
    .max(high, `at most ${high} ${unit}`)
    .refine((value) => value === 0 || Math.abs(value) >= FINEST, { error: 'finer than any meter shows' })
    .optional();

/** What may be called for while a machine runs: each has a blower speed of its own. */
export const RUNNING_CALLS = ['fan', 'electric-heat', 'gas-heat', 'heating', 'cooling'] as const;
export type RunningCall = (typeof RUNNING_CALLS)[number];

/**
 * What held while a reading was taken. Outdoor air and running time are entered once a visit; the rest follows from
 * readings taken before it on the same visit. All of it travels with each reading, so that it can be worked out again.
 */
export const conditionsSchema = z.object({
  /** Outdoor air, °F. */
  outdoorF: within('°F', FLOOR['°F'], OUTDOOR_MOST_F),
  /** Line volts at the unit the reading is taken on, V. */
  lineVolts: within('V'),
  /** How long it had been running in this mode, min. */
  runningMin: within('min'),
  /** How long the visit had lasted, min. */
  visitMin: within('min', 0, 60 * 24 * 14),
  /** Return air, °F dry and wet bulb. */
  returnF: within('°F'),
  returnWetF: within('°F'),
  /** Supply air, °F dry and wet bulb. */
  supplyF: within('°F'),
  supplyWetF: within('°F'),
  /** Amps of all electric heat together, A. */
  heatAmps: within('A'),
  /** Airflow measured on this visit, CFM. */
  airflowCfm: within('CFM'),
  /** What hung loose while it was taken, by code: a lead that is pulled shows nothing. */
  loose: z.array(z.string().max(40)).max(20).optional(),
  /** Ohms of another sensor of the same machine, unplugged on this visit, Ω. */
  sensorOhms: within('Ω'),
  /** True where whoever read it has seen that the machine was in the state the reading is for: called, with its power, delays over. */
  asMeant: z.literal(true).optional(),
  /** What was called for; absent where nobody said. */
  call: z.enum(RUNNING_CALLS).optional(),
  /** The stage a two-stage compressor ran on; absent where nobody said. */
  compressorStage: z.enum(['low', 'high']).optional(),
  /** Where the defrost board ends a defrost, as read or moved on this visit, °F. */
  terminationF: within('°F'),
  /** Whether ice or bands of frost were seen outdoors on this visit, or told of. */
  iceSeen: z.boolean().optional(),
  /** Why a charge check does not count now, a finding's code; absent when it counts or nobody said. */
  chargeDoubt: z.string().max(40).optional(),
});
export type Conditions = z.infer<typeof conditionsSchema>;

/**
 * What is asked when a machine is said to have run longer than the visit has lasted (both min): it may have run before,
 * but often the minutes are a slip. Null when there is nothing to ask.
 */
export const doubtRunning = (runningMin: number, visitMin: number): Because | null =>
  runningMin <= visitMin + 1
    ? null
    : {
        code: 'does-not-fit',
        numbers: { doubt: 'runs-longer-than-visit', a: runningMin, b: Math.round(visitMin) },
      };
