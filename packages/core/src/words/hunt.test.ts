import { FAULTS } from '../circuit/faults.ts';
import { machineSpecOf } from '../circuit/machine-spec.ts';
import { COMPLAINTS } from '../diagnosis/complaint-shares.ts';
import { ARRIVED } from '../diagnosis/costs.ts';
import { newCall } from '../fieldwork/hunt-of-round.ts';
import { groundOf } from '../diagnosis/ground.ts';
import { huntReport, type HuntReport } from '../diagnosis/report.ts';
import { testsOf } from '../diagnosis/tests.ts';
import { placeAt } from '../readings/registry.ts';
import { componentsFor } from '../equipment/component.ts';
import { SYSTEM_KINDS, type SystemKind } from '../equipment/system-kind.ts';
import type { Plate } from '../equipment/plate.ts';
import { answerName, testCautions, testCost, testState, testTitle } from './hunt-tests.ts';
import {
  accountOf,
  causeName,
  chanceWords,
  COMPLAINT_NAMES,
  cutWords,
  knotsOf,
  meaningOf,
  shortWords,
  standingAdvice,
  standingWords,
  unjudgedWords,
  whyFirst,
} from './hunt.ts';

const plateOf = (kind: SystemKind): Plate => ({
  tons: 3,
  capacitorRating: '40+5 µF 440 V',
  refrigerant: 'R-410A',
  blowerMotor: 'psc',
  blowerCapacitorRating: '7.5 µF',
  startCapacitorRating: '88-108 µF 250 V',
  ...(kind !== 'gas-furnace-with-coil' && kind !== 'ductless-heat-pump' && { heatKilowatts: 10, heatElements: 2 }),
});

test.each(SYSTEM_KINDS)(
  'every test of a %s is a reading of the registry, with a title, a state and cautions of its own',
  (kind) => {
    const plate = plateOf(kind);
    const components = componentsFor(kind, plate).map((part) => ({ ...part, fittedOn: null }));
    for (const test of testsOf(machineSpecOf(kind, plate))) {
      const component = components.find(({ slot }) => slot === test.reading.slot);
      expect([test.id, component && placeAt(component, kind, plate, test.reading) !== undefined]).toEqual([
        test.id,
        true,
      ]);
      expect(testTitle(test)).toMatch(/^[A-Z].{6,}/);
      expect(testState(test)).toMatch(/^[A-Z].{6,}/);
      expect(testCost({ test, minutes: 1.4 })).toMatch(/^1 minute (at|in|out)/);
      expect([test.id, test.power === 'any' || testCautions(test).length > 0]).toEqual([test.id, true]);
      for (const answer of test.answers ?? []) expect(answerName(answer, test)).not.toMatch(/undefined|Infinity|NaN/);
    }
  },
);

test('a furnace that may be locked out is tried anew before it is measured, its code read first', () => {
  const tests = testsOf(machineSpecOf('gas-furnace-with-coil', { tons: 3, blowerMotor: 'psc' }));
  const warned = tests
    .filter((t) => testCautions(t).some(({ id }) => id === 'locked-out'))
    .map(({ reading }) => reading.point);
  expect(warned).toEqual(expect.arrayContaining(['ind-n', 'hsi-n', 'mv-c', 'p-c', 'flame-signal']));
  expect(warned).not.toContain('r-c');
  const handler = testsOf(machineSpecOf('air-handler-electric-heat', { heatKilowatts: 10, heatElements: 2 }));
  expect(handler.flatMap(testCautions).some(({ id }) => id === 'locked-out')).toBe(false);
});

test('a start that is read after cooling says how long to wait; an overload that opened is left to cool first', () => {
  const tests = testsOf(machineSpecOf('split-air-conditioner', { tons: 3, capacitorRating: '40+5 µF 440 V' }));
  const states = tests.filter((t) => t.reading.method.endsWith('-start')).map(testState);
  expect(states).toEqual([
    'Cooling called, the most in the first two seconds',
    expect.stringContaining('until its shell is cool to the hand'),
  ]);
  const report: HuntReport = {
    suspects: [],
    offers: [],
    contradictions: [],
    standing: { is: 'proved', faults: ['compressor-overload-open'] },
  };
  expect(standingAdvice(report)).toMatch(/cool to the hand.*what heats it/);
});

test('what was not judged says why, with the figure that it takes', () => {
  expect(unjudgedWords({ because: 'too-cold', outdoorF: 38, limitF: 60 })).toMatch(/38 °F.*60 °F or more/);
  expect(unjudgedWords({ because: 'too-warm', outdoorF: 80, limitF: 45 })).toMatch(/80 °F.*45 °F or less/);
  expect(unjudgedWords({ because: 'off-timer', until: '2026-11-25T15:05:00.000Z' })).toMatch(/off-timer.*too early/);
});

test('every fault and every complaint has a name, and no name is an id', () => {
  for (const { id } of FAULTS) expect(causeName(id)).toMatch(/^[A-Z][^_]*$/);
  for (const id of COMPLAINTS) expect(COMPLAINT_NAMES[id]).toMatch(/^[A-Z]/);
  expect(causeName('herm-weak+contactor-pole-burnt')).toBe(
    'Compressor’s capacitor weak, and contactor’s contact burnt',
  );
  expect(causeName('y-on-g')).toBe('Y touches G in the cable');
});

test('chances are said out of a hundred, and never as certain', () => {
  expect([1, 0.614, 0.004].map(chanceWords)).toEqual(['over 99 in 100', '61 in 100', 'under 1 in 100']);
});

test('what an answer would mean and why a test is first are sentences with the causes’ names in them', () => {
  const ground = groundOf(machineSpecOf('split-heat-pump', plateOf('split-heat-pump')));
  const report = huntReport(ground, { complaints: ['never-stops'], observations: [], standpoint: ARRIVED });
  expect(standingWords(report)).toMatch(/^\d+ causes left$/);
  const said = (report.offers[0]?.means ?? []).map(meaningOf).join(' ');
  expect(said).toMatch(/sequencer contact welded/);
  expect(said).not.toMatch(/undefined|welded\+/);
  expect(whyFirst(report.offers).split('. ').length).toBeLessThanOrEqual(3);
});

test('the path of a hunt is told answer by answer, with what cut each strand', () => {
  const ground = groundOf(machineSpecOf('split-air-conditioner', plateOf('split-air-conditioner')));
  const answers = [
    { test: 'call-check/thermostat/call-off/seen', reading: 'blower', readingId: 'a' },
    { test: 'wiring-ohms/supply/rt-gt/lifted', reading: Infinity, readingId: 'b' },
  ];
  const call = newCall(['never-stops']);
  const told = { answers, tests: ground.tests };
  const report = huntReport(ground, { complaints: call.complaints, observations: answers, standpoint: ARRIVED });
  const knots = knotsOf(call, told);
  expect(knots.map(({ answer }) => answer)).toEqual(['Blower never stops', 'Only the blower', 'OL']);
  const cut = report.suspects.find(({ id }) => id === 'g-fed-at-rest')!;
  expect(cutWords(cut, knots)).toBe('Ohms: R to G in the cable: OL');
  expect(accountOf(call, told, report)).toMatch(
    /^Blower never stops\. Thermostat off: what runs\?: Only the blower; Ohms: R to G in the cable: OL\. /,
  );
});

test('a short that was read is told in amps against the fuse', () => {
  const list = testsOf(machineSpecOf('split-air-conditioner', plateOf('split-air-conditioner')));
  const told = (reading: number) => ({
    answers: [{ test: 'wiring-ohms/supply/yc-co/lifted', reading, readingId: 'a' }],
    tests: new Map(list.map((test) => [test.id, test])),
  });
  expect(shortWords(told(2), {})).toBe('24 V over 2.0 Ω is 12.0 A; a 5 A fuse blows.');
  expect(shortWords(told(9), { controlFuseAmps: 3 })).toBe('');
  expect(shortWords(told(6), { controlFuseAmps: 3 })).toBe('24 V over 6.0 Ω is 4.0 A; a 3 A fuse blows.');
  expect(shortWords(told(15), {})).toBe('');
});

test('what comes and goes is not cleared by what read as it should: it does not show now, and where it is likeliest is said', () => {
  const suspects = [
    { id: 'no-fault', faults: [] },
    { id: 'contactor-coil-open', faults: ['contactor-coil-open'] },
  ];
  const report = { standing: { is: 'nothing-found' }, suspects } as unknown as HuntReport;
  const going = { repaired: [], atTimes: true };
  expect(standingWords(report, going)).toBe('It does not show now');
  expect(standingAdvice(report, going)).toMatch(/clears no part for good. Likeliest still: contactor coil open\. Flex/);
  expect(standingWords(report)).toBe('Nothing found');
});
