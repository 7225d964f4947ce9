import type { Plate } from '../equipment/plate.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { Inputs } from '../readings/contract/entry.ts';
import { refrigerantName } from '../trade/refrigerant/known-refrigerants.ts';
import { saturationTemperature } from '../trade/refrigerant/saturation.ts';
import { mayDefrostAt } from './possible-states.ts';
import type { Interpretation, StateWord } from '../verdict/interpretation.ts';

/** Readings of a cooling circuit's charge, of air over what heats or cools it, and how long each needs, min; common practice. */
const CHARGE = ['superheat', 'subcooling'];
const SETTLES_AFTER_MIN: Readonly<Record<string, number>> = { airflow: 3, 'heat-rise': 3, 'delivered-capacity': 8 };
/** Colder outdoors than this, °F, a charge is not judged by cooling pressures; common practice, no source. */
const CHARGE_FROM_F = 55;

/**
 * A coil that cools boils its refrigerant well below the air it cools, and one that rejects heat condenses above the outdoor
 * air, °F. At rest both sides lie on the chart at the air around them. From memory.
 */
const BOILS_BELOW_F = 62;
const CONDENSES_ABOVE_F = 4;
/** How far the air around a machine at rest may be from what its pressure says, °F. */
const AT_REST_WITHIN_F = 12;

/** A board holds Y back so long after power or a stop, min. */
const HOLDS_Y_MIN = 5;

/** What was found on the same visit, by code. */
export interface VisitFacts {
  readonly findings: ReadonlySet<string>;
}

interface Read {
  readonly kind: string;
  readonly findings?: readonly string[] | undefined;
  readonly inputs?: Inputs | undefined;
  readonly conditions?: Conditions | undefined;
}

/** °F at which the refrigerant of a plate boils or condenses at a pressure; null where that cannot be said. */
function saturationOf({ kind, inputs }: Read, { refrigerant, altitudeFt }: Plate): number | null {
  if (!refrigerant || typeof inputs?.psig !== 'number') return null;
  const side = kind === 'subcooling' ? 'bubble' : 'dew';
  const read = saturationTemperature({
    refrigerant: refrigerantName(refrigerant),
    psig: inputs.psig,
    side,
    altitudeFt,
  });
  return read.outcome === 'value' ? read.fahrenheit : null;
}

/** Whether both sides of a machine that runs could not read so, and one at rest would. */
function isAtRest(read: Read, plate: Plate): boolean {
  const saturation = saturationOf(read, plate);
  if (saturation === null) return false;
  const { outdoorF } = read.conditions ?? {};
  const lineF = Number(read.inputs?.lineF);
  const around = outdoorF ?? lineF;
  if (Math.abs(saturation - around) > AT_REST_WITHIN_F) return false;
  return read.kind === 'superheat' ? saturation > BOILS_BELOW_F : saturation < around + CONDENSES_ABOVE_F;
}

/** What a sound defrost board does by itself that looks like a fault of it. */
function boardMay({ findings = [], conditions = {} }: Read): StateWord | null {
  const { outdoorF, runningMin, asMeant } = conditions;
  if (asMeant) return null;
  if (findings.includes('fan-runs-past-relay') && mayDefrostAt(outdoorF)) return 'defrosting';
  return findings.includes('board-holds-y') && (runningMin ?? 0) < HOLDS_Y_MIN ? 'timer' : null;
}

function stateOf(read: Read, plate: Plate, { findings }: VisitFacts): StateWord | null {
  const { outdoorF, runningMin } = read.conditions ?? {};
  const needs = SETTLES_AFTER_MIN[read.kind];
  if (needs !== undefined && runningMin !== undefined && runningMin < needs) return 'not-settled';
  if (!CHARGE.includes(read.kind)) return null;
  if (findings.has('refrigerant-other') || findings.has('refrigerant-mixed')) return 'other-refrigerant';
  if (findings.has('frozen-coil')) return 'iced';
  if (isAtRest(read, plate)) return 'at-rest';
  return outdoorF !== undefined && outdoorF < CHARGE_FROM_F ? 'too-cold' : null;
}

/** What readings of air, refrigerant and the defrost board say that were taken in another state than they count in; null where they count. */
export function interpretWeather(read: Read, plate: Plate, facts: VisitFacts): Interpretation | null {
  const held = boardMay(read);
  if (held) return { says: 'tells-nothing', states: [held], causes: [], next: null };
  const state = stateOf(read, plate, facts);
  return state && { says: 'other-state', states: [state], causes: [], next: null };
}
