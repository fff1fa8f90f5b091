import { clsx } from 'clsx';
import { lazy, Suspense, useState } from 'react';
import { Link, NavLink, useLocation } from 'react-router';
import { useGardensQuery } from '../api/api.ts';
import { useNarrow } from '../ui/useMedia.ts';
import { BAR, MORE, ROOM_GROUPS, type Room } from './rooms.ts';
import { later } from '../ui/later.tsx';

const GardenChoice = later(async () => (await import('./GardenChoice.tsx')).GardenChoice);

/** A bed's page lies in the garden, a test in the ground. */
const inRoom = (path: string, pathname: string): boolean =>
  pathname.split('/')[3] === path ||
  pathname.endsWith(`/${path}`) ||
  (path === 'section' && /\/beds(\/|$)/.test(pathname));

const LINK =
  'flex items-center border-transparent font-serif text-quiet aria-[current=page]:border-ink aria-[current=page]:font-semibold aria-[current=page]:text-ink';

function RoomLink({
  id,
  room,
  className,
}: {
  id: number;
  room: Pick<Room, 'path' | 'name'>;
  className: string;
}) {
  const { pathname } = useLocation();
  return (
    <NavLink
      to={`/garden/${id}/${room.path}`}
      aria-current={inRoom(room.path, pathname) ? 'page' : undefined}
      className={clsx(LINK, className)}
    >
      {room.name}
    </NavLink>
  );
}

/** Where a helper goes. */
const HELPERS: readonly Pick<Room, 'path' | 'name'>[] = [
  ...BAR.slice(0, 1),
  { path: 'pots/weigh', name: 'Weigh pots' },
];

/** The way through: groups under one another at the side, on the phone four rooms at the thumb and the rest behind “More”. */
export function Rail({
  id,
  roundOnly,
  onFind,
}: {
  id: number;
  /** A helper's device: one room. */
  roundOnly: boolean;
  onFind: () => void;
}) {
  const { data: gardens } = useGardensQuery(null);
  const narrow = useNarrow();
  if (narrow)
    return (
      <nav
        aria-label="Rooms at the thumb"
        className="at-thumb fixed inset-x-0 bottom-0 z-10 flex border-t border-rule bg-paper print:hidden"
      >
        {(roundOnly ? HELPERS : BAR).map((room) => (
          <RoomLink
            key={room.path}
            id={id}
            room={room}
            className="min-h-14 flex-1 justify-center text-[0.95rem] aria-[current=page]:underline aria-[current=page]:underline-offset-8"
          />
        ))}
        {roundOnly ? null : <More id={id} onFind={onFind} />}
      </nav>
    );
  return (
    <nav
      aria-label="Rooms"
      className="sticky top-0 flex h-screen w-36 flex-none flex-col border-r border-rule"
    >
      <Link to={`/garden/${id}/round`} className="px-5 pt-5 pb-3 font-serif text-3xl font-bold">
        Kibble
      </Link>
      {(roundOnly ? ROOM_GROUPS.slice(0, 1) : ROOM_GROUPS).map(({ name, rooms }) => (
        <div key={name} role="group" aria-label={name} className="mb-3">
          <p aria-hidden className="px-5 text-sm text-quiet">
            {name}
          </p>
          {(roundOnly ? HELPERS : rooms).map((room) => (
            <RoomLink
              key={room.path}
              id={id}
              room={room}
              className="min-h-11 border-l-4 px-4 text-lg leading-tight"
            />
          ))}
        </div>
      ))}
      <button
        type="button"
        className="min-h-11 px-5 text-left text-sm underline underline-offset-4"
        onClick={onFind}
      >
        Find… <kbd className="font-sans text-quiet no-underline">/</kbd>
      </button>
      <div className="mt-auto p-4 text-sm">
        <GardenChoice
          gardens={(gardens ?? []).filter((garden) => !garden.away || garden.id === id)}
          id={id}
        />
        <Link to="/new" className="underline underline-offset-4">
          New garden
        </Link>
      </div>
    </nav>
  );
}

const MoreMenu = lazy(async () => ({ default: (await import('./MoreMenu.tsx')).MoreMenu }));

/** What does not stand in the bar: its menu is fetched when it is first asked for. */
function More({ id, onFind }: { id: number; onFind: () => void }) {
  const { pathname } = useLocation();
  const [asked, setAsked] = useState(false);
  const here = MORE.some(({ path }) => inRoom(path, pathname));
  const look = clsx(
    'min-h-14 flex-1 font-serif text-[0.95rem]',
    here ? 'font-semibold underline underline-offset-8' : 'text-quiet',
  );
  const plain = (
    <button type="button" aria-haspopup="menu" className={look} onClick={() => setAsked(true)}>
      More
    </button>
  );
  return asked ? (
    <Suspense fallback={plain}>
      <MoreMenu id={id} className={look} onFind={onFind} />
    </Suspense>
  ) : (
    plain
  );
}
