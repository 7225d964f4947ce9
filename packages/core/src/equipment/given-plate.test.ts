import { contradictionsIn, givenPlateSchema } from './given-plate.ts';
import { plateSchema } from './plate.ts';

const SOUND = { compressorRla: 17.9, compressorLra: 96, mca: 24.1, mocp: 40, gasRiseLowF: 30, gasRiseHighF: 60 };

test('a plate whose figures fit together is taken', () => {
  expect(contradictionsIn(SOUND)).toEqual([]);
  expect(givenPlateSchema.safeParse(SOUND).success).toBe(true);
  // Equal figures happen: a fuse of just the minimum circuit ampacity.
  expect(contradictionsIn({ mca: 30, mocp: 30 })).toEqual([]);
});

// National Electrical Code, article 440: MCA = 1.25 × RLA + other loads, and the fuse is no smaller.
test.each([
  [{ mca: 40, mocp: 30 }, 'mocp', 'MCA 40 A is above MOCP 30 A; look again which is which'],
  [{ compressorRla: 20, compressorLra: 12 }, 'compressorLra', 'LRA 12 A is below RLA 20 A; look again'],
  [{ compressorRla: 20, mca: 18 }, 'mca', 'MCA 18 A is below RLA 20 A; look again'],
  [{ gasRiseLowF: 60, gasRiseHighF: 60 }, 'gasRiseHighF', 'must be above the lower one'],
])('%j', (plate, field, detail) => {
  expect(contradictionsIn(plate)).toEqual([{ path: [field], detail }]);
  // What is kept already is still read.
  expect(plateSchema.safeParse(plate).success).toBe(true);
});

test('a chart point that stands twice is found at its second place', () => {
  const heatingChart = [20, 40, 20].map((outdoorF) => ({ outdoorF }));
  expect(contradictionsIn({ heatingChart })).toEqual([
    { path: ['heatingChart', 2], detail: '20 °F stands twice; one of the two is a slip' },
  ]);
});
