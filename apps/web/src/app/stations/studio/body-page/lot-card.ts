import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import type { BisqueLot } from '@cazuela/contract';
import { attempt, CONES, readThirstTest, wallSuctionGuess, type ThirstTest } from '@cazuela/core';
import { formatWhen } from '../../../data/times';
import { Units } from '../../../data/units';
import { NumberField } from '../../../parts/number-field';
import { ThirstBench } from './thirst-bench';

/** One bisque firing of a body: the cone it reached, its wall, and how thirsty it proved in water. */
@Component({
  selector: 'cz-lot-card',
  imports: [MatIcon, NumberField, ThirstBench],
  template: `
    <div class="lot">
      <label class="named">Lot<input maxlength="80" [value]="lot().name" (input)="change({ name: text($event) })" /></label>
      <label class="named"
        >Cone it reached<select (change)="change({ bisqueCone: text($event) })">
          @for (cone of cones; track cone.cone) {
            <option [selected]="cone.cone === lot().bisqueCone">{{ cone.cone }}</option>
          }
        </select></label
      >
      <cz-number-field
        label="Wall"
        quantity="length"
        [decimals]="1"
        [value]="lot().wallMm ?? bodyWallMm() ?? null"
        [least]="1"
        [most]="60"
        (changed)="change({ wallMm: $event.value ?? undefined })"
      />
      @if (!lot().thirst) {
        <cz-number-field
          label="Drinks, if weighed"
          unit="%"
          [value]="lot().absorptionPercent ?? null"
          [least]="0"
          [most]="40"
          (changed)="change({ absorptionPercent: $event.value ?? undefined })"
        />
      }
      <button type="button" class="press bare" [attr.aria-label]="'Take out ' + lot().name" (click)="removed.emit()">
        <mat-icon svgIcon="close" aria-hidden="true" />
      </button>
    </div>
    <p class="quiet small">{{ when(lot().at) }}. {{ thirst() }}</p>
    @if (testing()) {
      <cz-thirst-bench [lotName]="lot().name" [start]="lot().thirst" (kept)="keepTest($event)" (left)="testing.set(false)" />
    } @else {
      <p class="row">
        <button type="button" class="press quiet-press" (click)="testing.set(true)">Thirst test in water</button>
        @if (lot().thirst) {
          <button type="button" class="press bare" (click)="change({ thirst: undefined })">Forget the test</button>
        }
      </p>
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 0.6rem 0;
      border-bottom: 1px solid var(--line);
    }
    .lot {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
      gap: 0.8rem;
      align-items: end;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LotCard {
  readonly lot = input.required<BisqueLot>();
  readonly bodyWallMm = input<number>();
  readonly changed = output<BisqueLot>();
  readonly removed = output<void>();
  private readonly units = inject(Units);
  protected readonly cones = CONES;
  protected readonly when = formatWhen;
  protected readonly testing = signal(false);
  protected readonly thirst = computed(() => {
    const { thirst, bisqueCone } = this.lot();
    const read = thirst && attempt(() => readThirstTest(thirst));
    if (!read) return 'Its thirst is a starting guess from its cone.';
    if (read.kind === 'refused') return read.error.message;
    const { wallSuction, absorptionPercent, waterMm } = read.value;
    const against = wallSuction / wallSuctionGuess({ bisqueCone });
    const said = against > 1.1 ? 'thirstier than' : against < 0.9 ? 'less thirsty than' : 'as thirsty as';
    return `Tested in water: drinks ${this.units.percent(absorptionPercent)}, ${waterMm.toFixed(2)} mm in all, suction ${wallSuction.toFixed(3)} mm²/s, ${said} cone ${bisqueCone} usually is.`;
  });

  protected change(change: { [Key in keyof BisqueLot]?: BisqueLot[Key] | undefined }): void {
    this.changed.emit(Object.fromEntries(Object.entries({ ...this.lot(), ...change }).filter(([, value]) => value !== undefined)) as BisqueLot);
  }

  protected keepTest(thirst: ThirstTest): void {
    this.change({ thirst });
    this.testing.set(false);
  }

  protected text(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }
}
