import { press, type Key } from './keypad.tsx';

const typed = (keys: readonly Key[], from = '') => keys.reduce(press, from);

test.each<[Key[], string]>([
  [['3', '8', '.', '4'], '38.4'],
  [['.', '9', '1'], '0.91'],
  [['1', '.', '.', '5'], '1.5'],
  [['3', '9', 'erase', '8'], '38'],
  [['erase'], ''],
  [['OL'], 'OL'],
  [['4', 'OL'], 'OL'],
  [['OL', '5'], '5'],
  [['OL', 'erase'], ''],
  [['OL', '.'], '0.'],
  [['1', '2', '±'], '-12'],
  [['1', '2', '±', '±'], '12'],
  [['4', '0', 'next'], '40'],
])('%j gives %j', (keys, text) => {
  expect(typed(keys)).toBe(text);
});
