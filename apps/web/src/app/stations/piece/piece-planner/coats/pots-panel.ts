import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { layersOf, type PiecePlan, type Pot } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { NumberField } from '../../../../parts/number-field';
import { PieceDraft } from '../piece-draft';

const MOST_POTS = 12;

/** Small pots of underglaze, slip and wash: what is no bucket of the studio, with what it is. */
@Component({
  selector: 'cz-pots-panel',
  imports: [NumberField],
  template: `
    <section aria-labelledby="pots">
      <h2 id="pots">Small pots</h2>
      <p class="quiet small">Underglaze, slip or wash that is no bucket here: name it, then choose it as a coat.</p>
      @for (pot of pots(); track pot.id) {
        <fieldset>
          <legend class="visually-hidden">Small pot {{ $index + 1 }}</legend>
          <div class="fields">
            <label class="named">Name<input maxlength="80" [value]="pot.name" (change)="named(pot, $any($event.target).value)" /></label>
            <label class="named"
              >It is<select (change)="change(pot, { stuff: $any($event.target).value })">
                @for (one of stuffs; track one[0]) {
                  <option [value]="one[0]" [selected]="one[0] === pot.stuff">{{ one[1] }}</option>
                }
              </select></label
            >
            <label class="named"
              >Colour<input type="color" class="colour" [value]="pot.colour" (change)="change(pot, { colour: $any($event.target).value })"
            /></label>
            @if (pot.stuff === 'slip') {
              <cz-number-field
                label="Shrinks"
                hint="wet to fired"
                unit="%"
                [value]="pot.shrinkagePercent"
                [least]="0"
                [most]="30"
                (changed)="change(pot, { shrinkagePercent: $event.value ?? undefined })"
              />
            } @else {
              <label class="named"
                >Coloured by<select (change)="change(pot, { colourant: $any($event.target).value })">
                  @for (one of colourants; track one[0]) {
                    <option [value]="one[0]" [selected]="one[0] === (pot.colourant ?? 'other')">{{ one[1] }}</option>
                  }
                </select></label
              >
            }
          </div>
          <button type="button" class="press bare" [disabled]="isUsed(pot)" (click)="remove(pot)">Take {{ pot.name }} away</button>
        </fieldset>
      }
      <button type="button" class="press quiet-press" [disabled]="pots().length >= most" (click)="add()">A small pot</button>
    </section>
  `,
  styleUrl: './kept-bare.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PotsPanel {
  readonly plan = input.required<PiecePlan>();
  private readonly draft = inject(PieceDraft);
  protected readonly most = MOST_POTS;
  protected readonly stuffs: readonly [Pot['stuff'], string][] = [
    ['underglaze', 'underglaze'],
    ['slip', 'slip'],
    ['stain', 'a stain or oxide wash'],
  ];
  protected readonly colourants: readonly [NonNullable<Pot['colourant']>, string][] = [
    ['other', 'something else'],
    ['chromeGreen', 'chrome green'],
    ['chromeTinPink', 'chrome-tin pink'],
    ['encapsulated', 'an encapsulated stain'],
  ];
  protected readonly pots = computed(() => this.plan().pots ?? []);

  protected add(): void {
    const pot: Pot = { id: uuid(), name: `Colour ${this.pots().length + 1}`, colour: '#2b4f81', stuff: 'underglaze' };
    this.draft.plan({ pots: [...this.pots(), pot] });
  }

  protected named(pot: Pot, name: string): void {
    if (name.trim()) this.change(pot, { name: name.trim() });
  }

  /** What the pot holds is what its coats are of. */
  protected change(pot: Pot, change: Partial<Pot>): void {
    const pots = this.pots().map((one) => (one.id === pot.id ? { ...one, ...change } : one));
    this.draft.potChanged(pots, pot.id, change.stuff);
  }

  protected remove(pot: Pot): void {
    this.draft.plan({ pots: this.pots().filter((one) => one.id !== pot.id) });
  }

  protected isUsed = (pot: Pot): boolean => layersOf(this.plan()).some((layer) => layer.bucketId === pot.id);
}
