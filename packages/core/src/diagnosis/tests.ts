import { callsOf, soundMachine } from '../circuit/machine.ts';
import type { MachineSpec } from '../circuit/machine-spec.ts';
import type { Slot } from '../equipment/component.ts';
import type { Call } from '../trade/controls/call-table.ts';
import { SUPPLY_AIR, VALVE_IN_HEATING } from './air-tests.ts';
import { says } from './answers.ts';
import { Catalog, wiring } from './catalog.ts';
import type { Test } from './test-shape.ts';

const CALL_POINTS: Readonly<Partial<Record<Call, string>>> = {
  off: 'call-off',
  fan: 'call-fan',
  cooling: 'call-cooling',
  heating: 'call-heating',
  'second-stage-heat': 'call-second-stage',
  'emergency-heat': 'call-emergency-heat',
};

function calls(c: Catalog): void {
  for (const call of callsOf(c.machine.spec)) {
    if (call === 'defrost') {
      c.words({ what: 'runs', call }, wiring('forced-defrost', 'defrost-forced', 'seen'), {
        spot: 'outdoors',
        power: 'live',
        call,
        minutes: 6,
        answers: null,
      });
      continue;
    }
    const reading = { kind: 'call-check', slot: 'thermostat' as const, point: CALL_POINTS[call] ?? 'call-off' };
    const method = call === 'second-stage-heat' ? 'second-stage' : 'seen';
    c.words(
      { what: 'runs', call },
      { ...reading, method },
      { spot: 'thermostat', power: 'any', call, minutes: 2.5, answers: null },
    );
  }
}

function control(c: Catalog): void {
  if (c.machine.spec.indoors === 'head') return;
  c.volts('ro-c', ['off'], 'indoors');
  c.volts('r-c', ['off', 'cooling'], 'indoors');
  c.volts('rt-ct', ['off'], 'thermostat');
  c.volts('r-r1', ['off'], 'indoors');
  c.volts('rt-yt', ['cooling'], 'thermostat');
  c.volts('g-c', ['off', 'fan'], 'indoors');
  c.volts('g2-c', ['fan'], 'indoors');
  c.volts('tap-c', ['fan'], 'indoors');
  c.volts('y-c', ['cooling'], 'indoors');
  c.volts('y-y1', ['cooling'], 'indoors');
  c.volts('o-c', ['cooling'], 'indoors');
  c.volts('w-c', ['emergency-heat', 'heating'], 'indoors');
  c.ohms('ro-r', ['fuse'], 'indoors', 1.5);
  c.ohms('secondary', ['transformer.secondary'], 'indoors');
  c.ohms('rt-ct', [], 'thermostat', 4);
  c.ohms('rt-gt', [], 'thermostat', 4);
  c.ohms('yt-gt', [], 'thermostat', 4);
  for (const [point, lifted, minutes] of [
    ['lifted-none', [], 3],
    ['lifted-y', ['float-switch.y', 'cable.Y'], 4],
    ['lifted-o', ['field.O', 'cable.O'], 4],
    ['lifted-r-outdoors', ['field.R'], 4],
    ['lifted-cable', ['cable.R'], 4],
    ['lifted-coil', ['contactor.coil'], 5],
  ] as const) {
    const call: Call = c.can('cooling') ? 'cooling' : 'fan';
    if (lifted.every(c.has))
      c.words({ what: 'fuse', lifted, call }, wiring('hunt-look', point, 'fuse'), {
        spot: point === 'lifted-coil' ? 'outdoors' : 'indoors',
        power: 'live',
        call,
        minutes,
        answers: says('held', 'blew'),
      });
  }
}

function blower(c: Catalog): void {
  const { indoors, blowerAmps, blowerMicrofarads } = c.machine.spec;
  if (indoors === 'head') return;
  c.volts('h1-h2', ['off'], 'indoors', { line: true });
  c.volts('l0-n', ['off'], 'indoors', { line: true });
  c.volts('l-n', ['off'], 'indoors', { line: true });
  c.volts('m-h1', ['off', 'fan'], 'indoors', { line: true });
  c.volts('m-h2', ['fan', 'cooling'], 'indoors', { line: true });
  c.volts('cool-n', ['cooling'], 'indoors', { line: true });
  c.ohms('g2-c', ['blower-relay.coil'], 'indoors');
  c.ohms('m-h1', ['blower-relay.no'], 'indoors');
  c.ohms('m-h2', ['blower.run'], 'indoors');
  c.ohms('m-bs', ['blower.start'], 'indoors');
  c.ohms('cool-n', ['blower.cool'], 'indoors');
  c.amps('m-h2', 'blower.run', blowerAmps, ['fan'], 'indoors');
  c.microfarads(
    'cap.blower',
    blowerMicrofarads,
    { kind: 'run-capacitor-capacitance', slot: 'blower-capacitor', point: 'single', method: 'bench' },
    'indoors',
  );
  const motor = c.has('blower.run') ? 'blower.run' : 'blower.cool';
  c.words({ what: 'spin', of: motor }, wiring('hunt-look', 'blower-by-hand', 'by-hand'), {
    spot: 'indoors',
    power: 'off',
    call: null,
    minutes: 2,
    answers: says('free', 'drags'),
  });
}

function heat(c: Catalog): void {
  const { banks, heatSwitch } = c.machine.spec;
  const call: Call = c.can('emergency-heat') ? 'emergency-heat' : 'heating';
  const amps = 240 / (banks[0] ?? 11.5);
  const part = heatSwitch === 'sequencer' ? 'sequencer' : 'heat-relay';
  for (const contact of ['h1-n1', 'h1-n4'] as const) {
    c.volts(contact, ['off'], 'indoors', { line: true });
    c.volts(contact, [call], 'indoors', { drop: true });
  }
  c.volts('link-1', [call], 'indoors', { line: true });
  c.volts('limit-1', [call], 'indoors', { line: true });
  c.amps('bank-1', 'element-1', amps, [call, 'cooling', 'off'], 'indoors');
  c.amps('bank-2', 'element-2', amps, [call, 'cooling', 'off'], 'indoors');
  c.ohms('heat-coil', [`${part}.coil`], 'indoors');
  c.ohms('h1-n1', [`${part}.1`], 'indoors');
  c.ohms('h1-n4', [`${part}.2`], 'indoors');
  c.ohms('bank-1', ['element-1'], 'indoors');
  c.ohms('bank-2', ['element-2'], 'indoors');
  c.ohms('link-1', ['link-1'], 'indoors');
  c.ohms('limit-1', ['limit-1'], 'indoors');
  if (c.has('element-1')) c.ohms('element-ground', [], 'indoors');
}

function furnace(c: Catalog): void {
  if (c.machine.spec.indoors !== 'furnace') return;
  c.volts('w-c', ['heating'], 'indoors');
  c.volts('r-a', ['heating'], 'indoors');
  c.volts('a-b', ['heating'], 'indoors');
  c.volts('p-c', ['heating'], 'indoors');
  c.volts('mv-c', ['heating'], 'indoors');
  c.volts('ind-n', ['heating'], 'indoors', { line: true });
  c.volts('hsi-n', ['heating'], 'indoors', { line: true });
  c.volts('heat-n', ['heating'], 'indoors', { line: true });
  c.ohms('b-p', ['pressure-switch'], 'indoors');
  c.ohms('hsi-n', ['igniter'], 'indoors');
  c.ohms('ind-n', ['inducer'], 'indoors');
  c.ohms('mv-c', ['gas-valve.coil'], 'indoors');
  c.air('flame-signal', 'heating', false);
  c.air('gas-inlet', 'heating', false);
}

const COIL_BY_EYE = {
  spot: 'outdoors',
  power: 'any',
  call: null,
  minutes: 1,
  answers: says('clean', 'dirty'),
} as const;

function outdoors(c: Catalog): void {
  const { outdoors: unit, compressorAmps, outdoorFanAmps, hermMicrofarads, fanMicrofarads, slots } = c.machine.spec;
  if (unit !== 'condenser' && unit !== 'heat-pump') return;
  c.volts('yo-co', ['cooling', 'off'], 'outdoors');
  c.volts('low-switch', ['cooling'], 'outdoors');
  c.volts('high-switch', ['cooling'], 'outdoors');
  c.volts('yc-co', ['cooling', 'off'], 'outdoors');
  c.volts('ds1-ds2', ['off'], 'outdoors', { line: true });
  c.volts('d1-d2', ['off'], 'outdoors', { line: true });
  c.volts('t1-t2', ['cooling', 'off'], 'outdoors', { line: true });
  for (const lead of ['d1-t1', 'd2-t2', 'ds1-d1', 'ds2-d2'] as const)
    c.volts(lead, ['cooling'], 'outdoors', { drop: true });
  c.volts('t1-kc', ['cooling'], 'outdoors', { drop: true });
  c.volts('ofc-t2', ['cooling'], 'outdoors', { line: true });
  c.ohms('y1-yo', ['field.Y'], 'outdoors', 5);
  c.ohms('yo-co', [], 'outdoors', 5);
  c.ohms('yc-co', ['contactor.coil'], 'outdoors');
  c.ohms('d1-t1', ['contactor.1'], 'outdoors', 2);
  c.ohms('d2-t2', ['contactor.2'], 'outdoors', 2);
  c.ohms('low-switch', ['low-pressure-switch'], 'outdoors');
  c.ohms('high-switch', ['high-pressure-switch'], 'outdoors');
  c.ohms('kc-t2', ['compressor.overload', 'compressor.run'], 'outdoors', 4);
  c.ohms('kc-s', ['compressor.overload', 'compressor.start'], 'outdoors', 4);
  c.ohms('t2-s', ['compressor.run', 'compressor.start'], 'outdoors', 4);
  c.ohms('t1-kc', ['compressor.lead'], 'outdoors', 2);
  c.ohms('kc-ground', [], 'outdoors', 4);
  c.ohms('ofc-t2', ['outdoor-fan.run'], 'outdoors');
  c.ohms('ofc-q', ['outdoor-fan.start'], 'outdoors');
  c.amps('kc-t2', 'compressor.run', compressorAmps, ['cooling'], 'outdoors');
  c.startAmps('kc-t2', 'compressor.run', compressorAmps, 'outdoors', false);
  c.startAmps('kc-t2', 'compressor.run', compressorAmps, 'outdoors', true);
  c.amps('ofc-t2', 'outdoor-fan.run', outdoorFanAmps, ['cooling'], 'outdoors');
  const single = slots.has('fan-capacitor');
  const cap = (slot: Slot, point: string) => ({ kind: 'run-capacitor-capacitance', slot, point, method: 'bench' });
  c.microfarads('cap.herm', hermMicrofarads, cap('run-capacitor', single ? 'single' : 'herm'), 'outdoors');
  c.microfarads(
    'cap.fan',
    fanMicrofarads,
    single ? cap('fan-capacitor', 'single') : cap('run-capacitor', 'fan'),
    'outdoors',
  );
  c.microfarads(
    'cap.start',
    130,
    { kind: 'start-capacitor-capacitance', slot: 'start-capacitor', point: 'start', method: 'bench' },
    'outdoors',
  );
  c.words({ what: 'coil' }, wiring('hunt-look', 'coil-outdoors', 'coil'), COIL_BY_EYE);
  c.words({ what: 'spin', of: 'outdoor-fan.run' }, wiring('hunt-look', 'outdoor-fan-by-hand', 'by-hand'), {
    spot: 'outdoors',
    power: 'off',
    call: null,
    minutes: 1.5,
    answers: says('free', 'drags'),
  });
}

function heatPump(c: Catalog): void {
  const { outdoors: unit, defrost } = c.machine.spec;
  if (unit !== 'heat-pump') return;
  c.volts('rb-co', ['heating'], 'outdoors');
  c.volts('yx-co', ['cooling'], 'outdoors');
  c.volts('oo-co', ['cooling', 'heating'], 'outdoors');
  c.volts('sense-co', ['heating'], 'outdoors');
  c.volts('w2o-co', ['defrost'], 'outdoors', { minutes: 5 });
  c.volts('t1-ofc', ['cooling'], 'outdoors', { line: true });
  c.ohms('oo-co', ['reversing-valve.coil'], 'outdoors');
  if (defrost === 'time-temperature') {
    c.volts('dft-co', ['defrost'], 'outdoors', { minutes: 5 });
    c.ohms('ro-dft', ['coil-thermostat'], 'outdoors');
  } else c.air('sensor-off', 'off', false);
  c.air('valve-gain', 'cooling', true);
  c.air('valve-gain', 'heating', true, VALVE_IN_HEATING);
  for (const quantity of ['heating-rise', 'under-air', 'over-return', 'heating-subcooling'] as const)
    c.air(quantity, 'heating', true);
  c.words({ what: 'frost' }, wiring('hunt-look', 'frost-left', 'after-defrost'), {
    spot: 'outdoors',
    power: 'live',
    call: 'defrost',
    minutes: 10,
    answers: says('clear', 'bands', 'base-ice'),
  });
}

function ductless(c: Catalog): void {
  if (c.machine.spec.outdoors !== 'inverter') return;
  c.volts('dl-line', ['off'], 'outdoors', { line: true });
  c.volts('dl-head', ['off'], 'indoors', { line: true });
  c.volts('dl-signal', ['cooling'], 'outdoors');
  c.volts('dl-signal-head', ['cooling'], 'indoors');
  c.words({ what: 'coil' }, wiring('hunt-look', 'coil-outdoors', 'coil'), COIL_BY_EYE);
  c.volts('dl-bus', ['cooling'], 'outdoors', { line: true });
  c.volts('dl-fan', ['cooling'], 'outdoors', { line: true });
  c.volts('dl-drive', ['cooling'], 'outdoors', { line: true });
  c.ohms('dl-fan', ['outdoor-fan.run'], 'outdoors', 6);
  c.ohms('dl-blower', ['blower.run'], 'indoors', 5);
  c.ohms('dl-windings', ['compressor.run'], 'outdoors', 6);
  c.ohms('dl-sensor', ['coil-sensor'], 'outdoors', 4);
  c.ohms('dl-valve', ['expansion-valve.coil'], 'outdoors', 4);
  c.ohms('dl-pan', ['pan-heater'], 'outdoors', 3);
  c.amps('dl-windings', 'compressor.run', 0.7 * c.machine.spec.compressorAmps, ['cooling'], 'outdoors');
}

function air(c: Catalog): void {
  const { outdoors: unit, indoors } = c.machine.spec;
  const cools = unit !== 'none';
  if (indoors !== 'head') c.air('static-pressure', 'fan', false);
  if (indoors !== 'head') c.air('return-gain', 'fan', true);
  if (!cools) return;
  c.air('split', 'cooling', true);
  c.air('split', 'cooling', false, SUPPLY_AIR);
  c.air('standing-pressure', 'off', false);
  c.air('condensing-over-air', 'cooling', true);
  c.air('compressor-share', 'cooling', true);
  if (unit === 'inverter') return c.air('heating-rise', 'heating', true);
  c.air('superheat', 'cooling', true);
  c.air('subcooling', 'cooling', true);
}

/** Every test a machine of that kind can be put to. */
export function testsOf(spec: MachineSpec): Test[] {
  const catalog = new Catalog(soundMachine(spec));
  for (const part of [calls, control, blower, heat, furnace, outdoors, heatPump, ductless, air]) part(catalog);
  const known = new Set<string>();
  return catalog.tests.filter(({ id }) => !known.has(id) && known.add(id));
}
