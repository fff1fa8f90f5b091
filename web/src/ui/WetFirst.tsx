import type { StopView } from '@kibble/contract';

const WORDS: Readonly<Record<NonNullable<StopView['wetFirst']>, string>> = {
  channel:
    'It gets two turns, because water ran down one channel here: the first turn wets the soil so that the second one spreads. Afterwards, look in two or three places.',
  patches:
    'It gets two turns, because a probe found dry patches between wet ones: the first turn wets the soil so that the second one spreads. Afterwards, look in two or three places.',
  baked:
    'Wet it lightly, wait ten minutes, then give the rest: the ground was dry for three weeks, and water beads on it and runs off at first. Mulch would prevent that.',
};

/** Why a stop begins with a light wetting. */
export function WetFirst({ why }: { why: NonNullable<StopView['wetFirst']> }) {
  return <p className="font-semibold">{WORDS[why]}</p>;
}
