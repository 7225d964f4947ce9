import { DndContext, useDroppable } from '@dnd-kit/core';
import { dateOf, dayOf, isoOf, spanWords, type Week } from '@yarnix/core';
import { useQuery } from '@tanstack/react-query';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { queries } from '../../app/queries.ts';
import { Failed, Loading } from '../../app/states.tsx';
import { troubleWords } from '../../jobs/use-decide.ts';
import { Button } from '../../kit/button.tsx';
import { localMinute, localToday } from '../../kit/local-day.ts';
import { cardId, frameFrom, minutesOn, mondayOf, proposedCards, strandsOf, waitingOf, type Card } from './board.ts';
import { CallComesIn } from './call-comes-in.tsx';
import { Cards, DayStrand } from './day-strand.tsx';
import { StopCard } from './stop-card.tsx';
import { StopDetails } from './stop-details.tsx';
import { tabId, underPointer, useDrag, WAITING } from './use-drag.ts';
import { useMoves, type Moves } from './use-moves.ts';

const DAYS = 7;
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const weekdayOf = (day: string): string => WEEKDAYS[(dayOf(day) + 3) % DAYS] ?? '';

function Tab({
  day,
  minutes,
  isShown,
  onShow,
}: {
  day: string;
  minutes: number;
  isShown: boolean;
  onShow: () => void;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: tabId(day) });
  return (
    <button
      ref={setNodeRef}
      type="button"
      aria-pressed={isShown}
      onClick={onShow}
      className={`min-h-14 flex-1 border-b-[3px] px-1 text-left md:px-3 ${isShown ? 'border-copper text-ink' : 'border-transparent text-soft'} ${isOver ? 'bg-raised' : ''}`}
    >
      <span className="block text-[16px] font-bold">
        {weekdayOf(day)} <span className="max-md:block">{day.slice(8).replace(/^0/, '')}</span>
      </span>
      <span className="label max-md:hidden">{minutes > 0 ? spanWords(minutes) : 'free'}</span>
    </button>
  );
}

function Days({ week, day, onShow }: { week: Week; day: string; onShow: (day: string) => void }) {
  const step = 'grid size-12 shrink-0 place-items-center text-copper';
  return (
    <div role="group" aria-label="Days" className="flex items-stretch border-b border-rule-strong">
      <button
        type="button"
        aria-label="The week before"
        className={step}
        onClick={() => onShow(isoOf(dayOf(day) - DAYS))}
      >
        <ChevronLeft aria-hidden />
      </button>
      {week.days.map((d) => (
        <Tab key={d} day={d} minutes={minutesOn(week, d)} isShown={d === day} onShow={() => onShow(d)} />
      ))}
      <button
        type="button"
        aria-label="The week after"
        className={step}
        onClick={() => onShow(isoOf(dayOf(day) + DAYS))}
      >
        <ChevronRight aria-hidden />
      </button>
    </div>
  );
}

/** What waits for a day: planned without one, and, when asked for, what is still to decide. */
function Waiting({
  cards,
  isShown,
  open,
  onOpen,
  onShow,
}: {
  cards: readonly Card[];
  isShown: boolean;
  open: string | null;
  onOpen: (card: Card) => void;
  onShow: () => void;
}) {
  return (
    <section
      aria-label="Without a day"
      className="border-t border-rule-strong py-3 md:grid md:grid-cols-[190px_1fr] md:gap-x-5"
    >
      <div>
        <h2 className="text-[19px] leading-tight font-bold">Without a day</h2>
        <Button look="quiet" className="!justify-start !px-0 text-left" aria-pressed={isShown} onClick={onShow}>
          {isShown ? 'Leave out what is to decide' : 'Show what is to decide'}
        </Button>
      </div>
      <Cards id={WAITING} cards={cards} label="Addresses without a day">
        {cards.map((card) => (
          <StopCard key={cardId(card)} card={card} isOpen={open === cardId(card)} onOpen={() => onOpen(card)} />
        ))}
        {cards.length === 0 && (
          <li className="self-center text-soft">Nothing waits. What is moved here is planned without a day.</li>
        )}
      </Cards>
    </section>
  );
}

const Latest = ({ moves }: { moves: Moves }) => {
  const trouble = troubleWords(moves.error);
  const { latest } = moves;
  const isGone = latest?.was.window && latest.now.jobs.every(({ window }) => window === null);
  return (
    <>
      {trouble && (
        <p role="alert" className="mt-2 border-l-[3px] border-act pl-3 font-semibold text-act">
          {trouble}
        </p>
      )}
      {latest && (
        <p role="status" className="mt-2 flex flex-wrap items-center gap-x-4 border-l-[3px] border-copper pl-3">
          <span>
            <strong>Moved</strong>: {latest.card.address}
            {isGone ? '. What was promised there holds no more: tell the customer.' : ''}
          </span>
          <Button look="quiet" disabled={moves.busy} onClick={moves.takeBack}>
            Take it back
          </Button>
        </p>
      )}
    </>
  );
};

const headline = (week: Week, day: string): string => {
  const stops = week.stops.filter((s) => s.day === day && s.personId !== null);
  const out = new Set(stops.map(({ personId }) => personId)).size;
  return stops.length === 0
    ? `${dateOf(dayOf(day))}: nobody is out`
    : `${dateOf(dayOf(day))}: ${stops.length} ${stops.length === 1 ? 'address' : 'addresses'}, ${out} out`;
};

/** Proposed jobs and rounds that are due, as cards; nothing until they are asked for. */
function useProposed(isAsked: boolean): readonly Card[] {
  const jobs = useQuery({ ...queries.jobs('decision=proposed&limit=40'), enabled: isAsked });
  const rounds = useQuery({ ...queries.jobs('decision=proposed&source=round&limit=20'), enabled: isAsked });
  return isAsked ? proposedCards([...(jobs.data?.jobs ?? []), ...(rounds.data?.jobs ?? [])]) : [];
}

function Board({ week, day, onShow, moves }: { week: Week; day: string; onShow: (day: string) => void; moves: Moves }) {
  const [open, setOpen] = useState<string | null>(null);
  const [isCalled, setCalled] = useState(false);
  const [isAsked, setAsked] = useState(false);
  const now = localMinute(day);
  const strands = strandsOf(week, day, now);
  const waiting = [...waitingOf(week, day), ...useProposed(isAsked)];
  const cards = [...strands.flatMap((s) => s.cards), ...waiting];
  const { sensors, onDragEnd, accessibility } = useDrag(week, cards, moves);
  const opened = cards.find((card) => cardId(card) === open);
  const onOpen = (card: Card) => setOpen(open === cardId(card) ? null : cardId(card));
  return (
    <DndContext accessibility={accessibility} sensors={sensors} collisionDetection={underPointer} onDragEnd={onDragEnd}>
      <div className="flex flex-wrap items-center justify-between gap-x-6">
        <h1 className="text-[28px] font-bold">{headline(week, day)}</h1>
        <div className="flex items-center gap-x-4">
          <Link
            to="/week"
            className="inline-flex min-h-12 items-center font-semibold text-copper underline-offset-4 hover:underline"
          >
            All jobs
          </Link>
          <Button onClick={() => setCalled(!isCalled)} aria-expanded={isCalled}>
            A call comes in
          </Button>
        </div>
      </div>
      <Days week={week} day={day} onShow={onShow} />
      <Latest moves={moves} />
      {isCalled && <CallComesIn given={{ day, strands, now }} onDone={() => setCalled(false)} />}
      {opened && <StopDetails key={open} card={opened} week={week} moves={moves} onClose={() => setOpen(null)} />}
      {strands.map((strand) => (
        <DayStrand
          key={strand.person.id}
          strand={strand}
          day={day}
          frame={frameFrom(week.frame, now)}
          busy={moves.busy}
          open={open}
          onOpen={onOpen}
          onOrder={(systems) =>
            moves.order({
              personId: strand.person.id,
              day,
              systems: [...systems],
              was: strand.cards.map(({ systemId }) => systemId),
            })
          }
        />
      ))}
      <Waiting cards={waiting} isShown={isAsked} open={open} onOpen={onOpen} onShow={() => setAsked(!isAsked)} />
    </DndContext>
  );
}

/** The days of a week: everybody's addresses in the order they are gone to, moved by hand. */
export function DaysScreen() {
  const [search, setSearch] = useSearchParams();
  const asked = search.get('day');
  const day = asked && /^\d{4}-\d{2}-\d{2}$/.test(asked) ? asked : localToday();
  const monday = mondayOf(day);
  const week = useQuery(queries.week(monday, DAYS));
  const moves = useMoves(monday, DAYS);
  if (!week.data)
    return week.error ? (
      <Failed error={week.error} what="The days" retry={() => void week.refetch()} />
    ) : (
      <Loading what="the days" />
    );
  return (
    <div className="px-4 py-5 md:px-5">
      <Board week={week.data} day={day} onShow={(d) => setSearch({ day: d }, { replace: true })} moves={moves} />
      <p className="label mt-4 max-w-3xl">
        Ways are straight lines times 1.3 at 28 miles an hour and three minutes to the door; where a place is not known,
        15 minutes. A card is moved by its grip, with the pointer or with space and the arrow keys.
      </p>
    </div>
  );
}
