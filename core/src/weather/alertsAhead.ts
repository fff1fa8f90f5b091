import { addDays, type IsoDate } from '../units/dates.ts';
import { alertGrounds, weatherAlerts, type AlertGround, type WeatherAlert } from './alerts.ts';
import type { SourcedDay } from './completeWeather.ts';
import { referenceEt } from './referenceEt.ts';
import { forecastEnsemble } from './forecastEnsemble.ts';
import type { Site, WeatherDay } from './types.ts';

/** Ways the days ahead may turn out, by which an alert's chance is counted; the same ones each time. */
const MEMBERS = 100;
const SEED = 11;
/** An alert that comes a day sooner or later has come. */
const ASTRAY_DAYS = 1;

/** An alert, how likely it comes true, and what it rests on. */
export type AlertAhead = WeatherAlert & {
  /** Share of the ways the weather may go in which it comes, 0–1; 1 for what has been. */
  chance: number;
  grounds: AlertGround[];
  /** Of a drying day: what it takes, as so many usual days of the last month. */
  usualDays?: number;
};

/** Days behind by which a drying day is measured, and the fewest that tell. Judgement. */
const USUAL_DAYS = 30;
const LEAST_DAYS = 7;

const isTold = ({ source }: SourcedDay): boolean =>
  source === 'forecast' || source === 'said' || source === 'record';

/**
 * What asks for action: in the days ahead that somebody forecast or said, and the dry run behind, which only measured days tell.
 * @param weather an unbroken series round `today`, °C, mm and m/s
 * Source: limits as `ALERT_LIMITS`; chances counted in members of `forecastEnsemble`.
 */
export function alertsAhead(weather: readonly SourcedDay[], today: IsoDate, site: Site): AlertAhead[] {
  const ahead = weather.filter((day) => day.date >= today && isTold(day));
  const behind = weather.filter((day) => day.date < today && day.source === 'record');
  const found = weatherAlerts(ahead).filter(({ code }) => code !== 'dry spell');
  const ways = found.length > 0 ? waysOf(ahead, site) : [];
  const touches = (a: WeatherAlert, b: WeatherAlert): boolean =>
    a.code === b.code && a.from <= addDays(b.until, ASTRAY_DAYS) && addDays(a.until, ASTRAY_DAYS) >= b.from;
  const usualDays = (date: IsoDate): number | undefined => {
    const day = ahead.find((d) => d.date === date);
    const month = behind.slice(-USUAL_DAYS);
    if (!day || month.length < LEAST_DAYS) return undefined;
    const usual = month.reduce((sum, d) => sum + referenceEt(d, site).mm, 0) / month.length;
    return usual > 0 ? referenceEt(day, site).mm / usual : undefined;
  };
  return [
    ...found.map((alert) => ({
      ...alert,
      chance:
        ways.filter((days) => weatherAlerts(days).some((other) => touches(other, alert))).length /
        ways.length,
      grounds: alertGrounds(alert, ahead),
      usualDays:
        alert.code === 'hot dry wind' || alert.code === 'drying wind' ? usualDays(alert.from) : undefined,
    })),
    ...weatherAlerts(behind)
      .filter(({ code }) => code === 'dry spell')
      .map((alert) => ({ ...alert, chance: 1, grounds: alertGrounds(alert, behind) })),
  ];
}

/** The days ahead as each member of the forecast has them. */
function waysOf(ahead: readonly SourcedDay[], site: Site): WeatherDay[][] {
  const { tMin, tMax, rain } = forecastEnsemble({ days: ahead, site, members: MEMBERS, seed: SEED });
  return Array.from({ length: MEMBERS }, (_, m) =>
    ahead.map((day, d) => {
      const at = m * ahead.length + d;
      return { ...day, tMinC: tMin[at] ?? 0, tMaxC: tMax[at] ?? 0, rainMm: rain[at] ?? 0 };
    }),
  );
}
