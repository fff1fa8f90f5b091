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
  int n, columns, days, underCover, basin, rootResponse;
  double evaporationFactor, demandFactor, runoffStorage, bottomFlux, rew, tew, startRoot;
  const double *share, *fc, *wp, *sat, *dry, *maxFlux, *drainShare;
  const double *kcb, *cover, *height, *potential, *p, *et0, *rain, *irrigation, *climate, *start;
} Bed;

static double rootsAbove(double x) { return x >= 1 ? 1 : x * (1.8 - 0.8 * x); }
static double min2(double a, double b) { return a < b ? a : b; }
static double max2(double a, double b) { return a > b ? a : b; }

static void step(const Bed *b, double *water, double *surface, double *rootMm, double *wetDaysState, int *drainedState, int d, double *out) {
  const int n = b->n;
  const double demand = b->et0[d] * b->demandFactor;
  const double fallen = b->underCover ? 0 : b->rain[d];
  double runoff = 0;
  if (!b->basin) {
    const double initial = 0.2 * b->runoffStorage;
    if (fallen > initial) runoff = (fallen - initial) * (fallen - initial) / (fallen + 0.8 * b->runoffStorage);
  }
  const double entering = fallen - runoff;
  double below = 0, drainage = 0, front = 0;
  double root = *rootMm;
  const double potential = b->potential[d];
  if (!b->rootResponse || potential < root) root = potential;
  int rootLayers = (int)ceil(root / LAYER_MM - 1e-9);
  if (rootLayers > n) rootLayers = n;
  const double perLayer = root > 0 ? LAYER_MM / root : 1;
  const double lastPart = min2(1, root / LAYER_MM - (rootLayers - 1));

  int drained = 1;
  for (int c = 0; c < b->columns; c++) {
    double *w = water + c * n;
    const double share = b->share[c];
    double flux = entering + (c == 0 ? b->irrigation[d] / share : 0);
    const double inflow = flux;
    int spills = 0;
    if (inflow == 0 && *drainedState) continue;
    for (int i = 0; i < n; i++) {
      if (flux == 0 && *drainedState) break;
      const double before = w[i];
      if (c == 0 && inflow > 0 && flux > 1e-9) {
        const double room = b->fc[i] - before;
        front = i * LAYER_MM + (room > flux ? LAYER_MM * flux / room : LAYER_MM);
      }
      const double filled = before + flux;
      double down = 0;
      if (filled > b->fc[i]) {
        down = (filled - b->fc[i]) * b->drainShare[i];
        const double room = i + 1 < n ? b->fc[i + 1] - w[i + 1] : 0;
        const double limit = i + 1 < n ? b->maxFlux[i + 1] + (room > 0 ? room : 0) : b->bottomFlux;
        if (down > limit) down = limit;
      }
      const double stays = filled - down;
      w[i] = stays;
      if (stays > b->fc[i] + 1e-6) {
        drained = 0;
        if (stays > b->sat[i]) spills = 1;
      }
      if (i == rootLayers - 1) below += share * down;
      flux = down;
    }
    drainage += share * flux;
    for (int i = n - 1; i > 0 && spills; i--) {
      const double over = w[i] - b->sat[i];
      if (over > 0) {
        w[i] = b->sat[i];
        w[i - 1] += over;
        if (i == rootLayers) below -= share * over;
      }
    }
    const double over = w[0] - b->sat[0];
    if (over > 0) {
      w[0] = b->sat[0];
      runoff += share * over;
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
    const double depleted = max2(0, surface[c] - inflow);
    surface[c] = depleted;
    freedom[c] = depleted <= b->rew ? 1 : max2(0, (b->tew - depleted) / (b->tew - b->rew));
  }
  const double share1 = b->columns == 2 ? b->share[1] : 0;
  const double freedomSum = b->share[0] * freedom[0] + share1 * freedom[1];
  double evaporation = 0;
  for (int c = 0; c < b->columns && freedomSum > 0; c++) {
    double *w = water + c * n;
    const double share = b->share[c], free = freedom[c];
    const double wanted = min2(energy * free * share * free / freedomSum, share * ceiling);
    double local = wanted * b->evaporationFactor / share;
    const double before = local;
    for (int i = 0; i < 2 && local > 0; i++) {
      const double can = w[i] - b->dry[i];
      if (can <= 0) continue;
      const double taken = local < can ? local : can;
      w[i] -= taken;
      local -= taken;
      evaporation += share * taken;
    }
    surface[c] = min2(b->tew, surface[c] + (before - local) / exposed);
  }

  const double wantedT = adjusted * demand;
  double p = b->p[d] + 0.04 * (5 - (wantedT + evaporation));
  p = p < 0.1 ? 0.1 : p > 0.8 ? 0.8 : p;
  double available = 0, depletion0 = 0, stress = 0, air = 0, weights = 0;
  double pull[128];
  for (int c = 0; c < b->columns; c++) {
    const double *w = water + c * n;
    double taw = 0, gone = 0, above = 0, sum = 0;
    for (int i = 0; i < rootLayers; i++) {
      const double part = i + 1 < rootLayers ? 1 : lastPart;
      const double held = b->fc[i] - b->wp[i], free = w[i] - b->wp[i];
      taw += part * held;
      if (free < held) gone += part * (held - free);
      if (c == 0) air += part * (b->sat[i] - w[i]);
      const double upTo = rootsAbove((i + 1) * perLayer);
      const double strength = free <= 0 ? 0 : free >= held ? upTo - above : (upTo - above) * free / held;
      pull[c * n + i] = strength;
      sum += strength;
      above = upTo;
    }
    weights += b->share[c] * sum;
    const double readily = p * taw;
    const double ks = gone <= readily ? 1 : taw > readily ? max2(0, (taw - gone) / (taw - readily)) : 0;
    if (c == 0) {
      available = taw;
      depletion0 = gone;
    }
    if (ks > stress) stress = ks;
  }
  const int airless = root > 0 && air / root < 0.05;
  const double wetDays = airless ? *wetDaysState + 1 : 0;
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
        const double can = (w[i] - b->wp[i]) * part;
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

  double depletion = depletion0 + drawn;
  if (!drained) {
    depletion = 0;
    for (int i = 0; i < rootLayers; i++) {
      const double part = i + 1 < rootLayers ? 1 : lastPart;
      if (water[i] < b->fc[i]) depletion += part * (b->fc[i] - water[i]);
    }
  }
  const double results[OUTS] = {fallen, b->irrigation[d], runoff, evaporation, transpiration, wantedT, below, drainage,
    depletion, available, p * available, stress * airFactor, root, front, wetDays};
  memcpy(out, results, sizeof results);

  if (b->rootResponse && root < potential) {
    int next = (int)floor(root / LAYER_MM);
    if (next > n - 1) next = n - 1;
    const double held = b->fc[next] - b->wp[next];
    const int moist = (water[next] - b->wp[next]) / held > 0.08;
    const int pampered = available > 0 && depletion0 / available < 0.1;
    const double season = d > 0 ? max2(0, potential - b->potential[d - 1]) : 0;
    const double speed = pampered ? 0.5 * season : 20;
    if (moist) root = min2(potential, root + speed);
  }
  *rootMm = root;
  *wetDaysState = wetDays;
  *drainedState = drained;
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
  b.underCover = (int)*at++; b.basin = (int)*at++; b.rootResponse = (int)*at++;
  b.evaporationFactor = *at++; b.demandFactor = *at++; b.runoffStorage = *at++; b.bottomFlux = *at++;
  b.rew = *at++; b.tew = *at++; b.startRoot = *at++;
  b.share = at; at += 2;
  const double **layers[] = {&b.fc, &b.wp, &b.sat, &b.dry, &b.maxFlux, &b.drainShare};
  for (int k = 0; k < 6; k++) { *layers[k] = at; at += b.n; }
  const double **daily[] = {&b.kcb, &b.cover, &b.height, &b.potential, &b.p, &b.et0, &b.rain, &b.irrigation, &b.climate};
  for (int k = 0; k < 9; k++) { *daily[k] = at; at += b.days; }
  b.start = at;

  const int repeats = atoi(argv[3]);
  double *water = malloc(sizeof(double) * b.n * b.columns);
  double *outs = malloc(sizeof(double) * OUTS * b.days);
  double times[9];
  for (int run = 0; run < 9; run++) {
    struct timespec t0, t1;
    clock_gettime(CLOCK_MONOTONIC, &t0);
    for (int r = 0; r < repeats; r++) {
      double root = b.startRoot, wet = 0;
      int drained = 0;
      memcpy(water, b.start, sizeof(double) * b.n * b.columns);
      double surface[2] = {0, 0};
      for (int c = 0; c < b.columns; c++)
        for (int i = 0; i < 2; i++) surface[c] += max2(0, b.fc[i] - b.start[c * b.n + i]);
      for (int d = 0; d < b.days; d++) step(&b, water, surface, &root, &wet, &drained, d, outs + OUTS * d);
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
