import { defrostTest, type DefrostRun } from './defrost-test.ts';

describe('the forced test (common practice, no source)', () => {
  const run: DefrostRun = {
    startCoilF: 28,
    endCoilF: 71,
    seconds: 260,
    endedBy: 'temperature',
    frostLeft: 'none',
    seen: ['valve-shifts', 'outdoor-fan-stops', 'compressor-runs', 'auxiliary-heat-on'],
    terminationF: 70,
    hasAuxiliary: true,
  };
  const faults = (over: Partial<DefrostRun>) => defrostTest({ ...run, ...over }).faults;

  test('a coil that clears all over, by temperature, has no fault', () => {
    expect(defrostTest(run)).toEqual({ faults: [], counts: true });
  });

  test('the worst is said first', () => {
    expect(faults({ frostLeft: 'block', endedBy: 'time-limit', seen: ['valve-shifts', 'compressor-runs'] })).toEqual([
      'frost-as-block',
      'fan-kept-running',
      'no-auxiliary-heat',
      'ended-by-limit',
    ]);
  });

  test('without auxiliary heat none is missed; an unknown setting is not held against the end', () => {
    expect(faults({ seen: ['valve-shifts', 'outdoor-fan-stops', 'compressor-runs'], hasAuxiliary: false })).toEqual([]);
    expect(faults({ endCoilF: 45, terminationF: undefined })).toEqual([]);
    expect(faults({ endCoilF: 45 })).toEqual(['ended-early']);
    expect(faults({ endCoilF: 59 })).toEqual([]);
  });

  test('above 35 °F it proves nothing', () => {
    expect(defrostTest({ ...run, startCoilF: 35.5 })).toEqual({ faults: ['coil-too-warm-to-test'], counts: false });
    expect(defrostTest({ ...run, startCoilF: 35 }).counts).toBe(true);
  });
});
