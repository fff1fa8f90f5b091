import { useRef } from 'react';
import { refusal } from '../api/api.ts';
import { minutesText, useUnits } from '../words/units.ts';
import { onBed, useEnter } from './useEnter.ts';

interface Water {
  bedId: number;
  /** All beds that it watered, where a zone brought it. */
  bedIds?: readonly number[];
  body: { litres?: number; minutes?: number; asPlanned?: boolean; on?: string; note?: string };
}

/**
 * Writing down a watering. A place that had one on the same day is asked about: what was told waits until it is said that
 * it was a second one.
 */
export function useWater() {
  const units = useUnits();
  const { enter, isLoading, error } = useEnter();
  const asked = useRef<Water | null>(null);
  const refused = error ? refusal(error) : null;
  const twice = refused?.code === 'needs-consent';
  return {
    isLoading,
    refused: refused?.message ?? null,
    /** It is only the question whether there were two: told once more, it is written down. */
    twice,
    /** @returns the entries, and how much was given in words */
    water: async (water: Water): Promise<{ ids: number[]; gave: string }> => {
      const before = asked.current;
      asked.current = water;
      const { on, note, ...amount } = water.body;
      // Sent once more after the question, it is the answer to it.
      const sure = twice && before?.bedId === water.bedId && before.body.on === on;
      const { bedId, bedIds = [bedId] } = water;
      const { events, ids } = await enter(
        bedIds.map((id) => onBed(id, { kind: 'watering', ...amount }, { on, note })),
        { sure },
      );
      // All beds of a zone have the same minutes, and litres by their own flow.
      const gave =
        bedIds.length > 1
          ? `${minutesText(amount.minutes ?? 0)} on ${bedIds.length} beds`
          : units.text('volume', events[0]?.litres ?? 0);
      return { ids, gave };
    },
  };
}
