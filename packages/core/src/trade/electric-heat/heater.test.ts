import fc from 'fast-check';
import { heaterAmps, heaterResistance } from './heater.ts';

// Source: Ohm's law.
test('10 kW at 240 V draws 41.7 A, a 5 kW element 20.8 A and has 11.5 Ω', () => {
  expect(heaterAmps({ kilowatts: 10, ratedVolts: 240 })).toEqual({
    outcome: 'value',
    value: expect.closeTo(41.667, 3) as number,
  });
  expect(heaterAmps({ kilowatts: 5, ratedVolts: 240 })).toMatchObject({ value: expect.closeTo(20.833, 3) as number });
  expect(heaterResistance({ kilowatts: 5, ratedVolts: 240 })).toEqual({ outcome: 'value', value: 11.52 });
});

test('property: at other volts, amps times volts is power that goes with the square of the volts', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 25, noNaN: true }),
      fc.double({ min: 190, max: 260, noNaN: true }),
      (kilowatts, volts) => {
        const amps = heaterAmps({ kilowatts, ratedVolts: 240, volts });
        expect(amps.outcome === 'value' && (amps.value * volts) / 1000).toBeCloseTo(kilowatts * (volts / 240) ** 2, 9);
      },
    ),
  );
});

test.each([
  [0, 240],
  [-5, 240],
  [5, 0],
  [NaN, 240],
  [5, Infinity],
])('%f kW at %f V cannot be said', (kilowatts, ratedVolts) => {
  expect(heaterResistance({ kilowatts, ratedVolts })).toEqual({ outcome: 'cannot-say', because: 'not-above-zero' });
  expect(heaterAmps({ kilowatts, ratedVolts })).toMatchObject({ outcome: 'cannot-say' });
});
