import { looksOf } from './looks.ts';

/** The outdoor unit looked over before any power test. */
export const outdoorLooks = looksOf({
  id: 'outdoor-looks',
  title: 'Outdoor unit looked over',
  component: 'outdoor-unit',
  method: 'looked over, nothing touched',
  stop: 'look',
  order: 10,
  ice: 'ice-pattern',
  none: { value: 'nothing', label: 'Nothing found' },
  options: {
    'burnt-wire': 'Burnt or chafed wire',
    'scorched-lug': 'Scorched lug',
    'pitted-contacts': 'Pitted contacts',
    'charred-disconnect': 'Charred disconnect',
    'oil-below-fan': 'Oil below fan motor',
    'oil-stain': 'Oil on a joint',
    insects: 'Insects, debris',
    growth: 'Growth at the base',
    'dirty-coil': 'Dirty coil',
    'ice-pattern': 'Frost or ice',
    'ice-in-base': 'Ice in the base',
    'blade-stiff': 'Blade stiff by hand',
    'cable-damaged': 'Low-voltage cable damaged',
  },
});
