import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { replayBucket } from '@cazuela/core';
import type { NewEvent } from '../../../../data/offline/bench-log';
import { Units } from '../../../../data/units/units';
import { AutocompleteField } from '../../../../ui/autocomplete-field';
import { Choice } from '../../../../ui/choice';
import { NumberField, type TypedNumber } from '../../../../ui/number-field';
import type { FieldOption } from '../../../../ui/options';
import { BucketScreen } from '../bucket-screen';
import { Sure } from '../../../../ui/sure';

const KINDS = [
  ['water', 'water in'],
  ['waterOff', 'water off'],
  ['powder', 'powder in'],
  ['used', 'glaze used'],
  ['lost', 'glaze lost'],
] as const;
type Kind = (typeof KINDS)[number][0];
/** An SG above this is a paste, not a glaze: the amount or its unit is asked about. */
const PASTE_SG = 1.8;

/** What was put in or taken out by somebody's own measure. It says what the bucket then holds, and asks about what cannot be. */
@Component({
  selector: 'cz-amounts-panel',
  imports: [AutocompleteField, Choice, MatButton, NumberField, Sure],
  templateUrl: './amounts-panel.html',
  styles: `
    button[type='submit'] {
      justify-self: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AmountsPanel {
  private readonly screen = inject(BucketScreen);
  private readonly units = inject(Units);
  protected readonly kinds = KINDS;
  protected readonly kind = signal<Kind>('water');
  protected readonly powderId = signal<string | undefined>(undefined);
  protected readonly amount = linkedSignal<Kind, TypedNumber>({ source: this.kind, computation: () => ({ value: null }) });
  protected readonly powderOptions = computed((): FieldOption[] => this.screen.powders().map(({ id, name }) => [id, name]));
  protected readonly powder = computed(() => this.screen.powders().find((one) => one.id === this.powderId()));
  protected readonly event = computed((): NewEvent<'bucket'> | undefined => {
    const { value, entered } = this.amount();
    if (value === null || value <= 0) return undefined;
    const kind = this.kind();
    if (kind === 'used' || kind === 'lost') return { type: 'glazeTaken', millilitres: value, reason: kind === 'used' ? 'other' : 'waste' };
    if (kind !== 'powder') return { type: kind === 'water' ? 'waterAdded' : 'waterPouredOff', grams: value, ...(entered ? { entered } : {}) };
    const powder = this.powder();
    if (!powder) return undefined;
    const { id: powderId, name, densityGMl: density } = powder;
    const isThere = this.screen.contents()?.parts.find((part) => part.powderId === powderId && part.part !== 'stain');
    return { type: 'powderAdded', reason: 'thicken', parts: [{ powderId, name, part: isThere?.part ?? 'addition', grams: value, density }] };
  });
  private readonly after = computed(() => {
    const event = this.event();
    const head = { id: 'asked', at: this.screen.nowAt(), by: '' };
    const replay = event && replayBucket({ events: [...this.screen.events(), { ...head, ...event }] });
    return replay?.kind === 'ok' ? replay.contents : undefined;
  });
  protected readonly becomes = computed(() => {
    const after = this.after();
    return after ? `It then holds ${this.units.litres(after.volumeMl)} at ${this.units.sg(after.sg)}.` : '';
  });
  /** What cannot be, or hardly; undefined when nothing speaks against it. */
  protected readonly odd = computed(() => {
    const [event, contents, bucket, after] = [this.event(), this.screen.contents(), this.screen.bucket(), this.after()];
    if (!event || !contents || !bucket) return undefined;
    const { volumeMl, waterGrams } = contents;
    if (event.type === 'glazeTaken' && event.millilitres > volumeMl) return `Only ${this.units.litres(volumeMl)} are in it by the records.`;
    if (event.type === 'waterPouredOff' && event.grams > waterGrams)
      return `Only ${this.units.litres(waterGrams)} of its water are in it by the records.`;
    if (after && after.volumeMl > bucket.body.capacityMl)
      return `${this.becomes()} That is more than its ${this.units.litres(bucket.body.capacityMl)}: is the amount right, or its unit?`;
    if (after && after.sg > PASTE_SG) return `${this.becomes()} That is a paste: is the amount right, or its unit?`;
    return undefined;
  });

  protected keep(): void {
    const event = this.event();
    if (!event) return;
    this.screen.note(event);
    this.amount.set({ value: null });
  }
}
