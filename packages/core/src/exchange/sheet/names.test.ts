import { componentsFor } from '../../equipment/component.ts';
import { SYSTEM_KINDS } from '../../equipment/system-kind.ts';
import type { Plate } from '../../equipment/plate.ts';
import { methodOf, placeAt, readingKind } from '../../readings/registry.ts';
import { MEASURES, measureOf } from './measures.ts';
import { measureNamed, plainAddress, systemKindNamed, unitInHeading, useNamed } from './names.ts';
import { brought, ruleOfUnit, waysToWrite, wayWritten } from './units.ts';

const use = (heading: string) => {
  const named = useNamed(heading);
  if (!named) return 'nothing';
  if (!('use' in named)) return named.id;
  return named.use === 'plate' ? `plate ${named.field}` : named.use;
};

test.each([
  ['Date', 'date'],
  ['Service Date', 'date'],
  ['Address', 'address'],
  ['Customer Name', 'customer'],
  ['Tech', 'technician'],
  ['Remarks', 'note'],
  ['OD temp', 'outdoor'],
  ['Outdoor air (°C)', 'outdoor'],
  ['Cap HERM (uF)', 'capacitor-herm'],
  ['Comp cap MFD', 'capacitor-herm'],
  ['Run Capacitor', 'capacitor-herm'],
  ['Fan cap µF', 'capacitor-fan'],
  ['Blower cap mfd', 'capacitor-blower'],
  ['Start cap', 'capacitor-start'],
  ['Comp Amps', 'compressor-amps'],
  ['Compressor A', 'compressor-amps'],
  ['Cond fan amps', 'outdoor-fan-amps'],
  ['Blower A', 'blower-amps'],
  ['Strip amps total', 'heater-amps-total'],
  ['Heater 2 amps', 'heater-amps-circuit-2'],
  ['Line voltage', 'line-volts'],
  ['24V', 'control-volts'],
  ['Contactor drop (mV)', 'contact-drop'],
  ['Return temp', 'return-dry'],
  ['Return WB', 'return-wet'],
  ['Suction psi', 'suction-pressure'],
  ['Suction line temp', 'suction-line'],
  ['Liquid line', 'liquid-line'],
  ['Head pressure', 'liquid-pressure'],
  ['Compressor RLA', 'plate compressorRla'],
  ['RLA (amps)', 'plate compressorRla'],
  ['Cap rating', 'plate capacitorRating'],
  ['Refrigerant', 'plate refrigerant'],
  ['Invoice', 'nothing'],
  ['Supply air', 'nothing'],
  ['', 'nothing'],
])('a column headed “%s” is %s', (heading, said) => {
  expect(use(heading)).toBe(said);
});

test('every measure is a reading that some machine has, and is named by its own title', () => {
  const full: Plate = {
    capacitorRating: '40+5 µF 440 V',
    fanCapacitorRating: '5 µF 440 V',
    startCapacitorRating: '88-108 µF 330 V',
    blowerCapacitorRating: '7.5 µF 440 V',
    blowerMotor: 'psc',
    heatKilowatts: 15,
    heatCircuits: 3,
    heatElements: 3,
  };
  const placed = MEASURES.map((measure) => {
    const method = methodOf(readingKind(measure.kind)!, measure.method);
    const input = method?.inputs.find(({ id }) => id === measure.input);
    const there = SYSTEM_KINDS.some((kind) =>
      componentsFor(kind, full).some((part) =>
        measure.at.some(
          ([slot, point]) =>
            slot === part.slot && placeAt({ ...part, fittedOn: null }, kind, full, { ...measure, point }),
        ),
      ),
    );
    const unit = input?.type === 'number' ? input.unit : undefined;
    return { id: measure.id, unit, there, named: measureNamed(measure.title)?.id };
  });
  expect(placed).toEqual(MEASURES.map(({ id, unit }) => ({ id, unit, there: true, named: id })));
  expect(new Set(MEASURES.map(({ id }) => id)).size).toBe(MEASURES.length);
});

test('units of headings, and how they are brought to those that are kept', () => {
  expect(unitInHeading('Return (°C)', measureOf('return-dry')!)).toBe('°C');
  expect(unitInHeading('Contactor drop mV', measureOf('contact-drop')!)).toBe('mV');
  expect(unitInHeading('Return air', measureOf('return-dry')!)).toBe('');
  // NIST SP 811, appendix B.8: 1 psi = 6.894 757 kPa; 32 °F = 0 °C.
  expect(brought(689.4757, 'kPa', 'psig')).toBeCloseTo(100, 4);
  expect(brought(20, '°C', '°F')).toBe(68);
  expect(brought(10, '°C', '°F', true)).toBe(18);
  expect(brought(450, 'mA', 'A')).toBe(0.45);
  expect(brought(2.2, 'kohms', 'Ω')).toBe(2200);
  expect(brought(5, 'µF', 'A')).toBeNaN();
  expect(ruleOfUnit('°C', '°F')).toBe('°C × 9/5 + 32');
  expect(ruleOfUnit('°C', '°F', true)).toBe('°C × 9/5');
  expect(waysToWrite('°F')).toEqual(['°F', '°C']);
  expect(['celsius', 'degF', '', 'furlong'].map((name) => wayWritten(name, '°F'))).toEqual(['°C', '°F', '°F', '°F']);
});

test('kinds of systems, and addresses two people write differently', () => {
  expect(
    ['Heat Pump', 'A/C', 'gas furnace', 'Mini-split', 'Package unit', 'split-heat-pump', 'boiler'].map(systemKindNamed),
  ).toEqual([
    'split-heat-pump',
    'split-air-conditioner',
    'gas-furnace-with-coil',
    'ductless-heat-pump',
    'packaged-heat-pump',
    'split-heat-pump',
    undefined,
  ]);
  expect(plainAddress('12 North Élm Street.')).toBe(plainAddress('12 n elm ST'));
  expect(plainAddress('12 Elm St')).not.toBe(plainAddress('12 Elm Ct'));
});
