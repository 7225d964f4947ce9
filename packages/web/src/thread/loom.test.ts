import { dayOf, DEFAULT_POLICY, type ComponentView, type ReadingView, type SystemDetail } from '@yarnix/core';
import { componentView, readingView, systemView } from '@yarnix/core/testing';
import { placeOfDay } from './geometry.ts';
import { loomOf, saySummary } from './loom.ts';

const TODAY = dayOf('2026-11-01');
const firm = { policy: DEFAULT_POLICY, prior: null };

const part = (id: string, over: Partial<ComponentView>): ComponentView =>
  componentView({ id, plate: { rating: '40+5 µF 440 V' }, fittedOn: '2021-05-01', ...over });
const reading = (componentId: string, day: string, over: Partial<ReadingView>): ReadingView =>
  readingView(day, { componentId, ...over });
const capacitance = (on: string, day: string, point: 'herm' | 'fan', value: number) =>
  reading(on, day, { point, value, inputs: { microfarads: value } });

const old = part('old', { removedOn: '2024-05-10', removedReason: 'HERM weak' });
const now = part('now', { fittedOn: '2024-05-10', replaces: 'old' });
const contactor = part('contactor', { slot: 'contactor', kind: 'contactor', plate: {} });
const fan = part('fan', { slot: 'outdoor-fan', kind: 'outdoor-fan', plate: {} });

const system = systemView({
  address: '1 Loom Yard',
  kind: 'split-air-conditioner',
  components: [old, now, contactor, fan],
  visits: ['2022-05-01', '2023-05-02', '2024-05-10', '2025-05-03', '2026-05-04'].map((day) => ({
    id: `v-${day}`,
    systemId: 'sys',
    startedAt: `${day}T15:00:00.000Z`,
    closedAt: `${day}T16:00:00.000Z`,
    season: 'spring',
    personName: 'Tamsin Pruett',
    note: null,
    call: null,
  })),
  readings: [
    capacitance('old', '2022-05-01', 'herm', 39),
    capacitance('old', '2023-05-02', 'herm', 36),
    capacitance('now', '2024-05-10', 'herm', 40.2),
    capacitance('now', '2025-05-03', 'herm', 38.6),
    capacitance('now', '2026-05-04', 'herm', 36.4),
    capacitance('now', '2024-05-10', 'fan', 5.02),
    capacitance('now', '2026-05-04', 'fan', 5.01),
    reading('now', '2026-05-04', {
      point: 'can',
      method: 'looks',
      inputs: { finding: 'sound' },
      findings: ['can-sound'],
    }),
  ],
});

const loom = loomOf(system, firm, TODAY);

test('what needs eyes stands on top with its next step, what is sound stays quiet, looks are apart', () => {
  expect(loom.eyes.map((s) => [s.title, s.standing, s.next])).toEqual([['Capacitance, HERM', 'act', 'Replace it']]);
  expect(loom.quiet.map((s) => s.title)).toEqual(['Capacitance, FAN']);
  expect(loom.looks.map((s) => s.data.points)).toEqual([[]]);
  expect(saySummary(loom)).toBe('run capacitor to look at');
});

test('every reading, visit and life lies on one axis that ends after the next round', () => {
  const { from, to } = loom.span;
  expect(from).toBeLessThanOrEqual(dayOf('2022-05-01'));
  expect(to).toBeGreaterThan(loom.nextRound);
  expect(loom.visits).toHaveLength(5);
  expect(loom.years.map((y) => y.year)).toEqual(['2023', '2024', '2025', '2026', '2027']);
  const x = placeOfDay(loom.span, 600);
  for (const day of [...loom.visits, ...loom.years.map((y) => y.day), loom.nextRound]) {
    expect(x(day)).toBeGreaterThanOrEqual(0);
    expect(x(day)).toBeLessThanOrEqual(600);
  }
});

test('a new part is marked on its day, and the one before it keeps its line', () => {
  const [herm] = loom.eyes;
  expect(herm?.fitted).toBe(dayOf('2024-05-10'));
  expect(herm?.before.map((life) => life.map((p) => p.value))).toEqual([[39, 36]]);
  expect(herm?.data.points).toHaveLength(3);
});

test('a repair stands on the threads it may have moved, and on no other', () => {
  const cleaned = { ...system, events: [{ id: 'e', kind: 'contacts-dressed', on: '2025-06-01', note: null }] };
  const strands = loomOf(cleaned as unknown as SystemDetail, firm, TODAY);
  expect([...strands.eyes, ...strands.quiet].flatMap((s) => s.repairs)).toEqual([]);
  const withDrop = {
    ...cleaned,
    readings: [
      ...system.readings,
      reading('contactor', '2026-05-04', {
        kind: 'contact-drop',
        point: 'line',
        method: 'volts',
        value: 0.2,
        inputs: { volts: 0.2 },
      }),
    ],
  };
  const drop = loomOf(withDrop as unknown as SystemDetail, firm, TODAY);
  const strand = [...drop.eyes, ...drop.quiet, ...drop.unproven].find((s) => s.kind.id === 'contact-drop');
  expect(strand?.repairs).toEqual([{ day: dayOf('2025-06-01'), title: 'Contacts dressed or tightened' }]);
});

test('a machine that nothing was read of says so, and names its parts', () => {
  const bare = loomOf({ ...system, readings: [], visits: [] }, firm, TODAY);
  expect(saySummary(bare)).toBe('nothing read yet');
  expect(bare.unread.map((c) => c.id)).toEqual(['now', 'contactor', 'fan']);
  expect(Number.isFinite(bare.span.from)).toBe(true);
});
