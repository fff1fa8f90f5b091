import { isIsoDate } from '@kibble/core';
import type { DateOrder } from './columns.ts';

const YEAR_FIRST = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?!\d)/;
const COMPACT = /^(\d{4})(\d{2})(\d{2})$/;
const YEAR_LAST = /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{4})(?!\d)/;

/** A day in a file, as the file writes its days: with a time behind it or without. Null for what is none. */
export function readDate(text: string, order: DateOrder): string | null {
  const trimmed = text.trim();
  const found =
    order === 'year first' ? (YEAR_FIRST.exec(trimmed) ?? COMPACT.exec(trimmed)) : YEAR_LAST.exec(trimmed);
  if (!found) return null;
  const [, a = '', b = '', c = ''] = found;
  const [year, month, day] =
    order === 'year first' ? [a, b, c] : order === 'day first' ? [c, b, a] : [c, a, b];
  const date = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  return isIsoDate(date) ? date : null;
}

/**
 * How a file writes its days, told from all of them: some day past the twelfth shows which part is the month. Points between
 * the parts are written by those who put the day first.
 * @returns null where it could be either
 */
export function dateOrder(texts: readonly string[]): DateOrder | null {
  const parts = texts.flatMap((text) => {
    const found = YEAR_LAST.exec(text.trim());
    return found ? [[Number(found[1]), Number(found[2])] as const] : [];
  });
  if (parts.length <= texts.length / 2) return 'year first';
  const dayFirst = parts.some(([a]) => a > 12);
  const monthFirst = parts.some(([, b]) => b > 12);
  if (dayFirst !== monthFirst) return dayFirst ? 'day first' : 'month first';
  return texts.some((text) => /^\d{1,2}\.\d{1,2}\.\d{4}/.test(text.trim())) ? 'day first' : null;
}

/** What files write where nothing was measured. */
export const MISSING = /^(|na|n\/a|nan|null|-|--|m)$/i;

/** A number as files write it: a point or a comma before its decimals; NaN for anything else. */
export function readNumber(text: string): number {
  if (/^[-+]?\d+,\d+$/.test(text)) return Number(text.replace(',', '.'));
  return Number(text);
}
