import {
  dayOf,
  inlineThread,
  readingKind,
  sayValue,
  seasonOf,
  severityOf,
  SLOT_NAMES,
  SLOTS,
  standingOfPart,
  SYSTEM_KIND_NAMES,
  titleOf,
  type ComponentView,
  type Season,
  type Session,
  type Standing,
  type SystemDetail,
  type SystemThread,
} from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { Play } from 'lucide-react';
import { Link, useNavigate, useParams } from 'react-router';
import { v7 } from 'uuid';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { useWide } from '../../app/use-media.ts';
import { startRound } from '../../field/rounds.ts';
import { Button, ButtonLink } from '../../kit/button.tsx';
import { ReasonLine } from '../../kit/reason-line.tsx';
import { StandingWord } from '../../kit/mark.tsx';
import { livingThreads } from '../../thread/living-threads.ts';
import { InlineThread } from '../../thread/inline-thread.tsx';
import { dateWords } from '../../kit/field-words.ts';
import { FollowUps } from './follow-ups.tsx';
import { Photos } from './photos.tsx';
import { PlateList } from './plate-list.tsx';
import { PracticeFaults } from './practice.tsx';

function ThreadLine({ thread, systemId }: { thread: SystemThread; systemId: string }) {
  const { state } = thread;
  const wide = useWide();
  const kind = readingKind(state.kind);
  const data = inlineThread(state);
  const title = kind ? titleOf(kind, state.point) : '';
  return (
    <li className="border-t border-rule">
      <Link
        to={`/systems/${systemId}/threads/${thread.component.id}/${state.kind}/${state.point}`}
        className="grid gap-x-4 gap-y-1 py-2 hover:bg-raised sm:grid-cols-[170px_200px_1fr] sm:items-center"
      >
        <div className="flex items-baseline justify-between gap-3 sm:block">
          <h3 className="font-semibold">{title}</h3>
          {kind && state.lastValue !== null && (
            <span className="figure-type text-[20px]">{sayValue(kind, state.lastValue)}</span>
          )}
        </div>
        {kind && data.points.length > 0 ? (
          <InlineThread data={data} standing={state.standing} kind={kind} width={wide ? 200 : 358} height={46} />
        ) : (
          <span className="label">{dateWords(thread.readings.at(-1)?.takenAt ?? '')}</span>
        )}
        <div className="text-[15px]">
          <StandingWord standing={state.standing} width={24} />
          <ReasonLine because={state.lead.because} />
        </div>
      </Link>
    </li>
  );
}

/** "fitted May 3, 2024" or, for a life that is over, from when to when and why. */
function lifeWords(part: ComponentView): string {
  const from = part.fittedOn ? `fitted ${dateWords(part.fittedOn)}` : 'fitting day not known';
  return part.removedOn ? `${from}, out ${dateWords(part.removedOn)}: ${part.removedReason ?? ''}` : from;
}

/** The worst thread of a part first, numbers before findings. */
const worstFirst = (threads: readonly SystemThread[]): SystemThread[] =>
  [...threads].sort(
    (a, b) =>
      severityOf(b.state.standing) - severityOf(a.state.standing) ||
      Number(b.state.numeric !== null) - Number(a.state.numeric !== null),
  );

const standingOf = (threads: readonly SystemThread[]): Standing => standingOfPart(threads.map((t) => t.state.standing));

function Part({
  part,
  threads,
  past,
  systemId,
}: {
  part: ComponentView;
  threads: readonly SystemThread[];
  past: readonly ComponentView[];
  systemId: string;
}) {
  const standing = standingOf(threads);
  return (
    <section className="mb-5">
      <div className="flex flex-wrap items-baseline gap-x-4 pb-1">
        <h2 className="text-lg font-bold">{SLOT_NAMES[part.slot]}</h2>
        {part.plate.rating && <span className="font-semibold">{part.plate.rating}</span>}
        {part.slot !== 'supply' && <span className="label">{lifeWords(part)}</span>}
        {threads.length > 1 && <StandingWord standing={standing} width={26} className="ml-auto" />}
      </div>
      <ul>
        {threads.map((thread) => (
          <ThreadLine key={thread.key} thread={thread} systemId={systemId} />
        ))}
        {threads.length === 0 && <li className="label border-t border-rule py-2">No readings yet.</li>}
      </ul>
      {past.length > 0 && (
        <ul className="border-t border-rule pt-1">
          {past.map((old) => (
            <li key={old.id} className="label text-[14px]">
              before it: {old.plate.rating ? `${old.plate.rating}, ` : ''}
              {lifeWords(old)}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Parts({ system, firm }: { system: SystemDetail; firm: Session['firm'] }) {
  const threads = livingThreads(system, firm, dayOf(new Date().toISOString()));
  return system.components
    .filter((c) => c.removedOn === null)
    .map((part) => ({ part, threads: worstFirst(threads.filter((t) => t.component.id === part.id)) }))
    .sort(
      (a, b) =>
        severityOf(standingOf(b.threads)) - severityOf(standingOf(a.threads)) ||
        SLOTS.indexOf(a.part.slot) - SLOTS.indexOf(b.part.slot),
    )
    .map(({ part, threads: own }) => (
      <Part
        key={part.id}
        part={part}
        systemId={system.id}
        threads={own}
        past={system.components.filter((c) => c.removedOn !== null && c.slot === part.slot)}
      />
    ));
}

/** Starts a round for the season, or the other one; or goes on with the one under way. */
function RoundButton({ system }: { system: SystemDetail }) {
  const navigate = useNavigate();
  const open = system.visits.find((v) => v.closedAt === null);
  if (open) {
    return (
      <ButtonLink look="main" to={`rounds/${open.id}/arrive`} className="min-h-14 px-7 text-[18px]">
        <Play aria-hidden size={20} /> Go on with the round
      </ButtonLink>
    );
  }
  const season = seasonOf(dayOf(new Date().toISOString()));
  const other = season === 'spring' ? 'fall' : 'spring';
  const start = async (chosen: Season) => {
    const visitId = v7();
    await startRound(visitId, { systemId: system.id, startedAt: new Date().toISOString(), season: chosen });
    await navigate(`/systems/${system.id}/rounds/${visitId}/arrive`);
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button look="main" onClick={() => void start(season)} className="min-h-14 px-7 text-[18px]">
        <Play aria-hidden size={20} /> Start a {ROUND_NAMES[season]} round
      </Button>
      <Button onClick={() => void start(other)}>Or a {ROUND_NAMES[other]} round</Button>
    </div>
  );
}

const ROUND_NAMES: Readonly<Record<Season, string>> = { spring: 'cooling', fall: 'heating' };

/** One system: its parts with their lives and threads, its plate, its visits. */
export function SystemScreen() {
  const { systemId = '' } = useParams();
  const system = useQuery(queries.system(systemId));
  const session = useQuery(queries.session());
  if (!system.data || !session.data) {
    const error = system.error ?? session.error;
    return error ? (
      <Failed error={error} what="This system" retry={() => void system.refetch()} />
    ) : (
      <Loading what="the system" />
    );
  }
  const { data } = system;
  return (
    <div className="grid flex-1 content-start md:grid-cols-[1fr_290px] md:content-stretch">
      <section className="min-w-0 px-4 py-5 md:px-5">
        <div className="mb-4 flex flex-wrap items-end gap-4">
          <div className="mr-auto">
            <p className="label">
              {data.customerName}
              {data.area ? ` · ${data.area}` : ''} · {SYSTEM_KIND_NAMES[data.kind]}
            </p>
            <h1 className="text-[28px] font-bold">{data.address}</h1>
          </div>
          <RoundButton system={data} />
        </div>
        <Parts system={data} firm={session.data.firm} />
      </section>
      <aside className="border-rule-strong bg-raised px-4 py-5 max-md:border-t md:border-l md:px-5">
        <div className="flex items-baseline justify-between">
          <h2 className="text-lg font-bold">Plate</h2>
          <Link
            to="plate"
            className="grid min-h-12 place-items-center font-semibold text-copper underline-offset-4 hover:underline"
          >
            Read better
          </Link>
        </div>
        <PlateList plate={data.plate} />
        <FollowUps system={data} />
        <Photos system={data} />
        <h2 className="mt-6 text-lg font-bold">Visits</h2>
        <ul>
          {data.visits.map((v) => (
            <li key={v.id} className="border-t border-rule py-1.5">
              <span className="font-semibold">{dateWords(v.startedAt)}</span>
              <span className="label">
                {' '}
                {v.personName}
                {v.closedAt === null ? ', under way' : ''}
              </span>
              {v.note && <p>{v.note}</p>}
            </li>
          ))}
          {data.visits.length === 0 && <li className="label">None yet.</li>}
        </ul>
        <PracticeFaults />
      </aside>
    </div>
  );
}
