import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { areaCm2, attempt, glazeUse, insideProfile, PIECE_SHAPES } from '@cazuela/core';
import * as z from 'zod';
import { sessionSignal } from '../../../data/offline/kept-signal';
import { Units } from '../../../data/units/units';
import { NumberField } from '../../../ui/number-field';
import { FACES } from '../answer/coat-question';
import { CoatScreen } from '../coat-screen';
import { SelectField } from '../../../ui/select-field';
import { plainOptions } from '../../../ui/options';

const USE_METHODS = ['dip', 'pour', 'brush', 'spray'] as const;
const rowSchema = z.object({
  shapeId: z.string(),
  face: z.enum(FACES),
  method: z.enum(USE_METHODS),
  count: z.number().nullable(),
  coatMm: z.number().nullable(),
});
type Row = z.infer<typeof rowSchema>;
const listSchema = z.object({ rows: z.array(rowSchema).max(30), stayMl: z.number().nullable() });

/** Grams and millilitres that a list of pieces takes of this bucket at their coats, and whether it is enough. */
@Component({
  selector: 'cz-glaze-use-panel',
  imports: [MatButton, MatIcon, MatIconButton, MatTooltip, NumberField, RouterLink, SelectField],
  templateUrl: './glaze-use-panel.html',
  styles: `
    .piece {
      display: grid;
      grid-template-columns: 5rem minmax(7rem, 1.2fr) minmax(6rem, 1fr) minmax(5rem, 0.8fr) 7rem minmax(8rem, 1.4fr) auto;
      gap: 0.6rem;
      align-items: end;
      margin-bottom: 0.6rem;
    }
    .takes {
      min-height: 44px;
      display: flex;
      align-items: center;
    }
    .total {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 0.8rem;
      align-items: center;
      margin-top: 0.6rem;
    }
    @media (max-width: 1100px) {
      .piece {
        grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
        padding-bottom: 0.6rem;
        border-bottom: 1px solid var(--line);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GlazeUsePanel {
  private readonly screen = inject(CoatScreen);
  protected readonly units = inject(Units);
  protected readonly shapes = PIECE_SHAPES.map(({ id, name }) => [id, name] as const);
  protected readonly methods = plainOptions(USE_METHODS);
  protected readonly list = sessionSignal(
    'glaze-use',
    { rows: [{ shapeId: 'cup', face: 'both', method: 'dip', count: 10, coatMm: null }] as Row[], stayMl: null as number | null },
    (kept) => listSchema.safeParse(kept).data,
  );
  /** A line without a coat of its own takes the one in question. */
  protected readonly wanted = computed(() => this.screen.question().coatMm ?? 0.6);
  protected readonly use = computed(() => {
    const contents = this.screen.bucket()?.contents;
    if (!contents) return undefined;
    const { volumeMl, sg, density, slurryState: state } = contents;
    const stayMl = this.list().stayMl;
    return attempt(() =>
      glazeUse({
        pieces: this.list().rows.map((row) => ({
          count: row.count ?? 0,
          areaCm2: areaOf(row),
          coatMm: row.coatMm ?? this.wanted(),
          method: row.method,
        })),
        bucket: { volumeMl, sg, density, state },
        ...(stayMl === null ? {} : { stayMl }),
      }),
    );
  });
  protected readonly takes = computed(() => {
    const use = this.use();
    return use?.kind === 'ok'
      ? use.value.rows.map((row) => `${this.units.millilitres(row.slurryMl)}; the bucket covers ${row.bucketCovers} of these alone`)
      : [];
  });
  protected readonly faces = [
    ['both', 'in and out'],
    ['outside', 'outside'],
    ['inside', 'inside'],
  ] as const;

  protected edit(index: number, change: Partial<Row>): void {
    this.change({ rows: this.list().rows.map((row, at) => (at === index ? { ...row, ...change } : row)) });
  }

  protected add(): void {
    const last = this.list().rows.at(-1);
    this.change({ rows: [...this.list().rows, last ?? { shapeId: 'cup', face: 'both', method: 'dip', count: 10, coatMm: null }] });
  }

  protected remove(index: number): void {
    this.change({ rows: this.list().rows.filter((_, at) => at !== index) });
  }

  protected change(change: Partial<z.infer<typeof listSchema>>): void {
    this.list.update((list) => ({ ...list, ...change }));
  }

  /** What is short, passed on to weighing. */
  protected weigh(millilitres: number): Record<string, string> {
    const bucket = this.screen.bucket();
    return bucket?.recipeId ? { recipe: bucket.recipeId, ml: String(Math.ceil(millilitres / 100) * 100) } : {};
  }
}

function areaOf({ shapeId, face }: Row): number {
  const shape = PIECE_SHAPES.find((one) => one.id === shapeId) ?? PIECE_SHAPES[0]!;
  const inside = face === 'outside' ? 0 : areaCm2({ profile: insideProfile(shape) });
  const outside = face === 'inside' ? 0 : areaCm2({ profile: shape.outside });
  return inside + outside;
}
