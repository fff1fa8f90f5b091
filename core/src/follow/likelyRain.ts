import type { SourcedDay } from '../weather/completeWeather.ts';

/** Rain that single paths of the days ahead count on is at least this likely. Judgement. */
const LIKELY = 0.6;

/** Rain of a day as a single path has it, mm: what fell, or what is likely to. */
export const likelyRain = (day: SourcedDay): number =>
  day.source === 'record' || day.rainChance >= LIKELY ? day.rainMm : 0;
