import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { layersOf, type PiecePlan, type DecoratingColour } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { NumberField } from '../../../../parts/number-field';
import { PieceDraft } from '../piece-draft';

const MOST_POTS = 12;

/** Small pots of underglaze, slip and wash: what is no bucket of the studio, with what it is. */
@Component({
  selector: 'cz-decorating-colours-panel',
  imports: [NumberField],
  template: `
    <section aria-labelledby="decorating-colours">
      <h2 id="decorating-colours">Small pots</h2>
      <p class="quiet small">Underglaze, slip or wash that is no bucket here: name it, then choose it as a coat.</p>
      @for (decorating of decoratingColours(); track decorating.id) {
        <fieldset>
          <legend class="visually-hidden">Small pot {{ $index + 1 }}</legend>
          <div class="fields">
            <label class="named"
              >Name<input maxlength="80" [value]="decorating.name" (change)="named(decorating, $any($event.target).value)"
            /></label>
            <label class="named"
              >It is<select (change)="change(decorating, { coatingKind: $any($event.target).value })">
                @for (one of coatingKinds; track one[0]) {
                  <option [value]="one[0]" [selected]="one[0] === decorating.coatingKind">{{ one[1] }}</option>
                }
              </select></label
            >
            <label class="named"
              >Colour<input
                type="color"
                class="colour"
                [value]="decorating.colour"
                (change)="change(decorating, { colour: $any($event.target).value })"
            /></label>
            @if (decorating.coatingKind === 'slip') {
              <cz-number-field
                label="Shrinks"
                hint="wet to fired"
                unit="%"
                [value]="decorating.shrinkagePercent"
                [least]="0"
                [most]="30"
                (changed)="change(decorating, { shrinkagePercent: $event.value ?? undefined })"
              />
            } @else {
              <label class="named"
                >Coloured by<select (change)="change(decorating, { colourant: $any($event.target).value })">
                  @for (one of colourants; track one[0]) {
                    <option [value]="one[0]" [selected]="one[0] === (decorating.colourant ?? 'other')">{{ one[1] }}</option>
                  }
                </select></label
              >
            }
          </div>
          <button type="button" class="press bare" [disabled]="isUsed(decorating)" (click)="remove(decorating)">
            Take {{ decorating.name }} away
          </button>
        </fieldset>
      }
      <button type="button" class="press quiet-press" [disabled]="decoratingColours().length >= most" (click)="add()">A small pot</button>
    </section>
  `,
  styleUrl: './kept-bare.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DecoratingColoursPanel {
  readonly plan = input.required<PiecePlan>();
  private readonly draft = inject(PieceDraft);
  protected readonly most = MOST_POTS;
  protected readonly coatingKinds: readonly [DecoratingColour['coatingKind'], string][] = [
    ['underglaze', 'underglaze'],
    ['slip', 'slip'],
    ['stain', 'a stain or oxide wash'],
  ];
  protected readonly colourants: readonly [NonNullable<DecoratingColour['colourant']>, string][] = [
    ['other', 'something else'],
    ['chromeGreen', 'chrome green'],
    ['chromeTinPink', 'chrome-tin pink'],
    ['encapsulated', 'an encapsulated stain'],
  ];
  protected readonly decoratingColours = computed(() => this.plan().decoratingColours ?? []);

  protected add(): void {
    const decoratingColour: DecoratingColour = {
      id: uuid(),
      name: `Colour ${this.decoratingColours().length + 1}`,
      colour: '#2b4f81',
      coatingKind: 'underglaze',
    };
    this.draft.plan({ decoratingColours: [...this.decoratingColours(), decoratingColour] });
  }

  protected named(decoratingColour: DecoratingColour, name: string): void {
    if (name.trim()) this.change(decoratingColour, { name: name.trim() });
  }

  /** What the pot holds is what its coats are of. */
  protected change(decoratingColour: DecoratingColour, change: Partial<DecoratingColour>): void {
    const decoratingColours = this.decoratingColours().map((one) => (one.id === decoratingColour.id ? { ...one, ...change } : one));
    this.draft.decoratingColourChanged(decoratingColours, decoratingColour.id, change.coatingKind);
  }

  protected remove(decoratingColour: DecoratingColour): void {
    this.draft.plan({ decoratingColours: this.decoratingColours().filter((one) => one.id !== decoratingColour.id) });
  }

  protected isUsed = (decoratingColour: DecoratingColour): boolean => layersOf(this.plan()).some((layer) => layer.bucketId === decoratingColour.id);
}
