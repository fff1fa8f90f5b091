import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Navigate, Outlet, useLocation, useRoutes, type RouteObject } from 'react-router';
import { refusal, useGardensQuery } from '../app/api.ts';
import { later } from '../ui/later.tsx';
import { Loading, Trouble } from '../ui/states.tsx';
import { GardenShell } from './GardenShell.tsx';
import { RoomFault } from './RoomFault.tsx';

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

/** Each room by its path under a garden, fetched when it is first gone to. */
const ROOMS: readonly (readonly [path: string, load: () => Promise<ComponentType>])[] = [
  ['round', async () => (await import('../rooms/round/RoundRoom.tsx')).RoundRoom],
  ['section', async () => (await import('../rooms/section/SectionRoom.tsx')).SectionRoom],
  ['fortnight', async () => (await import('../rooms/fortnight/FortnightRoom.tsx')).FortnightRoom],
  ['beds/:bedId', async () => (await import('../rooms/bed/BedRoom.tsx')).BedRoom],
  ['beds', async () => (await import('../rooms/beds/BedsRoom.tsx')).BedsRoom],
  ['pots/weigh', async () => (await import('../rooms/pots/WeighIn.tsx')).WeighIn],
  ['pots/:potId', async () => (await import('../rooms/pots/PotRoom.tsx')).PotRoom],
  ['pots', async () => (await import('../rooms/pots/PotsRoom.tsx')).PotsRoom],
  ['trees/:bedId', async () => (await import('../rooms/trees/TreeRoom.tsx')).TreeRoom],
  ['trees', async () => (await import('../rooms/trees/TreesRoom.tsx')).TreesRoom],
  ['ground/bed/:bedId/:kind', async () => (await import('../rooms/ground/tests/TestRoom.tsx')).TestRoom],
  ['ground/tap/:tapId/:kind', async () => (await import('../rooms/ground/tests/TestRoom.tsx')).TestRoom],
  ['ground/bed/:bedId', async () => (await import('../rooms/ground/GroundOfBed.tsx')).GroundOfBed],
  ['ground', async () => (await import('../rooms/ground/GroundRoom.tsx')).GroundRoom],
  ['weather', async () => (await import('../rooms/weather/WeatherRoom.tsx')).WeatherRoom],
  ['words', async () => (await import('../rooms/words/WordsRoom.tsx')).WordsRoom],
  ['settings', async () => (await import('../rooms/settings/SettingsRoom.tsx')).SettingsRoom],
];
const setup = async (): Promise<ComponentType> => (await import('../rooms/setup/SetupRoom.tsx')).SetupRoom;

/** Every room, to be fetched in time. */
export const ALL_ROOMS = ROOMS.map(([, load]) => load);

/** Begins to fetch the room an address is of, before anything is drawn. */
export function fetchRooms(pathname: string): void {
  const within = /^\/garden\/\d+\/(.*)$/.exec(pathname)?.[1];
  const load =
    pathname === '/new'
      ? setup
      : ROOMS.find(
          ([path]) =>
            within !== undefined &&
            new RegExp(
              `^${path.replaceAll(/:(bedId|potId|tapId)/g, '\\d+').replace(':kind', '[^/]+')}/?$`,
            ).test(within),
        )?.[1];
  load?.().catch(() => undefined);
}

function room(load: () => Promise<ComponentType>): ReactNode {
  const Room = lazy(async () => ({ default: await load() }));
  return <Room />;
}

/** One room that cannot be shown leaves the others as they are; gone to again, it is tried again. */
function Guarded() {
  const { pathname } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={RoomFault} resetKeys={[pathname]}>
      <Suspense fallback={<Loading what="the room" />}>
        <Outlet />
      </Suspense>
    </ErrorBoundary>
  );
}

const ROUTES: RouteObject[] = [
  {
    element: <Guarded />,
    children: [
      { path: '/', element: <FrontDoor /> },
      { path: '/pair', element: <PairRoom /> },
      { path: '/new', element: room(setup) },
      {
        path: '/garden/:gardenId',
        element: <GardenShell />,
        children: [
          {
            element: <Guarded />,
            children: [
              ...ROOMS.map(([path, load]) => ({ path, element: room(load) })),
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
