import type { AlertView, TickView } from '@kibble/contract';
import { isHotWork, isSeenTo, stateOf, type AlertAct } from '@kibble/core';
import { useState } from 'react';
import { useTicksQuery } from '../api/api.ts';
import { ALERT_NAMES, alertWords, isHarm } from '../words/alertWords.ts';
import { useGarden } from '../state/gardenRound.ts';
import { dayMonth } from '../words/words.ts';
import { useUnits } from '../words/units.ts';
import { later } from './later.tsx';

const AlertActs = later(async () => (await import('./AlertActs.tsx')).AlertActs);
const Caution = later(async () => (await import('./Caution.tsx')).Caution);
const Drawer = later(async () => (await import('./Drawer.tsx')).Drawer);

const leftOf = (alert: AlertView, ticks: readonly TickView[]): AlertAct[] =>
  alert.acts.filter((act) => !isSeenTo(ticks, stateOf(alert), act));

/** What people who work in the heat have to mind. It has its place before it is here, so that nothing moves. */
export function HotWork({ alerts }: { alerts: AlertView[] }) {
  return isHotWork(alerts) ? (
    <div className="min-h-10">
      <Caution of="hot work" className="" />
    </div>
  ) : null;
}

/** The weather's alerts, each a sentence that opens what to do; short, only what does harm and was not seen to, in a few words. */
export function AlertLines({ alerts, short = false }: { alerts: AlertView[]; short?: boolean }) {
  const garden = useGarden();
  const units = useUnits();
  const { data: ticks } = useTicksQuery(garden.id);
  const [open, setOpen] = useState<AlertView['code'] | null>(null);
  const chosen = alerts.find(({ code }) => code === open);
  // What does harm is read first.
  const inOrder = [...alerts].sort((a, b) => Number(isHarm(b)) - Number(isHarm(a)));
  const told = short
    ? inOrder.filter((alert) => isHarm(alert) && leftOf(alert, ticks ?? []).length > 0)
    : inOrder;
  return (
    <>
      <ul className="text-quiet">
        {told.map((alert) => {
          const left = leftOf(alert, ticks ?? []).length;
          const pressing = isHarm(alert) && left > 0;
          return (
            <li key={alert.code} className="inline">
              <span className={pressing ? 'font-bold text-brick' : ''}>
                {short ? `${ALERT_NAMES[alert.code]} from ${dayMonth(alert.from)}` : alertWords(alert, units)}
              </span>{' '}
              <button
                type="button"
                aria-haspopup="dialog"
                aria-label={`${ALERT_NAMES[alert.code]}: ${left > 0 ? 'what to do' : 'seen to'}`}
                className={`no-print underline underline-offset-4 ${short ? 'min-h-11' : 'min-h-6'}`}
                onClick={() => setOpen(alert.code)}
              >
                {left > 0 ? 'what to do' : 'seen to'}
              </button>{' '}
            </li>
          );
        })}
      </ul>
      {short ? null : <HotWork alerts={alerts} />}
      {chosen ? (
        <Drawer open onClose={() => setOpen(null)} title={ALERT_NAMES[chosen.code]}>
          <p className="mb-3">{alertWords(chosen, units)}</p>
          <AlertActs alert={chosen} ticks={ticks} />
        </Drawer>
      ) : null}
    </>
  );
}
