import { describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import { convertIcsCalendar } from 'ts-ics';
import { calendarOf } from './calendarOf.ts';

const DAY = '2026-07-14';
const watering = (minutes: number, handsOnMinutes: number, litres: number) => ({
  date: DAY,
  minutes,
  handsOnMinutes,
  litres,
  localMm: 20,
  reachesMm: 400,
  reason: 'round' as never,
  byHand: false,
});
const bed = (bedId: number, bedName: string, given: object, of: object = {}) => ({
  bedId,
  bedName,
  cropName: null,
  byHand: false,
  timer: false,
  carried: false,
  waterings: [given],
  stress: [],
  window: null,
  soak: null,
  shallowMm: null,
  partBy: null,
  costs: {},
  ...of,
});
const slot = (bedId: number, from: number, until: number, cycle = 1, cycles = 1) => ({
  bedId,
  bedName: '',
  from,
  until,
  cycle,
  cycles,
});
const garden = (units: 'metric' | 'us' = 'metric') => ({
  id: 7,
  name: 'Plot, east; by the "lane"',
  timeZone: 'America/Denver',
  units,
});
const made = (beds: object[], slots: object[], units?: 'metric' | 'us'): string =>
  calendarOf(garden(units), { beds, schedule: [{ date: DAY, slots }] } as never);

/** What two parsers that know nothing of each other make of it. The first is told to be strict (RFC 5545). */
function read(text: string) {
  ICAL.design.strict = true;
  const events = new ICAL.Component(ICAL.parse(text))
    .getAllSubcomponents('vevent')
    .map((event) => new ICAL.Event(event));
  const again = convertIcsCalendar(undefined, text).events ?? [];
  return { events, again };
}

describe('the calendar of a fortnight', () => {
  test('two independent parsers read the same moments, which are those of the garden’s own clock', () => {
    const text = made([bed(1, 'Peppers', watering(56.2, 4, 234))], [slot(1, 390, 446.2)]);
    const { events, again } = read(text);
    expect(events.map((e) => e.startDate.toString())).toEqual(['2026-07-14T12:30:00Z']);
    expect(again.map((e) => e.start.date.toISOString())).toEqual(['2026-07-14T12:30:00.000Z']);
    expect(again.map((e) => e.end?.date.toISOString())).toEqual(['2026-07-14T13:27:00.000Z']);
    expect(events[0]?.summary).toBe('Plot, east; by the "lane": water one bed, 4 min of your time');
    expect(again[0]?.summary).toBe(events[0]?.summary);
    expect(again[0]?.description).toBe('Peppers: 56 min, 234 L');
  });

  test('RFC 5545: DTSTAMP is in UTC, lines end in CRLF and are at most 75 bytes, no zone is named without its table', () => {
    const text = made(
      [bed(1, 'Peppers on the low ground behind the tunnel', watering(56, 4, 234))],
      [slot(1, 1, 2)],
    );
    const lines = text.split('\r\n');
    expect(text).not.toMatch(/[^\r]\n/);
    for (const line of lines) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(lines.filter((line) => line.startsWith('DTSTAMP'))).toEqual([
      expect.stringMatching(/^DTSTAMP:\d{8}T\d{6}Z$/),
    ]);
    expect(text).not.toContain('TZID');
  });

  test('a garden in US units is told gallons; what is carried is told in a person’s minutes, as in the round', () => {
    const { again } = read(
      made(
        [
          bed(1, 'Salads', watering(2, 14.4, 37.85), { carried: true }),
          bed(2, 'Corn', watering(130, 3, 800)),
        ],
        [slot(1, 360, 375), slot(2, 375, 505)],
        'us',
      ),
    );
    // 37.85 L are 10 US gallons, 800 L are 211 (NIST Handbook 44: 3.785 L to the gallon).
    expect(again[0]?.description).toBe('Salads: 14 min, 10 gal\nCorn: 2 h 10, 211 gal');
    expect(again[0]?.summary).toContain('water 2 beds, 17 min of your time');
  });

  test('a timer’s runs round the clock are no event of a day’s length, and a pause makes two visits', () => {
    const { events } = read(
      made(
        [
          bed(1, 'Tunnel', watering(40, 0, 200), { timer: true }),
          bed(2, 'Beans', watering(20, 6, 90)),
          bed(3, 'Leeks', watering(30, 8, 90)),
        ],
        [
          slot(1, 0, 10, 1, 4),
          slot(1, 1400, 1410, 4, 4),
          slot(2, 360, 380),
          slot(3, 380, 395, 1, 2),
          slot(3, 1080, 1095, 2, 2),
        ],
      ),
    );
    const byHand = events.filter((e) => !e.startDate.isDate);
    expect(byHand.map((e) => e.startDate.toString())).toEqual([
      '2026-07-14T12:00:00Z',
      '2026-07-15T00:00:00Z',
    ]);
    for (const e of byHand) expect(e.duration.toSeconds()).toBeLessThan(3600);
    expect(byHand.map((e) => e.summary.split(': water ')[1])).toEqual([
      '2 beds, 10 min of your time',
      'one bed, 4 min of your time',
    ]);
    const [byItself, ...none] = events.filter((e) => e.startDate.isDate);
    expect(none).toEqual([]);
    expect(byItself?.startDate.toString()).toBe(DAY);
    expect(byItself?.description).toBe('Tunnel: 40 min, 200 L');
    expect(new Set(events.map((e) => e.uid)).size).toBe(3);
  });

  test('a walk that goes past midnight ends on the next day', () => {
    const { again } = read(made([bed(1, 'Corn', watering(90, 5, 400))], [slot(1, 1410, 1500)]));
    expect(again[0]?.end?.date.toISOString()).toBe('2026-07-15T07:00:00.000Z');
  });
});
