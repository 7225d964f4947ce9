import { askOf } from '../../judgment/asks.ts';
import { judged } from '../../testing/reading.ts';
import { policyFor } from '../../verdict/schools.ts';
import { POLICIES } from '../../verdict/policy.ts';
import { runCapacitorCapacitance as kind } from './run-capacitor-capacitance.ts';
import type { About } from '../contract/entry.ts';

const about = (rating?: string, point: About['point'] = 'herm'): About => ({
  systemKind: 'split-heat-pump',
  plate: {},
  component: { slot: 'run-capacitor', kind: 'run-capacitor', plate: { rating }, fittedOn: null },
  point,
});

test('limits of the three schools for 40 µF with nothing printed (common practice, no source)', () => {
  const lower = (school: keyof typeof POLICIES) => {
    const limits = kind.limits(about('40+5 µF'), POLICIES[school]);
    return limits.known ? limits.lower : NaN;
  };
  expect(lower('printed')).toBeCloseTo(37.6);
  expect(lower('tight')).toBeCloseTo(38);
  expect(lower('wide')).toBeCloseTo(36);
});

test('one part may be judged by a school of its own, whatever the firm has', () => {
  const at = about('40+5 µF');
  const own = { ...at.component, plate: { ...at.component.plate, schools: { 'capacitor-tolerance': 'wide' } } };
  for (const policy of Object.values(POLICIES))
    expect(kind.limits(at, policyFor(own, policy))).toEqual(kind.limits(at, POLICIES.wide));
});

test('the tight school keeps a printed upper limit', () => {
  const limits = kind.limits(about('40 µF -5+10 %', 'single'), POLICIES.tight);
  expect(limits.known && limits.upper).toBeCloseTo(44);
});

test('an unreadable label leaves one section to be read, without a limit', () => {
  const unread = about('rubbed off', 'single');
  expect(kind.methods.find((m) => m.id === 'bench')?.points(unread)).toEqual(['single']);
  expect(kind.limits(unread, POLICIES.printed)).toMatchObject({
    known: false,
    because: { numbers: { text: 'rubbed off' } },
  });
  expect(kind.plausible(unread)).not.toBeNull();
});

test('the blower’s capacitor is judged like any other', () => {
  const plate = { blowerMotor: 'psc' as const, blowerCapacitorRating: '10 µF ±6% 370 V' };
  const setting = { system: 'gas-furnace-with-coil', slot: 'blower-capacitor', plate, point: 'single' } as const;
  const bench = (microfarads: number) => judged(kind, { microfarads }, setting, 'bench').standing;
  expect([bench(9.9), bench(9.5), bench(9.1)]).toEqual(['sound', 'watch', 'act']);
});

// Never fewer volts, and the same µF within the firm's allowance: common practice, no source.
test.each([
  ['45+5 µF 370 V', '35+5 µF 440 V', 'not-as-asked'],
  ['35+5 µF 370 V', '35+5 µF 440 V', 'not-as-asked'],
  ['35+5 µF 440 V', '35+5 µF 370 V', undefined],
  ['35+5 µF 440 V', undefined, undefined],
  // A dual one that two single ones stand in for: their own slots tell.
  ['35 µF 440 V', '35+5 µF 440 V', undefined],
] as const)('%s where the plate asks for %s: %s', (fitted, capacitorRating, code) => {
  const at = { ...about(fitted), plate: { capacitorRating } };
  const [found] = kind.besides?.({ microfarads: 45 }, at, POLICIES.printed) ?? [];
  expect(found?.because.code).toBe(code);
  if (found) expect([found.standing, askOf(found)]).toEqual(['act', 'replace']);
});

test.each([
  [365, undefined],
  [385, 'watch'],
  [412, 'act'],
])('%i V across a 370 V can: %s', (volts, standing) => {
  const [found] = kind.besides?.({ amps: 5, volts }, about('40+5 µF 370 V'), POLICIES.printed) ?? [];
  expect(found?.standing).toBe(standing);
});
