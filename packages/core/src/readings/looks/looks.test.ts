import { isFinding } from '../../verdict/findings.ts';
import { judged } from '../../testing/reading.ts';
import { complaint } from './complaint.ts';
import { indoorLooks } from './indoor-looks.ts';
import { outdoorLooks } from './outdoor-looks.ts';

test.each([outdoorLooks, indoorLooks, complaint])(
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
