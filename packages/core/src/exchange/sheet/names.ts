import { PLATE_NUMBERS, PLATE_WORDS, type PlainUse, type PlateColumn } from '../../http/imports.ts';
import { SYSTEM_KIND_NAMES, SYSTEM_KINDS, type SystemKind } from '../../equipment/system-kind.ts';
import { MEASURES, type Measure } from './measures.ts';
import { isUnitName, writtenUnit } from './units.ts';

/** Short forms that stand for a word wherever they are. Common practice, no source. */
const SHORT: Readonly<Record<string, string>> = {
  cap: 'capacitor',
  caps: 'capacitor',
  comp: 'compressor',
  cond: 'condenser',
  temp: 'temperature',
  temps: 'temperature',
  mfd: 'µf',
  uf: 'µf',
  microfarad: 'µf',
  microfarads: 'µf',
  amp: 'amps',
  amperage: 'amps',
  a: 'amps',
  volt: 'volts',
  voltage: 'volts',
  vac: 'volts',
  v: 'volts',
  ohm: 'ohms',
  resistance: 'ohms',
  ω: 'ohms',
  psi: 'psig',
  pressures: 'pressure',
  press: 'pressure',
  condenser: 'condenser',
  od: 'outdoor',
  outside: 'outdoor',
  ambient: 'outdoor',
  sh: 'superheat',
  sc: 'subcooling',
  strips: 'strip',
  heaters: 'heater',
  tech: 'technician',
  cust: 'customer',
  client: 'customer',
  owner: 'customer',
  addr: 'address',
  street: 'address',
  dt: 'delta',
  δt: 'delta',
  td: 'delta',
};

/** A heading in plain words: "Cap HERM (uF)" is capacitor, herm, µf. */
export const plainWords = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(/[μ]/g, 'µ')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .split(/[^\p{L}\p{N}°%/]+/u)
    .flatMap((word) => (word.includes('/') && !isUnitName(word) ? word.split('/') : [word]))
    .filter((word) => word !== '')
    .map((word) => SHORT[word] ?? word);

/** The unit a heading names, for a measure: "Return (°C)" has "°C". Empty where it names none. */
export const unitInHeading = (heading: string, measure: Pick<Measure, 'unit'>): string =>
  heading
    .slice(0, 120)
    .split(/[\s()[\],;:]+/)
    .findLast((word) => word !== '' && writtenUnit(word, measure.unit) !== undefined) ?? '';

/** How well a heading says one of some ways to head a column: words that are named; 0 when none of them does. */
function fit(words: readonly string[], ways: readonly string[]): number {
  return Math.max(
    0,
    ...ways.map((way) => {
      const wanted = plainWords(way);
      return wanted.every((word) => words.includes(word)) ? wanted.length - 0.01 * (words.length - wanted.length) : 0;
    }),
  );
}

/** The one that fits a heading best; undefined where none does, or two do as well. */
function bestOf<T>(words: readonly string[], all: readonly T[], waysOf: (one: T) => readonly string[]): T | undefined {
  const fits = all.map((one) => ({ one, fit: fit(words, waysOf(one)) })).sort((a, b) => b.fit - a.fit);
  const [first, second] = fits;
  return first && first.fit > 0 && first.fit > (second?.fit ?? 0) ? first.one : undefined;
}

/** The measure a heading, or the text of a column of kinds, names best. */
export const measureNamed = (text: string): Measure | undefined =>
  bestOf(plainWords(text), MEASURES, ({ title, words }) => [title, ...words]);

const USE_NAMES: readonly (readonly [PlainUse, readonly string[]])[] = [
  ['date', ['date', 'day', 'visited', 'service date', 'visit date', 'taken at', 'timestamp']],
  ['time', ['time', 'time of day', 'hour']],
  ['address', ['address', 'service address', 'site', 'location', 'house', 'job address']],
  ['customer', ['customer', 'customer name', 'name', 'account']],
  ['area', ['area', 'route', 'zone', 'district', 'town', 'city']],
  ['system', ['system id', 'unit id', 'system', 'equipment id']],
  ['system-kind', ['system kind', 'system type', 'type', 'unit type', 'equipment type', 'equipment']],
  ['installed', ['installed', 'install date', 'installed on', 'installation date']],
  ['technician', ['technician', 'taken by', 'serviced by', 'technician name']],
  ['note', ['note', 'notes', 'remark', 'remarks', 'comment', 'comments']],
  ['outdoor', ['outdoor', 'outdoor temperature', 'outdoor air', 'oat', 'outdoor air temperature']],
  ['running', ['running', 'minutes running', 'run minutes', 'minutes run', 'runtime']],
  ['what', ['reading', 'measurement', 'what', 'kind', 'test', 'reading type', 'parameter', 'item']],
  ['value', ['value', 'result', 'measured', 'figure']],
  ['unit', ['unit', 'units', 'uom']],
];

const PLATE_NAMES: Readonly<Record<PlateColumn, readonly string[]>> = {
  compressorRla: ['rla', 'compressor rla', 'rated load amps'],
  compressorLra: ['lra', 'compressor lra', 'locked rotor amps'],
  outdoorFanFla: ['fan fla', 'outdoor fan fla', 'condenser fan fla', 'fla'],
  blowerFla: ['blower fla', 'indoor fan fla'],
  mca: ['mca', 'minimum circuit amps', 'minimum circuit ampacity'],
  controlFuseAmps: ['low-voltage fuse', 'control fuse', 'low voltage fuse amps', 'board fuse'],
  mocp: ['mocp', 'maximum fuse', 'max breaker', 'max fuse'],
  factoryChargeOz: ['factory charge', 'charge oz', 'charge'],
  targetSubcoolingF: ['target subcooling', 'plate subcooling', 'subcooling target'],
  tons: ['tons', 'tonnage'],
  year: ['year', 'year built', 'built', 'manufactured'],
  heatKilowatts: ['heat kw', 'strip kw', 'heater kw', 'kw', 'electric heat kw'],
  heatCircuits: ['heat circuits', 'heater circuits', 'strip circuits'],
  heatElements: ['heat elements', 'elements', 'heater elements'],
  capacitorRating: ['capacitor rating', 'capacitor rated', 'capacitor label', 'rated capacitor', 'capacitor plate'],
  fanCapacitorRating: ['fan capacitor rating', 'fan capacitor rated', 'fan capacitor label'],
  startCapacitorRating: ['start capacitor rating', 'start capacitor rated'],
  blowerCapacitorRating: ['blower capacitor rating', 'blower capacitor rated', 'blower capacitor label'],
  refrigerant: ['refrigerant', 'refrigerant type'],
  make: ['make', 'brand', 'manufacturer'],
  model: ['model', 'model number'],
  serial: ['serial', 'serial number'],
};

/** What a heading says a column is, apart from a measure: how well, too, since "Compressor RLA amps" is no reading. */
export type NamedUse = { readonly use: PlainUse } | { readonly use: 'plate'; readonly field: PlateColumn };

const NAMED: readonly { readonly use: NamedUse; readonly ways: readonly string[] }[] = [
  ...USE_NAMES.map(([use, ways]) => ({ use: { use }, ways })),
  ...[...PLATE_NUMBERS, ...PLATE_WORDS].map((field) => ({
    use: { use: 'plate', field } as const,
    ways: PLATE_NAMES[field],
  })),
];

/** Words that make a heading one of the plate, however well a measure fits it. */
const OF_THE_PLATE = ['rla', 'lra', 'fla', 'mca', 'mocp', 'rated', 'rating', 'plate', 'nameplate', 'label'];

/** What a heading says its column is; undefined where nothing fits, or two things as well. */
export function useNamed(heading: string): NamedUse | Measure | undefined {
  const words = plainWords(heading);
  if (words.some((word) => OF_THE_PLATE.includes(word)))
    return bestOf(
      words,
      NAMED.filter(({ use }) => use.use === 'plate'),
      ({ ways }) => ways,
    )?.use;
  const named = bestOf(words, NAMED, ({ ways }) => ways);
  const measure = measureNamed(heading);
  if (!measure) return named?.use;
  return named && fit(words, named.ways) > fit(words, [measure.title, ...measure.words]) ? named.use : measure;
}

const KIND_WAYS: Readonly<Record<SystemKind, readonly string[]>> = {
  'split-air-conditioner': ['air conditioner', 'ac', 'split ac', 'a c', 'central air', 'air conditioning', 'condenser'],
  'split-heat-pump': ['heat pump', 'split heat pump', 'hp'],
  'packaged-heat-pump': ['packaged heat pump', 'package heat pump', 'package hp', 'packaged unit', 'package unit'],
  'air-handler-electric-heat': ['air handler', 'electric furnace', 'electric heat', 'ahu', 'strip heat'],
  'gas-furnace-with-coil': ['gas furnace', 'furnace', 'gas'],
  'ductless-heat-pump': ['ductless', 'mini split', 'minisplit', 'ductless heat pump', 'inverter heat pump'],
};

/** The kind of system that a cell names; undefined where it names none, or two as well. */
export const systemKindNamed = (text: string): SystemKind | undefined =>
  SYSTEM_KINDS.find(
    (kind) => kind === text.trim().toLowerCase() || SYSTEM_KIND_NAMES[kind] === text.trim().toLowerCase(),
  ) ?? bestOf(plainWords(text), SYSTEM_KINDS, (kind) => KIND_WAYS[kind]);

const STREETS: Readonly<Record<string, string>> = {
  street: 'st',
  road: 'rd',
  avenue: 'ave',
  av: 'ave',
  lane: 'ln',
  drive: 'dr',
  court: 'ct',
  circle: 'cir',
  boulevard: 'blvd',
  place: 'pl',
  terrace: 'ter',
  highway: 'hwy',
  north: 'n',
  south: 's',
  east: 'e',
  west: 'w',
};

/** An address without what two people write differently: case, points, and the long or short form of its kind of street. */
export const plainAddress = (address: string): string =>
  address
    .toLowerCase()
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '')
    .map((word) => STREETS[word] ?? word)
    .join(' ');
