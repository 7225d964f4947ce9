import { areAllBack, wiresMoved, wiresOn } from './wires.ts';

const wires = [
  { on: 'Capacitor', lug: 'FAN', color: 'brown' },
  { on: 'run cap', lug: 'HERM', color: 'yellow' },
  { on: 'contactor', lug: 'T1', color: 'purple' },
  { on: '?', lug: 'C', color: 'red' },
];
const back = (...lugs: string[]) => lugs.map((lug, i) => ({ color: wires[i]!.color, lug }));

test('a part’s wires are found by what it is, however short the note', () => {
  expect(wiresOn(wires, 'Run capacitor').map((w) => w.color)).toEqual(['brown', 'yellow']);
  expect(wiresOn(wires, 'Contactor').map((w) => w.color)).toEqual(['purple']);
  expect(wiresOn(wires, 'Defrost board')).toEqual([]);
  expect(wiresOn(undefined, 'Contactor')).toEqual([]);
});

test('two wires swapped on refitting are named, each with where it was', () => {
  const noted = wires.slice(0, 2);
  expect(wiresMoved(noted, back('fan ', 'herm'))).toEqual([]);
  expect(wiresMoved(noted, back('HERM', 'FAN'))).toEqual([
    { color: 'brown', was: 'FAN', is: 'HERM' },
    { color: 'yellow', was: 'HERM', is: 'FAN' },
  ]);
});

test('a wire that has not been put anywhere is still off', () => {
  const noted = wires.slice(0, 2);
  expect(areAllBack(noted, back('FAN', ''))).toBe(false);
  expect(wiresMoved(noted, back('FAN', ''))).toEqual([]);
  expect(areAllBack(noted, back('FAN', 'HERM'))).toBe(true);
});
