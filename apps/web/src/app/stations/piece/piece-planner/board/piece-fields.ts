import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { PieceBody } from '@cazuela/contract';
import { CONES, KILN_SETTINGS } from '@cazuela/core';
import { NumberField } from '../../../../parts/number-field';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';
import { SETTING_WORDS } from '../piece-words';

/** What a piece is made of, how many there are, how high foot and rim go, and how it stands in the kiln. */
@Component({
  selector: 'cz-piece-fields',
  imports: [NumberField],
  templateUrl: './piece-fields.html',
  styles: `
    .fields {
      display: grid;
      grid-template-columns: repeat(3, minmax(0, 1fr));
      gap: 0.8rem;
      align-items: end;
    }
    .wide {
      grid-column: 1 / -1;
    }
    @media (max-width: 900px) {
      .fields {
        grid-template-columns: 1fr 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceFields {
  readonly body = input.required<PieceBody>();
  protected readonly draft = inject(PieceDraft);
  protected readonly screen = inject(PieceScreen);
  protected readonly settings = KILN_SETTINGS;
  protected readonly settingWords = SETTING_WORDS;
  protected readonly cones = CONES.map(({ cone }) => cone);

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  protected whole(value: number): number {
    return Math.max(1, Math.round(value));
  }
}
