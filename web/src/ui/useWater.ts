import type { EventAnswer, WateringBody } from '@kibble/contract';
import { useRef } from 'react';
import { refusal, useLogWateringMutation } from '../app/api.ts';

interface Told {
  bedId: number;
  body: Partial<WateringBody>;
}

/**
 * Writing down a watering. A place that had one on the same day is asked about: what was told waits until it is said that
 * it was a second one.
 */
export function useWater() {
  const [water, { isLoading, error }] = useLogWateringMutation();
  const asked = useRef<Told | null>(null);
  const refused = error ? refusal(error) : null;
  const twice = refused?.code === 'needs-consent';
  return {
    isLoading,
    refused: refused?.message ?? null,
    /** It is only the question whether there were two: told once more, it is written down. */
    twice,
    water: (told: Told): Promise<EventAnswer> => {
      const before = asked.current;
      asked.current = told;
      // Sent once more after the question, it is the answer to it.
      const meant = twice && before?.bedId === told.bedId && before.body.on === told.body.on;
      return water(meant ? told : { ...told, body: { ...told.body, onlyOne: true } }).unwrap();
    },
  };
}
