import { MEASURES, PLATE_NUMBERS, PLATE_WORDS, type ColumnUse, type PlainUse, type PlateColumn } from '@yarnix/core';

const PLAIN_TITLES: Readonly<Record<PlainUse, string>> = {
  nothing: 'leave it out',
  date: 'date of the visit',
  time: 'time of day',
  address: 'address',
  customer: 'customer',
  area: 'area',
  system: 'id of the system',
  'system-kind': 'kind of system',
  installed: 'day it was installed',
  technician: 'technician',
  note: 'note',
  outdoor: 'outdoor air',
  running: 'minutes it had run',
  what: 'what was read (one reading a row)',
  value: 'value (one reading a row)',
  unit: 'unit (one reading a row)',
};

const PLATE_TITLES: Readonly<Record<PlateColumn, string>> = {
  compressorRla: 'compressor RLA',
  compressorLra: 'compressor LRA',
  outdoorFanFla: 'outdoor fan FLA',
  blowerFla: 'blower FLA',
  mca: 'MCA',
  mocp: 'MOCP',
  controlFuseAmps: 'low-voltage fuse',
  factoryChargeOz: 'factory charge, oz',
  targetSubcoolingF: 'target subcooling, °F',
  tons: 'tons',
  year: 'year built',
  heatKilowatts: 'electric heat, kW',
  heatCircuits: 'circuits of the electric heat',
  heatElements: 'elements of the electric heat',
  capacitorRating: 'run capacitor rating',
  fanCapacitorRating: 'fan capacitor rating',
  startCapacitorRating: 'start capacitor rating',
  blowerCapacitorRating: 'blower capacitor rating',
  refrigerant: 'refrigerant',
  make: 'make',
  model: 'model',
  serial: 'serial number',
};

/** What a list of choices says of a use, as one text. */
export const keyOf = (use: ColumnUse): string =>
  use.use === 'measure' ? `measure ${use.measure}` : use.use === 'plate' ? `plate ${use.field}` : use.use;

/** The use that a choice stands for; a unit that was chosen goes with another measure. */
export function chosenUse(key: string): ColumnUse {
  const [use = '', name = ''] = key.split(' ');
  if (use === 'measure') return { use, measure: name };
  if (use === 'plate') return { use, field: name as PlateColumn };
  return { use: use as PlainUse };
}

type Choices = readonly (readonly [key: string, title: string])[];

/** All a column can be, in groups. */
export const COLUMN_CHOICES: readonly { readonly title: string; readonly choices: Choices }[] = [
  { title: 'About the visit', choices: Object.entries(PLAIN_TITLES) },
  { title: 'Readings', choices: MEASURES.map(({ id, title }) => [`measure ${id}`, title] as const) },
  {
    title: 'Plate record',
    choices: [...PLATE_NUMBERS, ...PLATE_WORDS].map((field) => [`plate ${field}`, PLATE_TITLES[field]] as const),
  },
];
