import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { attempt, volumeAtDepth } from '@cazuela/core';
import { Units } from '../../../../data/units/units';
import { NumberField, type TypedNumber } from '../../../../ui/number-field';
import { BucketScreen } from '../bucket-screen';
import { Sure } from '../../../../ui/sure';

/** How much is in it: by litres, or by a dipstick where its inner sizes are known. */
@Component({
  selector: 'cz-level-form',
  imports: [MatButton, NumberField, Sure],
  template: `
    <form class="stack" (submit)="$event.preventDefault(); sure.mayGoOn() && keepLitres()">
      <cz-number-field label="It holds" quantity="bigVolume" [value]="litres().value" [least]="1" (changed)="litres.set($event)" />
      <cz-sure #sure [odd]="odd()" [about]="litres()" />
      <button matButton="outlined" type="submit" [disabled]="!sure.mayGoOn()">Keep the level</button>
    </form>
    @if (shape()) {
      <form class="stack" (submit)="$event.preventDefault(); keepDepth()">
        <cz-number-field
          label="Dipstick is wet"
          quantity="length"
          [hint]="fromDepth()?.kind === 'ok' ? words() : ''"
          [value]="depth()"
          [least]="1"
          [errorMessage]="fieldError()"
          (changed)="depth.set($event.value)"
        /><button matButton="outlined" type="submit" [disabled]="fromDepth()?.kind !== 'ok'">Keep the depth</button>
      </form>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
      gap: 1.2rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LevelForm {
  private readonly screen = inject(BucketScreen);
  private readonly units = inject(Units);
  protected readonly litres = signal<TypedNumber>({ value: null });
  protected readonly depth = signal<number | null>(null);
  /** More than goes in. */
  protected readonly odd = computed(() => {
    const [value, capacityMl] = [this.litres().value, this.screen.bucket()?.body.capacityMl ?? Infinity];
    return value !== null && value > capacityMl
      ? `This bucket holds ${this.units.litres(capacityMl)} to the brim: is the amount right, or its unit?`
      : undefined;
  });
  protected readonly shape = computed(() => this.screen.bucket()?.body.shape);
  protected readonly fromDepth = computed(() => {
    const [shape, depthMm] = [this.shape(), this.depth()];
    return shape && depthMm ? attempt(() => volumeAtDepth({ shape, depthMm })) : undefined;
  });
  protected readonly fieldError = computed(() => {
    const asked = this.fromDepth();
    return asked?.kind === 'refused' ? asked.error.message : undefined;
  });
  protected readonly words = computed(() => {
    const asked = this.fromDepth();
    return asked?.kind === 'ok' ? `that is ${this.units.litres(asked.value)}` : '';
  });

  protected keepLitres(): void {
    const { value, entered } = this.litres();
    if (value === null || value <= 0) return;
    this.screen.note({ type: 'volumeMeasured', volumeMl: value, ...(entered ? { entered } : {}) });
    this.litres.set({ value: null });
  }

  protected keepDepth(): void {
    const asked = this.fromDepth();
    const depthMm = this.depth();
    if (asked?.kind !== 'ok' || asked.value <= 0 || depthMm === null) return;
    this.screen.note({ type: 'volumeMeasured', volumeMl: asked.value, depthMm });
    this.depth.set(null);
  }
}
