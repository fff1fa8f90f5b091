import { deliveryRate, efficiencyOf, wettedFractionOf } from '../delivery/runPlan.ts';
import { METHOD_FACTS } from '../delivery/methods.ts';
import { cropOf } from '../plants/plantOnDay.ts';
import type { BedOutlook, PlanBed, PlannedWatering } from '../plan/types.ts';
import { LAYER_MM } from '../soil/soilProfile.ts';
import type { IsoDate } from '../units/dates.ts';
import { referenceEt } from '../weather/referenceEt.ts';
import { hargreavesEt } from '../weather/hargreavesEt.ts';
import { dayOfYear } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { Site } from '../weather/types.ts';
import { leaf, worked, type Provenance, type Working } from './types.ts';

/** What is known better than a default about a bed, and how. Whatever is left out is assumed. */
export interface Known {
  flow?: Provenance;
  wettedFraction?: Provenance;
  efficiency?: Provenance;
  evenness?: Provenance;
  soil?: Provenance;
  organicMatter?: Provenance;
  layers?: Provenance;
  drainage?: Provenance;
  intake?: Provenance;
  place?: Provenance;
  area?: Provenance;
}

const DAY_SOURCE: Readonly<Record<SourcedDay['source'], (date: IsoDate) => Provenance>> = {
  record: (on) => ({ kind: 'measured', on }),
  forecast: () => ({ kind: 'table', name: 'the forecast' }),
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

/**
 * A watering from its minutes down to the leaves: flow, area, soil, plant and weather.
 * @param options the planned watering, its bed, the day's weather, the site, and what is known better than assumed
 * @returns minutes, as a tree in which every value follows from its inputs by the formula beside it
 */
export function explainWatering(options: {
  watering: PlannedWatering;
  bed: PlanBed;
  day: SourcedDay;
  site: Site;
  known?: Known;
  /** The bed's outlook of this morning, to open what is gone layer by layer. */
  outlook?: BedOutlook;
}): Working {
  const { watering, bed, day, site, known = {} } = options;
  const { run, reason } = watering;
  const { delivery } = bed;
  const method = METHOD_FACTS[delivery.method];
  const planting = bed.bed.plantings[0];
  const crop = planting ? cropOf(planting) : null;
  const usual = (why: string): Provenance => ({ kind: 'assumed', why });

  const spare = worked(
    'The root zone can spare',
    reason.readilyMm,
    'mm',
    'what it can hold × the share that may go before the plant slows',
    [
      leaf(
        'It can hold',
        reason.totalMm,
        'mm',
        known.soil ?? usual('the texture as told, not tested; Saxton & Rawls 2006'),
      ),
      worked(
        'Share that may go',
        reason.readilyMm / reason.totalMm,
        '',
        'the crop’s share + 0.04 × (5 − its use today in mm), from 0.1 to 0.8',
        [
          leaf(
            'The crop’s share',
            reason.depletionShare,
            '',
            crop ? provenanceOf(crop.p.source) : usual('no crop'),
          ),
          worked(
            'Its use today',
            reason.cropUseMm,
            'mm',
            'basal coefficient × what sun and wind take, and what dries from the soil',
            [explainReferenceEt(day, site)],
          ),
        ],
      ),
    ],
  );
  const local = worked(
    'Depth to fill the root zone',
    run.localMm,
    'mm',
    'what is gone this morning: it would pass what can be spared today',
    [explainGone(reason.depletionMm, options.outlook), spare],
  );
  const bedDepth = worked(
    'The same over the whole bed',
    run.bedMm,
    'mm',
    'depth × share of the bed that gets wet',
    [
      local,
      leaf(
        'Share that gets wet',
        wettedFractionOf(delivery),
        '',
        known.wettedFraction ?? usual(`usual for: ${method.how}`),
        'wettedShare',
      ),
    ],
  );
  const uneven = delivery.lowQuarterUniformity !== undefined;
  const losses = [
    leaf(
      'Share that reaches the soil',
      efficiencyOf({ ...delivery, lowQuarterUniformity: 1 }),
      '',
      known.efficiency ?? usual(`usual for: ${method.how}`),
      'reachingShare',
    ),
  ];
  if (uneven || method.overhead) {
    losses.push(
      leaf(
        'Evenness of the driest quarter',
        delivery.lowQuarterUniformity ?? 1,
        '',
        known.evenness ?? usual('taken as even; cans set out would tell'),
        'evenness',
      ),
    );
  }
  const litres = worked(
    'Litres through the tap',
    run.litres,
    'L',
    losses.length > 1
      ? 'depth over the bed × area ÷ share that reaches the soil ÷ evenness'
      : 'depth over the bed × area ÷ share that reaches the soil',
    [bedDepth, leaf('Area', bed.bed.areaM2, 'm²', known.area ?? { kind: 'told' }, 'area'), ...losses],
  );
  return worked('Minutes', run.minutes, 'min', 'litres ÷ flow', [litres, flowLeaf(bed, known)]);
}

const flowLeaf = (bed: PlanBed, known: Known): Working =>
  leaf(
    'Flow',
    bed.delivery.litresPerMinute,
    'L/min',
    known.flow ?? { kind: 'assumed', why: 'nobody has timed a bucket yet' },
    'flow',
  );

const provenanceOf = (source: string): Provenance =>
  source.startsWith('judgement')
    ? { kind: 'assumed', why: source.slice('judgement: '.length) }
    : { kind: 'table', name: source };

/** What is gone from the root zone, as what it holds when full less what it holds now. */
export function explainGone(depletionMm: number, outlook?: BedOutlook): Working {
  if (!outlook) return leaf('Gone this morning', depletionMm, 'mm', { kind: 'worked out' });
  let full = 0;
  let now = 0;
  for (let i = 0; i * LAYER_MM < outlook.rootDepthMm && i < outlook.layersMm.length; i += 1) {
    const part = Math.min(1, outlook.rootDepthMm / LAYER_MM - i);
    full += part * outlook.fieldCapacityMm[i];
    now += part * Math.min(outlook.fieldCapacityMm[i], outlook.layersMm[i]);
  }
  const balance = 'the bed’s balance since planting: rain and waterings in, use, runoff and drainage out';
  return worked(
    'Gone this morning',
    depletionMm,
    'mm',
    'what the root zone holds when full − what it holds now, layer by layer',
    [
      leaf('Full', full, 'mm', { kind: 'table', name: 'Saxton & Rawls 2006, from the soil’s texture' }),
      worked('Now', now, 'mm', balance, [
        leaf('Days counted', outlook.past.length, '', { kind: 'worked out' }),
      ]),
    ],
  );
}

/** Rate on the wetted ground, with its inputs. */
export function explainRate(bed: PlanBed, known: Known = {}): Working {
  const { delivery } = bed;
  const usual: Provenance = { kind: 'assumed', why: `usual for: ${METHOD_FACTS[delivery.method].how}` };
  return worked(
    'Rate where it falls',
    deliveryRate(delivery, bed.bed.areaM2),
    'mm/h',
    'flow × 60 ÷ (area × share that gets wet)',
    [
      flowLeaf(bed, known),
      leaf('Area', bed.bed.areaM2, 'm²', known.area ?? { kind: 'told' }, 'area'),
      leaf(
        'Share that gets wet',
        wettedFractionOf(delivery),
        '',
        known.wettedFraction ?? usual,
        'wettedShare',
      ),
    ],
  );
}
