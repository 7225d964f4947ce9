import { isDone, isTaken, type RoundStop, type RoundView } from '@yarnix/core';
import { NavLink } from 'react-router';

const wanted = (stop: RoundStop) => stop.fields.filter((f) => isTaken(f) || !f.planned.method.optional);
const isWorked = (stop: RoundStop): boolean => wanted(stop).every(isDone);
const takenIn = (stop: RoundStop): number => stop.fields.filter(isTaken).length;

/** The stops of the round as knots on a thread. */
export function StopRail({ view, base }: { view: RoundView; base: string }) {
  const stops = [
    ...view.stops.map((s) => ({
      to: `${base}/${s.id}`,
      title: s.title,
      line: `${takenIn(s)} of ${wanted(s).length} taken`,
      done: isWorked(s),
    })),
    { to: `${base}/close`, title: 'Close', line: 'what changed', done: false },
  ];
  return (
    <nav aria-label="Stops" className="py-5 pl-5">
      <ol>
        {stops.map((stop, index) => (
          <li key={stop.to} className="relative">
            {index < stops.length - 1 && (
              <span
                aria-hidden
                className={`absolute top-7 -bottom-2 left-[7px] border-l-[2.5px] ${stop.done ? 'border-thread' : 'border-dotted border-rule-strong'}`}
              />
            )}
            <NavLink to={stop.to} replace className="group flex min-h-16 gap-4 py-1 pr-3">
              <span
                aria-hidden
                className={`mt-1.5 size-[17px] flex-none rounded-full border-[2.5px] group-aria-[current=page]:border-copper group-aria-[current=page]:bg-copper ${stop.done ? 'border-thread bg-thread' : 'border-rule-strong bg-ground'}`}
              />
              <span>
                <span className="block text-[17px] font-semibold group-aria-[current=page]:font-bold">
                  {stop.title}
                </span>
                <span className="label text-[14px]">{stop.line}</span>
              </span>
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}
