import { AIR_HANDLER, AIR_HANDLER_RUNGS } from './air-handler.ts';
import { CONDENSER, CONDENSER_RUNGS } from './condenser.ts';
import { FURNACE, FURNACE_RUNGS } from './furnace.ts';
import { HEAT_PUMP, HEAT_PUMP_RUNGS } from './heat-pump.ts';
import { differences, type Ladder, type Rung } from './rungs.ts';

// What a meter shows at the usual points, written down by hand from trade sense, apart from the network: common practice
// where a row does not say "from memory". Points that a row does not name must read as on the sound machine.
const MACHINES: readonly (readonly [string, Ladder, readonly Rung[]])[] = [
  ['a heat pump', HEAT_PUMP, HEAT_PUMP_RUNGS],
  ['an air handler', AIR_HANDLER, AIR_HANDLER_RUNGS],
  ['a furnace with a condenser', FURNACE, FURNACE_RUNGS],
  ['an air conditioner', CONDENSER, CONDENSER_RUNGS],
];

describe.each(MACHINES)('%s', (_name, ladder, rungs) => {
  test('sound, in every state', () => {
    expect(differences(ladder, { does: [], reads: {} })).toEqual([]);
  });
  test.each(rungs.map((rung) => [rung.name, rung] as const))('%s', (_rung, rung) => {
    expect(differences(ladder, rung)).toEqual([]);
  });
  test('a rung that reads otherwise is told, with its state and its point', () => {
    const sound = { does: [], reads: { O: { 'R-C': 5 } } };
    expect(differences(ladder, sound)).toEqual([expect.stringMatching(/^O R-C: 5, reads 2\d/)]);
  });
});
