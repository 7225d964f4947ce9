import { isOwn } from '../quantity/own.ts';
import { POINT_NAMES } from '../equipment/component.ts';
import { CEILING } from '../quantity/unit.ts';
import { methodOf, placesOn, READING_KINDS, readingKind, titleOf } from './registry.ts';

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
      // At a stop of a round, or where a hunt asks for it.
      expect(method.stops.length + (method.hunted?.length ?? 0)).toBeGreaterThan(0);
      const wears = kind.type === 'number' && kind.wear !== 'none';
      if (wears && method.inputs.every((i) => i.type === 'number'))
        expect(method.error?.(CEILING[kind.unit] / 20)).toBeGreaterThan(0);
    }
  },
);

test('places name points that have words', () => {
  const part = { slot: 'run-capacitor', kind: 'run-capacitor', plate: { rating: '40+5 µF' }, fittedOn: null } as const;
  const places = placesOn(part, 'split-heat-pump', {});
  expect(places.map((p) => `${p.method.id} ${p.point}`)).toEqual([
    'under-load herm',
    'under-load fan',
    'looks can',
    'bench herm',
    'bench fan',
    'needle-sweep herm',
    'needle-sweep fan',
  ]);
  expect(places.every((p) => isOwn(POINT_NAMES, p.point))).toBe(true);
});

test('titles name the point where there is more than one, and plates are told short', () => {
  const about = (kind: string, point: 'herm' | 'can' | 'common' | 'run' | 'whole') => {
    const component = {
      slot: 'run-capacitor',
      kind: 'run-capacitor',
      plate: { rating: '40+5 µF' },
      fittedOn: null,
    } as const;
    const plate = { compressorRla: 19.9, blowerFla: 4, blowerMotor: 'psc', volts: '230' } as const;
    const found = readingKind(kind)!;
    return [titleOf(found, point), found.plateLine({ systemKind: 'split-heat-pump', plate, component, point })];
  };
  expect(about('run-capacitor-capacitance', 'herm')).toEqual(['Capacitance, HERM', 'rated 40 µF']);
  expect(about('run-capacitor-capacitance', 'can')).toEqual(['Looks of the can', '40+5 µF']);
  expect(about('compressor-amps', 'common')).toEqual(['Compressor amps, common', 'RLA 19.9 A']);
  expect(about('compressor-amps', 'run')).toEqual(['Compressor amps, run', 'no plate figure for this wire']);
  expect(about('outdoor-fan-amps', 'whole')).toEqual(['Outdoor fan amps', 'no FLA']);
  expect(about('blower-amps', 'whole')).toEqual(['Blower amps', 'PSC FLA 4 A']);
  expect(about('line-volts', 'whole')).toEqual(['Line volts', 'plate 230 V']);
});
