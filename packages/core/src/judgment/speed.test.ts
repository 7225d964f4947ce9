import { dayOf } from '../quantity/day.ts';
import type { RunningCall } from '../readings/contract/conditions.ts';
import type { JudgedReading } from '../readings/contract/reading.ts';
import { numericKind } from '../readings/registry.ts';
import { DEFAULT_POLICY } from '../verdict/policy.ts';
import type { JudgeContext } from './judge.ts';
import { judge } from './judge.ts';
import { speedOf } from './speed.ts';
import { readyToLearn } from './thread-outlook.ts';

type Stage = 'low' | 'high' | undefined;
const day = dayOf('2026-07-10');
const plate = { compressorRla: 20, compressorStages: 2, targetSubcoolingF: 10, refrigerant: 'R-410A' } as const;
const context: JudgeContext = {
  systemKind: 'split-air-conditioner',
  plate,
  component: { slot: 'compressor', kind: 'compressor', plate: {}, fittedOn: null },
  earlier: [],
  nextRound: dayOf('2027-04-15'),
};
const amps = (value: number, compressorStage: Stage, on = day): JudgedReading => ({
  ...{
    id: `${value} on ${on}`,
    kind: 'compressor-amps',
    point: 'common',
    method: 'clamp',
    value,
    findings: [],
    day: on,
  },
  conditions: { outdoorF: 82, lineVolts: 240, ...(compressorStage && { compressorStage }) },
});
const said = (reading: JudgedReading, earlier: readonly JudgedReading[] = [], over: Partial<JudgeContext> = {}) =>
  judge(reading, { ...context, ...over, earlier: earlier as never }, DEFAULT_POLICY);
const needs = (verdict: ReturnType<typeof said>) =>
  verdict.reasons.flatMap(({ because }) => (because.code === 'no-basis' ? [because.numbers.need] : []));

// Low stage takes about two thirds of what high takes. Common practice, no source.
test('low stage is compared with low, and high with high: a change of stage is no wear', () => {
  const earlier = [amps(10, 'low', day - 720), amps(15, 'high', day - 360)];
  const baseline = (stage: Stage, value: number) => said(amps(value, stage), earlier).numeric?.baseline?.value;
  expect(baseline('high', 15.1)).toBeCloseTo(15.05, 1);
  expect(baseline('low', 10.1)).toBeCloseTo(10.05, 1);
  expect([said(amps(15.1, 'high'), earlier).standing, said(amps(10.1, 'low'), earlier).standing]).toEqual([
    'sound',
    'sound',
  ]);
  // The same figures of a compressor with one stage: half as much again is a change.
  const single = { plate: { ...plate, compressorStages: 1 } } as const;
  expect(said(amps(15.1, undefined), [amps(10, undefined, day - 720)], single).standing).not.toBe('sound');
  expect(said(amps(15.1, 'high'), [amps(10, 'low', day - 720)]).numeric?.baseline?.readings).toBe(1);
});

test('on a stage nobody noted, amps are held against what may never be drawn, and compared with nothing', () => {
  const earlier = [amps(10, 'low', day - 720), amps(10, undefined, day - 360)];
  const unknown = said(amps(15, undefined), earlier);
  expect([unknown.standing, unknown.numeric?.outlook, needs(unknown)]).toEqual(['sound', null, ['stage']]);
  expect(said(amps(23, undefined)).standing).toBe('act');
  expect(said(amps(23, 'low')).standing).toBe('act');
});

const air = { slot: 'air-side', kind: 'air-side', plate: {}, fittedOn: null } as const;
const circuit = { slot: 'refrigerant-circuit', kind: 'refrigerant-circuit', plate: {}, fittedOn: null } as const;

test.each([
  ['temperature-split', 'whole', 'supply', 9, air],
  ['subcooling', 'liquid', 'gauges', 3, circuit],
] as const)('%s is judged on the high stage alone', (kind, point, method, value, component) => {
  const at = (compressorStage: Stage) =>
    said(
      {
        ...amps(value, compressorStage),
        ...{ kind, point, method },
        conditions: { outdoorF: 90, returnF: 75, runningMin: 15, ...(compressorStage && { compressorStage }) },
      },
      [],
      { component },
    );
  expect(at('high').standing).toMatch(/watch|act/);
  for (const stage of ['low', undefined] as const) {
    expect(at(stage)).toMatchObject({ standing: 'unproven', because: { numbers: { need: 'stage' } } });
    // No window, so nothing to cross either.
    expect(at(stage).numeric?.outlook?.crossing ?? null).toBeNull();
  }
});

test('what does not go with the speed is judged as ever, and an inverter has no stage to name', () => {
  const kind = (id: string) => {
    const found = numericKind(id);
    if (!found) throw new Error(`no kind ${id}`);
    return found;
  };
  const about = { systemKind: 'split-heat-pump', plate, conditions: {} } as const;
  expect(speedOf(kind('line-volts'), about)).toBe('full');
  expect(speedOf(kind('compressor-amps'), about)).toBe('unknown');
  expect(speedOf(kind('compressor-amps'), { ...about, conditions: { compressorStage: 'low' } })).toBe('low');
  const inverter = { ...about, systemKind: 'ductless-heat-pump', conditions: { compressorStage: 'high' } } as const;
  expect(speedOf(kind('compressor-amps'), inverter)).toBe('unknown');
});

test('a thread read on stages nobody noted teaches the firm nothing of wear', () => {
  const thread = (stage: Stage, stages: 1 | 2) => ({
    ...({ kind: 'compressor-amps', point: 'common', systemKind: 'split-air-conditioner' } as const),
    plate: { ...plate, compressorStages: stages },
    readings: [amps(10, stage, day - 720), amps(15, stage, day - 360), amps(10, stage)] as never,
  });
  const learned = (stage: Stage, stages: 1 | 2) => readyToLearn(thread(stage, stages), DEFAULT_POLICY) !== null;
  expect([learned(undefined, 2), learned('high', 2), learned(undefined, 1)]).toEqual([false, true, true]);
});

// Each call has a blower tap of its own, heat often a slower one. Common practice, no source.
test('a blower is compared with itself on the same call: another tap is no blocked air', () => {
  const blower = { slot: 'blower', kind: 'blower', plate: {}, fittedOn: null } as const;
  const at = (value: number, call: RunningCall | undefined, on = day, stage: Stage = undefined): JudgedReading => ({
    ...amps(value, stage, on),
    ...{ id: `${value} at ${on}`, kind: 'blower-amps', point: 'whole' },
    conditions: { ...(call && { call }), ...(stage && { compressorStage: stage }) },
  });
  const air = { ...plate, compressorStages: 1, blowerMotor: 'psc', blowerFla: 4.1 } as const;
  const blowerSaid = (reading: JudgedReading, earlier: readonly JudgedReading[], stages: 1 | 2 = 1) =>
    said(reading, earlier, { component: blower, plate: { ...air, compressorStages: stages } });
  const cooled = [at(3.3, 'cooling', day - 720), at(3.3, 'cooling', day - 360)];
  expect(blowerSaid(at(2.3, 'cooling'), cooled)).toMatchObject({ because: { code: 'blocked-air' } });
  expect(blowerSaid(at(2.3, 'electric-heat'), cooled).reasons.map(({ because }) => because)).toContainEqual({
    code: 'is-the-baseline',
    numbers: { value: 2.3, unit: 'A', inThisState: true },
  });
  // A call that nobody noted, as in older records, may have been this one.
  const noted = cooled.map(({ conditions: _none, ...rest }) => ({ ...rest, conditions: {} }));
  expect(blowerSaid(at(2.3, 'cooling'), noted)).toMatchObject({ because: { code: 'blocked-air' } });
  // A low stage asks for less air, too.
  const high = [at(3.3, 'cooling', day - 720, 'high'), at(3.3, 'cooling', day - 360, 'high')];
  expect(blowerSaid(at(2.3, 'cooling', day, 'low'), high, 2).standing).not.toBe('watch');
  expect(blowerSaid(at(2.3, 'cooling', day, 'high'), high, 2).standing).toBe('watch');
});
