import { GROUND, wire, type Branch, type Network, type Now } from '../network.ts';

/** A a breaker opens at once above: a short, not a start. From memory. */
const SHORT_AMPS = 300;
const WIRE_OHMS = 0.02;

const leg = (id: string, to: string, volts: number): Branch => ({
  id,
  a: GROUND,
  b: to,
  ohms: WIRE_OHMS,
  emf: () => volts,
});

/** Two legs of a supply behind a breaker of two poles: nodes `${a}`, `${b}`; V leg to leg. */
export const supply240 = (id: string, a: string, b: string, volts: number): Network => [
  leg(`${id}.leg1`, `${id}-1`, volts / 2),
  leg(`${id}.leg2`, `${id}-2`, -volts / 2),
  { ...wire(`${id}.breaker1`, `${id}-1`, a), fuse: SHORT_AMPS },
  { ...wire(`${id}.breaker2`, `${id}-2`, b), fuse: SHORT_AMPS },
];

/** One leg and neutral of a furnace's supply, with the switch of its blower door. */
export const supply120 = (): Network => [
  leg('indoor.leg1', 'indoor-1', 120),
  { ...wire('indoor.breaker1', 'indoor-1', 'L0'), fuse: SHORT_AMPS },
  wire('door-switch', 'L0', 'L'),
  wire('neutral', GROUND, 'N'),
];

/** Volts of the low side with nothing drawn, and the Ω that make it sag: a 40 VA transformer; from memory. */
const IDLE_VOLTS = 27;
const SECONDARY_OHMS = 1.1;

/** A fuse holds so much of its amps for good. */
const HOLDS = 0.9;

/**
 * The transformer and its fuse of `fuseAmps`: primary between two nodes at `primaryVolts`, 24 V between RO and C, the fuse from RO to R. C is
 * bonded to metal, as it often is.
 */
export const transformer = (a: string, b: string, primaryVolts: number, fuseAmps: number): Network => [
  { id: 'transformer.primary', a, b: 'tx', ohms: primaryVolts > 150 ? 40 : 14 },
  // What its iron holds against the line; an ohmmeter sees none of it.
  { id: 'transformer.core', a: 'tx', b, ohms: 0.01, impedance: primaryVolts > 150 ? 4000 : 1000 },
  {
    id: 'transformer.secondary',
    a: 'C',
    b: 'RO',
    ohms: SECONDARY_OHMS,
    emf: (now: Now) => (now.volts('tx', b) * IDLE_VOLTS) / primaryVolts,
  },
  { ...wire('fuse', 'RO', 'R'), fuse: HOLDS * fuseAmps },
  wire('bond', 'C', GROUND),
];

/** Volts a control takes for a call. */
export const CALLED_VOLTS = 17;
/** Whether a node has volts to C that a control takes for a call. */
export const called =
  (node: string, common = 'C') =>
  (now: Now) =>
    now.volts(node, common) >= CALLED_VOLTS;
