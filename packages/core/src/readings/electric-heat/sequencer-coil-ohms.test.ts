import { judge } from '../../judgment/judge.ts';
import { aboutOf, enter, judged } from '../../testing/reading.ts';
import { DEFAULT_POLICY } from '../../verdict/policy.ts';
import { sequencerCoilOhms as kind } from './sequencer-coil-ohms.ts';

// Makes differ, so that no figure is usual: common practice, no source.
test('a first reading has no limit, and becomes what later ones are held against', () => {
  const first = judged(kind, { first: 64 });
  expect(first.standing).toBe('unproven');
  expect(first.reasons.map((r) => r.because.code)).toContain('is-the-baseline');
});

test('held against its own past alone: half of it is shorted turns, a third more is watched', () => {
  const about = aboutOf(kind);
  const now = (value: number) =>
    judge(
      { id: 'now', kind: kind.id, point: 'whole', method: 'ohms', value, findings: [], day: 20_400 },
      {
        ...about,
        earlier: [19_600, 19_800, 20_000].map((day) => ({ day, value: 64, method: 'ohms' })),
        nextRound: 20_580,
      },
      DEFAULT_POLICY,
    ).standing;
  expect([now(64), now(31), now(86)]).toEqual(['sound', 'act', 'watch']);
});

test('open, shorted and jumping windings are findings whatever its past', () => {
  expect(enter(kind, { first: 'OL' })).toMatchObject({ value: null, findings: ['open'] });
  expect(enter(kind, { first: 0.2 })).toMatchObject({ findings: ['shorted'] });
  expect(enter(kind, { first: 64, second: 48 })).toMatchObject({ findings: ['jumps'] });
});
