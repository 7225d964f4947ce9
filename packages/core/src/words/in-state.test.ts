import { SAYS, STATE_WORDS } from '../verdict/interpretation.ts';
import type { ReasonNumbers } from '../verdict/reasons.ts';
import { settlingTap } from './in-state.ts';
import { sayReason } from './reasons.ts';

const base: ReasonNumbers['in-state'] = {
  says: 'tells-nothing',
  states: [],
  causes: [],
  next: null,
  value: 0,
  unit: 'A',
};
const say = (over: Partial<ReasonNumbers['in-state']>): string =>
  sayReason({ code: 'in-state', numbers: { ...base, ...over } }).replace(/\u00a0/g, ' ');

test('what tells nothing says why, and the one thing to do', () => {
  expect(say({ states: ['power-off', 'timer'], next: { lead: 't1-t2', what: 'volts' } })).toBe(
    'Can’t judge 0.00 A by itself: the power may be off, or the off-timer may hold it. Next: volts, contactor’s load side.',
  );
  expect(say({ causes: ['contactor-coil-open'] })).toBe('Can’t judge 0.00 A by itself: contactor coil open.');
  expect(say({ states: ['just-begun'], value: 20.8 })).toBe(
    'Can’t judge 20.8 A by itself: it may not have come on yet. Wait two minutes, then read it again.',
  );
});

test('another state says which, and what settles it', () => {
  expect(say({ says: 'other-state', states: ['starting'], value: 75 })).toBe(
    'Can’t judge 75.0 A now: it may just have been starting. Wait three seconds, then read it again.',
  );
});

test('what condemns names the fault; what does not names where to look', () => {
  expect(say({ says: 'condemned', causes: ['contactor-pole-burnt'], value: 12, unit: 'V' })).toBe(
    'Contactor’s contact burnt: nothing else explains 12 V.',
  );
  expect(say({ says: 'elsewhere', causes: ['sequencer-welded', 'open:field.Y'] })).toBe(
    'The cause is elsewhere: sequencer contact welded, or a broken wire or a loose joint.',
  );
  expect(say({ says: 'faulty', causes: ['sequencer-welded'] })).toBe('Something is wrong: sequencer contact welded.');
  expect(say({ says: 'doubtful', value: null })).toBe(
    'This can hardly be right: check leads and meter setting, then read it again.',
  );
});

test('what is looked at is looked at again, and heat without air is not left on', () => {
  const looked = { value: null, unit: null, says: 'tells-nothing' } as const;
  expect(say({ ...looked, states: ['just-begun'] })).toBe(
    'Can’t judge this by itself: it may not have come on yet. Wait two minutes, then check again. Heat without air by then: switch it off.',
  );
  expect(say({ ...looked, states: ['blower-delay'] })).toBe(
    'Can’t judge this by itself: its delay may hold the blower on. Wait three minutes, then check again.',
  );
});

test('one tap settles what a look at the machine can settle', () => {
  const tap = (over: Partial<ReasonNumbers['in-state']>) =>
    settlingTap({ code: 'in-state', numbers: { ...base, ...over } });
  expect(tap({ states: ['no-call', 'power-off'] })).toBe('It is called, with power on');
  expect(tap({ states: ['timer'] })).toBe('Called five minutes ago, power on');
  expect(tap({ states: ['defrosting'] })).toBe('It is not in defrost');
  expect(tap({ says: 'other-state', states: ['wires-on'] })).toBe('Wires are off, and no call');
  expect(tap({ says: 'other-state', states: ['too-cold'] })).toBeNull();
  expect(tap({ says: 'condemned', states: ['timer'] })).toBeNull();
  expect(settlingTap({ code: 'no-baseline-yet', numbers: { readings: 0 } })).toBeNull();
});

test('every state and every outcome has words of its own', () => {
  const states = STATE_WORDS.map((state) => say({ says: 'other-state', states: [state] }));
  expect(new Set(states).size).toBe(STATE_WORDS.length);
  expect(new Set(SAYS.map((says) => say({ says }))).size).toBe(SAYS.length);
});
