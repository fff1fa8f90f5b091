import { dayOfYear, type IsoDate } from '../units/dates.ts';
import { leaf, worked, type Provenance, type Working } from '../working/types.ts';
import type { SourcedDay } from './completeWeather.ts';
import { hargreavesEt } from './hargreavesEt.ts';
import { referenceEt } from './referenceEt.ts';
import type { Site } from './types.ts';

const DAY_SOURCE: Readonly<Record<SourcedDay['source'], (date: IsoDate) => Provenance>> = {
  record: (on) => ({ kind: 'measured', on }),
  forecast: () => ({ kind: 'table', name: 'the forecast' }),
  said: () => ({ kind: 'told' }),
  'own record': () => ({ kind: 'assumed', why: 'usual for this time of year in the garden’s own record' }),
  'ordinary day': () => ({ kind: 'assumed', why: 'an ordinary day of the season' }),
};

/** Reference demand of a day, with the weather it rests on and the temperature-only figure as a check. */
export function explainReferenceEt(day: SourcedDay, site: Site): Working {
  const { mm, route } = referenceEt(day, site);
  const source = DAY_SOURCE[day.source](day.date);
  const inputs = [
    leaf('Lowest temperature', day.tMinC, '°C', source),
    leaf('Highest temperature', day.tMaxC, '°C', source),
    day.windMs === undefined
      ? leaf('Wind', 2, 'm/s', { kind: 'assumed', why: 'the mean of many stations (FAO-56 ch. 3)' })
      : leaf('Wind', day.windMs, 'm/s', source),
    leaf('Latitude', site.latitudeDeg, '°', { kind: 'told' }),
    leaf('Height above sea', site.elevationM, 'm', { kind: 'told' }),
  ];
  if (day.rhMinPct !== undefined) inputs.push(leaf('Lowest humidity', day.rhMinPct, '%', source));
  if (day.solarMJ !== undefined) inputs.push(leaf('Sun', day.solarMJ, 'MJ/m²', source));
  inputs.push(
    worked(
      'Check from temperatures alone',
      hargreavesEt({
        tMinC: day.tMinC,
        tMaxC: day.tMaxC,
        latitudeDeg: site.latitudeDeg,
        dayOfYear: dayOfYear(day.date),
      }),
      'mm',
      'Hargreaves–Samani 1985; not used, shown for comparison',
      [],
    ),
  );
  return worked(
    'What sun and wind take from short grass',
    mm,
    'mm',
    `FAO-56 Penman–Monteith; humidity from ${route.humidity}, sun from ${route.radiation}, wind ${route.wind}`,
    inputs,
  );
}
