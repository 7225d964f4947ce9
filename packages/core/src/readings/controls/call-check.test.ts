import { aboutOf, judged } from '../../testing/reading.ts';
import { callCheck as kind } from './call-check.ts';

test.each([
  ['call-off', 'nothing-runs', 'sound'],
  ['call-off', 'blower', 'act'],
  ['call-fan', 'blower', 'sound'],
  ['call-fan', 'blower,compressor', 'act'],
  ['call-cooling', 'compressor,outdoor-fan,blower', 'sound'],
  ['call-cooling', 'compressor,outdoor-fan,blower,strips', 'act'],
  ['call-emergency-heat', 'strips,blower', 'sound'],
  ['call-emergency-heat', 'strips', 'stop'],
] as const)('%s with %s is %s', (point, seen, standing) => {
  expect(judged(kind, { seen }, { point }).standing).toBe(standing);
});

test('a departure says where it points', () => {
  expect(judged(kind, { seen: 'blower,compressor' }, { point: 'call-fan' }).says).toMatch(/G and Y wires are touching/);
  expect(judged(kind, { seen: 'compressor,outdoor-fan' }, { point: 'call-cooling' }).says).toMatch(/relay/);
});

test('what should run is said beside the field, and is one tap', () => {
  const about = aboutOf(kind, { point: 'call-heating' });
  expect(kind.plateLine(about)).toBe('should run: compressor, outdoor fan, blower');
  expect(kind.methods[0]?.usual?.(about)).toEqual({ seen: ['compressor', 'outdoor-fan', 'blower'] });
  expect(kind.methods[0]?.usual?.({ ...about, point: 'call-off' })).toEqual({ seen: ['nothing-runs'] });
});

test('calls a system cannot answer are not asked', () => {
  const points = (system: Parameters<typeof aboutOf>[1]) => kind.methods[0]!.points(aboutOf(kind, system));
  expect(points({ system: 'air-handler-electric-heat' })).toEqual(['call-off', 'call-fan', 'call-heating']);
  expect(points({ system: 'ductless-heat-pump', plate: {} })).toEqual(['call-off', 'call-cooling', 'call-heating']);
  expect(points({ system: 'split-air-conditioner', plate: {} })).not.toContain('call-heating');
});

test('compressor and strips together are the second stage, a call of its own', () => {
  const seen = 'compressor,outdoor-fan,blower,strips';
  expect(judged(kind, { seen }, { point: 'call-second-stage' }, 'second-stage').standing).toBe('sound');
  expect(kind.methods[1]!.points(aboutOf(kind, { system: 'gas-furnace-with-coil', plate: {} }))).toEqual([]);
});
