import {
  ARRIVED,
  benchOf,
  groundOf,
  huntReport,
  machineSpecOf,
  readMeasure,
  soundMachine,
  standpointAfter,
  withFaults,
  type Observation,
} from '@yarnix/core';
import { report, timeAsync } from './measure.ts';

/** A hunt on the largest machine there is, as a phone's worker works it out: the first report, and each one after an answer. */
const spec = machineSpecOf('split-heat-pump', {
  tons: 3,
  heatKilowatts: 10,
  heatElements: 2,
  blowerMotor: 'psc',
  capacitorRating: '40+5 µF 440 V',
});
const truth = benchOf(withFaults(soundMachine(spec), ['contactor-coil-shorted']));

const begin = () => huntReport(groundOf(spec), { complaints: ['nothing-runs'], observations: [], standpoint: ARRIVED });
const first = await timeAsync(() => Promise.resolve(begin()), 8, 1);

const ground = groundOf(spec);
const observations: Observation[] = [];
let standpoint = ARRIVED;
const asked = () => ({ complaints: ['nothing-runs' as const], observations: [...observations], standpoint });
for (let answers = 0; answers < 5; answers++) {
  const offer = huntReport(ground, asked()).offers[0];
  if (!offer) break;
  observations.push({ test: offer.test.id, reading: readMeasure(truth, offer.test.measure) });
  standpoint = standpointAfter(offer.test, standpoint);
}
const after = (i: number) =>
  huntReport(ground, { ...asked(), observations: observations.slice(0, 1 + (Math.abs(i) % 5)) });
const step = await timeAsync((i) => Promise.resolve(after(i)), 200, 20);

console.log('| find | median | p95 | worst | limit |\n| --- | --- | --- | --- | --- |');
report('first report of a hunt, split heat pump with strips', first, 'once a call');
report('report after an answer', step, 'under 12 ms (50 ms on a phone)');
