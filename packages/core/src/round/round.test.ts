import type { Component } from '../equipment/component.ts';
import { componentsFor } from '../equipment/component.ts';
import { SYSTEM_KINDS } from '../equipment/system-kind.ts';
import { DEFAULT_POLICY } from '../judgement/policy.ts';
import { dayOf, isoOf } from '../quantity/day.ts';
import { nextRoundAfter, seasonOf } from './next-round.ts';
import { planRound } from './plan-round.ts';
import { whatChanged, type ThreadAtClose } from './what-changed.ts';

describe('next round', () => {
  test.each([
    ['2026-11-25', '2027-04-15'],
    ['2026-04-20', '2026-10-15'],
    ['2026-08-16', '2026-10-15'],
    ['2026-09-01', '2027-04-15'],
    ['2026-12-31', '2027-04-15'],
  ])('after %s comes %s', (day, next) => {
    expect(isoOf(nextRoundAfter(dayOf(day), DEFAULT_POLICY))).toBe(next);
  });

  test('a firm with one round a year', () => {
    expect(isoOf(nextRoundAfter(dayOf('2026-05-20'), { ...DEFAULT_POLICY, roundMonths: [5] }))).toBe('2027-05-15');
  });

  test('seasons', () => {
    expect(seasonOf(dayOf('2026-04-10'))).toBe('spring');
    expect(seasonOf(dayOf('2026-10-10'))).toBe('autumn');
    expect(seasonOf(dayOf('2026-01-10'))).toBe('autumn');
  });
});

describe('plan', () => {
  const parts = componentsFor('split-heat-pump', { capacitorRating: '40+5 µF 440 V' }).map((c): Component => ({
    ...c,
    fittedOn: null,
  }));
  const plan = planRound('split-heat-pump', parts);

  test('two stops: everything that runs, then everything with the power off', () => {
    expect(plan.map((s) => s.id)).toEqual(['running', 'power-off']);
    expect(plan[0]?.readings.map((r) => `${r.kind.id} ${r.point}`)).toEqual([
      'line-volts whole',
      'compressor-amps common',
      'compressor-amps run',
      'compressor-amps start-wire',
      'outdoor-fan-amps whole',
      'blower-amps whole',
      'run-capacitor-capacitance herm',
      'run-capacitor-capacitance fan',
    ]);
    expect(plan[1]?.readings.map((r) => `${r.method.id} ${r.point}`)).toEqual([
      'looks can',
      'bench herm',
      'bench fan',
      'needle-sweep herm',
      'needle-sweep fan',
    ]);
  });

  test('before hands go in, the plan says lock out and discharge', () => {
    expect(plan[1]?.cautions.map((c) => c.id)).toEqual(['lock-out', 'discharge', 'wires']);
    expect(plan[1]?.cautions.find((c) => c.id === 'discharge')?.text).toMatch(/20 kΩ/);
  });

  test('every kind of system has a plan; one without capacitors has no power-off stop', () => {
    for (const kind of SYSTEM_KINDS) {
      const own = componentsFor(kind, {}).map((c): Component => ({ ...c, fittedOn: null }));
      expect(planRound(kind, own).length).toBeGreaterThan(0);
    }
    expect(
      planRound(
        'air-handler-electric-heat',
        parts.filter((p) => p.slot === 'blower'),
      ).map((s) => s.id),
    ).toEqual(['running']);
  });
});

describe('what changed', () => {
  const thread = (key: string, over: Partial<ThreadAtClose>): ThreadAtClose => ({
    key,
    standing: 'sound',
    now: 40,
    before: { value: 40, day: 1, standing: 'sound' },
    ...over,
  });

  test('the worst first, then the largest change', () => {
    const changes = whatChanged([
      thread('steady', {}),
      thread('moved', { now: 44 }),
      thread('worse', { now: 37, standing: 'act' }),
      thread('first', { before: null, standing: 'unproven' }),
    ]);
    expect(changes.map((c) => [c.key, c.turn])).toEqual([
      ['worse', 'worse'],
      ['first', 'new'],
      ['moved', 'same'],
      ['steady', 'same'],
    ]);
    expect(changes[0]?.offPercent).toBeCloseTo(-7.5);
  });

  test('a basis gained or lost is no turn of the part', () => {
    const [gained] = whatChanged([thread('a', { before: { value: 40, day: 1, standing: 'unproven' } })]);
    const [lost] = whatChanged([thread('a', { standing: 'unproven' })]);
    const [better] = whatChanged([thread('a', { before: { value: 40, day: 1, standing: 'act' } })]);
    expect([gained?.turn, lost?.turn, better?.turn]).toEqual(['same', 'same', 'better']);
  });

  test('findings and first readings have no percentage', () => {
    expect(whatChanged([thread('a', { now: null })])[0]?.offPercent).toBeNull();
    expect(whatChanged([thread('a', { before: { value: 0, day: 1, standing: 'act' } })])[0]?.offPercent).toBeNull();
  });
});
