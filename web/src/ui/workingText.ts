import type { Quantity } from '@kibble/contract';
import { TELLABLE, type Provenance, type Tellable, type Working } from '@kibble/core';
import type { Unit, Units } from '../words/units.ts';
import { plainDate } from '../words/words.ts';

const QUANTITY: Readonly<Record<string, Quantity>> = {
  mm: 'depth',
  L: 'volume',
  'm²': 'area',
  'L/min': 'flow',
  'L/h': 'drip',
  'mm/h': 'rate',
  '°C': 'temperature',
  'm/s': 'wind',
  m: 'height',
  // Lengths to a hand's breadth, where heights are told in whole metres.
  metres: 'length',
  min: 'minutes',
  mL: 'millilitres',
  kg: 'weight',
  share: 'share',
};

/** A share is told in percent, and of what where that is not plain. */
const SHARE = /^share(.*)$/;
/** Under this many percent the tenths count. */
const TENTHS_UNDER = 10;
const percentText = (share: number): string => {
  const percent = 100 * share;
  const maximumFractionDigits = Math.abs(percent) < TENTHS_UNDER ? 1 : 0;
  return `${percent.toLocaleString(undefined, { maximumFractionDigits })}\u00a0%`;
};

/** A working's value in the gardener's units; depths to a tenth, for they are being checked. */
export function workingText(working: Working, units: Units): string {
  const [, of] = SHARE.exec(working.unit) ?? [];
  if (of !== undefined) return `${percentText(working.value)}${of}`;
  const quantity = QUANTITY[working.unit];
  if (quantity && !(quantity === 'depth' && units.system === 'metric'))
    return units.text(quantity, working.value);
  const rounded = working.value.toLocaleString(undefined, {
    maximumFractionDigits: working.unit === '' ? 2 : 1,
  });
  return working.unit ? `${rounded}\u00a0${working.unit}` : rounded;
}

export function sourceText(provenance: Provenance, today: string): string | null {
  switch (provenance.kind) {
    case 'worked out':
      return null;
    case 'measured': {
      const on = provenance.on ? `measured ${plainDate(provenance.on, today)}` : 'measured';
      return provenance.stale ? `${on}; ${provenance.stale}, measure again` : on;
    }
    case 'told':
      return provenance.on ? `told ${plainDate(provenance.on, today)}` : 'as told';
    case 'table':
      return provenance.name;
    case 'assumed':
      return `assumed: ${provenance.why}`;
  }
}

/** Whether a figure gets the mark of an assumption: a guess, or a test that no longer holds. */
export const isAssumed = (provenance: Provenance | undefined): boolean =>
  provenance === undefined ||
  provenance.kind === 'assumed' ||
  (provenance.kind === 'measured' && provenance.stale !== undefined);

/** How a figure that may be changed is typed. */
export function tellUnit(tell: Tellable, units: Units): Unit {
  const { unit } = TELLABLE[tell];
  const quantity = QUANTITY[unit];
  if (quantity) return units.of(quantity);
  return { unit, decimals: 2, fromSi: (v) => v, toSi: (v) => v };
}
