import { useOpenPracticeMutation, usePracticeQuery } from '../api/settings.ts';
import { Button } from './Button.tsx';
import { Refused } from './Refused.tsx';

/** The way into a practice garden with everything in it, kept apart from one's own. */
export function PracticeGarden() {
  const { data } = usePracticeQuery(null);
  const [open, { isLoading, isSuccess, error }] = useOpenPracticeMutation();
  if (!data?.can) return null;
  const go = async (): Promise<void> => {
    const { url } = await open(null).unwrap();
    window.location.assign(url);
  };
  return (
    <div>
      <Button
        look="quiet"
        className="-ml-4"
        disabled={isLoading || isSuccess}
        onClick={() => void go().catch(() => undefined)}
      >
        See Three Poplars, a practice garden
      </Button>
      {isLoading || isSuccess ? (
        <p role="status">It is being made ready; the first time that takes some ten seconds…</p>
      ) : (
        <p className="text-sm text-quiet">
          Invented, in the middle of a hot July, with a clock you step. Nothing in it touches a garden of
          yours.
        </p>
      )}
      <Refused error={error} />
    </div>
  );
}
