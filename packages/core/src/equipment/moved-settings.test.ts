import { saySettingChange } from './moved-settings.ts';

test('a moved jumper is said with where it was and where it is', () => {
  expect(saySettingChange('termination-moved', { from: 50, to: 70 })).toBe('termination from 50 to 70 °F');
  expect(saySettingChange('interval-moved', { from: null, to: 30 })).toBe('interval to 30 min');
});
