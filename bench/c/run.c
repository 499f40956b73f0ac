/* Three layers running down an upright wall of 300 cells as a plain loop, to measure ours beside: packages/core/src/run/run-solver.ts. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

enum { CELLS = 300, LAYERS = 3, ROUNDS = 41 };

static double now_ms(void) {
  struct timespec t;
  clock_gettime(CLOCK_MONOTONIC, &t);
  return t.tv_sec * 1e3 + t.tv_nsec / 1e6;
}

static int by_size(const void *a, const void *b) {
  double x = *(const double *)a, y = *(const double *)b;
  return (x > y) - (x < y);
}

/* radius, stuck mm, omega, then for each layer: from, to, mm, flow */
int main(int argc, char **argv) {
  if (argc != 4 + 4 * LAYERS) return 1;
  const double radius = atof(argv[1]), stuck = atof(argv[2]), ln_pair = 4 * log(atof(argv[3]));
  double from[LAYERS], to[LAYERS], mm[LAYERS], ln[LAYERS];
  for (int l = 0; l < LAYERS; l++) {
    from[l] = atof(argv[4 + 4 * l]);
    to[l] = atof(argv[5 + 4 * l]);
    mm[l] = atof(argv[6 + 4 * l]);
    ln[l] = log(atof(argv[7 + 4 * l]));
  }
  static double film[LAYERS][CELLS + 1], start[LAYERS][CELLS + 1], through[CELLS];
  const double area = 2 * M_PI * radius, tau = 2 * M_PI;
  for (int c = 0; c < CELLS; c++) {
    double whole = 0;
    for (int l = 0; l < LAYERS; l++) whole += c >= from[l] && c < to[l] ? mm[l] : 0;
    for (int l = 0; l < LAYERS; l++) start[l][c] = c >= from[l] && c < to[l] && whole > stuck ? mm[l] * (whole - stuck) / whole : 0;
  }
  double times[ROUNDS], sum = 0;
  for (int round = 0; round < ROUNDS; round++) {
    memcpy(film, start, sizeof film);
    double began = now_ms(), left = 1;
    while (left > 0) {
      double fastest = 0;
      for (int c = 0; c < CELLS; c++) {
        double h = 0;
        for (int l = 0; l < LAYERS; l++) h += film[l][c];
        through[c] = 0;
        if (h < 1e-7) continue;
        double ln_flow = 0;
        for (int a = 0; a < LAYERS; a++) {
          double part = ln[a] * h;
          for (int b = a + 1; b < LAYERS; b++) part += ln_pair * film[b][c];
          ln_flow += film[a][c] * part;
        }
        through[c] = exp(ln_flow / (h * h)) * tau * radius * h * h;
        if (through[c] / area > fastest) fastest = through[c] / area;
      }
      double step = fastest > 0 && 0.9 / (3 * fastest) < left ? 0.9 / (3 * fastest) : left;
      for (int l = 0; l < LAYERS; l++) {
        double comes = 0;
        for (int c = 0; c < CELLS; c++) {
          double m = film[l][c], gives = m < 1e-20 ? 0 : step * through[c] * m;
          film[l][c] = m + (comes - gives) / area;
          comes = gives;
        }
      }
      left -= step;
    }
    times[round] = now_ms() - began;
  }
  for (int c = 0; c < CELLS; c++)
    for (int l = 0; l < LAYERS; l++) sum += film[l][c] * c;
  qsort(times, ROUNDS, sizeof(double), by_size);
  printf("%.6f %.9f\n", times[ROUNDS / 2], sum);
  return 0;
}
