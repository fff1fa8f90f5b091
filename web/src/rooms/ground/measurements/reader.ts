import { LIMITS, type Limit, type LimitedField } from '@kibble/contract';
import { numberRule, typedSi } from '../../../words/numberRule.ts';
import type { Units } from '../../../words/units.ts';

/** What was typed so far of a test: text as typed, choices, and moments (ms) at which a clock was started. */
export type Draft = Record<string, unknown>;

/** Reads typed text into SI, collecting what is wrong by field. */
export class Reader {
  readonly problems: Record<string, string> = {};
  /** Fields in which nothing was typed yet: not wrong until somebody wants to keep the test. */
  readonly missing = new Set<string>();
  readonly draft: Draft;
  readonly units: Units;

  constructor(draft: Draft, units: Units) {
    this.draft = draft;
    this.units = units;
  }

  text(name: string, fallback = ''): string {
    const value = this.draft[name];
    return typeof value === 'string' ? value : fallback;
  }

  flag(name: string): boolean {
    return this.draft[name] === true;
  }

  number(name: string, field: LimitedField, fallback = ''): number {
    const text = this.text(name, fallback);
    const rule = numberRule(field, text, this.units);
    if (rule !== true) {
      this.problems[name] = rule;
      if (text.trim() === '') this.missing.add(name);
      return Number.NaN;
    }
    return typedSi(field, text, this.units) ?? Number.NaN;
  }

  optional(name: string, field: LimitedField): number | undefined {
    return this.text(name).trim() === '' ? undefined : this.number(name, field);
  }

  whole(name: string, field: LimitedField, fallback = ''): number {
    const value = this.number(name, field, fallback);
    const limit: Limit = LIMITS[field];
    if (Number.isFinite(value) && !Number.isInteger(value))
      this.problems[name] = `${limit.label} must be a whole number; got ${value}.`;
    return value;
  }

  choice<T extends string>(name: string, values: readonly T[], label: string, fallback?: T): T | undefined {
    const text = this.text(name, fallback ?? '');
    const found = values.find((v) => v === text);
    if (!found) {
      this.problems[name] = `${label} must be chosen.`;
      this.missing.add(name);
    }
    return found;
  }

  /** Says what is wrong with a field beyond its own range. */
  refuse(name: string, words: string): void {
    this.problems[name] ??= words;
  }

  get ok(): boolean {
    return Object.keys(this.problems).length === 0;
  }
}
