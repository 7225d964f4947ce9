import type { ComponentType } from 'react';
import { createBrowserRouter, Navigate } from 'react-router';
import { watchAsked } from '../places/watch/watch-asked.ts';
import { queries } from './queries.ts';
import { queryClient } from './query-client.ts';
import { CrashScreen, Loading, NowhereScreen } from './states.tsx';
import { Shell } from './shell.tsx';

/**
 * A place that is fetched when somebody goes there: nobody waits for the code of another one. What it asks first is asked
 * meanwhile, by `ahead`.
 */
const place = (path: string, load: () => Promise<ComponentType>, ahead?: (search: URLSearchParams) => void) => ({
  path,
  lazy: async () => ({ Component: await load() }),
  ...(ahead && {
    loader: ({ request }: { request: Request }) => {
      ahead(new URL(request.url).searchParams);
      return null;
    },
  }),
});

const askWatch = (search: URLSearchParams) => void queryClient.prefetchQuery(queries.watch(watchAsked(search)));

export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <CrashScreen />,
    // The frame stands while the first place is on its way.
    hydrateFallbackElement: <Shell content={<Loading what="this place" />} />,
    children: [
      { index: true, element: <Navigate to="/watch" replace /> },
      place('watch', async () => (await import('../places/watch/watch-screen.tsx')).WatchScreen, askWatch),
      place('week', async () => (await import('../places/week/week-screen.tsx')).WeekScreen),
      place('week/days', async () => (await import('../places/week/days-screen.tsx')).DaysScreen),
      place('day', async () => (await import('../places/week/my-day-screen.tsx')).MyDayScreen),
      place('week/vans/:personId/:day', async () => (await import('../places/week/van-screen.tsx')).VanScreen),
      place('rounds', async () => (await import('../places/round/rounds-screen.tsx')).RoundsScreen),
      place('find', async () => (await import('../places/find/find-screen.tsx')).FindScreen),
      place(
        'systems/:systemId/find',
        async () => (await import('../places/find/start-call-screen.tsx')).StartCallScreen,
      ),
      place(
        'systems/:systemId/calls/:visitId',
        async () => (await import('../places/find/call-screen.tsx')).CallScreen,
      ),
      place('systems', async () => (await import('../places/systems/systems-screen.tsx')).SystemsScreen),
      place('systems/new', async () => (await import('../places/systems/new-system-screen.tsx')).NewSystemScreen),
      place('systems/:systemId', async () => (await import('../places/system/system-screen.tsx')).SystemScreen),
      place('systems/:systemId/plate', async () => (await import('../places/systems/plate-screen.tsx')).PlateScreen),
      place('refrigerants', async () => (await import('../places/systems/refrigerants-screen.tsx')).RefrigerantsScreen),
      place(
        'systems/:systemId/threads/:componentId/:kind/:point',
        async () => (await import('../places/thread/thread-screen.tsx')).ThreadScreen,
      ),
      place(
        'systems/:systemId/rounds/:visitId/summary',
        async () => (await import('../places/round/close/summary-screen.tsx')).SummaryScreen,
      ),
      place(
        'systems/:systemId/rounds/:visitId/close',
        async () => (await import('../places/round/close/close-screen.tsx')).CloseScreen,
      ),
      place(
        'systems/:systemId/rounds/:visitId/:stopId',
        async () => (await import('../places/round/round-screen.tsx')).RoundScreen,
      ),
      place(
        'systems/:systemId/visits/:visitId/report',
        async () => (await import('../places/system/report-screen.tsx')).ReportScreen,
      ),
      place('settings/planning', async () => (await import('../places/settings/planning-screen.tsx')).PlanningScreen),
      place('imports', async () => (await import('../places/imports/imports-screen.tsx')).ImportsScreen),
      place('imports/:importId', async () => (await import('../places/imports/import-screen.tsx')).ImportScreen),
      place('reference', async () => (await import('../places/reference/reference-screen.tsx')).ReferenceScreen),
      place('bench', async () => (await import('../places/bench/bench-screen.tsx')).BenchScreen),
      place('bench/:sumId', async () => (await import('../places/bench/bench-screen.tsx')).BenchScreen),
      place('meters', async () => (await import('../places/meters/meters-screen.tsx')).MetersScreen),
      place('meters/:meterId', async () => (await import('../places/meters/meter-screen.tsx')).MeterScreen),
      place('settings', async () => (await import('../places/settings/settings-screen.tsx')).SettingsScreen),
      place('waiting', async () => (await import('../places/waiting/waiting-screen.tsx')).WaitingScreen),
      { path: '*', element: <NowhereScreen /> },
    ],
  },
]);
