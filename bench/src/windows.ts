import {
  addDays,
  completeWeather,
  daysBetween,
  planGarden,
  ROOT_DEPTHS,
  USUAL_BELIEF,
  type DueWindow,
  type PlanBed,
  type RootBelief,
  type TextureClass,
} from '@kibble/core';
import { seattle } from '../../core/tests/seattle.ts';

/**
 * How often the truth lies in the windows: mornings of four real summers, without a forecast. The truth is the same rule
 * over the weather that came, with roots drawn from what is believed of them. Scored on dates as the rule has them, before
 * any is moved to a round day.
 */
const SITE = { latitudeDeg: 47.6, elevationM: 50 };
const CROPS = ['tomato', 'lettuce', 'sweetcorn', 'carrot', 'strawberry', 'potato'];
const SOILS: TextureClass[] = ['sandy loam', 'loam', 'clay loam'];
const TRIALS = Number(process.argv.find((arg) => /^\d+$/.test(arg)) ?? 300);

/** A fixed run of numbers from 0 to 1: the same trials every time. */
let state = 20261126;
const draw = (): number => {
  state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
  return state / 2 ** 32;
};
const pick = <T>(of: readonly T[]): T => of[Math.floor(draw() * of.length)] as T;

const certain = (of: (typeof ROOT_DEPTHS)[number]): RootBelief => ({
  shallow: of === 'shallow' ? 1 : 0,
  middle: of === 'middle' ? 1 : 0,
  deep: of === 'deep' ? 1 : 0,
});

function windowOf(
  bed: PlanBed,
  today: string,
  knownTo: string,
  members: number,
  weekdays?: number[],
): { window: DueWindow; weekdays: number[] } {
  const to = addDays(today, 13);
  const weather = completeWeather({
    record: seattle,
    forecast: [],
    site: SITE,
    from: bed.startOn,
    to,
    today: knownTo,
  });
  const plan = planGarden({ site: SITE, beds: [bed] }, weather, { rounds: { weekdays } }, { today, members });
  const window = plan.beds[0]?.window;
  if (!window) throw new Error('every bed has a window');
  return { window, weekdays: plan.rounds.weekdays };
}

const asDay = (date: string | null, today: string): number => (date === null ? 14 : daysBetween(today, date));
let dates = 0;
let litres = 0;
let width = 0;
let early = 0;
let late = 0;
for (let trial = 0; trial < TRIALS; trial += 1) {
  const year = 2012 + (trial % 4);
  const today = addDays(`${year}-06-15`, Math.floor(draw() * 70));
  const startOn = `${year}-05-10`;
  const luck = draw();
  const roots = luck < USUAL_BELIEF.shallow ? 'shallow' : luck < 1 - USUAL_BELIEF.deep ? 'middle' : 'deep';
  const cropId = pick(CROPS);
  const bed: PlanBed = {
    id: 1,
    bed: {
      areaM2: 10,
      ground: { horizons: [{ textureClass: pick(SOILS) }] },
      // Never so long ago that it would have ripened.
      plantings: [{ cropId, plantedOn: addDays(today, cropId === 'strawberry' ? -400 : -36), seen: [] }],
    },
    delivery: { method: 'hose wand', litresPerMinute: 20 },
    irrigations: [{ date: addDays(today, -1 - Math.floor(draw() * 6)), netMm: 60 }],
    startOn,
    startFullness: 1,
  };
  const { window: told, weekdays } = windowOf(bed, today, addDays(today, -1), 200);
  // The days that were proposed are walked, whatever comes.
  const { window: truth } = windowOf(
    { ...bed, rootBelief: certain(roots) },
    today,
    addDays(today, 13),
    1,
    weekdays,
  );
  const due = asDay(truth.likely, today);
  const [from, to] = [asDay(told.early, today), asDay(told.late, today)];
  dates += due >= from && due <= to ? 1 : 0;
  early += due < from ? 1 : 0;
  late += due > to ? 1 : 0;
  width += to - from;
  litres += truth.litres.middle >= told.litres.low && truth.litres.middle <= told.litres.high ? 1 : 0;
}
const share = (n: number): string => `${((100 * n) / TRIALS).toFixed(0)} %`;
console.log(`${TRIALS} mornings of four real summers at Seattle, no forecast given, windows of 10 to 90 %:
  the date lay in its window in ${share(dates)} (before it ${share(early)}, after it ${share(late)}; the windows are ${(width / TRIALS).toFixed(1)} days wide)
  the fortnight’s litres lay in theirs in ${share(litres)}
  asked: 75 to 90 % of both`);
