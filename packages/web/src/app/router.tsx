import { createBrowserRouter, Navigate } from 'react-router';
import { RoundsScreen } from '../places/round/rounds-screen.tsx';
import { NewSystemScreen } from '../places/systems/new-system-screen.tsx';
import { SystemsScreen } from '../places/systems/systems-screen.tsx';
import { SystemScreen } from '../places/system/system-screen.tsx';
import { WatchScreen } from '../places/watch/watch-screen.tsx';
import { CrashScreen, NowhereScreen } from './states.tsx';
import { Shell } from './shell.tsx';

export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <CrashScreen />,
    children: [
      { index: true, element: <Navigate to="/watch" replace /> },
      { path: 'watch', element: <WatchScreen /> },
      { path: 'rounds', element: <RoundsScreen /> },
      { path: 'systems', element: <SystemsScreen /> },
      { path: 'systems/new', element: <NewSystemScreen /> },
      { path: 'systems/:systemId', element: <SystemScreen /> },
      {
        path: 'systems/:systemId/plate',
        lazy: async () => ({ Component: (await import('../places/systems/plate-screen.tsx')).PlateScreen }),
      },
      {
        path: 'refrigerants',
        lazy: async () => ({
          Component: (await import('../places/systems/refrigerants-screen.tsx')).RefrigerantsScreen,
        }),
      },
      {
        path: 'systems/:systemId/rounds/:visitId/summary',
        lazy: async () => ({ Component: (await import('../places/round/close/summary-screen.tsx')).SummaryScreen }),
      },
      {
        path: 'systems/:systemId/threads/:componentId/:kind/:point',
        lazy: async () => ({ Component: (await import('../places/thread/thread-screen.tsx')).ThreadScreen }),
      },
      {
        path: 'systems/:systemId/rounds/:visitId/close',
        lazy: async () => ({ Component: (await import('../places/round/close/close-screen.tsx')).CloseScreen }),
      },
      {
        path: 'systems/:systemId/rounds/:visitId/:stopId',
        lazy: async () => ({ Component: (await import('../places/round/round-screen.tsx')).RoundScreen }),
      },
      {
        path: 'waiting',
        lazy: async () => ({ Component: (await import('../places/waiting/waiting-screen.tsx')).WaitingScreen }),
      },
      { path: '*', element: <NowhereScreen /> },
    ],
  },
]);
