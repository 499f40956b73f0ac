import { effect, inject, untracked } from '@angular/core';
import { map } from 'rxjs';
import * as z from 'zod';
import { keyedResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import type { CoatScreen } from './coat-screen';

export const BENCHES = [
  ['dips', 'Measured dips'],
  ['tile', 'Step tile'],
  ['window', 'Its window'],
  ['another', 'Another way'],
  ['drying', 'As it dries'],
  ['pieces', 'Glaze for pieces'],
  ['scale', 'Bucket on the scale'],
] as const;
export type Bench = (typeof BENCHES)[number][0];
export const benchSchema = z.object({ bench: z.enum(BENCHES.map(([bench]) => bench)) });

/** What the address of the coat station says: a bucket, a clay, a panel, a tile or a window. */
export interface CoatAddress {
  bucket: () => string | undefined;
  body: () => string | undefined;
  panel: () => string | undefined;
  tile: () => string | undefined;
  window: () => string | undefined;
}

/** Asks what the address says, and opens its panel. Call it where fields are initialised. */
export function followAddress(address: CoatAddress, screen: CoatScreen, open: (bench: Bench) => void): void {
  const api = inject(StudioApi);
  effect(() => {
    const bucketId = address.bucket();
    if (bucketId) untracked(() => screen.change({ bucketId, sg: null }));
  });
  effect(() => {
    const bodyId = address.body();
    if (bodyId) untracked(() => screen.change({ bodyId, lotId: '', wallMm: null }));
  });
  effect(() => {
    const panel = benchSchema.safeParse({ bench: address.panel() }).data;
    if (panel) untracked(() => open(panel.bench));
  });
  effect(() => {
    const [id, all] = [address.window(), screen.all.value()];
    if (id && all) untracked(() => screen.askOfWindow(id) && open('window'));
  });
  const found = keyedResource(address.tile, (id) => api.tiles().pipe(map((tiles) => tiles.find((one) => one.id === id))));
  effect(() => {
    const body = found.value()?.body;
    if (!body) return;
    untracked(() => {
      screen.change({ bucketId: body.bucketId, bodyId: body.bodyId, lotId: body.lotId ?? '', sg: null, wallMm: null });
      open('tile');
    });
  });
}
