import { SLOT_NAMES } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import { wiresOn, type WireNote } from '../equipment/wires.ts';
import { isLoose, type LooseEnd, type LooseEndCode } from '../round/loose-ends.ts';
import type { RoundRecord } from './round-record.ts';
import type { RoundField, RoundStop } from './round-view.ts';

const PANELS: readonly LooseEndCode[] = ['outdoor-panel-off', 'indoor-panel-off'];
const POWER: readonly LooseEndCode[] = ['disconnect-out', 'breaker-off'];
/** What a running test needs where it is, and what is in nobody's way. */
const STAYS: readonly LooseEndCode[] = ['gauges-on', 'probes-in-ducts', 'thermostat-moved'];

/** One step on the way to proving a repair, in the only order that is safe. */
export type ProofStep =
  | { readonly step: 'put-back'; readonly ends: readonly LooseEnd[]; readonly wires: readonly WireNote[] }
  | { readonly step: 'panels'; readonly ends: readonly LooseEnd[] }
  | { readonly step: 'power'; readonly ends: readonly LooseEnd[]; readonly off: boolean }
  | { readonly step: 'call'; readonly state: string }
  | { readonly step: 'wait'; readonly from: number; readonly to: number; readonly ranMin: number | null }
  | { readonly step: 'measure'; readonly how: string };

/**
 * The way from a repair to the reading that proves it: what is loose goes back with each wire on its lug, then panels, then
 * power, then the call, the wait, the reading. With the power off there is neither call nor wait, and it stays off.
 * `runningMin` of the stop is how long its mode has run.
 */
export function stepsToProve(
  record: Pick<RoundRecord, 'looseEnds'>,
  plate: Plate,
  stop: Pick<RoundStop, 'mode' | 'state' | 'settle' | 'runningMin'>,
  { planned, about }: Pick<RoundField, 'planned' | 'about'>,
): ProofStep[] {
  const loose = record.looseEnds.filter(isLoose);
  const those = (codes: readonly LooseEndCode[]) => loose.filter((e) => e.code !== null && codes.includes(e.code));
  const rest = loose.filter((e) => e.code === null || ![...PANELS, ...POWER, ...STAYS].includes(e.code));
  const wires = about.component ? wiresOn(plate.wires, SLOT_NAMES[planned.component.slot]) : [];
  const measure: ProofStep = { step: 'measure', how: planned.method.title };
  if (stop.mode === 'off') return [{ step: 'power', ends: [], off: true }, measure];
  return [
    ...(rest.length + wires.length > 0 ? [{ step: 'put-back', ends: rest, wires } as const] : []),
    { step: 'panels', ends: those(PANELS) },
    { step: 'power', ends: those(POWER), off: false },
    { step: 'call', state: stop.state[0] ?? '' },
    ...(stop.settle ? [{ step: 'wait', ...stop.settle, ranMin: stop.runningMin } as const] : []),
    measure,
  ];
}

/** Whether nothing is left to do of a step; what cannot be known here is left to be done. */
export function isStepDone(step: ProofStep): boolean {
  if (step.step === 'put-back') return step.ends.length === 0 && step.wires.length === 0;
  if (step.step === 'panels') return step.ends.length === 0;
  if (step.step === 'power') return !step.off && step.ends.length === 0;
  return step.step === 'wait' && step.ranMin !== null && step.ranMin >= step.from;
}
