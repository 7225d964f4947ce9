import { judged } from '../../testing/reading.ts';
import { speedTap as kind } from './speed-tap.ts';

test('a speed is noted as it stands, for either season, and condemns nothing', () => {
  expect(kind.methods[0]?.points({} as never)).toEqual(['call-cooling', 'call-heating']);
  expect(judged(kind, { speed: 'medium-high' }, { point: 'call-cooling' })).toMatchObject({ standing: 'sound' });
});
