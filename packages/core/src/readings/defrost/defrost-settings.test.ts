import { readingKind } from '../registry.ts';
import { DEFAULT_POLICY } from '../../verdict/policy.ts';
import { enter, judged } from '../../testing/reading.ts';
import { defrostSettings as kind } from './defrost-settings.ts';

const factory = { ...DEFAULT_POLICY, defrost: { ...DEFAULT_POLICY.defrost, school: 'factory' as const } };

// Common practice, no source: one school moves a 50 °F termination up, the other leaves it; bands of frost stay either way.
test('50 °F is flagged in whichever school; one says how far up, the other asks for eyes on it', () => {
  const at50 = { termination: '50', interval: '60' };
  const raised = judged(kind, at50);
  expect(raised).toMatchObject({ standing: 'watch' });
  expect(raised.says).toMatch(/bands of frost stay.*Move it up to 70 °F/);
  const to90 = { ...DEFAULT_POLICY, defrost: { ...DEFAULT_POLICY.defrost, raiseToF: 90 as const } };
  expect(judged(kind, at50, { policy: to90 }).says).toMatch(/Move it up to 90 °F/);
  const left = judged(kind, at50, { policy: factory });
  expect(left).toMatchObject({ standing: 'watch' });
  expect(left.says).toMatch(/this firm leaves it so/);
  expect(left.says).not.toMatch(/Move it/);
});

test('an interval longer than the firm leaves it in its climate is watched; where it leaves it, it is only read', () => {
  const damp = { ...DEFAULT_POLICY, defrost: { ...DEFAULT_POLICY.defrost, longestIntervalMin: 30 as const } };
  const at60 = { termination: '70', interval: '60' };
  expect(judged(kind, at60).standing).toBe('sound');
  expect(judged(kind, at60, { policy: damp })).toMatchObject({ standing: 'watch' });
  expect(judged(kind, at60, { policy: damp }).says).toMatch(/Longer between defrosts than this firm leaves it/);
  expect(judged(kind, { termination: '70', interval: 'demand' }, { policy: damp }).standing).toBe('sound');
  // Ice seen says it already; it is not said twice.
  const iced = judged(kind, at60, { policy: damp, conditions: { iceSeen: true } });
  expect(iced.says.match(/next shorter/g)).toHaveLength(1);
});

test('any other setting is told as what it is, and against the record where that says otherwise', () => {
  const at70 = { termination: '70', interval: 'demand' };
  expect(judged(kind, at70)).toMatchObject({ standing: 'sound' });
  expect(judged(kind, at70, { plate: { defrostTerminationF: 70 } }).standing).toBe('sound');
  const moved = judged(kind, at70, { plate: { defrostTerminationF: 60 } });
  expect(moved.standing).toBe('watch');
  expect(moved.says).toMatch(/Not as the plate record has it/);
  expect(moved.says).not.toMatch(/factory/);
});

// Common practice, no source: 30 min where winters are damp, shorter where owners keep seeing ice.
test.each([
  ['30', {}, {}, ['setting-read']],
  ['90', {}, {}, ['setting-read']],
  ['90', {}, { iceSeen: true }, ['interval-long', 'setting-read']],
  ['30', {}, { iceSeen: true }, ['setting-read']],
  ['90', { defrostIntervalMin: 60 }, {}, ['interval-differs']],
  ['60', { defrostIntervalMin: 60 }, {}, ['setting-read']],
  ['demand', { defrostControl: 'time-temperature' }, {}, ['interval-differs']],
  ['60', { defrostControl: 'demand' }, {}, ['interval-differs']],
  ['demand', { defrostControl: 'demand', defrostIntervalMin: 60 }, {}, ['setting-read']],
] as const)('an interval of %s with %j on the plate and %j: %j', (interval, plate, conditions, findings) => {
  expect(enter(kind, { termination: '70', interval }, { plate, conditions })).toMatchObject({ findings });
});

test('ice is told by whoever sees it: the customer, the eye, the defrost test', () => {
  const told = (id: string, findings: readonly string[]) =>
    readingKind(id)?.tells?.({ inputs: {}, value: null, findings, point: 'whole' }, {}).iceSeen;
  expect(told('complaint', ['iced-up'])).toBe(true);
  expect(told('outdoor-looks', ['growth', 'ice-pattern'])).toBe(true);
  expect(told('defrost-duration', ['frost-in-bands'])).toBe(true);
  expect([told('complaint', ['noise']), told('outdoor-looks', ['nothing'])]).toEqual([undefined, undefined]);
});
