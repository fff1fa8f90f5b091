import { momentWords } from '../words/dateWords.ts';
import { useAppSelector } from '../api/store.ts';
import { changeAct, forgetAct, type WaitingAct } from '../outbox/acts.ts';
import { sendWaiting } from '../outbox/sendWaiting.ts';
import { Button } from '../ui/Button.tsx';
import { Drawer } from '../ui/Drawer.tsx';

/** What was done here and is not yet at home, in the order in which it was done; what home refused waits for a word. */
export function KeptHere({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { waiting } = useAppSelector((state) => state.connection);
  return (
    <Drawer open={open} onClose={onClose} title="Kept here">
      {waiting.length === 0 ? (
        <p>Everything is at home.</p>
      ) : (
        <p className="mb-2">
          It stands on this device and goes home by itself, in this order, as soon as there is a way.
        </p>
      )}
      <ol>
        {waiting.map((act) => (
          <Kept key={act.seq} act={act} />
        ))}
      </ol>
    </Drawer>
  );
}

function Kept({ act }: { act: WaitingAct }) {
  const { refused, ...again } = act;
  const send = async (body: unknown): Promise<void> => {
    // Sent again it goes by the clock of this contact: the first time the two clocks may have been far apart.
    await changeAct({ ...again, body, offsetMs: null });
    await sendWaiting();
  };
  const asksTwice = refused?.code === 'needs-consent' && refused.field !== 'Kibble-Moment';
  const body = (act.body ?? {}) as Record<string, unknown>;
  // What was saved before everything was one log asked by a word of its own.
  const { onlyOne: _first, ...before } = body;
  const asWell = act.name ? { ...body, sure: true } : before;
  return (
    <li className="border-t border-rule py-2">
      <p>
        <span className="text-sm text-quiet">{momentWords(Date.parse(act.at))}</span>{' '}
        <strong>{act.words}</strong>
        {refused ? '' : ', not yet at home'}
      </p>
      {refused ? (
        <>
          <p className="font-semibold text-brick">{refused.message}</p>
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => void send(asksTwice ? asWell : body)}>
              {asksTwice ? 'Write it down as well' : 'Send it again'}
            </Button>
            <Button look="quiet" onClick={() => void forgetAct(act.seq)}>
              {asksTwice ? 'It is the same one: throw this away' : 'Throw it away'}
            </Button>
          </div>
        </>
      ) : null}
    </li>
  );
}
