import type { SwitchOrder } from '../../equipment/switch-order.ts';
import { CHAIN_PLACES, controlChain, type ChainPlace, type ChainVolts } from './control-chain.ts';

// All of it common practice, no source.

const ALL: ChainVolts = Object.fromEntries(Object.keys(CHAIN_PLACES).map((at) => [at, 25.3]));
const followed = (volts: ChainVolts, switches?: SwitchOrder, more: { coilF?: number; outdoorF?: number } = {}) =>
  controlChain({ volts, switches, coilF: 25, ...more }).findings.map((f) =>
    f.found === 'lost'
      ? `${f.after} > ${f.before}`
      : f.found === 'contradiction'
        ? `${f.missing} < ${f.there}`
        : f.found,
  );
/** Everything measured, no volts from a place on along the main line. */
function lostFrom(at: ChainPlace, order: readonly ChainPlace[]): ChainVolts {
  const dead = order.slice(order.indexOf(at));
  return { ...ALL, ...Object.fromEntries(dead.map((place) => [place, 0.3])) };
}
const HIGH_FIRST: ChainPlace[] = [
  'r-to-c',
  'y-in',
  'y-out',
  'after-high-switch',
  'after-low-switch',
  'contactor-coil',
  'run-time-sense',
];
const LOW_FIRST: ChainPlace[] = [
  ...HIGH_FIRST.slice(0, 3),
  'after-low-switch',
  'after-high-switch',
  ...HIGH_FIRST.slice(5),
];

test('24 V everywhere with the coil cold is a whole circuit', () => {
  expect(controlChain({ volts: ALL, coilF: 25 })).toEqual({ findings: [], complete: true });
});

test.each([
  ['r-to-c', 'no-control-volts'],
  ['y-in', 'no-call-at-board'],
  ['y-out', 'board-holds-y'],
  ['after-high-switch', 'high-switch-open'],
  ['after-low-switch', 'low-switch-open'],
  ['contactor-coil', 'wire-to-coil'],
  ['run-time-sense', 'contactor-not-seen'],
] as const)('all places measured and dead from %s on: %s', (at, fault) => {
  expect(followed(lostFrom(at, HIGH_FIRST), 'high-low')).toEqual([fault]);
});

describe('the switches in the order they are wired on this machine', () => {
  test('a low switch wired first and open is the low switch, not the high one', () => {
    const volts = lostFrom('after-low-switch', LOW_FIRST);
    expect(followed(volts, 'low-high')).toEqual(['low-switch-open']);
  });
  test('the high switch behind it, too', () => {
    expect(followed(lostFrom('after-high-switch', LOW_FIRST), 'low-high')).toEqual(['high-switch-open']);
  });
  test('not noted, the volts tell it where they can: the switch with volts goes first', () => {
    expect(followed(lostFrom('after-high-switch', LOW_FIRST))).toEqual(['high-switch-open']);
  });
  test('with one switch only, the other is nowhere', () => {
    const { 'after-low-switch': _none, ...volts } = lostFrom('after-high-switch', HIGH_FIRST);
    expect(followed(volts, 'high-only')).toEqual(['high-switch-open']);
    expect(followed({ 'r-to-c': 25, 'y-out': 25, 'contactor-coil': 0 }, 'none')).toEqual(['wire-to-coil']);
  });
});

describe('places may be left out', () => {
  test('an open switch measured as such is found, though places before it were not', () => {
    expect(followed({ 'r-to-c': 25, 'y-out': 25, 'after-high-switch': 0 }, 'high-low')).toEqual(['high-switch-open']);
  });
  test('with places between not measured, the fault is the span', () => {
    expect(followed({ 'r-to-c': 25, 'y-in': 25, 'contactor-coil': 0.2 })).toEqual(['y-in > contactor-coil']);
    expect(followed({ 'r-to-c': 26, 'after-low-switch': 0 }, 'high-low')).toEqual(['r-to-c > after-low-switch']);
  });
  test('a board without a sense terminal is followed to the coil all the same', () => {
    const { 'run-time-sense': _none, ...volts } = ALL;
    expect(controlChain({ volts, coilF: 25 })).toEqual({ findings: [], complete: true });
    expect(followed({ ...volts, 'contactor-coil': 0 }, 'high-low')).toEqual(['wire-to-coil']);
  });
  test('volts at the sense are volts at the coil', () => {
    const { 'contactor-coil': _none, ...volts } = ALL;
    expect(controlChain({ volts, coilF: 25 }).complete).toBe(true);
  });
  test('nothing missing as far as it was measured is not yet a whole circuit', () => {
    expect(controlChain({ volts: { 'r-to-c': 25, 'y-in': 25 } })).toEqual({ findings: [], complete: false });
  });
});

test('a dead unit with an open switch is the switch’s doing, never the sense wire’s', () => {
  expect(followed({ 'r-to-c': 25, 'y-out': 25, 'after-high-switch': 0, 'run-time-sense': 0 }, 'high-low')).toEqual([
    'high-switch-open',
  ]);
  expect(followed({ 'r-to-c': 25, 'y-in': 25, 'run-time-sense': 0 })).toEqual(['y-in > run-time-sense']);
});

test('volts behind a place without any are a slip, and said to be one', () => {
  expect(followed({ 'r-to-c': 25, 'y-in': 0, 'y-out': 25 })).toEqual(['y-in < y-out']);
});

describe('the coil thermostat', () => {
  const open = { ...ALL, 'sensor-return': 0.2 };
  test.each([
    [20, undefined, 'thermostat-open'],
    [27, 90, 'thermostat-open'],
    [31, undefined, 'thermostat-open-unproven'],
    [36, undefined, 'thermostat-open-warm'],
    [75, 20, 'thermostat-open-warm'],
    [undefined, 82, 'thermostat-open-warm'],
    [undefined, 60, 'thermostat-open-warm'],
    [undefined, 45, 'thermostat-open-unproven'],
    [undefined, undefined, 'thermostat-open-unproven'],
  ])('open, coil at %s °F, air at %s °F: %s', (coilF, outdoorF, says) => {
    expect(controlChain({ volts: open, coilF, outdoorF }).findings).toEqual([{ found: says }]);
  });
  test('closed on a hot coil it is stuck, on a cold one it is right', () => {
    expect(followed(ALL, undefined, { coilF: 90 })).toEqual(['thermostat-stuck-shut']);
    expect(followed(ALL, undefined, { coilF: 70 })).toEqual([]);
  });
  test('its branch is judged on its own: a dead main line says nothing of it, nor it of the line', () => {
    expect(followed({ ...lostFrom('after-high-switch', HIGH_FIRST), 'sensor-return': 0 }, 'high-low')).toEqual([
      'high-switch-open',
      'thermostat-open',
    ]);
    expect(followed({ ...ALL, 'sensor-feed': 0, 'sensor-return': 0 })).toEqual(['board-feeds-no-sensor']);
  });
  test('with the feed not measured an open one proves nothing on a warm day', () => {
    expect(followed({ 'r-to-c': 25, 'sensor-return': 0 }, undefined, { coilF: 70 })).toEqual(['thermostat-open-warm']);
    expect(followed({ 'r-to-c': 25, 'sensor-return': 0 })).toEqual(['r-to-c > sensor-return']);
  });
});
