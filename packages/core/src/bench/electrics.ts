import { heaterAmps, heaterResistance } from '../trade/electric-heat/heater.ts';
import { compressorRlaFromPlate } from '../trade/motor/compressor-rla.ts';
import { threeWireCheck } from '../trade/motor/three-wire-check.ts';
import { thermistorTemperature } from '../trade/sensors/thermistor-temperature.ts';
import { LIVE_WORK, LOCK_OUT } from '../round/cautions.ts';
import { sayQuantity } from '../words/figures.ts';
import { cannotSay, number, plain, type BenchSum } from './contract.ts';

/** What a heating element should draw and read. */
export const heater: BenchSum = {
  id: 'heater',
  title: 'Heater amps and ohms',
  says: 'What an element should draw at the volts there are, and read with the power off.',
  inputs: [
    number('kilowatts', 'Rated', 'kW', [0.1, 40]),
    number('rated', 'Rated volts', 'V', [100, 600], { usual: '240' }),
    number('volts', 'Volts measured', 'V', [50, 600], { optional: true }),
  ],
  work({ number: of }) {
    const [kilowatts, ratedVolts] = [of('kilowatts'), of('rated')];
    const volts = Number.isNaN(of('volts')) ? ratedVolts : of('volts');
    const [ohms, amps] = [heaterResistance({ kilowatts, ratedVolts }), heaterAmps({ kilowatts, ratedVolts, volts })];
    if (ohms.outcome === 'cannot-say' || amps.outcome === 'cannot-say') return cannotSay('All must be above zero.');
    return {
      outcome: 'value',
      result: sayQuantity(amps.value, 'A'),
      formula: `${plain(volts)} V ÷ (${plain(ratedVolts)}² ÷ ${plain(kilowatts * 1000)} W)`,
      also: [`${sayQuantity(ohms.value, 'Ω')} with the power off and its wires lifted.`],
    };
  },
  cautions: [LIVE_WORK, LOCK_OUT],
  source: 'R = V² ÷ P and I = V ÷ R: Ohm’s law.',
};

/** Three wires of a compressor against one another. */
export const threeWires: BenchSum = {
  id: 'three-wires',
  title: 'Three wires',
  says: 'Whether common, run and start amps of a single-phase compressor fit one another.',
  inputs: [
    number('common', 'Common', 'A', [0, 150]),
    number('run', 'Run', 'A', [0, 150]),
    number('start', 'Start', 'A', [0, 150]),
  ],
  work({ number: of }) {
    const [common, run, start] = [of('common'), of('run'), of('start')];
    const check = threeWireCheck({ common, run, start });
    if (check.outcome === 'cannot-say')
      return cannotSay('Without run amps the three cannot be held against one another.');
    return {
      outcome: 'value',
      result: check.outcome === 'agrees' ? 'They fit' : 'They do not fit',
      formula: `√(${plain(run)}² + ${plain(start)}²) = ${plain(check.expectedCommon)} A; ${plain(common)} A read, ${plain(check.offPercent, 2)} % off`,
      doubts:
        check.outcome === 'agrees'
          ? []
          : ['A wrong wire was clamped, or the capacitor or a winding is off. Clamp again before anything else.'],
    };
  },
  cautions: [LIVE_WORK],
  source: 'Start amps run a quarter cycle ahead of run amps; 10 % allowed. Common practice, no source.',
};

/** Rated load amps where the plate gives only the circuit. */
export const ratedLoad: BenchSum = {
  id: 'rla-from-mca',
  title: 'RLA from MCA',
  says: 'The compressor’s rated load amps where only the minimum circuit ampacity can be read. Never from the breaker.',
  inputs: [number('mca', 'Minimum circuit ampacity', 'A', [1, 150]), number('fan', 'Outdoor fan FLA', 'A', [0, 10])],
  work({ number: of }) {
    const found = compressorRlaFromPlate({ mca: of('mca'), fanFla: of('fan') });
    if (found.outcome === 'cannot-say') return cannotSay('The fan cannot draw as much as the whole circuit carries.');
    return {
      outcome: 'value',
      result: sayQuantity(found.rla, 'A'),
      formula: `(${plain(of('mca'))} A − ${plain(of('fan'))} A) ÷ 1.25`,
    };
  },
  source: 'MCA = 1.25 × RLA + other loads: NEC article 440.',
};

/** What a thermistor says by its ohms. */
export const thermistor: BenchSum = {
  id: 'thermistor',
  title: 'Thermistor',
  says: 'The temperature a sensor stands for by its ohms, to be held against a thermometer beside it.',
  inputs: [
    number('ohms', 'Ohms, unplugged', 'Ω', [1, 5_000_000]),
    number('r25', 'Ohms at 77 °F', 'Ω', [10, 1_000_000], { usual: '10000' }),
    number('beta', 'Beta', 'K', [1000, 6000], { usual: '3950' }),
    number('air', 'Thermometer beside it', '°F', [-60, 250], { optional: true }),
  ],
  work({ number: of }) {
    const found = thermistorTemperature(of('ohms'), { r25: of('r25'), beta: of('beta') });
    if (found.outcome === 'cannot-say') return cannotSay('Ohms so low are beyond this curve.');
    const off = found.fahrenheit - of('air');
    return {
      outcome: 'value',
      result: sayQuantity(found.fahrenheit, '°F'),
      formula: `1 ÷ (1 ÷ 298.15 + ln(${plain(of('ohms'))} ÷ ${plain(of('r25'))}) ÷ ${plain(of('beta'))}) K`,
      also: Number.isNaN(off) ? [] : [`It reads ${sayQuantity(Math.abs(off), '°F')} ${off < 0 ? 'cold' : 'warm'}.`],
    };
  },
  cautions: [LOCK_OUT],
  hands: { kind: 'sensor-error', method: 'ohms', inputs: { ohms: 'ohms' } },
  source: 'The definition of beta. The curve is the manufacturer’s: 10 kΩ and 3950 K are usual, not universal.',
};
