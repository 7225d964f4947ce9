import { machineSpecOf } from '../circuit/machine-spec.ts';
import { groundOf } from '../diagnosis/ground.ts';
import { answersOn, askedOn, newCall, saysToHunt, timerOn, unjudgedOn, type HuntScene } from './hunt-of-round.ts';
import type { RoundComponent, RoundReading } from './round-parts.ts';

const { tests } = groundOf(machineSpecOf('split-air-conditioner', { capacitorRating: '40+5 µF 440 V' }));
const part = (id: string, slot: string) =>
  ({ id, slot, kind: slot, plate: {}, fittedOn: null }) as unknown as RoundComponent;
const components = [part('line', 'supply'), part('cap', 'run-capacitor'), part('stat', 'thermostat')];
let count = 0;
const reading = (over: Partial<RoundReading>): RoundReading => ({
  id: `r${(count += 1)}`,
  visitId: 'here',
  componentId: 'line',
  kind: 'wiring-volts',
  point: 'r-c',
  method: 'off',
  value: null,
  findings: ['noted'],
  inputs: { volts: 26.2 },
  takenAt: `2026-11-25T15:0${count % 10}:00.000Z`,
  supersedes: null,
  ...over,
});
const call = newCall(['nothing-runs']);
const scene = (readings: RoundReading[], over = {}): HuntScene => ({
  kind: 'split-air-conditioner',
  call: { ...call, ...over },
  visitId: 'here',
  readings,
  components,
  tests,
});

test('what was read on the visit answers its tests; other visits, other parts and what no test asks say nothing', () => {
  const answers = answersOn(
    scene([
      reading({}),
      reading({ visitId: 'another', point: 'ro-c' }),
      reading({ componentId: 'cap', kind: 'run-capacitor-capacitance', point: 'herm', method: 'bench', value: 38.1 }),
      reading({ componentId: 'cap', kind: 'run-capacitor-capacitance', point: 'herm', method: 'needle-sweep' }),
      reading({
        componentId: 'stat',
        kind: 'call-check',
        point: 'call-cooling',
        method: 'seen',
        inputs: { seen: ['blower', 'compressor'] },
      }),
    ]),
  );
  expect(answers.map(({ test, reading: says }) => [test, says])).toEqual([
    ['wiring-volts/supply/r-c/off', 26.2],
    ['run-capacitor-capacitance/run-capacitor/herm/bench', 38.1],
    ['call-check/thermostat/call-cooling/seen', 'compressor blower'],
  ]);
});

test('the latest reading of a test counts; what was doubted is marked, what could not be read is an answer, too', () => {
  const [first, second] = [reading({ inputs: { volts: 3 } }), reading({ inputs: { volts: 25 } })];
  const idle = 'superheat/refrigerant-circuit/suction/gauges';
  const answers = answersOn(
    scene([first, second], { doubted: [second.id], idle: [idle], skipped: ['wiring-volts/supply/ro-c/off'] }),
  );
  expect(answers[0]).toMatchObject({ reading: 25, doubted: true, readingId: second.id });
  expect(answers[1]).toMatchObject({ test: idle, reading: NaN, readingId: null });
  expect(askedOn(scene([], { idle: [idle], skipped: ['x'] })).skipped).toEqual(['x']);
});

test('where the fault comes and goes, every answer counts: one caught it, the other found it away', () => {
  const [first, second] = [reading({ inputs: { volts: 3 } }), reading({ inputs: { volts: 25 } })];
  const asked = askedOn(scene([first, second], { atTimes: true }));
  expect(asked.atTimes).toBe(true);
  expect(asked.observations.map((o) => o.reading)).toEqual([3, 25]);
});

test('after a repair the hunt begins anew, and what was just made new is hardly suspected', () => {
  const before = reading({ takenAt: '2026-11-25T15:00:00.000Z' });
  const after = reading({ point: 'ro-c', takenAt: '2026-11-25T15:30:00.000Z' });
  const repaired = [{ fault: 'fuse-blown' as const, at: '2026-11-25T15:20:00.000Z' }];
  const asked = askedOn(scene([before, after], { repaired }));
  expect(asked.observations.map(({ test }) => test)).toEqual(['wiring-volts/supply/ro-c/off']);
  expect(asked.leanings?.['fuse-blown']).toBeLessThan(0.1);
});

test('OL is endless, a figure that jumps is a word, an open capacitor has nothing left', () => {
  const says = (over: Partial<RoundReading>) => saysToHunt(reading(over));
  expect(says({ kind: 'wiring-ohms', inputs: { ohms: 'OL' } })).toBe(Infinity);
  expect(says({ kind: 'wiring-ohms', inputs: { ohms: 'jumps' } })).toBe('jumps');
  expect(says({ kind: 'run-capacitor-capacitance', inputs: {}, findings: ['section-open'] })).toBe(0);
  expect(says({ kind: 'hunt-look', inputs: { said: 'drags' } })).toBe('drags');
  expect(says({ kind: 'call-check', inputs: { seen: ['nothing-runs'] } })).toBe('nothing');
  expect(says({ kind: 'sensor-error', value: -9 })).toBe(9);
});

test('a sensor’s ohms without a curve condemn nothing: they are kept, compared, or broken', () => {
  const says = (...findings: string[]) => saysToHunt(reading({ kind: 'sensor-error', findings }));
  expect(says('sensor-ohms-kept')).toBeNull();
  expect(says('sensors-alike', 'sensor-ohms-kept')).toBe(0);
  expect(says('sensors-differ', 'sensor-ohms-kept')).toBeGreaterThan(5);
  expect([says('open'), says('shorted'), says('jumps')]).toEqual([99, 99, 99]);
});

test('what was read and says nothing is not asked for again, until it says something', () => {
  const bench = { componentId: 'cap', kind: 'run-capacitor-capacitance', point: 'herm', method: 'bench' } as const;
  const silent = { ...bench, findings: [] };
  const test = 'run-capacitor-capacitance/run-capacitor/herm/bench';
  expect(askedOn(scene([reading(silent)])).skipped).toEqual([test]);
  expect(askedOn(scene([reading(silent), reading({ ...bench, value: 38 })])).skipped).toEqual([]);
});

test('read once more, what says the same counts twice; what corrects another does not, nor what says otherwise', () => {
  const readings = (...volts: number[]) =>
    volts.map((v, i) => reading({ inputs: { volts: v }, takenAt: `2026-11-25T16:0${i}:00.000Z` }));
  const says = (all: RoundReading[], over = {}) => answersOn(scene(all, over)).map((a) => a.reading);
  expect(says(readings(26, 26.3))).toEqual([26, 26.3]);
  expect(says(readings(26, 3))).toEqual([3]);
  const [slip, right] = readings(262, 26.2);
  const corrected = [slip!, { ...right!, supersedes: slip!.id }];
  expect(says(corrected)).toEqual([26.2]);
  // Where it comes and goes both would count, but for a slip.
  expect(says(corrected, { atTimes: true })).toEqual([26.2]);
  expect(says(readings(26, 3), { atTimes: true })).toEqual([26, 3]);
});

const look = (season: 'cooling' | 'heating', seen: string[], takenAt: string, over: Partial<RoundReading> = {}) =>
  reading({
    componentId: 'stat',
    kind: 'call-check',
    point: `call-${season}`,
    method: 'seen',
    inputs: { seen },
    takenAt,
    ...over,
  });
const at = (minute: number) => `2026-11-25T15:${String(minute).padStart(2, '0')}:00.000Z`;
const COOLING = 'call-check/thermostat/call-cooling/seen';

test('a compressor that stands still while its off-timer may hold it is not judged, and is looked at once more', () => {
  const cut = reading({ kind: 'wiring-ohms', point: 'yc-co', method: 'lifted', inputs: { ohms: 15 }, takenAt: at(10) });
  const early = scene([cut, look('cooling', ['blower'], at(12))]);
  expect(answersOn(early).map(({ test }) => test)).toEqual(['wiring-ohms/supply/yc-co/lifted']);
  expect(unjudgedOn(early)).toMatchObject([{ test: COOLING, why: { because: 'off-timer', until: at(15) } }]);
  expect(askedOn(early).skipped).toEqual([COOLING]);
  // Late enough, it is judged; and so is one that starts at once.
  const late = scene([cut, look('cooling', ['blower'], at(16))]);
  expect([answersOn(late).length, unjudgedOn(late)]).toEqual([2, []]);
  const runs = scene([cut, look('cooling', ['compressor', 'outdoor-fan', 'blower'], at(11))]);
  expect([answersOn(runs).length, unjudgedOn(runs)]).toEqual([2, []]);
  // The call being held, the timer it began with goes on.
  const still = scene([cut, look('cooling', ['blower'], at(12)), look('cooling', ['blower'], at(13))]);
  expect([answersOn(still).length, unjudgedOn(still).length, timerOn(still, tests.get(COOLING)!)]).toEqual([
    1,
    1,
    at(15),
  ]);
  // Looked at anew, what was seen too early is forgotten.
  const anew = scene([cut, look('cooling', ['blower'], at(12)), look('cooling', ['blower'], at(16))]);
  expect([answersOn(anew).length, unjudgedOn(anew), askedOn(anew).skipped]).toEqual([2, [], []]);
});

test('volts and amps that read as they do while an off-timer holds are not judged either; what they could not read then, is', () => {
  const cut = reading({ kind: 'wiring-ohms', point: 'yc-co', method: 'lifted', inputs: { ohms: 15 }, takenAt: at(10) });
  const volts = (point: RoundReading['point'], read: number, minute: number) =>
    scene([
      cut,
      reading({ kind: 'wiring-volts', point, method: 'cooling', inputs: { volts: read }, takenAt: at(minute) }),
    ]);
  const judged = (all: HuntScene) => [answersOn(all).length - 1, unjudgedOn(all).length];
  // A dead coil may only wait; a live one, or one that is too low, does not.
  expect([judged(volts('yc-co', 0, 12)), judged(volts('yc-co', 0, 16))]).toEqual([
    [0, 1],
    [1, 0],
  ]);
  expect([judged(volts('yc-co', 26, 12)), judged(volts('yc-co', 11, 12))]).toEqual([
    [1, 0],
    [1, 0],
  ]);
  // O is called all the while, and R to C is live without a call.
  expect(tests.get('wiring-volts/supply/o-c/cooling')?.held).toBeUndefined();
  expect(judged(volts('r-c', 0, 12))).toEqual([1, 0]);
  const amps = (read: number, minute: number) =>
    scene([
      cut,
      reading({ kind: 'wiring-amps', point: 'kc-t2', method: 'cooling', inputs: { amps: read }, takenAt: at(minute) }),
    ]);
  expect([judged(amps(0, 12)), judged(amps(14, 12)), judged(amps(0, 16))]).toEqual([
    [0, 1],
    [1, 0],
    [1, 0],
  ]);
});

test('on arrival, on a call that is held, and where no compressor is called, no timer holds anything', () => {
  expect(unjudgedOn(scene([look('cooling', ['blower'], at(1))]))).toEqual([]);
  const held = [look('cooling', ['blower'], at(1)), look('cooling', ['blower'], at(2))];
  expect(unjudgedOn(scene(held))).toEqual([]);
  const cooled = look('cooling', ['compressor'], at(1));
  const heat = look('heating', ['strips', 'blower'], at(2));
  expect(unjudgedOn({ ...scene([cooled, heat]), kind: 'split-air-conditioner' })).toEqual([]);
  const pump = groundOf(machineSpecOf('split-heat-pump', { capacitorRating: '40+5 µF 440 V' })).tests;
  expect(unjudgedOn({ ...scene([cooled, heat]), kind: 'split-heat-pump', tests: pump })).toHaveLength(1);
});

test('until when a timer may hold is said before the call is made', () => {
  const cut = reading({ kind: 'wiring-ohms', point: 'yc-co', method: 'lifted', inputs: { ohms: 15 }, takenAt: at(10) });
  const test = tests.get(COOLING)!;
  expect([timerOn(scene([]), test), timerOn(scene([cut]), test)]).toEqual([null, at(15)]);
  expect(timerOn(scene([cut]), tests.get('call-check/thermostat/call-fan/seen')!)).toBeNull();
});

test('what the weather keeps from telling anything is not judged, and not asked for', () => {
  const superheat = 'superheat/refrigerant-circuit/suction/gauges';
  const circuit = part('circuit', 'refrigerant-circuit');
  const read = (outdoorF: number) => ({
    ...scene([
      reading({
        componentId: 'circuit',
        kind: 'superheat',
        point: 'suction',
        method: 'gauges',
        value: 31,
        conditions: { outdoorF },
      }),
    ]),
    components: [...components, circuit],
    outdoorF,
  });
  expect(unjudgedOn(read(38))).toMatchObject([{ test: superheat, why: { because: 'too-cold', limitF: 60 } }]);
  expect(answersOn(read(88)).map(({ test }) => test)).toEqual([superheat]);
  expect(askedOn(read(38)).outdoorF).toBe(38);
});
