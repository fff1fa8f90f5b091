import { useRef } from 'react';
import { refusal } from '../api/api.ts';
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
  const { enter, isLoading, error } = useEnter();
  const asked = useRef<Water | null>(null);
  const refused = error ? refusal(error) : null;
  const twice = refused?.code === 'needs-consent';
  return {
    isLoading,
    refused: refused?.message ?? null,
    /** It is only the question whether there were two: told once more, it is written down. */
    twice,
    water: async (water: Water): Promise<{ ids: number[]; litres: number | null }> => {
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
      const known = events.every(({ litres }) => litres !== null);
      return {
        ids,
        litres: known ? events.reduce((sum, { litres }) => sum + (litres ?? 0), 0) : null,
      };
    },
  };
}
