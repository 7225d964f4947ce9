import { AIR_HANDLER, AIR_HANDLER_RUNGS } from '../circuit/rungs/air-handler.ts';
import { CONDENSER, CONDENSER_RUNGS } from '../circuit/rungs/condenser.ts';
import { FURNACE, FURNACE_RUNGS } from '../circuit/rungs/furnace.ts';
import { HEAT_PUMP, HEAT_PUMP_RUNGS } from '../circuit/rungs/heat-pump.ts';
import type { Ladder, Rung } from '../circuit/rungs/rungs.ts';
import type { Interpretation } from '../verdict/interpretation.ts';
import { cellsOf, readingsAt, slotsOf, SOUND } from '../testing/by-hand.ts';
import { interpretVisit, type ToInterpret } from './interpret-visit.ts';

// Every figure here was written down by hand from trade sense, apart from the network that interprets it: common practice, and
// from memory where the rungs say so. A technician reads at each station what the machine shows in each state, whether it is the state
// the station is for or not: one reading alone, and all of them together.
const MACHINES: readonly (readonly [string, Ladder, readonly Rung[]])[] = [
  ['a heat pump', HEAT_PUMP, HEAT_PUMP_RUNGS],
  ['an air handler', AIR_HANDLER, AIR_HANDLER_RUNGS],
  ['a furnace with a condenser', FURNACE, FURNACE_RUNGS],
  ['an air conditioner', CONDENSER, CONDENSER_RUNGS],
];

const signOf = (set: readonly ToInterpret[]): string =>
  set.map(({ id, method, inputs }) => `${id} ${method} ${JSON.stringify(inputs)}`).join(' ');

/** Interprets each set of readings once, whichever cells it turns up in. */
function once(ladder: Ladder) {
  const known = new Map<string, ReadonlyMap<string, Interpretation>>();
  return (set: readonly ToInterpret[]) => {
    const sign = signOf(set);
    const told = known.get(sign) ?? interpretVisit(ladder, set);
    known.set(sign, told);
    return told;
  };
}

describe.each(MACHINES)('%s', (_name, ladder, rungs) => {
  const interpret = once(ladder);

  test('no sound part is condemned in any state, whatever else is wrong or unknown', () => {
    const wrong: string[] = [];
    let read = 0;
    for (const { rung, state, station, row } of cellsOf(ladder, [SOUND, ...rungs])) {
      const broken = new Set(rung.does.flatMap(slotsOf));
      for (const ghost of [0, 1, 2]) {
        const all = readingsAt(station, row, ghost);
        for (const set of [all, ...all.map((one) => [one])]) {
          const told = interpret(set);
          read += told.size;
          for (const { id, slot } of set)
            if (told.get(id)?.says === 'condemned' && !broken.has(slot))
              wrong.push(`${rung.name}, ${state} at ${station.stop}: ${id} of ${signOf(set)}`);
        }
      }
    }
    expect(wrong).toEqual([]);
    expect(read).toBeGreaterThan(3000);
  });

  test('nothing is said to be wrong with a sound machine, whatever it does and wherever it is read', () => {
    const wrong: string[] = [];
    for (const { state, station, row } of cellsOf(ladder, [SOUND])) {
      const all = readingsAt(station, row);
      for (const set of [all, ...all.map((one) => [one])])
        for (const [id, { says, causes }] of interpret(set))
          // A breaker that is off is found either way: as a state, or as a supply that is out.
          if (['condemned', 'elsewhere', 'faulty'].includes(says) && !causes[0]?.endsWith('supply-out'))
            wrong.push(`${state} at ${station.stop}: ${id} of ${set.length} is ${says}: ${causes.join()}`);
    }
    expect(wrong).toEqual([]);
  });

  test('read together in the state that was meant, all that a sound machine shows counts', () => {
    const not = [...cellsOf(ladder, [SOUND])]
      .filter(({ isMeant }) => isMeant)
      .flatMap(({ station, row, state }) => {
        const all = readingsAt(station, row);
        const told = interpret(all);
        return all.filter(({ id }) => told.get(id)?.says !== 'counts').map(({ id }) => `${state}: ${id}`);
      });
    expect(not).toEqual([]);
  });
});

/** What is said of the readings of a part of a machine, at a station, in the state that was meant. */
function saidOf(ladder: Ladder, rungs: readonly Rung[], name: string, stop: string): string[] {
  const rung = rungs.find((one) => one.name === name);
  if (!rung) throw new Error(`no rung ${name}`);
  const cell = [...cellsOf(ladder, [rung])].find(
    (one) => one.station.stop === stop && (one.isMeant || stop === 'calls'),
  );
  if (!cell) throw new Error(`not read at ${stop}`);
  // Who reads there has let it run as long as the station asks.
  const all = readingsAt(cell.station, cell.row).map((r) => ({ ...r, conditions: { runningMin: 5 } }));
  const told = interpretVisit(ladder, all);
  return all.filter(({ id }) => told.get(id)?.says === 'condemned').map(({ slot }) => slot);
}

test.each([
  ['contactor coil open', 'cooling', 'contactor'],
  ['one pole of the contactor burnt', 'cooling', 'contactor'],
  ['contactor in, both poles open', 'cooling', 'contactor'],
  ['lug of 1 Ω before the contactor', 'cooling', 'contactor'],
  ['both poles welded', 'calls', 'contactor'],
  ['sequencer does not move', 'electric-heat', 'sequencer'],
  ['sequencer’s second contact stuck open', 'electric-heat', 'sequencer'],
  ['first element open', 'electric-heat', 'electric-heat'],
  ['second element open', 'electric-heat', 'electric-heat'],
])('%s, all read at %s: the %s is condemned, and nothing else', (name, stop, slot) => {
  expect([...new Set(saidOf(HEAT_PUMP, HEAT_PUMP_RUNGS, name, stop))]).toEqual([slot]);
});
