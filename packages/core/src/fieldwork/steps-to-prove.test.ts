import { sayProofStep } from '../words/proof.ts';
import { placesOn } from '../readings/registry.ts';
import { STOPS } from '../round/stops.ts';
import { LOOSE_ENDS, type LooseEnd, type LooseEndCode } from '../round/loose-ends.ts';
import type { RoundField, RoundStop } from './round-view.ts';
import { isStepDone, stepsToProve } from './steps-to-prove.ts';

const end = (code: LooseEndCode | null, text = ''): LooseEnd => ({
  id: code ?? text,
  code,
  text,
  openedAt: '2026-10-10T14:00:00.000Z',
  putBackAt: null,
  leftBecause: null,
});

const component = {
  id: 'cap',
  slot: 'run-capacitor',
  kind: 'run-capacitor',
  plate: { rating: '40+5 µF 440 V' },
  fittedOn: null,
} as const;

function fieldAt(methodId: string): Pick<RoundField, 'planned' | 'about'> {
  const place = placesOn(component, 'split-heat-pump', {}).find((p) => p.method.id === methodId);
  if (!place) throw new Error(methodId);
  const planned = { ...place, component } as unknown as RoundField['planned'];
  return { planned, about: { systemKind: 'split-heat-pump', plate: {}, component, point: place.point } };
}

const stopAt = (id: string, runningMin: number | null = null): RoundStop => ({
  ...STOPS.find((s) => s.id === id)!,
  fields: [],
  runningMin,
});

const wires = [
  { on: 'run capacitor', lug: 'HERM', color: 'yellow' },
  { on: 'run capacitor', lug: 'C', color: 'red' },
  { on: 'contactor', lug: 'T1', color: 'black' },
];

// The order is common practice, no source: nothing is energized before it is whole again.
test('what is loose goes back first, each wire on its lug, then panels, power, call, wait, and only then the reading', () => {
  const looseEnds = [
    end('breaker-off'),
    end('outdoor-panel-off'),
    end('fan-lead-pulled'),
    end(null, 'ladder'),
    end('gauges-on'),
  ];
  const steps = stepsToProve({ looseEnds }, { wires }, stopAt('heating', 4), fieldAt('under-load'));
  expect(steps.map((s) => s.step)).toEqual(['put-back', 'panels', 'power', 'call', 'wait', 'measure']);
  expect(steps.map((s) => ('ends' in s ? s.ends.map((e) => e.id) : []))).toEqual([
    ['fan-lead-pulled', 'ladder'],
    ['outdoor-panel-off'],
    ['breaker-off'],
    [],
    [],
    [],
  ]);
  expect(steps.map(sayProofStep)).toEqual([
    'Put back: yellow on HERM, red on C',
    'Panels on, or clear of hands and tools where the reading needs one open',
    'Power on',
    'Heat called, strips held off',
    'Wait 10 to 15 minutes; it has run 4',
    expect.stringMatching(/^Read it again: /),
  ]);
  expect(steps.filter(isStepDone)).toEqual([]);
});

test('with nothing loose and the machine settled, the call and the reading are left', () => {
  const back = Object.keys(LOOSE_ENDS).map((code) => ({
    ...end(code as LooseEndCode),
    putBackAt: '2026-10-10T14:20:00.000Z',
  }));
  const steps = stepsToProve({ looseEnds: back }, {}, stopAt('heating', 12), fieldAt('under-load'));
  expect(steps.filter((s) => !isStepDone(s)).map((s) => s.step)).toEqual(['call', 'measure']);
});

test('a reading with the power off is never led through power on', () => {
  const steps = stepsToProve({ looseEnds: [end('breaker-off')] }, { wires }, stopAt('off-outdoor'), fieldAt('bench'));
  expect(steps.map(sayProofStep).slice(0, 1)).toEqual(['Power stays off: locked out, proved dead']);
  expect(steps.map((s) => s.step)).toEqual(['power', 'measure']);
});
