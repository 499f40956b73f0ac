import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { PieceBody } from '@cazuela/contract';
import { KILN_SETTINGS } from '@cazuela/core';
import { NumberField } from '../../../../ui/number-field';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';
import { SETTING_WORDS } from '../piece-words';
import { SelectField } from '../../../../ui/select-field';
import { Checkbox } from '../../../../ui/checkbox';
import { CONE_OPTIONS } from '../../../../data/units/cone-options';
import type { FieldOption } from '../../../../ui/options';

/** What a piece is made of, how many there are, how high foot and rim go, and how it stands in the kiln. */
@Component({
  selector: 'cz-piece-fields',
  imports: [Checkbox, NumberField, SelectField],
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
  protected readonly clayBodyOptions = computed((): FieldOption[] => this.screen.bodies().map((one) => [one.id, one.name] as const));
  protected readonly bisqueLotOptions = computed((): FieldOption[] => [
    ['', 'the newest'],
    ...(this.screen.clay()?.lots ?? []).map((lot) => [lot.id, `${lot.name}, cone ${lot.bisqueCone}`] as const),
  ]);
  protected readonly cones = CONE_OPTIONS;
  protected readonly settings = KILN_SETTINGS.map((setting) => [setting, SETTING_WORDS[setting]] as const);

  protected whole(value: number): number {
    return Math.max(1, Math.round(value));
  }
}
