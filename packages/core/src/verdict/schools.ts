import type { Component, ComponentKind } from '../equipment/component.ts';
import type { Unit } from '../quantity/unit.ts';
import { DEFAULT_POLICY, policySchema, type Policy } from './policy.ts';

/** What is said of a school is in words/schools.ts; how a firm chooses it, is here. All of it common practice, no source. */
export type SchoolSubject = 'capacitors' | 'defrost' | 'refrigerant' | 'air' | 'amps' | 'coils' | 'rounds';

interface AnySchool {
  readonly subject: SchoolSubject;
}

/** What kinds of part a school judges: one of them may be judged by another than the firm's. */
const JUDGES: Readonly<Record<SchoolSubject, readonly ComponentKind[]>> = {
  capacitors: ['run-capacitor'],
  defrost: ['defrost-board'],
  refrigerant: ['refrigerant-circuit'],
  air: ['air-side'],
  amps: ['compressor', 'outdoor-fan', 'blower'],
  coils: [],
  rounds: [],
};

/** One of a few, by name. */
export interface ChoiceSchool extends AnySchool {
  readonly type: 'choice';
  readonly options: readonly string[];
  readonly get: (policy: Policy) => string;
  readonly set: (policy: Policy, option: string) => Policy;
}

/** One figure, or the two ends of a window, in a unit and within bounds. */
export interface FigureSchool extends AnySchool {
  readonly type: 'figure' | 'window';
  readonly unit: Extract<Unit, '%' | '°F' | 'Ω' | 'CFM'>;
  readonly least: number;
  readonly most: number;
  readonly get: (policy: Policy) => readonly number[];
  readonly set: (policy: Policy, figures: readonly number[]) => Policy;
}

/** Months of the year, 1 to 12. */
export interface MonthsSchool extends AnySchool {
  readonly type: 'months';
  readonly get: (policy: Policy) => readonly number[];
  readonly set: (policy: Policy, months: readonly number[]) => Policy;
}

export type School = ChoiceSchool | FigureSchool | MonthsSchool;

type NumbersOf<T> = { [K in keyof T]: T[K] extends number ? K : never }[keyof T];
type Part = 'capacitor' | 'amps' | 'air' | 'refrigerant' | 'defrost' | 'coils';

/** A figure of the policy as it stands there, `times` it as it is shown. */
const figure = <P extends Part>(
  subject: SchoolSubject,
  part: P,
  key: NumbersOf<Policy[P]>,
  unit: FigureSchool['unit'],
  [least, most]: readonly [number, number],
  times = 1,
): FigureSchool => ({
  type: 'figure',
  subject,
  unit,
  least,
  most,
  get: (policy) => [Math.round((policy[part][key] as number) * times * 100) / 100],
  set: (policy, [value = 0]) => ({ ...policy, [part]: { ...policy[part], [key]: value / times } }),
});

const window = <P extends Part>(
  subject: SchoolSubject,
  part: P,
  [low, high]: readonly [NumbersOf<Policy[P]>, NumbersOf<Policy[P]>],
  unit: FigureSchool['unit'],
  [least, most]: readonly [number, number],
): FigureSchool => ({
  type: 'window',
  subject,
  unit,
  least,
  most,
  get: (policy) => [policy[part][low] as number, policy[part][high] as number],
  set: (policy, [from = 0, to = 0]) => ({ ...policy, [part]: { ...policy[part], [low]: from, [high]: to } }),
});

const RAISED = [60, 70, 80, 90] as const;
const oneOf = <T extends number>(all: readonly T[], text: string): T | undefined => all.find((n) => String(n) === text);

/** One of a few figures of the policy. */
const oneFigure = <P extends Part>(
  subject: SchoolSubject,
  part: P,
  key: NumbersOf<Policy[P]>,
  all: readonly number[],
): ChoiceSchool => ({
  type: 'choice',
  subject,
  options: all.map(String),
  get: (policy) => String(policy[part][key]),
  set: (policy, option) => {
    const chosen = oneOf(all, option);
    return chosen === undefined ? policy : { ...policy, [part]: { ...policy[part], [key]: chosen } };
  },
});

/** Every school a firm chooses for itself, in the order they are shown. */
export const SCHOOLS = {
  'capacitor-tolerance': {
    type: 'choice',
    subject: 'capacitors',
    options: ['printed', 'tight', 'wide'],
    get: ({ capacitor }) => capacitor.school,
    set: (policy, option) => {
      const school = policySchema.shape.capacitor.shape.school.safeParse(option).data ?? policy.capacitor.school;
      return { ...policy, capacitor: { ...policy.capacitor, school } };
    },
  },
  'capacitor-replacement': oneFigure('capacitors', 'capacitor', 'replacementPercent', [0, 5, 10]),
  'capacitor-baseline': figure('capacitors', 'capacitor', 'baselineDropPercent', '%', [1, 30]),
  'defrost-termination': {
    type: 'choice',
    subject: 'defrost',
    options: ['factory', ...RAISED.map(String)],
    get: ({ defrost }) => (defrost.school === 'factory' ? 'factory' : String(defrost.raiseToF)),
    set: (policy, option) => ({
      ...policy,
      defrost: {
        ...policy.defrost,
        school: option === 'factory' ? 'factory' : 'raise-50',
        raiseToF: oneOf(RAISED, option) ?? policy.defrost.raiseToF,
      },
    }),
  },
  'defrost-interval': oneFigure('defrost', 'defrost', 'longestIntervalMin', [30, 60, 90]),
  'sensor-error': figure('defrost', 'defrost', 'sensorErrorF', '°F', [1, 20]),
  'valve-superheat': window('refrigerant', 'refrigerant', ['valveSuperheatLowF', 'valveSuperheatHighF'], '°F', [0, 40]),
  'superheat-tolerance': figure('refrigerant', 'refrigerant', 'superheatToleranceF', '°F', [1, 15]),
  'usual-subcooling': window(
    'refrigerant',
    'refrigerant',
    ['usualSubcoolingLowF', 'usualSubcoolingHighF'],
    '°F',
    [0, 30],
  ),
  'subcooling-tolerance': figure('refrigerant', 'refrigerant', 'subcoolingToleranceF', '°F', [1, 10]),
  'cooling-split': window('air', 'air', ['splitLowF', 'splitHighF'], '°F', [5, 35]),
  'air-per-ton': window('air', 'air', ['cfmPerTonLow', 'cfmPerTonHigh'], 'CFM', [200, 600]),
  'room-departure': figure('air', 'air', 'roomF', '°F', [1, 10]),
  'amps-watched': figure('amps', 'amps', 'watchFrom', '%', [50, 100], 100),
  'amps-baseline': figure('amps', 'amps', 'baselinePercent', '%', [5, 50]),
  'contactor-coil': window('coils', 'coils', ['contactorLowOhms', 'contactorHighOhms'], 'Ω', [1, 200]),
  'relay-coil': window('coils', 'coils', ['relayLowOhms', 'relayHighOhms'], 'Ω', [5, 500]),
  'coil-baseline': figure('coils', 'coils', 'baselinePercent', '%', [5, 50]),
  'round-months': {
    type: 'months',
    subject: 'rounds',
    get: ({ roundMonths }) => roundMonths,
    set: (policy, months) => ({ ...policy, roundMonths: [...new Set(months)].sort((a, b) => a - b) }),
  },
} as const satisfies Readonly<Record<string, School>>;

export type SchoolId = keyof typeof SCHOOLS;
export const SCHOOL_IDS = Object.keys(SCHOOLS) as SchoolId[];

/** A school by its id. */
export const schoolOf = (id: SchoolId): School => SCHOOLS[id];

/** What a school is set to, as text that can be compared. */
const settingOf = (id: SchoolId, policy: Policy): string => JSON.stringify(schoolOf(id).get(policy));

/** The schools in which two policies differ. */
export const schoolsChanged = (from: Policy, to: Policy): SchoolId[] =>
  SCHOOL_IDS.filter((id) => settingOf(id, from) !== settingOf(id, to));

/** Why a policy cannot be kept: in which school, and what is wrong with it. */
export interface SchoolProblem {
  readonly school: SchoolId;
  readonly problem: 'out-of-bounds' | 'ends-crossed' | 'no-month';
}

function problemOf(school: School, policy: Policy): SchoolProblem['problem'] | null {
  if (school.type === 'choice') return null;
  const figures = school.get(policy);
  if (school.type === 'months') return figures.length === 0 ? 'no-month' : null;
  if (figures.some((n) => !(n >= school.least && n <= school.most))) return 'out-of-bounds';
  const [low, high] = figures;
  return school.type === 'window' && low !== undefined && high !== undefined && low >= high ? 'ends-crossed' : null;
}

/** What keeps a policy from being kept; empty when nothing does. */
export const schoolProblems = (policy: Policy): SchoolProblem[] =>
  SCHOOL_IDS.flatMap((school) => {
    const problem = problemOf(schoolOf(school), policy);
    return problem ? [{ school, problem }] : [];
  });

/** Where a school judges other parts than its subject does. */
const JUDGES_ITSELF: Readonly<Partial<Record<SchoolId, readonly ComponentKind[]>>> = {
  'sensor-error': ['temperature-sensor'],
  'room-departure': ['thermostat'],
  'contactor-coil': ['contactor'],
  'relay-coil': ['blower-relay', 'heat-relay'],
  'coil-baseline': ['contactor', 'blower-relay', 'heat-relay', 'sequencer'],
};

/** The schools that a part of some kind is judged by, each of which it may have for itself. */
export const schoolsJudging = (kind: ComponentKind): SchoolId[] =>
  SCHOOL_IDS.filter((id) => (JUDGES_ITSELF[id] ?? JUDGES[SCHOOLS[id].subject]).includes(kind));

/** What a school is set to: an option, or figures in its unit. */
export type SchoolSetting = string | readonly number[];

/** A policy with one school set; as it was where the setting is of another form. */
export function withSchool(policy: Policy, id: SchoolId, setting: SchoolSetting): Policy {
  const school = schoolOf(id);
  if (school.type === 'choice') return typeof setting === 'string' ? school.set(policy, setting) : policy;
  return typeof setting === 'string' ? policy : school.set(policy, setting);
}

/** What a part is judged by: the firm's policy, with the schools that it has for itself. */
export function policyFor({ kind, plate: { schools } }: Pick<Component, 'kind' | 'plate'>, policy: Policy): Policy {
  if (!schools) return policy;
  return schoolsJudging(kind).reduce((own, id) => {
    const setting = schools[id];
    return setting === undefined ? own : withSchool(own, id, setting);
  }, policy);
}

/** Why a part cannot be judged so; null when it can. Not of it: no part of its kind is judged by that school. */
export function ownSchoolProblem(
  kind: ComponentKind,
  id: SchoolId,
  setting: SchoolSetting,
): SchoolProblem['problem'] | 'not-of-it' | 'no-option' | null {
  if (!schoolsJudging(kind).includes(id)) return 'not-of-it';
  const school = schoolOf(id);
  if (school.type === 'choice')
    return typeof setting === 'string' && school.options.includes(setting) ? null : 'no-option';
  const figures = school.type === 'window' ? 2 : 1;
  if (typeof setting === 'string' || setting.length !== figures) return 'no-option';
  return problemOf(school, withSchool(DEFAULT_POLICY, id, setting));
}
