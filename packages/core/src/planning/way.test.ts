import { milesBetween, readPlace, sayPlace, UNKNOWN_WAY, wayMinutes } from './way.ts';

test('a degree of latitude is 69.1 miles, as is one of longitude on the equator only', () => {
  // 111.19 km on a sphere of 6371 km: textbook geometry.
  expect(milesBetween({ lat: 0, lng: 0 }, { lat: 1, lng: 0 })).toBeCloseTo(69.09, 1);
  expect(milesBetween({ lat: 0, lng: 179.5 }, { lat: 0, lng: -179.5 })).toBeCloseTo(69.09, 1);
  expect(milesBetween({ lat: 60, lng: 0 }, { lat: 60, lng: 1 })).toBeCloseTo(34.55, 1);
  expect(milesBetween({ lat: 90, lng: 0 }, { lat: -90, lng: 0 })).toBeCloseTo(Math.PI * 3958.76, 3);
});

test('a way takes no time next door, and is a guess where a place is not known', () => {
  const here = { lat: 40, lng: -45 };
  expect(wayMinutes(here, here)).toBe(0);
  expect(wayMinutes(here, { lat: 40.1, lng: -45 })).toBe(Math.round(3 + ((6.909 * 1.3) / 28) * 60));
  expect(wayMinutes(null, here)).toBe(UNKNOWN_WAY);
});

test.each([
  ['40.7128, -74.006', 40.7128, -74.006],
  [' 40.7128 -74.006 ', 40.7128, -74.006],
  ['geo:40.7128,-74.006', 40.7128, -74.006],
  ['40.7128° N, 74.006° W', 40.7128, -74.006],
  ['74.006 W; 40.7128 N', 40.7128, -74.006],
  ['-33, 151', -33, 151],
])('"%s" is a place', (text, lat, lng) => {
  expect(readPlace(text)).toEqual({ lat, lng });
  expect(readPlace(sayPlace({ lat, lng }))?.lat).toBeCloseTo(lat, 3);
});

test.each(['', '40.7', '91, 0', '0, 181', '40 N, 41 N', '40 N, 74', '1e3, 2', '40,7128, -74,006', 'home', '1,2,3'])(
  '"%s" is none',
  (text) => expect(readPlace(text)).toBeNull(),
);
