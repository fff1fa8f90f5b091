import { createBrowserRouter, Navigate } from 'react-router';
import { Loading, Trouble } from '../ui/states.tsx';
import { refusal, useGardensQuery } from '../app/api.ts';
import { GardenShell } from './GardenShell.tsx';
import { PairRoom } from './PairRoom.tsx';
import { RoomFault } from './RoomFault.tsx';

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

export const router = createBrowserRouter([
  { path: '/', element: <FrontDoor />, errorElement: <RoomFault /> },
  { path: '/pair', element: <PairRoom /> },
  {
    path: '/new',
    errorElement: <RoomFault />,
    lazy: async () => ({ Component: (await import('../rooms/setup/SetupRoom.tsx')).SetupRoom }),
  },
  {
    path: '/garden/:gardenId',
    element: <GardenShell />,
    children: [
      {
        // One room that cannot be shown leaves the others as they are.
        errorElement: <RoomFault />,
        children: [
          {
            path: 'round',
            lazy: async () => ({ Component: (await import('../rooms/round/RoundRoom.tsx')).RoundRoom }),
          },
          {
            path: 'section',
            lazy: async () => ({ Component: (await import('../rooms/section/SectionRoom.tsx')).SectionRoom }),
          },
          {
            path: 'fortnight',
            lazy: async () => ({
              Component: (await import('../rooms/fortnight/FortnightRoom.tsx')).FortnightRoom,
            }),
          },
          {
            path: 'beds',
            lazy: async () => ({ Component: (await import('../rooms/beds/BedsRoom.tsx')).BedsRoom }),
          },
          {
            path: 'beds/:bedId',
            lazy: async () => ({ Component: (await import('../rooms/bed/BedRoom.tsx')).BedRoom }),
          },
          {
            path: 'pots',
            lazy: async () => ({ Component: (await import('../rooms/pots/PotsRoom.tsx')).PotsRoom }),
          },
          {
            path: 'pots/weigh',
            lazy: async () => ({ Component: (await import('../rooms/pots/WeighIn.tsx')).WeighIn }),
          },
          {
            path: 'pots/:potId',
            lazy: async () => ({ Component: (await import('../rooms/pots/PotRoom.tsx')).PotRoom }),
          },
          {
            path: 'trees',
            lazy: async () => ({ Component: (await import('../rooms/trees/TreesRoom.tsx')).TreesRoom }),
          },
          {
            path: 'trees/:bedId',
            lazy: async () => ({ Component: (await import('../rooms/trees/TreeRoom.tsx')).TreeRoom }),
          },
          {
            path: 'ground',
            lazy: async () => ({ Component: (await import('../rooms/ground/GroundRoom.tsx')).GroundRoom }),
          },
          {
            path: 'ground/bed/:bedId',
            lazy: async () => ({ Component: (await import('../rooms/ground/GroundOfBed.tsx')).GroundOfBed }),
          },
          ...['ground/bed/:bedId/:kind', 'ground/tap/:tapId/:kind'].map((path) => ({
            path,
            lazy: async () => ({ Component: (await import('../rooms/ground/tests/TestRoom.tsx')).TestRoom }),
          })),
          {
            path: 'weather',
            lazy: async () => ({ Component: (await import('../rooms/weather/WeatherRoom.tsx')).WeatherRoom }),
          },
          {
            path: 'words',
            lazy: async () => ({ Component: (await import('../rooms/words/WordsRoom.tsx')).WordsRoom }),
          },
          {
            path: 'settings',
            lazy: async () => ({
              Component: (await import('../rooms/settings/SettingsRoom.tsx')).SettingsRoom,
            }),
          },
          { index: true, element: <Navigate replace to="round" /> },
        ],
      },
    ],
  },
  { path: '*', element: <Navigate replace to="/" /> },
]);
