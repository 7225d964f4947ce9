import { loadHeadline, standsInWords, wantedWords } from './load.ts';

const at = (address: string, chance: number, planned = false) => ({ part: 'contactor', address, chance, planned });

test('a line says where a part is asked for, and how surely', () => {
  const wanted = [at('3 Bobbin Hill', 0.9, true), at('4 Bobbin Hill', 0.42), at('5 Bobbin Hill', 0.99)];
  expect(wantedWords({ wanted })).toBe(
    'planned at 3 Bobbin Hill; 42 % likely at 4 Bobbin Hill; past its limit at 5 Bobbin Hill',
  );
});

test('what may stand in, and how much there is to load', () => {
  const single = { part: '5 µF 440 V', count: 2 };
  expect(standsInWords({ standsIn: [single] })).toBe('2 × 5 µF 440 V');
  expect(standsInWords({ standsIn: [{ ...single, part: '40 µF 440 V', count: 1 }, single] })).toBe(
    '40 µF 440 V and 2 × 5 µF 440 V',
  );
  expect([[], [{ toLoad: 0 }], [{ toLoad: 1 }], [{ toLoad: 1 }, { toLoad: 2 }]].map(loadHeadline)).toEqual([
    'Nothing to load',
    'All of it is aboard',
    '1 part to load',
    '3 parts to load',
  ]);
});
