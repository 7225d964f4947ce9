import { dayOf, DAYS_A_YEAR, type Day } from '../quantity/day.ts';
import type { FleetPrior } from '../series/drift-prior.ts';
import { afterCheck } from '../series/meter-checks.ts';
import { offsetOn, type MetersKnown } from '../series/meters-known.ts';
import { POLICIES } from '../verdict/policy.ts';
import { sayReason } from '../words/reasons.ts';
import { judge } from './judge.ts';
import { methodOf, readingKind } from '../readings/registry.ts';
import { meterStands } from './meter-standing.ts';
import { believedOf, correctedFor } from './read-with.ts';
import { learnPrior, threadOutlook, type Thread } from './thread-outlook.ts';

const START = dayOf('2021-04-15');
const HALF_YEAR = Math.round(DAYS_A_YEAR / 2);
const NEWEST = START + 7 * HALF_YEAR;

/** Figures that scatter evenly and are the same each time. */
const scatter = (n: number): number => (((n * 0.618034) % 1) - 0.5) * 2;

/** A firm's threads of 40 µF capacitors: who read which is given, and how far each meter is off. */
function firm(handOf: (house: number, visit: number) => string, offOf: (name: string, day: Day) => number): Thread[] {
  return Array.from({ length: 80 }, (_, house) => ({
    kind: 'run-capacitor-capacitance',
    plate: { capacitorRating: '40 µF 440 V ±6%' },
    fittedOn: START,
    readings: Array.from({ length: 8 }, (_, visit) => {
      const day = START + visit * HALF_YEAR;
      const instrument = handOf(house, visit);
      const truth = 40.4 + 0.4 * scatter(house) - (house % 4 === 0 ? 0.5 : 0.03) * (visit / 2);
      const value = truth * (1 + offOf(instrument, day) + 0.006 * scatter(house * 8 + visit + 0.3));
      return { day, value, method: 'bench', instrument };
    }),
  }));
}

const changing = (house: number, visit: number) => ['ann', 'bo', 'cy'][(house + visit * (1 + (house % 2))) % 3]!;
const OFF: Readonly<Record<string, number>> = { ann: 0.012, bo: -0.018, cy: 0.004 };
const steady = (name: string) => OFF[name]!;
const contrast = (prior: FleetPrior, a: string, b: string) => {
  const at = (name: string) => offsetOn(prior.meters.capacitance, name, NEWEST)!.mean;
  return at(a) - at(b);
};

describe('what a firm’s readings say of its meters', () => {
  const prior = learnPrior(firm(changing, steady));

  test('meters that differ are told apart, to a third of a percent', () => {
    expect(Math.abs(contrast(prior, 'ann', 'bo') - 0.03)).toBeLessThan(0.003);
    expect(Math.abs(contrast(prior, 'ann', 'cy') - 0.008)).toBeLessThan(0.003);
  });

  test('what all of them share is not known, and said so; a few checks against something known make it known', () => {
    expect(prior.meters.capacitance!.common).toBeGreaterThan(0.003);
    const checks = [0, 1, 2, 3].map((n) => ({
      quantity: 'capacitance',
      name: 'bo',
      day: NEWEST - 40 * n,
      off: -0.018 + 0.001 * scatter(n),
      sd: 0.003,
      against: 'bo',
      knownWithin: 0.002,
    }));
    const checked = learnPrior(firm(changing, steady), undefined, checks);
    expect(checked.meters.capacitance!.common).toBeLessThan(0.003);
    for (const [name, off] of Object.entries(OFF))
      expect(Math.abs(offsetOn(checked.meters.capacitance, name, NEWEST)!.mean - off)).toBeLessThan(0.004);
  });

  test('other names, another order: the same', () => {
    const renamed = firm(changing, steady).map((thread) => ({
      ...thread,
      readings: [...thread.readings].reverse().map((r) => ({ ...r, instrument: `z-${r.instrument as string}` })),
    }));
    const again = learnPrior([...renamed].reverse());
    expect(again.classes).toEqual(prior.classes);
    expect(again.meters.capacitance!.meters['z-bo']).toEqual(prior.meters.capacitance!.meters.bo);
  });

  test('one meter for all changes no slope', () => {
    const one = firm(() => 'ann', steady);
    const plain = one.map((t) => ({ ...t, readings: t.readings.map(({ instrument: _, ...r }) => r) }));
    const [taught, bare] = [learnPrior(one), learnPrior(plain)];
    for (const n of [0, 1, 5, 8]) {
      const ahead = (thread: Thread, p: FleetPrior) => threadOutlook({ ...thread, prior: p, at: NEWEST + 180 });
      const slope = (thread: Thread, p: FleetPrior) => {
        const said = ahead(thread, p);
        const trend = said.outcome === 'outlook' ? said.reasons.find((r) => r.because.code === 'trend') : undefined;
        return trend?.because.code === 'trend' ? trend.because.numbers.perYearPercent : NaN;
      };
      expect(Math.abs(slope(one[n]!, taught) - slope(plain[n]!, bare))).toBeLessThan(0.06);
    }
  });

  test('a change of hands is no step, and no wear', () => {
    const last = (house: number, visit: number) => (visit === 7 ? 'bo' : house % 2 === 0 ? 'ann' : 'cy');
    const thread = firm(last, steady)[1]!;
    const ahead = threadOutlook({ ...thread, prior, at: NEWEST + 180 });
    expect(ahead.outcome === 'outlook' && ahead.reasons.map((r) => r.because.code)).toEqual(['trend']);
    const naked = { ...thread, readings: thread.readings.map(({ instrument: _, ...r }) => r) };
    const seen = threadOutlook({ ...naked, prior: { ...prior, meters: {} }, at: NEWEST + 180 });
    const chance = (o: typeof ahead) => (o.outcome === 'outlook' ? (o.chancePastLimit ?? 1) : 1);
    expect(chance(ahead)).toBeLessThan(chance(seen) + 1e-9);
  });

  test('a meter that goes off is told from parts that wear, and named', () => {
    const going = (name: string, day: Day) =>
      OFF[name]! - (name === 'cy' ? 0.02 * Math.max(0, (day - START) / DAYS_A_YEAR - 1.5) : 0);
    const { meters } = learnPrior(firm(changing, going));
    const stands = meterStands('capacitance', meters.capacitance, 'cy', NEWEST);
    expect(stands).toMatchObject({ standing: 'act', against: 'firm' });
    expect(stands.since).toBeGreaterThan(START + 1.5 * DAYS_A_YEAR);
    expect(meterStands('capacitance', meters.capacitance, 'nobody’s', NEWEST).standing).toBe('unproven');
  });
});

/** A firm whose capacitance meter is known to read low. */
const low: MetersKnown = {
  capacitance: {
    spread: 0.012,
    common: 0.002,
    meters: {
      bram: {
        days: [NEWEST - 400, NEWEST],
        mean: [-0.018, -0.018],
        sd: [0.003, 0.003],
        own: [0.002, 0.002],
        readings: 212,
        threads: 60,
        story: 'steady',
        steppedOn: null,
      },
      zoe: {
        days: [NEWEST],
        mean: [0.02],
        sd: [0.003],
        own: [0.002],
        readings: 90,
        threads: 40,
        story: 'steady',
        steppedOn: null,
      },
    },
  },
};

describe('a verdict by a meter that is known to be off', () => {
  const reading = (value: number, instrument: string | null) =>
    judge(
      {
        id: 'r',
        kind: 'run-capacitor-capacitance',
        point: 'single',
        method: 'bench',
        value,
        findings: [],
        day: NEWEST,
        instrument,
      },
      {
        systemKind: 'split-air-conditioner',
        plate: {},
        component: { slot: 'run-capacitor', kind: 'run-capacitor', plate: { rating: '40 µF ±5%' }, fittedOn: null },
        earlier: [],
        nextRound: NEWEST + 180,
        prior: { classes: {}, meters: low },
      },
      POLICIES.printed,
    );

  test('37.8 on a meter 1.8 % low is about 38.5, above 38.0: not past its limit, and both are said', () => {
    expect(reading(37.5, null).standing).toBe('act');
    const verdict = reading(37.8, 'bram');
    expect(verdict.standing).toBe('watch');
    expect(verdict.value).toBe(37.8);
    expect(sayReason(verdict.because)).toMatch(
      /^37\.8\sµF read; that meter reads 1\.8\s% low: about 38\.5, give or take 0\.15\. 38\.5\sµF.*limit 38\.0/,
    );
  });

  test('38.2 on a meter that reads 2 % high is past it', () => {
    expect(reading(38.2, null).standing).not.toBe('act');
    expect(reading(38.2, 'zoe').standing).toBe('act');
  });

  test.each([
    ['a capacitor', 'run-capacitor-capacitance', 'bench', 'capacitance'],
    ['a motor', 'compressor-amps', 'clamp', 'amps'],
  ] as const)('zero on %s is zero on a meter that is off by a share', (_, id, methodId, quantity) => {
    const method = methodOf(readingKind(id)!, methodId);
    const known = { [quantity]: low.capacitance! };
    const corrected = correctedFor(method, 0, 'bram', NEWEST, known);
    expect(corrected.parts).toMatchObject([{ quantity, name: 'bram' }]);
    expect(believedOf(corrected, 0, false)).toEqual({ value: 0 });
  });

  test('whatever is read, nothing that is told of a meter is no number', () => {
    const method = methodOf(readingKind('superheat')!, 'gauges');
    for (const [pipe, saturation] of [
      [1, 0],
      [-0.5, 1.5],
      [0, 0],
    ] as const) {
      const off = (mean: number) => {
        const meter = { ...low.capacitance!.meters.zoe!, mean: [mean], sd: [0.01] };
        return { ...low.capacitance!, meters: { gauges: meter, clamps: meter } };
      };
      const with_ = { gauges: 'gauges', 'pipe-clamps': 'clamps' };
      for (const read of [0, pipe - saturation, 8])
        for (const inUnit of [true, false]) {
          const corrected = correctedFor(method, read, with_, NEWEST, { pipe: off(pipe), saturation: off(saturation) });
          const { value, meter } = believedOf(corrected, read, inUnit);
          expect([value, meter?.offPercent ?? 0, meter?.within ?? 0].every(Number.isFinite)).toBe(true);
        }
    }
  });

  test('a meter that nobody knows leaves the reading as it is', () => {
    expect(reading(37.8, 'another').because).toEqual(reading(37.8, null).because);
  });

  test('a check on something known clears it from that day on, and before it nothing changes', () => {
    const check = {
      quantity: 'capacitance',
      name: 'bram',
      day: NEWEST + 10,
      off: 0.001,
      sd: 0.003,
      against: 'x',
      knownWithin: 0.002,
    };
    const after = afterCheck(low.capacitance!, check);
    expect(meterStands('capacitance', low.capacitance, 'bram', NEWEST).standing).toBe('watch');
    expect(meterStands('capacitance', after, 'bram', NEWEST + 10).standing).toBe('sound');
    expect(offsetOn(after, 'bram', NEWEST)!.mean).toBeCloseTo(-0.018, 6);
  });
});
