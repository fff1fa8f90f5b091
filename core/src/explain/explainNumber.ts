import type { BedOutlook, PlanBed } from '../follow/types.ts';
import { explainWaitingOfPlan } from '../follow/because.ts';
import { explainRate } from '../delivery/explainRate.ts';
import type { DailyRecord } from '../places/dailyRecord.ts';
import { LAYER_MM } from '../soil/soilProfile.ts';
import { explainGrowth, explainLately } from './explainGrowth.ts';
import { monthName } from '../units/monthName.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { explainReferenceEt } from '../weather/explainReferenceEt.ts';
import type { Site } from '../weather/types.ts';
import { findWorking, leaf, worked, type Working } from '../working/types.ts';

/** Every number of a bed that can be opened. */
export const EXPLAINABLE = [
  'minutes',
  'litres',
  'depth',
  'gone',
  'spare',
  'use',
  'reaches',
  'rate',
  'fortnight',
  'rain',
  'irrigation',
  'transpiration',
  'evaporation',
  'runoff',
  'lost',
  'waiting',
  'growth',
  'lately',
] as const;
export type Explainable = (typeof EXPLAINABLE)[number];

export interface ExplainContext {
  bed: PlanBed;
  outlook: BedOutlook;
  site: Site;
  /** Weather of the days of the balance and ahead. */
  weather: readonly SourcedDay[];
  today: string;
}

type Explain = (c: ExplainContext) => Working | null;

const dayOf = (c: ExplainContext, date: string): SourcedDay | null =>
  c.weather.find((day) => day.date === date) ?? null;

/** The tree of the next watering as it was decided, or one of its branches. */
const ofWatering =
  (of: string): Explain =>
  ({ outlook: { next } }) =>
    next?.because ? findWorking(next.because, of) : null;

const explainUse: Explain = (c) => {
  const today = c.outlook.ahead[0];
  const day = dayOf(c, c.today);
  if (!today || !day) return null;
  return worked(
    'Use today',
    today.useMm,
    'mm',
    'what the plants drink + what dries from the soil, over the whole bed',
    [
      worked(
        'The plants drink',
        today.transpirationMm,
        'mm',
        'basal coefficient × what sun and wind take × how freely they can drink',
        [
          explainReferenceEt(day, c.site),
          leaf('How freely they can drink', today.stressCoefficient, 'share of their fill', {
            kind: 'worked out',
          }),
        ],
      ),
      leaf('Dries from the soil', today.evaporationMm, 'mm', { kind: 'worked out' }),
    ],
  );
};

const explainReach: Explain = (c) => {
  const { next, outlook } = { next: c.outlook.next, outlook: c.outlook };
  if (!next) return null;
  const rooms: Working[] = [];
  for (let i = 0; i * LAYER_MM < next.reachesMm && i < outlook.layersMm.length; i += 1) {
    const room = Math.max(0, (outlook.fieldCapacityMm[i] ?? 0) - (outlook.layersMm[i] ?? 0));
    rooms.push(
      leaf(`Room from ${i * LAYER_MM} to ${(i + 1) * LAYER_MM} mm down`, room, 'mm', { kind: 'worked out' }),
    );
  }
  const depth = ofWatering('depth')(c);
  return worked(
    'The damp front reaches',
    next.reachesMm,
    'mm',
    'each 50 mm of ground fills before the next one gets any; a day’s use is taken while it sinks',
    depth ? [{ ...depth, label: 'Depth given' }, ...rooms] : rooms,
  );
};

const explainFortnight: Explain = (c) => {
  const { window } = c.outlook;
  if (!window) return null;
  const way = (label: string, litres: number): Working => leaf(label, litres, 'L', { kind: 'worked out' });
  return worked(
    'Litres over the fortnight',
    window.litres.middle,
    'L',
    'the plan followed through each of 100 ways the forecast may turn out; the middle one, and where eight of ten lie',
    [
      way('Nine of ten ways take more than', window.litres.low),
      way('Nine of ten ways take less than', window.litres.high),
      ...[ofWatering('minutes')(c)].filter((w) => w !== null),
    ],
  );
};

/** A total of the season, month by month. */
const total =
  (label: string, formula: string, of: (day: DailyRecord) => number, measured: boolean): Explain =>
  (c) => {
    const months = new Map<string, number>();
    for (const day of c.outlook.past) {
      const month = day.date.slice(0, 7);
      months.set(month, (months.get(month) ?? 0) + of(day));
    }
    const sum = [...months.values()].reduce((a, b) => a + b, 0);
    const inputs = [...months].map(([month, mm]) =>
      leaf(monthName(month), mm, 'mm', measured ? { kind: 'told' } : { kind: 'worked out' }),
    );
    return worked(label, sum, 'mm', formula, inputs);
  };

const EXPLAIN: Readonly<Record<Explainable, Explain>> = {
  minutes: ofWatering('minutes'),
  litres: ofWatering('litres'),
  depth: ofWatering('depth'),
  gone: (c) => c.outlook.gone,
  spare: (c) => c.outlook.spare,
  use: explainUse,
  reaches: explainReach,
  rate: (c) => explainRate(c.bed.bed.areaM2, c.bed.delivery, c.bed.known),
  fortnight: explainFortnight,
  rain: total('Came as rain', 'the days’ rain, summed; as recorded', (d) => d.rainMm, true),
  irrigation: total(
    'Came by watering',
    'litres logged × share that reaches the soil ÷ area, summed',
    (d) => d.irrigationMm,
    true,
  ),
  transpiration: total(
    'Drunk by the plants',
    'each day: basal coefficient × what sun and wind take × how freely they can drink',
    (d) => d.transpirationMm,
    false,
  ),
  evaporation: total(
    'Dried from bare soil',
    'each day: FAO-56’s surface coefficient, cut by mulch',
    (d) => d.evaporationMm,
    false,
  ),
  runoff: total(
    'Ran off',
    'each day: water beyond what soaks in and what can stand on the bed',
    (d) => d.runoffMm,
    false,
  ),
  lost: total(
    'Sank past the roots',
    'each day: what the root zone could not hold',
    (d) => d.lostBelowRootsMm,
    false,
  ),
  waiting: (c) => c.outlook.waiting && explainWaitingOfPlan(c.outlook.waiting),
  growth: (c) => explainGrowth(c.outlook),
  lately: (c) => explainLately(c.outlook.past, c.bed.bed.plantings),
};

/** The working of one number of a bed, or null when there is no such number today. */
export const explainNumber = (of: Explainable, context: ExplainContext): Working | null =>
  EXPLAIN[of](context);
