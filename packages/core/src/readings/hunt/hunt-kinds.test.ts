import type { About } from '../contract/entry.ts';
import { placeAt, placesOn } from '../registry.ts';
import { checkEntry } from '../check-entry.ts';
import { forcedDefrost } from './forced-defrost.ts';
import { huntDegrees } from './hunt-degrees.ts';
import { huntLook } from './hunt-look.ts';
import { wiringAmps } from './wiring-amps.ts';
import { wiringOhms } from './wiring-ohms.ts';
import { wiringVolts } from './wiring-volts.ts';

const component = { slot: 'supply', kind: 'supply', plate: {}, fittedOn: null } as const;
const about: About = { systemKind: 'split-heat-pump', plate: {}, component, point: 'r-c' };
const KINDS = [wiringVolts, wiringOhms, wiringAmps, huntDegrees, huntLook, forcedDefrost];

test('no round plans them, and every one can be taken at its points', () => {
  const planned = placesOn(component, 'split-heat-pump', {}).map(({ kind }) => kind.id);
  for (const kind of KINDS) {
    expect(planned).not.toContain(kind.id);
    for (const method of kind.methods)
      for (const point of method.hunted ?? [])
        expect(placeAt(component, 'split-heat-pump', {}, { kind: kind.id, method: method.id, point })).toMatchObject({
          point,
        });
  }
});

test('none is taken at a point that is not its own, nor on another part', () => {
  const at = { kind: 'wiring-volts', method: 'off', point: 'frost-left' as const };
  expect(placeAt(component, 'split-heat-pump', {}, at)).toBeUndefined();
  expect(
    placeAt({ ...component, slot: 'blower', kind: 'blower' }, 'split-heat-pump', {}, { ...at, point: 'r-c' }),
  ).toBeUndefined();
});

test('ohms may be over the limit or jump, volts may not; what is chosen is one of its words', () => {
  const ohms = wiringOhms.methods[0]!;
  expect(checkEntry(wiringOhms, ohms, { ohms: 'OL' }, about).outcome).toBe('taken');
  expect(checkEntry(wiringOhms, ohms, { ohms: 'jumps' }, about).outcome).toBe('taken');
  expect(checkEntry(wiringVolts, wiringVolts.methods[0]!, { volts: 'OL' }, about).outcome).toBe('refused');
  const fuse = huntLook.methods.find(({ id }) => id === 'fuse')!;
  expect(checkEntry(huntLook, fuse, { said: 'blew' }, about)).toMatchObject({ outcome: 'taken', findings: ['noted'] });
  expect(checkEntry(huntLook, fuse, { said: 'sparked' }, about).outcome).toBe('refused');
});
