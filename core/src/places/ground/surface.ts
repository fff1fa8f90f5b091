export const BED_FORMS = ['flat', 'raised', 'basin'] as const;
export type BedForm = (typeof BED_FORMS)[number];

/**
 * Water that stands on a bed before any runs off, mm, by how its surface is made: rough soil holds a little in its hollows,
 * the boards of a raised bed a little more, a basin all that falls on it. Judgement; hollows of 2–10 mm are common practice.
 */
export const STANDS_MM: Readonly<Record<BedForm, number>> = {
  flat: 5,
  raised: 10,
  basin: Number.POSITIVE_INFINITY,
};

/** A day's rain falls within so many hours: what the ground cannot take in them stands on it. Judgement. */
export const RAIN_HOURS = 6;
