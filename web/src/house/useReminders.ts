import type { RoundView } from '@kibble/contract';
import { useEffect } from 'react';
import { notify } from '../state/notify.ts';
import { usePref } from '../state/pref.ts';
import { remindersAt } from '../words/reminders.ts';
import type { Units } from '../words/units.ts';

/** How often it is looked whether something is to be told, ms. */
const LOOK_MS = 30_000;
const TOLD = 'kibble.told';
/** So many names of what was told are remembered. */
const REMEMBERED = 50;

/** Rings for what must not be missed, once each, as long as this page or the installed app is open. */
export function useReminders(round: RoundView | undefined, units: Units): void {
  const [on] = usePref('reminders', true);
  useEffect(() => {
    if (!round || !on) return;
    const look = (): void => {
      const now = new Date();
      const told = (localStorage.getItem(TOLD) ?? '').split(' ');
      for (const { tag, title, body } of remindersAt(round, now.getHours() * 60 + now.getMinutes(), units)) {
        if (told.includes(tag)) continue;
        told.push(tag);
        localStorage.setItem(TOLD, told.slice(-REMEMBERED).join(' '));
        notify(title, { body, tag });
      }
    };
    look();
    const timer = setInterval(look, LOOK_MS);
    return () => clearInterval(timer);
  }, [round, on, units]);
}
