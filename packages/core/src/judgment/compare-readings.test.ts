import type { Plate } from '../equipment/plate.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { Inputs } from '../readings/contract/entry.ts';
import type { NumericKind } from '../readings/contract/kind.ts';
import { READING_KINDS, numericKind } from '../readings/registry.ts';
import { aboutOf, type Setting } from '../testing/reading.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { targetSuperheat } from '../trade/refrigerant/superheat.ts';
import { aboutAlike, bringAlike } from './compare-readings.ts';

const kindOf = (id: string): NumericKind => numericKind(id)!;

function bring(
  id: string,
  value: number,
  conditions: Conditions,
  plate: Plate = {},
  inputs: Inputs = {},
  more: Setting = {},
) {
  const kind = kindOf(id);
  return bringAlike(kind, value, aboutOf(kind, { plate, ...more }), conditions, inputs);
}

test('heater amps: V/I stays (Ohm’s law): 38.3 A at 220 V is the element that draws 41.8 A at 240 V', () => {
  const { value, error } = bring('heater-amps', 38.3, { lineVolts: 220 }, { heatKilowatts: 10, volts: '208/230' });
  expect(value).toBeCloseTo((38.3 * 240) / 220, 10);
  expect(error).toBe(0);
});

test('compressor amps: a hot day’s 15.8 A is less on a common one; a cold day’s reading is taken for heating', () => {
  const plate: Plate = { compressorRla: 18, volts: '208/230' };
  const hot = bring('compressor-amps', 15.8, { outdoorF: 95, lineVolts: 240 }, plate);
  expect(hot.value).toBeCloseTo(15.8 / 1.091, 2);
  expect(hot.known).toBe(true);
  const cold = bring('compressor-amps', 14, { outdoorF: 47, lineVolts: 240 }, plate);
  expect(cold.value).toBeCloseTo(14, 6);
  expect(cold.error).toBeGreaterThan(0.4);
  const unknown = bring('compressor-amps', 14, {}, plate);
  expect(unknown).toMatchObject({ value: 14, known: false });
  expect(unknown.error).toBeGreaterThan(hot.error);
});

test('superheat of a fixed orifice is followed as its distance from the target ((3 WB − 80 − DB)/2, common practice)', () => {
  const plate: Plate = { metering: 'fixed-orifice', refrigerant: 'R-410A' };
  const conditions = { outdoorF: 95, returnF: 75, returnWetF: 67 };
  const target = targetSuperheat({ indoorWetBulb: 67, outdoorDryBulb: 95, indoorDryBulb: 75 });
  const common = targetSuperheat({ indoorWetBulb: 63, outdoorDryBulb: 85, indoorDryBulb: 75 });
  if (target.outcome !== 'value' || common.outcome !== 'value') throw new Error('no target');
  expect(target.degrees).toBeCloseTo((3 * 67 - 80 - 95) / 2, 6);
  expect(bring('superheat', target.degrees + 4, conditions, plate).value).toBeCloseTo(common.degrees + 4, 6);
  // A valve holds its superheat whatever the weather; a check that does not count says little.
  expect(bring('superheat', 11, conditions, { ...plate, metering: 'expansion-valve' })).toMatchObject({
    value: 11,
    error: 0,
  });
  expect(bring('superheat', 11, { ...conditions, chargeDoubt: 'raining' }, plate).error).toBeGreaterThan(5);
});

test('the split: humid return air made it small, and it is given back', () => {
  expect(bring('temperature-split', 15, { returnF: 75, returnWetF: 67 }).value).toBeCloseTo(18.2, 6);
  expect(bring('temperature-split', 15, {}).known).toBe(false);
});

test('a defrost that began colder took longer: it is brought to a coil at 28 °F', () => {
  const { value } = bring('defrost-duration', 6, {}, { defrostTerminationF: 70 }, { startF: 14 });
  expect(value).toBeCloseTo((6 * (70 - 28)) / (70 - 14), 6);
  expect(bring('defrost-duration', 6, {}).known).toBe(false);
});

const compared = READING_KINDS.flatMap((k) => (k.type === 'number' && k.likeForLike ? [[k.id, k] as const] : []));
describe.each(compared)('%s', (id, kind) => {
  const about = aboutOf(kind, {
    plate: {
      compressorRla: 18,
      metering: 'fixed-orifice',
      refrigerant: 'R-410A',
      defrostTerminationF: 70,
      heatKilowatts: 10,
    },
  });

  test('under its common conditions a value stays as it is, and has its limits there', () => {
    const alike = bringAlike(kind, 10, about, kind.likeForLike!.at(about), { startF: 28 });
    expect(alike.value).toBeCloseTo(10, 6);
    expect(alike.error).toBeLessThan(0.5);
    expect(kind.likeForLike!.words(about)).toMatch(/\w/);
    expect(kind.limits(aboutAlike(kind, about), DEFAULT_POLICY).known).toBe(id !== 'subcooling');
  });
});

test('a kind that nothing but wear moves is left as read', () => {
  expect(bring('run-capacitor-capacitance', 38.2, { outdoorF: 110 })).toEqual({ value: 38.2, error: 0, known: true });
});
