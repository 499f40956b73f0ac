import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  areaCm2,
  attempt,
  coatsOfPlan,
  bucketCover,
  coatSlurryMl,
  depthAtVolume,
  shapeOf,
  dipReach,
  dryGramsForPieces,
  PIECE_SHAPES,
  pourNeedMl,
  type DipReach,
  type PieceShape,
} from '@cazuela/core';
import type { Piece } from '@cazuela/contract';
import { apiResource } from '../../../../data/http/api-resource';
import { StudioApi } from '../../../../data/http/studio-api';
import { Units } from '../../../../data/units/units';
import { Choice } from '../../../../ui/choice';
import { NumberField } from '../../../../ui/number-field';
import { ErrorBanner } from '../../../../ui/error-banner';
import { BucketScreen } from '../bucket-screen';

/** The coat to compute with where no plan has one, mm. */
const USUAL_COAT_MM = 0.6;

interface DipRow {
  tone: string;
  dips: string;
  pourIn: string;
  pourOver: string;
  covers: string;
}

/** What can be dipped in this bucket and how deep, what must be poured, and how many pieces it covers. */
@Component({
  selector: 'cz-dipping-panel',
  imports: [Choice, ErrorBanner, NumberField],
  template: `
    <cz-error-banner [failure]="pieces.failure()" (again)="pieces.reload()" />
    @if (!shape()) {
      <p>Give its inner sizes below the name: then it is known how deep the glaze stands.</p>
    } @else {
      <p>
        The glaze stands <span class="figure">{{ depth() }} mm</span> deep.
      </p>
    }
    <div class="field-row">
      <cz-choice label="Inside of the piece" [options]="insides" [value]="inside()" (changed)="inside.set($event)" />
      <cz-number-field label="Coat" unit="mm" [value]="coatMm()" [least]="0.05" [most]="3" (changed)="coatMm.set($event.value)" />
    </div>
    @if (rows(); as list) {
      <div class="sheet-frame" tabindex="0" role="region" aria-label="What dips in it">
        <table class="sheet">
          <tr>
            <th scope="col">Piece</th>
            <th scope="col">Dip, rim first</th>
            <th scope="col" class="num">A pour inside</th>
            <th scope="col" class="num">over it</th>
            <th scope="col" class="num">It covers</th>
          </tr>
          @for (row of list; track row.name) {
            <tr>
              <td>{{ row.name }}</td>
              <td [class]="row.tone">{{ row.dips }}</td>
              <td class="num">{{ row.pourIn }}</td>
              <td class="num">{{ row.pourOver }}</td>
              <td class="num">{{ row.covers }}</td>
            </tr>
          }
        </table>
      </div>
    }
    <p class="quiet small">
      Counted: what the piece pushes aside, a finger under and beside it, {{ coatMm() }} mm in and out where no plan says otherwise, and the waste of
      dipping. Pours are bench rules: a third of the inside is rolled round; over it, four times what stays runs past into the basin. Handles and lugs
      are not counted.
    </p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.7rem;
    }
    cz-number-field {
      width: 8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DippingPanel {
  private readonly api = inject(StudioApi);
  protected readonly screen = inject(BucketScreen);
  protected readonly units = inject(Units);
  protected readonly insides = [
    ['air', 'air stays in'],
    ['full', 'glaze runs in'],
  ] as const;
  protected readonly inside = signal<'air' | 'full'>('air');
  protected readonly coatMm = signal<number | null>(USUAL_COAT_MM);
  protected readonly pieces = apiResource(() => this.api.pieces());
  protected readonly shape = computed(() => this.screen.bucket()?.body.shape);
  protected readonly depth = computed(() => {
    const [shape, contents] = [this.shape(), this.screen.contents()];
    return shape && contents ? Math.round(depthAtVolume({ shape, volumeMl: contents.volumeMl }).depthMm) : 0;
  });
  /** The studio's own pieces first; the ready-made forms where it has none yet. */
  protected readonly rows = computed(() => {
    const own = this.pieces.value();
    const coatMm = this.coatMm();
    if (!own || !coatMm) return undefined;
    const known = own.map((piece) => ({ name: piece.body.name, shape: shapeOf(piece.body.plan), piece }));
    const all = known.length > 0 ? known : PIECE_SHAPES.map((shape) => ({ name: shape.name, shape, piece: undefined }));
    return all.map((one) => ({ name: one.name, ...this.rowOf(one.shape, one.piece, coatMm) }));
  });

  private rowOf(piece: PieceShape, planned: Piece | undefined, coatMm: number): DipRow {
    const contents = this.screen.contents()!;
    const bucket = this.shape();
    const reach = bucket && attempt(() => dipReach({ bucket, glazeMl: contents.volumeMl, piece, inside: this.inside() }));
    // The inside is about as large as the outside.
    const slurryMl = coatSlurryMl({ piece, coatMm, contents });
    const gramsPerPiece = this.gramsFor(piece, planned, coatMm);
    const covers = bucketCover({ bucket, contents, piece, inside: this.inside(), gramsPerPiece });
    return {
      ...(reach?.kind === 'ok' ? reachWords(reach.value, this.units) : { tone: 'quiet', dips: 'needs its inner sizes' }),
      pourIn: this.jug(pourNeedMl({ piece, zone: 'inside', coatSlurryMl: slurryMl })),
      pourOver: this.jug(pourNeedMl({ piece, zone: 'outside', coatSlurryMl: slurryMl })),
      covers: covers.byDipping === undefined ? String(covers.pieces) : `${covers.pieces}, ${covers.byDipping} by dipping`,
    };
  }

  /** Rounded to the ten millilitres that a jug can show. */
  private jug = (millilitres: number): string => this.units.millilitres(Math.round(millilitres / 10) * 10);

  /** Dry grams that one piece takes: by its plan where this bucket is in it, else both faces at the coat in the field. */
  private gramsFor(shape: PieceShape, planned: Piece | undefined, coatMm: number): number {
    const { density, slurryState: state } = this.screen.contents()!;
    const bucketIds = new Set([this.screen.bucket()!.id]);
    const coats = planned ? coatsOfPlan({ plan: planned.body.plan, shape, count: 1, bucketIds }) : [];
    const both = { count: 1, areaCm2: 2 * areaCm2({ profile: shape.outside }), coatMm, method: 'dip' as const };
    return dryGramsForPieces({ pieces: coats.length > 0 ? coats : [both], density, state });
  }
}

function reachWords(reach: DipReach, units: Units): { tone: string; dips: string } {
  switch (reach.kind) {
    case 'whole':
      return { tone: 'good', dips: `goes under whole; the level rises ${units.roughly(reach.risesMm)}` };
    case 'tooWide':
      return { tone: 'look', dips: `too wide (${units.roughly(reach.acrossMm)} in ${units.roughly(reach.narrowestMm)}): pour it` };
    case 'part': {
      const until = `${units.roughly(reach.reachMm)} of ${units.roughly(reach.heightMm)}`;
      const how = reach.spills
        ? ', then it spills: take some out'
        : reach.moreMl > 0
          ? `; whole with ${units.litres(reach.moreMl)} more`
          : '; pour it';
      return { tone: 'look', dips: until + how };
    }
  }
}
