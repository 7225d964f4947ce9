import type { SheetRow } from './rows.ts';
import { systemNames, visitsIn } from './which-system.ts';

const row = (over: Partial<SheetRow>): SheetRow =>
  ({
    systemId: '',
    address: '',
    customer: '',
    kind: null,
    technician: '',
    day: 1,
    minute: null,
    line: 2,
    ...over,
  }) as SheetRow;
const names = systemNames([
  { id: 'a', address: '1 North Elm Street', customer: 'Vole', kind: 'split-heat-pump' },
  { id: 'b', address: '2 Elm St', customer: 'Vole', kind: 'split-heat-pump' },
  { id: 'c', address: '2 Elm St', customer: 'Orme', kind: 'split-heat-pump' },
  { id: 'd', address: '2 Elm St', customer: 'Orme', kind: 'gas-furnace-with-coil' },
]);

test('a system is known by its id, or by its address however it is written; several by customer and kind', () => {
  const which = (over: Partial<SheetRow>) => names.which(row(over));
  expect(which({ systemId: 'A', address: '9 Other Way' })).toEqual({ known: 'a' });
  expect(which({ address: '1 n elm st.' })).toEqual({ known: 'a' });
  expect(which({ address: '1 N Elm St', customer: 'Somebody new' })).toEqual({ known: 'a' });
  expect(which({ address: '2 Elm Street', customer: 'vole' })).toEqual({ known: 'b' });
  expect(which({ address: '2 Elm Street', customer: 'Orme', kind: 'gas-furnace-with-coil' })).toEqual({ known: 'd' });
  expect(which({ address: '2 Elm Street', customer: 'Orme' })).toEqual({
    refused: '2 systems have this address: give the id of the one that is meant, or its kind.',
  });
  expect(which({ address: '3 Elm St' })).toEqual(which({ address: '3 elm street', customer: 'x' }));
});

test('a machine of another kind where one is known would be made beside it, and is doubted', () => {
  expect(names.which(row({ address: '1 N Elm St', kind: 'split-air-conditioner' }))).toHaveProperty('fresh');
  expect(names.doubt('split-air-conditioner', '1 n. elm st')).toBe(
    'At this address there is a split heat pump: a split air conditioner would be made beside it.',
  );
  expect(names.doubt('split-air-conditioner', '3 Elm St')).toBeNull();
});

test('rows of a day by one person are a visit, by the clock; visits come in the order of days', () => {
  const rows = [
    row({ line: 2, day: 9, technician: 'TP', minute: 600 }),
    row({ line: 3, day: 9, technician: 'tp', minute: 540 }),
    row({ line: 4, day: 9, technician: 'SE' }),
    row({ line: 5, day: 3 }),
  ];
  expect(visitsIn(rows).map((visit) => visit.map(({ line }) => line))).toEqual([[5], [3, 2], [4]]);
});
