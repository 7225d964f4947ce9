import { SYSTEM_KINDS } from '../equipment/system-kind.ts';
import { componentsFor } from '../equipment/component.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { customerSummary, type PartTested } from '../words/customer-summary.ts';
import { isLoose, LOOSE_ENDS, nameOfLooseEnd, stillLoose, type LooseEnd } from './loose-ends.ts';
import { plateCosts } from './plate-costs.ts';
import { STOPS } from './stops.ts';

const end = (over: Partial<LooseEnd>): LooseEnd => ({
  id: 'e',
  code: 'disconnect-out',
  text: '',
  openedAt: '2026-10-10T14:00:00Z',
  putBackAt: null,
  leftBecause: null,
  ...over,
});

test('it hangs loose until it is put back or a reason is written; blanks are no reason', () => {
  expect(isLoose(end({}))).toBe(true);
  expect(isLoose(end({ putBackAt: '2026-10-10T15:00:00Z' }))).toBe(false);
  expect(isLoose(end({ leftBecause: '  ' }))).toBe(true);
  expect(isLoose(end({ leftBecause: 'the electrician comes at four' }))).toBe(false);
  expect(stillLoose([end({}), end({ leftBecause: 'asked for' })])).toHaveLength(1);
  expect(nameOfLooseEnd(end({}))).toBe('Disconnect out');
  expect(nameOfLooseEnd(end({ code: null, text: 'Ladder in the attic' }))).toBe('Ladder in the attic');
});

test('whatever an instruction opens can be put back, and every stop that restores comes after one that opens', () => {
  const opened = new Set(STOPS.flatMap((s) => s.instructions.map((i) => i.opens)));
  for (const code of opened) expect(LOOSE_ENDS[code].putBack).toBeTruthy();
  for (const code of STOPS.flatMap((s) => s.restores)) expect(opened.has(code)).toBe(true);
});

describe('what a half-readable plate costs', () => {
  const costs = (plate: Parameters<typeof plateCosts>[1]) =>
    plateCosts('split-heat-pump', plate, DEFAULT_POLICY).map(
      (c) => c.snag ?? (c.because?.code === 'no-basis' ? c.because.numbers.need : c.because?.code),
    );

  test('each missing figure is named with what rests on it', () => {
    expect(costs({})).toEqual(
      expect.arrayContaining(['rla-unknown', 'rating-unknown', 'no-refrigerant', 'sensor-curve']),
    );
    const full = costs({
      compressorRla: 15,
      outdoorFanFla: 1.2,
      blowerFla: 4,
      tons: 3,
      capacitorRating: '40+5 µF 440 V',
      refrigerant: 'R-410A',
      metering: 'expansion-valve',
      targetSubcoolingF: 10,
      sensorR25: 10_000,
      sensorBeta: 3950,
      heatingChart: [
        { outdoorF: 20, suctionPsig: 60, liquidPsig: 250 },
        { outdoorF: 90, suctionPsig: 160, liquidPsig: 400 },
      ],
    });
    expect(full).toEqual([]);
  });

  test('every kind of system can be entered with nothing read, and is told what that costs', () => {
    for (const kind of SYSTEM_KINDS) {
      expect(componentsFor(kind, {}).length).toBeGreaterThan(3);
      expect(plateCosts(kind, {}, DEFAULT_POLICY).length).toBeGreaterThan(0);
    }
  });
});

describe('what the customer is told', () => {
  const part = (over: Partial<PartTested>): PartTested => ({
    slot: 'compressor',
    standing: 'sound',
    readings: 3,
    sentence: '14.2 A, 71 % of RLA 19.9.',
    isNew: false,
    asks: 'look-again',
    chance: 0,
    ...over,
  });

  test('all sound is said in a sentence, with how much was measured', () => {
    const summary = customerSummary(
      [part({}), part({ slot: 'blower', readings: 1 }), part({ slot: 'contactor', readings: 0 })],
      [],
    );
    expect(summary.headline).toBe('Everything we measured is as it should be. 4 readings on 2 parts today.');
    expect(summary.parts).toEqual([]);
    expect(summary.sound).toEqual(['Compressor', 'Blower motor']);
  });

  test('what needs a word comes first, the worst on top, each with its number', () => {
    const summary = customerSummary(
      [
        part({ slot: 'outdoor-fan', standing: 'watch', chance: 0.6 }),
        part({ slot: 'run-capacitor', standing: 'act', sentence: '33 µF, 18 % under 40.' }),
      ],
      ['Superheat: rain; we will take it by 2026-11-01.'],
    );
    expect(summary.headline).toMatch(/^One part needs attention now\./);
    expect(summary.parts.map((p) => p.name)).toEqual(['Run capacitor', 'Outdoor fan motor']);
    expect(summary.parts[0]?.number).toBe('33 µF, 18 % under 40.');
    expect(summary.parts[1]?.says).toMatch(/more likely than not/);
    expect(summary.open).toHaveLength(1);
  });

  test('a new part is measured as fitted, unless it is the wrong one', () => {
    const says = (over: Partial<PartTested>) => customerSummary([part({ isNew: true, ...over })], []).parts[0]?.says;
    expect(says({})).toBe('New today, and measured as fitted.');
    expect(says({ standing: 'act', asks: 'replace' })).toMatch(/should be replaced/);
  });

  test('a compressor over its plate amps is not to be replaced: its cause is to be found', () => {
    const [told] = customerSummary([part({ standing: 'act', asks: 'find-cause' })], []).parts;
    expect(told?.says).toBe('Outside its limit. The cause should be found before anything is replaced.');
    const [capacitor] = customerSummary([part({ slot: 'run-capacitor', standing: 'act', asks: 'replace' })], []).parts;
    expect(capacitor?.says).toMatch(/It should be replaced now/);
  });

  test('unsafe is said as such, and a new part as new', () => {
    expect(customerSummary([part({ standing: 'stop' })], []).headline).toMatch(/should not run/);
    expect(customerSummary([part({ isNew: true })], []).parts[0]?.says).toMatch(/New today/);
    expect(customerSummary([part({ standing: 'watch' })], []).headline).toMatch(/keeping an eye/);
  });
});
