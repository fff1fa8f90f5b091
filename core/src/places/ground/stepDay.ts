import { LAYER_COUNT, LAYER_MM } from '../../soil/soilProfile.ts';
import type { BedModel } from './bedModel.ts';
import { OUT, type BedState } from './bedState.ts';
import { rainRunoff } from './rainRunoff.ts';

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
/** Water above field capacity too little to count as sinking, mm. */
const STILL_MM = 1e-6;
/** Scratch of one step: how strongly roots draw on each layer of the two columns. */
const pull = new Float64Array(2 * LAYER_COUNT);
/** Surface that evaporates: two layers of 50 mm. */
const EVAPORATING_LAYERS = 2;

/** Share of all roots in the top part `x` (0–1) of the root zone: quarters hold 40, 30, 20 and 10 %. Common practice. */
const rootsAbove = (x: number): number => (x >= 1 ? 1 : x * (1.8 - 0.8 * x));

/**
 * One day of one bed: rain and watering enter in the morning, layers fill and drain, the surface
 * evaporates, roots draw, roots grow. Works in place on `state`, allocates nothing.
 * @param d index of the day in the model
 * @param et0 reference evapotranspiration, mm
 * @param rain mm on open ground
 * @param irrigation mm over the whole bed that reached the soil
 * @param climate wind and humidity term of FAO-56 eq. 70 (see `climateTerm`)
 * Sources: FAO-56 ch. 7–8 (dual coefficient, Ks, root zone); fill-to-field-capacity cascade with
 * conductivity-limited drainage; runoff by curve number. Judgements are the named constants above.
 */
export function stepDay(
  model: BedModel,
  state: BedState,
  d: number,
  et0: number,
  rain: number,
  irrigation: number,
  climate: number,
): void {
  const { profile, columns, columnShare } = model;
  const n = profile.layers;
  const fc = profile.fieldCapacityMm;
  const wp = profile.wiltingPointMm;
  const sat = profile.saturationMm;
  const heldMm = profile.availableMm;
  const dry = profile.airDryMm;
  const maxFlux = profile.maxFluxMmPerDay;
  const drainShare = profile.drainShare;
  const water = state.water;
  const out = state.out;

  const demand = et0 * model.demandFactor;
  const fallen = model.underCover ? 0 : rain;
  let runoff =
    model.runoffStorageMm === Number.POSITIVE_INFINITY ? 0 : rainRunoff(fallen, model.runoffStorageMm);
  const entering = fallen - runoff;
  let below = 0;
  let drainage = 0;
  let front = 0;

  let root = state.rootMm;
  const potential = model.potentialRootMm[d] as number;
  if (!model.rootResponse || potential < root) root = potential;
  // A whole number to the machine too: the loops below run on it.
  const rootLayers = Math.min(n, Math.ceil(root / LAYER_MM - 1e-9)) | 0;
  // Share of the lowest rooted layer that the roots have reached.
  const perLayer = root > 0 ? LAYER_MM / root : 1;
  const lastPart = Math.min(1, root / LAYER_MM - (rootLayers - 1));

  // Water in and down.
  let drained = true;
  for (let c = 0; c < columns; c += 1) {
    const base = c * n;
    const share = columnShare[c] as number;
    let flux = entering + (c === 0 ? irrigation / share : 0);
    const inflow = flux;
    let spills = false;
    // On a day without water a profile that has drained stays as it is.
    if (inflow === 0 && state.drained) continue;
    for (let i = 0; i < n; i += 1) {
      // Nor does what lies below the layer that kept the last of it.
      if (flux === 0 && state.drained) break;
      const k = base + i;
      const before = water[k] as number;
      if (c === 0 && inflow > 0 && flux > 1e-9) {
        const room = (fc[i] as number) - before;
        front = i * LAYER_MM + (room > flux ? (LAYER_MM * flux) / room : LAYER_MM);
      }
      const filled = before + flux;
      let down = 0;
      if (filled > (fc[i] as number)) {
        down = (filled - (fc[i] as number)) * (drainShare[i] as number);
        const room = i + 1 < n ? (fc[i + 1] as number) - (water[k + 1] as number) : 0;
        const limit =
          i + 1 < n ? (maxFlux[i + 1] as number) + (room > 0 ? room : 0) : profile.bottomFluxMmPerDay;
        if (down > limit) down = limit;
      }
      const stays = filled - down;
      water[k] = stays;
      if (stays > (fc[i] as number) + STILL_MM) {
        drained = false;
        if (stays > (sat[i] as number)) spills = true;
      }
      if (i === rootLayers - 1) below += share * down;
      flux = down;
    }
    drainage += share * flux;
    // What a layer cannot hold backs up; at the surface it runs off.
    for (let i = n - 1; i > 0 && spills; i -= 1) {
      const over = (water[base + i] as number) - (sat[i] as number);
      if (over > 0) {
        water[base + i] = sat[i] as number;
        water[base + i - 1] = (water[base + i - 1] as number) + over;
        if (i === rootLayers) below -= share * over;
      }
    }
    const over = (water[base] as number) - (sat[0] as number);
    if (over > 0) {
      water[base] = sat[0] as number;
      runoff += share * over;
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
    const depleted = Math.max(0, (surface[c] as number) - inflow);
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
  let evaporation = 0;
  for (let c = 0; c < columns && freedomSum > 0; c += 1) {
    const base = c * n;
    const share = c === 0 ? share0 : share1;
    const free = c === 0 ? freedom0 : freedom1;
    const wanted = Math.min((energy * free * share * free) / freedomSum, share * ceiling);
    let local = (wanted * model.evaporationFactor) / share;
    const before = local;
    for (let i = 0; i < EVAPORATING_LAYERS && local > 0; i += 1) {
      const can = (water[base + i] as number) - (dry[i] as number);
      if (can <= 0) continue;
      const taken = local < can ? local : can;
      water[base + i] = (water[base + i] as number) - taken;
      local -= taken;
      evaporation += share * taken;
    }
    surface[c] = Math.min(profile.totalEvaporableMm, (surface[c] as number) + (before - local) / exposed);
  }

  // What the root zone holds, per column.
  const wantedT = adjustedKcb * demand;
  let p = (model.p[d] as number) + 0.04 * (5 - (wantedT + evaporation));
  p = p < 0.1 ? 0.1 : p > 0.8 ? 0.8 : p;
  let available = 0;
  let depletion0 = 0;
  let stress = 0;
  let air = 0;
  let weights = 0;
  for (let c = 0; c < columns; c += 1) {
    const base = c * n;
    let taw = 0;
    let gone = 0;
    let above = 0;
    let sum = 0;
    for (let i = 0; i < rootLayers; i += 1) {
      const part = i + 1 < rootLayers ? 1 : lastPart;
      const w = water[base + i] as number;
      const held = heldMm[i] as number;
      const free = w - (wp[i] as number);
      // Roots draw where they are many and the soil is moist.
      const upTo = rootsAbove((i + 1) * perLayer);
      let strength = upTo - above;
      taw += part * held;
      if (c === 0) air += part * ((sat[i] as number) - w);
      if (free < held) {
        gone += part * (held - free);
        strength = free <= 0 ? 0 : (strength * free) / held;
      }
      pull[base + i] = strength;
      sum += strength;
      above = upTo;
    }
    weights += (columnShare[c] as number) * sum;
    const readily = p * taw;
    const ks = gone <= readily ? 1 : taw > readily ? Math.max(0, (taw - gone) / (taw - readily)) : 0;
    if (c === 0) {
      available = taw;
      depletion0 = gone;
    }
    // A part of the roots in moist ground can feed the whole plant, so the better column decides.
    if (ks > stress) stress = ks;
  }
  const airless = root > 0 && air / root < AIR_LIMIT;
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
        const can = ((water[base + i] as number) - (wp[i] as number)) * part;
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

  // End of day: the store as it stands now, on the wetted ground.
  let depletion = depletion0 + drawn;
  if (!drained) {
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
  out[OUT.stress] = stress * airFactor;
  out[OUT.rootDepth] = root;
  out[OUT.front] = front;
  out[OUT.wetDays] = wetDays;

  // Roots follow the season, but not into dry soil, and slowly where the surface is always moist.
  if (model.rootResponse && root < potential) {
    const next = Math.min(n - 1, Math.floor(root / LAYER_MM));
    const held = heldMm[next] as number;
    const moist = ((water[next] as number) - (wp[next] as number)) / held > ROOT_DRY_LIMIT;
    const pampered = available > 0 && depletion0 / available < ROOT_DRAW;
    const season = d > 0 ? Math.max(0, potential - (model.potentialRootMm[d - 1] as number)) : 0;
    const speed = pampered ? ROOT_PAMPERED * season : ROOT_SPEED_MM;
    if (moist) root = Math.min(potential, root + speed);
  }
  state.rootMm = root;
  state.wetDays = wetDays;
  state.drained = drained;
}
