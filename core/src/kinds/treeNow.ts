import type { BedOutlook } from '../follow/types.ts';
import { explainPeak } from '../places/treeRing/explainTree.ts';
import type { TreeFacts } from '../places/treeRing/treeFacts.ts';
import { mainPlanting } from '../places/treeRing/treeGround.ts';
import { treePlan, type TreePlan } from '../places/treeRing/treePlan.ts';
import { treeSeason, type TreeSeason } from '../places/treeRing/treeSeason.ts';
import { GOAL_FACTS } from '../plants/goals.ts';
import { cropOf } from '../plants/plantOnDay.ts';
import { schoolOf } from '../schools/schools.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { referenceEt } from '../weather/referenceEt.ts';
import type { Site } from '../weather/types.ts';
import type { Working } from '../working/types.ts';
import { cropOfBed, plantingsOf, schoolChosen } from '../record/bedFacts.ts';
import { historyOf, nowOf } from '../record/history.ts';
import type { BedOnRecord } from '../record/place.ts';

/** A tree place as it stands today. */
export interface TreeNow {
  facts: TreeFacts;
  plantedOn: IsoDate;
  plan: TreePlan;
  season: TreeSeason;
  soak: BedOutlook['soak'];
  /** What it may lose on the hottest day ahead, L; never a dose. */
  peak: { date: IsoDate; working: Working } | null;
  /** It is watered by a fall-back rule of scarce water. */
  scarce: boolean;
}

/** The day and the place of it. */
interface At {
  today: IsoDate;
  site: Site;
  weather: readonly SourcedDay[];
}

/** Days ahead in which the hottest is looked for. */
const PEAK_DAYS = 7;

/** What all its crowns may lose on the hottest day of the week ahead. */
function peakOf(tree: TreeFacts, bed: BedOnRecord, { weather, today, site }: At): TreeNow['peak'] {
  const crop = cropOfBed(bed);
  if (!crop) return null;
  const until = addDays(today, PEAK_DAYS);
  const days = weather
    .filter(({ date }) => date >= today && date < until)
    .map((day) => ({ date: day.date, working: explainPeak(tree, crop, referenceEt(day, site).mm) }))
    .sort((a, b) => b.working.value - a.working.value);
  return days[0] ?? null;
}

/** A tree place as it stands today; null where it is a bed. Source: as `treePlan`, `treeSeason` and `explainPeak`. */
export function treeNow(bed: BedOnRecord, outlook: BedOutlook, at: At): TreeNow | null {
  const { today, site } = at;
  const { tree, bed: was, delivery } = nowOf(historyOf(bed, today).periods);
  const planting = mainPlanting(plantingsOf(bed, site.latitudeDeg));
  if (!tree || !planting) return null;
  const due = outlook.next?.run.localMm;
  return {
    facts: tree.facts,
    plantedOn: planting.plantedOn,
    plan: treePlan(
      tree.facts,
      planting,
      today,
      was.ground,
      { ...delivery, litresPerMinute: tree.litresPerMinute },
      due,
    ),
    season: treeSeason(cropOf(planting), outlook.stage, today, {
      frozen: outlook.leave?.code === 'frozen',
      latitudeDeg: site.latitudeDeg,
    }),
    soak: outlook.soak,
    peak: peakOf(tree.facts, bed, at),
    scarce:
      schoolOf(schoolChosen(bed).id).rhythm?.onRing === true ||
      GOAL_FACTS[bed.goal].lossShare > GOAL_FACTS.thrifty.lossShare,
  };
}
