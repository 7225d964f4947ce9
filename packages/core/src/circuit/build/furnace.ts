import { capacitor, coil, contact, motor, startWinding, wire, type Network, type Now } from '../network.ts';
import type { MachineSpec } from '../machine-spec.ts';
import { called, supply120, transformer } from './supplies.ts';

/** Glows from 90 V on; hot it carries more than its cold ohms say. */
const glower = { id: 'igniter', a: 'HSI', b: 'N', ohms: 60, impedance: 36, coil: { pullIn: 90, letGo: 90 } };
/** Seconds of a call from which it glows and gas flows, and after which the igniter is off and a flame must be seen. */
const GLOWS_FROM = 20;
const GAS_FROM = 50;
const SEEN_BY = 56;
const LIT_AT = 54;

/** Whether the board sees a flame: it pulls its sensor's terminal down. */
export const burns = (now: Pick<Now, 'volts'>): boolean => now.volts('R', 'C') > 17 && now.volts('FR', 'C') < 5;

/** A limit is open: the board blows and draws without being asked, until it closes. */
const overheats = (now: Now): boolean => now.volts('L', 'N') > 90 && called('R')(now) && !called('b')(now);

/**
 * A gas furnace on 120 V with its board: inducer, pressure switch, igniter, gas valve, flame, blower on two taps. Nodes are the
 * board's terminals; b and p are the two sides of the pressure switch, behind the limits.
 */
export const furnace = (spec: MachineSpec): Network => [
  ...supply120(),
  ...transformer('L', 'N', 120, spec.controlFuseAmps),
  // The board senses its inputs.
  { id: 'board.y', a: 'Y', b: 'C', ohms: 4000 },
  { id: 'board.g', a: 'G', b: 'C', ohms: 4000 },
  { id: 'board.w', a: 'W', b: 'C', ohms: 4000 },
  wire('limit', 'R', 'a', 0.2),
  wire('rollout', 'a', 'b', 0.2),
  contact('pressure-switch', 'b', 'p', (now) => now.runs('inducer')),
  { id: 'board.p', a: 'p', b: 'C', ohms: 3000 },
  { id: 'board.b', a: 'b', b: 'C', ohms: 3000 },
  contact('board.ind', 'L', 'IND', (now) => (called('W')(now) && called('b')(now)) || overheats(now)),
  motor('inducer', 'IND', 'N', 30, { volts: 120, amps: 1.2, locked: 3 }),
  contact(
    'board.hsi',
    'L',
    'HSI',
    (now) => called('W')(now) && called('p')(now) && now.after >= GLOWS_FROM && now.after < SEEN_BY,
  ),
  glower,
  contact(
    'board.mv',
    'R',
    'MV',
    (now) => called('W')(now) && called('p')(now) && now.after >= GAS_FROM && (now.after < SEEN_BY || burns(now)),
  ),
  coil('gas-valve.coil', 'MV', 'C', 45, 110),
  { id: 'board.fr', a: 'R', b: 'FR', ohms: 20_000 },
  {
    ...contact(
      'flame',
      'FR',
      'C',
      (now) => now.pulled('gas-valve.coil') && (now.pulled('igniter') || now.shut('flame')),
    ),
    since: LIT_AT,
  },
  contact('board.heat', 'L', 'HEAT', (now) => overheats(now) || (burns(now) && now.after >= 90)),
  contact('board.cool', 'L', 'COOL', (now) => called('G')(now)),
  ...['COOL', 'HEAT'].map((tap) =>
    motor(`blower.${tap.toLowerCase()}`, tap, 'N', 4, {
      volts: 120,
      amps: 1.6 * spec.blowerAmps,
      locked: 5 * spec.blowerAmps,
    }),
  ),
  ...(spec.blower === 'psc'
    ? [startWinding('blower.start', 'COOL', 'bs', 9), capacitor('cap.blower', 'bs', 'N', spec.blowerMicrofarads)]
    : []),
];
