import type { Call } from '../trade/controls/call-table.ts';

/** A terminal, a lug or a wire: whatever a meter's lead can be put on. */
export type Node = string;

/** What a contact, a source or a motor may look at when it decides. */
export interface Now {
  readonly call: Call;
  /** Seconds the call has been held. */
  readonly after: number;
  /** Volts between two nodes, as a perfect meter shows them. */
  readonly volts: (a: Node, b: Node) => number;
  /** Whether a coil holds its contacts. */
  readonly pulled: (coil: string) => boolean;
  /** Whether a motor turns. */
  readonly runs: (load: string) => boolean;
  /** Whether a contact was closed a moment before. */
  readonly shut: (contact: string) => boolean;
}

/** A motor's winding: what it draws depends on whether it turns. One that stalls is opened by its overload after a while. */
export interface Motor {
  readonly ratedVolts: number;
  /** A at rated volts, turning and stalled. */
  readonly amps: number;
  readonly lockedAmps: number;
  /** What it draws on a call, as a share of `amps`; 1 where it is left out. */
  readonly load?: (call: Call) => number;
  /** False where it is seized or its capacitor gives too little to start it. */
  readonly starts: boolean;
}

/**
 * One thing between two nodes. `ohms` is what an ohmmeter reads of it, `impedance` what limits alternating current where that
 * differs, as in any coil or in what glows; both Ω, Infinity for an open. A contact says when it is closed, a source what it drives.
 */
export interface Branch {
  readonly id: string;
  readonly a: Node;
  readonly b: Node;
  readonly ohms: number;
  readonly impedance?: number;
  /** EMF that drives current from a to b through it, V. */
  readonly emf?: (now: Now) => number;
  readonly closed?: (now: Now) => boolean;
  /** Where it is a coil: volts it pulls in at, and lets go below. */
  readonly coil?: { readonly pullIn: number; readonly letGo: number };
  readonly motor?: Motor;
  /** Where it is a fuse or a breaker: A it opens above. */
  readonly fuse?: number;
  /** True where three samples of its ohms would not agree. */
  readonly wanders?: boolean;
  /** Where it is a capacitor: µF it is rated at, and what is left of them as a share. */
  readonly capacitor?: { readonly rated: number; readonly share: number };
  /** True where an overload has opened on heat: it shuts again once it has cooled, in half an hour to two. */
  readonly hot?: boolean;
  /** Where it rests on what was before: the second of the call from which it is followed. */
  readonly since?: number;
  /** Where a fault holds its contact. */
  readonly stuck?: 'open' | 'closed';
}

/** A circuit: its branches. Nodes are whatever the branches name; `ground` is what volts are counted from. */
export type Network = readonly Branch[];
export const GROUND: Node = 'ground';

/** Ω of a closed contact, a sound wire or a switch; common practice, no source. */
export const CONTACT_OHMS = 0.005;

/** A conductor, or a switch that is shut, between two nodes; Ω. */
export const wire = (id: string, a: Node, b: Node, ohms = CONTACT_OHMS): Branch => ({ id, a, b, ohms });
/** A contact that is closed while something holds. */
export const contact = (id: string, a: Node, b: Node, closed: (now: Now) => boolean): Branch => ({
  id,
  a,
  b,
  ohms: CONTACT_OHMS,
  closed,
});
/** A coil on 24 V: pulls in at three quarters of it and lets go at half, common practice, no source. */
export const coil = (id: string, a: Node, b: Node, ohms: number, impedance: number): Branch => ({
  id,
  a,
  b,
  ohms,
  impedance,
  coil: { pullIn: 17, letGo: 12 },
});
/** A motor's run winding, Ω cold, with what it draws, A; `locked` is what it draws stalled. */
export const motor = (
  id: string,
  a: Node,
  b: Node,
  ohms: number,
  { volts, amps, locked, load }: { volts: number; amps: number; locked: number; load?: (call: Call) => number },
): Branch => ({
  id,
  a,
  b,
  ohms,
  motor: { ratedVolts: volts, amps, lockedAmps: locked, starts: true, ...(load && { load }) },
});
/** A motor's start winding: an ohmmeter sees it, the solver of amps does not. */
export const startWinding = (id: string, a: Node, b: Node, ohms: number): Branch => ({
  id,
  a,
  b,
  ohms,
  impedance: Infinity,
});
/** A capacitor, µF: nothing that an ohmmeter sees, and it feeds a start winding. */
export const capacitor = (id: string, a: Node, b: Node, rated: number): Branch => ({
  id,
  a,
  b,
  ohms: Infinity,
  capacitor: { rated, share: 1 },
});
