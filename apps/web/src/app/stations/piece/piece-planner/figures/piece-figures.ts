import { computed, type Signal } from '@angular/core';
import { areaCm2, areasOf, glazeNeeded, insideProfile, placeWords, volumeMl, type GlazeFacts, type PiecePlan, type PieceShape } from '@cazuela/core';

/** The numbers of a piece as it is drawn: what each place takes, how large it is and what it holds. */
export class PieceFigures {
  constructor(
    private readonly plan: Signal<PiecePlan | undefined>,
    private readonly shape: Signal<PieceShape>,
    private readonly glazes: Signal<readonly GlazeFacts[]>,
  ) {}

  /** One line for each place that takes glaze, and all of them together. */
  readonly sums = computed(() => {
    const plan = this.plan();
    const areas = plan ? areasOf({ plan, shape: this.shape() }) : [];
    const rows = areas
      .filter((area) => area.layers.length > 0 && area.areaCm2 > 0)
      .map((area) => {
        const { dryGrams, slurryMl } = glazeNeeded({ area, glazes: this.glazes() });
        const { id, areaCm2, layers } = area;
        // A brush lifts no level, and of a decorating colour the studio keeps no density.
        const displacedMl = layers.some((layer) => layer.method === 'dip') ? area.displacedMl : 0;
        const isWeighed = layers.some((layer) => this.glazes().some((glaze) => glaze.bucketId === layer.bucketId));
        // Short: beside four columns of figures a phone has room for two lines.
        return { id, words: placeWords(id, plan ?? {}).replace(/^the | up$/g, ''), areaCm2, displacedMl, isWeighed, dryGrams, slurryMl };
      });
    return { rows, dryGrams: rows.reduce((sum, row) => sum + row.dryGrams, 0), slurryMl: rows.reduce((sum, row) => sum + row.slurryMl, 0) };
  });
  readonly holdsMl = computed(() => (this.shape().slabMm === undefined ? volumeMl({ profile: insideProfile(this.shape()) }) : 0));
  readonly outsideCm2 = computed(() => areaCm2({ profile: this.shape().outside }));
}
