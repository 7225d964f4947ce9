import { loadList, namedForShelf, shelfName, type Aboard, type Wanted } from './load-list.ts';

/** Planned, unless it has a chance alone. */
const want = (part: string, chance?: number): Wanted => ({
  part,
  address: '1 Somewhere',
  chance: chance ?? 1,
  planned: chance === undefined,
});
const load = (wanted: readonly Wanted[], aboard: readonly Aboard[] = [], percent = 0) =>
  loadList(wanted, aboard, percent).map(({ part, need, toLoad, standsIn }) => [
    part,
    need,
    toLoad,
    standsIn.map((s) => `${s.count} ${s.part}`).join(', '),
  ]);

test('what jobs fit is counted whole, what may be needed by its chances; less what is aboard', () => {
  const contactors = [want('contactor'), want('contactor'), want('contactor', 0.3), want('contactor', 0.4)];
  expect(load(contactors)).toEqual([['contactor', 3, 3, '']]);
  expect(load(contactors, [{ part: 'contactor', count: 2 }])).toEqual([['contactor', 3, 1, '']]);
  expect(load(contactors, [{ part: 'contactor', count: 5 }])).toEqual([['contactor', 3, 0, '']]);
  // One that is hardly likely is carried all the same: it was asked for.
  expect(load([want('sequencer', 0.05)])).toEqual([['sequencer', 1, 1, '']]);
});

// The replacement rule: the same µF, volts equal or higher, never lower. Common practice, no source.
test('a 440 V capacitor stands in for a 370 V one, and never the other way about', () => {
  expect(load([want('40+5 µF 370 V')], [{ part: '40+5 µF 440 V', count: 1 }])).toEqual([
    ['40+5 µF 370 V', 1, 0, '1 40+5 µF 440 V'],
  ]);
  expect(load([want('40+5 µF 440 V')], [{ part: '40+5 µF 370 V', count: 1 }])).toEqual([['40+5 µF 440 V', 1, 1, '']]);
});

test('two singles stand in for a dual, one for each section', () => {
  const singles = [
    { part: '40 µF 440 V', count: 1 },
    { part: '5 µF 440 V', count: 1 },
  ];
  expect(load([want('40+5 µF 440 V')], singles)).toEqual([['40+5 µF 440 V', 1, 0, '1 40 µF 440 V, 1 5 µF 440 V']]);
  expect(load([want('40+5 µF 440 V')], singles.slice(0, 1))).toEqual([['40+5 µF 440 V', 1, 1, '']]);
  // Two alike sections take two of one part.
  expect(load([want('5+5 µF 440 V')], [{ part: '5 µF 440 V', count: 1 }])[0]?.[2]).toBe(1);
});

test('what the day asks for itself stands in for nothing else; what is short comes first', () => {
  const lines = load([want('40+5 µF 440 V'), want('40+5 µF 370 V')], [{ part: '40+5 µF 440 V', count: 1 }]);
  expect(lines).toEqual([
    ['40+5 µF 370 V', 1, 1, ''],
    ['40+5 µF 440 V', 1, 0, ''],
  ]);
});

test('within the school’s allowance another size stands in', () => {
  const aboard = [{ part: '42 µF 440 V', count: 1 }];
  expect(load([want('40 µF 440 V')], aboard)[0]?.[2]).toBe(1);
  expect(load([want('40 µF 440 V')], aboard, 5)[0]?.[2]).toBe(0);
});

test('a part has one name on the shelf, however it is typed', () => {
  expect(namedForShelf('40/5 MFD 440 VAC')).toBe('40+5 µF 440 V');
  expect(namedForShelf('  Contactor   2-pole ')).toBe('contactor 2-pole');
  expect(shelfName({ slot: 'run-capacitor', plate: { rating: '40+5 µF 440 V' } })).toBe('40+5 µF 440 V');
  expect(shelfName({ slot: 'heat-relay', plate: {} })).toBe('electric heat relay');
});

test('a fuse is on the shelf by its amps', () => {
  expect(shelfName({ slot: 'control-fuse', plate: { amps: 3 } })).toBe('low-voltage fuse 3 a');
  expect(namedForShelf('Low-voltage  fuse 3 A')).toBe(shelfName({ slot: 'control-fuse', plate: { amps: 3 } }));
});
