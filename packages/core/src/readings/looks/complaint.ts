import { looksOf } from './looks.ts';

/** What the customer noticed, asked before anything is touched. */
export const complaint = looksOf({
  id: 'complaint',
  title: 'What the customer noticed',
  component: 'thermostat',
  method: 'asked at the door',
  stop: 'arrive',
  order: 10,
  ice: 'iced-up',
  none: { value: 'routine', label: 'Nothing, a routine visit' },
  options: {
    'too-warm': 'Cools too little',
    'too-cold': 'Heats too little',
    'never-stops': 'Never shuts off',
    'does-not-start': 'Does not start',
    'iced-up': 'Ice outdoors',
    noise: 'New noise',
    'high-bill': 'High bill',
  },
});
