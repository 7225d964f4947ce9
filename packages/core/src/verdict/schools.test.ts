import { COMPONENT_KINDS } from '../equipment/component.ts';
import { saySchool, saySchoolProblem, SCHOOL_WORDS } from '../words/schools.ts';
import { DEFAULT_POLICY, POLICIES, policyFrom, policySchema, type Policy } from './policy.ts';
import {
  policyFor,
  SCHOOL_IDS,
  schoolOf,
  schoolsJudging,
  schoolProblems,
  schoolsChanged,
  type SchoolId,
} from './schools.ts';

/** A setting other than the one that stands, of any school. */
function moved(id: SchoolId, policy: Policy): Policy {
  const school = schoolOf(id);
  if (school.type === 'choice') return school.set(policy, school.options.find((o) => o !== school.get(policy)) ?? '');
  if (school.type === 'months') return school.set(policy, [3, 9]);
  return school.set(
    policy,
    school.get(policy).map((n) => n + 1),
  );
}

test.each(SCHOOL_IDS)('%s: what is set is what is read back, the rest stays, and the policy is still one', (id) => {
  const changed = moved(id, DEFAULT_POLICY);
  expect(schoolsChanged(DEFAULT_POLICY, changed)).toEqual([id]);
  expect(policySchema.safeParse(changed).success).toBe(true);
  expect(policyFrom(JSON.parse(JSON.stringify(changed)))).toEqual(changed);
  expect(saySchool(id, changed)).not.toBe(saySchool(id, DEFAULT_POLICY));
  const school = schoolOf(id);
  // Set back, nothing is left of it.
  const back = school.set(changed, school.get(DEFAULT_POLICY) as never);
  expect(schoolsChanged(DEFAULT_POLICY, back)).toEqual([]);
});

test('each school says what it is about, and each way of it who argues for it and what it costs', () => {
  for (const id of SCHOOL_IDS) {
    const school = schoolOf(id);
    const words = SCHOOL_WORDS[id];
    if (school.type !== 'choice') expect(words.tighter && words.wider).toBeTruthy();
    else for (const option of school.options) expect(words.sides?.[option]).toMatchObject({ argued: /./, costs: /./ });
  }
});

test('a choice that there is not changes nothing', () => {
  for (const id of SCHOOL_IDS) {
    const school = schoolOf(id);
    if (school.type === 'choice' && id !== 'defrost-termination')
      expect(school.set(DEFAULT_POLICY, 'nonsense')).toEqual(DEFAULT_POLICY);
  }
});

test('every policy that ships can be kept; ends that cross, figures out of bounds and no month cannot, each told by name', () => {
  for (const policy of Object.values(POLICIES)) expect(schoolProblems(policy)).toEqual([]);
  const wrong: Policy = {
    ...DEFAULT_POLICY,
    air: { ...DEFAULT_POLICY.air, splitLowF: 22, splitHighF: 15 },
    defrost: { ...DEFAULT_POLICY.defrost, sensorErrorF: 90 },
    roundMonths: [],
  };
  expect(schoolProblems(wrong).map(saySchoolProblem)).toEqual([
    'A sensor against the air it hangs in: from 1 to 20 °F; out of what any school uses.',
    'Cooling split: the lower figure must be under the higher one.',
    'Months of the rounds: choose at least one month.',
  ]);
  const noNumber = { ...DEFAULT_POLICY, air: { ...DEFAULT_POLICY.air, roomF: NaN } };
  expect(schoolProblems(noNumber)).toHaveLength(1);
});

test('a part is judged by the schools it has for itself, those of its kind alone', () => {
  const contactor = {
    kind: 'contactor',
    plate: { schools: { 'contactor-coil': [5, 30], 'cooling-split': [1, 2] } },
  } as const;
  const own = policyFor(contactor, DEFAULT_POLICY);
  expect(schoolsChanged(DEFAULT_POLICY, own)).toEqual(['contactor-coil']);
  expect(own.coils).toMatchObject({ contactorLowOhms: 5, contactorHighOhms: 30 });
  expect(policyFor({ kind: 'contactor', plate: {} }, DEFAULT_POLICY)).toBe(DEFAULT_POLICY);
});

test('each school but the months judges some kind of part, which is found by it', () => {
  const judged = new Set(COMPONENT_KINDS.flatMap((kind) => schoolsJudging(kind)));
  expect(SCHOOL_IDS.filter((id) => !judged.has(id))).toEqual(['round-months']);
});
