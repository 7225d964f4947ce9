import { heatAdded } from './heat-added.ts';

// Source: Ohm's law and 3.412 Btu/h a watt (NIST SP 811): a 5 kW element is 17 060 Btu/h.
test('a 5 kW strip that is stuck takes more than half of two and a half tons', () => {
  const added = heatAdded({ volts: 240, amps: 5000 / 240, tons: 2.5 });
  expect(added?.btuh).toBeCloseTo(17_060, 0);
  expect(added?.ofCooling).toBeCloseTo(0.569, 3);
});

test('without tons there is no share; nonsense has no answer', () => {
  expect(heatAdded({ volts: 240, amps: 20 })).toMatchObject({ ofCooling: null });
  expect(heatAdded({ volts: NaN, amps: 20 })).toBeNull();
  expect(heatAdded({ volts: 240, amps: -1 })).toBeNull();
});
