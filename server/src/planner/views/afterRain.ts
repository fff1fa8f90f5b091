import type { AfterRainView } from '@kibble/contract';
import { afterRain } from '@kibble/core';
import type { Context } from '../context.ts';

/** What a soaking rain that ended yesterday has done to the beds. */
export function afterRainOf(context: Context): AfterRainView {
  const state = afterRain({ ...context, beds: context.planBeds });
  if (!state) return null;
  const named = <T extends { bedId: number }>(of: T): T & { bedName: string } => ({
    ...of,
    bedName: context.beds.find(({ id }) => id === of.bedId)?.name ?? '',
  });
  return { ...state, beds: state.beds.map(named), spared: state.spared.map(named) };
}
