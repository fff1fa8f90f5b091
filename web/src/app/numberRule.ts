import { LIMITS, rangeWords, withinLimit, type Limit, type LimitedField } from '@kibble/contract';
import type { Units } from './units.ts';

/** Checks a typed number against its field's limit, in the gardener's own units. `true` when it may be. */
export function numberRule(field: LimitedField, text: string, units: Units, optional = false): string | true {
  const limit: Limit = LIMITS[field];
  if (text.trim() === '' && optional) return true;
  const unit = units.of(limit.quantity);
  const value = Number(text.replace(',', '.'));
  const words = `${limit.label} must be ${rangeWords(limit, unit.fromSi, unit.unit)}`;
  if (text.trim() === '' || !Number.isFinite(value))
    return `${words}; got ${text.trim() === '' ? 'nothing' : `“${text}”`}.`;
  return withinLimit(field, unit.toSi(value)) || `${words}; got ${text} ${unit.unit}.`;
}

/** The same for what is counted: nothing between two numbers. */
export function wholeRule(field: LimitedField, text: string, units: Units): string | true {
  const rule = numberRule(field, text, units);
  if (rule !== true) return rule;
  return Number.isInteger(Number(text)) || `${LIMITS[field].label} must be a whole number; got ${text}.`;
}

/** A typed number in SI, or undefined when nothing was typed. */
export function typedSi(field: LimitedField, text: string, units: Units): number | undefined {
  if (text.trim() === '') return undefined;
  return units.of(LIMITS[field].quantity).toSi(Number(text.replace(',', '.')));
}
