import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { Router } from '@angular/router';
import { attempt, baseToDilute, stainToRaise, USUAL_STAIN_PERCENT, waterToRestoreSg, type BucketPart } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../data/mutation';
import { StudioApi } from '../../../data/studio-api';
import { StudioStore } from '../../../data/studio-store';
import { Units } from '../../../data/units';
import { Choice } from '../../../parts/choice';
import { NumberField, type TypedNumber } from '../../../parts/number-field';
import { ErrorBanner } from '../../../parts/error-banner';
import { BucketScreen } from './bucket-screen';

/** Below this a percentage is the one the bucket has already. */
const SAME_PERCENT = 0.005;

/** Stain the bucket or part of it, raise it, or rescue it by adding base; always with the water that restores the SG. */
@Component({
  selector: 'cz-stain-panel',
  imports: [NumberField, Choice, ErrorBanner],
  template: `
    @if (screen.contents(); as inside) {
      <div class="fields">
        <label class="named"
          >Stain<select (change)="powderId.set($any($event.target).value)">
            @for (powder of stains(); track powder.id) {
              <option [value]="powder.id" [selected]="powder.id === stain()?.id">{{ powder.name }}</option>
            }
          </select></label
        >
        <cz-number-field
          label="Percent of the dry base"
          [hint]="'now ' + units.percent(inside.stainPercent)"
          unit="%"
          [value]="percent()"
          [least]="0"
          [most]="100"
          [errorMessage]="fieldError()"
          (changed)="percent.set($event.value)"
        />
        <cz-choice label="Of" [options]="shares" [value]="share()" (changed)="share.set($event)" />
        @if (share() === 'part') {
          <cz-number-field
            label="Pour off"
            quantity="bigVolume"
            [value]="partMl().value"
            [least]="10"
            [most]="inside.volumeMl"
            (changed)="partMl.set($event)"
          />
        }
      </div>
      @if (share() === 'part') {
        <p>It is poured into a bucket of its own first, stirred; what is left here stays plain.</p>
        <button type="button" class="press" [disabled]="partMl().value === null || splitting.busy() || screen.isWaiting()" (click)="split()">
          Poured into a new bucket
        </button>
        <cz-error-banner [failure]="splitting.failure()?.problem?.detail" (again)="split()" />
      } @else if (work(); as it) {
        @if (it.kind === 'ok') {
          @switch (it.value.kind) {
            @case ('same') {
              <p class="quiet">The bucket holds that percentage already.</p>
            }
            @case ('add') {
              <p class="does" role="status">
                Add <strong class="figure">{{ units.mass(it.value.grams) }}</strong> of {{ stain()!.name }}. That thickens it to
                {{ units.sg(it.value.restored.sgAfterStain) }};
                <strong class="figure">{{ units.millilitres(water(it.value.restored.addWaterGrams)) }}</strong> of water bring it back to
                {{ units.sg(screen.targetSg()) }}, {{ units.litres(it.value.restored.volumeMl) }} in all.
              </p>
              @if (inside.stainGrams === 0 && percent()! > usual.least * 3) {
                <p class="look small">
                  Start low: stain cannot be taken out. Usual is {{ usual.least }}–{{ usual.most }} %; add a third, dip a tile, then the rest.
                </p>
              }
              <p class="small quiet">Respirator on for the powder; {{ stain()!.hazards.join('; ') || 'its data sheet comes first' }}.</p>
              <div class="row">
                <button type="button" class="press" (click)="addStain(it.value.grams)">{{ units.mass(it.value.grams) }} of stain went in</button>
                <button
                  type="button"
                  class="press quiet-press"
                  [disabled]="it.value.restored.addWaterGrams <= 0"
                  (click)="addStain(it.value.grams, it.value.restored.addWaterGrams)"
                >
                  Stain and water went in
                </button>
              </div>
            }
            @case ('rescue') {
              <p class="does" role="status">
                Stain cannot be taken out: add <strong class="figure">{{ units.mass(it.value.grams) }}</strong> of dry base to come down to
                {{ units.percent(percent()!) }}, then water to the SG.
                @if (it.value.overflows) {
                  <span class="look"> That is more than this bucket holds: pour part off first.</span>
                }
              </p>
              <table class="sheet small">
                @for (part of it.value.parts; track part.powderId) {
                  <tr>
                    <td>{{ part.name }}</td>
                    <td class="num">{{ units.mass(part.grams) }}</td>
                  </tr>
                }
              </table>
              <p class="small quiet">Respirator on for the powder.</p>
              <button type="button" class="press" (click)="rescue(it.value.parts)">The base went in</button>
            }
          }
        }
      }
    }
  `,
  styles: `
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
      gap: 1rem;
      align-items: end;
    }
    .does {
      margin: 0.8rem 0 0.5rem;
      font-size: 1.1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StainPanel {
  /** Carried along from the bucket the part was poured from. */
  readonly startPercent = input<string>();
  private readonly api = inject(StudioApi);
  private readonly store = inject(StudioStore);
  private readonly router = inject(Router);
  protected readonly screen = inject(BucketScreen);
  protected readonly units = inject(Units);
  protected readonly shares = [
    ['all', 'all of it'],
    ['part', 'a part'],
  ] as const;
  protected readonly splitting = createMutation();
  protected readonly usual = USUAL_STAIN_PERCENT;
  protected readonly powderId = signal<string | undefined>(undefined);
  protected readonly percent = linkedSignal<number | null>(() =>
    this.startPercent() && Number.isFinite(Number(this.startPercent())) ? Number(this.startPercent()) : 2,
  );
  protected readonly share = signal<'all' | 'part'>('all');
  protected readonly partMl = signal<TypedNumber>({ value: null });
  protected readonly stains = computed(() => this.screen.powders().filter((powder) => powder.role === 'colourant'));
  /** What the bucket is stained with already, else the first stain on the shelf. */
  protected readonly stain = computed(() => {
    const held = this.screen.contents()?.parts.find((part) => part.part === 'stain')?.powderId;
    const id = this.powderId() ?? held;
    return this.stains().find((powder) => powder.id === id) ?? this.stains().find((powder) => /stain/i.test(powder.name)) ?? this.stains()[0];
  });
  protected readonly work = computed(() => {
    const inside = this.screen.contents();
    const stain = this.stain();
    const target = this.percent();
    if (!inside || !stain || target === null) return undefined;
    return attempt(() => {
      if (Math.abs(target - inside.stainPercent) < SAME_PERCENT) return { kind: 'same' } as const;
      if (target < inside.stainPercent) {
        const grams = baseToDilute({ baseDryGrams: inside.baseDryGrams, stainGrams: inside.stainGrams, targetPercent: target });
        const parts = inside.parts
          .filter((part) => part.part === 'base')
          .map((part): BucketPart => ({ ...part, grams: (part.grams * grams) / inside.baseDryGrams }));
        return {
          kind: 'rescue',
          grams,
          parts,
          overflows: inside.volumeMl * (1 + grams / inside.dryGrams) > this.screen.bucket()!.body.capacityMl,
        } as const;
      }
      const grams = stainToRaise({ baseDryGrams: inside.baseDryGrams, percent: inside.stainPercent, targetPercent: target });
      const restored = waterToRestoreSg({ ...inside, stainGrams: grams, stainDensity: stain.densityGMl, targetSg: this.screen.targetSg() });
      return { kind: 'add', grams, restored } as const;
    });
  });
  protected readonly fieldError = computed(() => {
    const work = this.work();
    return work?.kind === 'refused' ? work.error.message : undefined;
  });

  /** A stained bucket still thinner than wanted needs no water. */
  protected water(grams: number): number {
    return Math.max(0, grams);
  }

  protected addStain(grams: number, waterGrams = 0): void {
    const stain = this.stain()!;
    this.screen.note({
      type: 'powderAdded',
      reason: 'stain',
      parts: [{ powderId: stain.id, name: stain.name, part: 'stain', grams, density: stain.densityGMl }],
    });
    const water = Math.round(waterGrams);
    if (water > 0) this.screen.note({ type: 'waterAdded', grams: water, entered: { value: water, unit: 'mL' } });
  }

  protected rescue(parts: BucketPart[]): void {
    this.screen.note({ type: 'powderAdded', reason: 'rescue', parts });
  }

  protected split(): void {
    const bucket = this.screen.bucket()!;
    const { value, entered } = this.partMl();
    if (value === null) return;
    const split = {
      newBucketId: uuid(),
      takenEventId: uuid(),
      filledEventId: uuid(),
      at: new Date().toISOString(),
      by: this.store.by(),
      name: `${bucket.body.name}, stained`.slice(0, 80),
      takenMl: value,
      ...(entered ? { entered } : {}),
    };
    this.splitting.run(
      this.api.splitBucket(bucket.id, split),
      (made) => void this.router.navigate(['/bucket', made.id], { queryParams: { stain: this.percent() } }),
    );
  }
}
