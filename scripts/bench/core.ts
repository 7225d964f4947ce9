import { dayOf, DEFAULT_POLICY, judge, nextRoundAfter, type JudgedReading, type ThreadReading } from '@yarnix/core';
import { fitDrift } from '@yarnix/core/testing';
import { randomFrom } from '@yarnix/simulator';
import { report, spread, timeSync } from './measure.ts';

/** Verdict and fit on threads of 3 to 24 readings, as the browser works them out at every keystroke. */
const random = randomFrom(42);
const today = dayOf('2026-10-10');
const threads: ThreadReading[][] = Array.from({ length: 500 }, () => {
  const readings = random.whole(3, 24);
  const fall = random.between(0, 0.9);
  return Array.from({ length: readings }, (_, i) => ({
    day: today - 182 * (readings - i),
    value: random.normal(41 - fall * (i / 2), 0.3),
    method: 'bench',
  }));
});
const component = {
  slot: 'run-capacitor',
  kind: 'run-capacitor',
  plate: { rating: '40+5 µF 440 V' },
  fittedOn: null,
} as const;
const nextRound = nextRoundAfter(today, DEFAULT_POLICY);

const threadAt = (i: number): ThreadReading[] => threads[i % threads.length] ?? [];
const verdict = (i: number) => {
  const reading: JudgedReading = {
    id: 'typed',
    kind: 'run-capacitor-capacitance',
    point: 'herm',
    method: 'bench',
    value: 39 + (i % 10) / 10,
    findings: [],
    day: today,
  };
  return judge(
    reading,
    { systemKind: 'split-heat-pump', plate: {}, component, earlier: threadAt(i), nextRound },
    DEFAULT_POLICY,
  );
};
const points = threads.map((t) => t.map((r) => ({ ...r, error: 0.4 })));
const prior = { drift: { mean: -0.0005, sd: 0.0013 }, errorTrust: 6 };

console.log('| core | median | p95 | worst | limit |\n| --- | --- | --- | --- | --- |');
const verdicts = timeSync(verdict, 400, 50);
const fits = timeSync((i) => fitDrift(points[i % points.length] ?? [], prior), 400, 200);
report('one verdict', verdicts, 'median under 150 µs');
report('`fitDrift`, one thread', fits, 'under 50 µs');
console.log(
  `One verdict takes ${(spread(verdicts).median / spread(fits).median).toFixed(1)} times one fitDrift (limit 12).`,
);
