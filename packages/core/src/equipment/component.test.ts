import { componentsFor, ratingOf } from './component.ts';
import { isFuseAllowed } from './fuse.ts';
import { hertzOf, nominalVoltsOf, plateSchema } from './plate.ts';
import { SYSTEM_KINDS } from './system-kind.ts';

const slots = (kind: (typeof SYSTEM_KINDS)[number], plate = {}) => componentsFor(kind, plate).map((c) => c.slot);

test('every kind of system has a supply, and no part twice', () => {
  for (const kind of SYSTEM_KINDS) {
    const all = slots(kind, { fanCapacitorRating: '5 µF' });
    expect(all).toContain('supply');
    expect(new Set(all).size).toBe(all.length);
  }
});

test('the fan has a capacitor of its own only when the plate names one', () => {
  expect(slots('split-heat-pump')).not.toContain('fan-capacitor');
  expect(slots('split-heat-pump', { fanCapacitorRating: '5 µF 370 V' })).toContain('fan-capacitor');
});

test('a PSC blower has a capacitor, whether or not its rating was read; an ECM has none', () => {
  expect(slots('gas-furnace-with-coil', { blowerMotor: 'psc' })).toContain('blower-capacitor');
  expect(slots('gas-furnace-with-coil', { blowerCapacitorRating: '10 µF 370 V' })).toContain('blower-capacitor');
  expect(slots('gas-furnace-with-coil')).not.toContain('blower-capacitor');
  expect(slots('gas-furnace-with-coil', { blowerMotor: 'ecm', blowerCapacitorRating: '10 µF' })).not.toContain(
    'blower-capacitor',
  );
  expect(slots('ductless-heat-pump', { blowerMotor: 'psc' })).not.toContain('blower-capacitor');
});

test('an air handler has no compressor, an inverter no run capacitor', () => {
  expect(slots('air-handler-electric-heat')).not.toContain('compressor');
  expect(slots('air-handler-electric-heat')).toEqual(expect.arrayContaining(['electric-heat', 'sequencer', 'blower']));
  expect(slots('ductless-heat-pump')).not.toContain('run-capacitor');
  expect(slots('ductless-heat-pump')).toEqual(expect.arrayContaining(['base-pan-heater', 'coil-sensor']));
});

test('parts that only some systems have come with the plate that names them', () => {
  expect(slots('split-heat-pump')).not.toContain('electric-heat');
  expect(slots('split-heat-pump', { heatKilowatts: 10 })).toContain('electric-heat');
  expect(slots('split-heat-pump', { heatKilowatts: 10, heatSwitch: 'relay' })).not.toContain('sequencer');
  expect(slots('split-heat-pump', { heatKilowatts: 10, heatSwitch: 'relay' })).toContain('heat-relay');
  expect(slots('split-heat-pump', { heatKilowatts: 10 })).not.toContain('heat-relay');
  expect(slots('split-heat-pump', { defrostControl: 'time-temperature' })).not.toContain('coil-sensor');
  expect(slots('split-air-conditioner')).not.toContain('defrost-board');
  expect(slots('split-air-conditioner', { startCapacitorRating: '88-108 µF 330 V' })).toContain('start-capacitor');
  expect(slots('gas-furnace-with-coil')).toContain('gas-heat');
  expect(slots('gas-furnace-with-coil', { blowerMotor: 'ecm' })).not.toContain('blower-relay');
});

test('the rating text travels to the part and is read there', () => {
  const [part] = componentsFor('split-heat-pump', { capacitorRating: '45+5 µF 440 V' }).filter(
    (c) => c.slot === 'run-capacitor',
  );
  expect(part && ratingOf(part)?.sections).toHaveLength(2);
  expect(ratingOf({ plate: {} })).toBeNull();
  expect(ratingOf({ plate: { rating: 'rubbed off' } })).toBeNull();
});

test('a half-readable plate is a plate; nonsense is not', () => {
  expect(plateSchema.parse({})).toEqual({});
  expect(plateSchema.safeParse({ compressorRla: -1 }).success).toBe(false);
  expect(plateSchema.safeParse({ compressorRla: 1e9 }).success).toBe(false);
  expect(plateSchema.safeParse({ year: 2020.5 }).success).toBe(false);
});

test('a plate without volts and hertz counts as the usual 240 V, 60 Hz', () => {
  expect(nominalVoltsOf({})).toBe(240);
  expect(nominalVoltsOf({ volts: '208/230' })).toBe(240);
  expect(nominalVoltsOf({ volts: '208' })).toBe(208);
  expect(nominalVoltsOf({ volts: '115' })).toBe(120);
  expect(hertzOf({})).toBe(60);
  expect(hertzOf({ hertz: 50 })).toBe(50);
});

test('the low-voltage fuse is a part where its amps were noted, with them on its label', () => {
  const fuseOf = (kind: (typeof SYSTEM_KINDS)[number], plate: object) =>
    componentsFor(kind, plate).find((part) => part.slot === 'control-fuse');
  expect(fuseOf('split-air-conditioner', {})).toBeUndefined();
  expect(fuseOf('split-air-conditioner', { controlFuseAmps: 5 })).toMatchObject({ plate: { amps: 5 } });
  expect(fuseOf('ductless-heat-pump', { controlFuseAmps: 5 })).toBeUndefined();
});

// NEC 240.4: overcurrent protection no larger than what it protects; that a control fuse is never replaced by a larger one is
// common practice.
test('a fuse of as many amps or fewer may be fitted, never of more', () => {
  expect([3, 5, 5.5, 10].map((amps) => isFuseAllowed({ controlFuseAmps: 5 }, amps))).toEqual([
    true,
    true,
    false,
    false,
  ]);
  expect([5, 10].map((amps) => isFuseAllowed({}, amps))).toEqual([true, false]);
});
