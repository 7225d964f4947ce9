import fc from 'fast-check';
import type { Component } from '../equipment/component.ts';
import { checkEntry } from './check-entry.ts';
import { doubtRunning } from './contract/conditions.ts';
import { compressorAmps } from './motor/compressor-amps.ts';
import { CEILING, FLOOR } from '../quantity/unit.ts';
import type { About, Inputs } from './contract/entry.ts';
import { outdoorLooks } from './looks/outdoor-looks.ts';
import { methodOf, readingKind, READING_KINDS } from './registry.ts';
import { runCapacitorCapacitance as capacitance } from './capacitor/run-capacitor-capacitance.ts';

const part: Component = {
  slot: 'run-capacitor',
  kind: 'run-capacitor',
  plate: { rating: '40+5 µF 440 V' },
  fittedOn: null,
};
const about: About = { systemKind: 'split-heat-pump', plate: { compressorRla: 19.9 }, component: part, point: 'herm' };
const bench = methodOf(capacitance, 'bench')!;
const load = methodOf(capacitance, 'under-load')!;
const clamp = compressorAmps.methods[0]!;
const compressor: About = {
  ...about,
  component: { slot: 'compressor', kind: 'compressor', plate: {}, fittedOn: null },
  point: 'common',
};

test('a likely value is taken', () => {
  expect(checkEntry(capacitance, bench, { microfarads: 39.2 }, about)).toEqual({
    outcome: 'taken',
    inputs: { microfarads: 39.2 },
    value: 39.2,
    findings: [],
    questions: [],
  });
});

test('400 µF on a 40 µF section is questioned, with 40 offered', () => {
  expect(checkEntry(capacitance, bench, { microfarads: 400 }, about)).toMatchObject({
    outcome: 'questioned',
    value: 400,
    questions: [{ code: 'far-from-plausible', numbers: { perhaps: { input: 'microfarads', label: '', value: 40 } } }],
  });
});

describe('a slip in one of several inputs is put right where it was typed', () => {
  const superheat = readingKind('superheat')!;
  const gauges = superheat.methods[0]!;
  const circuit: About = {
    systemKind: 'split-air-conditioner',
    plate: { refrigerant: 'R-410A', metering: 'expansion-valve' },
    component: { slot: 'refrigerant-circuit', kind: 'refrigerant-circuit', plate: {}, fittedOn: null },
    point: 'suction',
  };
  const askedOf = (inputs: Inputs) => {
    const check = checkEntry(superheat, gauges, inputs, circuit);
    return check.outcome === 'questioned' ? check.questions : check.outcome;
  };

  test('supply air at 5.6 °F for 56: its own figure is offered, not the split', () => {
    const split = readingKind('temperature-split')!;
    const air: About = {
      ...circuit,
      component: { slot: 'indoor-unit', kind: 'indoor-unit', plate: {}, fittedOn: null },
      point: 'whole',
      conditions: { returnF: 75, returnWetF: 63 },
    };
    const inputs = { supplyF: 5.6, supplyWetF: 54 };
    expect(checkEntry(split, methodOf(split, 'supply')!, inputs, air)).toMatchObject({
      questions: expect.arrayContaining([
        expect.objectContaining({
          numbers: expect.objectContaining({ perhaps: { input: 'supplyF', label: 'Supply, dry bulb', value: 56 } }),
        }),
      ]),
    });
  });

  test('what either of two slips would explain is not guessed at', () => {
    // 12.5 psig and 52 °F: a suction of 125, or a line at 5.2, and nobody knows which.
    expect(askedOf({ psig: 12.5, lineF: 52 })).toMatchObject([{ numbers: { perhaps: null } }]);
    expect(askedOf({ psig: 118, lineF: 52 })).toBe('taken');
  });
});

test('0.45 A on a compressor is questioned', () => {
  expect(checkEntry(compressorAmps, clamp, { amps: 0.45 }, compressor)).toMatchObject({
    outcome: 'questioned',
    questions: [{ numbers: { perhaps: { value: 4.5 } } }],
  });
  expect(checkEntry(compressorAmps, clamp, { amps: 0.45 }, { ...compressor, plate: {} })).toMatchObject({
    outcome: 'questioned',
  });
});

test('a weak part is not questioned away: half its rating is a finding of the trade', () => {
  expect(checkEntry(capacitance, bench, { microfarads: 20 }, about).outcome).toBe('taken');
});

test('OL and zero on the bench are an open section', () => {
  for (const microfarads of ['OL', 0]) {
    expect(checkEntry(capacitance, bench, { microfarads }, about)).toMatchObject({
      outcome: 'taken',
      value: 0,
      findings: ['section-open'],
    });
  }
});

test('under load is worked out, and line volts across the capacitor are doubted', () => {
  expect(checkEntry(capacitance, load, { amps: 5.36, volts: 370 }, about)).toMatchObject({
    outcome: 'taken',
    value: expect.closeTo(38.43, 2) as number,
  });
  expect(
    checkEntry(capacitance, load, { amps: 3.6, volts: 241 }, { ...about, conditions: { lineVolts: 241 } }),
  ).toMatchObject({
    outcome: 'questioned',
    questions: [{ code: 'doubtful-volts' }],
  });
  expect(checkEntry(capacitance, load, { amps: 5, volts: 0 }, about)).toEqual({
    outcome: 'refused',
    input: 'volts',
    because: { code: 'no-volts-across', numbers: {} },
  });
});

test('the plate’s hertz count', () => {
  const fifty = checkEntry(capacitance, load, { amps: 5, volts: 400 }, { ...about, plate: { hertz: 50 } });
  expect(fifty).toMatchObject({ value: expect.closeTo(39.79, 2) as number });
});

test.each<[Inputs, string, string]>([
  [{}, 'microfarads', 'empty'],
  [{ microfarads: '' }, 'microfarads', 'empty'],
  [{ microfarads: 'forty' }, 'microfarads', 'not-a-number'],
  [{ microfarads: NaN }, 'microfarads', 'not-a-number'],
  [{ microfarads: Infinity }, 'microfarads', 'not-a-number'],
  [{ microfarads: -1 }, 'microfarads', 'negative'],
  [{ microfarads: 1e9 }, 'microfarads', 'beyond-any-meter'],
  [{ microfarads: 40, mood: 'good' }, 'mood', 'unknown-field'],
])('refused: %j', (inputs, input, code) => {
  expect(checkEntry(capacitance, bench, inputs, about)).toMatchObject({ outcome: 'refused', input, because: { code } });
});

test('choices are taken from their list only', () => {
  const looks = methodOf(capacitance, 'looks')!;
  expect(checkEntry(capacitance, looks, { finding: 'bulged' }, { ...about, point: 'can' })).toMatchObject({
    outcome: 'taken',
    value: null,
    findings: ['can-bulged'],
  });
  expect(checkEntry(capacitance, looks, { finding: 'purple' }, about)).toMatchObject({
    because: { code: 'unknown-choice' },
  });
  expect(checkEntry(compressorAmps, clamp, { amps: 'OL' }, compressor)).toMatchObject({
    because: { code: 'no-over-limit-here' },
  });
});

test('property: nothing taken or questioned is ever outside what its unit can hold, whatever is sent', () => {
  const anything = fc.oneof(fc.double(), fc.string(), fc.constantFrom('OL', NaN, -0, Infinity, 1e9, 'holds'));
  fc.assert(
    fc.property(
      fc.constantFrom(...READING_KINDS),
      fc.nat(),
      fc.array(anything, { minLength: 2, maxLength: 2 }),
      (kind, pick, values) => {
        const method = kind.methods[pick % kind.methods.length]!;
        const inputs = Object.fromEntries(method.inputs.map((spec, i) => [spec.id, values[i] ?? 0]));
        const checked = checkEntry(kind, method, inputs, about);
        if (checked.outcome !== 'refused' && checked.value !== null) expect(Number.isFinite(checked.value)).toBe(true);
      },
    ),
  );
});

test('a machine that ran longer than the visit is asked about, once, where its minutes are entered', () => {
  expect(doubtRunning(12, 30)).toBeNull();
  expect(doubtRunning(31, 30)).toBeNull();
  expect(doubtRunning(45, 30)).toMatchObject({ numbers: { doubt: 'runs-longer-than-visit', a: 45, b: 30 } });
});

test('a value worked out beyond anything physical is refused at the last number typed, confirmed or not', () => {
  expect(checkEntry(capacitance, load, { amps: 500, volts: 1 }, about)).toEqual({
    outcome: 'refused',
    input: 'volts',
    because: { code: 'beyond-any-meter', numbers: { value: expect.closeTo(1326291, 0), unit: 'µF', limit: 2000 } },
  });
  expect(checkEntry(capacitance, load, { amps: 500, volts: 1e-300 }, about)).toMatchObject({
    outcome: 'refused',
    because: { code: 'finer-than-any-meter' },
  });
});

test('whatever numbers are typed anywhere, a value that is taken lies within the bounds of its unit', () => {
  const number = fc.double({ noNaN: false, noDefaultInfinity: false });
  fc.assert(
    fc.property(fc.constantFrom(...READING_KINDS), number, number, number, (kind, a, b, c) => {
      for (const method of kind.methods) {
        const values = [a, b, c];
        const inputs: Inputs = Object.fromEntries(
          method.inputs.map((i, n) => [i.id, i.type === 'number' ? values[n % 3]! : (i.options[0]?.value ?? '')]),
        );
        const conditions = { heatAmps: 40, lineVolts: 240, returnF: 70, supplyF: 100, returnWetF: 60, supplyWetF: 70 };
        const checked = checkEntry(kind, method, inputs, { ...about, conditions });
        if (kind.type === 'finding' || checked.outcome === 'refused' || checked.value === null) continue;
        if (checked.value < FLOOR[kind.unit] || checked.value > CEILING[kind.unit]) return false;
      }
      return true;
    }),
    { numRuns: 400 },
  );
});

test('the same choice twice, or the one that excludes the others beside one, is refused', () => {
  const looked = outdoorLooks.methods[0]!;
  const at = (seen: string | string[]) => checkEntry(outdoorLooks, looked, { seen }, { ...about, point: 'whole' });
  expect(at(['insects', 'insects'])).toMatchObject({ outcome: 'refused', because: { code: 'chosen-twice' } });
  expect(at(['nothing', 'insects'])).toMatchObject({ outcome: 'refused', because: { code: 'none-and-some' } });
  expect(at(['insects', 'dirty-coil'])).toMatchObject({ outcome: 'taken', findings: ['insects', 'dirty-coil'] });
  expect(at([])).toMatchObject({ outcome: 'refused', because: { code: 'empty' } });
  // A device that was last loaded before choices were lists joins them by commas: they are kept as a list all the same.
  expect(at('insects,dirty-coil')).toEqual(at(['insects', 'dirty-coil']));
});
