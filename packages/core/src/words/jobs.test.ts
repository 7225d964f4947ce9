import type { Job } from '../http/jobs.ts';
import { JOB_BEFORES, JOB_DOES } from '../planning/job.ts';
import { beforeWords, jobProof, jobTitle, jobWhy } from './jobs.ts';

const job = (over: Partial<Job>): Job => ({
  key: 'part:0167986a-df00-7024-9057-357b866b2b4d',
  source: 'part',
  systemId: '0167986a-df00-7024-9057-357b866b2b4d',
  address: '12 Ropewalk Yard',
  area: null,
  customerName: 'Somebody',
  systemKind: 'split-air-conditioner',
  does: 'replace',
  slot: 'run-capacitor',
  part: '40+5 µF 440 V',
  standing: 'act',
  chance: 0.9,
  reading: { kind: 'run-capacitor-capacitance', point: 'herm' },
  because: { code: 'finding', numbers: { found: ['can-bulged'] } },
  putOff: null,
  faults: [],
  round: null,
  text: '',
  byWhen: '2026-12-01',
  before: 'soon',
  minutes: 20,
  decision: 'proposed',
  note: '',
  day: null,
  person: null,
  window: null,
  decided: null,
  version: 0,
  ...over,
});

test('a job says what is to do, why, and what proves it done', () => {
  expect(jobTitle(job({}))).toBe('Fit a new run capacitor, 40+5 µF 440 V');
  expect(jobWhy(job({}))).toMatch(/bulged/i);
  expect(jobProof(job({}))).toMatch(/^Run capacitor capacitance, HERM, read sound again/);
  expect(jobTitle(job({ does: 'make-safe', part: null }))).toBe('Make safe: run capacitor');
  expect(jobTitle(job({ does: 'clean', slot: 'outdoor-unit' }))).toMatch(/^Clean outdoor/);
});

test('what was put off, what a call left, and what was noted by hand', () => {
  const owed = job({ source: 'owed', does: 'read', because: null, putOff: 'rain', text: 'Back side is under water' });
  expect(jobTitle(owed)).toBe('Take run capacitor capacitance, HERM');
  expect(jobWhy(owed)).toBe('Put off: rain. Back side is under water');
  const left = job({
    source: 'call',
    does: 'finish',
    slot: null,
    because: null,
    faults: ['contactor-coil-open'],
    text: 'Coil from another one',
  });
  expect(jobTitle(left)).toBe('Finish the repair: contactor coil open');
  expect(jobWhy(left)).toBe('Coil from another one');
  expect(jobProof(left)).toMatch(/complaint made once more/);
  const noted = job({ source: 'hand', does: 'other', slot: null, because: null, text: 'Bring the ladder back' });
  expect([jobTitle(noted), jobWhy(noted)]).toEqual(['Bring the ladder back', '']);
});

test('a round says how long ago the last one is, what frays most, and what a week more may cost', () => {
  const round = (over: Partial<NonNullable<Job['round']>>) =>
    jobWhy(
      job({
        source: 'round',
        does: 'round',
        because: null,
        round: { lastRound: '2026-04-03', chance: 0.0244, most: { slot: 'run-capacitor', past: 0.617 }, ...over },
      }),
    );
  expect(round({})).toBe(
    'Last round April 3, 2026. Run capacitor: 62 % past its limit within six weeks. A week more: 2.4 % that something fails.',
  );
  expect(round({ lastRound: null, most: null })).toBe('No round yet. Nothing is known to fray.');
  expect(round({ most: { slot: 'contactor', past: 0.01 } })).toMatch(/Nothing is known to fray/);
  expect(round({ most: { slot: 'contactor', past: 1 } })).toMatch(/Contactor: past its limit\. A week/);
  expect(jobProof(job({ source: 'round', does: 'round' }))).toMatch(/^The round itself/);
});

test('everything that can be done, and every term, has words', () => {
  for (const does of JOB_DOES) expect(jobTitle(job({ does, text: 'something' }))).toMatch(/^[A-Za-z]/);
  for (const before of JOB_BEFORES) expect(beforeWords({ before })).not.toBe('');
});
