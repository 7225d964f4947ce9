import { useQuery } from '@tanstack/react-query';
import {
  Activity,
  Calculator,
  CalendarRange,
  ClipboardList,
  Gauge,
  Moon,
  Search,
  SlidersHorizontal,
  Sun,
  Wind,
} from 'lucide-react';
import type { ReactNode } from 'react';
import { Link, NavLink, Outlet, ScrollRestoration, useLocation, useMatch } from 'react-router';
import { OutboxStatus } from '../field/outbox-status.tsx';
import { queries } from './queries.ts';
import { chooseTheme, useTheme } from './theme.ts';
import { useRoomForPlaces, useWide } from './use-media.ts';

const PLACES = [
  { to: '/watch', name: 'Watch', Icon: Activity },
  { to: '/week', name: 'Week', Icon: CalendarRange },
  { to: '/rounds', name: 'Rounds', Icon: ClipboardList },
  { to: '/find', name: 'Find', Icon: Search },
  { to: '/systems', name: 'Systems', Icon: Wind },
  { to: '/bench', name: 'Bench', Icon: Calculator },
  { to: '/meters', name: 'Meters', Icon: Gauge },
] as const;
/** What the bar of a phone holds: instruments are found from a round’s start, the Watch and Settings. */
const IN_HAND = PLACES.filter(({ to }) => to !== '/meters');

const Brand = () => (
  <Link to="/watch" className="flex items-center gap-2 text-[19px] font-bold" style={{ fontStretch: '112%' }}>
    <svg
      aria-hidden
      width="34"
      height="22"
      viewBox="0 0 34 22"
      fill="none"
      stroke="var(--copper)"
      strokeWidth="2.6"
      strokeLinecap="round"
    >
      <path d="M2 17C9 17 10 4 17 4s7 11 1 11-5-8 3-8 11 6 11 6" />
    </svg>
    Yarnix
  </Link>
);

function ThemeSwitch() {
  const theme = useTheme();
  const other = theme === 'day' ? 'attic' : 'day';
  return (
    <button
      type="button"
      className="grid size-12 place-items-center text-soft hover:text-ink"
      aria-label={other === 'attic' ? 'Dark attic theme' : 'Day theme'}
      onClick={() => chooseTheme(other)}
    >
      {other === 'attic' ? <Moon size={20} /> : <Sun size={20} />}
    </button>
  );
}

function WhoIsHere() {
  const { data } = useQuery(queries.session());
  return data ? (
    <span className="label hidden lg:block">
      {data.person.name} · {data.firm.name}
    </span>
  ) : null;
}

function TopBar({ hasPlaces }: { hasPlaces: boolean }) {
  return (
    <header className="flex h-14 items-stretch gap-6 border-b border-rule-strong px-4 md:px-5">
      <Brand />
      {hasPlaces && (
        <nav aria-label="Places" className="flex gap-6">
          {PLACES.map(({ to, name }) => (
            <NavLink
              key={to}
              to={to}
              className="flex items-center border-b-[3px] border-transparent pt-[3px] font-semibold text-soft hover:text-ink aria-[current=page]:border-copper aria-[current=page]:text-ink"
            >
              {name}
            </NavLink>
          ))}
        </nav>
      )}
      <div className="ml-auto flex items-center gap-4 max-md:gap-1">
        <OutboxStatus />
        <WhoIsHere />
        <NavLink
          to="/settings"
          aria-label="Settings"
          className="grid size-12 place-items-center text-soft hover:text-ink aria-[current=page]:text-copper"
        >
          <SlidersHorizontal aria-hidden size={20} />
        </NavLink>
        <ThemeSwitch />
      </div>
    </header>
  );
}

const BottomBar = () => (
  <nav aria-label="Places" className="sticky bottom-0 grid grid-cols-6 border-t border-rule-strong bg-ground">
    {IN_HAND.map(({ to, name, Icon }) => (
      <NavLink
        key={to}
        to={to}
        className="flex h-14 items-center flex-col justify-center gap-0 border-t-[3px] text-[13px] border-transparent font-semibold text-soft aria-[current=page]:border-copper aria-[current=page]:text-ink"
      >
        <Icon aria-hidden size={19} /> {name}
      </NavLink>
    ))}
  </nav>
);

/** The frame of every screen, around the place it is at. During a round on a phone the frame steps aside: the reading has the whole screen. */
export function Shell({ content = <Outlet /> }: { content?: ReactNode }) {
  const wide = useWide();
  const hasPlaces = useRoomForPlaces();
  const { pathname, search } = useLocation();
  const onRound = useMatch('/systems/:systemId/rounds/:visitId/:stopId') !== null;
  const onCall = useMatch('/systems/:systemId/calls/:visitId') !== null;
  const inRound = onRound || onCall;
  return (
    <div className="flex min-h-dvh flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-10 focus:bg-raised focus:p-3">
        To the content
      </a>
      {(wide || !inRound) && <TopBar hasPlaces={hasPlaces} />}
      {/* The address this content belongs to: the address bar may be ahead of what is drawn. */}
      <main id="main" data-at={pathname + search} className="flex flex-1 flex-col">
        {content}
      </main>
      {!inRound && !hasPlaces && <BottomBar />}
      <ScrollRestoration />
    </div>
  );
}
