import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { sayReason } from '../words/reasons.ts';
import type { Reading } from '../readings/contract/reading.ts';
import { systemThreads } from './assess-system.ts';
import type { ReadyThread } from '../series/thread-shape.ts';
import { learnFleet } from '../series/learn-prior.ts';
import { threadPriorSchema } from '../series/prior-schema.ts';
import { runCapacitorCapacitance } from '../readings/capacitor/run-capacitor-capacitance.ts';
import { dayOf } from '../quantity/day.ts';

const kept = (id: string, point: Reading['point'], value: number, takenAt: string): Reading => ({
  id,
  visitId: takenAt,
  componentId: 'cap',
  kind: 'run-capacitor-capacitance',
  point,
  method: 'bench',
  value,
  findings: [],
  takenAt: `${takenAt}T12:00:00.000Z`,
  supersedes: null,
});
const system = {
  kind: 'split-air-conditioner',
  plate: {},
  components: [
    { id: 'cap', slot: 'run-capacitor', kind: 'run-capacitor', plate: { rating: '40+5 µF' }, fittedOn: null },
  ],
} as const;

test.each([1e306, -1e306, Number.MAX_VALUE, NaN, Infinity])(
  'a figure beyond reckoning in the record (%s) leaves its thread unproven, with the reason, and the others as they are',
  (broken) => {
    const days = ['2024-04-15', '2024-10-15', '2025-04-15'];
    const readings = [
      ...days.map((day, n) => kept(`h${n}`, 'herm', n === 1 ? broken : 39 - n, day)),
      ...days.map((day, n) => kept(`f${n}`, 'fan', 4.9 - n / 20, day)),
    ];
    const threads = systemThreads(system, readings, { nextRound: dayOf('2025-10-15'), policy: DEFAULT_POLICY });
    const herm = threads.find((t) => t.state.point === 'herm')?.state;
    const fan = threads.find((t) => t.state.point === 'fan')?.state;
    for (const state of [herm, fan]) {
      expect(Number.isFinite(state?.urgency)).toBe(true);
      expect(state?.chance).toBeLessThanOrEqual(1);
    }
    if (herm?.lead.because.code === 'not-fitted') {
      expect(herm.standing).toBe('unproven');
      expect(sayReason(herm.lead.because)).toMatch(/^Not judged: .*Correct that reading\.$/);
    }
    expect(fan?.lead.because.code).not.toBe('not-fitted');
  },
);

test('a thread that goes beyond all bounds teaches the class nothing, and spoils nothing', () => {
  const thread = (value: number) => ({
    points: [0, 0.5, 1, 1.5].map((years) => ({ years, value: value - years / 100, variance: 1e-4 })),
    fittedYears: null,
    shifts: [],
    levelSd: 0.2,
    oddSd: 0.2,
    stepSd: 0.1,
  });
  const sound = Array.from({ length: 12 }, (_, n) => thread(1 + n / 1000));
  const learnThreadPrior = (threads: readonly ReadyThread[]) =>
    learnFleet({ it: { spec: runCapacitorCapacitance, threads } }, () => 1).classes.it!;
  const learned = learnThreadPrior([...sound, thread(1e300), thread(NaN)]);
  expect(threadPriorSchema.safeParse(learned).success).toBe(true);
  expect(learned).toEqual(learnThreadPrior(sound));
});
