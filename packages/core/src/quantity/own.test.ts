import { isOwn, own } from './own.ts';

const INHERITED = ['constructor', '__proto__', 'toString', 'hasOwnProperty', 'valueOf'];

test('a table has its own entries and none that every object inherits', () => {
  expect(own({ a: 1 }, 'a')).toBe(1);
  for (const name of INHERITED) {
    expect(own({ a: 1 }, name)).toBeUndefined();
    expect(isOwn({ a: 1 }, name)).toBe(false);
  }
});

test('a name that stands in the table is found, whatever it is', () => {
  const table = JSON.parse('{"constructor": 2, "__proto__": 3}') as Record<string, number>;
  expect([own(table, 'constructor'), own(table, '__proto__')]).toEqual([2, 3]);
});
