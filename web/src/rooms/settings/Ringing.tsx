import { useState } from 'react';
import { askToRing, mayRing, type MayRing } from '../../state/notify.ts';
import { usePref } from '../../state/pref.ts';
import { Button } from '../../ui/Button.tsx';
import { Toggle } from '../../ui/Toggle.tsx';

const WORDS: Readonly<Record<MayRing, string>> = {
  yes: 'This browser rings.',
  ask: 'This browser has not been asked yet.',
  no: 'This browser was told not to: allow notifications for this address in its own settings.',
  cannot: 'This browser rings only on this machine itself, or at the address with a certificate.',
};

/** What rings on this device, what its keys do. */
export function Ringing() {
  const [on, setOn] = usePref('reminders', true);
  const [keys, setKeys] = usePref('keys', true);
  const [may, setMay] = useState(mayRing);
  return (
    <section className="mt-10 max-w-xl" aria-labelledby="ringing">
      <h2 id="ringing" className="mb-1 text-2xl">
        On this device
      </h2>
      <div className="flex flex-col gap-2 border-t border-ink pt-2">
        <p>
          It can ring for a tap that is to be turned off, the morning’s round, a probe that is due and frost
          in the night, <strong>as long as this page or the installed app is open</strong>. A closed page
          cannot: that would take a service outside the house.
        </p>
        <Toggle on={on} onChange={setOn}>
          Ring for round, probe and frost
        </Toggle>
        <p>
          {WORDS[may]}{' '}
          {may === 'ask' ? (
            <Button
              look="quiet"
              className="px-0"
              onClick={() => void askToRing().then(() => setMay(mayRing()))}
            >
              Ask it
            </Button>
          ) : null}
        </p>
        <Toggle on={keys} onChange={setKeys}>
          Letter keys on the round
        </Toggle>
      </div>
    </section>
  );
}
