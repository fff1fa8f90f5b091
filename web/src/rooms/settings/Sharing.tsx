import { RIGHTS, type GardenName, type Rights, type SharingView } from '@kibble/contract';
import { useState } from 'react';
import { refusal, useGardensQuery, useWhoQuery } from '../../api/api.ts';
import {
  useChangeSharingMutation,
  useInviteMutation,
  useRevokeMutation,
  useSharingQuery,
} from '../../api/settings.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { Check } from '../../ui/Check.tsx';
import { Fold } from '../../ui/Fold.tsx';

const momentText = (iso: string): string =>
  new Date(iso).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
const timeText = (iso: string): string => new Date(iso).toLocaleTimeString(undefined, { timeStyle: 'short' });

/** Kibble for the phones and tablets of the house: whether it is on, how one is let in, and which ones are. */
export function Sharing() {
  // Another device may be let in meanwhile.
  const { data } = useSharingQuery(null, { pollingInterval: 5000 });
  const { data: who } = useWhoQuery(null);
  const [change, { isLoading, error }] = useChangeSharingMutation();
  if (!data) return null;
  const mayTurn = Boolean(who?.here) || data.proxy !== null;
  return (
    <section className="mt-10 max-w-xl" aria-labelledby="sharing">
      <h2 id="sharing" className="mb-1 text-2xl">
        On the home network
      </h2>
      <div className="flex flex-col gap-3 border-t border-ink pt-2">
        <ul className="list-disc pl-5">
          <li>Phones in your own network can open this garden while this machine is on and awake.</li>
          <li>Each is let in once, by a code from here, and can be shut out again below.</li>
          <li>
            Whoever is let in for everything can change and read all of it. Nothing is put on the internet.
          </li>
        </ul>
        {data.on ? (
          <Reached data={data} />
        ) : (
          <p className="font-semibold">It is off: only this machine can open it.</p>
        )}
        {mayTurn ? (
          <Button
            look={data.on ? 'quiet' : 'act'}
            className={data.on ? '-ml-4 self-start' : 'self-start'}
            disabled={isLoading}
            onClick={() => void change({ on: !data.on })}
          >
            {data.on ? 'Turn it off' : 'Let devices of the house in'}
          </Button>
        ) : null}
        <Refused error={error} />
        {data.on || data.proxy !== null ? <Invitation data={data} /> : null}
        <Devices data={data} />
        {mayTurn ? <Proxy key={data.proxy} data={data} /> : null}
      </div>
    </section>
  );
}

function Reached({ data }: { data: SharingView }) {
  return (
    <>
      {data.trouble ? (
        <p role="alert" className="font-semibold text-brick">
          It is on, and cannot be reached: {data.trouble}
        </p>
      ) : (
        <p>
          It is on, at <strong className="wrap-anywhere">{data.plain.join(', ')}</strong>
          {data.secure.length > 0 ? (
            <>
              {' '}
              and, with a certificate, at <strong className="wrap-anywhere">{data.secure.join(', ')}</strong>
            </>
          ) : null}
          .
        </p>
      )}
      {data.secure.length > 0 ? (
        <Fold heading="Installing it on a phone, to work without network" look="underline underline-offset-4">
          <p>
            A phone installs an app and keeps it for later only from an address whose certificate it trusts.
            This house has a small authority of its own for that; its key never leaves this machine.
          </p>
          <ol className="my-2 list-decimal pl-6">
            <li>
              On the phone, once it is let in, take{' '}
              <a className="underline underline-offset-4" href="/api/sharing/authority.crt" download>
                the authority’s certificate
              </a>
              .
            </li>
            <li>
              Android: Settings, search “certificate”, install a CA certificate, choose the file. iPhone: open
              the profile in Settings and install it, then General › About › Certificate Trust Settings, and
              turn “Kibble at home” on.
            </li>
            <li>Open the address that begins with https, and choose “Install” or “Add to Home Screen”.</li>
          </ol>
          <p className="text-sm text-quiet">
            Do this only with a certificate from your own machine: a phone believes whatever it signs. Without
            it everything works in the browser as long as the page stays open.
          </p>
        </Fold>
      ) : null}
    </>
  );
}

const RIGHTS_WORDS: Readonly<Record<Rights, string>> = {
  everything: 'see and change everything',
  'round only': 'walk the round, weigh pots',
};
const namesOf = (ids: readonly number[], gardens: readonly GardenName[]): string =>
  gardens
    .filter(({ id }) => ids.includes(id))
    .map(({ name }) => name)
    .join(', ');
const helperWords = (ids: readonly number[], gardens: readonly GardenName[]): string =>
  ids.length === 0
    ? 'a helper, of no garden yet: connect it again with a new code'
    : `the round of ${namesOf(ids, gardens)}`;

function Invitation({ data }: { data: SharingView }) {
  const [invite, { isLoading, error }] = useInviteMutation();
  const { data: gardens = [] } = useGardensQuery(null);
  const [rights, setRights] = useState<Rights>('everything');
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const { invite: now } = data;
  const several = rights === 'round only' && gardens.length > 1;
  const ask = (): void => void invite(several ? { rights, gardens: [...chosen] } : { rights });
  const gardenNames = (ids: readonly number[]): string => namesOf(ids, gardens);
  return (
    <div className="border border-ink p-4">
      <div className="flex flex-wrap items-end gap-3">
        <Choice label="A new device may" value={rights} onChange={(e) => setRights(e.target.value as Rights)}>
          {RIGHTS.map((which) => (
            <option key={which} value={which}>
              {RIGHTS_WORDS[which]}
            </option>
          ))}
        </Choice>
        {several ? (
          <fieldset className="w-full">
            <legend>Which gardens may the helper see?</legend>
            {gardens.map(({ id, name }) => (
              <Check
                key={id}
                checked={chosen.includes(id)}
                onChange={(e) =>
                  setChosen(e.target.checked ? [...chosen, id] : chosen.filter((other) => other !== id))
                }
              >
                {name}
              </Check>
            ))}
          </fieldset>
        ) : null}
        <Button disabled={isLoading || (several && chosen.length === 0)} onClick={ask}>
          {now ? 'Another code' : 'Ask for a code'}
        </Button>
      </div>
      <Refused error={error} />
      {now ? (
        <div className="mt-3 flex flex-wrap items-center gap-5" data-testid="invitation">
          {/* A camera reads black on white alone. */}
          <img
            className="size-44 bg-white"
            alt="The link as a square for a camera"
            src={`data:image/svg+xml,${encodeURIComponent(now.picture)}`}
          />
          <p className="min-w-40 flex-1">
            Scan this with the phone, or open <span className="wrap-anywhere">{now.link.split('#')[0]}</span>{' '}
            there and type
            <strong className="block text-4xl tracking-widest" data-testid="code">
              {now.code.slice(0, 3)} {now.code.slice(3)}
            </strong>
            <span className="text-sm text-quiet">
              For one device, which may{' '}
              {now.rights === 'everything'
                ? 'do everything'
                : `walk the round of ${gardenNames(now.gardens)}`}
              ; until {timeText(now.until)}.
            </span>
          </p>
        </div>
      ) : null}
    </div>
  );
}

function Devices({ data }: { data: SharingView }) {
  const [revoke, { error }] = useRevokeMutation();
  const { data: gardens = [] } = useGardensQuery(null);
  const dispatch = useAppDispatch();
  if (data.devices.length === 0) return null;
  const shutOut = async (id: string, name: string): Promise<void> => {
    await revoke(id).unwrap();
    dispatch(noticeShown({ text: `${name} is shut out; a new code lets it in again.` }));
  };
  return (
    <div>
      <h3 className="text-lg">Devices that are let in</h3>
      <ul>
        {data.devices.map((device) => (
          <li key={device.id} className="flex flex-wrap items-center gap-x-4 border-t border-rule">
            <span className="min-w-0 flex-1 py-2">
              <strong>{device.name}</strong>,{' '}
              {device.rights === 'everything' ? 'everything' : helperWords(device.gardens, gardens)}
              {device.thisOne ? ', this one' : ''}
              <span className="block text-sm text-quiet">
                since {momentText(device.pairedAt)}, last seen {momentText(device.seenAt)}
              </span>
            </span>
            <Button
              look="quiet"
              aria-label={`Shut out ${device.name}`}
              onClick={() => void shutOut(device.id, device.name).catch(() => undefined)}
            >
              Shut out
            </Button>
          </li>
        ))}
      </ul>
      <Refused error={error} />
    </div>
  );
}

/** For whoever runs a proxy of their own with a certificate that phones trust already. */
function Proxy({ data }: { data: SharingView }) {
  const [change, { isLoading, error }] = useChangeSharingMutation();
  const [name, setName] = useState(data.proxy ?? '');
  return (
    <Fold
      heading="I run a proxy of my own before it"
      begins={data.proxy !== null}
      look="underline underline-offset-4"
    >
      <form
        noValidate
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void change({ proxy: name.trim() === '' ? null : name });
        }}
      >
        <p>
          Behind a proxy Kibble cannot tell this machine from others, so that every device needs a code then,
          this one too. A code stands in the window in which Kibble was started.
        </p>
        <Field
          label="Name under which the proxy is reached"
          hint="As kibble.example. Empty: there is none."
          value={name}
          error={error ? refusal(error).message : undefined}
          onChange={(e) => setName(e.target.value)}
        />
        <Button type="submit" className="self-start" disabled={isLoading}>
          Keep it so
        </Button>
      </form>
    </Fold>
  );
}
