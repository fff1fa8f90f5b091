import { LAYER_COUNT, LAYER_MM } from '../../soil/soilProfile.ts';
import type { BedModel } from './bedModel.ts';
import { OUT, type BedState } from './bedState.ts';
import { frozenDay, MELT_MM } from './frozenDay.ts';
import { drainColumn } from './drainColumn.ts';
import { newPass, PASS } from './passDown.ts';
import { LONG_RAIN_MM_PER_HOUR, RAIN_HOURS } from './surface.ts';
import { settle, takeIn } from './takeIn.ts';

/**
 * Air-filled pores below which roots lack air, share of the soil’s volume. Judgement: textbooks give 0.1 for tender roots,
 * but a clay at field capacity has no more than 0.08 and is not waterlogged.
 */
const AIR_LIMIT = 0.05;
/** Days without air before a plant slows, and what is left of its use then. Judgement. */
const AIRLESS_DAYS = 2;
const AIRLESS_FACTOR = 0.6;
/** Fastest a root front moves into moist soil, mm a day. Judgement; field values are 10–25. */
const ROOT_SPEED_MM = 20;
/** Roots do not enter a layer with less of its available water than this. Judgement. */
const ROOT_DRY_LIMIT = 0.08;
/** Share of the store that must go before roots are drawn down, and the share of the season's growth they make before. Judgement. */
const ROOT_DRAW = 0.1;
const ROOT_PAMPERED = 0.5;
/**
 * Share of the ground that has to be moist to feed the whole plant; less of it feeds in proportion. Common practice in
 * orchards: wet at least a third of the ground.
 */
const FEEDING_SHARE = 1 / 3;
/** Scratch of one step: how strongly roots draw on each layer of the two columns. */
const pull = new Float64Array(2 * LAYER_COUNT);
const pass = newPass();
/** Surface that evaporates: two layers of 50 mm. */
const EVAPORATING_LAYERS = 2;

/** Stress coefficient from what is gone and what there is to hold. FAO-56 eq. 84. */
const stressOf = (gone: number, taw: number, p: number): number => {
  const readily = p * taw;
  return gone <= readily ? 1 : taw > readily ? Math.max(0, (taw - gone) / (taw - readily)) : 0;
};

/** Share of all roots in the top part `x` (0–1) of the root zone: quarters hold 40, 30, 20 and 10 %. Common practice. */
const rootsAbove = (x: number): number => (x >= 1 ? 1 : x * (1.8 - 0.8 * x));

/**
 * One day of one bed: what stood above field capacity sinks, rain and watering enter, the surface evaporates, roots draw,
 * roots grow. What is too much today is there for the day's use and sinks from the next morning on. Works in place on
 * `state`, allocates nothing.
 * @param d index of the day in the model
 * @param et0 reference evapotranspiration, mm
 * @param rain mm on open ground
 * @param irrigation mm over the whole bed that reached the soil
 * @param climate wind and humidity term of FAO-56 eq. 70 (see `climateTerm`)
 * @param warmth how freely roots take up water in the cold, 1 unhindered to 0, frozen ground (see `groundWarmth`)
 * Sources: FAO-56 ch. 7–8 (dual coefficient, Ks from the opening store, root zone, percolation after the day's use);
 * drainage as `drainColumn`. Judgements are the named constants above and those of `surface.ts`.
 */
export function stepDay(
  model: BedModel,
  state: BedState,
  d: number,
  et0: number,
  rain: number,
  irrigation: number,
  climate: number,
  warmth = 1,
): void {
  if (warmth <= 0) {
    frozenDay(model, state, d, rain, irrigation);
    return;
  }
  const { profile, columns, columnShare } = model;
  const n = profile.layers;
  const fc = profile.fieldCapacityMm;
  const wp = profile.wiltingPointMm;
  const sat = profile.saturationMm;
  const heldMm = profile.availableMm;
  const dry = profile.airDryMm;
  const water = state.water;
  const out = state.out;

  const demand = et0 * model.demandFactor;
  const fallen = model.underCover ? 0 : rain;
  let root = state.rootMm;
  const potential = model.potentialRootMm[d] as number;
  if (!model.rootResponse || potential < root) root = potential;
  // A whole number to the machine too: the loops below run on it.
  const rootLayers = Math.min(n, Math.ceil(root / LAYER_MM - 1e-9)) | 0;
  const zone = rootLayers < EVAPORATING_LAYERS ? EVAPORATING_LAYERS : rootLayers;
  // Share of the lowest rooted layer that the roots have reached.
  const perLayer = root > 0 ? LAYER_MM / root : 1;
  const lastPart = Math.min(1, root / LAYER_MM - (rootLayers - 1));

  // The night: what stands above field capacity sinks. After it roots have air again, or lack it.
  let below = 0;
  let drainage = 0;
  let standing = state.standingMm;
  let drained = state.drained;
  let airless = false;
  if (!drained) {
    drained = true;
    for (let c = 0; c < columns; c += 1) {
      const share = columnShare[c] as number;
      if (!drainColumn(profile, water, c * n, zone, pass)) drained = false;
      below += share * (pass[PASS.below] as number);
      drainage += share * (pass[PASS.bottom] as number);
      standing += share * (pass[PASS.surface] as number);
    }
    let air = 0;
    for (let i = 0; i < rootLayers; i += 1)
      air += (i + 1 < rootLayers ? 1 : lastPart) * ((sat[i] as number) - (water[i] as number));
    airless = !drained && root > 0 && air / root < AIR_LIMIT;
  }

  // Water in. What falls faster than it soaks in stands on the bed as far as the bed holds it, and the rest runs off.
  const shed = fallen * model.shedShare;
  let onGround = fallen - shed;
  if (state.snowMm > 0) {
    const melt = state.snowMm < MELT_MM ? state.snowMm : MELT_MM;
    state.snowMm -= melt;
    onGround += melt;
  }
  const longHours = onGround / LONG_RAIN_MM_PER_HOUR;
  const rainHours = longHours < RAIN_HOURS ? RAIN_HOURS : longHours < 24 ? longHours : 24;
  const ponded = standing + Math.max(0, onGround - (rainHours * model.dayIntakeMm) / 24);
  let runoff = ponded > model.standsMm ? ponded - model.standsMm : 0;
  const arrived = standing + onGround - runoff;
  runoff += shed;
  const entering = arrived < model.dayIntakeMm ? arrived : model.dayIntakeMm;
  standing = arrived - entering;
  let front = 0;
  let held0 = 0;
  let held1 = 0;
  for (let c = 0; c < columns; c += 1) {
    const share = columnShare[c] as number;
    const inflow = entering + (c === 0 ? irrigation / share : 0);
    if (inflow <= 0) continue;
    takeIn(profile, water, c * n, zone, inflow, pass);
    if (c === 0) held0 = pass[PASS.held] as number;
    else held1 = pass[PASS.held] as number;
    below += share * (pass[PASS.below] as number);
    drainage += share * (pass[PASS.bottom] as number);
    standing += share * (pass[PASS.surface] as number);
    if (c === 0) front = pass[PASS.front] as number;
  }
  if (standing > model.standsMm) {
    runoff += standing - model.standsMm;
    standing = model.standsMm;
  }

  // What the root zone holds, per column, as the day opens: by it roots draw and the plants close their leaves.
  let available = 0;
  let depletion0 = 0;
  let taw1 = 0;
  let gone1 = 0;
  let weights = 0;
  for (let c = 0; c < columns; c += 1) {
    const base = c * n;
    let taw = 0;
    let gone = 0;
    let above = 0;
    let sum = 0;
    for (let i = 0; i < rootLayers; i += 1) {
      const part = i + 1 < rootLayers ? 1 : lastPart;
      const held = heldMm[i] as number;
      const free = (water[base + i] as number) - (wp[i] as number);
      // Roots draw where they are many and the soil is moist.
      const upTo = rootsAbove((i + 1) * perLayer);
      let strength = upTo - above;
      taw += part * held;
      if (free < held) {
        gone += part * (held - free);
        strength = free <= 0 ? 0 : (strength * free) / held;
      }
      pull[base + i] = strength;
      sum += strength;
      above = upTo;
    }
    weights += (columnShare[c] as number) * sum;
    if (c === 0) {
      available = taw;
      depletion0 = gone;
    } else {
      taw1 = taw;
      gone1 = gone;
    }
  }

  // Out of the surface: energy the plants leave over, shared by how freely each column gives.
  const kcb = model.kcb[d] as number;
  const maxK = Math.max(1.2 + climate * (model.heightTerm[d] as number), kcb + 0.05);
  const adjustedKcb = kcb > 0.45 ? Math.max(0, kcb + climate * (model.heightTerm[d] as number)) : kcb;
  const topK = Math.max(maxK, adjustedKcb + 0.05);
  const exposed = Math.max(0.01, 1 - (model.canopyCover[d] as number));
  const energy = (topK - adjustedKcb) * demand;
  const ceiling = exposed * topK * demand;
  const surface = state.surface;
  let freedom0 = 0;
  let freedom1 = 0;
  for (let c = 0; c < columns; c += 1) {
    // FAO-56 eq. 77 on the exposed ground: the morning's water first, then what the day takes.
    const inflow = entering + (c === 0 ? irrigation / (columnShare[0] as number) : 0);
    const depleted = standing > 0 ? 0 : Math.max(0, (surface[c] as number) - inflow);
    surface[c] = depleted;
    const free =
      depleted <= profile.readilyEvaporableMm
        ? 1
        : Math.max(
            0,
            (profile.totalEvaporableMm - depleted) /
              (profile.totalEvaporableMm - profile.readilyEvaporableMm),
          );
    if (c === 0) freedom0 = free;
    else freedom1 = free;
  }
  const share0 = columnShare[0] as number;
  const share1 = columns === 2 ? (columnShare[1] as number) : 0;
  const freedomSum = share0 * freedom0 + share1 * freedom1;
  // Water that stands on the bed dries before the ground under it does.
  const open = energy < ceiling ? energy : ceiling;
  let evaporation = standing < open ? standing : open;
  const rest = open > 0 ? 1 - evaporation / open : 0;
  standing -= evaporation;
  let dried = 0;
  for (let c = 0; c < columns && freedomSum > 0; c += 1) {
    const base = c * n;
    const share = c === 0 ? share0 : share1;
    const free = c === 0 ? freedom0 : freedom1;
    const wanted = Math.min((energy * free * share * free) / freedomSum, share * ceiling);
    let local = (rest * wanted * model.evaporationFactor) / share;
    const before = local;
    for (let i = 0; i < EVAPORATING_LAYERS && local > 0; i += 1) {
      const can = (water[base + i] as number) - (dry[i] as number);
      if (can <= 0) continue;
      const taken = local < can ? local : can;
      water[base + i] = (water[base + i] as number) - taken;
      local -= taken;
      evaporation += share * taken;
      if (c === 0 && i < rootLayers) dried += (i + 1 < rootLayers ? 1 : lastPart) * taken;
    }
    surface[c] = Math.min(profile.totalEvaporableMm, (surface[c] as number) + (before - local) / exposed);
  }

  const wantedT = adjustedKcb * demand * warmth;
  let p = (model.p[d] as number) + 0.04 * (5 - (wantedT + evaporation));
  p = p < 0.1 ? 0.1 : p > 0.8 ? 0.8 : p;
  let stress = stressOf(depletion0, available, p);
  if (columns === 2) {
    // Roots in moist ground feed the rest of the plant, as far as enough of them are there.
    const ks1 = stressOf(gone1, taw1, p);
    const best = ks1 > stress ? ks1 : stress;
    const shareBest = ks1 > stress ? share1 : share0;
    const other = ks1 > stress ? stress : ks1;
    const fed = best > 0 ? (shareBest + ((1 - shareBest) * other) / best) / FEEDING_SHARE : 0;
    stress = fed < 1 ? best * fed : best;
  }
  const wetDays = airless ? state.wetDays + 1 : 0;
  const airFactor = wetDays > AIRLESS_DAYS ? AIRLESS_FACTOR : 1;

  // What one layer lacks, wetter ones give: a layer that gave all it could is not asked again.
  let left = stress * airFactor * wantedT;
  let transpiration = 0;
  let drawn = 0;
  for (let round = 0; round < 3 && left > 1e-12; round += 1) {
    if (weights <= 0) break;
    const perWeight = left / weights;
    let given = 0;
    weights = 0;
    for (let c = 0; c < columns; c += 1) {
      const base = c * n;
      let sum = 0;
      let stillPulling = 0;
      for (let i = 0; i < rootLayers; i += 1) {
        const asked = perWeight * (pull[base + i] as number);
        if (asked <= 0) continue;
        const part = i + 1 < rootLayers ? 1 : lastPart;
        // What dried from the surface today is no longer there.
        const moist = (water[base + i] as number) - (wp[i] as number);
        const can = moist > 0 ? moist * part : 0;
        let taken = asked;
        if (asked >= can) {
          taken = can;
          pull[base + i] = 0;
        } else stillPulling += pull[base + i] as number;
        water[base + i] = (water[base + i] as number) - taken;
        sum += taken;
        if (c === 0) drawn += part * taken;
        if (i < EVAPORATING_LAYERS)
          surface[c] = Math.min(profile.totalEvaporableMm, (surface[c] as number) + taken);
      }
      given += (columnShare[c] as number) * sum;
      weights += (columnShare[c] as number) * stillPulling;
    }
    transpiration += given;
    left -= given;
    if (given < 1e-12) break;
  }

  // The day has had its use: what was more than the ground keeps fills that, and what is left of it sinks from tomorrow on.
  for (let c = 0; c < columns; c += 1) {
    const held = c === 0 ? held0 : held1;
    if (held > 0 && !settle(profile, water, c * n, zone, held)) drained = false;
  }

  // End of day: the store as it stands now, on the wetted ground.
  let depletion = depletion0 + dried + drawn;
  if (!drained || held0 > 0) {
    // Where a layer still holds more than field capacity, that part was drawn first and is no depletion.
    depletion = 0;
    for (let i = 0; i < rootLayers; i += 1) {
      const part = i + 1 < rootLayers ? 1 : lastPart;
      if ((water[i] as number) < (fc[i] as number))
        depletion += part * ((fc[i] as number) - (water[i] as number));
    }
  }

  out[OUT.rain] = fallen;
  out[OUT.irrigation] = irrigation;
  out[OUT.runoff] = runoff;
  out[OUT.evaporation] = evaporation;
  out[OUT.transpiration] = transpiration;
  out[OUT.transpirationWanted] = wantedT;
  out[OUT.belowRoots] = below;
  out[OUT.drainage] = drainage;
  out[OUT.depletion] = depletion;
  out[OUT.available] = available;
  out[OUT.readily] = p * available;
  // What was had of what was wanted: never unhindered on a day that lacked something, and always where nothing is wanted.
  out[OUT.stress] = wantedT > 0 ? (left > 1e-12 ? transpiration / wantedT : stress * airFactor) : 1;
  out[OUT.rootDepth] = root;
  out[OUT.front] = front;
  out[OUT.wetDays] = wetDays;

  // Roots follow the season, but not into dry soil, and slowly where the surface is always moist.
  if (model.rootResponse && root < potential) {
    const next = Math.min(n - 1, Math.floor(root / LAYER_MM));
    const held = heldMm[next] as number;
    const moist = ((water[next] as number) - (wp[next] as number)) / held > ROOT_DRY_LIMIT;
    const pampered = available > 0 && (depletion0 + dried) / available < ROOT_DRAW;
    const season = d > 0 ? Math.max(0, potential - (model.potentialRootMm[d - 1] as number)) : 0;
    const speed = pampered ? ROOT_PAMPERED * season : ROOT_SPEED_MM;
    if (moist) root = Math.min(potential, root + speed);
  }
  state.standingMm = standing;
  state.rootMm = root;
  state.wetDays = wetDays;
  state.drained = drained;
}
