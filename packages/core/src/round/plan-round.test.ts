import { componentsFor, type Component } from '../equipment/component.ts';
import type { Plate } from '../equipment/plate.ts';
import { SYSTEM_KINDS, type SystemKind } from '../equipment/system-kind.ts';
import { effortOf, planRound, type Stop } from './plan-round.ts';
import type { Season } from '../quantity/season.ts';

const PLATE: Plate = { capacitorRating: '40+5 µF 440 V', refrigerant: 'R-410A', heatKilowatts: 10, heatElements: 2 };

function plan(kind: SystemKind, season: Season, plate: Plate = PLATE): Stop[] {
  const components = componentsFor(kind, plate).map((c): Component => ({ ...c, fittedOn: null }));
  return planRound({ systemKind: kind, plate, components, season });
}
const ids = (stops: readonly Stop[]) => stops.map((s) => s.id);
const stop = (stops: readonly Stop[], id: string) => stops.find((s) => s.id === id)!;
const at = (stops: readonly Stop[], id: string) => stop(stops, id).readings.map((r) => `${r.kind.id} ${r.point}`);

// The order of work is common practice, no source: electric heat alone, then the heat pump, defrost last, power off after.
test('a heat pump with strips, fall: strips alone, heat pump, defrost last, then power off', () => {
  const stops = plan('split-heat-pump', 'fall');
  expect(ids(stops)).toEqual([
    'arrive',
    'look',
    'calls',
    'electric-heat',
    'heating',
    'defrost',
    'off-outdoor',
    'off-indoor',
    'restart',
  ]);
  expect(at(stops, 'electric-heat')).toEqual(
    expect.arrayContaining(['heater-amps total', 'heater-amps element-2', 'airflow whole', 'blower-amps whole']),
  );
  expect(at(stops, 'heating')[0]).toBe('line-volts whole');
  expect(at(stops, 'heating')).toContain('run-capacitor-capacitance herm');
});

test('spring: indoors first while it settles, so that there is one start and the fewest steps', () => {
  const stops = plan('split-heat-pump', 'spring');
  expect(ids(stops)).toEqual([
    'arrive',
    'look',
    'calls',
    'cooling-air',
    'cooling',
    'off-outdoor',
    'off-indoor',
    'restart',
  ]);
  expect(at(stops, 'cooling-air')).toContain('strips-in-cooling total');
  // What is rarely needed comes after what is asked for.
  const asked = stop(stops, 'cooling').readings.filter((r) => !r.method.optional);
  expect(asked.slice(-3).map((r) => `${r.kind.id} ${r.point}`)).toEqual([
    'charge-check whole',
    'superheat suction',
    'subcooling liquid',
  ]);
});

test('a packaged unit is worked where it stands: indoor stops join the outdoor ones of the same mode', () => {
  const stops = plan('packaged-heat-pump', 'spring');
  expect(ids(stops)).toEqual(['arrive', 'look', 'calls', 'cooling', 'off-outdoor', 'restart']);
  expect(at(stops, 'cooling')).toEqual(expect.arrayContaining(['return-air whole', 'superheat suction']));
  expect(stops.every((s) => s.place !== 'indoor-unit')).toBe(true);
  // All of the air first, then all of the outdoor unit: nothing is interleaved.
  const kinds = stop(stops, 'cooling').readings.map((r) => r.method.stops[0] === 'cooling');
  expect(kinds.indexOf(true)).toBe(kinds.filter((outdoors) => !outdoors).length);
});

test.each<[SystemKind, Season, string[]]>([
  ['gas-furnace-with-coil', 'fall', ['arrive', 'look', 'calls', 'gas-heat', 'off-indoor', 'off-outdoor', 'restart']],
  ['air-handler-electric-heat', 'fall', ['arrive', 'calls', 'electric-heat', 'off-indoor', 'restart']],
  ['air-handler-electric-heat', 'spring', ['arrive', 'calls', 'cooling-air', 'off-indoor', 'restart']],
  ['ductless-heat-pump', 'fall', ['arrive', 'look', 'calls', 'heating', 'off-outdoor', 'restart']],
])('%s in %s', (kind, season, wanted) => {
  const plate = kind === 'gas-furnace-with-coil' || kind === 'ductless-heat-pump' ? {} : PLATE;
  expect(ids(plan(kind, season, plate))).toEqual(wanted);
});

test('an air conditioner without strips has its blower heard alone in fall, and nothing asked of its compressor', () => {
  const stops = plan('split-air-conditioner', 'fall', { capacitorRating: '40 µF' });
  expect(ids(stops)).toEqual(['arrive', 'look', 'calls', 'fan-only', 'off-indoor', 'off-outdoor', 'restart']);
  const asked = stops.flatMap((s) => s.readings).filter((r) => !r.method.optional);
  expect(asked.some((r) => r.component.kind === 'compressor')).toBe(false);
});

test('no other order that keeps the rules starts or walks less', () => {
  for (const kind of SYSTEM_KINDS) {
    for (const season of ['spring', 'fall'] as const) {
      const stops = plan(kind, season);
      const cost = (order: readonly Stop[]) => effortOf(order).starts * 100 + effortOf(order).steps;
      const allowed = (order: readonly Stop[]) =>
        order.every((s, i) => order.slice(i + 1).every((later) => !s.after.includes(later.id)));
      // Every order reached by moving one stop elsewhere: a cheaper one would show here.
      for (const [from, moved] of stops.entries()) {
        for (let to = 0; to < stops.length; to += 1) {
          const rest = stops.filter((_, i) => i !== from);
          const order = [...rest.slice(0, to), moved, ...rest.slice(to)];
          if (allowed(order)) expect(cost(order)).toBeGreaterThanOrEqual(cost(stops));
        }
      }
      expect(allowed(stops)).toBe(true);
    }
  }
});

test('before hands go in the plan says lock out and discharge, and what hangs loose from then on', () => {
  const stops = plan('split-heat-pump', 'fall');
  const off = stop(stops, 'off-outdoor');
  expect(off.cautions.map((c) => c.id)).toEqual(['lock-out', 'discharge', 'wires']);
  expect(off.cautions.find((c) => c.id === 'discharge')?.text).toMatch(/20 kΩ/);
  expect(off.instructions.map((i) => i.opens)).toEqual(['breaker-off', 'disconnect-out']);
  expect(stop(stops, 'heating').instructions.map((i) => i.opens)).toContain('strip-wire-lifted');
  expect(stop(stops, 'defrost').restores).toContain('strip-wire-lifted');
  // Without strips there is no wire to lift; without gauges nothing on the ports.
  const bare = plan('split-heat-pump', 'fall', { capacitorRating: '40 µF' });
  expect(stop(bare, 'heating').instructions.map((i) => i.opens)).toEqual(['gauges-on']);
  expect(stop(plan('ductless-heat-pump', 'fall', {}), 'heating').instructions).toEqual([]);
});

test('a mildly flammable refrigerant has its own caution where gauges go on (ASHRAE Standard 34: A2L)', () => {
  const cautions = (refrigerant: string) =>
    stop(plan('split-heat-pump', 'spring', { ...PLATE, refrigerant }), 'cooling').cautions.map((c) => c.id);
  expect(cautions('R-32')).toContain('flammable');
  expect(cautions('r454b')).toContain('flammable');
  expect(cautions('R-410A')).not.toContain('flammable');
});

test('the blower’s capacitor is read indoors with the power off, and under load beside its motor only when wanted', () => {
  const plate = { blowerMotor: 'psc' as const, blowerCapacitorRating: '10 µF ±6% 370 V' };
  const parts = componentsFor('gas-furnace-with-coil', plate).map((part, i) => ({
    ...part,
    id: String(i),
    fittedOn: null,
  }));
  const stops = planRound({ systemKind: 'gas-furnace-with-coil', plate, components: parts, season: 'fall' });
  const taken = stops.flatMap((stop) =>
    stop.readings
      .filter((r) => r.component.slot === 'blower-capacitor')
      .map((r) => [stop.id, r.method.id, r.method.optional ?? false]),
  );
  expect(taken).toEqual([
    ['gas-heat', 'under-load-indoors', true],
    ['off-indoor', 'looks', false],
    ['off-indoor', 'bench', false],
    ['off-indoor', 'needle-sweep', true],
  ]);
});

test('after work with the power off the machine is started again, and power is back before that', () => {
  for (const season of ['spring', 'fall'] as const) {
    const restart = plan('split-heat-pump', season).at(-1);
    expect(restart).toMatchObject({ id: 'restart', putBackFirst: ['disconnect-out', 'breaker-off'] });
    expect(restart?.readings.map((r) => r.kind.id)).toEqual(['restart-check']);
  }
});

test('both seasons on one visit: heating first, defrost before cooling can warm the coil, power off once', () => {
  const components = componentsFor('split-heat-pump', PLATE).map((c): Component => ({ ...c, fittedOn: null }));
  const both = planRound({
    systemKind: 'split-heat-pump',
    plate: PLATE,
    components,
    season: 'fall',
    bothSeasons: true,
  });
  const order = ids(both);
  expect(order).toEqual(expect.arrayContaining(['electric-heat', 'heating', 'defrost', 'cooling-air', 'cooling']));
  expect(order.indexOf('defrost')).toBeLessThan(Math.min(order.indexOf('cooling'), order.indexOf('cooling-air')));
  expect(order.filter((id) => id.startsWith('off-'))).toHaveLength(2);
  expect(order.at(-1)).toBe('restart');
  // Whatever the season it was started for, the same is read.
  const spring = planRound({
    systemKind: 'split-heat-pump',
    plate: PLATE,
    components,
    season: 'spring',
    bothSeasons: true,
  });
  expect(ids(spring)).toEqual(order);
});
