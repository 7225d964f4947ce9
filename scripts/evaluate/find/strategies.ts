import { isInWeather, minutesOf, type Complaint, type Hunt, type Offer, type Standpoint } from '@yarnix/core';
import type { Random } from '@yarnix/simulator';

/** How the next test is chosen. */
export type Strategy = (at: {
  hunt: Hunt;
  complaint: Complaint;
  /** Tests that were taken, or could not be. */
  taken: ReadonlySet<string>;
  standpoint: Standpoint;
  outdoorF: number;
  random: Random;
}) => Offer | undefined;

/**
 * The order practitioners test in for a complaint, by kind and place of the tests; from memory. What the machine lacks is
 * passed over; when the list is through, the likeliest suspect is next.
 */
const USUAL: Readonly<Record<Complaint, readonly string[]>> = {
  'nothing-runs': [
    'call-check/thermostat/call-cooling',
    'call-check/thermostat/call-heating',
    'wiring-volts/supply/h1-h2/off',
    'wiring-volts/supply/l-n/off',
    'wiring-volts/supply/ro-c/off',
    'wiring-volts/supply/r-c/off',
    'wiring-volts/supply/r-r1/off',
    'wiring-volts/supply/rt-ct/off',
    'hunt-look/supply/lifted-coil/fuse',
    'hunt-look/supply/lifted-o/fuse',
    'hunt-look/supply/lifted-cable/fuse',
    'hunt-look/supply/lifted-y/fuse',
    'wiring-ohms/supply/yc-co/lifted',
  ],
  'outdoor-unit-dead': [
    'call-check/thermostat/call-cooling',
    'wiring-volts/supply/ds1-ds2/off',
    'wiring-volts/supply/rt-yt/cooling',
    'wiring-volts/supply/yo-co/cooling',
    'wiring-volts/supply/yx-co/cooling',
    'wiring-volts/supply/low-switch/cooling',
    'wiring-volts/supply/high-switch/cooling',
    'wiring-volts/supply/yc-co/cooling',
    'wiring-ohms/supply/yc-co/lifted',
    'wiring-volts/supply/d1-d2/off',
    'wiring-volts/supply/t1-t2/cooling',
    'hunt-look/supply/at-rest/at-rest',
  ],
  'outdoor-fan-only': [
    'call-check/thermostat/call-cooling',
    'run-capacitor-capacitance/run-capacitor/herm/bench',
    'run-capacitor-capacitance/run-capacitor/single/bench',
    'wiring-volts/supply/t1-t2/cooling',
    'wiring-volts/supply/d1-t1/cooling',
    'wiring-volts/supply/d2-t2/cooling',
    'wiring-amps/supply/kc-t2/cooling',
    'wiring-amps/supply/kc-t2/cooling-start',
    'wiring-ohms/supply/kc-t2/lifted',
    'wiring-ohms/supply/kc-s/lifted',
    'wiring-ohms/supply/t2-s/lifted',
    'start-capacitor-capacitance/start-capacitor/start/bench',
  ],
  'compressor-without-fan': [
    'call-check/thermostat/call-cooling',
    'hunt-look/supply/outdoor-fan-by-hand/by-hand',
    'run-capacitor-capacitance/run-capacitor/fan/bench',
    'run-capacitor-capacitance/fan-capacitor/single/bench',
    'wiring-volts/supply/ofc-t2/cooling',
    'wiring-volts/supply/t1-ofc/cooling',
    'wiring-ohms/supply/ofc-t2/lifted',
    'wiring-ohms/supply/ofc-q/lifted',
  ],
  'cools-weakly': [
    'call-check/thermostat/call-cooling',
    'hunt-look/supply/static-pressure/static-pressure',
    'temperature-split/air-side/whole/supply',
    'wiring-amps/supply/bank-1/cooling',
    'hunt-degrees/supply/over-air/probes',
    'superheat/refrigerant-circuit/suction/gauges',
    'subcooling/refrigerant-circuit/liquid/gauges',
    'hunt-look/supply/compressor-share/compressor-share',
    'hunt-degrees/supply/return-gain/probes',
    'hunt-degrees/supply/valve-gain/probes',
  ],
  'ice-indoors': [
    'call-check/thermostat/call-fan',
    'hunt-look/supply/static-pressure/static-pressure',
    'wiring-amps/supply/m-h2/fan',
    'run-capacitor-capacitance/blower-capacitor/single/bench',
    'call-check/thermostat/call-off',
    'superheat/refrigerant-circuit/suction/gauges',
    'subcooling/refrigerant-circuit/liquid/gauges',
  ],
  'no-air': [
    'call-check/thermostat/call-fan',
    'wiring-volts/supply/h1-h2/off',
    'wiring-volts/supply/m-h2/fan',
    'hunt-look/supply/blower-by-hand/by-hand',
    'run-capacitor-capacitance/blower-capacitor/single/bench',
    'wiring-ohms/supply/m-h2/lifted',
    'wiring-ohms/supply/m-bs/lifted',
    'wiring-volts/supply/g-c/fan',
    'wiring-volts/supply/g2-c/fan',
    'wiring-ohms/supply/g2-c/lifted',
    'wiring-volts/supply/m-h1/fan',
    'wiring-volts/supply/tap-c/fan',
  ],
  'air-with-heat-only': [
    'call-check/thermostat/call-fan',
    'call-check/thermostat/call-emergency-heat',
    'wiring-volts/supply/g-c/fan',
    'wiring-volts/supply/g2-c/fan',
    'wiring-ohms/supply/g2-c/lifted',
    'wiring-volts/supply/m-h1/fan',
    'wiring-volts/supply/cool-n/cooling',
  ],
  'never-stops': [
    'call-check/thermostat/call-off',
    'wiring-volts/supply/g-c/off',
    'wiring-volts/supply/m-h1/off',
    'wiring-volts/supply/h1-n1/off',
    'wiring-amps/supply/bank-1/off',
    'wiring-ohms/supply/rt-gt/lifted',
  ],
  'heat-weak': [
    'call-check/thermostat/call-emergency-heat',
    'call-check/thermostat/call-heating',
    'wiring-volts/supply/w-c/emergency-heat',
    'wiring-volts/supply/w-c/heating',
    'wiring-ohms/supply/heat-coil/lifted',
    'wiring-volts/supply/h1-n1/emergency',
    'wiring-volts/supply/h1-n1/heating',
    'wiring-volts/supply/h1-n4/emergency',
    'wiring-volts/supply/h1-n4/heating',
    'wiring-amps/supply/bank-1/emergency',
    'wiring-amps/supply/bank-1/heating',
    'wiring-amps/supply/bank-2/emergency',
    'wiring-amps/supply/bank-2/heating',
    'wiring-ohms/supply/bank-1/lifted',
    'wiring-ohms/supply/link-1/lifted',
    'wiring-ohms/supply/limit-1/lifted',
    'wiring-ohms/supply/bank-2/lifted',
  ],
  'heats-weakly': [
    'call-check/thermostat/call-heating',
    'hunt-look/supply/static-pressure/static-pressure',
    'hunt-look/supply/coil-outdoors/coil',
    'hunt-look/supply/heating-rise/heating-rise',
    'hunt-degrees/supply/over-return/heating',
    'hunt-degrees/supply/under-air/heating',
    'hunt-degrees/supply/liquid-heating/heating',
    'hunt-degrees/supply/valve-gain/heating',
    'hunt-degrees/supply/return-gain/probes',
    'forced-defrost/supply/defrost-forced/seen',
  ],
  'breaker-trips': [
    'call-check/thermostat/call-cooling',
    'wiring-ohms/supply/kc-ground/lifted',
    'wiring-ohms/supply/element-ground/lifted',
    'wiring-amps/supply/kc-t2/cooling-start',
    'wiring-volts/supply/ds1-d1/cooling',
    'wiring-volts/supply/ds2-d2/cooling',
    'wiring-volts/supply/d1-t1/cooling',
    'wiring-volts/supply/d2-t2/cooling',
  ],
  'runs-unasked': [
    'call-check/thermostat/call-off',
    'call-check/thermostat/call-fan',
    'wiring-volts/supply/yc-co/off',
    'wiring-volts/supply/t1-t2/off',
    'wiring-ohms/supply/yt-gt/lifted',
  ],
  'ice-outdoors': [
    'call-check/thermostat/call-heating',
    'call-check/thermostat/call-cooling',
    'superheat/refrigerant-circuit/suction/gauges',
    'subcooling/refrigerant-circuit/liquid/gauges',
    'forced-defrost/supply/defrost-forced/seen',
    'wiring-ohms/supply/ro-dft/lifted',
    'sensor-error/coil-sensor/whole/ohms',
    'wiring-volts/supply/dft-co/defrost',
    'hunt-look/supply/frost-left/after-defrost',
    'wiring-volts/supply/rb-co/heating',
    'wiring-volts/supply/sense-co/heating',
  ],
  'odd-defrost': [
    'call-check/thermostat/call-heating',
    'wiring-volts/supply/rb-co/heating',
    'wiring-volts/supply/sense-co/heating',
    'wiring-volts/supply/dft-co/defrost',
    'wiring-ohms/supply/ro-dft/lifted',
    'sensor-error/coil-sensor/whole/ohms',
    'forced-defrost/supply/defrost-forced/seen',
    'wiring-volts/supply/w2o-co/defrost',
  ],
  'heats-for-cooling': [
    'call-check/thermostat/call-cooling',
    'wiring-volts/supply/o-c/cooling',
    'wiring-volts/supply/oo-co/cooling',
    'wiring-ohms/supply/oo-co/lifted',
    'hunt-degrees/supply/valve-gain/probes',
    'call-check/thermostat/call-heating',
  ],
  'no-flame': [
    'call-check/thermostat/call-heating',
    'wiring-volts/supply/w-c/heating',
    'wiring-volts/supply/ind-n/heating',
    'wiring-volts/supply/p-c/heating',
    'wiring-volts/supply/hsi-n/heating',
    'wiring-ohms/supply/hsi-n/lifted',
    'wiring-volts/supply/mv-c/heating',
    'wiring-ohms/supply/mv-c/lifted',
    'wiring-volts/supply/r-a/heating',
    'wiring-volts/supply/a-b/heating',
    'wiring-ohms/supply/b-p/lifted',
    'wiring-ohms/supply/ind-n/lifted',
  ],
  'flame-lost': [
    'call-check/thermostat/call-heating',
    'hunt-look/supply/flame-signal/flame-signal',
    'wiring-volts/supply/r-a/heating',
    'wiring-volts/supply/a-b/heating',
    'wiring-volts/supply/heat-n/heating',
    'wiring-volts/supply/p-c/heating',
  ],
  'ductless-dead': [
    'call-check/thermostat/call-cooling',
    'wiring-volts/supply/dl-line/off',
    'wiring-volts/supply/dl-head/off',
    'wiring-volts/supply/dl-signal/cooling',
    'wiring-volts/supply/dl-bus/cooling',
    'wiring-volts/supply/dl-drive/cooling',
    'wiring-volts/supply/dl-fan/cooling',
    'wiring-ohms/supply/dl-fan/lifted',
    'wiring-ohms/supply/dl-blower/lifted',
    'wiring-ohms/supply/dl-sensor/lifted',
    'wiring-ohms/supply/dl-valve/lifted',
  ],
};

/** The offer that best tells the likeliest cause from all others, whatever it costs. */
const suspect: Strategy = ({ hunt: { ground, chances, byWay, offers } }) => {
  const leader = chances.indexOf(Math.max(...chances));
  const apart = ({ test }: Offer) => {
    const { answers, chances: rows } = ground.expect(test);
    const under = (i: number, a: number) =>
      (byWay[i] ?? []).reduce((sum, p, way) => sum + p * (rows[i]?.[way]?.[a] ?? 0), 0);
    const own = chances[leader] ?? 1;
    return answers.reduce((sum, _, a) => {
      const rest = chances.reduce((all, __, i) => (i === leader ? all : all + under(i, a)), 0);
      return sum + Math.abs(under(leader, a) / own - rest / Math.max(1e-9, 1 - own));
    }, 0);
  };
  return [...offers].sort((a, b) => apart(b) - apart(a))[0];
};

/** The first of what the engine offers. */
export const engine: Strategy = ({ hunt }) => hunt.offers[0];

/** The next test of the usual order, as it is followed: what was taken is passed over, and what the weather forbids. */
const usual: Strategy = (at) => {
  const { hunt, complaint, taken, standpoint, outdoorF } = at;
  const left = [...hunt.ground.tests.values()].filter((test) => !taken.has(test.id) && isInWeather(test, outdoorF));
  for (const wanted of USUAL[complaint]) {
    const test = left.find(({ id }) => id.startsWith(wanted));
    if (test) return { test, tells: 0, minutes: minutesOf(test, standpoint), proves: false };
  }
  return suspect(at);
};

/** The same with the engine at its side, which says of each test whether it still tells anything. */
const usualThinned: Strategy = (at) => {
  const { hunt, complaint } = at;
  for (const wanted of USUAL[complaint]) {
    const offer = hunt.offers.find(({ test }) => test.id.startsWith(wanted));
    if (offer) return offer;
  }
  return suspect(at);
};

/** Every strategy ends by the same rule; they differ in what they test next. */
export const STRATEGIES: Readonly<Record<string, Strategy>> = {
  'this engine': engine,
  'usual order': usual,
  'usual, thinned': usualThinned,
  'likeliest suspect': suspect,
  random: ({ hunt, random }) => hunt.offers[random.whole(0, hunt.offers.length - 1)],
};
