import { dayOf, DEFAULT_POLICY, type ComponentView, type ReadingView } from '@yarnix/core';
import { componentView, readingView, systemView } from '@yarnix/core/testing';
import { annotationsOf, chartData, type Palette } from './chart-config.ts';
import { threadData } from './thread-data.ts';

const palette: Palette = {
  ink: 'ink',
  soft: 'soft',
  rule: 'rule',
  ruleStrong: 'strong',
  act: 'act',
  thread: 'thread',
  knot: 'knot',
  hue: 'hue',
  copper: 'copper',
};
const part = (id: string, over: Partial<ComponentView>): ComponentView =>
  componentView({ id, plate: { rating: '40+5 µF 440 V' }, fittedOn: '2021-05-01', ...over });
const reading = (componentId: string, day: string, value: number, over: Partial<ReadingView> = {}): ReadingView =>
  readingView(day, { componentId, value, ...over });
const slipped = reading('new', '2025-10-10', 4.03, { superseded: true });
const system = systemView({
  components: [
    part('new', { fittedOn: '2024-04-12', replaces: 'old' }),
    part('old', { removedOn: '2024-04-12', removedReason: 'HERM weak' }),
  ],
  readings: [
    reading('old', '2022-04-10', 39),
    reading('old', '2023-04-10', 37.9),
    reading('old', '2024-04-12', 36.9),
    reading('new', '2024-04-12', 41.2),
    reading('new', '2025-04-10', 40.8),
    slipped,
    reading('new', '2025-10-10', 40.3, { supersedes: slipped.id }),
    reading('new', '2026-04-10', 40.1),
  ],
});
const at = (componentId: string) =>
  threadData(
    system,
    { componentId, kind: 'run-capacitor-capacitance', point: 'herm' },
    { policy: DEFAULT_POLICY, prior: null },
    dayOf('2026-10-01'),
  )!;

test('a thread is this part’s life; the lives before it stand beside it', () => {
  const data = at('new');
  expect(data.inline?.points.map((p) => p.value)).toEqual([41.2, 40.8, 40.3, 40.1]);
  expect(data.before.map((b) => b.points.map((p) => p.value))).toEqual([[39, 37.9, 36.9]]);
  expect(data.readings).toHaveLength(5);
  expect(data.nominal).toBe(40);
});

test('the thread of a part that came out is still there', () => {
  expect(at('old')).toMatchObject({ before: [], state: { standing: 'act' } });
});

test('unknown parts and kinds have no thread', () => {
  expect(
    threadData(
      system,
      { componentId: 'nobody', kind: 'run-capacitor-capacitance', point: 'herm' },
      { policy: DEFAULT_POLICY, prior: null },
      0,
    ),
  ).toBeNull();
  expect(
    threadData(system, { componentId: 'new', kind: 'mood', point: 'herm' }, { policy: DEFAULT_POLICY, prior: null }, 0),
  ).toBeNull();
});

test('the chart draws the forecast dashed and without points, unlike what was measured', () => {
  const { datasets } = chartData(at('new'), palette);
  const forecast = datasets.filter((d) => d.label?.startsWith('forecast'));
  expect(forecast.length).toBeGreaterThan(3);
  expect(forecast.every((d) => d.pointRadius === 0 && Array.isArray(d.borderDash))).toBe(true);
  expect(datasets.find((d) => d.label === 'reading')?.borderDash).toBeUndefined();
});

test('limit, rating, baseline, replacement and next round are each marked with a word', () => {
  const marks = annotationsOf(at('new'), palette, dayOf);
  const contents = Object.values(marks).map((m) => ('label' in m ? m.label?.content : undefined));
  const words = contents.filter((c) => typeof c === 'string').map((c) => c.replace(/\u00a0/g, ' '));
  expect(words).toEqual([
    'limit 37.6 µF',
    'rated 40.0 µF',
    'its baseline 41.2 µF',
    'watched from 38.6 µF',
    'part replaced',
    'next round',
  ]);
});
