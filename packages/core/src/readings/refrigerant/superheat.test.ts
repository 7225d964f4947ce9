import { enter, judged } from '../../testing/reading.ts';
import { superheat as kind } from './superheat.ts';

const plate = { refrigerant: 'R-22', metering: 'fixed-orifice' } as const;
const conditions = { outdoorF: 85, returnWetF: 63, returnF: 75, runningMin: 15 };

// Source: R-22 boils at 40 °F at 68.6 psig. Target ((3 × WB) − 80 − DB)/2 = 12 °F: common practice, no source.
test('68.6 psig and a 52 °F line are 12 °F: on target for 63 and 85', () => {
  expect(judged(kind, { psig: 68.6, lineF: 52 }, { plate, conditions })).toMatchObject({
    standing: 'sound',
    value: expect.closeTo(12, 1) as number,
    numeric: { limits: { nominal: 12 } },
  });
  expect(judged(kind, { psig: 68.6, lineF: 62 }, { plate, conditions }).says).toMatch(/air and filter first/);
});

test('with an expansion valve 5 to 20 °F is usual (common practice, no source)', () => {
  const valve = { ...plate, metering: 'expansion-valve' } as const;
  expect(judged(kind, { psig: 68.6, lineF: 51 }, { plate: valve, conditions }).standing).toBe('sound');
  expect(judged(kind, { psig: 68.6, lineF: 65 }, { plate: valve, conditions }).standing).toBe('act');
});

test.each([
  [{ plate: { refrigerant: 'R-22' } }, /metering device/],
  [{ conditions: { ...conditions, returnWetF: undefined } }, /wet bulb/],
  [{ conditions: { ...conditions, outdoorF: 105 } }, /below 5 °F/],
])('kept, not judged: %j', (over, says) => {
  expect(judged(kind, { psig: 68.6, lineF: 52 }, { plate, conditions, ...over }).says).toMatch(says);
});

test('a suction line colder than it boils at is asked about; no refrigerant, no figure', () => {
  expect(enter(kind, { psig: 68.6, lineF: 30 }, { plate, conditions }).outcome).toBe('questioned');
  expect(enter(kind, { psig: 68.6, lineF: 52 }, { plate: {}, conditions })).toMatchObject({
    because: { numbers: { snag: 'no-refrigerant' } },
  });
});

test('superheat has a watch band: nearing its limit is said before it is past', () => {
  const valve = { ...plate, metering: 'expansion-valve' } as const;
  const at = (lineF: number) => judged(kind, { psig: 68.6, lineF }, { plate: valve, conditions }).standing;
  expect([at(52), at(58.6), at(62)]).toEqual(['sound', 'watch', 'act']);
  const target = (lineF: number) => judged(kind, { psig: 68.6, lineF }, { plate, conditions }).standing;
  expect([target(54), target(56), target(59)]).toEqual(['sound', 'watch', 'act']);
});
