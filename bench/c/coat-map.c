/* The map of seconds and SG as a plain loop, to measure ours beside: the formulas of packages/core/src/coat/coat-map.ts. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

static double now_ms(void) {
  struct timespec t;
  clock_gettime(CLOCK_MONOTONIC, &t);
  return t.tv_sec * 1e3 + t.tv_nsec / 1e6;
}

static int by_size(const void *a, const void *b) {
  double x = *(const double *)a, y = *(const double *)b;
  return (x > y) - (x < y);
}

/* density packing film cakeJ wallJ room under dryness lowSg highSg mostSeconds columns rows */
int main(int argc, char **argv) {
  if (argc != 14) return 1;
  double v[11];
  for (int i = 0; i < 11; i++) v[i] = atof(argv[i + 1]);
  const double density = v[0], packing = v[1], film_mm = v[2], cake_j = v[3], wall_j = v[4], water = v[5], under = v[6], dry = v[7];
  const double low = v[8], high = v[9], most_seconds = v[10];
  const int columns = atoi(argv[12]), rows = atoi(argv[13]);
  float *coat = malloc(sizeof(float) * columns * rows);
  double times[101], sum = 0;
  for (int round = 0; round < 101; round++) {
    double started = now_ms();
    for (int row = 0; row < rows; row++) {
      double sg = low + (high - low) * row / (rows - 1), phi = (sg - 1) / (density - 1);
      float *into = coat + row * columns;
      if (phi > 0.9 * packing) {
        for (int column = 0; column < columns; column++) into[column] = -1;
        continue;
      }
      double k = phi / (packing - phi), j = 1 / (1 / cake_j + 1 / (k * wall_j));
      double room = water + (1 - packing) * under * dry, most = k * room, film = film_mm * phi / packing, growth = 2 * j * k;
      double q = (1 - packing) * under, stretch = k + 1 / (1 - packing), filled = q * q * stretch / (2 * j), start = under + k * q;
      for (int column = 0; column < columns; column++) {
        double t = column * (most_seconds / (columns - 1)), cake = 0;
        if (t > 0) {
          if (dry < 1) cake = (1 - dry) * (sqrt(under * under + growth * t) - under);
          if (dry > 0) cake += dry * (t <= filled ? k * sqrt(2 * j * t / stretch) : sqrt(start * start + growth * (t - filled)) - under);
        }
        into[column] = cake >= most ? most + film / 2 : cake + film;
      }
    }
    times[round] = now_ms() - started;
  }
  for (int i = 0; i < columns * rows; i++) sum += coat[i];
  qsort(times, 101, sizeof(double), by_size);
  printf("%.6f %.6f\n", times[50], sum);
  return 0;
}
