import { componentsFor, type Point } from '../equipment/component.ts';
import { readingKind } from '../readings/registry.ts';
import { dayOf, isoOf } from '../quantity/day.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { signsOf, type Sign } from './signs.ts';
import type { Reading } from '../readings/contract/reading.ts';
import { TOGETHER_IDS } from '../verdict/together.ts';
import { systemThreads } from './assess-system.ts';
import type { ThreadState } from './thread-state.ts';
import { moveChance, readTogether, withOdds } from './together.ts';
import { TOGETHER, type Evidence } from './together-rules.ts';
import { sayReason } from '../words/reasons.ts';

/** A thread that shows just these signs. */
function showing(
  kind: string,
  point: Point,
  signs: readonly Sign[],
  chance = 0.3,
): { key: string; state: ThreadState } {
  const drift = signs.includes('rising') ? 1 : signs.includes('falling') ? -1 : 0;
  const side = signs.includes('low') ? 'lower' : 'upper';
  const numbers = {
    value: 1,
    nominal: 1,
    limit: 1,
    side,
    position: 'past',
    unit: 'A',
    rule: 'split',
    other: null,
  } as const;
  const found = signs.find((s) => s.startsWith('finding:'))?.slice(8);
  const reasons: ThreadState['reasons'] = [
    ...(signs.includes('low') || signs.includes('high')
      ? [{ basis: 'plate', standing: 'watch', limit: 1, because: { code: 'against-window', numbers } } as const]
      : []),
    ...(found
      ? [
          {
            basis: 'finding',
            standing: 'act',
            limit: null,
            because: { code: 'finding', numbers: { found: [found] } },
          } as const,
        ]
      : []),
  ];
  const numeric = { fit: { n: 5, drift, driftSd: 0.1 } } as unknown as ThreadState['numeric'];
  const state = { kind, point, standing: 'watch', lead: reasons[0]!, reasons, numeric, chance } as ThreadState;
  return { key: `${kind}/${point}`, state };
}

const pointOf = ({ kind, points }: Evidence): Point =>
  points?.[0] ??
  readingKind(kind)?.methods[0]?.points({
    plate: {},
    systemKind: 'split-heat-pump',
    component: { slot: 'contactor', kind: 'contactor', plate: {}, fittedOn: null },
  })[0] ??
  'whole';

const rules = TOGETHER_IDS.map((id) => [id, TOGETHER[id]] as const);

describe.each(rules)('%s', (id, rule) => {
  const plate = { ...rule.plate };
  const evidence = [...rule.evidence, ...(rule.anyOf?.slice(0, 1) ?? [])];
  const threads = evidence.map((e) => showing(e.kind, pointOf(e), [e.shows[0]!]));

  test('holds where its evidence is shown, and names the threads it rests on', () => {
    const found = readTogether(threads, plate).find((t) => t.rule === id);
    expect(found?.threads).toEqual([...new Set(threads.map((t) => t.key))]);
  });

  test('does not hold when a piece of it is missing, or what rules it out is shown', () => {
    for (let i = 0; i < threads.length; i += 1) {
      const rest = threads.filter((_, j) => j !== i);
      const others = rest.map((t) => t.state.kind);
      if (others.includes(threads[i]!.state.kind)) continue;
      expect(readTogether(rest, plate).map((t) => t.rule)).not.toContain(id);
    }
    for (const against of rule.unless ?? []) {
      const shown = [...threads, showing(against.kind, pointOf(against), [against.shows[0]!])];
      expect(readTogether(shown, plate).map((t) => t.rule)).not.toContain(id);
    }
  });

  test('looks at kinds that exist, and bears on kinds that exist', () => {
    for (const { kind } of [...rule.evidence, ...(rule.anyOf ?? []), ...(rule.unless ?? []), ...rule.bears]) {
      expect(readingKind(kind)?.id).toBe(kind);
    }
    expect(rule.bears.every((b) => b.odds > 0.3 && b.odds < 3)).toBe(true);
  });
});

test('a plate of another motor keeps a finding from holding', () => {
  const threads = [showing('blower-amps', 'whole', ['falling']), showing('temperature-split', 'whole', ['rising'])];
  expect(readTogether(threads, { blowerMotor: 'psc' }).map((t) => t.rule)).toContain('psc-blocked-air');
  expect(readTogether(threads, { blowerMotor: 'ecm' }).map((t) => t.rule)).not.toContain('psc-blocked-air');
});

test('odds move a chance, never out of 0 to 1, and leave certainty alone', () => {
  expect(withOdds(0.5, 2)).toBeCloseTo(2 / 3, 12);
  expect(withOdds(0, 3)).toBe(0);
  expect(withOdds(1, 0.2)).toBe(1);
  const certain = showing('run-capacitor-capacitance', 'herm', ['low'], 1);
  expect(moveChance(certain, [{ rule: 'weak-herm-hot-compressor', threads: [] }]).chance).toBe(1);
});

test('a weak half raises the other half of the can, not itself', () => {
  const [herm, fan] = [
    showing('run-capacitor-capacitance', 'herm', ['low'], 0.6),
    showing('run-capacitor-capacitance', 'fan', ['steady'], 0.2),
  ];
  const found = readTogether([herm, fan], {});
  const half = found.filter((t) => t.rule === 'half-of-a-dual');
  expect(moveChance(fan, half).chance).toBeCloseTo(withOdds(0.2, 2.5), 12);
  expect(moveChance(herm, half).chance).toBe(0.6);
});

test('signs of a thread: movement, place, findings', () => {
  expect(signsOf(showing('subcooling', 'liquid', ['rising', 'high']).state)).toEqual(['rising', 'high']);
  expect(signsOf(showing('element-ohms', 'element-1', ['finding:open']).state)).toContain('finding:open');
});

test('on a whole system: a fading HERM section beside rising amps is said on both threads, and moves both visibly', () => {
  const plate = { capacitorRating: '40+5 µF 440 V', compressorRla: 18, volts: '208/230' } as const;
  const parts = componentsFor('split-heat-pump', plate).map((p) => ({
    ...p,
    id: p.slot,
    fittedOn: dayOf('2022-04-01'),
  }));
  const start = dayOf('2023-04-10');
  let n = 0;
  const reading = (
    slot: string,
    kind: string,
    point: Point,
    method: string,
    value: number,
    visit: number,
  ): Reading => ({
    id: `r${(n += 1)}`,
    visitId: `v${visit}`,
    componentId: slot,
    kind,
    point,
    method,
    value,
    findings: [],
    takenAt: `${isoOf(start + 182 * visit)}T15:00:00.000Z`,
    supersedes: null,
    conditions: { outdoorF: 82, lineVolts: 240 },
  });
  const readings = [40.8, 40.2, 39.7, 39.1, 38.7, 38.3].flatMap((value, visit) => [
    reading('run-capacitor', 'run-capacitor-capacitance', 'herm', 'bench', value, visit),
    reading('compressor', 'compressor-amps', 'common', 'clamp', 14 + 0.35 * visit, visit),
  ]);
  const system = { kind: 'split-heat-pump' as const, plate, components: parts };
  const threads = systemThreads(system, readings, { nextRound: start + 182 * 6, policy: DEFAULT_POLICY });
  const said = threads.map((t) => ({
    slot: t.component.slot,
    chance: t.state.chance,
    together: t.state.reasons.filter((r) => r.basis === 'together').map((r) => r.because),
    trend: t.state.reasons.find((r) => r.because.code === 'trend')?.because,
  }));
  const capacitor = said.find((s) => s.slot === 'run-capacitor')!;
  const trend = capacitor.trend?.code === 'trend' ? capacitor.trend.numbers.chance : NaN;
  expect(capacitor.chance).toBeCloseTo(withOdds(trend, 1.6), 6);
  expect(sayReason(capacitor.together[0]!)).toMatch(
    /Weak compressor capacitor.*raises the chance here from \d+ to \d+/,
  );
  expect(said.find((s) => s.slot === 'compressor')!.together).toHaveLength(1);
});
