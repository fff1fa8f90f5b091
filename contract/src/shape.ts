import { z } from './zod.ts';

/** Whether a value is of a kind: what is stored and what is answered is looked at by these, never by the limits of entering. */
export type Fits = (value: unknown) => boolean;

export const isText: Fits = (value) => typeof value === 'string';
export const isNumber: Fits = (value) => typeof value === 'number' && Number.isFinite(value);
export const isFlag: Fits = (value) => typeof value === 'boolean';
export const isList: Fits = (value) => Array.isArray(value);
export const isOneOf =
  (values: readonly string[]): Fits =>
  (value) =>
    isText(value) && values.includes(value as string);
export const maybe =
  (fits: Fits): Fits =>
  (value) =>
    value === undefined || fits(value);
export const orNull =
  (fits: Fits): Fits =>
  (value) =>
    value === null || fits(value);

export const holds = (value: unknown, fields: Readonly<Record<string, Fits>>): boolean =>
  typeof value === 'object' &&
  value !== null &&
  Object.entries(fields).every(([name, fits]) => fits((value as Record<string, unknown>)[name]));

/** An object of the engine as it is answered: the fields that are read of it are there and of their kind. */
export const shaped = <T>(fields: Readonly<Record<string, Fits>>) =>
  z.custom<T>((value) => holds(value, fields));
/** A word of the engine as it is answered. */
export const worded = <T extends string>() => z.custom<T>(isText);
/** One of a few words, whatever may be entered today. */
export const wordOf = <T extends string>(words: readonly T[]) => z.custom<T>(isOneOf(words));
