import { areAllBack, lugsOf, wiresMoved, wiresNoted, wiresOn } from './wires.ts';

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

test('what is noted of one capacitor says nothing of another, and takes nothing from it', () => {
  const first = wiresNoted(undefined, 'Run capacitor', [{ lug: 'HERM', color: 'yellow' }]);
  const both = wiresNoted(first, 'Blower capacitor', [{ lug: '1', color: 'brown' }]);
  expect(wiresOn(both, 'Run capacitor')).toEqual(first);
  expect(wiresOn(both, 'Blower capacitor').map((w) => w.color)).toEqual(['brown']);
  const again = wiresNoted(both, 'Run capacitor', [{ lug: 'C', color: 'red' }]);
  expect(wiresOn(again, 'Run capacitor').map((w) => [w.lug, w.color])).toEqual([['C', 'red']]);
  expect(again).toHaveLength(2);
});

test('the lugs of a part are as it is marked', () => {
  const dual = { kind: 'run-capacitor', plate: { rating: '40+5 µF 440 V' } } as const;
  expect(lugsOf(dual)).toEqual(['C', 'HERM', 'FAN']);
  expect(lugsOf({ kind: 'run-capacitor', plate: { rating: '7.5 µF 370 V' } })).toEqual(['1', '2']);
  expect(lugsOf({ kind: 'contactor', plate: {} })).toContain('T1');
  expect(lugsOf({ kind: 'thermostat', plate: {} })).toHaveLength(3);
});
