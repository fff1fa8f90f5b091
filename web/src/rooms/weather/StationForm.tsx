import type { GardenView, StationView } from '@kibble/contract';
import { refusal } from '../../api/api.ts';
import { useKeepStationMutation } from '../../api/weather.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { useDraft } from '../../ui/useDraft.ts';

/** A weather station, or any bridge to one, by the address that the gardener types. */
export function StationForm({ garden, station }: { garden: GardenView; station: StationView | null }) {
  const [url, setUrl, sent] = useDraft<string | null>(`station-${garden.id}`, null);
  const [keep, { isLoading, error, reset }] = useKeepStationMutation();
  const shown = url ?? station?.url ?? '';
  const send = async (body: { url: string | null; anyway?: boolean }): Promise<void> => {
    await keep({ gardenId: garden.id, body }).unwrap();
    sent();
  };
  const refused = error ? refusal(error) : null;
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void send({ url: shown.trim() }).catch(() => undefined);
      }}
    >
      <h2 className="mb-2 text-2xl">Weather station</h2>
      {garden.isDemo ? (
        <p>This garden has a station of its own.{station?.trouble ? ` Now ${station.trouble}.` : ''}</p>
      ) : (
        <>
          {station ? (
            <p className="mb-2">
              {station.trouble ? (
                <strong className="text-brick">Of no use now: {station.trouble}.</strong>
              ) : (
                'It answers; its days and its forecast are taken each hour.'
              )}
            </p>
          ) : null}
          <Field
            label="Its address"
            placeholder="http://192.168.1.20:8080"
            inputMode="url"
            value={shown}
            error={refused?.message}
            hint="Kibble asks only this address, for its days and its forecast."
            onChange={(e) => {
              setUrl(e.target.value);
              if (error) reset();
            }}
          />
          <div className="mt-3 flex flex-wrap gap-3">
            <Button type="submit" disabled={isLoading || shown.trim() === ''}>
              {isLoading ? 'Asking it…' : 'Ask it, and keep it'}
            </Button>
            {refused?.code === 'needs-consent' ? (
              <Button
                look="quiet"
                onClick={() => void send({ url: shown.trim(), anyway: true }).catch(() => undefined)}
              >
                Keep it anyway
              </Button>
            ) : null}
            {station ? (
              <Button look="quiet" onClick={() => void send({ url: null }).catch(() => undefined)}>
                Do without it
              </Button>
            ) : null}
          </div>
        </>
      )}
    </form>
  );
}
