import { TZDate } from '@date-fns/tz';
import type { FortnightView } from '@kibble/contract';
import { litresToGallons, minutesText } from '@kibble/core';
import ical, { ICalCalendarMethod, ICalEventTransparency } from 'ical-generator';

/** A pause from so many minutes on is long enough to go away: what comes after it is another visit. Judgement. */
const AWAY_MINUTES = 45;

type Fortnight = Pick<FortnightView, 'beds' | 'schedule'>;
type Bed = Fortnight['beds'][number];
type Slot = Fortnight['schedule'][number]['slots'][number];
interface CalendarGarden {
  id: number;
  name: string;
  timeZone: string;
  units: 'metric' | 'us';
}

/** The moment of a minute after midnight at the garden; past midnight the walk goes on into the next day. */
function moment(date: string, minute: number, timeZone: string): Date {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  return new Date(new TZDate(year, month - 1, day, 0, Math.floor(minute), timeZone).getTime());
}

const amount = (litres: number, units: CalendarGarden['units']): string => {
  const [value, unit] = units === 'us' ? [litresToGallons(litres), 'gal'] : [litres, 'L'];
  return `${new Intl.NumberFormat('en', { maximumFractionDigits: value < 10 ? 1 : 0 }).format(value)} ${unit}`;
};

/** The runs of a day by visit: between two of them nobody is wanted for a while. */
function visits(slots: readonly Slot[]): Slot[][] {
  const found: Slot[][] = [];
  let until = Number.NEGATIVE_INFINITY;
  for (const slot of [...slots].sort((a, b) => a.from - b.from)) {
    if (slot.from - until >= AWAY_MINUTES) found.push([]);
    found.at(-1)?.push(slot);
    until = Math.max(until, slot.until);
  }
  return found;
}

/**
 * The watering of the fortnight as a calendar (RFC 5545): an event for each visit to the garden with its beds and the
 * minutes that the round tells, and one for the whole day with what timers water by themselves. Every moment is written in
 * UTC, so that no table of time zones has to go with it.
 * @param garden whose id names the events, so that a calendar program changes an event instead of adding one
 */
export function calendarOf(garden: CalendarGarden, fortnight: Fortnight): string {
  const calendar = ical({
    name: `${garden.name}: watering`,
    prodId: { company: 'Kibble', product: 'Kibble', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 3600,
  });
  const line = (bed: Bed, date: string): string =>
    bed.waterings
      .filter((w) => w.date === date)
      .map((w) => {
        const minutes = minutesText(bed.carried ? w.handsOnMinutes : w.minutes);
        return `${bed.bedName}: ${minutes}, ${amount(w.litres, garden.units)}`;
      })
      .join('\n');
  const beds = (n: number): string => (n === 1 ? 'one bed' : `${n} beds`);

  for (const { date, slots } of fortnight.schedule) {
    const due = fortnight.beds.filter((bed) => bed.waterings.some((w) => w.date === date));
    const byTimer = due.filter(({ timer }) => timer);
    const own = slots.filter(({ bedId }) => due.some((bed) => bed.bedId === bedId && !bed.timer));
    visits(own).forEach((visit, i) => {
      const here = due.filter(({ bedId }) => visit.some((slot) => slot.bedId === bedId));
      // A bed that is watered in several visits takes its share of its time in each.
      const ownMinutes = visit.reduce((sum, { bedId, cycles }) => {
        const watering = due.find((bed) => bed.bedId === bedId)?.waterings.find((w) => w.date === date);
        return sum + (watering?.handsOnMinutes ?? 0) / cycles;
      }, 0);
      calendar.createEvent({
        id: `round-${garden.id}-${date}${i === 0 ? '' : `-${i + 1}`}@kibble`,
        start: moment(date, Math.min(...visit.map(({ from }) => from)), garden.timeZone),
        end: moment(date, Math.ceil(Math.max(...visit.map(({ until }) => until))), garden.timeZone),
        summary: `${garden.name}: water ${beds(here.length)}, ${minutesText(ownMinutes)} of your time`,
        description: here.map((bed) => line(bed, date)).join('\n'),
      });
    });
    if (byTimer.length > 0)
      calendar.createEvent({
        id: `timers-${garden.id}-${date}@kibble`,
        allDay: true,
        start: moment(date, 12 * 60, 'UTC'),
        timezone: null,
        transparency: ICalEventTransparency.TRANSPARENT,
        summary: `${garden.name}: timers water ${beds(byTimer.length)}`,
        description: byTimer.map((bed) => line(bed, date)).join('\n'),
      });
  }
  return calendar.toString();
}
