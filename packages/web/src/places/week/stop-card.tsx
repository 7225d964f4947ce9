import { clockWords, jobTitle, promiseWords, spanWords, type DayTimes } from '@yarnix/core';
import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { cardId, type Card } from './board.ts';

/** What a card says: when, where, what; the way to it before it. */
function Face({ card, timed }: { card: Card; timed: DayTimes['stops'][number] | undefined }) {
  const [first, second, ...more] = card.jobs;
  return (
    <>
      {timed ? (
        <span className="flex flex-wrap items-baseline gap-x-2 whitespace-nowrap">
          <span className="text-[19px] leading-tight font-bold">{clockWords(timed.begins)}</span>
          <span className={card.since === null ? 'label' : 'font-semibold text-copper'}>
            {card.since === null ? spanWords(card.minutes) : 'there now'}
          </span>
        </span>
      ) : (
        <span className="label">
          {card.isProposed ? `${spanWords(card.minutes)}, to decide` : spanWords(card.minutes)}
        </span>
      )}
      <span className="block text-[16px] leading-tight font-bold">{card.address}</span>
      <span className="block text-[14px] leading-snug">
        {[first, second].flatMap((job) => (job ? [jobTitle(job)] : [])).join('; ')}
        {more.length > 0 ? `; ${more.length} more` : ''}
      </span>
      {card.window && (
        <span className={`block text-[14px] font-semibold ${timed && timed.late > 0 ? 'text-act' : ''}`}>
          Promised {promiseWords(card.window)}
          {timed && timed.late > 0 ? `: ${spanWords(timed.late)} late` : ''}
        </span>
      )}
    </>
  );
}

/** One address: dragged by its grip, by pointer or by keyboard; opened by a press on it. */
export function StopCard({
  card,
  timed,
  isOpen,
  onOpen,
}: {
  card: Card;
  timed?: DayTimes['stops'][number] | undefined;
  isOpen: boolean;
  onOpen: () => void;
}) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: cardId(card),
  });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`relative grid w-full grid-cols-[24px_1fr] rounded-[4px] border-[1.5px] bg-raised md:w-[158px] ${isOpen ? 'border-copper' : 'border-rule-strong'} ${card.isProposed ? 'border-dashed' : ''} ${isDragging ? 'z-10 opacity-70' : ''}`}
    >
      <button
        ref={setActivatorNodeRef}
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move ${card.address}`}
        className="flex cursor-grab touch-none items-center justify-center border-r border-rule text-soft"
      >
        <GripVertical aria-hidden size={18} />
      </button>
      <button
        type="button"
        aria-expanded={isOpen}
        onClick={onOpen}
        className="flex min-h-16 flex-col items-start px-1.5 py-1.5 text-left"
      >
        <Face card={card} timed={timed} />
      </button>
    </li>
  );
}
