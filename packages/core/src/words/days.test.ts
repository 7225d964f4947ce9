import { clockWords, dayWords, promiseWords, pushedWords, spanWords } from './days.ts';

test('a minute of the day is told as an American clock tells it', () => {
  expect([0, 485, 719, 720, 750, 785, 1439, 1450].map(clockWords)).toEqual([
    '12:00 am',
    '8:05 am',
    '11:59 am',
    '12:00 pm',
    '12:30 pm',
    '1:05 pm',
    '11:59 pm',
    '12:10 am',
  ]);
  expect(promiseWords({ from: 540, to: 660 })).toBe('9:00 to 11:00 am');
  expect(promiseWords({ from: 660, to: 780 })).toBe('11:00 am to 1:00 pm');
  expect([45, 60, 120, 320].map(spanWords)).toEqual(['45 min', '1 h', '2 h', '5 h 20 min']);
});

test('a day says its work, its driving and its end, and what is wrong with it', () => {
  const frame = { begins: 480, ends: 1020, breakMinutes: 30, start: { lat: 40, lng: -45 } };
  const stop = { id: 'a', way: 10, arrives: 490, begins: 490, leaves: 550, late: 0, afterBreak: false };
  const times = { stops: [stop], driving: 20, back: 560, late: 0 };
  expect(dayWords(60, times, frame)).toBe('1 h at machines, 20 min driving, back at 9:20 am');
  expect(dayWords(60, { ...times, back: 1050, late: 15 }, { ...frame, start: null })).toBe(
    '1 h at machines, 20 min driving, done at 5:30 pm, 30 min past the end of the day, 15 min late in all',
  );
  expect(dayWords(0, { ...times, stops: [] }, frame)).toBe('Nothing planned');
});

test('a call says what it pushes', () => {
  const times = { stops: [], driving: 0, back: 0, late: 0 };
  expect(pushedWords({ at: 0, times, later: [], late: 0, past: 0 })).toBe('Pushes nothing');
  const later = [
    { id: 'a', by: 20 },
    { id: 'b', by: 50 },
  ];
  expect(pushedWords({ at: 0, times, later, late: 12, past: 40 })).toBe(
    'Pushes 2 addresses by up to 50 min; 12 min later than promised; 40 min past the end of the day',
  );
});
