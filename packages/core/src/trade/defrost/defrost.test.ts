import { CHAIN_POINTS, defrostChain, type ChainPoint } from './defrost-chain.ts';
import { defrostTest, type DefrostRun } from './defrost-test.ts';

describe('the control chain (common practice, no source)', () => {
  const upTo = (last: ChainPoint, volts = 25.3): Partial<Record<ChainPoint, number>> =>
    Object.fromEntries(CHAIN_POINTS.slice(0, CHAIN_POINTS.indexOf(last) + 1).map((at) => [at, volts]));

  test.each(CHAIN_POINTS.map((at) => [at] as const))('missing first at %s, that is the fault', (at) => {
    const chain = defrostChain({ ...upTo('contactor-coil'), [at]: 0.4 });
    expect(chain).toMatchObject({ outcome: 'fault', at, volts: 0.4 });
  });

  test('each place has a fault of its own', () => {
    const faults = CHAIN_POINTS.map((at) => {
      const chain = defrostChain({ ...upTo('contactor-coil'), [at]: 0 });
      return chain.outcome === 'fault' ? chain.fault : '';
    });
    expect(new Set(faults).size).toBe(CHAIN_POINTS.length);
  });

  test('only the first missing place counts: what is beyond it has no volts anyway', () => {
    expect(defrostChain({ ...upTo('sensor-feed'), 'sensor-feed': 0, 'y-out': 0 })).toMatchObject({ at: 'sensor-feed' });
  });

  test('a coil thermostat open on a warm coil is as it should be', () => {
    const volts = { ...upTo('contactor-coil'), 'sensor-return': 0 };
    expect(defrostChain(volts)).toMatchObject({ outcome: 'fault', fault: 'thermostat-open' });
    expect(defrostChain(volts, true)).toEqual({ outcome: 'complete' });
  });

  test('as far as it was measured, and no farther', () => {
    expect(defrostChain(upTo('sensor-feed'))).toEqual({ outcome: 'so-far-good', next: 'sensor-return' });
    expect(defrostChain({})).toEqual({ outcome: 'so-far-good', next: 'r-to-c' });
  });
});

describe('the forced test (common practice, no source)', () => {
  const run: DefrostRun = {
    startCoilF: 28,
    endCoilF: 71,
    seconds: 260,
    endedBy: 'temperature',
    frostLeft: 'none',
    seen: ['valve-shifts', 'outdoor-fan-stops', 'compressor-runs', 'back-up-heat-on'],
    terminationF: 70,
    backUp: true,
  };
  const faults = (over: Partial<DefrostRun>) => defrostTest({ ...run, ...over }).faults;

  test('a coil that clears all over, by temperature, has no fault', () => {
    expect(defrostTest(run)).toEqual({ faults: [], counts: true });
  });

  test('the worst is said first', () => {
    expect(faults({ frostLeft: 'block', endedBy: 'time-limit', seen: ['compressor-runs'] })).toEqual([
      'frost-as-block',
      'valve-did-not-shift',
      'fan-kept-running',
      'no-back-up-heat',
      'ended-by-limit',
    ]);
  });

  test('without back-up heat none is missed; an unknown setting is not held against the end', () => {
    expect(faults({ seen: ['valve-shifts', 'outdoor-fan-stops', 'compressor-runs'], backUp: false })).toEqual([]);
    expect(faults({ endCoilF: 45, terminationF: undefined })).toEqual([]);
    expect(faults({ endCoilF: 45 })).toEqual(['ended-early']);
    expect(faults({ endCoilF: 59 })).toEqual([]);
  });

  test('above 35 °F it proves nothing', () => {
    expect(defrostTest({ ...run, startCoilF: 35.5 })).toEqual({ faults: ['coil-too-warm-to-test'], counts: false });
    expect(defrostTest({ ...run, startCoilF: 35 }).counts).toBe(true);
  });
});
