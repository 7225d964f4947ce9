import type { Random } from './random.ts';

// All invented: made from syllables, so that nothing here is anybody's name or a place that exists.
const FIRST = ['Tam', 'Quor', 'Bel', 'Ves', 'Mor', 'Dran', 'Hesk', 'Pell', 'Ard', 'Zel', 'Orn', 'Kith'] as const;
const LAST = ['wick', 'ovan', 'ridan', 'ettle', 'asko', 'umber', 'inthe', 'olmar', 'essin', 'adrow'] as const;
const ROADS = [
  'Lanternwood Lane',
  'Copperleaf Way',
  'Thistledown Rise',
  'Old Kiln Track',
  'Ropewalk Yard',
  'Saltgrass Bend',
  'Heronfold Street',
  'Bellfounder Court',
  'Millrace Row',
  'Quincebank Close',
] as const;

export const AREAS = ['North Hollow', 'Mill Bend', 'Upper Ridge', 'Quayside'] as const;

export const FIRM = { name: 'Brackenfold Climate Care', zone: 'Etc/GMT+6' } as const;

export const PEOPLE = [
  { name: 'Ottoline Vessick', initials: 'OV' },
  { name: 'Bram Tolquist', initials: 'BT' },
] as const;

export const customerName = (random: Random): string => `${random.pick(FIRST)}${random.pick(LAST)}`;

export const address = (random: Random): string => `${random.whole(2, 98)} ${random.pick(ROADS)}`;
