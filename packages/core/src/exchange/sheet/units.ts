import type { Unit } from '../../quantity/unit.ts';
import { fahrenheitOf } from '../../quantity/convert.ts';

/** A unit as spreadsheets write it, and how it becomes one that readings are kept in. */
interface WrittenUnit {
  readonly unit: Unit;
  readonly names: readonly string[];
  /** How it is brought there, in words; empty where nothing is done. */
  readonly rule: string;
  readonly bring: (value: number) => number;
}

const same = (unit: Unit, ...names: string[]): WrittenUnit => ({ unit, names, rule: '', bring: (value) => value });
const times = (unit: Unit, factor: number, rule: string, ...names: string[]): WrittenUnit => ({
  unit,
  names,
  rule,
  bring: (value) => Number((value * factor).toPrecision(12)),
});

/** Exact: 1 psi = 6.894757… kPa (NIST SP 811, appendix B); 1 ft³ = 28.316846592 L; 1 W = 3.412141633 Btu/h. */
const PSI_A_KPA = 1 / 6.894757293168;
const CFM_A_LITER_A_SECOND = 60 / 28.316846592;
const BTUH_A_WATT = 3.412141633;

const WRITTEN: readonly WrittenUnit[] = [
  same('µF', 'µf', 'uf', 'mfd', 'mf', 'microfarad', 'microfarads'),
  times('µF', 1e-3, 'nF ÷ 1000', 'nf', 'nanofarad', 'nanofarads'),
  same('A', 'a', 'amp', 'amps', 'ampere', 'amperes'),
  times('A', 1e-3, 'mA ÷ 1000', 'ma', 'milliamp', 'milliamps'),
  same('V', 'v', 'vac', 'volt', 'volts'),
  times('V', 1e-3, 'mV ÷ 1000', 'mv', 'millivolt', 'millivolts'),
  same('Ω', 'ω', 'ohm', 'ohms'),
  times('Ω', 1e3, 'kΩ × 1000', 'kω', 'kohm', 'kohms', 'kiloohm', 'kiloohms', 'k'),
  times('Ω', 1e6, 'MΩ × 1,000,000', 'mω', 'megohm', 'megohms', 'mohm', 'mohms'),
  same('°F', '°f', 'f', 'degf', 'fahrenheit'),
  {
    unit: '°F',
    names: ['°c', 'c', 'degc', 'celsius'],
    rule: '°C × 9/5 + 32',
    bring: (value) => Number(fahrenheitOf(value).toPrecision(12)),
  },
  same('psig', 'psig', 'psi', 'lbs'),
  times('psig', PSI_A_KPA, 'kPa ÷ 6.895', 'kpa'),
  times('psig', PSI_A_KPA * 100, 'bar × 14.504', 'bar'),
  same('CFM', 'cfm'),
  times('CFM', CFM_A_LITER_A_SECOND, 'L/s × 2.119', 'l/s', 'lps'),
  same('Btu/h', 'btu/h', 'btuh', 'btu'),
  times('Btu/h', BTUH_A_WATT * 1000, 'kW × 3412', 'kw'),
  same('%', '%', 'percent', 'rh'),
  same('s', 's', 'sec', 'second', 'seconds'),
  same('min', 'min', 'mins', 'minute', 'minutes'),
  times('min', 60, 'h × 60', 'h', 'hr', 'hrs', 'hour', 'hours'),
];

const named = (name: string) => (written: WrittenUnit) => written.names.includes(name);
const plain = (name: string): string => name.trim().toLowerCase().replace(/[μ]/g, 'µ').replace(/\s+/g, '');

/** What a unit's name stands for where readings are kept in `unit`; undefined when it is none of that quantity. */
export const writtenUnit = (name: string, unit: Unit): WrittenUnit | undefined =>
  WRITTEN.filter((written) => written.unit === unit).find(named(plain(name)));

/** Whether a word is the name of any unit. */
export const isUnitName = (word: string): boolean => WRITTEN.some(named(plain(word)));

const wayOf = ({ rule, unit }: WrittenUnit): string => (rule === '' ? unit : (rule.split(' ')[0] ?? unit));

/** How a unit can be written, most usual first, for whoever chooses: "°F", "°C". */
export const waysToWrite = (unit: Unit): string[] => WRITTEN.filter((written) => written.unit === unit).map(wayOf);

/** The one of these ways that a name stands for: "celsius" is "°C"; the unit itself where it stands for none. */
export function wayWritten(name: string, unit: Unit): string {
  const written = writtenUnit(name, unit);
  return written ? wayOf(written) : unit;
}

/** How a column of that unit is brought to the one readings are kept in, in words; empty where nothing is done. */
export function ruleOfUnit(name: string, unit: Unit, isDifference = false): string {
  const rule = writtenUnit(name, unit)?.rule ?? '';
  return isDifference ? rule.replace(' + 32', '') : rule;
}

/** What a written value is as it is kept; NaN for a unit of something else. A difference of temperatures has no 32 in it. */
export function brought(value: number, name: string, unit: Unit, isDifference = false): number {
  const written = writtenUnit(name, unit);
  if (!written) return NaN;
  return isDifference ? Number((written.bring(value) - written.bring(0)).toPrecision(12)) : written.bring(value);
}
