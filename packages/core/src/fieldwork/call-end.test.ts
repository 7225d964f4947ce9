import { machineSpecOf } from '../circuit/machine-spec.ts';
import { testsOf } from '../diagnosis/tests.ts';
import { lackOf } from '../http/calls.ts';
import { endsOfTest, faultsOfCall, keptOutcome, shortIn, usualOutcome } from './call-end.ts';
import { newCall } from './hunt-of-round.ts';

const tests = new Map(
  testsOf(machineSpecOf('split-air-conditioner', { capacitorRating: '40+5 µF 440 V' })).map((t) => [t.id, t]),
);
const ends = (id: string) => endsOfTest(tests.get(id)!).map(({ code, text }) => (text ? `${code}: ${text}` : code));
const at = '2026-11-25T15:20:00.000Z';

test('what a test leaves lifted, off or on is a loose end, and a call leaves none', () => {
  expect(ends('wiring-ohms/supply/yc-co/lifted')).toEqual(['disconnect-out', 'wires-lifted: contactor’s coil']);
  expect(ends('wiring-ohms/supply/ro-r/lifted')).toEqual(['breaker-off', 'wires-lifted: low-voltage fuse']);
  expect(ends('hunt-look/supply/lifted-y/fuse')).toEqual(['wires-lifted: Y lifted at the strip indoors']);
  expect(ends('hunt-look/supply/lifted-none/fuse')).toEqual([]);
  expect(ends('superheat/refrigerant-circuit/suction/gauges')).toEqual(['gauges-on']);
  expect(ends('call-check/thermostat/call-cooling/seen')).toEqual([]);
});

test('a call names what was repaired and what was just proved, each once; an end without a cause names none', () => {
  const call = { ...newCall(['never-stops']), repaired: [{ fault: 'no-gas' as const, at }] };
  const faults = faultsOfCall(call, { is: 'proved', faults: ['no-gas', 'igniter-cracked'] });
  expect(faults).toEqual(['no-gas', 'igniter-cracked']);
  const outcome = { is: 'repaired' as const, faults: [], note: ' New igniter. ', byWhen: null };
  expect(keptOutcome(outcome, faults)).toEqual({ ...outcome, note: 'New igniter.', faults });
  expect(keptOutcome({ ...outcome, is: 'nothing-found' }, faults).faults).toEqual([]);
});

test('how a call most likely ends, and what an end cannot be kept without', () => {
  const call = newCall(['never-stops']);
  expect(usualOutcome(call, { is: 'nothing-found' })).toBe('nothing-found');
  expect(usualOutcome(call, { is: 'none-of-these', near: null })).toBe('none-of-these');
  expect(usualOutcome({ ...call, repaired: [{ fault: 'no-gas', at }] }, { is: 'nothing-found' })).toBe('repaired');
  expect(lackOf({ is: 'for-now', note: 'jumper', byWhen: null })).toBe('by-when');
  expect(lackOf({ is: 'declined', note: ' ', byWhen: null })).toBe('why');
  expect(lackOf({ is: 'repaired', note: '', byWhen: null })).toBeNull();
});

test('a short is told by what it takes of the fuse (Ohm’s law: 24 V over 2 Ω is 12 A); a sound coil is none', () => {
  const coil = 'wiring-ohms/supply/yc-co/lifted';
  expect(shortIn([{ test: coil, reading: 2 }], tests)).toEqual({ ohms: 2, amps: 12 });
  for (const reading of [15, Infinity, 'jumps']) expect(shortIn([{ test: coil, reading }], tests)).toBeNull();
});
