import type { FaultId } from '../circuit/faults.ts';
import type { CauseId } from '../diagnosis/causes.ts';
import { COMPLAINT_SHARES, NO_FAULT } from '../diagnosis/complaint-shares.ts';
import type { Slot } from '../equipment/component.ts';
import type { ProvedCauses } from '../http/calls.ts';
import type { Assessment } from '../judgment/assess-system.ts';
import type { Standing } from '../verdict/standing.ts';
import type { RoundComponent, RoundReading } from './round-parts.ts';

/** Which fault a thread that frays points to, by the part and the kind of reading. */
const POINTS_TO: readonly {
  readonly kind: string;
  readonly slot?: Slot;
  readonly point?: string;
  readonly fault: FaultId;
}[] = [
  { kind: 'run-capacitor-capacitance', slot: 'blower-capacitor', fault: 'blower-capacitor-weak' },
  { kind: 'run-capacitor-capacitance', slot: 'fan-capacitor', fault: 'fan-capacitor-weak' },
  { kind: 'run-capacitor-capacitance', point: 'fan', fault: 'fan-capacitor-weak' },
  { kind: 'run-capacitor-capacitance', slot: 'run-capacitor', fault: 'herm-weak' },
  { kind: 'start-capacitor-capacitance', fault: 'start-kit-failed' },
  { kind: 'contact-drop', fault: 'contactor-pole-burnt' },
  { kind: 'contactor-coil-ohms', fault: 'contactor-coil-shorted' },
  { kind: 'blower-relay-coil-ohms', fault: 'blower-relay-coil-open' },
  { kind: 'blower-amps', fault: 'air-choked' },
  { kind: 'sequencer-closing-time', fault: 'sequencer-late' },
  { kind: 'element-ohms', fault: 'element-open' },
  { kind: 'subcooling', fault: 'charge-low' },
  { kind: 'superheat', fault: 'charge-low' },
  { kind: 'sensor-error', fault: 'sensor-off-scale' },
];

/** How much likelier a fault is whose thread stood so at the last visit; from memory. */
const LEANS: Readonly<Partial<Record<Standing, number>>> = { watch: 3, act: 10, stop: 15 };

/** A fault that a thread of this machine points to, and how many times likelier that makes it. */
export interface Leaning {
  readonly fault: FaultId;
  readonly by: number;
  readonly slot: Slot;
}

/** How this machine's own threads lean the chances: what was fraying is suspected first. */
export function leaningsOfThreads({ threads }: Pick<Assessment<RoundReading, RoundComponent>, 'threads'>): Leaning[] {
  return threads.flatMap(({ state: { kind, point, standing }, component: { slot } }) => {
    const by = LEANS[standing];
    const to = POINTS_TO.find(
      (p) =>
        p.kind === kind && (p.slot === undefined || p.slot === slot) && (p.point === undefined || p.point === point),
    );
    return by && to ? [{ fault: to.fault, by, slot }] : [];
  });
}

/** How many calls the book's shares count for beside a firm's own record. */
const BOOK_COUNTS = 40;

/** How a firm's record of proved causes leans the chances, beside what the book says of the complaints. */
export function leaningsOfRecord({ proved }: ProvedCauses): Partial<Record<CauseId, number>> {
  const all = proved.reduce((sum, { count }) => sum + count, 0);
  if (all === 0) return {};
  const shares = new Map<string, number>();
  let whole = 0;
  for (const table of Object.values(COMPLAINT_SHARES))
    for (const [id, share] of Object.entries(table)) {
      if (id === NO_FAULT) continue;
      shares.set(id, (shares.get(id) ?? 0) + share);
      whole += share;
    }
  const counts = new Map(proved.map(({ fault, count }) => [fault, count]));
  return Object.fromEntries(
    [...shares].map(([id, share]) => {
      const expected = (BOOK_COUNTS * share) / whole;
      const seen = counts.get(id) ?? 0;
      return [id, (expected + seen) / (expected * (1 + all / BOOK_COUNTS))];
    }),
  );
}
