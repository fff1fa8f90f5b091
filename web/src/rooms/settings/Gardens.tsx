import type { GardenView } from '@kibble/contract';
import { Link, useNavigate } from 'react-router';
import { useGardensQuery } from '../../api/api.ts';
import { usePutAwayMutation } from '../../api/settings.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { Button } from '../../ui/Button.tsx';
import { PracticeGarden } from '../../ui/PracticeGarden.tsx';
import { Refused } from '../../ui/Refused.tsx';

/** The gardens of this Kibble: opened, put away and brought back, a new one, and one to practise in. */
export function Gardens({ garden }: { garden: GardenView }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { data: gardens = [] } = useGardensQuery(null);
  const [putAway, { isLoading, error }] = usePutAwayMutation();
  const away = async (): Promise<void> => {
    await putAway({ id: garden.id, away: true }).unwrap();
    dispatch(
      noticeShown({
        text: `${garden.name} is put away.`,
        undo: [{ to: 'archiveGarden', at: { id: garden.id }, body: { away: false } }],
      }),
    );
    const next = gardens.find(({ id, away: gone }) => id !== garden.id && !gone);
    void navigate(next ? `/garden/${next.id}/round` : '/new');
  };
  return (
    <section className="mt-10 max-w-xl" aria-labelledby="gardens">
      <h2 id="gardens" className="mb-1 text-2xl">
        Gardens
      </h2>
      <ul>
        {gardens.map((other) => (
          <li key={other.id} className="flex min-h-11 items-center gap-3 border-t border-rule">
            <span className="min-w-0 flex-1 break-words">
              {other.id === garden.id ? (
                <strong>{other.name}, open now</strong>
              ) : (
                <Link className="underline underline-offset-4" to={`/garden/${other.id}/round`}>
                  {other.name}
                </Link>
              )}
              {other.away ? <span className="text-quiet">, put away</span> : null}
            </span>
            {other.away ? (
              <Button
                look="quiet"
                disabled={isLoading}
                aria-label={`Bring back: ${other.name}`}
                onClick={() => void putAway({ id: other.id, away: false })}
              >
                Bring back
              </Button>
            ) : other.id === garden.id ? (
              <Button
                look="quiet"
                disabled={isLoading}
                aria-label={`Put away: ${other.name}`}
                onClick={() => void away().catch(() => undefined)}
              >
                Put away
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
      <p className="text-sm text-quiet">
        A garden put away keeps all it has and is left out of the choice at the side until it is brought back.
      </p>
      <Refused error={error} />
      <p>
        <Link
          className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
          to="/new"
        >
          New garden
        </Link>
      </p>
      <PracticeGarden />
      <p>
        <Link className="inline-flex min-h-11 items-center underline underline-offset-4" to="../words">
          What Kibble’s words mean
        </Link>
      </p>
    </section>
  );
}
