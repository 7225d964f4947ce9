import type { Suspect } from '@yarnix/core';
import { outline, strandsOf, thickness } from './strands.ts';

const suspect = (id: string, course: number[], cutBy: number | null = null): Suspect =>
  ({ id, faults: [], slot: null, chance: course.at(-1) ?? 0, course, cutBy }) as unknown as Suspect;

test('a strand is as thick as its chance, and never nothing', () => {
  expect(thickness(1)).toBe(30);
  expect(thickness(0)).toBe(1.5);
  expect(thickness(0.6)).toBeGreaterThan(thickness(0.5));
});

test('those alive stand on top by their chance, those cut below, the last cut first', () => {
  const { strands, left } = strandsOf([
    suspect('likely', [0.3, 0.7]),
    suspect('less', [0.2, 0.3]),
    suspect('early', [0.2, 0], 0),
    suspect('late', [0.2, 0.1, 0], 1),
  ]);
  expect(strands.map((s) => s.suspect.id)).toEqual(['likely', 'less', 'late', 'early']);
  expect(strands.map((s) => s.cut)).toEqual([false, false, true, true]);
  expect(strands[2]?.course).toEqual([0.2, 0.1]);
  expect(left).toBe(0);
});

test('what there is no room for is counted, not lost', () => {
  const many = Array.from({ length: 20 }, (_, i) => suspect(`s${i}`, [0.05]));
  expect(strandsOf(many, 14).left).toBe(6);
});

test('an outline runs along its top and back along its bottom', () => {
  expect(outline({ y: 100, course: [0, 1] }, [10, 50], 90)).toBe(
    '10.0,99.3 50.0,85.0 90.0,85.0 90.0,115.0 50.0,115.0 10.0,100.8',
  );
});
