import { componentsFor } from '../../equipment/component.ts';
import type { Plate } from '../../equipment/plate.ts';
import type { SystemKind } from '../../equipment/system-kind.ts';
import { dayOf, isoOf, utcDayOf } from '../../quantity/day.ts';
import type { SheetMapping } from '../../http/imports.ts';
import { checkVisitRows, sameReading, type PartLife } from './check.ts';
import { newSystemOf } from './new-systems.ts';
import { readRow, type SheetRow } from './rows.ts';
import { suggestMapping } from './suggest.ts';

const TODAY = dayOf('2026-11-01');

/** Reads a small sheet as it would be read without anybody's help, and holds its rows against one machine. */
function sheet(text: string, change: (mapping: SheetMapping) => SheetMapping = (m) => m) {
  const [headers = [], ...rows] = text
    .trim()
    .split('\n')
    .map((line) => line.split('|').map((cell) => cell.trim()));
  const mapping = change(suggestMapping({ headers, rows }, 'America/Chicago'));
  return { mapping, rows: rows.map((cells, at) => readRow(cells, at + 2, mapping, TODAY)) };
}
const read = (rows: ReturnType<typeof sheet>['rows']): SheetRow[] =>
  rows.filter((r): r is SheetRow => !('refused' in r));
const machine = (kind: SystemKind, plate: Plate, change: (part: PartLife) => PartLife[] = (p) => [p]) => ({
  kind,
  plate,
  parts: componentsFor(kind, plate).flatMap((part) =>
    change({ ...part, id: part.slot, fittedOn: null, removedOn: null }),
  ),
});
const given = {
  tables: {},
  momentAt: (day: number, minute: number) =>
    `${isoOf(day)}T${String(Math.floor(minute / 60) + 6).padStart(2, '0')}:00:00.000Z`,
  isKept: () => false,
};
const cooler = machine('split-air-conditioner', { capacitorRating: '40+5 µF 440 V', compressorRla: 14.2 });

test('a row becomes the readings that would have been typed, in the state the row tells of', () => {
  const { rows } = sheet(`
    Date | Address | OD temp (°C) | Line volts | Cap HERM uF | Cap fan uF | Comp amps | Return | Return WB | Suction psi | Suction line
    4/15/2025 | 1 Elm | 30 | 241 | 39.2 | 4.9 | 11.3 | 75 | 63 | 132 | 55`);
  const [checked] = checkVisitRows(read(rows), cooler, given);
  expect(checked?.why).toEqual(['Superheat, suction: The plate record names no refrigerant.']);
  expect(checked?.readings.map((r) => [r.kind, r.point, r.method, r.value])).toEqual([
    ['return-air', 'whole', 'wet-bulb', 75],
    ['line-volts', 'whole', 'meter', 241],
    ['compressor-amps', 'common', 'clamp', 11.3],
    ['run-capacitor-capacitance', 'herm', 'bench', 39.2],
    ['run-capacitor-capacitance', 'fan', 'bench', 4.9],
  ]);
  // What was read before it on the visit is known, as on a round; nobody said how long it had run.
  expect(checked?.readings[2]).toMatchObject({
    conditions: { outdoorF: 86, lineVolts: 241, returnF: 75, returnWetF: 63 },
    takenAt: '2025-04-15T18:00:00.000Z',
    confirmed: false,
  });
});

test('two capacitors on one can, or on two, are found where the machine has them', () => {
  const { rows } = sheet(`
    Date | Address | Cap HERM uF | Cap fan uF
    4/15/2025 | 1 Elm | 39.2 | 4.9`);
  const places = (kind: SystemKind, plate: Plate) =>
    checkVisitRows(read(rows), machine(kind, plate), given).flatMap((r) =>
      r.readings.map((x) => `${x.componentId} ${x.point}`),
    );
  expect(places('split-air-conditioner', { capacitorRating: '40+5 µF 440 V' })).toEqual([
    'run-capacitor herm',
    'run-capacitor fan',
  ]);
  expect(places('split-heat-pump', { capacitorRating: '40 µF 440 V', fanCapacitorRating: '5 µF 440 V' })).toEqual([
    'run-capacitor single',
    'fan-capacitor single',
  ]);
});

test('a machine that lacks the part is told of, and the rest of the row comes when it is chosen', () => {
  const { rows } = sheet(`
    Date | Address | Strip amps total | Line volts
    4/15/2025 | 1 Elm | 40 | 240`);
  expect(checkVisitRows(read(rows), cooler, given)).toMatchObject([
    {
      outcome: 'questioned',
      why: [expect.stringContaining('has no such part')],
      readings: [{ kind: 'line-volts', value: 240 }],
    },
  ]);
});

test('a slip of the decimal point is asked about as if it had been typed', () => {
  const { rows } = sheet(`
    Date | Address | Cap HERM uF
    4/15/2025 | 1 Elm | 392
    4/16/2025 | 1 Elm | 3920
    4/17/2025 | 1 Elm | 39.2`);
  expect(read(rows).map((row) => checkVisitRows([row], cooler, given)[0])).toMatchObject([
    { outcome: 'questioned', readings: [{ confirmed: true, value: 392 }] },
    { outcome: 'refused', why: [expect.stringContaining('beyond any meter')] },
    { outcome: 'comes', why: [], readings: [{ confirmed: false, value: 39.2 }] },
  ]);
});

test('rows that cannot come in say why', () => {
  const { rows } = sheet(`
    Date | Address | Cap HERM uF
     | 1 Elm | 39
    2/30/2025 | 1 Elm | 39
    4/15/2027 | 1 Elm | 39
    4/15/1925 | 1 Elm | 39
    4/15/2025 |  | 39
    4/15/2025 | 1 Elm | n/a
    4/15/2025 | 1 Elm | good`);
  expect(rows.map((row) => ('refused' in row ? row.refused : 'comes'))).toEqual([
    'It has no date.',
    '“2/30/2025” is no day of the calendar.',
    '4/15/2027 is still to come.',
    '4/15/1925 is before anything that is kept.',
    'It does not say which system.',
    'There is no reading in it.',
    'Run capacitor, HERM or single, meter on open lugs: “good” is no number.',
  ]);
});

test('a part is read in the life it was in', () => {
  const two = machine('split-air-conditioner', { capacitorRating: '40+5 µF 440 V', year: 2015 }, (part) =>
    part.slot === 'run-capacitor'
      ? [
          { ...part, id: 'old', removedOn: dayOf('2024-06-01') },
          { ...part, id: 'new', fittedOn: dayOf('2024-06-01') },
        ]
      : [part],
  );
  const { rows } = sheet(`
    Date | Address | Cap HERM uF
    4/15/2024 | 1 Elm | 36
    6/1/2024 | 1 Elm | 40.2
    4/15/2025 | 1 Elm | 40.1
    4/15/2013 | 1 Elm | 40.1`);
  const lives = read(rows).map((row) => checkVisitRows([row], two, given)[0]);
  expect(lives.map((row) => row?.readings[0]?.componentId)).toEqual(['old', 'new', 'new', undefined]);
  expect(lives.map((row) => row?.outcome)).toEqual(['comes', 'questioned', 'comes', 'refused']);
  expect(lives[1]?.why).toEqual([
    'Run capacitor: Capacitance, HERM: a new one was fitted on that day: it counts as read on the new one.',
  ]);
  expect(lives[3]?.why).toEqual(['2013-04-15 is before 2015, the year on the plate.']);
});

test('a difference is counted from the return air beside it, also in degrees Celsius', () => {
  const furnace = machine('gas-furnace-with-coil', { gasRiseLowF: 35, gasRiseHighF: 65 });
  const { rows } = sheet(`
    Date | Address | Return (°C) | Furnace rise (°C)
    1/15/2025 | 1 Elm | 20 | 25
    1/16/2025 | 1 Elm |  | 25`);
  const [with_, without] = read(rows).map((row) => checkVisitRows([row], furnace, given)[0]);
  expect(with_?.readings).toMatchObject([
    { kind: 'return-air', value: 68 },
    { kind: 'gas-rise', inputs: { supplyF: 113 }, value: 45, conditions: { returnF: 68 } },
  ]);
  expect(without).toMatchObject({
    outcome: 'refused',
    why: ['Rise of a gas furnace (with the return air beside it): there is no return air beside it.'],
  });
});

test('one reading a row: numbers of one visit that belong together are read together', () => {
  const { mapping, rows } = sheet(
    `
    Date | Address | Reading | Value | Unit
    7/15/2025 | 1 Elm | Return air | 24 | C
    7/15/2025 | 1 Elm | Return wet bulb | 17 | C
    7/15/2025 | 1 Elm | Cap HERM | 39,1 | uF
    7/15/2025 | 1 Elm | Cap HERM | 38,9 | uF
    7/15/2025 | 1 Elm | Odometer | 12 | mi`,
  );
  expect(mapping).toMatchObject({ decimal: ',', whats: { 'Return air': { measure: 'return-dry' }, Odometer: null } });
  const checked = checkVisitRows(read(rows), cooler, given);
  expect(checked).toMatchObject([
    { line: 2, outcome: 'comes', readings: [], why: ['It is read together with another row.'] },
    { line: 3, outcome: 'comes', readings: [{ method: 'wet-bulb', inputs: { dryF: 75.2, wetF: 62.6 } }] },
    { line: 4, outcome: 'comes', readings: [{ value: 39.1 }] },
    { line: 5, outcome: 'comes', readings: [{ value: 38.9 }] },
  ]);
  expect(rows[4]).toMatchObject({ refused: '“Odometer” stays out.' });
});

test('what is kept already does not come twice', () => {
  const { rows } = sheet(`
    Date | Address | Cap HERM uF | Line volts
    4/15/2025 | 1 Elm | 39.2 | 240`);
  const [first] = checkVisitRows(read(rows), cooler, given);
  const keys = new Set(first?.readings.map((r) => sameReading(r, utcDayOf(r.takenAt))));
  expect(checkVisitRows(read(rows), cooler, { ...given, isKept: (key) => keys.has(key) })).toMatchObject([
    { outcome: 'refused', why: ['All of it is kept already.'], readings: [] },
  ]);
});

test('a system that is not there yet is made of what its rows say, and only when its kind is known', () => {
  const { rows } = sheet(`
    Date | Address | Customer | Type | RLA | Cap rating | Cap HERM uF
    4/15/2024 | 1 Elm |  |  | 14,2 |  | 39
    4/15/2025 | 1 Elm | Vole | Heat pump | 14.2 | 40/5 µF 440 V | 38.8
    4/15/2025 | 1 Elm | Vole | Heat pump | 900 | forty | 38.8`);
  expect(newSystemOf(read(rows), null)).toMatchObject({
    kind: 'split-heat-pump',
    customer: 'Vole',
    plate: {},
    troubles: [
      expect.stringContaining('compressorRla'),
      'Plate, capacitorRating: “forty” is no rating that can be read.',
    ],
  });
  expect(newSystemOf(read(rows).slice(1, 2), null)).toMatchObject({
    plate: { compressorRla: 14.2, capacitorRating: '40/5 µF 440 V' },
  });
  expect(newSystemOf(read(rows).slice(0, 1), null)).toContain('nothing says what kind');
  expect(newSystemOf(read(rows).slice(0, 1), 'split-air-conditioner')).toMatchObject({
    kind: 'split-air-conditioner',
    customer: '1 Elm',
  });
});
