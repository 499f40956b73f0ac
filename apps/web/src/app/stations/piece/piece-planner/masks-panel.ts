import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { layersOf, MOST_MASKS, tallMm, type FootBy, type Mask, type PiecePlan, type PieceShape, type Pot } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { NumberField } from '../../../parts/number-field';
import { round } from './board-handles';
import { EdgeField } from './edge-field';
import { PieceDraft } from './piece-draft';

/** What keeps glaze off, what takes it off again, and small pots of colour, slip and wash. */
@Component({
  selector: 'cz-masks-panel',
  imports: [EdgeField, NumberField],
  template: `
    <section aria-labelledby="masks">
      <h2 id="masks">Kept bare</h2>
      <div class="fields">
        <label class="named"
          >The foot is kept bare by<select (change)="draft.plan({ footBy: $any($event.target).value, order: [] })">
            @for (one of feet; track one[0]) {
              <option [value]="one[0]" [selected]="one[0] === (plan().footBy ?? 'wax')">{{ one[1] }}</option>
            }
          </select></label
        >
        <cz-edge-field label="Its edge" [edge]="plan().edges?.wax ?? { kind: 'straight' }" (changed)="footEdge($event)" />
      </div>
      @for (mask of masks(); track mask.id) {
        <fieldset>
          <legend class="visually-hidden">Mask {{ $index + 1 }}</legend>
          <div class="fields">
            <label class="named"
              >By<select (change)="change(mask, { kind: $any($event.target).value })">
                @for (one of kinds; track one[0]) {
                  <option [value]="one[0]" [selected]="one[0] === mask.kind">{{ one[1] }}</option>
                }
              </select></label
            >
            <label class="named"
              >Where<select (change)="change(mask, { where: $any($event.target).value })">
                @for (one of places(); track one[0]) {
                  <option [value]="one[0]" [selected]="one[0] === mask.where">{{ one[1] }}</option>
                }
              </select></label
            >
            @if (mask.where !== 'hole') {
              <cz-number-field
                label="From"
                hint="up"
                quantity="length"
                [decimals]="1"
                [value]="mask.fromMm"
                (changed)="$event.value !== null && change(mask, { fromMm: $event.value })"
              />
              <cz-number-field
                label="To"
                hint="up"
                quantity="length"
                [decimals]="1"
                [value]="mask.toMm"
                (changed)="$event.value !== null && change(mask, { toMm: $event.value })"
              />
              @if (mask.turn; as turn) {
                <cz-number-field
                  label="Round from"
                  unit="%"
                  [decimals]="0"
                  [value]="100 * turn.from"
                  [least]="0"
                  [most]="100"
                  (changed)="$event.value !== null && change(mask, { turn: { from: $event.value / 100, to: turn.to } })"
                />
                <cz-number-field
                  label="Round to"
                  unit="%"
                  [decimals]="0"
                  [value]="100 * turn.to"
                  [least]="0"
                  [most]="100"
                  (changed)="$event.value !== null && change(mask, { turn: { from: turn.from, to: $event.value / 100 } })"
                />
              }
              @if (mask.kind === 'wax' || mask.kind === 'tape') {
                <label class="named"
                  >Over<select (change)="change(mask, { overLayerId: $any($event.target).value || undefined })">
                    <option value="" [selected]="!mask.overLayerId">bare clay</option>
                    @for (layer of layers(); track layer.id) {
                      <option [value]="layer.id" [selected]="layer.id === mask.overLayerId">{{ layer.words }}</option>
                    }
                  </select></label
                >
              }
            }
          </div>
          <button type="button" class="press bare" (click)="remove(mask)">Take it away</button>
        </fieldset>
      }
      <div class="row">
        <button type="button" class="press quiet-press" [disabled]="masks().length >= most" (click)="add('band')">A line or band kept bare</button>
        @if (shape().holeMm) {
          <button type="button" class="press quiet-press" [disabled]="masks().length >= most || hasHole()" (click)="add('hole')">
            Tape the drain hole
          </button>
        }
      </div>
      <h2>Small pots</h2>
      <p class="quiet small">Underglaze, slip or wash that is no bucket here: name it, then choose it as a coat.</p>
      @for (pot of pots(); track pot.id) {
        <fieldset>
          <legend class="visually-hidden">Small pot {{ $index + 1 }}</legend>
          <div class="fields">
            <label class="named">Name<input maxlength="80" [value]="pot.name" (change)="named(pot, $any($event.target).value)" /></label>
            <label class="named"
              >It is<select (change)="changePot(pot, { stuff: $any($event.target).value })">
                @for (one of stuffs; track one[0]) {
                  <option [value]="one[0]" [selected]="one[0] === pot.stuff">{{ one[1] }}</option>
                }
              </select></label
            >
            <label class="named"
              >Colour<input type="color" class="colour" [value]="pot.colour" (change)="changePot(pot, { colour: $any($event.target).value })"
            /></label>
            @if (pot.stuff === 'slip') {
              <cz-number-field
                label="Shrinks"
                hint="wet to fired"
                unit="%"
                [value]="pot.shrinkagePercent"
                [least]="0"
                [most]="30"
                (changed)="changePot(pot, { shrinkagePercent: $event.value ?? undefined })"
              />
            } @else {
              <label class="named"
                >Coloured by<select (change)="changePot(pot, { colourant: $any($event.target).value })">
                  @for (one of colourants; track one[0]) {
                    <option [value]="one[0]" [selected]="one[0] === (pot.colourant ?? 'other')">{{ one[1] }}</option>
                  }
                </select></label
              >
            }
          </div>
          <button type="button" class="press bare" [disabled]="isUsed(pot)" (click)="removePot(pot)">Take {{ pot.name }} away</button>
        </fieldset>
      }
      <button type="button" class="press quiet-press" [disabled]="pots().length >= 12" (click)="addPot()">A small pot</button>
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 0.7rem;
      justify-items: start;
      > * {
        width: 100%;
      }
      > button {
        width: auto;
      }
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
      gap: 0.7rem;
      align-items: end;
    }
    cz-edge-field {
      grid-column: span 2;
    }
    fieldset {
      display: grid;
      gap: 0.4rem;
      justify-items: start;
      margin: 0;
      padding: 0.5rem 0;
      border: 0;
      border-top: 1px solid var(--line);
      > .fields {
        width: 100%;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MasksPanel {
  readonly plan = input.required<PiecePlan>();
  readonly shape = input.required<PieceShape>();
  readonly names = input.required<ReadonlyMap<string, string>>();
  protected readonly draft = inject(PieceDraft);
  protected readonly most = MOST_MASKS;
  protected readonly feet: readonly [FootBy, string][] = [
    ['wax', 'wax'],
    ['soak', 'soaking it in water'],
    ['tape', 'tape'],
    ['sponge', 'sponging it off after'],
  ];
  protected readonly kinds: readonly [Mask['kind'], string][] = [
    ['wax', 'wax'],
    ['tape', 'tape'],
    ['scrape', 'scraping back after'],
    ['sponge', 'sponging off after'],
  ];
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
  protected readonly masks = computed(() => this.plan().masks ?? []);
  protected readonly pots = computed(() => this.plan().pots ?? []);
  protected readonly hasHole = computed(() => this.masks().some((mask) => mask.where === 'hole'));
  protected readonly places = computed((): [Mask['where'], string][] => [
    ['band', 'all round'],
    ['panel', 'a part of the turn'],
    ...(this.shape().holeMm ? [['hole', 'the drain hole'] as [Mask['where'], string]] : []),
  ]);
  protected readonly layers = computed(() =>
    layersOf(this.plan()).map((layer) => ({
      id: layer.id,
      words: this.names().get(layer.bucketId) ?? this.pots().find((pot) => pot.id === layer.bucketId)?.name ?? 'a coat',
    })),
  );

  protected add(where: Mask['where']): void {
    const top = tallMm(this.shape());
    const mask: Mask = { id: uuid(), kind: where === 'hole' ? 'tape' : 'wax', where, fromMm: round(top * 0.5), toMm: round(top * 0.5 + 4) };
    this.draft.plan({ masks: [...this.masks(), mask], order: [] });
  }

  protected change(mask: Mask, change: Partial<Mask>): void {
    const turn = change.where === 'panel' ? { turn: { from: 0.9, to: 0.15 } } : change.where ? { turn: undefined } : {};
    this.draft.plan({ masks: this.masks().map((one) => (one.id === mask.id ? { ...one, ...change, ...turn } : one)), order: [] });
  }

  protected remove(mask: Mask): void {
    this.draft.plan({ masks: this.masks().filter((one) => one.id !== mask.id), order: [] });
  }

  protected footEdge(edge: NonNullable<NonNullable<PiecePlan['edges']>['wax']>): void {
    this.draft.plan({ edges: { ...this.plan().edges, wax: edge.kind === 'straight' ? undefined : edge } });
  }

  protected addPot(): void {
    const pot: Pot = { id: uuid(), name: `Colour ${this.pots().length + 1}`, colour: '#2b4f81', stuff: 'underglaze' };
    this.draft.plan({ pots: [...this.pots(), pot] });
  }

  protected named(pot: Pot, name: string): void {
    if (name.trim()) this.changePot(pot, { name: name.trim() });
  }

  /** What the pot holds is what its coats are of. */
  protected changePot(pot: Pot, change: Partial<Pot>): void {
    const pots = this.pots().map((one) => (one.id === pot.id ? { ...one, ...change } : one));
    this.draft.potChanged(pots, pot.id, change.stuff);
  }

  protected removePot(pot: Pot): void {
    this.draft.plan({ pots: this.pots().filter((one) => one.id !== pot.id) });
  }

  protected isUsed = (pot: Pot): boolean => layersOf(this.plan()).some((layer) => layer.bucketId === pot.id);
}
