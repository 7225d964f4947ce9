import { isFinding } from '../../verdict/findings.ts';
import { aboutOf, judged } from '../../testing/reading.ts';
import { complaint } from './complaint.ts';
import { controlFuseLooks } from './control-fuse-looks.ts';
import { indoorLooks } from './indoor-looks.ts';
import { outdoorLooks } from './outdoor-looks.ts';

test.each([outdoorLooks, indoorLooks, complaint, controlFuseLooks])(
  '%# every choice is a finding with a standing and a sentence',
  (kind) => {
    const [input] = kind.methods[0]!.inputs;
    const values = input?.type === 'several' ? [input.none, ...input.options].map((o) => o.value) : [];
    expect(values.length).toBeGreaterThan(4);
    expect(values.every(isFinding)).toBe(true);
  },
);

test('several findings are judged as the worst of them, and all are said', () => {
  const seen = judged(outdoorLooks, { seen: 'insects,scorched-lug' });
  expect(seen.standing).toBe('act');
  expect(seen.says).toMatch(/Insects.*Scorched lug/);
  expect(judged(outdoorLooks, { seen: 'charred-disconnect' }).standing).toBe('stop');
  expect(judged(indoorLooks, { seen: 'nothing' }).standing).toBe('sound');
  expect(judged(indoorLooks, { seen: 'gas-smell' }).standing).toBe('stop');
});

test('the low-voltage fuse is held against its board: one that is larger protects nothing', () => {
  const fuse = (seen: string) => judged(controlFuseLooks, { seen }, { plate: { controlFuseAmps: 3 } });
  expect(fuse('fuse-right').standing).toBe('sound');
  expect(fuse('fuse-smaller').standing).toBe('watch');
  expect(fuse('fuse-larger').standing).toBe('act');
  expect(fuse('fuse-larger').says).toContain('never more');
  expect(fuse('fuse-blown').says).toContain('find the short first');
  expect(fuse('fuse-bridged').standing).toBe('stop');
  const about = aboutOf(controlFuseLooks, { plate: { controlFuseAmps: 3 } });
  expect(controlFuseLooks.plateLine(about)).toBe('3 A on the board');
});
