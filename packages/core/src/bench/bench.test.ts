import fc from 'fast-check';
import { methodOf, readingKind } from '../readings/registry.ts';
import { BENCH, workOut, type BenchTyped } from './bench.ts';

const sumOf = (id: string) => BENCH.find((sum) => sum.id === id)!;
const worked = (id: string, typed: BenchTyped) => workOut(sumOf(id), typed);
const told = (id: string, typed: BenchTyped) => {
  const found = worked(id, typed);
  if (found.outcome !== 'value') throw new Error(JSON.stringify(found));
  return { ...found, result: found.result.replaceAll('\u00a0', ' ') };
};

test.each<[string, BenchTyped, string, RegExp]>([
  // 2653 × I ÷ V at 60 Hz; common practice.
  ['capacitor-under-load', { amps: '5.36', volts: '370' }, '38.4 µF', /^2653 × 5\.36 A ÷ 370 V$/],
  // 3183 × I ÷ V at 50 Hz; common practice.
  ['capacitor-under-load', { amps: '4', volts: '370', hertz: '50' }, '34.4 µF', /^3183 ×/],
  ['target-superheat', { wet: '63', outdoor: '85' }, '12 °F', /^\(3 × 63 − 80 − 85\) ÷ 2$/],
  // Ohm's law: 10 kW at 240 V draw 41.67 A; at 230 V 39.9 A.
  ['heater', { kilowatts: '10' }, '41.7 A', /^240 V ÷ \(240² ÷ 10000 W\)$/],
  ['heater', { kilowatts: '10', volts: '230' }, '39.9 A', /^230 V/],
  // A right triangle of 5, 12 and 13.
  ['three-wires', { common: '13', run: '12', start: '5' }, 'They fit', /= 13 A; 13 A read, 0 % off$/],
  ['rla-from-mca', { mca: '26.1', fan: '1.2' }, '19.9 A', /÷ 1\.25$/],
  // At R25 a thermistor is at 25 °C, whatever its beta.
  ['thermistor', { ohms: '10000' }, '77 °F', /298\.15/],
  // 10 kW over 30 °F; ASHRAE Handbook Fundamentals' 1.08.
  ['airflow-from-heat', { volts: '240', amps: '41.6667', rise: '30' }, '1053 CFM', /3\.412 ÷ \(1\.08 × 30 °F\)$/],
  // Refrigerant tables of 40 °F: 118.8 psig for R-410A.
  ['saturation', { psig: '118.8' }, '40 °F bubble', /R-410A at 118\.8 psig/],
  ['capacitor-replacement', {}, 'It may', /370 V → 45\+5 µF 440 V$/],
  ['capacitor-replacement', { old: '45+5 440V', new: '45+5 370V' }, 'It may not', /→/],
])('%s of %j is %s', (id, typed, result, formula) => {
  const found = told(id, typed);
  expect(found.result).toBe(result);
  expect(found.formula).toMatch(formula);
});

test('superheat and subcooling are told against their targets, and with the other side’s air thinner', () => {
  const suction = told('superheat', { psig: '118', line: '52', target: '10' });
  expect(suction.formula).toMatch(/^52 °F − 39\.8 °F \(dew point at 118 psig\)$/);
  expect(suction.also?.[0]?.replaceAll('\u00a0', ' ')).toMatch(/^[12](\.\d)? °F above its target\.$/);
  // A gauge in thin air reads against less: the same reading is less pressure, and boils colder.
  const high = told('superheat', { psig: '118', line: '52', altitude: '5000' });
  expect(parseFloat(high.result)).toBeGreaterThan(parseFloat(suction.result));
  expect(told('subcooling', { psig: '340', line: '96' }).doubts).toEqual([]);
  expect(told('subcooling', { psig: '340', line: '120' }).doubts?.[0]).toMatch(/gas in the liquid line/);
});

test('1200 CFM from 80/67 to 60/58 °F deliver 34,600 Btu/h (psychrometric tables)', () => {
  const found = told('delivered-cooling', { cfm: '1200', inDry: '80', inWet: '67', outDry: '60', outWet: '58' });
  expect(Number(found.result.replace(/[^\d]/g, '')) / 34_600).toBeCloseTo(1, 1);
});

test('what is doubtful is said: volts of the line, wires that do not fit, charge that cannot be judged', () => {
  expect(told('capacitor-under-load', { amps: '5', volts: '240' }).doubts?.[0]).toMatch(/near the line’s/);
  expect(told('three-wires', { common: '20', run: '12', start: '5' }).doubts?.[0]).toMatch(/Clamp again/);
  expect(worked('target-superheat', { wet: '55', outdoor: '100' })).toMatchObject({ outcome: 'cannot-say' });
  expect(worked('rla-from-mca', { mca: '2', fan: '5' })).toMatchObject({ outcome: 'cannot-say' });
});

test('a board that defrosts every hour for six minutes does so 21.8 times a day, and what speaks against its settings is said', () => {
  const found = told('defrost-settings', { interval: '60', lasts: '6', strips: '10' });
  expect(found.result).toBe('21.8 a day');
  expect(found.formula).toBe('1440 min × 100 % ÷ (60 min + 6 min)');
  expect(found.also).toEqual([
    '131 min a day it cools the house instead of heating it.',
    '21.8 kWh a day for the strips.',
  ]);
  expect(found.doubts).toEqual([]);
  const bad = told('defrost-settings', { interval: '90', ends: '50', ice: 'yes', lasts: '10' });
  expect(bad.doubts).toHaveLength(3);
  expect(bad.doubts?.join(' ')).toMatch(/50/);
});

test('the control chain names where the volts are lost, and no part beyond what was measured', () => {
  const chain = (volts: BenchTyped) => told('control-chain', volts).result;
  expect(chain({ 'r-to-c': '0' })).toMatch(/No control volts at the board/);
  expect(
    chain({ 'r-to-c': '26', 'y-in': '26', 'y-out': '26', 'after-high-switch': '0', switches: 'high-low' }),
  ).toMatch(/[Hh]igh/);
  expect(chain({ 'r-to-c': '26', 'contactor-coil': '0' })).toBe(
    'Lost between R to C and the contactor coil: measure what lies between.',
  );
  expect(chain({ 'r-to-c': '26', 'y-in': '0', 'contactor-coil': '26' })).toMatch(/one of the two was read wrong/);
  expect(chain({ 'r-to-c': '26' })).toMatch(/as far as it was measured/);
  // Open on a warm coil is as it should be.
  expect(chain({ 'r-to-c': '26', 'sensor-feed': '26', 'sensor-return': '0', coil: '60' })).toMatch(/as it should be/);
  expect(told('control-chain', { 'r-to-c': '26', 'y-in': '26' }).formula).toBe('R to C 26 V → Y in 26 V');
});

test('nothing typed is open, nonsense is refused where it stands, a decimal comma is a point', () => {
  expect(worked('heater', {})).toEqual({ outcome: 'open', missing: ['Rated'] });
  expect(worked('heater', { kilowatts: 'ten', volts: '9999' })).toEqual({
    outcome: 'refused',
    wrong: { kilowatts: 'A number is needed here.', volts: 'Between 50 and 600 V.' },
  });
  expect(told('heater', { kilowatts: '10,0' }).result).toBe('41.7 A');
  expect(worked('superheat', { psig: '1e2', line: '50' })).toMatchObject({ outcome: 'refused' });
  expect(worked('saturation', { refrigerant: 'R-constructor', psig: '100' })).toMatchObject({ outcome: 'refused' });
});

test('whatever is typed, a sum never throws and never shows NaN', () => {
  const piece = fc.oneof(
    fc.string({ maxLength: 8 }),
    fc.double({ noNaN: true, min: -200, max: 6000 }).map((n) => n.toFixed(2)),
  );
  fc.assert(
    fc.property(fc.constantFrom(...BENCH), fc.array(piece, { minLength: 12, maxLength: 12 }), (sum, pieces) => {
      const typed = Object.fromEntries(
        sum.inputs.map((input, i) => [input.id, input.type === 'choice' ? (input.usual ?? '') : (pieces[i] ?? '')]),
      );
      expect(JSON.stringify(workOut(sum, typed))).not.toMatch(/NaN|undefined|Infinity/);
    }),
    { numRuns: 1500 },
  );
});

test('what a sum hands to a reading is there: its kind, its method, its inputs', () => {
  const handing = BENCH.flatMap(({ hands, inputs }) => (hands ? [{ hands, inputs }] : []));
  expect(handing.length).toBe(5);
  for (const { hands, inputs } of handing) {
    const kind = readingKind(hands.kind);
    const method = kind && methodOf(kind, hands.method);
    expect(Object.values(hands.inputs).filter((id) => !method?.inputs.some((spec) => spec.id === id))).toEqual([]);
    expect(Object.keys(hands.inputs).filter((id) => !inputs.some((input) => input.id === id))).toEqual([]);
  }
});

test('every sum says what it is for and where its formula is from, and has names of its own', () => {
  expect(new Set(BENCH.map(({ id }) => id)).size).toBe(BENCH.length);
  for (const { says, source, inputs } of BENCH) {
    expect(says).toMatch(/\.$/);
    expect(source).toMatch(/\.$/);
    expect(new Set(inputs.map(({ id }) => id)).size).toBe(inputs.length);
  }
});
