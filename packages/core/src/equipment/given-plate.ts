import { plateSchema, type Plate } from './plate.ts';

/** Two figures of a plate that cannot both be right: the field to look at again, and what to say there. */
export interface Contradiction {
  readonly path: readonly (string | number)[];
  readonly detail: string;
}

function pair(
  plate: Plate,
  low: keyof Plate,
  high: keyof Plate,
  detail: (low: number, high: number) => string,
): Contradiction[] {
  const [a, b] = [plate[low], plate[high]];
  return typeof a === 'number' && typeof b === 'number' && a > b ? [{ path: [high], detail: detail(a, b) }] : [];
}

/** Points of a chart that stand twice, the second of each pair. */
function doubled(path: string, points: readonly (number | undefined)[] | undefined, unit: string): Contradiction[] {
  return (points ?? []).flatMap((point, at) =>
    points?.indexOf(point) === at || typeof point !== 'number'
      ? []
      : [{ path: [path, at], detail: `${point} ${unit} stands twice; one of the two is a slip` }],
  );
}

/**
 * Figures of a plate that contradict each other, so that one of them was misread. The minimum circuit ampacity is never
 * above the largest fuse, nor the rated load above either or above the locked rotor's amps (National Electrical Code,
 * article 440: MCA = 1.25 × RLA + other loads; the fuse is chosen from there upward).
 */
export const contradictionsIn = (plate: Plate): Contradiction[] => [
  ...pair(plate, 'mca', 'mocp', (mca, mocp) => `MCA ${mca} A is above MOCP ${mocp} A; look again which is which`),
  ...pair(plate, 'compressorRla', 'compressorLra', (rla, lra) => `LRA ${lra} A is below RLA ${rla} A; look again`),
  ...pair(plate, 'compressorRla', 'mca', (rla, mca) => `MCA ${mca} A is below RLA ${rla} A; look again`),
  ...(plate.gasRiseLowF !== undefined && plate.gasRiseHighF !== undefined && plate.gasRiseHighF <= plate.gasRiseLowF
    ? [{ path: ['gasRiseHighF'], detail: 'must be above the lower one' }]
    : []),
  ...doubled(
    'heatingChart',
    plate.heatingChart?.map((p) => p.outdoorF),
    '°F',
  ),
  ...doubled(
    'sensorChart',
    plate.sensorChart?.map((p) => p.fahrenheit),
    '°F',
  ),
];

/** A plate that somebody gives: what was read off it must fit together. What is kept already is taken as it is. */
export const givenPlateSchema = plateSchema.superRefine((plate, context) => {
  for (const { path, detail } of contradictionsIn(plate)) {
    context.addIssue({ code: 'custom', path: [...path], message: detail });
  }
});
