import {
  addDays,
  climateAt,
  completeWeather,
  daysBetween,
  planGarden,
  ROOT_DEPTHS,
  USUAL_BELIEF,
  type DueWindow,
  type PlanBed,
  type RootBelief,
  type Site,
  type TextureClass,
  type WeatherDay,
} from '@kibble/core';
import { recordOf } from '../../core/tests/seattle.ts';

/**
 * How often the truth lies in the windows: mornings of eight real summers, four each in two climates, without a forecast.
 * The truth is the same rule over the weather that came, with roots drawn from what is believed of them. Scored on dates as
 * the rule has them, before any is moved to a round day. A date can fall on a few days only; so where the truth lies on the
 * edge of a window, it is counted by lot, with the share of that day that is needed to make the window hold four in five.
 */
const town = (name: string, place: { latitudeDeg: number; longitudeDeg: number; elevationM: number }) => ({
  name,
  site: { latitudeDeg: place.latitudeDeg, elevationM: place.elevationM, climate: climateAt(place) },
});
const TOWNS: readonly { name: string; site: Site }[] = [
  town('Seattle', { latitudeDeg: 47.6, longitudeDeg: -122.3, elevationM: 50 }),
  town('New York', { latitudeDeg: 40.7, longitudeDeg: -74, elevationM: 10 }),
];
const CROPS = ['tomato', 'lettuce', 'onion', 'sweetcorn', 'carrot', 'potato', 'strawberry', 'rose'];
const SOILS: TextureClass[] = ['sand', 'sandy loam', 'loam', 'clay loam', 'clay'];
/** Mornings for each crop in each town. */
const TRIALS = Number(process.argv.find((arg) => /^\d+$/.test(arg)) ?? 300);
const OLD: Readonly<Record<string, number>> = { strawberry: 400, rose: 1500 };

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

interface Known {
  site: Site;
  record: WeatherDay[];
  today: string;
  /** The last day of the record that may be looked at. */
  knownTo: string;
  members: number;
  weekdays?: number[];
}

function windowOf(bed: PlanBed, known: Known): { window: DueWindow; weekdays: number[] } {
  const { site, record, today, knownTo, members, weekdays } = known;
  const to = addDays(today, 13);
  const weather = completeWeather({
    record,
    forecast: [],
    site,
    from: bed.startOn,
    to,
    today: knownTo,
  });
  const plan = planGarden({ site, beds: [bed] }, weather, { rounds: { weekdays } }, { today, members });
  const window = plan.beds[0]?.window;
  if (!window) throw new Error('every bed has a window');
  return { window, weekdays: plan.rounds.weekdays };
}

/** Where the truth lies in what was told: the share of ways before it, and up to and with it. */
const ranked = (shares: readonly number[], day: number): [before: number, upTo: number] => {
  const before = shares.slice(0, day).reduce((a, b) => a + b, 0);
  return [before, day < shares.length ? before + (shares[day] ?? 0) : 1];
};

const count = () => ({
  trials: 0,
  plain: 0,
  dates: 0,
  early: 0,
  late: 0,
  litres: 0,
  less: 0,
  more: 0,
  width: 0,
});
const all = count();
const parts = new Map<string, ReturnType<typeof count>>();
for (const town of TOWNS) {
  const record = recordOf(town.name);
  for (const cropId of CROPS)
    for (let trial = 0; trial < TRIALS; trial += 1) {
      const year = 2012 + (trial % 4);
      const today = addDays(`${year}-06-15`, Math.floor(draw() * 70));
      const luck = draw();
      const roots =
        luck < USUAL_BELIEF.shallow ? 'shallow' : luck < 1 - USUAL_BELIEF.deep ? 'middle' : 'deep';
      const bed: PlanBed = {
        id: 1,
        bed: {
          areaM2: 10,
          ground: { horizons: [{ textureClass: pick(SOILS) }] },
          // Never so long ago that it would have ripened.
          plantings: [{ cropId, plantedOn: addDays(today, -(OLD[cropId] ?? 36)), seen: [] }],
        },
        delivery: { method: 'hose wand', litresPerMinute: 20 },
        irrigations: [{ date: addDays(today, -1 - Math.floor(draw() * 6)), netMm: 60 }],
        startOn: `${year}-05-10`,
        startFullness: 1,
        // No round was missed: with other roots one would be owed today, off the days that were told.
        leftOn: [addDays(today, -1)],
      };
      const known = { site: town.site, record, today };
      const { window: told, weekdays } = windowOf(bed, {
        ...known,
        knownTo: addDays(today, -1),
        members: 200,
      });
      // The days that were proposed are walked, whatever comes.
      const { window: truth } = windowOf(
        { ...bed, rootBelief: certain(roots) },
        { ...known, knownTo: addDays(today, 13), members: 1, weekdays },
      );
      const asDay = (date: string | null): number => (date === null ? 14 : daysBetween(today, date));
      const due = asDay(truth.likely);
      const [from, to] = [asDay(told.early), asDay(told.late)];
      const [before, upTo] = ranked(told.onDays, due);
      const rank = before + draw() * (upTo - before);
      const had = truth.litres.middle;
      for (const sums of [all, parts.get(`${town.name}, ${cropId}`) ?? count()]) {
        if (sums !== all) parts.set(`${town.name}, ${cropId}`, sums);
        sums.trials += 1;
        sums.plain += due >= from && due <= to ? 1 : 0;
        sums.early += rank < 0.1 ? 1 : 0;
        sums.late += rank > 0.9 ? 1 : 0;
        sums.dates += rank >= 0.1 && rank <= 0.9 ? 1 : 0;
        sums.width += to - from;
        sums.less += had < told.litres.low ? 1 : 0;
        sums.more += had > told.litres.high ? 1 : 0;
        sums.litres += had >= told.litres.low && had <= told.litres.high ? 1 : 0;
      }
    }
}

const row = (name: string, of: ReturnType<typeof count>): string => {
  const share = (n: number): string => `${((100 * n) / of.trials).toFixed(0)} %`;
  return `| ${[
    name,
    of.trials,
    share(of.dates),
    share(of.early),
    share(of.late),
    share(of.plain),
    (of.width / of.trials).toFixed(1),
    share(of.litres),
    share(of.less),
    share(of.more),
  ].join(' | ')} |`;
};
console.log(`Windows of 10 to 90 %, no forecast given. Asked: 78 to 90 % of dates (ties by lot) and of litres over all, 72 to 95 % for each crop in each town.
| | Trials | Dates in, ties by lot | earlier | later | Dates in, plainly | Days wide | Litres in | less | more |
| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: | ---: |
${row('all', all)}
${[...parts].map(([name, of]) => row(name, of)).join('\n')}`);
