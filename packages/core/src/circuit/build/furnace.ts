import { capacitor, coil, contact, motor, startWinding, wire, type Network, type Now } from '../network.ts';
import type { MachineSpec } from '../machine-spec.ts';
import { called, supply120, transformer } from './supplies.ts';

const glower = { id: 'igniter', a: 'HSI', b: 'N', ohms: 60, coil: { pullIn: 90, letGo: 90 } };

/** Whether the board sees a flame: it pulls its sensor's terminal down. */
export const burns = (now: Pick<Now, 'volts'>): boolean => now.volts('R', 'C') > 17 && now.volts('FR', 'C') < 5;

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
  contact('board.ind', 'L', 'IND', (now) => called('W')(now) && called('b')(now)),
  motor('inducer', 'IND', 'N', 30, { volts: 120, amps: 1.4, locked: 3 }),
  contact('board.hsi', 'L', 'HSI', (now) => called('W')(now) && called('p')(now) && now.after >= 20),
  glower,
  contact('board.mv', 'R', 'MV', (now) => called('W')(now) && called('p')(now) && now.after >= 50),
  coil('gas-valve.coil', 'MV', 'C', 45, 110),
  { id: 'board.fr', a: 'R', b: 'FR', ohms: 20_000 },
  contact('flame', 'FR', 'C', (now) => now.pulled('gas-valve.coil') && now.pulled('igniter')),
  contact(
    'board.heat',
    'L',
    'HEAT',
    (now) =>
      (now.volts('L', 'N') > 90 && called('W')(now) && !called('b')(now) && called('R')(now)) ||
      (burns(now) && now.after >= 90),
  ),
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
