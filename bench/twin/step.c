/* A plain C twin of core/src/places/ground/stepDay.ts: the same arithmetic in the same order, for the bench alone.
   Usage: step INPUT OUTPUT REPEATS. INPUT and OUTPUT are flat files of doubles laid out as in layeredStep.ts;
   prints the nanoseconds of one bed-day, median of nine runs. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

#define LAYER_MM 50.0
#define OUTS 15

typedef struct {
  int n, columns, days, underCover, rootResponse;
  double evaporationFactor, demandFactor, stands, dayIntake, bottomFlux, rew, tew, startRoot, shed;
  const double *share, *fc, *wp, *sat, *dry, *maxFlux, *drainScale;
  const double *kcb, *cover, *height, *potential, *p, *et0, *rain, *irrigation, *climate, *warmth, *start;
} Bed;

static double rootsAbove(double x) { return x >= 1 ? 1 : x * (1.8 - 0.8 * x); }
static double min2(double a, double b) { return a < b ? a : b; }
static double max2(double a, double b) { return a > b ? a : b; }

typedef struct { double below, bottom, surface, front, held; } Pass;

static void backUp(const Bed *b, double *w, int zone, int from, int to, double extra, Pass *pass) {
  double left = extra;
  for (int i = from - 1; i >= to && left > 0; i--) {
    if (i == zone - 1) pass->below -= left;
    const double free = b->sat[i] - w[i];
    if (free <= 0) continue;
    const double taken = left < free ? left : free;
    w[i] += taken;
    left -= taken;
  }
  if (to == zone) pass->below -= left;
  pass->surface += left;
}

static int drainColumn(const Bed *b, double *w, int zone, Pass *pass) {
  const int n = b->n;
  double carried = 0;
  int drained = 1;
  memset(pass, 0, sizeof *pass);
  for (int i = 0; i < n; i++) {
    double now = w[i], over = now - b->fc[i];
    if (carried > 0) {
      const double most = b->maxFlux[i] + (over < 0 ? -over : 0);
      if (carried > most) {
        backUp(b, w, zone, i, 0, carried - most, pass);
        drained = 0;
        carried = most;
      }
      if (over < 0) {
        const double taken = carried < -over ? carried : -over;
        now += taken;
        carried -= taken;
        over = carried > 0 ? 0 : now - b->fc[i];
      }
    }
    if (over > 0 || carried > 0) {
      const double s = b->drainScale[i];
      double own = over <= 0 ? 0 : over < 0.01 ? over : s * expm1(over / LAYER_MM);
      const double above = i > 0 ? carried / i : 0;
      if (own < above) {
        const double target = min2(b->sat[i] - b->fc[i], LAYER_MM * log1p(above / s));
        const double taken = min2(carried, max2(0, target - over));
        now += taken;
        carried -= taken;
        over += taken;
        own = over < 0.01 ? over : s * expm1(over / LAYER_MM);
      }
      now -= own;
      carried += own;
      if (over - own > 0) drained = 0;
    }
    w[i] = now;
    if (i == zone - 1) pass->below = carried;
  }
  const double out = carried < b->bottomFlux ? carried : b->bottomFlux;
  if (carried > out) {
    backUp(b, w, zone, n, 0, carried - out, pass);
    drained = 0;
  }
  pass->bottom = out;
  return drained;
}

static void takeIn(const Bed *b, double *w, int zone, double inflow, Pass *pass) {
  const int n = b->n;
  double left = inflow, front = 0;
  memset(pass, 0, sizeof *pass);
  for (int i = 0; i < zone && left > 0; i++) {
    const double room = b->fc[i] - w[i];
    if (room <= 0) continue;
    const double taken = left < room ? left : room;
    w[i] += taken;
    left -= taken;
    front = (i + taken / room) * LAYER_MM;
  }
  if (left > 0) {
    double pores = 0;
    for (int i = 0; i < zone; i++) {
      const double free = b->sat[i] - w[i];
      if (free <= 0) continue;
      if (pores < left) front = max2(front, (i + min2(1, (left - pores) / free)) * LAYER_MM);
      pores += free;
    }
    pass->held = pores > left ? left : pores;
    left -= pass->held;
  }
  if (left > 0) {
    pass->below = left;
    for (int i = zone; i < n && left > 0; i++) {
      const double room = max2(0, b->fc[i] - w[i]);
      const double most = b->maxFlux[i] + room;
      if (left > most) {
        backUp(b, w, zone, i, zone, left - most, pass);
        left = most;
      }
      const double taken = left < room ? left : room;
      w[i] += taken;
      left -= taken;
      front = (i + 1) * LAYER_MM;
    }
    const double out = left < b->bottomFlux ? left : b->bottomFlux;
    if (left > out) backUp(b, w, zone, n, zone, left - out, pass);
    pass->bottom = out;
  }
  pass->front = front;
}

static int settle(const Bed *b, double *w, int zone, double held) {
  double left = held, pores = 0;
  for (int i = 0; i < zone; i++) {
    const double room = b->fc[i] - w[i];
    if (room > 0 && left > 0) {
      const double taken = left < room ? left : room;
      w[i] += taken;
      left -= taken;
    }
    const double free = b->sat[i] - w[i];
    if (free > 0) pores += free;
  }
  if (left <= 0) return 1;
  const double part = min2(1, left / pores);
  for (int i = 0; i < zone; i++) {
    const double free = b->sat[i] - w[i];
    if (free > 0) w[i] += part * free;
  }
  return 0;
}

static double stressOf(double gone, double taw, double p) {
  const double readily = p * taw;
  return gone <= readily ? 1 : taw > readily ? max2(0, (taw - gone) / (taw - readily)) : 0;
}

typedef struct { double snow, standing, root, wetDays; int drained; } State;

static void frozenDay(const Bed *b, const double *water, State *state, int d, double *out) {
  const double fallen = b->underCover ? 0 : b->rain[d];
  state->snow += fallen + b->irrigation[d];
  double depletion = 0, available = 0;
  for (int i = 0; i * LAYER_MM < state->root && i < b->n; i++) {
    const double part = min2(1, state->root / LAYER_MM - i);
    available += part * (b->fc[i] - b->wp[i]);
    if (water[i] < b->fc[i]) depletion += part * (b->fc[i] - water[i]);
  }
  memset(out, 0, OUTS * sizeof(double));
  out[0] = fallen;
  out[1] = b->irrigation[d];
  out[8] = depletion;
  out[9] = available;
  out[10] = b->p[d] * available;
  out[11] = 1;
  out[12] = state->root;
  out[14] = state->wetDays;
}

static void step(const Bed *b, double *water, double *surface, State *state, int d, double *out) {
  if (b->warmth[d] <= 0) {
    frozenDay(b, water, state, d, out);
    return;
  }
  const int n = b->n;
  const double demand = b->et0[d] * b->demandFactor;
  const double fallen = b->underCover ? 0 : b->rain[d];
  double root = state->root;
  const double potential = b->potential[d];
  if (!b->rootResponse || potential < root) root = potential;
  int rootLayers = (int)ceil(root / LAYER_MM - 1e-9);
  if (rootLayers > n) rootLayers = n;
  const int zone = rootLayers < 2 ? 2 : rootLayers;
  const double perLayer = root > 0 ? LAYER_MM / root : 1;
  const double lastPart = min2(1, root / LAYER_MM - (rootLayers - 1));

  double below = 0, drainage = 0, standing = state->standing;
  int drained = state->drained, airless = 0;
  Pass pass;
  if (!drained) {
    drained = 1;
    for (int c = 0; c < b->columns; c++) {
      if (!drainColumn(b, water + c * n, zone, &pass)) drained = 0;
      below += b->share[c] * pass.below;
      drainage += b->share[c] * pass.bottom;
      standing += b->share[c] * pass.surface;
    }
    double air = 0;
    for (int i = 0; i < rootLayers; i++) air += (i + 1 < rootLayers ? 1 : lastPart) * (b->sat[i] - water[i]);
    airless = !drained && root > 0 && air / root < 0.05;
  }

  const double shed = fallen * b->shed;
  double onGround = fallen - shed;
  if (state->snow > 0) {
    const double melt = state->snow < 10 ? state->snow : 10;
    state->snow -= melt;
    onGround += melt;
  }
  const double longHours = onGround / 6.0;
  const double rainHours = longHours < 6 ? 6 : longHours < 24 ? longHours : 24;
  const double ponded = standing + max2(0, onGround - (rainHours * b->dayIntake) / 24);
  double runoff = ponded > b->stands ? ponded - b->stands : 0;
  const double arrived = standing + onGround - runoff;
  runoff += shed;
  const double entering = arrived < b->dayIntake ? arrived : b->dayIntake;
  standing = arrived - entering;
  double front = 0, held[2] = {0, 0};
  for (int c = 0; c < b->columns; c++) {
    const double share = b->share[c];
    const double inflow = entering + (c == 0 ? b->irrigation[d] / share : 0);
    if (inflow <= 0) continue;
    takeIn(b, water + c * n, zone, inflow, &pass);
    held[c] = pass.held;
    below += share * pass.below;
    drainage += share * pass.bottom;
    standing += share * pass.surface;
    if (c == 0) front = pass.front;
  }
  if (standing > b->stands) {
    runoff += standing - b->stands;
    standing = b->stands;
  }

  double available = 0, depletion0 = 0, taw1 = 0, gone1 = 0, weights = 0;
  double pull[128];
  for (int c = 0; c < b->columns; c++) {
    const double *w = water + c * n;
    double taw = 0, gone = 0, above = 0, sum = 0;
    for (int i = 0; i < rootLayers; i++) {
      const double part = i + 1 < rootLayers ? 1 : lastPart;
      const double held = b->fc[i] - b->wp[i], free = w[i] - b->wp[i];
      const double upTo = rootsAbove((i + 1) * perLayer);
      double strength = upTo - above;
      taw += part * held;
      if (free < held) {
        gone += part * (held - free);
        strength = free <= 0 ? 0 : strength * free / held;
      }
      pull[c * n + i] = strength;
      sum += strength;
      above = upTo;
    }
    weights += b->share[c] * sum;
    if (c == 0) {
      available = taw;
      depletion0 = gone;
    } else {
      taw1 = taw;
      gone1 = gone;
    }
  }

  const double kcb = b->kcb[d], climate = b->climate[d], height = b->height[d];
  const double maxK = max2(1.2 + climate * height, kcb + 0.05);
  const double adjusted = kcb > 0.45 ? max2(0, kcb + climate * height) : kcb;
  const double topK = max2(maxK, adjusted + 0.05);
  const double exposed = max2(0.01, 1 - b->cover[d]);
  const double energy = (topK - adjusted) * demand;
  const double ceiling = exposed * topK * demand;
  double freedom[2] = {0, 0};
  for (int c = 0; c < b->columns; c++) {
    const double inflow = entering + (c == 0 ? b->irrigation[d] / b->share[0] : 0);
    const double depleted = standing > 0 ? 0 : max2(0, surface[c] - inflow);
    surface[c] = depleted;
    freedom[c] = depleted <= b->rew ? 1 : max2(0, (b->tew - depleted) / (b->tew - b->rew));
  }
  const double share1 = b->columns == 2 ? b->share[1] : 0;
  const double freedomSum = b->share[0] * freedom[0] + share1 * freedom[1];
  const double open = energy < ceiling ? energy : ceiling;
  double evaporation = standing < open ? standing : open;
  const double rest = open > 0 ? 1 - evaporation / open : 0;
  standing -= evaporation;
  double dried = 0;
  for (int c = 0; c < b->columns && freedomSum > 0; c++) {
    double *w = water + c * n;
    const double share = b->share[c], free = freedom[c];
    const double wanted = min2(energy * free * share * free / freedomSum, share * ceiling);
    double local = rest * wanted * b->evaporationFactor / share;
    const double before = local;
    for (int i = 0; i < 2 && local > 0; i++) {
      const double can = w[i] - b->dry[i];
      if (can <= 0) continue;
      const double taken = local < can ? local : can;
      w[i] -= taken;
      local -= taken;
      evaporation += share * taken;
      if (c == 0 && i < rootLayers) dried += (i + 1 < rootLayers ? 1 : lastPart) * taken;
    }
    surface[c] = min2(b->tew, surface[c] + (before - local) / exposed);
  }

  const double wantedT = adjusted * demand * b->warmth[d];
  double p = b->p[d] + 0.04 * (5 - (wantedT + evaporation));
  p = p < 0.1 ? 0.1 : p > 0.8 ? 0.8 : p;
  double stress = stressOf(depletion0, available, p);
  if (b->columns == 2) {
    const double ks1 = stressOf(gone1, taw1, p);
    const double best = ks1 > stress ? ks1 : stress;
    const double shareBest = ks1 > stress ? share1 : b->share[0];
    const double other = ks1 > stress ? stress : ks1;
    const double fed = best > 0 ? (shareBest + (1 - shareBest) * other / best) / (1.0 / 3) : 0;
    stress = fed < 1 ? best * fed : best;
  }
  const double wetDays = airless ? state->wetDays + 1 : 0;
  const double airFactor = wetDays > 2 ? 0.6 : 1;

  double left = stress * airFactor * wantedT, transpiration = 0, drawn = 0;
  for (int round = 0; round < 3 && left > 1e-12; round++) {
    if (weights <= 0) break;
    const double perWeight = left / weights;
    double given = 0;
    weights = 0;
    for (int c = 0; c < b->columns; c++) {
      double *w = water + c * n;
      double sum = 0, stillPulling = 0;
      for (int i = 0; i < rootLayers; i++) {
        const double asked = perWeight * pull[c * n + i];
        if (asked <= 0) continue;
        const double part = i + 1 < rootLayers ? 1 : lastPart;
        const double moist = w[i] - b->wp[i];
        const double can = moist > 0 ? moist * part : 0;
        double taken = asked;
        if (asked >= can) {
          taken = can;
          pull[c * n + i] = 0;
        } else stillPulling += pull[c * n + i];
        w[i] -= taken;
        sum += taken;
        if (c == 0) drawn += part * taken;
        if (i < 2) surface[c] = min2(b->tew, surface[c] + taken);
      }
      given += b->share[c] * sum;
      weights += b->share[c] * stillPulling;
    }
    transpiration += given;
    left -= given;
    if (given < 1e-12) break;
  }

  for (int c = 0; c < b->columns; c++)
    if (held[c] > 0 && !settle(b, water + c * n, zone, held[c])) drained = 0;

  double depletion = depletion0 + dried + drawn;
  if (!drained || held[0] > 0) {
    depletion = 0;
    for (int i = 0; i < rootLayers; i++) {
      const double part = i + 1 < rootLayers ? 1 : lastPart;
      if (water[i] < b->fc[i]) depletion += part * (b->fc[i] - water[i]);
    }
  }
  const double results[OUTS] = {fallen, b->irrigation[d], runoff, evaporation, transpiration, wantedT, below, drainage,
    depletion, available, p * available, wantedT > 0 ? (left > 1e-12 ? transpiration / wantedT : stress * airFactor) : 1, root, front, wetDays};
  memcpy(out, results, sizeof results);

  if (b->rootResponse && root < potential) {
    int next = (int)floor(root / LAYER_MM);
    if (next > n - 1) next = n - 1;
    const double held = b->fc[next] - b->wp[next];
    const int moist = (water[next] - b->wp[next]) / held > 0.08;
    const int pampered = available > 0 && (depletion0 + dried) / available < 0.1;
    const double season = d > 0 ? max2(0, potential - b->potential[d - 1]) : 0;
    const double speed = pampered ? 0.5 * season : 20;
    if (moist) root = min2(potential, root + speed);
  }
  state->standing = standing;
  state->root = root;
  state->wetDays = wetDays;
  state->drained = drained;
}

static int ascending(const void *a, const void *b) {
  const double x = *(const double *)a, y = *(const double *)b;
  return x < y ? -1 : x > y;
}

int main(int argc, char **argv) {
  if (argc != 4) return 2;
  FILE *in = fopen(argv[1], "rb");
  if (!in) return 1;
  fseek(in, 0, SEEK_END);
  const long bytes = ftell(in);
  rewind(in);
  double *data = malloc(bytes);
  if (fread(data, 1, bytes, in) != (size_t)bytes) return 1;
  fclose(in);
  Bed b;
  const double *at = data;
  b.n = (int)*at++; b.columns = (int)*at++; b.days = (int)*at++;
  b.underCover = (int)*at++; b.rootResponse = (int)*at++;
  b.evaporationFactor = *at++; b.demandFactor = *at++; b.stands = *at++; b.dayIntake = *at++; b.bottomFlux = *at++;
  b.rew = *at++; b.tew = *at++; b.startRoot = *at++; b.shed = *at++;
  b.share = at; at += 2;
  const double **layers[] = {&b.fc, &b.wp, &b.sat, &b.dry, &b.maxFlux, &b.drainScale};
  for (int k = 0; k < 6; k++) { *layers[k] = at; at += b.n; }
  const double **daily[] = {&b.kcb, &b.cover, &b.height, &b.potential, &b.p, &b.et0, &b.rain, &b.irrigation, &b.climate, &b.warmth};
  for (int k = 0; k < 10; k++) { *daily[k] = at; at += b.days; }
  b.start = at;

  const int repeats = atoi(argv[3]);
  double *water = malloc(sizeof(double) * b.n * b.columns);
  double *outs = malloc(sizeof(double) * OUTS * b.days);
  double times[9];
  for (int run = 0; run < 9; run++) {
    struct timespec t0, t1;
    clock_gettime(CLOCK_MONOTONIC, &t0);
    for (int r = 0; r < repeats; r++) {
      State state = {0, 0, b.startRoot, 0, 0};
      memcpy(water, b.start, sizeof(double) * b.n * b.columns);
      double surface[2] = {0, 0};
      for (int c = 0; c < b.columns; c++)
        for (int i = 0; i < 2; i++) surface[c] += max2(0, b.fc[i] - b.start[c * b.n + i]);
      for (int d = 0; d < b.days; d++) step(&b, water, surface, &state, d, outs + OUTS * d);
    }
    clock_gettime(CLOCK_MONOTONIC, &t1);
    times[run] = ((t1.tv_sec - t0.tv_sec) * 1e9 + (t1.tv_nsec - t0.tv_nsec)) / ((double)repeats * b.days);
  }
  qsort(times, 9, sizeof(double), ascending);
  FILE *o = fopen(argv[2], "wb");
  if (!o) return 1;
  fwrite(outs, sizeof(double), OUTS * b.days, o);
  fwrite(water, sizeof(double), b.n * b.columns, o);
  fclose(o);
  printf("%.3f\n", times[4]);
  return 0;
}
