import type { PotView } from '@kibble/contract';
import { FELT, FOUND, METERS, SIGNS, type Meter, type Sign } from '@kibble/core';
import { useState, type ReactNode } from 'react';
import { numberRule, typedSi } from '../../words/numberRule.ts';
import { useUnits } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { usePotActs } from '../../ui/usePotActs.ts';
import { Fold } from '../../ui/Fold.tsx';

/** A pot too large to lift is pushed with a foot. */
const LIFTED_L = 12;

/** What a hand, a finger, a meter or an eye finds of a pot, and another amount than was asked. */
export function Looks({ pot }: { pot: PotView }) {
  const units = useUnits();
  const acts = usePotActs();
  const [ml, setMl] = useState('');
  const [pct, setPct] = useState('');
  const [meter, setMeter] = useState<Meter>('cheap probe');
  const [wrong, setWrong] = useState<{ ml?: string; pct?: string }>({});
  const foot = pot.shape.volumeL > LIFTED_L;
  const failed = (): void => undefined;
  return (
    <Fold
      heading="Write down what you found or gave"
      className="mt-2 border-t border-rule"
      look="font-semibold"
    >
      <div className="grid gap-x-8 gap-y-3 pb-3 sm:grid-cols-2">
        <Row label={foot ? 'Pushed with a foot, it is' : 'Lifted, it is'}>
          {FELT.map((felt) => (
            <Button
              key={felt}
              look="quiet"
              className="px-2"
              onClick={() =>
                void acts
                  .one(pot, { kind: 'heft', felt, by: foot ? 'foot' : 'hand' }, `${felt}.`)
                  .catch(failed)
              }
            >
              {felt}
            </Button>
          ))}
        </Row>
        <Row label="A finger in the top finds it">
          {FOUND.map((found) => (
            <Button
              key={found}
              look="quiet"
              className="px-2"
              onClick={() => void acts.one(pot, { kind: 'finger', found }, `finger: ${found}.`).catch(failed)}
            >
              {found}
            </Button>
          ))}
        </Row>
        <form
          noValidate
          className="flex items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            const rule = numberRule('millilitres', ml, units);
            setWrong({ ml: rule === true ? undefined : rule });
            const millilitres = typedSi('millilitres', ml, units) ?? 0;
            if (rule === true)
              void acts
                .one(
                  pot,
                  { kind: 'given', millilitres, how: pot.way === 'from below' ? 'from below' : 'poured' },
                  'written down.',
                )
                .then(() => setMl(''))
                .catch(failed);
          }}
        >
          <Field
            label="It had"
            inputMode="decimal"
            unit={units.of('millilitres').unit}
            value={ml}
            onChange={(e) => setMl(e.target.value)}
            error={wrong.ml}
          />
          <Button type="submit" look="plain" className="border border-ink">
            Keep
          </Button>
        </form>
        <form
          noValidate
          className="flex flex-wrap items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            const rule = numberRule('meterPct', pct, units);
            setWrong({ pct: rule === true ? undefined : rule });
            if (rule === true)
              void acts
                .one(
                  pot,
                  { kind: 'meter', pct: typedSi('meterPct', pct, units) ?? 0, meter },
                  `${meter} ${pct} %.`,
                )
                .then(() => setPct(''))
                .catch(failed);
          }}
        >
          <div className="w-24">
            <Field
              label="Meter"
              inputMode="decimal"
              unit="%"
              value={pct}
              onChange={(e) => setPct(e.target.value)}
              error={wrong.pct}
            />
          </div>
          <div className="w-36">
            <Choice label="Its kind" value={meter} onChange={(e) => setMeter(e.target.value as Meter)}>
              {METERS.map((kind) => (
                <option key={kind}>{kind}</option>
              ))}
            </Choice>
          </div>
          <Button type="submit" look="plain" className="border border-ink">
            Keep
          </Button>
        </form>
        <div className="sm:col-span-2">
          <Row label="Seen">
            {SIGNS.map((sign: Sign) => (
              <Button
                key={sign}
                look="quiet"
                className="px-2"
                onClick={() => void acts.one(pot, { kind: 'seen', sign }, `${sign}.`).catch(failed)}
              >
                {sign}
              </Button>
            ))}
          </Row>
        </div>
        {acts.refused ? <p className="font-semibold text-brick sm:col-span-2">{acts.refused}</p> : null}
      </div>
    </Fold>
  );
}

function Row({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={label}>
      <p className="font-semibold">{label}</p>
      <div className="-ml-2 flex flex-wrap">{children}</div>
    </div>
  );
}
