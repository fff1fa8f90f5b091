import { bedTasks, type BedTask } from '../care/tasks.ts';
import { ground as place } from '../places/ground/ground.ts';
import { meansOf } from '../follow/asHere.ts';
import { withEmergence } from '../plants/plantingsHere.ts';
import { mulchOf, plantingsOf } from '../record/bedFacts.ts';
import { addDays } from '../units/dates.ts';
import type { BedToday, RoundsKind } from './kind.ts';

/** Days back in which waterings that the plan did not ask for are counted. */
const HABIT_DAYS = 7;

/** Minutes since today's latest watering of a bed was written down, unless it was probed today. */
function sinceWatering({ bed, events, today, now }: BedToday): number | undefined {
  if (bed.findings.some((f) => f.input.kind === 'depth' && f.on === today)) return undefined;
  const last = events.filter((e) => e.bedId === bed.id && e.kind === 'watering' && e.date === today).at(-1);
  return last ? (now.getTime() - Date.parse(last.at)) / 60_000 : undefined;
}

/** Gone from the root zone as a share of what it can spare. */
export const depletionShareOf = ({ outlook: { depletionMm, readilyMm } }: BedToday): number =>
  readilyMm > 0 ? depletionMm / readilyMm : 0;

/** What there is to do on a bed today besides watering. Source: as `bedTasks`. */
export function groundTasks(at: BedToday): BedTask[] {
  const { bed, outlook, events, today, site, alerts } = at;
  const latest = (what: string[]) =>
    bed.findings.find(({ input }) => input.kind === 'mulch' && what.includes(input.what));
  const moved = latest(['moved aside', 'put back']);
  const looked = latest(['looked at']);
  const laid = [bed.mulchLaidOn, looked?.on]
    .filter((d): d is string => Boolean(d))
    .sort()
    .at(-1);
  const meanOn = meansOf(at.weather);
  return bedTasks({
    today,
    plantings: plantingsOf(bed, site.latitudeDeg).map((planting) => withEmergence(planting, today, meanOn)),
    alerts,
    mulch: mulchOf(bed),
    mulchLaidOn: laid,
    mulchMovedOn: moved?.input.kind === 'mulch' && moved.input.what === 'moved aside' ? moved.on : undefined,
    latitudeDeg: site.latitudeDeg,
    day: at.weather.find(({ date }) => date === today),
    shaded: bed.shadeCloth,
    underCover: bed.underCover,
    standSeen: bed.plantings.flatMap((p, i) =>
      bed.findings.some((f) => f.input.kind === 'stand' && f.input.plantingId === p.id) ? [i] : [],
    ),
    minutesSinceWatering: sinceWatering(at),
    offPlanDays: new Set(
      events
        .filter(
          (e) =>
            e.bedId === bed.id &&
            e.kind === 'watering' &&
            e.reason !== 'as planned' &&
            e.date > addDays(today, -HABIT_DAYS),
        )
        .map((e) => e.date),
    ).size,
    nextOn: outlook.next?.date,
    isWaterShort: at.isWaterShort,
    pulsesSince:
      bed.planting?.school === 'little and often' ? (bed.planting.schoolSince ?? undefined) : undefined,
    depletionShare: depletionShareOf(at),
  });
}

/** A bed of ground. */
export const ground: RoundsKind = {
  schedule: 'rounds',
  subject: 'bed',
  place,
  tasks: groundTasks,
};
