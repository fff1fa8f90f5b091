import type { Quantity } from '@kibble/contract';
import type { Provenance, Working } from '@kibble/core';
import { useUnits, type Units } from '../app/units.ts';
import { plainDate } from '../app/words.ts';
import { Sheet } from './Sheet.tsx';

const QUANTITY: Readonly<Record<string, Quantity>> = {
  mm: 'depth',
  L: 'volume',
  'm²': 'area',
  'L/min': 'flow',
  '°C': 'temperature',
  'm/s': 'wind',
  m: 'height',
  min: 'minutes',
};

function valueText(working: Working, units: Units): string {
  const quantity = QUANTITY[working.unit];
  if (quantity && quantity !== 'depth') return units.text(quantity, working.value);
  if (quantity === 'depth' && units.system === 'us') return units.text('depth', working.value);
  const rounded = working.value.toLocaleString(undefined, {
    maximumFractionDigits: working.unit === '' ? 2 : 1,
  });
  return working.unit ? `${rounded}\u00a0${working.unit}` : rounded;
}

function sourceText(provenance: Provenance, today: string): string | null {
  switch (provenance.kind) {
    case 'worked out':
      return null;
    case 'measured':
      return provenance.on ? `measured, ${plainDate(provenance.on, today)}` : 'measured';
    case 'told':
      return 'as told or forecast';
    case 'table':
      return provenance.name;
    case 'assumed':
      return `assumed: ${provenance.why}`;
  }
}

function Branch({
  working,
  units,
  today,
  open,
}: {
  working: Working;
  units: Units;
  today: string;
  open: boolean;
}) {
  const source = sourceText(working.provenance, today);
  const head = (
    <>
      {working.label}{' '}
      <strong className={working.provenance.kind === 'assumed' ? 'assumed' : ''}>
        {valueText(working, units)}
      </strong>
      {source ? <span className="text-sm text-quiet"> ({source})</span> : null}
    </>
  );
  if (working.inputs.length === 0) return <li className="py-1">{head}</li>;
  return (
    <li className="py-1">
      <details open={open}>
        <summary className="cursor-pointer">{head}</summary>
        <p className="pl-4 text-sm text-quiet">{working.formula}</p>
        <ul className="border-l border-rule pl-4">
          {working.inputs.map((input) => (
            <Branch key={input.label} working={input} units={units} today={today} open={false} />
          ))}
        </ul>
      </details>
    </li>
  );
}

interface Props {
  working: Working;
  title: string;
  today: string;
  open: boolean;
  onClose: () => void;
}

/** Where a number comes from, opened branch by branch down to what was measured, told, looked up or assumed. */
export function WorkingSheet({ working, title, today, open, onClose }: Props) {
  const units = useUnits();
  return (
    <Sheet open={open} onClose={onClose} title={title}>
      <ul>
        <Branch working={working} units={units} today={today} open />
      </ul>
    </Sheet>
  );
}
