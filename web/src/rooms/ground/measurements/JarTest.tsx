import { jarTest } from '@kibble/core';
import { format } from 'date-fns';
import { Button } from '../../../ui/Button.tsx';
import { Jar } from '../drawings.tsx';
import { HORIZON_OPTIONS } from './FeelTest.tsx';
import { clockText, useNow } from '../../../ui/clock.ts';
import { Num, Pick, Says, Step, useTest } from './parts.tsx';
import type { Reading, TestPage } from './types.ts';

/** When each layer has come down. Common practice. */
const SETTLED = [
  ['Sand', 60_000],
  ['Silt', 2 * 3_600_000],
  ['Clay', 24 * 3_600_000],
] as const;
export const JAR_MS = 24 * 3_600_000;

function Settling() {
  const { draft, set } = useTest();
  const shakenAt = typeof draft.shakenAt === 'number' ? draft.shakenAt : null;
  const now = useNow(shakenAt !== null);
  if (shakenAt === null)
    return (
      <Button className="self-start" onClick={() => set({ shakenAt: Date.now() }, true)}>
        I set it down now
      </Button>
    );
  return (
    <div>
      <table>
        <tbody>
          {SETTLED.map(([name, ms]) => {
            const due = shakenAt + ms;
            return (
              <tr key={name} className="border-t border-rule">
                <th scope="row" className="py-1 pr-4 text-left font-semibold">
                  {name}
                </th>
                <td role="timer" className="py-1 pr-4">
                  {now >= due ? 'has settled: mark it' : `in ${clockText(due - now)}`}
                </td>
                <td className="py-1 text-quiet">{format(due, 'EEE d MMM, HH:mm')}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-quiet">
        You can leave: the jar is kept under way, on every device that opens this garden.{' '}
        <button type="button" className="underline" onClick={() => set({ shakenAt: null }, true)}>
          Start again
        </button>
      </p>
    </div>
  );
}

function Steps() {
  const { reader } = useTest();
  const mm = (name: string): number => Math.max(0, Number(reader.text(name).replace(',', '.')) || 0);
  return (
    <>
      <Step
        n={1}
        title="Fill a straight jar one third with soil from root depth, stones out. Top up with water and a drop of dish soap."
      >
        <Pick name="horizon" label="It comes from" options={HORIZON_OPTIONS} fallback="top" />
      </Step>
      <Step n={2} title="Shake it hard for three minutes, set it down, and do not touch it for a day.">
        <Settling />
      </Step>
      <Step n={3} title="Measure the height of each layer: sand at the bottom, silt on it, clay on top.">
        <div className="flex flex-wrap items-end gap-6">
          <div className="flex flex-col gap-3">
            <Num name="clay" field="clayMm" label="Clay layer" />
            <Num name="silt" field="siltMm" label="Silt layer" />
            <Num name="sand" field="sandMm" label="Sand layer" />
          </div>
          <Jar sandMm={mm('sand')} siltMm={mm('silt')} clayMm={mm('clay')} />
        </div>
      </Step>
    </>
  );
}

function Result({ input }: { input: Reading<'jar'> }) {
  const { sandPct, siltPct, clayPct, textureClass } = jarTest(input);
  return (
    <Says figure={<span className="font-serif">{textureClass}</span>}>
      {Math.round(sandPct)} % sand, {Math.round(siltPct)} % silt, {Math.round(clayPct)} % clay. What floats is
      organic matter and is left out.
    </Says>
  );
}

export const jarTestPage: TestPage = {
  kind: 'jar',
  title: 'Settle it in a jar',
  about: 'Measures the shares of sand, silt and clay: more exact than fingers.',
  needs: 'a straight clear jar, a ruler, a day',
  Steps,
  read: (r) => {
    const horizon = r.choice('horizon', ['top', 'below'] as const, 'Where it comes from', 'top');
    const sandMm = r.number('sand', 'sandMm');
    const siltMm = r.number('silt', 'siltMm');
    const clayMm = r.number('clay', 'clayMm');
    if (sandMm + siltMm + clayMm === 0)
      r.refuse('clay', 'The three layers together must be more than 0: nothing has settled yet.');
    return r.ok && horizon ? { kind: 'jar', horizon, sandMm, siltMm, clayMm } : null;
  },
  Result: Result as TestPage['Result'],
};
