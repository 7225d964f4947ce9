import { POINT_NAMES } from '../equipment/component.ts';
import { CEILING } from '../quantity/unit.ts';
import { methodOf, placesOn, READING_KINDS, readingKind } from './registry.ts';

test('ids are unique, and every kind is found by its own', () => {
  expect(new Set(READING_KINDS.map((k) => k.id)).size).toBe(READING_KINDS.length);
  for (const kind of READING_KINDS) expect(readingKind(kind.id)).toBe(kind);
  expect(readingKind('mood')).toBeUndefined();
});

test.each(READING_KINDS.map((k) => [k.id, k] as const))(
  '%s: its methods have inputs, an order and an error',
  (_id, kind) => {
    expect(kind.methods.length).toBeGreaterThan(0);
    expect(new Set(kind.methods.map((m) => m.id)).size).toBe(kind.methods.length);
    for (const method of kind.methods) {
      expect(methodOf(kind, method.id)).toBe(method);
      expect(method.inputs.length).toBeGreaterThan(0);
      const numeric = method.inputs.every((i) => i.type === 'number');
      if (numeric) expect(method.error(CEILING[kind.unit] / 20)).toBeGreaterThan(0);
    }
  },
);

test('places name points that have words', () => {
  const part = { slot: 'run-capacitor', kind: 'run-capacitor', plate: { rating: '40+5 µF' }, fittedOn: null } as const;
  const places = placesOn(part, 'split-heat-pump');
  expect(places.map((p) => `${p.method.id} ${p.point}`)).toEqual([
    'under-load herm',
    'under-load fan',
    'looks can',
    'bench herm',
    'bench fan',
    'needle-sweep herm',
    'needle-sweep fan',
  ]);
  expect(places.every((p) => p.point in POINT_NAMES)).toBe(true);
});
