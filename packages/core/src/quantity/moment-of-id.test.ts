import { momentOfId } from './moment-of-id.ts';

test('the moment of the worked example of RFC 9562, appendix A.6', () => {
  // Source: RFC 9562, February 22, 2022, 2:22:22.00 PM GMT-05:00 as 017F22E2-79B0-7CC3-98C4-DC0C0C07398F.
  expect(momentOfId('017F22E2-79B0-7CC3-98C4-DC0C0C07398F')).toBe('2022-02-22T19:22:22.000Z');
});

test('other ids tell no moment', () => {
  expect(momentOfId('919108f7-52d1-4320-9bac-f847db4148a8')).toBeNull();
  expect(momentOfId('r1')).toBeNull();
});
