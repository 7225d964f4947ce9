import { open, stuck, type Line } from './line.ts';

/** A gas furnace, in the order it lights. */
export const FURNACE = {
  'furnace-door-open': open('gas-heat', 'door-switch'),
  'draft-switch-open': stuck('gas-heat', 'pressure-switch', 'open'),
  'draft-switch-shut': {
    slot: 'gas-heat',
    does: [
      { stuck: 'pressure-switch', at: 'closed' },
      { stuck: 'board.ind', at: 'open' },
      { stuck: 'board.hsi', at: 'open' },
      { stuck: 'board.mv', at: 'open' },
    ],
  },
  'igniter-cracked': open('gas-heat', 'igniter'),
  'inducer-dead': open('gas-heat', 'inducer'),
  'gas-valve-open': open('gas-heat', 'gas-valve.coil'),
  'no-gas': { slot: 'gas-heat', does: [{ stuck: 'flame', at: 'open' }, { air: { gas: 0.3 } }] },
  'furnace-limit-open': open('gas-heat', 'limit'),
  'rollout-open': open('gas-heat', 'rollout'),
  'board-heat-relay-dead': stuck('gas-heat', 'board.heat', 'open'),
  'flame-sensor-dirty': { slot: 'gas-heat', does: [{ stuck: 'flame', at: 'open' }, { air: { flame: 0.4 } }] },
  'board-cool-relay-dead': stuck('gas-heat', 'board.cool', 'open'),
} as const satisfies Record<string, Line>;
