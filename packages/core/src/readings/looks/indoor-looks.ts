import { looksOf } from './looks.ts';

/** The indoor unit looked over: filter, coil, wheel, drain, wires. */
export const indoorLooks = looksOf({
  id: 'indoor-looks',
  title: 'Indoor unit looked over',
  component: 'indoor-unit',
  method: 'looked over, nothing touched',
  stop: 'calls',
  order: 20,
  stopsFor: ({ systemKind }) => (systemKind === 'packaged-heat-pump' ? ['look'] : null),
  none: { value: 'nothing', label: 'Nothing found' },
  options: {
    'dirty-filter': 'Dirty filter',
    'dirty-coil': 'Dirty coil',
    'dirty-wheel': 'Dirty wheel',
    'drain-blocked': 'Drain blocked',
    'rust-under-pan': 'Rust under pan',
    'frozen-coil': 'Coil frozen',
    'cable-damaged': 'Thermostat cable damaged',
    'fuse-blown': 'Low-voltage fuse blown',
    'burnt-wire': 'Burnt or chafed wire',
    'scorched-lug': 'Scorched lug',
    'gas-smell': 'Smell of gas',
  },
});
