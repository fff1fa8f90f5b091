import type { BedView, SectionBed, SectionView } from '@kibble/contract';
import { addDays, type BedOutlook, type DailyRecord } from '@kibble/core';
import type { Context } from '../context.ts';
import type { Places } from '../places.ts';
import { headOf } from './stops.ts';

/** Days of the scrub behind and ahead of today. */
const PAST_DAYS = 6;
const AHEAD_DAYS = 14;
/** Beds drawn at once, at most. */
const PAGE = 60;

export interface SectionQuery {
  /** Words the bed's name, crop or place must hold. */
  words?: string;
  place?: string;
  line?: string;
  state?: string;
  sort?: 'order' | 'urgency';
  offset?: number;
}

/** A tenth of a millimetre is finer than anything drawn. */
const tenth = (mm: number): number => Math.round(mm * 10) / 10;

const dayOf = (record: DailyRecord, frontMm: number) => ({
  layersMm: (record.layersMm ?? []).map(tenth),
  depletionMm: tenth(record.depletionMm),
  readilyMm: tenth(record.readilyAvailableMm),
  rootDepthMm: Math.round(record.rootDepthMm),
  frontMm: Math.round(frontMm),
});

/** Water that wets less than this leaves the mark of the one before, mm. Judgement: a shower on leaves. */
const LEAST_FRONT_MM = 2;

/** Days with the depth at which the last real water stopped, as it stood on each of them. */
function withFronts(records: readonly DailyRecord[]): ReturnType<typeof dayOf>[] {
  let front = 0;
  return records.map((record) => {
    if (record.wetFrontMm > 0 && record.irrigationMm + record.rainMm >= LEAST_FRONT_MM)
      front = record.wetFrontMm;
    return dayOf(record, front);
  });
}

/** The line or tap a bed hangs on, in words. */
function lineOf(bed: BedView, { garden }: Context): string {
  const tap = garden.taps.find((t) => t.id === bed.tapId);
  return tap ? tap.name : bed.delivery.method;
}

/** Reasons that are a state of the bed in themselves. */
const NOT_GROWING: ReadonlySet<string> = new Set(['nothing growing', 'ripened', 'killed by frost']);

function stateOf(outlook: BedOutlook, today: string): SectionBed['state'] {
  const left = outlook.leave?.code;
  if (left !== undefined && NOT_GROWING.has(left)) return left as SectionBed['state'];
  if (left === 'too wet') return 'too wet';
  if (outlook.depletionMm > outlook.readilyMm) return 'past its line';
  return outlook.next?.date === today ? 'due today' : 'enough';
}

const URGENCY: Readonly<Record<SectionBed['state'], number>> = {
  'past its line': 0,
  'due today': 1,
  'too wet': 2,
  enough: 3,
  ripened: 4,
  'killed by frost': 4,
  'nothing growing': 5,
};

/** The garden cut open: a page of beds with their water by layer, day by day. */
export function sectionOf(context: Context, { places, unplanned }: Places, query: SectionQuery): SectionView {
  const { today } = context;
  const has = (bed: BedView, words: string): boolean =>
    [bed.name, bed.planting?.cropName, bed.place].some((text) => text?.toLowerCase().includes(words));
  const found = places
    .map(({ bed, outlook }) => ({
      bed,
      outlook,
      state: stateOf(outlook, today),
      line: lineOf(bed, context),
    }))
    .filter(
      ({ bed, state, line }) =>
        (!query.words || has(bed, query.words.toLowerCase())) &&
        (!query.place || (bed.place ?? 'elsewhere') === query.place) &&
        (!query.line || line === query.line) &&
        (!query.state || state === query.state),
    );
  if (query.sort === 'urgency') {
    const gone = (o: BedOutlook): number => o.depletionMm / Math.max(0.1, o.readilyMm);
    found.sort((a, b) => URGENCY[a.state] - URGENCY[b.state] || gone(b.outlook) - gone(a.outlook));
  }
  const offset = Math.max(0, Math.min(query.offset ?? 0, Math.max(0, found.length - 1)));
  const dates = Array.from({ length: PAST_DAYS + AHEAD_DAYS }, (_, i) => addDays(today, i - PAST_DAYS));
  return {
    unplanned,
    dates,
    todayIndex: PAST_DAYS,
    total: found.length,
    offset,
    beds: found.slice(offset, offset + PAGE).map(({ bed, outlook, state, line }) => {
      const all = withFronts([...outlook.past, ...outlook.ahead.slice(0, AHEAD_DAYS)]);
      // A bed planted within the week stands as it began until then.
      const lacking = Math.max(0, PAST_DAYS - outlook.past.length);
      const before = Array.from({ length: lacking }, () => all.slice(0, 1)).flat();
      const days = [...before, ...all].slice(-(PAST_DAYS + AHEAD_DAYS));
      return {
        ...headOf(bed, outlook, context),
        place: bed.place ?? null,
        line,
        state,
        daysInHand: outlook.next ? dates.indexOf(outlook.next.date) - PAST_DAYS : null,
        minutes: outlook.next?.date === today ? outlook.next.run.minutes : null,
        days,
      };
    }),
  };
}
