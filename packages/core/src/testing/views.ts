import type { Plate } from '../equipment/plate.ts';
import type { ReadingView } from '../http/readings.ts';
import type { ComponentView, SystemDetail } from '../http/systems.ts';

/** A part as the API tells of it: a run capacitor fitted on a day in 2021, unless said otherwise. */
export const componentView = (over: Partial<ComponentView> & Pick<ComponentView, 'id'>): ComponentView => ({
  slot: 'run-capacitor',
  kind: 'run-capacitor',
  plate: {},
  fittedOn: null,
  removedOn: null,
  removedReason: null,
  replaces: null,
  standing: 'sound',
  ...over,
});

let count = 0;

/** A bench reading of a capacitor's HERM section on a day, as the API tells of it, unless said otherwise. */
export const readingView = (day: string, over: Partial<ReadingView>): ReadingView => ({
  id: `r${(count += 1)}`,
  visitId: `v-${day}`,
  componentId: 'cap',
  kind: 'run-capacitor-capacitance',
  point: 'herm',
  method: 'bench',
  inputs: typeof over.value === 'number' ? { microfarads: over.value } : {},
  value: null,
  findings: [],
  takenAt: `${day}T15:00:00.000Z`,
  conditions: {},
  confirmed: false,
  note: null,
  personInitials: 'TP',
  ruling: null,
  supersedes: null,
  superseded: false,
  probes: null,
  instrument: '019a0000-0000-7000-8000-0000000000aa',
  ...over,
});

/** A system with nothing on it, as the API tells of it, unless said otherwise. */
export const systemView = (over: Partial<SystemDetail>): SystemDetail => ({
  id: 'sys',
  customerName: 'c',
  address: '1 Test Row',
  area: null,
  kind: 'split-heat-pump',
  plate: {},
  installedOn: null,
  place: null,
  zone: 'UTC',
  components: [],
  visits: [],
  readings: [],
  followUps: [],
  looseEnds: [],
  photos: [],
  events: [],
  ...over,
});

/** A UUID (version 7) whose moment is that of an ISO time: its first 48 bits are milliseconds. */
export function idAt(iso: string): string {
  const hex = Date.parse(iso).toString(16).padStart(12, '0');
  return `${hex.slice(0, 8)}-${hex.slice(8)}-7000-8000-000000000000`;
}

/** The plate of a heat pump with a dual capacitor, an expansion valve and two elements of heat: most of what rounds ask for. */
export const HEAT_PUMP_PLATE: Plate = {
  tons: 3,
  refrigerant: 'R-410A',
  metering: 'expansion-valve',
  volts: '208/230',
  capacitorRating: '40+5 µF 440 V',
  compressorRla: 17.2,
  outdoorFanFla: 1.2,
  blowerFla: 4.1,
  blowerMotor: 'psc',
  heatKilowatts: 10,
  heatElements: 2,
};
