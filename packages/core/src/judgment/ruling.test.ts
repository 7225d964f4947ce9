import { sayReason } from '../words/reasons.ts';
import type { Reading, Ruling } from '../readings/contract/reading.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import { assessSystem } from './assess-system.ts';

const ruling: Ruling = { standing: 'sound', why: 'the clamp was not closed', by: 'TP' };
const reading = (id: string, day: string, amps: number, over: Partial<Reading> = {}): Reading => ({
  id,
  visitId: `v-${day}`,
  componentId: 'fan',
  kind: 'outdoor-fan-amps',
  point: 'whole',
  method: 'clamp',
  value: amps,
  findings: [],
  takenAt: `${day}T15:00:00.000Z`,
  supersedes: null,
  conditions: {},
  ...over,
});
const fan = { id: 'fan', slot: 'outdoor-fan', kind: 'outdoor-fan', plate: {}, fittedOn: null } as const;
const system = { kind: 'split-heat-pump', plate: { outdoorFanFla: 1.2 }, components: [fan] } as const;
const partWith = (readings: readonly Reading[]) =>
  assessSystem(system, readings, { nextRound: 20_800, policy: DEFAULT_POLICY }).parts[0]!;

test('a ruling leads, what it overrules is kept beside it, and the chance follows the technician', () => {
  const plain = partWith([reading('a', '2026-10-10', 1.6)]);
  expect([plain.standing, plain.chance]).toEqual(['act', 1]);
  const ruled = partWith([reading('a', '2026-10-10', 1.6, { ruling })]);
  expect([ruled.standing, ruled.chance, ruled.urgency]).toEqual(['sound', 0, 0]);
  const reasons = ruled.threads[0]!.state.reasons;
  expect(sayReason(reasons[0]!.because)).toBe('Overruled by TP, sound in place of act: the clamp was not closed');
  expect(reasons.some((r) => r.because.code === 'against-rated-load' && r.standing === 'act')).toBe(true);
});

test('it holds until the next reading', () => {
  const ruled = reading('a', '2026-10-10', 1.6, { ruling });
  expect(partWith([ruled, reading('b', '2026-10-12', 1.6)]).standing).toBe('act');
  expect(
    partWith([
      reading('a', '2026-10-10', 1.0),
      reading('b', '2026-10-12', 1.0, { ruling: { ...ruling, standing: 'act' } }),
    ]).standing,
  ).toBe('act');
});
