import {
  ALERT_ACTS,
  ALERT_CODES,
  HEATS,
  RAINS,
  SKIES,
  WINDS,
  type DaySource,
  type Working,
} from '@kibble/core';
import { z } from './zod.ts';
import { limited } from './limited.ts';
import { day, entryDate, oneOf } from './parts.ts';
import { givenText } from './refusalWords.ts';
import type { CoreView } from './round.ts';

/** What somebody says of a day: words, or figures where they have them; what is left out is as it would be otherwise. */
export const saidDay = z
  .object({
    heat: oneOf('Heat', HEATS).optional(),
    sky: oneOf('Sky', SKIES).optional(),
    rain: oneOf('Rain', RAINS).optional(),
    wind: oneOf('Wind', WINDS).optional(),
    tMinC: limited('tMinC').optional(),
    tMaxC: limited('tMaxC').optional(),
  })
  .refine(({ tMinC, tMaxC }) => tMinC === undefined || tMaxC === undefined || tMinC <= tMaxC, {
    error: ({ input }) => {
      const { tMinC, tMaxC } = input as { tMinC: number; tMaxC: number };
      return `Lowest temperature must not be above the highest, ${tMaxC} °C; got ${tMinC} °C`;
    },
    path: ['tMinC'],
  });

/** Days said at once; null takes back what was said of one. */
export const saidBody = z.object({
  days: z
    .array(z.object({ date: entryDate('Day'), said: saidDay.nullable() }))
    .min(1, { error: 'Days must be at least one; got none' })
    .max(31, { error: ({ input }) => `Days must be at most 31; got ${(input as unknown[]).length}` }),
});
/** What was written down, and what it took the place of: to be taken back as one. */
export const saidAnswer = z.object({ ids: z.array(z.number()) });
export const saidUndo = z.object({
  ids: z
    .array(z.number().int().min(1))
    .min(1, { error: 'Entries to take back must be at least one; got none' })
    .max(31),
});

/** A station's address: whatever answers Kibble's own days and forecast (docs/station.md). */
export const stationAddress = z
  .string()
  .trim()
  .max(500, { error: ({ input }) => `Address must be 500 letters or fewer; got ${String(input).length}` })
  .refine(
    (text) => {
      try {
        const { protocol, search, hash } = new URL(text);
        return (protocol === 'http:' || protocol === 'https:') && search === '' && hash === '';
      } catch {
        return false;
      }
    },
    {
      error: ({ input }) =>
        `Address must begin with http:// or https:// and have no “?”, such as http://192.168.1.20:8080; got ${givenText(input)}`,
    },
  )
  .transform((text) => text.replace(/\/+$/, ''));

export const stationBody = z.object({
  url: stationAddress.nullable(),
  /** It is kept though it does not answer now. */
  anyway: z.boolean().default(false),
});

export const stationKept = z.object({ url: z.string().nullable() });

/** A day ahead, in figures, with what was said of it by hand. */
export const aheadDay = z.object({
  date: day,
  tMinC: z.number(),
  tMaxC: z.number(),
  rainMm: z.number(),
  rainChance: z.number(),
  windMs: z.number().nullable(),
  et0Mm: z.number(),
  source: z.custom<DaySource>((v) => typeof v === 'string'),
  said: saidDay.nullable(),
  /** What it would be if nothing had been said of it. */
  unsaid: z.object({
    tMinC: z.number(),
    tMaxC: z.number(),
    rainMm: z.number(),
    rainChance: z.number(),
    source: z.custom<DaySource>((v) => typeof v === 'string'),
  }),
});

/** How the station does: whether it answers, and what it did last. */
export const stationView = z.object({
  url: z.string(),
  /** What went wrong when it was last asked; null when it answered. */
  trouble: z.string().nullable(),
});

/** An act of an alert that was seen to, with the alert as it was read. */
export const tickView = z.object({
  code: oneOf('Alert', ALERT_CODES),
  act: oneOf('Act', ALERT_ACTS),
  from: day,
  until: day,
  badness: z.number(),
});
/** An act of an alert, ticked or no longer. */
export const tickBody = tickView.extend({ done: z.boolean() }).refine(({ from, until }) => from <= until, {
  error: ({ input }) => {
    const { from, until } = input as { from: string; until: string };
    return `Last day must not be before ${from}; got ${until}`;
  },
  path: ['until'],
});
export type TickBody = z.infer<typeof tickBody>;
export type TickView = z.infer<typeof tickView>;

/** A town of the gazetteer. */
export const townView = z.object({
  name: z.string(),
  region: z.string().nullable(),
  country: z.string(),
  latitudeDeg: z.number(),
  longitudeDeg: z.number(),
  timeZone: z.string(),
});
const sketched = z.custom<Working>((v) => typeof v === 'object' && v !== null && 'label' in v);
/** What a garden that is being made would be told today. mm deep in the watered ground. */
export const setupSketch = z.object({
  core: z.custom<CoreView>((v) => typeof v === 'object' && v !== null && 'layersMm' in v),
  /** What sun and wind take on a day now, mm. */
  et0Mm: z.number(),
  next: z.object({ date: day, minutes: z.number(), litres: z.number() }).nullable(),
  /** How its figures come about. */
  because: z.object({ use: sketched, reach: sketched, gone: sketched, next: sketched.nullable() }),
});
export type SetupSketch = z.infer<typeof setupSketch>;
export type SaidBody = z.infer<typeof saidBody>;
export type SaidAnswer = z.infer<typeof saidAnswer>;
export type StationView = z.infer<typeof stationView>;
export type StationBody = z.input<typeof stationBody>;
export type AheadDay = z.infer<typeof aheadDay>;
export type TownView = z.infer<typeof townView>;
