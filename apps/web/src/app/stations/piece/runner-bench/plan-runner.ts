import { inject, Injectable } from '@angular/core';
import type { BucketSummary, RunnerTile } from '@cazuela/contract';
import { glazeIdOf, meltedMm, type GlazeFacts } from '@cazuela/core';
import type { Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';

/** A usual runner tile: a band as high as two fingers, each glaze at a usual dip. */
const BAND_MM = 30;
const COAT_MM = 0.5;
const OVER_MM = 0.35;

/** Plans a runner tile of one glaze, or of two over one another. */
@Injectable({ providedIn: 'root' })
export class PlanRunner {
  private readonly api = inject(StudioApi);
  private readonly store = inject(StudioStore);

  /** On a clay and for a cone, where they are wanted. */
  plan(
    facts: readonly GlazeFacts[],
    buckets: readonly BucketSummary[],
    { bodyId, cone }: { bodyId?: string | undefined; cone?: string | undefined } = {},
  ): Observable<RunnerTile> {
    const layers = facts.map((glaze, at) => {
      const bucket = buckets.find((one) => one.id === glaze.bucketId);
      return {
        bucketId: glaze.bucketId,
        glazeId: bucket ? glazeIdOf(bucket) : glaze.bucketId,
        glazeName: glaze.name,
        coatMm: facts.length > 1 ? (at === 0 ? COAT_MM - 0.1 : OVER_MM) : COAT_MM,
        meltsTo: Math.min(1, meltedMm({ ...glaze, coatMm: 1 })),
      };
    });
    return this.api.createRunnerTile(uuid(), {
      layers,
      bandMm: BAND_MM,
      by: this.store.by(),
      ...(bodyId ? { bodyId } : {}),
      ...(cone ? { wantedCone: cone } : {}),
      notes: '',
    });
  }
}
