import { Refusal } from '../errors.ts';

const dayWords = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });
const shortDay = (date: string): string => dayWords.format(new Date(`${date}T12:00:00Z`));

/** What was entered offline bears a day on which its place was not there yet: most often the device's clock was wrong. */
export const beforeItsTime = (date: string, name: string, startOn: string): Refusal =>
  new Refusal(
    'needs-consent',
    `By its device’s clock this was done on ${shortDay(date)}, before ${name} was planted (${shortDay(startOn)}). If that clock was wrong, put it right and send this again.`,
    'Kibble-Moment',
  );
