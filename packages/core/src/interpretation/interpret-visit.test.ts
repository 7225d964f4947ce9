import type { Plate } from '../equipment/plate.ts';
import type { Point, Slot } from '../equipment/component.ts';
import type { SystemKind } from '../equipment/system-kind.ts';
import type { Conditions } from '../readings/contract/conditions.ts';
import type { Inputs } from '../readings/contract/entry.ts';
import { interpretVisit, type ToInterpret } from './interpret-visit.ts';

const HEAT_PUMP: { kind: SystemKind; plate: Plate } = {
  kind: 'split-heat-pump',
  plate: {
    tons: 3,
    compressorRla: 16,
    outdoorFanFla: 1.4,
    blowerFla: 4,
    blowerMotor: 'psc',
    heatKilowatts: 10,
    heatElements: 2,
    refrigerant: 'R-410A',
    metering: 'expansion-valve',
  },
};

type Read = Omit<ToInterpret, 'id'>;
const read =
  (kind: string, slot: Slot, point: Point, method: string) =>
  (inputs: Inputs, conditions: Conditions = {}): Read => ({ kind, slot, point, method, inputs, conditions });

const compressor = (amps: number) => read('compressor-amps', 'compressor', 'common', 'clamp')({ amps });
const fan = (amps: number) => read('outdoor-fan-amps', 'outdoor-fan', 'whole', 'clamp')({ amps });
const drop = (volts: number) => read('contact-drop', 'contactor', 'whole', 'meter')({ volts });
const across = (volts: number) => read('pressure-switch-volts', 'high-pressure-switch', 'whole', 'meter')({ volts });
const contactor = (point: Point, volts: number) => read('contactor-volts', 'contactor', point, 'called')({ volts });
const heater = (amps: number, runningMin?: number) =>
  read('heater-amps', 'electric-heat', 'total', 'clamp')({ amps }, runningMin === undefined ? {} : { runningMin });
const contact = (volts: number, amps: number | undefined, method = 'meter') =>
  read('sequencer-contact-volts', 'sequencer', 'contact-1', method)(amps === undefined ? { volts } : { volts, amps });
const strips = (amps: number) => read('strips-in-cooling', 'electric-heat', 'total', 'clamp')({ amps });
const relayContact = (ohms: number | 'OL') =>
  read('blower-relay-contact-ohms', 'blower-relay', 'no-contact', 'ohms')({ ohms });
const coil = (first: number | 'OL') => read('contactor-coil-ohms', 'contactor', 'whole', 'ohms')({ first });
const element = (ohms: number | 'OL') => read('element-ohms', 'electric-heat', 'element-1', 'ohms')({ ohms });
const charge = (psig: number, lineF: number, conditions: Conditions) =>
  read('superheat', 'refrigerant-circuit', 'suction', 'gauges')({ psig, lineF }, conditions);

function told(readings: readonly Read[], system = HEAT_PUMP) {
  const all = readings.map((r, i) => ({ ...r, id: String(i) }));
  const said = interpretVisit(system, all);
  return all.map(({ id }) => said.get(id) ?? null);
}
const says = (...readings: Read[]) => told(readings).map((one) => one?.says ?? 'counts');

// What a technician would make of each: common practice, no source.
test('no amps in a motor alone condemn nothing; with its volts there, or the fan running, they still may be a hot overload', () => {
  expect(says(compressor(0))).toEqual(['tells-nothing']);
  expect(says(compressor(0), contactor('load-side', 240))).toEqual(['faulty', 'counts']);
  expect(told([compressor(0), fan(1.1)])[0]?.causes).toContain('compressor-overload-open');
  expect(says(compressor(12))).toEqual(['counts']);
});

test('a start draws what a locked rotor draws', () => {
  expect(told([compressor(75)])[0]).toMatchObject({ says: 'other-state', states: ['starting'] });
});

test('volts across a contact say nothing until it is known that something flows', () => {
  expect(says(drop(0))).toEqual(['tells-nothing']);
  expect(says(drop(0), compressor(0))).not.toContain('counts');
  expect(says(drop(0.1), compressor(12))).toEqual(['counts', 'counts']);
  expect(says(across(0), compressor(0), fan(0))[0]).not.toBe('counts');
  expect(says(drop(12), compressor(12))).toEqual(['condemned', 'counts']);
  expect(says(contact(12, 20))).toEqual(['condemned']);
  expect(says(contact(0, undefined, 'no-call'))).toEqual(['tells-nothing']);
  expect(says(contact(200, 10, 'no-call'))).toEqual(['doubtful']);
});

test('half the heat may not have come on yet; once it has run, an element is open', () => {
  expect(told([heater(20.8)])[0]).toMatchObject({ says: 'tells-nothing', states: ['just-begun'] });
  expect(says(heater(20.8, 5), contact(0, undefined), contactor('coil', 24))[0]).not.toBe('counts');
  expect(says(heater(0))).toEqual(['tells-nothing']);
  expect(says(heater(41.7))).toEqual(['counts']);
  // The feed of the heat feeds the blower as well.
  expect(says(heater(44.5))).toEqual(['counts']);
});

test('a clamp’s own zero and the blower are no strips; what a strip draws is looked for elsewhere than in the strip', () => {
  expect([0, 0.6, 2.8].map((amps) => says(strips(amps))[0])).toEqual(['counts', 'counts', 'counts']);
  expect(told([strips(20.8)])[0]).toMatchObject({
    says: 'elsewhere',
    causes: expect.arrayContaining(['sequencer-welded']) as unknown,
  });
});

test('a load left on its wires welds no contact, and a call that is held shorts no coil', () => {
  expect([5, 12, 40, 900].map((ohms) => says(relayContact(ohms))[0])).not.toContain('condemned');
  expect(says(relayContact('OL'))).toEqual(['counts']);
  // Closed: welded, or a sequencer that is welded closes the way around it as long as its wires may be on.
  expect(says(relayContact(0.1))).toEqual(['faulty']);
  expect(says(coil(1))).toEqual(['tells-nothing']);
  expect(says(coil('OL'))).toEqual(['condemned']);
  expect(told([element(5.3)])[0]).toMatchObject({ says: 'other-state', states: ['wires-on', 'still-called'] });
});

test('whoever has seen the state settles it: no timer, no load left on, no call held is possible any more', () => {
  const seen = (one: Read): Read => ({ ...one, conditions: { ...one.conditions, asMeant: true } });
  expect(says(drop(0))).toEqual(['tells-nothing']);
  expect(says(seen(drop(0)))).toEqual(['counts']);
  expect(says(coil(1))).toEqual(['tells-nothing']);
  expect(says(seen(coil(1)))).toEqual(['condemned']);
  expect(says(seen(relayContact(0.1)))).toEqual(['condemned']);
  expect(told([seen(compressor(0))])[0]?.states).toEqual([]);
  // What one reading of a stop knows of it, it knows for all.
  expect(says(seen(compressor(12)), drop(0))).toEqual(['counts', 'counts']);
});

test('line volts at a 24 V coil are doubted', () => {
  expect(says(contactor('coil', 240))).toEqual(['doubtful']);
});

test('one element of an unknown number is not condemned by its ohms', () => {
  const { heatElements: _unknown, ...plate } = HEAT_PUMP.plate;
  expect(told([element(11.5)], { ...HEAT_PUMP, plate })[0]?.says).not.toBe('condemned');
});

test('what was read again stands in place of what was read before', () => {
  expect(says(compressor(0), compressor(12))).toEqual(['counts', 'counts']);
});

test('a repair parts what was read before it from what is read after it', () => {
  const after = (one: Read): Read => ({ ...one, since: '2026-10-10T10:30:00Z' });
  expect(says(element('OL'), after(element(11.5)))).toEqual(['condemned', 'counts']);
  expect(says(drop(12), compressor(12), after(drop(0.1)), after(compressor(12)))).toEqual([
    'condemned',
    'counts',
    'counts',
    'counts',
  ]);
});

test('the next place for the meter is one that tells the likeliest causes apart', () => {
  expect(told([compressor(0), fan(1.1)])[0]?.next).toEqual({ lead: 'kc-t2', what: 'ohms' });
});

test.each([
  ['on a cold day', charge(118, 50, { outdoorF: 30, runningMin: 15 }), 'too-cold'],
  // R-410A at 84 °F is at 245 psig or so: the chart, from memory.
  ['of a machine at rest', charge(245, 84, { outdoorF: 84 }), 'at-rest'],
] as const)('superheat %s is not judged', (_name, reading, state) => {
  expect(told([reading])[0]).toMatchObject({ says: 'other-state', states: [state] });
});

test('superheat of a settled machine on a warm day counts; with a frozen coil or another refrigerant it does not', () => {
  const settled = charge(125, 55, { outdoorF: 90, runningMin: 15 });
  expect(says(settled)).toEqual(['counts']);
  const found = (finding: string): Read => ({
    ...read('indoor-looks', 'indoor-unit', 'whole', 'looks')({}),
    findings: [finding],
  });
  expect(told([found('frozen-coil'), settled])[1]).toMatchObject({ states: ['iced'] });
  expect(told([found('refrigerant-other'), settled])[1]).toMatchObject({ states: ['other-refrigerant'] });
});

test('a defrost board that holds its fan or its Y back may rightly do so', () => {
  const board = (kind: string, finding: string, conditions: Conditions): Read => ({
    ...read(kind, 'defrost-board', 'whole', 'seen')({}, conditions),
    findings: [finding],
  });
  const past = (conditions: Conditions) => told([board('fan-bypass', 'fan-runs-past-relay', conditions)])[0];
  expect(past({ outdoorF: 25 })).toMatchObject({ says: 'tells-nothing', states: ['defrosting'] });
  expect(past({})).toMatchObject({ states: ['defrosting'] });
  expect([past({ outdoorF: 70 }), past({ outdoorF: 25, asMeant: true })]).toEqual([null, null]);
  const holds = (conditions: Conditions) => told([board('defrost-chain', 'board-holds-y', conditions)])[0];
  expect(holds({})).toMatchObject({ says: 'tells-nothing', states: ['timer'] });
  expect([holds({ runningMin: 6 }), holds({ asMeant: true })]).toEqual([null, null]);
});

test('airflow counts once the heat has settled', () => {
  const air = (runningMin: number) => read('airflow', 'air-side', 'whole', 'electric-heat')({}, { runningMin });
  expect(told([air(1)])[0]).toMatchObject({ says: 'other-state', states: ['not-settled'] });
  expect(told([air(4)])).toEqual([null]);
});

test('half of the amps after minutes is a fault; after seconds it may come yet, and without its kW any amps may be right', () => {
  expect(told([heater(20.8, 5)])[0]).toMatchObject({ says: 'faulty' });
  expect(says(heater(20.8))).toEqual(['tells-nothing']);
  const uncounted = { kind: 'air-handler-electric-heat' as const, plate: { heatCircuitAmps: [40, 20] } };
  // Of 14.4 kW nobody knows whether they are two elements or three.
  expect(told([heater(30, 5)], uncounted)[0]?.says).toBe('faulty');
  expect(told([heater(60, 5)], uncounted)[0]?.says).toBe('counts');
  for (const amps of [21, 40, 62])
    expect(told([heater(amps, 5)], { kind: 'air-handler-electric-heat', plate: {} })[0]?.says).toBe('counts');
});
