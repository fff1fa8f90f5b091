/** How Kibble signs what it answers: with the id of its file, with the time by its clock, and an entry with its key. */
export const HOUSE_HEADER = 'Kibble-House';
export const TIME_HEADER = 'Kibble-Time';
export const KEY_HEADER = 'Idempotency-Key';
/** The worker's mark on an answer that it had saved: when that was given. */
export const SAVED_HEADER = 'Kibble-Kept';

const HOUSE = /^[0-9a-f]{24}$/;

/** The id of the file that answered; null when it was not Kibble that did. */
export function houseThatAnswered({ headers }: Response): string | null {
  const house = headers.get(HOUSE_HEADER);
  return house !== null && HOUSE.test(house) ? house : null;
}

/**
 * Whether Kibble answered, and not a network's sign-in page or whatever else lies between: what fails this counts as
 * offline, and an entry stays where it is.
 * @param key of the entry that was sent, which Kibble repeats; left out where none was
 */
export function isFromKibble(answer: Response, key?: string): boolean {
  const isJson = /^application\/json\b/i.test(answer.headers.get('Content-Type') ?? '');
  return (
    isJson &&
    houseThatAnswered(answer) !== null &&
    (key === undefined || answer.headers.get(KEY_HEADER) === key)
  );
}

/** How far Kibble's clock is ahead of this device's by a live answer, ms; null from an answer that was saved, or says no time. */
export function clockOffset(answer: Response, now: number): number | null {
  const time = Number(answer.headers.get(TIME_HEADER) ?? Number.NaN);
  return Number.isFinite(time) && !answer.headers.has(SAVED_HEADER) ? Math.round(time - now) : null;
}
