import { useEffect, useState } from 'react';
import { refusal } from '../api/api.ts';
import { usePairMutation } from '../api/settings.ts';
import { forgetSeen } from '../state/worker.ts';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';

/** A phone, a tablet or a computer, as far as it says so: a name to begin with. */
const nameOfThis = (): string =>
  /iPad|Tablet/i.test(navigator.userAgent)
    ? 'Tablet'
    : /iPhone|Android|Mobile/i.test(navigator.userAgent)
      ? 'Phone'
      : 'Computer';

/** This device is not let in yet: the six figures from the other screen, or the link its camera read. */
export function PairRoom() {
  const [pair, { isLoading, error }] = usePairMutation();
  const [name, setName] = useState(nameOfThis);
  const [code, setCode] = useState('');
  // What follows the # is sent to nobody until it is asked for, and is gone from the address then.
  const [link] = useState(() => (window.location.pathname === '/pair' ? window.location.hash.slice(1) : ''));
  const [byCode, setByCode] = useState(link === '');
  const refused = error ? refusal(error) : null;
  useEffect(forgetSeen, []);
  useEffect(() => {
    document.title = 'Let this device in · Kibble';
    if (link !== '') window.history.replaceState(null, '', '/pair');
  }, [link]);
  const ask = async (): Promise<void> => {
    const shown = byCode ? { code } : { link };
    try {
      await pair({ ...shown, name }).unwrap();
      window.location.assign('/');
    } catch {
      // A link that was used up leaves the code.
      setByCode(true);
    }
  };
  return (
    <main className="mx-auto flex min-h-screen max-w-md flex-col justify-center gap-5 p-6">
      <h1 className="font-serif text-4xl font-bold">Kibble</h1>
      <p>
        This device has not been let in. At the machine on which Kibble runs, open{' '}
        <strong>Settings › On the home network</strong> and ask for a code.
      </p>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          void ask();
        }}
      >
        {byCode ? (
          <Field
            label="Six figures"
            inputMode="numeric"
            autoComplete="one-time-code"
            className="w-48 text-2xl tracking-widest"
            value={code}
            error={refused && refused.field !== 'name' ? refused.message : undefined}
            onChange={(e) => setCode(e.target.value)}
          />
        ) : null}
        <Field
          label="What this device is called"
          hint="It stands in the list of devices under this name."
          value={name}
          error={refused?.field === 'name' ? refused.message : undefined}
          onChange={(e) => setName(e.target.value)}
        />
        <Button type="submit" className="min-h-14 text-lg" disabled={isLoading}>
          Let this device in
        </Button>
      </form>
    </main>
  );
}
