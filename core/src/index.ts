/** The engine's public face: options in, plain data out, `RangeError` on impossible input. SI units throughout. */
export * from './units/convert.ts';
export { minutesText } from './units/minutesText.ts';
export { addDays, dayOfYear, daysBetween, isIsoDate } from './units/dates.ts';

export { OutOfRange } from './units/guard.ts';

export type { ForecastDay, Site, WeatherDay } from './weather/types.ts';
export { frostTonight } from './weather/frostTonight.ts';
export { saturationVapourPressure } from './weather/saturationVapourPressure.ts';
export { daylightHours, extraterrestrialRadiation } from './weather/solar.ts';
export { weatherSeries, type WeatherSeries } from './weather/weatherSeries.ts';
export { referenceEt } from './weather/referenceEt.ts';
export { usualTemperatureC } from './weather/usualTemperature.ts';
export * from './weather/alerts.ts';
export { alertsAhead, type AlertAhead } from './weather/alertsAhead.ts';
export {
  BURST_C,
  DRAIN_CHOICES,
  DRAIN_RULES,
  drainDate,
  type DrainChoice,
  type DrainDate,
} from './weather/drainDate.ts';
export { weatherFan, type Band, type FanDay } from './weather/weatherFan.ts';
export { yearsCompared, type YearCourse, type YearsCompared } from './weather/yearsCompared.ts';
export { explainReferenceEt } from './weather/explainReferenceEt.ts';
export { explainManualForecast } from './weather/explainManualForecast.ts';
export { storeRunsOut, type RunsOut } from './compare/storeRunsOut.ts';
export { treeGap } from './care/treeGaps.ts';
export { isWoody } from './plants/woody.ts';
export { daysInStore, fixedWeekShortfall } from './schools/fixedWeek.ts';
export { RING_FORTNIGHT_MM, RING_FORTNIGHT_MM_A_DAY, RING_MONTH_MM_A_DAY } from './plants/ringDoses.ts';
export { ALERT_ACTS, actsOf, type AlertAct } from './care/alertActs.ts';
export { isSeenTo, stateOf, type Tick } from './care/seenTo.ts';
export { forecastEnsemble, latestClimatology } from './weather/forecastEnsemble.ts';
export { placeFactors } from './weather/placeFactors.ts';
export { hargreavesEt } from './weather/hargreavesEt.ts';
export { typedFigure, type TypedKind } from './units/typed.ts';
export { dryGaps, rainAgainstUse, type RainAndUse } from './weather/rainAgainstUse.ts';
export { TERRAIN_M, terrainOf, type Terrain } from './weather/terrain.ts';
export {
  HEATS,
  RAINS,
  manualForecastDay,
  SKIES,
  WEEK_DAYS,
  WEEKS,
  WINDS,
  type ManualForecast,
  type Week,
} from './weather/manualForecastDay.ts';
export { climateAt, type ClimateOfPlace } from './weather/climate/climateAt.ts';
export { stations } from './weather/climate/stationTable.ts';
export { correctedClimate, extremeMonths, type KnownClimate } from './weather/climate/corrected.ts';
export type { Climate, ClimateDoubt, ClimateMonth } from './weather/climate/types.ts';
export { summersAt } from './weather/ordinaryDay.ts';
export { AIRS, SUMMERS, type Air, type Summers } from './weather/summers.ts';
export { completeWeather, type DaySource, type SourcedDay } from './weather/completeWeather.ts';

export { TEXTURE_CLASSES, type TextureClass } from './soil/textureClass.ts';
export { soilFromFractions } from './soil/soilFromFractions.ts';
export { TEXTURES } from './soil/soils.ts';
export { fillHorizon } from './soil/fillHorizon.ts';
export { FILL_IDS, FILLS, USUAL_FILL_MM, type Fill } from './soil/fills.ts';
export { LAYER_MM, soilProfile, type Horizon } from './soil/soilProfile.ts';
export { jarTest, type JarTest } from './soil/jarTest.ts';
export { feelKey } from './soil/feelKey.ts';
export { holeTest } from './soil/holeTest.ts';
export { wetFrontDepth } from './soil/wetFrontDepth.ts';

export * from './plants/types.ts';
export { CATALOGUE, cropById } from './plants/catalogue/index.ts';
export { ROOT_DEPTHS, USUAL_BELIEF, type RootBelief } from './plants/rootBelief.ts';
export { plantedAbout, type PlantedAbout } from './plants/plantedAbout.ts';
export { OTHER_NAMES, type OtherName } from './plants/otherNames.ts';
export { cropOf, plantOnDay } from './plants/plantOnDay.ts';
export { yieldResponse } from './plants/yieldResponse.ts';

export { BED_FORMS, type BedForm } from './places/ground/surface.ts';
export { bedModel, type BedInput } from './places/ground/bedModel.ts';
export { isSheet, MULCH_MATERIALS, type Mulch, type MulchMaterial } from './places/ground/mulch.ts';
export { simulateBed } from './places/ground/simulateBed.ts';
export type { DailyRecord } from './places/dailyRecord.ts';
export type * from './places/place.ts';
export { bedKinds, KINDS, roundsKindOf } from './kinds/index.ts';
export type * from './kinds/kind.ts';
export { balanceTotals } from './places/ground/balanceTotals.ts';
export * from './places/ground/singleStore.ts';
export * from './places/ground/evaporation.ts';

export { canMap, canTest, type CanTest } from './delivery/canTest.ts';
export { dripLayout, dripRate, evenInset, plantsBetweenSpots } from './delivery/dripLayout.ts';
export { litresOfCans } from './delivery/cans.ts';
export * from './delivery/fills.ts';
export { weighTest } from './checks/weighTest.ts';
export * from './readings/entries.ts';
export { FINDING_FACTS, FINDING_SORTS } from './readings/facts.ts';
export { USUAL_TOPSOIL_MM } from './readings/knownDraft.ts';
export { type Beyond } from './units/edges.ts';
export { staleReason } from './readings/staleness.ts';
export { type KnownBed } from './readings/whatIsKnown.ts';
export { type BedPeriod } from './readings/bedHistory.ts';
export { type From } from './units/dated.ts';
export { type GivenWater, type EnteredWater } from './delivery/givenWater.ts';
export { oddities } from './readings/oddities.ts';
export type { Oddity } from './readings/reading.ts';
export { depthCheck, settledMinutes } from './delivery/depthCheck.ts';
export { DRY_TO_MM } from './checks/dryTo.ts';
export { lookCheck, type LookVerdict } from './checks/lookCheck.ts';
export { canAdvice, FEWEST_FOR_EVENNESS, type CanAdvice } from './delivery/canAdvice.ts';
export { poolingTest } from './delivery/poolingTest.ts';
export { soakerTest } from './delivery/soakerTest.ts';
export { spreadShare, wettedShare } from './delivery/wettedStrip.ts';
export { treeRing } from './places/treeRing/treeRing.ts';
export { treeDemand } from './places/treeRing/treeDemand.ts';
export { gapClock, GAP_DAYS, GAP_RULES, GAP_SCHOOLS, type GapSchool } from './places/treeRing/gapClock.ts';
export {
  SOAK_BY,
  TREE_SORTS,
  CAME_AS,
  BENEATH,
  REACHES,
  NEARBY,
  LAYOUTS,
  checkTree,
  dryZoneM,
  trunkRadiusM,
  trunkOfGirth,
  bandM2,
  type SoakBy,
  type TreeFacts,
  type TreeSort,
  type CameAs,
  type Beneath,
  type Ring,
} from './places/treeRing/treeFacts.ts';
export { TRUNK_L_PER_CM, type SoakSize } from './places/treeRing/soakSize.ts';
export { YOUNG_GUIDES } from './places/treeRing/youngRhythm.ts';
export { PHASE_FACTS, ringThroughYears, trunkStaysDry, type TreePhase } from './places/treeRing/phases.ts';
export { LAYOUT_FACTS } from './places/treeRing/layoutFacts.ts';
export { layOut, USUAL_BUCKET_L, type Spot } from './places/treeRing/layouts.ts';
export { mainPlanting, openShare } from './places/treeRing/treeGround.ts';
export { treePlan, THICK_MM, THIN_MM, type TreePlan } from './places/treeRing/treePlan.ts';
export { explainTree, explainPeak } from './places/treeRing/explainTree.ts';
export { doseCheck } from './places/treeRing/doseCheck.ts';
export { treeSeason, type TreeSeason } from './places/treeRing/treeSeason.ts';
export { type TreeTask } from './care/treeTasks.ts';
export { treeAsDeclared, newTree } from './places/treeRing/newTree.ts';
export { intakeRate } from './soil/soilProfile.ts';
export { SOURCE_KINDS, type SourceKindId } from './sources/index.ts';
export { roofHarvest } from './sources/roofHarvest.ts';
export { bucketTest } from './delivery/bucketTest.ts';
export { cycleAndSoak } from './delivery/cycleAndSoak.ts';
export { adviseMethod } from './delivery/adviseMethod.ts';
export { bestHour, type BestHour } from './delivery/bestHour.ts';
export { efficiencyAt } from './delivery/losses.ts';
export { onLeavesL, shedsSpray } from './delivery/heldByLeaves.ts';
export { todaysHabit, type HabitVerdict } from './delivery/todaysHabit.ts';
export { canHaveTimer, fillLitresOf, handsOnMinutes } from './delivery/handsOn.ts';
export { METHODS, METHOD_FACTS, type Method } from './delivery/methods.ts';
export { USUAL_FLOW_LPM } from './delivery/usualFlow.ts';
export {
  deliveryRate,
  efficiencyOf,
  grossLitres,
  localDepth,
  netDepth,
  reachingShareOf,
  wettedFractionOf,
} from './delivery/runPlan.ts';

export { bedTasks, soakBeforeMulch, type BedTask, isBeforeHeat, isRinsed } from './care/tasks.ts';
export { GOAL_FACTS, GOALS, keepsTo, type Goal } from './plants/goals.ts';
export { standingOn, stands } from './plants/standing.ts';
export { byHand } from './follow/byHand.ts';
export { balanceStart, BALANCE_DAYS } from './follow/balanceStart.ts';
export {
  groundByLately,
  HEATS_LATELY,
  LAST_WATERED,
  LOOKED_BACK_DAYS,
  RAINS_LATELY,
  WATERED_LATELY,
  type GroundWord,
  type Lately,
} from './follow/groundByLately.ts';
export { stageStrip, type StageStep } from './plants/stageStrip.ts';
export { OPEN_DAYS, stageUse } from './plants/stageUse.ts';
export { checkPlantings } from './plants/checkPlantings.ts';
export { plantCount, rowLength } from './plants/plantCount.ts';
export { cropCautions } from './care/cautions.ts';
export { isHotWork } from './care/hotWork.ts';
export { HEAVY_KG, SAFETY, type SafetyAct } from './care/safety.ts';
export { ownCrop, type OwnCropWords } from './plants/ownCrop.ts';
export { mulchVolume } from './places/ground/mulchVolume.ts';
export {
  defaultSchool,
  SCHOOLS,
  schoolOf,
  type School,
  type SchoolId,
  type SchoolReason,
} from './schools/schools.ts';
export { SHORT_OF_WATER } from './schools/shortOfWater.ts';
export { THIRSTY_FROM } from './follow/wilts.ts';
export { ownLineOf, type OwnLine, type DryDown } from './compare/ownLine.ts';
export { LONGEST_MINUTES, TURNS_A_DAY } from './clock/mostAtOnce.ts';
export { PASSES } from './delivery/fittingRun.ts';
export { afterRain, soakingSpell, type AfterRain } from './plan/afterRain.ts';
export { compareSchools } from './compare/compareSchools.ts';
export { SAVED_NOTE } from './delivery/givenWater.ts';
export {
  FED_DAYS,
  FEED_NOTE,
  overdoneOn,
  sinkingMm,
  tooMuch,
  type Overdone,
  type RoomForWater,
} from './delivery/tooMuch.ts';
export { isAskedDaily } from './plan/gardenRounds.ts';
export { wateredOften } from './plan/wateredOften.ts';
export { undivided, type Undivided } from './compare/undivided.ts';
export { SEED_STRIP_MM, seedRows } from './record/seedRows.ts';
export { isBaked } from './checks/bakedGround.ts';
export { dryDaysFrom } from './schools/drySpell.ts';
export { mayNotTake } from './schools/mayTake.ts';
export { heldDry } from './follow/asHere.ts';
export { likelyRain } from './follow/likelyRain.ts';
export { mayToughen, toughenWindow, type ToughenWindow } from './schools/toughening.ts';
export { ladder } from './compare/ladder.ts';
export { remedies, REMEDIES, type RemedyId } from './compare/remedies.ts';
export { followRounds, type Rounds } from './compare/followRounds.ts';
export { followSeason } from './compare/followSeason.ts';
export { weekdayOf } from './units/weekdays.ts';
export { RANKS, type Rank } from './plants/rank.ts';
export { WIND_HOLD_MS } from './clock/closures.ts';
export { DAY_MINUTES, USUAL_HOURS, type Span } from './clock/openSpans.ts';
export { byWalk } from './clock/walkOrder.ts';
export { walkFrom, type Walk } from './clock/walk.ts';
export { passesOf } from './clock/dayJobs.ts';
export { aimOf, type Aim } from './delivery/aim.ts';
export { leafWetHours } from './delivery/leafWet.ts';
export { checkFirst, type CheckFirst } from './checks/checkFirst.ts';
export { sunOnClock, type SunOnClock } from './weather/sunOnClock.ts';
export type * from './rounds/types.ts';
export { PER_WEEK, weekdaySets } from './rounds/weekdaySets.ts';
export { gardenLoss, gardenRoundDays } from './plan/gardenLoss.ts';
export { planGarden, unplannedBy } from './plan/planGarden.ts';
export type * from './follow/types.ts';
export { growthLost } from './follow/growthLost.ts';
export { LATELY_DAYS } from './explain/explainGrowth.ts';
export { rootDoubt } from './follow/waysOfRoots.ts';
export type * from './clock/constraints.ts';
export type * from './share/types.ts';
export type * from './plan/types.ts';
export { newMemo, triedOn, type PlanMemo } from './plan/memo.ts';

export * from './working/types.ts';
export { TELLABLE, type Tellable } from './working/tellable.ts';
export type { Known } from './working/known.ts';
export { assumedOf, nextBestTest, QUICK_TESTS, type QuickTest } from './compare/nextBestTest.ts';
export { EXPLAINABLE, explainNumber, type Explainable } from './explain/explainNumber.ts';

export { MIXES, MIX_IDS, type Mix } from './places/vessel/mixes.ts';
export {
  DRESSING_IDS,
  DRESSINGS,
  MATERIAL_IDS,
  MATERIALS,
  type Material,
} from './places/vessel/materials.ts';
export { NAMED_SIZES } from './places/vessel/size.ts';
export { LIGHTS, ROOM_AIRS, WARMTHS } from './places/vessel/indoors.ts';
export { drinksAtNight } from './plants/restSeason.ts';
export { leafCare, type LeafCare } from './plants/wetLeaves.ts';
export { ROOT_FILLS, vesselModel, type VesselInput } from './places/vessel/vesselModel.ts';
export { simulateVessel, type VesselDay } from './places/vessel/simulateVessel.ts';
export * from './pots/entries.ts';
export type { Pot } from './pots/pots.ts';
export { needsHole, POT_WAY_FACTS, POT_WAYS, usualWay, type PotWay } from './pots/ways.ts';
export { type PotFound, type WeighedSpan } from './pots/observe.ts';
export { planPot, type PotLeave, type PotPlan, type PotSpan } from './pots/planPot.ts';
export { potHelp, type PotHelp } from './pots/potHelp.ts';
export { potWalk, type PotWalk } from './pots/potWalk.ts';
export { potSanity } from './pots/potSanity.ts';
export { potStart } from './pots/potStart.ts';
export { isWaterToStand, likesAcid, type PotTask } from './pots/potTasks.ts';
export { isUrgent } from './pots/urgentTasks.ts';
export { checkWeight } from './pots/weighIn.ts';
export * from './pots/sequences.ts';
export * from './pots/acidBatch.ts';
export { wateredAsDue } from './pots/wateredAsDue.ts';

export * from './entries/entry.ts';
export * from './entries/bodies.ts';
export { ENTRY_KINDS, ENTRY_SORTS, isSettingKind, kindFacts, type EntrySort } from './entries/kinds.ts';
export { alertTasks, tasksOf } from './tasks/list.ts';
export type * from './tasks/task.ts';
export * from './record/history.ts';
export type * from './record/place.ts';
export { borrowedBy, constraintsOf, planBed } from './record/toPlan.ts';
export { inItsZone, wateredWith, zoneOf } from './record/zoneOf.ts';
export { zoneChecks, type ZoneFault } from './delivery/zoneChecks.ts';
export { beyondNeedL, zoneTotals } from './follow/zoneAsk.ts';
export { shareOfRun } from './share/day.ts';
export { cropOfBed, mulchOf, plantingsOf, schoolChosen } from './record/bedFacts.ts';
export { settingOn } from './record/settingOn.ts';
export { treeNow, type TreeNow } from './kinds/treeNow.ts';
export { VESSEL_KINDS, vesselKind, type VesselKind } from './places/vessel/vesselKinds.ts';
export { happened, happenedIfTried, type EventEntry, type Happened } from './record/events.ts';
