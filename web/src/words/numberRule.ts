import {
  LIMITS,
  rangeWords,
  withinLimit,
  type Limit,
  type LimitedField,
  type Quantity,
} from '@kibble/contract';
import { typedFigure, type TypedKind } from '@kibble/core';
import type { Units } from './units.ts';

/** Quantities that may be typed with a unit of their own. */
const TYPED: Readonly<Partial<Record<Quantity, TypedKind>>> = {
  area: 'area',
  length: 'length',
  height: 'length',
  depth: 'depth',
  volume: 'volume',
  flow: 'flow',
  temperature: 'temperature',
  wind: 'wind',
};

/** What was typed for a quantity, in SI: “1,5”, “1 000”, “10 ft”, “10 x 4”; NaN where it is no figure. */
export function figureOf(quantity: Quantity, text: string, units: Units): number {
  return typedFigure(text, {
    kind: TYPED[quantity] ?? null,
    toSi: units.of(quantity).toSi,
    sideToSi: units.of('length').toSi,
    commaThousands: units.system === 'us',
  });
}

/** Checks a typed number against its field's limit, in the gardener's own units. `true` when it may be. */
export function numberRule(field: LimitedField, text: string, units: Units, optional = false): string | true {
  const limit: Limit = LIMITS[field];
  if (text.trim() === '' && optional) return true;
  const unit = units.of(limit.quantity);
  const words = `${limit.label} must be ${rangeWords(limit, unit.fromSi, unit.unit)}`;
  if (text.trim() === '') return `${words}; got nothing.`;
  const value = figureOf(limit.quantity, text, units);
  if (!Number.isFinite(value)) return `${words}; got “${text}”.`;
  if (withinLimit(field, value)) return true;
  // A figure alone is told with the unit it was taken in.
  const bare = /\d[.,]?\s*$/.test(text) && !/[x×*]/i.test(text);
  return `${words}; got ${bare ? `${text} ${unit.unit}` : `“${text}”`}.`;
}

/** The same for what is counted: nothing between two numbers. */
export function wholeRule(field: LimitedField, text: string, units: Units): string | true {
  const rule = numberRule(field, text, units);
  if (rule !== true) return rule;
  return (
    Number.isInteger(typedSi(field, text, units)) ||
    `${LIMITS[field].label} must be a whole number; got ${text}.`
  );
}

/** A typed number in SI, or undefined when nothing was typed. */
export function typedSi(field: LimitedField, text: string, units: Units): number | undefined {
  if (text.trim() === '') return undefined;
  return figureOf(LIMITS[field].quantity, text, units);
}
