import {
  hasOtherSeason,
  isTelling,
  missingFields,
  roundChanges,
  roundProofs,
  sayFigure,
  sayPercent,
  sayValue,
  stillLoose,
  titleOn,
  unproved,
  type Proof,
  type RoundChange,
} from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { queries } from '../../../app/queries.ts';
import { Failed, Loading } from '../../../app/states.tsx';
import { change, closeRound, momentAfter } from '../../../field/rounds.ts';
import { TextField } from '../../../kit/field.tsx';
import { Button, ButtonLink } from '../../../kit/button.tsx';
import { ReasonLine } from '../../../kit/reason-line.tsx';
import { StandingWord } from '../../../kit/mark.tsx';
import { CloseLooseEnds } from '../../../visit/close-loose-ends.tsx';
import { CloseProofs, unprovedWords } from './proofs.tsx';
import { CloseRepairs } from './repairs.tsx';
import { NotTaken, PutOffList } from './open-ends.tsx';
import { roundName } from '../../../kit/field-words.ts';
import { systemLine } from '../stop/stop-props.ts';
import { roundBase } from '../../../field/round-base.ts';
import { StopRail } from '../stop/stop-rail.tsx';
import { useRoundView, type RoundScreenData } from '../../../visit/use-round-view.ts';

const TURNS = {
  worse: 'worse than before',
  better: 'better than before',
  same: 'as before',
  new: 'first time',
} as const;

function Figures({ change: c }: { change: RoundChange }) {
  if (c.now === null) return null;
  if (!c.before) return <span className="figure-type text-[22px]">{sayValue(c.kind, c.now)}</span>;
  return (
    <span className="whitespace-nowrap">
      <span className="label">
        {sayFigure(c.kind, c.before.value)} in {roundName(c.before.day)}
      </span>{' '}
      <span className="figure-type text-[22px]">{sayValue(c.kind, c.now)}</span>
      {c.offPercent !== null && Math.abs(c.offPercent) >= 0.5 && (
        <span className="label">
          {' '}
          {c.offPercent < 0 ? '−' : '+'}
          {sayPercent(c.offPercent)}
        </span>
      )}
    </span>
  );
}

const ChangeLine = ({ change: c }: { change: RoundChange }) => (
  <li className="grid gap-x-5 gap-y-1 border-b border-rule py-3 md:grid-cols-[210px_250px_1fr] md:items-center">
    <div>
      <h2 className="font-bold">{titleOn(c.kind, c.point, c.component)}</h2>
      {c.component.isNew && <p className="text-sm font-semibold text-copper">New part</p>}
    </div>
    <Figures change={c} />
    <div>
      <StandingWord standing={c.standing} width={26} /> <span className="label">{TURNS[c.turn]}</span>
      <ReasonLine because={c.lead.because} />
    </div>
  </li>
);

/** What changed, worst first: what is worth telling, or all of it on asking. */
function Changes({ changes }: { changes: readonly RoundChange[] }) {
  const [showAll, setShowAll] = useState(false);
  const telling = changes.filter(isTelling);
  return (
    <div>
      <ol className="border-t border-rule">
        {(showAll ? changes : telling).map((c) => (
          <ChangeLine key={c.key} change={c} />
        ))}
      </ol>
      {changes.length > telling.length && (
        <Button look="quiet" className="!px-0" onClick={() => setShowAll(!showAll)}>
          {showAll ? 'Only what is worth telling' : `All ${changes.length} readings`}
        </Button>
      )}
    </div>
  );
}

type Here = Extract<RoundScreenData, { status: 'here' }>;

const Note = ({ record }: Pick<Here, 'record'>) => (
  <TextField
    label="Note for the office and the next visit"
    rows={3}
    maxLength={2000}
    value={record.note}
    onChange={(e) => void change(record.visitId, (r) => ({ ...r, note: e.target.value }))}
  />
);

/** What stands in the way of closing; null when nothing does. */
function inTheWay({ record, view }: Pick<Here, 'record' | 'view'>, proofs: readonly Proof[]): string | null {
  const loose = stillLoose(record.looseEnds).length;
  if (loose > 0)
    return `${loose} ${loose === 1 ? 'thing hangs' : 'things hang'} loose: put back, or write why it stays.`;
  if (missingFields(view.stops).length > 0) return 'Take or put off what is missing first.';
  const owed = unproved(proofs, record.unproved).length;
  return owed > 0 ? 'Prove what was repaired, or write why not.' : null;
}

function TheEnd({ system, record, view, proofs }: Here & { proofs: readonly Proof[] }) {
  const navigate = useNavigate();
  const base = roundBase(record);
  const why = inTheWay({ record, view }, proofs);
  const note = [record.note.trim(), unprovedWords(proofs, record.unproved)].filter(Boolean).join(' ');
  const close = () => {
    void closeRound(record.visitId, momentAfter(record.startedAt), note);
    void navigate(`/systems/${system.id}`);
  };
  return (
    <div className="flex flex-wrap items-center gap-3 pb-6">
      <Button look="main" className="min-h-14 px-8 text-[18px]" disabled={why !== null} onClick={close}>
        Close the round
      </Button>
      <ButtonLink to={`${base}/summary`} className="min-h-14">
        Show the customer
      </ButtonLink>
      {why && <p className="font-semibold text-act">{why}</p>}
      <Link
        to={`${base}/${view.stops.at(-1)?.id ?? 'arrive'}`}
        className="grid min-h-14 place-items-center px-3 font-semibold underline underline-offset-4"
      >
        Back to the readings
      </Link>
    </div>
  );
}

/** Works the other season's stops on this visit as well, or no longer. */
function OtherSeason({ system, record, view }: Pick<Here, 'system' | 'record' | 'view'>) {
  if (!record.bothSeasons && !hasOtherSeason(system, view)) return null;
  const other = view.season === 'spring' ? 'heating' : 'cooling';
  return (
    <Button
      look="quiet"
      className="justify-self-start !px-0"
      onClick={() => void change(record.visitId, (r) => ({ ...r, bothSeasons: !r.bothSeasons }))}
    >
      {record.bothSeasons ? `No ${other} readings on this visit` : `Take the ${other} readings on this visit too`}
    </Button>
  );
}

function Close(here: Here) {
  const { system, record, view } = here;
  const session = useQuery(queries.session());
  const changes = session.data ? roundChanges(system, record.visitId, view) : [];
  const telling = changes.filter(isTelling).length;
  const base = roundBase(record);
  const proofs = roundProofs(system, record.visitId, view);
  return (
    <div className="grid flex-1 lg:grid-cols-[190px_1fr]">
      <div className="hidden border-r border-rule-strong lg:block">
        <StopRail view={view} base={base} />
      </div>
      <section className="grid min-w-0 content-start gap-5 px-4 py-4 md:px-6">
        <div>
          <p className="label">{systemLine(system)}</p>
          <h1 className="text-[28px] font-bold">
            {telling === 0
              ? 'Nothing changed since last time'
              : `${telling} ${telling === 1 ? 'thing' : 'things'} to tell`}
          </h1>
          <p className="text-soft">
            {changes.length} {changes.length === 1 ? 'reading' : 'readings'} held against the visits before.
          </p>
        </div>
        <Changes changes={changes} />
        <CloseRepairs system={system} record={record} />
        <CloseProofs proofs={proofs} record={record} view={view} />
        <OtherSeason system={system} record={record} view={view} />
        <NotTaken record={record} stops={view.stops} base={base} />
        <PutOffList stops={view.stops} />
        <CloseLooseEnds record={record} />
        <Note record={record} />
        <TheEnd {...here} proofs={proofs} />
      </section>
    </div>
  );
}

/** The close of a round: what changed since last time, what was not taken, and the end. */
export function CloseScreen() {
  const { systemId = '', visitId = '' } = useParams();
  const data = useRoundView(systemId, visitId);
  if (data.status === 'loading') return <Loading what="the round" />;
  if (data.status === 'failed') return <Failed error={data.error} what="This round" retry={data.retry} />;
  return <Close {...data} />;
}
