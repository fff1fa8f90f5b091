import { leaf, worked, type Working } from '../working/types.ts';
import { manualForecastDay, type ManualForecast } from './manualForecastDay.ts';
import type { DaySource } from './completeWeather.ts';
import type { Site, WeatherDay } from './types.ts';

const FROM: Readonly<Record<DaySource, string>> = {
  record: 'as measured',
  forecast: 'as it is forecast',
  said: 'as it was said',
  'own record': 'as in this season on record',
  'ordinary day': 'a usual day of the season',
};

/**
 * How words about a day were read into figures.
 * @param said words or figures; `usual` the day without them, and where that comes from
 * Source: `manualForecastDay`.
 */
export function explainManualForecast(
  said: ManualForecast,
  usual: WeatherDay & { rainChance: number; source: DaySource },
  site: Site,
): Working {
  const day = manualForecastDay(said, usual, site);
  const otherwise = { kind: 'assumed', why: FROM[usual.source] } as const;
  const figure = (
    label: string,
    value: number,
    unit: string,
    by: readonly (string | undefined)[],
    was: number,
    typed?: number,
  ): Working => {
    if (typed !== undefined) return leaf(label, typed, unit, { kind: 'told' });
    const words = by.filter((word) => word !== undefined);
    return words.length === 0
      ? leaf(label, value, unit, otherwise)
      : worked(label, value, unit, `from ${words.map((word) => `“${word}”`).join(' and ')}`, [
          leaf('Otherwise', was, unit, otherwise),
        ]);
  };
  return worked(
    'The day as it was said',
    day.tMaxC,
    '°C',
    'each word read into a figure; what was not said is as it would be otherwise',
    [
      figure('Highest temperature', day.tMaxC, '°C', [said.heat], usual.tMaxC, said.tMaxC),
      figure('Lowest temperature', day.tMinC, '°C', [said.heat, said.sky], usual.tMinC, said.tMinC),
      figure('Rain, when it comes', day.rainMm, 'mm', [said.rain], usual.rainMm),
      figure('Chance of it', day.rainChance, 'share', [said.rain], usual.rainChance),
      ...(day.windMs === undefined
        ? []
        : [figure('Wind', day.windMs, 'm/s', [said.wind], usual.windMs ?? day.windMs)]),
    ],
  );
}
