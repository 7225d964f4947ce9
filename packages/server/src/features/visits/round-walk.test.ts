import {
  componentsFor,
  dayOf,
  utcDayOf,
  methodOf,
  missingFields,
  newRound,
  roundView,
  seasonOfMode,
  settle,
  settleAir,
  takeEntry,
  withReading,
  withRunning,
  withStopBegun,
  type Inputs,
  type InputSpec,
  type NewSystem,
  type Plate,
  type RoundField,
  type RoundRecord,
  type RoundView,
  type Season,
  type Session,
  type SystemDetail,
  type SystemKind,
} from '@yarnix/core';
import { houseOf, probeStream, seedOf } from '@yarnix/simulator';
import request from 'supertest';
import { v7 } from 'uuid';
import { openSuite, type Suite } from '../../testing/suite.ts';

/**
 * A round on every kind of system in either season, as a device goes through it: the plan of the core, values from a model of the
 * house, each reading sent as it is taken. What a browser adds to that, journeys show on some of them.
 */

const NOW = Date.parse('2026-10-10T16:00:00Z');
const AT = '2026-10-10T15:30:00.000Z';

const OUTDOOR: Plate = {
  capacitorRating: '40+5 µF 440 V',
  compressorRla: 17.2,
  outdoorFanFla: 1.2,
  tons: 3,
  refrigerant: 'R-410A',
  targetSubcoolingF: 10,
  metering: 'expansion-valve',
  blowerMotor: 'psc',
  blowerFla: 4.1,
  volts: '208/230',
};
const STRIPS: Plate = { heatKilowatts: 10, heatVolts: 240, heatElements: 2, heatCircuits: 1 };
const SENSORS: Plate = { sensorR25: 10_000, sensorBeta: 3435 };
const DEFROST: Plate = { defrostTerminationF: 70, defrostIntervalMin: 60 };
const INDOOR: Plate = { ...STRIPS, tons: 3, blowerMotor: 'psc', blowerFla: 4.1, heatSwitch: 'sequencer' };
const GAS: Plate = { ...OUTDOOR, gasRiseLowF: 35, gasRiseHighF: 65 };
const DUCTLESS: Plate = { compressorRla: 9.5, tons: 2, ...SENSORS, panHeaterWatts: 120 };

const WALKS: readonly [SystemKind, Season, Plate, string][] = [
  ['split-air-conditioner', 'spring', OUTDOOR, 'arrive look calls cooling-air cooling off-outdoor off-indoor restart'],
  ['split-air-conditioner', 'fall', OUTDOOR, 'arrive look calls fan-only off-indoor off-outdoor restart'],
  [
    ...(['split-heat-pump', 'spring', { ...OUTDOOR, ...STRIPS, ...SENSORS }] as const),
    'arrive look calls cooling-air cooling off-outdoor off-indoor restart',
  ],
  [
    ...([
      'split-heat-pump',
      'fall',
      { ...OUTDOOR, ...STRIPS, ...SENSORS, ...DEFROST, defrostControl: 'demand' },
    ] as const),
    'arrive look calls electric-heat heating defrost off-outdoor off-indoor restart',
  ],
  [
    ...(['packaged-heat-pump', 'spring', { ...OUTDOOR, ...STRIPS, ...SENSORS }] as const),
    'arrive look calls cooling off-outdoor restart',
  ],
  [
    ...([
      'packaged-heat-pump',
      'fall',
      { ...OUTDOOR, ...STRIPS, ...DEFROST, defrostControl: 'time-temperature' },
    ] as const),
    'arrive look calls electric-heat heating defrost off-outdoor restart',
  ],
  ['air-handler-electric-heat', 'spring', INDOOR, 'arrive calls cooling-air off-indoor restart'],
  ['air-handler-electric-heat', 'fall', INDOOR, 'arrive calls electric-heat off-indoor restart'],
  ['gas-furnace-with-coil', 'spring', GAS, 'arrive look calls cooling-air cooling off-outdoor off-indoor restart'],
  ['gas-furnace-with-coil', 'fall', GAS, 'arrive look calls gas-heat off-indoor off-outdoor restart'],
  ['ductless-heat-pump', 'spring', DUCTLESS, 'arrive look calls cooling-air cooling off-outdoor restart'],
  ['ductless-heat-pump', 'fall', DUCTLESS, 'arrive look calls heating off-outdoor restart'],
];

let suite: Suite;
beforeAll(async () => {
  suite = await openSuite(() => new Date(NOW));
});
afterAll(() => suite.close());

const put = (path: string, body: object) => request(suite.app).put(path).send(body).expect(200);

/** What is typed where no probe reaches, by input. */
const TYPED: Readonly<Record<string, number>> = { setF: 70, seconds: 41, tookSeconds: 240 };

/** What a probe at that place of the model house settles at. */
function probed(
  detail: SystemDetail,
  view: RoundView,
  field: RoundField,
  spec: Extract<InputSpec, { type: 'number' }>,
) {
  const { planned, conditions } = field;
  const stop = view.stops.find(({ fields }) => fields.some(({ key }) => key === field.key))!;
  const season = seasonOfMode(stop.mode, view.season);
  const scene = {
    ...{ house: houseOf(detail.id, detail.kind, detail.plate), parts: view.components, season },
    ...{
      installedOn: dayOf('2019-05-01'),
      day: utcDayOf(AT),
      outdoorF: conditions.outdoorF ?? 60,
      faults: new Set<never>(),
    },
  };
  const held = {
    ...{ kind: planned.kind.id, point: planned.point, input: spec.id },
    ...{ method: planned.method.id, component: planned.component },
  };
  const samples: { at: number; value: number }[] = [];
  for (const sample of probeStream(scene, held, spec.unit, 900, seedOf(field.key + spec.id))) {
    samples.push(sample);
    if (samples.length < 40) continue;
    if (!Number.isFinite(sample.value)) return 'OL';
    const { settled, value } = spec.probe === 'psychrometer' ? settleAir(samples) : settle(samples, spec.unit);
    if (settled && value !== null) return Number(value.toFixed(2));
    if (samples.length > 4000) return 'jumps';
  }
  return 'OL';
}

/** A whole entry: as it should be where that is one tap, else from the probes, typed, or chosen. */
function entryFor(detail: SystemDetail, view: RoundView, field: RoundField): Inputs {
  if (field.usual) return field.usual;
  return Object.fromEntries(
    field.planned.method.inputs.flatMap((spec): [string, Inputs[string]][] => {
      if (spec.type === 'choice') return [[spec.id, spec.options[0]!.value]];
      if (spec.type === 'several') return [[spec.id, spec.options.map(({ value }) => value)]];
      if (spec.optional && spec.id !== 'supplyWetF') return [];
      return [[spec.id, spec.probe ? probed(detail, view, field, spec) : (TYPED[spec.id] ?? 41)]];
    }),
  );
}

test.each(WALKS)(
  '%s, %s: nothing is left out, refused or judged otherwise at the office',
  async (kind, season, plate, stops) => {
    const systemId = v7();
    const components = componentsFor(kind, plate).map(({ slot }) => ({ id: v7(), slot }));
    const body: NewSystem = {
      ...{ customerId: v7(), customerName: 'Larkspire', address: `${systemId} Probe Row`, kind, plate, components },
      installedOn: '2019-05-01',
    };
    await put(`/api/systems/${systemId}`, body);
    const visitId = v7();
    const startedAt = '2026-10-10T15:00:00.000Z';
    await put(`/api/visits/${visitId}`, { systemId, startedAt, season });
    const { firm } = (await request(suite.app).get('/api/session').expect(200)).body as Session;
    const fetched = async () =>
      (await request(suite.app).get(`/api/systems/${systemId}`).expect(200)).body as SystemDetail;
    const detail = await fetched();
    let record: RoundRecord = {
      ...newRound(visitId, systemId, startedAt, season),
      outdoorText: season === 'spring' ? '84' : '42',
    };
    const viewed = () => roundView(detail, record, firm.policy, NOW);
    expect(
      viewed()
        .stops.map(({ id }) => id)
        .join(' '),
    ).toBe(stops);
    for (const { id } of viewed().stops) {
      const stop = () => viewed().stops.find((s) => s.id === id)!;
      record = withStopBegun(record, stop(), AT);
      record = withRunning(record, stop(), 25, AT);
      for (const { key, planned } of stop().fields) {
        if (planned.method.optional) continue;
        const view = viewed();
        const field = view.stops.find((s) => s.id === id)!.fields.find((f) => f.key === key)!;
        const taking = takeEntry(record, field, entryFor(detail, view, field), { now: AT, id: v7() });
        expect([key, taking.outcome]).toEqual([key, 'taken']);
        if (taking.outcome !== 'taken') continue;
        record = withReading(record, key, taking.reading);
        const reply = await request(suite.app).put(`/api/readings/${taking.reading.id}`).send(taking.reading.reading);
        expect([key, reply.status, reply.status === 200 ? '' : reply.text]).toEqual([key, 200, '']);
        // The office works the value out again of what was entered.
        expect((reply.body as { value: number | null }).value).toEqual(taking.reading.value);
        expect(methodOf(planned.kind, planned.method.id)).toBeDefined();
      }
    }
    const view = viewed();
    expect(missingFields(view.stops).map(({ field }) => field.key)).toEqual([]);
    await put(`/api/visits/${visitId}/closing`, { closedAt: '2026-10-10T15:45:00.000Z' });
    const after = await fetched();
    expect([after.visits[0]?.closedAt, after.followUps]).toEqual(['2026-10-10T15:45:00.000Z', []]);
    const byDevice = Object.fromEntries(view.assessment.parts.map(({ part, standing }) => [part.slot, standing]));
    expect(Object.fromEntries(after.components.map(({ slot, standing }) => [slot, standing]))).toEqual(byDevice);
  },
);
