import { readChart, type ChartName } from './plate-charts.ts';

const rows = (text: string) =>
  text
    .trim()
    .split('\n')
    .map((line) => line.trim().split(';'));
const read = (name: ChartName, text: string) => {
  const came = readChart(name, rows(text));
  return came.outcome === 'chart' ? came.points : came.why;
};

test('a sensor’s chart, in whatever units its head names, in the order of temperature', () => {
  // A 10 kΩ sensor, common practice, no source: 10 kΩ at 25 °C (77 °F), 32.65 kΩ at 0 °C.
  expect(read('sensorChart', 'Temp °C;Resistance kΩ\n25;10,00\n0;32,65\n')).toEqual([
    { fahrenheit: 32, ohms: 32650 },
    { fahrenheit: 77, ohms: 10000 },
  ]);
  expect(read('sensorChart', 'Ohms;Temperature (F)\n10000;77\n\n32,650;32\n')).toEqual([
    { fahrenheit: 32, ohms: 32650 },
    { fahrenheit: 77, ohms: 10000 },
  ]);
});

test('a heating chart, one pressure or both', () => {
  expect(read('heatingChart', 'Outdoor temp (°F);Suction (psig);Head (psig)\n47;110;280\n17;58;210')).toEqual([
    { outdoorF: 17, suctionPsig: 58, liquidPsig: 210 },
    { outdoorF: 47, suctionPsig: 110, liquidPsig: 280 },
  ]);
  expect(read('heatingChart', 'Ambient °C;Liquid kPa\n0;1500\n10;1900')).toEqual([
    { outdoorF: 32, liquidPsig: 217.557 },
    { outdoorF: 50, liquidPsig: 275.572 },
  ]);
});

test.each([
  ['sensorChart', 'Temp;Ohms\n77;10000\n32;32650', '“Temp”, names no unit'],
  ['sensorChart', 'Temp °F;Color\n77;red\n32;blue', 'No column of its head is the resistance'],
  ['sensorChart', 'Temp °F;Ohms\n77;10000', 'fewer than two rows'],
  ['sensorChart', 'Temp °F;Ohms\n77;10000\n32;n/a', 'Row 3, resistance: “n/a” is no number'],
  ['sensorChart', 'Temp °F;Ohms\n77;10000\n77;9000', '77 °F is there twice'],
  ['sensorChart', 'Temp °F;Ohms\n32;10000\n77;32650', 'does not fall'],
  ['sensorChart', 'Temp °F;Ohms\n32;32650\n7700;10', 'Row 3: at most'],
  ['heatingChart', 'Outdoor °F\n47\n17', 'one column only'],
  ['heatingChart', 'Outdoor °F;Suction psig\n47;58\n17;110', 'does not rise'],
  [
    'heatingChart',
    `Outdoor °F;Suction psig\n${Array.from({ length: 21 }, (_, i) => `${i};${50 + i}`).join('\n')}`,
    'at most 20',
  ],
] as const)('%s: %j is refused: %s', (name, text, why) => {
  expect(read(name, text)).toContain(why);
});
