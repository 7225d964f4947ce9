import { fireEvent, screen, waitFor } from '@testing-library/react';
import { jobsPage, jobView } from '../testing/jobs.ts';
import { office, open, openOffice, PERSON, Refused } from '../testing/office.tsx';
import { DecideJob } from './decide-job.tsx';
import { NoteJob } from './note-job.tsx';
import { useDecide } from './use-decide.ts';

const job = jobView({ version: 3 });
const { people } = jobsPage([]);
const Decide = () => <DecideJob job={job} people={people} deciding={useDecide()} onDone={() => undefined} />;
const Note = () => <NoteJob systemId="s" byWhen="2026-12-15" />;
beforeEach(() => {
  openOffice();
  office.answer('PUT /api/jobs/*', ({ body }) => ({ ...job, ...(body as object), person: null, version: 4 }));
  office.answer('PUT /api/systems/*', () => job);
});
const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

test('a job is planned for a day and a person, upon the version that was looked at', async () => {
  open('/week', { '/week': Decide });
  type('On', '2026-12-04');
  type('By', PERSON.id);
  press('Plan it');
  await waitFor(() =>
    expect(office.sent('PUT', /jobs/)).toMatchObject([
      { decision: 'accepted', day: '2026-12-04', personId: PERSON.id, note: '', version: 3 },
    ]),
  );
});

test('declining asks why, and goes once that is said; a plan can be kept without', async () => {
  open('/week', { '/week': Decide });
  type('Note, or why it is declined', '  ');
  press('The owner declines');
  expect(await screen.findByText('Say why it was declined.')).toBeTruthy();
  expect(office.sent('PUT', /jobs/)).toEqual([]);
  type('Note, or why it is declined', ' sells the house ');
  press('The owner declines');
  await waitFor(() =>
    expect(office.sent('PUT', /jobs/)).toMatchObject([{ decision: 'declined', day: null, note: 'sells the house' }]),
  );
});

test('what the office will not take of a decision is told, and what was typed stays', async () => {
  office.answer('PUT /api/jobs/*', new Refused('Somebody has decided it since.', [], 409));
  open('/week', { '/week': Decide });
  type('On', '2026-12-04');
  press('Plan it');
  expect((await screen.findByRole('alert')).textContent).toBe('Somebody has decided it since.');
  expect(screen.getByLabelText<HTMLInputElement>('On').value).toBe('2026-12-04');
});

test('something noted by hand is asked for in full, and stays typed when it is left for a moment', async () => {
  open('/system', { '/system': Note });
  press('Note something to do');
  type('Takes', 'an hour');
  press('Keep it');
  expect(await screen.findByText('say what is to do')).toBeTruthy();
  expect(screen.getByLabelText('Takes').getAttribute('aria-invalid')).toBe('true');
  type('What is to do', 'Clear the drain pan');
  press('Leave it');
  press('Note something to do');
  expect(screen.getByLabelText<HTMLInputElement>('What is to do').value).toBe('Clear the drain pan');
  type('Takes', '45');
  press('Keep it');
  await waitFor(() =>
    expect(office.sent('PUT', /systems\/s\/jobs/)).toEqual([
      { text: 'Clear the drain pan', byWhen: '2026-12-15', minutes: 45 },
    ]),
  );
  expect(await screen.findByRole('button', { name: 'Note something to do' })).toBeTruthy();
});
