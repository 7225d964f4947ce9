import { dayWords, spanWords, type DayFrame } from '@yarnix/core';
import { useDroppable } from '@dnd-kit/core';
import { rectSortingStrategy, SortableContext } from '@dnd-kit/sortable';
import { Fragment } from 'react';
import { Link } from 'react-router';
import { Button } from '../../kit/button.tsx';
import { cardId, type Card, type Strand } from './board.ts';
import { StopCard } from './stop-card.tsx';

/** Where cards can be put: their list, and the space behind them. */
export function Cards({
  id,
  cards,
  label,
  children,
}: {
  id: string;
  cards: readonly Card[];
  label: string;
  children: React.ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <SortableContext id={id} items={cards.map(cardId)} strategy={rectSortingStrategy}>
      <ul
        ref={setNodeRef}
        aria-label={label}
        className={`flex min-h-20 flex-col gap-y-1 rounded-[4px] py-1 md:flex-row md:flex-wrap md:items-stretch md:gap-y-2 ${id === 'waiting' ? 'md:gap-x-2' : ''} ${isOver ? 'bg-raised' : ''}`}
      >
        {children}
      </ul>
    </SortableContext>
  );
}

/** The way from one address to the next, and the break where it falls. */
const Way = ({ minutes, breakMinutes }: { minutes: number; breakMinutes: number }) => (
  <li
    aria-label={`${breakMinutes ? `Break of ${spanWords(breakMinutes)}, ` : ''}${spanWords(minutes)} on the way`}
    className="flex items-center gap-2 pl-9 text-[13px] text-soft md:w-[46px] md:flex-col md:justify-center md:gap-0 md:pl-0"
  >
    {breakMinutes > 0 && <span className="font-semibold text-copper">break</span>}
    <span aria-hidden className="h-4 w-0.5 bg-copper md:h-0.5 md:w-full" />
    <span>{minutes} min</span>
  </li>
);

/** Somebody's day: a strand with an address at each knot. */
export function DayStrand({
  strand,
  day,
  frame,
  busy,
  open,
  onOpen,
  onOrder,
}: {
  strand: Strand;
  day: string;
  frame: DayFrame;
  busy: boolean;
  open: string | null;
  onOpen: (card: Card) => void;
  onOrder: (systems: readonly string[]) => void;
}) {
  const { person, cards, times, better } = strand;
  return (
    <section
      aria-label={person.name}
      className="border-t border-rule-strong py-3 md:grid md:grid-cols-[190px_1fr] md:gap-x-5"
    >
      <div>
        <h2 className="text-[19px] leading-tight font-bold">{person.name}</h2>
        <p className={`text-[15px] ${times.late > 0 || times.back > frame.ends ? 'font-semibold text-act' : ''}`}>
          {dayWords(strand.atMachines, times, frame)}
        </p>
        <div className="flex flex-wrap items-center gap-x-4">
          {cards.length > 0 && (
            <Link
              to={`/week/vans/${person.id}/${day}`}
              className="inline-flex min-h-12 items-center font-semibold text-copper underline-offset-4 hover:underline"
            >
              What to load
            </Link>
          )}
          {better && (
            <Button
              disabled={busy}
              className="!h-auto !min-h-12 !px-3 text-left"
              onClick={() => onOrder(better.systems)}
            >
              {better.lateLess > 0
                ? `Better order: ${spanWords(better.lateLess)} less late`
                : `Shorter way: saves ${spanWords(better.saves)}`}
            </Button>
          )}
        </div>
      </div>
      <Cards id={`${day} ${person.id}`} cards={cards} label={`Addresses of ${person.name}`}>
        {cards.map((card, i) => {
          const timed = times.stops[i];
          return (
            <Fragment key={cardId(card)}>
              {timed && (i > 0 || frame.start !== null) && (
                <Way minutes={timed.way} breakMinutes={timed.afterBreak ? frame.breakMinutes : 0} />
              )}
              <StopCard card={card} timed={timed} isOpen={open === cardId(card)} onOpen={() => onOpen(card)} />
            </Fragment>
          );
        })}
        {cards.length === 0 && <li className="self-center text-soft">Free. Move an address here.</li>}
      </Cards>
    </section>
  );
}
