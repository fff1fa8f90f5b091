import type { FortnightView } from '@kibble/contract';
import { addDays } from '@kibble/core';
import ical, { ICalCalendarMethod } from 'ical-generator';

const minutesOf = (minutes: number): string => `${Math.max(1, Math.round(minutes))} min`;
const clock = (date: string, minute: number): string => {
  // Past midnight the walk goes on into the next day.
  const day = addDays(date, Math.floor(minute / 1440));
  const at = ((minute % 1440) + 1440) % 1440;
  const two = (n: number): string => String(Math.floor(n)).padStart(2, '0');
  return `${day}T${two(at / 60)}:${two(at % 60)}:00`;
};

/**
 * The rounds of the fortnight as a calendar (RFC 5545): one event a day with its beds and minutes, at the garden's own hours.
 * @param gardenId names the events, so that a calendar program changes an event instead of adding one
 */
export function calendarOf(
  garden: { id: number; name: string; timeZone: string },
  fortnight: Pick<FortnightView, 'dates' | 'beds' | 'perDay' | 'schedule'>,
): string {
  const calendar = ical({
    name: `${garden.name}: watering`,
    prodId: { company: 'Kibble', product: 'Kibble', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    timezone: garden.timeZone,
    ttl: 3600,
  });
  fortnight.dates.forEach((date, i) => {
    const due = fortnight.beds.flatMap((bed) =>
      bed.waterings
        .filter((w) => w.date === date)
        .map((w) => `${bed.bedName}: ${minutesOf(w.minutes)}, ${Math.round(w.litres)} L`),
    );
    const slots = fortnight.schedule.find((day) => day.date === date)?.slots ?? [];
    const total = fortnight.perDay[i];
    if (due.length === 0 || slots.length === 0 || !total) return;
    calendar.createEvent({
      id: `round-${garden.id}-${date}@kibble`,
      // A text without a zone is a time of day at the garden.
      start: clock(date, Math.min(...slots.map(({ from }) => from))),
      end: clock(date, Math.max(...slots.map(({ until }) => until))),
      timezone: garden.timeZone,
      summary: `${garden.name}: water ${due.length === 1 ? 'one bed' : `${due.length} beds`}, ${minutesOf(total.handsOnMinutes)} of your time`,
      description: due.join('\n'),
    });
  });
  return calendar.toString();
}
