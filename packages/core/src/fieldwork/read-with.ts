import type { MeterInUse } from '../http/meters.ts';
import type { Method } from '../readings/contract/entry.ts';
import { instrumentsOf } from '../readings/contract/meters.ts';
import type { InstrumentKind } from '../readings/contract/quantities.ts';
import type { RoundRecord } from './round-record.ts';

/** What a device knows of the instruments around it: who works with it, and the firm's instruments in use. */
export interface AtHand {
  readonly personId: string;
  readonly meters: readonly MeterInUse[];
}

/** Instruments by kind. */
export type ByKind = Readonly<Partial<Record<InstrumentKind, string>>>;

/** The instrument of a kind in a person's hands: what was picked for this round, else the person's own; null where neither is. */
export function inHand(kind: InstrumentKind, { personId, meters }: AtHand, picked: ByKind): MeterInUse | null {
  const own = meters.findLast((m) => m.kind === kind && m.personId === personId);
  return meters.find((m) => m.id === picked[kind]) ?? own ?? null;
}

/** The instruments a reading by this method is taken with, as far as they are kept. */
export function readWith(method: Method, atHand: AtHand, { instruments }: Pick<RoundRecord, 'instruments'>): ByKind {
  return Object.fromEntries(
    instrumentsOf(method).flatMap((kind) => {
      const meter = inHand(kind, atHand, instruments);
      return meter ? [[kind, meter.id] as const] : [];
    }),
  );
}

/** The instruments of a reading for judging: the person stands for what is not kept. */
export const judgedWith = (method: Method, { personId }: AtHand, held: ByKind): ByKind =>
  Object.fromEntries(instrumentsOf(method).map((kind) => [kind, held[kind] ?? personId]));

/** Days after which an instrument is to be held against something known again. */
const CHECK_EVERY_DAYS = 30;

/** A person's own instruments that are due to be checked, by their kind; those nobody can check in the van are left out. */
export function dueForCheck({ personId, meters }: AtHand, now: number): MeterInUse[] {
  const canCheck: readonly InstrumentKind[] = [
    'capacitance-meter',
    'clamp',
    'multimeter',
    'pipe-clamps',
    'psychrometer',
  ];
  const before = now - CHECK_EVERY_DAYS * 86_400_000;
  return meters.filter(
    (m) =>
      m.personId === personId &&
      canCheck.includes(m.kind) &&
      (m.checkedAt === null || Date.parse(m.checkedAt) < before),
  );
}
