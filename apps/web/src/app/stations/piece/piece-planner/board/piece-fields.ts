import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { PieceBody } from '@cazuela/contract';
import { CONES, KILN_SETTINGS } from '@cazuela/core';
import { NumberField } from '../../../../parts/number-field';
import { PieceDraft } from '../piece-draft';
import { PieceScreen } from '../piece-screen';
import { SETTING_WORDS } from '../piece-words';

/** What a piece is made of, how many there are, how far the foot and rim go, and where it stands in the kiln. */
@Component({
  selector: 'cz-piece-fields',
  imports: [NumberField],
  template: `
    <div class="fields">
      <label class="named"
        >Clay body<select (change)="draft.change({ bodyId: text($event), lotId: undefined })">
          @for (one of screen.bodies(); track one.id) {
            <option [value]="one.id" [selected]="one.id === body().bodyId">{{ one.name }}</option>
          }
        </select></label
      >
      @if ((screen.clay()?.lots?.length ?? 0) > 1) {
        <label class="named"
          >Bisque lot<select (change)="draft.change({ lotId: text($event) || undefined })">
            <option value="" [selected]="!body().lotId">the newest</option>
            @for (lot of screen.clay()?.lots; track lot.id) {
              <option [value]="lot.id" [selected]="lot.id === body().lotId">{{ lot.name }}, cone {{ lot.bisqueCone }}</option>
            }
          </select></label
        >
      }
      <cz-number-field
        label="How many"
        [value]="body().count"
        [decimals]="0"
        [least]="1"
        [most]="500"
        (changed)="$event.value && draft.change({ count: whole($event.value) })"
      />
      <label class="named"
        >Cone<select (change)="draft.plan({ cone: text($event) })">
          @for (one of cones; track one) {
            <option [selected]="one === (body().plan.cone ?? '6')">{{ one }}</option>
          }
        </select></label
      >
      <cz-number-field
        label="Wax up the foot"
        quantity="length"
        [value]="body().plan.waxFootMm"
        [decimals]="1"
        [least]="0"
        [most]="500"
        (changed)="$event.value !== null && draft.plan({ waxFootMm: $event.value })"
      />
      <cz-number-field
        label="Rim band"
        quantity="length"
        [value]="body().plan.rimBandMm"
        [decimals]="1"
        [least]="0"
        [most]="500"
        (changed)="$event.value !== null && draft.plan({ rimBandMm: $event.value })"
      />
      <label class="named"
        >In the kiln<select (change)="draft.plan({ setting: $any(text($event)) })">
          @for (one of settings; track one) {
            <option [value]="one" [selected]="one === (body().plan.setting ?? 'shelf')">{{ settingWords[one] }}</option>
          }
        </select></label
      >
      <label class="check wide"
        ><input type="checkbox" [checked]="body().plan.refire" (change)="draft.plan({ refire: $any($event.target).checked || undefined })" />glazed
        and fired before</label
      >
    </div>
  `,
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
