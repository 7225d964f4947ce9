import { dayOf } from '../../quantity/day.ts';
import { readOwnRow } from './own-rows.ts';

const HEADERS = [
  'taken_at',
  'system',
  'part',
  'kind',
  'point',
  'method',
  'entered',
  'superseded',
  'note',
  'conditions',
];
const TODAY = dayOf('2026-11-01');
const read = (over: Record<string, string>) => {
  const cells: Record<string, string> = {
    taken_at: '2026-10-10T14:20:00.000Z',
    part: 'Run capacitor',
    kind: 'run-capacitor-capacitance',
    point: 'herm',
    method: 'bench',
    entered: 'microfarads=38.4',
    ...over,
  };
  return readOwnRow(
    HEADERS,
    HEADERS.map((name) => cells[name] ?? ''),
    2,
    TODAY,
  );
};

test('a row of our own comes as it was entered, in the state it was taken in', () => {
  expect(
    read({
      conditions:
        'outdoorF=52; iceSeen=true; call=cooling; compressorStage=low; loose=fan-lead-pulled+strip-wire-lifted',
      note: "'=1+1",
    }),
  ).toMatchObject({
    day: dayOf('2026-10-10'),
    minute: 14 * 60 + 20,
    isUtc: true,
    note: '=1+1',
    own: {
      entry: { inputs: { microfarads: 38.4 }, at: [['run-capacitor', 'herm']] },
      conditions: {
        outdoorF: 52,
        iceSeen: true,
        call: 'cooling',
        compressorStage: 'low',
        loose: ['fan-lead-pulled', 'strip-wire-lifted'],
      },
    },
  });
  expect(read({ kind: 'indoor-looks', part: 'Indoor unit', method: 'seen', entered: 'seen=a+b=c' })).toMatchObject({
    own: { entry: { inputs: { seen: ['a', 'b=c'] } } },
  });
});

test.each([
  [{ taken_at: '2027-04-01T10:00:00Z' }, /is still to come/],
  [{ taken_at: '1950-04-01T10:00:00Z' }, /is before anything that is kept/],
  [{ taken_at: 'yesterday' }, /is no moment/],
  [{ superseded: 'yes' }, /corrected there/],
  [{ kind: 'constructor' }, /is known here/],
  [{ part: 'Flux capacitor' }, /is known here/],
] as const)('%j is refused', (over, why) => {
  expect(read(over)).toMatchObject({ line: 2, refused: expect.stringMatching(why) as string });
});
