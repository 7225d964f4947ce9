import { compressorAmps } from '../readings/motor/compressor-amps.ts';
import { lineVolts } from '../readings/controls/line-volts.ts';
import { outdoorLooks } from '../readings/looks/outdoor-looks.ts';
import { runCapacitorCapacitance } from '../readings/capacitor/run-capacitor-capacitance.ts';
import { READING_KINDS } from '../readings/registry.ts';
import { judged } from '../testing/reading.ts';
import { ASKS } from '../verdict/asks.ts';
import { FINDINGS } from '../verdict/findings.ts';
import { ASK_WORDS } from '../words/asks.ts';
import { askOf } from './asks.ts';

// Common practice, no source.

test('a compressor is never condemned by amps alone, however many there are', () => {
  for (const amps of [20.5, 25, 60]) {
    const verdict = judged(compressorAmps, { amps }, { plate: { compressorRla: 19.9 }, point: 'common' });
    expect([verdict.standing, askOf(verdict)]).toEqual(['act', 'find-cause']);
  }
});

test('a capacitor below its limit is replaced, one above it is looked at again, a sound one asks for nothing', () => {
  const read = (microfarads: number) =>
    askOf(
      judged(
        runCapacitorCapacitance,
        { microfarads },
        { plate: { capacitorRating: '40+5 µF' }, point: 'herm' },
        'bench',
      ),
    );
  expect([read(34), read(40), read(46)]).toEqual(['replace', 'nothing', 'look-again']);
});

test('too many line volts are the utility’s, too few are looked into', () => {
  const at = (volts: number) => askOf(judged(lineVolts, { volts }));
  expect([at(262), at(200), at(240)]).toEqual(['call-utility', 'find-cause', 'nothing']);
});

test('what is unsafe is switched off, what is dirty is cleaned', () => {
  const seen = (found: string) => askOf(judged(outdoorLooks, { seen: found }));
  expect([seen('charred-disconnect'), seen('dirty-coil'), seen('scorched-lug')]).toEqual([
    'switch-off',
    'clean',
    'repair',
  ]);
});

test('every ask has its words, and every finding to act on asks for something', () => {
  expect(ASKS.filter((ask) => ask !== 'nothing' && ASK_WORDS[ask] === '')).toEqual([]);
  const silent = Object.entries(FINDINGS).filter(
    ([found, standing]) =>
      ['act', 'stop', 'watch'].includes(standing) &&
      askOf({ standing, because: { code: 'finding', numbers: { found: [found] } } }) === 'nothing',
  );
  expect(silent).toEqual([]);
  expect(READING_KINDS.length).toBeGreaterThan(30);
});
