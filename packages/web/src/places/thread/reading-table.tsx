import {
  isoOf,
  PROOF_WORDS,
  sayFigure,
  sayFindings,
  sayProved,
  textOf,
  textOfInput,
  type PhotoView,
  type ProvedStep,
  type ReadingView,
} from '@yarnix/core';
import type { ThreadData } from '../../thread/thread-data.ts';
import { photosOf } from '../../thread/photos-of.ts';
import { dateWords } from '../../kit/field-words.ts';
import { dayHere } from '../../kit/local-day.ts';

const enteredAs = (reading: ReadingView): string =>
  Object.entries(reading.inputs)
    .map(([id, value]) => `${id} ${textOfInput(value)}`)
    .join(', ');

const cell = 'py-2 pr-4 align-baseline';
const degrees = (value: number | undefined): string => (value === undefined ? '' : `${value} °F`);

function remarkOn(reading: ReadingView, isOdd: boolean, isKnown: boolean): string {
  if (reading.superseded) return 'corrected';
  const remarks = [
    isOdd ? 'odd: set aside' : '',
    isKnown ? '' : 'conditions not known: wider',
    reading.confirmed ? 'confirmed' : '',
    reading.note ?? '',
  ];
  return remarks.filter(Boolean).join('; ');
}

function Line({ reading: r, data, photos }: { reading: ReadingView; data: ThreadData; photos: readonly PhotoView[] }) {
  const compared = data.compared.get(r.id);
  return (
    <tr className={`border-b border-rule ${r.superseded ? 'text-soft line-through' : ''}`}>
      <td className={cell}>{dateWords(r.takenAt)}</td>
      <td className={`${cell} figure-type text-[17px]`}>
        {r.value === null ? textOf(sayFindings(r.findings, r.point)) : sayFigure(data.kind, r.value)}
      </td>
      {data.common !== null && <td className={cell}>{compared ? sayFigure(data.kind, compared.value) : ''}</td>}
      <td className={cell}>{data.kind.methods.find((m) => m.id === r.method)?.title}</td>
      <td className={cell}>{enteredAs(r)}</td>
      <td className={cell}>{degrees(r.conditions.outdoorF)}</td>
      <td className={cell}>{r.conditions.lineVolts === undefined ? '' : `${r.conditions.lineVolts} V`}</td>
      <td className={cell}>{degrees(r.conditions.returnWetF)}</td>
      <td className={cell}>{r.personInitials}</td>
      <td className={cell}>
        {remarkOn(r, compared?.odd ?? false, compared?.known ?? true)}
        {photos.map(({ id }) => (
          <a key={id} href={`/api/photos/${id}`} target="_blank" rel="noreferrer" className="ml-2 inline-block">
            <img
              src={`/api/photos/${id}/thumb`}
              alt={`Photo of the reading of ${dateWords(r.takenAt)}`}
              loading="lazy"
              className="h-12 w-16 rounded-[4px] border border-rule object-cover"
            />
          </a>
        ))}
      </td>
    </tr>
  );
}

/** What was done that may have moved the thread: proved by readings before and after it, or only told. */
function doneTo({ events }: ThreadData, steps: readonly ProvedStep[]): { at: string; says: string }[] {
  const proved = steps.map(({ repair: { at, title }, read }) => ({
    at,
    title,
    says: `${title}: ${PROOF_WORDS[read.verdict].toLowerCase()}, ${sayProved(read)}`,
  }));
  const told = events.filter((e) => !proved.some((p) => dayHere(p.at) === e.day && p.title === e.title));
  return [...proved, ...told.map((e) => ({ at: isoOf(e.day), says: `${e.title}: what follows may lie elsewhere` }))];
}

/** Every number of the chart, with its conditions; repairs between them; the forecast on top, told apart. */
export function ReadingTable({
  data,
  steps,
  photos,
}: {
  data: ThreadData;
  steps: readonly ProvedStep[];
  photos: readonly PhotoView[];
}) {
  const of = (reading: ReadingView) => photosOf(reading, data.readings, photos);
  const ahead = data.inline?.ahead;
  const heads = [
    'Day',
    data.kind.type === 'number' ? data.kind.unit : 'Found',
    ...(data.common === null ? [] : ['Compared']),
    'Method',
    'Entered',
    'Outdoor',
    'Line',
    'Return wet',
    'By',
    '',
  ];
  const lines = [
    ...data.readings.map((r) => ({
      at: r.takenAt,
      node: <Line key={r.id} reading={r} data={data} photos={of(r)} />,
    })),
    ...doneTo(data, steps).map(({ at, says }) => ({
      at,
      node: (
        <tr key={`${at}${says}`} className="border-b border-rule text-copper">
          <td className={cell}>{dateWords(at)}</td>
          <td className={`${cell} font-semibold`} colSpan={heads.length - 1}>
            {says}
          </td>
        </tr>
      ),
    })),
  ].sort((a, b) => (a.at < b.at ? 1 : -1));
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Readings as a table">
      <table className="w-full text-left whitespace-nowrap">
        <thead className="label border-b border-rule-strong">
          <tr>
            {heads.map((h) => (
              <th key={h} scope="col" className="py-2 pr-4 font-[560]">
                {h === '' ? <span className="sr-only">Remarks</span> : h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ahead && (
            <tr className="border-b border-dotted border-rule-strong text-soft italic">
              <td className={cell}>{dateWords(isoOf(ahead.day))}</td>
              <td className={cell} colSpan={2}>
                {sayFigure(data.kind, ahead.expected)} ({sayFigure(data.kind, ahead.low80)} to{' '}
                {sayFigure(data.kind, ahead.high80)})
              </td>
              <td className={cell} colSpan={heads.length - 3}>
                forecast for the next round, 80 % range
              </td>
            </tr>
          )}
          {lines.map((line) => line.node)}
        </tbody>
      </table>
    </div>
  );
}
