import type { ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Navigate, Outlet, useLocation, useRoutes, type RouteObject } from 'react-router';
import { refusal, useGardensQuery } from '../api/api.ts';
import { later } from '../ui/later.tsx';
import { Loading, Trouble } from '../ui/states.tsx';
import { GardenShell } from './GardenShell.tsx';
import { roomOf } from './room.tsx';
import { RoomFault } from './RoomFault.tsx';
import { fileOf, ROOM_FILES, SETUP_FILE } from './roomFiles.ts';

const PairRoom = later(async () => (await import('./PairRoom.tsx')).PairRoom);

/** Opens the garden last looked at, or the setup when there is none. */
function FrontDoor() {
  const { data, error, refetch } = useGardensQuery(null);
  if (refusal(error).code === 'not-paired') return <PairRoom />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading what="which garden to open" />;
  const last = Number(localStorage.getItem('kibble.garden'));
  const open = data.filter(({ away }) => !away);
  const garden = open.find((g) => g.id === last) ?? open[0];
  return <Navigate replace to={garden ? `/garden/${garden.id}/round` : '/new'} />;
}

const ROOMS = ROOM_FILES.map(([path, load]) => ({ path, load, ...roomOf(load) }));
const setup = { load: SETUP_FILE, ...roomOf(SETUP_FILE) };

/** Every room, to be fetched in time. */
export const ALL_ROOMS = ROOMS.map(({ fetch }) => fetch);

/** Fetches the room an address is of, where it is of one. */
export async function fetchRoom(pathname: string): Promise<void> {
  const asked = fileOf(pathname);
  await [setup, ...ROOMS].find(({ load }) => load === asked)?.fetch();
}

/** One room that cannot be shown leaves the others as they are; gone to again, it is tried again. */
function Guarded() {
  const { pathname } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={RoomFault} resetKeys={[pathname]}>
      <Outlet />
    </ErrorBoundary>
  );
}

const ROUTES: RouteObject[] = [
  {
    element: <Guarded />,
    children: [
      { path: '/', element: <FrontDoor /> },
      { path: '/pair', element: <PairRoom /> },
      { path: '/new', element: <setup.Element /> },
      {
        path: '/garden/:gardenId',
        element: <GardenShell />,
        children: [
          {
            element: <Guarded />,
            children: [
              ...ROOMS.map(({ path, Element }) => ({ path, element: <Element /> })),
              { index: true, element: <Navigate replace to="round" /> },
            ],
          },
        ],
      },
      { path: '*', element: <Navigate replace to="/" /> },
    ],
  },
];

export const Rooms = (): ReactNode => useRoutes(ROUTES);
