import { useSharpenQuery } from '../../api/api.ts';
import { SharpenPlan } from './SharpenPlan.tsx';

/** The most telling short measurement of the whole garden; found while the room is already shown. */
export function SharpenGarden({ gardenId }: { gardenId: number }) {
  const { data } = useSharpenQuery(gardenId);
  return data ? <SharpenPlan sharpen={data} /> : null;
}
