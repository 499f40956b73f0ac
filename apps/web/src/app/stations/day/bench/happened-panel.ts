import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { PIECES_OFF, type DayItem, type DayStep } from '@cazuela/core';
import type { FieldOption } from '../../../ui/options';
import { NOW } from '../../../data/state/clock';
import { formatTime } from '../../../data/units/times';
import { NumberField } from '../../../ui/number-field';
import { SelectField } from '../../../ui/select-field';
import { DayScreen } from '../day-screen';
import { OFF_WORDS } from '../day-words';

type Happened = 'off' | 'split' | 'short' | 'away' | 'pause';

const KINDS: readonly (readonly [Happened, string])[] = [
  ['off', 'Dropped or cracked'],
  ['split', 'Some go another way'],
  ['short', 'A bucket is short'],
  ['away', 'Somebody leaves or comes'],
  ['pause', 'A pause'],
];

/** What happens on a day that no plan knew: each is said in two taps, and the plan mends itself. */
@Component({
  selector: 'cz-happened-panel',
  imports: [MatButton, NumberField, SelectField],
  template: `
    <h2 id="happened">Something happened?</h2>
    <div class="row" role="group" aria-labelledby="happened">
      @for (kind of kinds; track kind[0]) {
        <button type="button" matButton="outlined" [attr.aria-expanded]="open() === kind[0]" (click)="toggle(kind[0])">{{ kind[1] }}</button>
      }
    </div>
    @switch (open()) {
      @case ('off') {
        <div class="field-row">
          <cz-select label="Of which lot" [options]="lots()" [value]="lotId()" (changed)="lotId.set($event)" />
          <cz-number-field label="How many" [value]="count()" [least]="1" [most]="lot()?.count ?? 1" (changed)="count.set($event.value)" />
          @for (why of offs; track why) {
            <button type="button" matButton="outlined" [disabled]="!isCount()" (click)="off(why)">{{ offWords[why] }}</button>
          }
        </div>
        <p class="small quiet">The rest goes on. A cracked coat is washed off, and that pot dries until tomorrow.</p>
      }
      @case ('split') {
        <div class="field-row">
          <cz-select label="Of which lot" [options]="lots()" [value]="lotId()" (changed)="lotId.set($event)" />
          <cz-number-field
            label="How many of them"
            [value]="count()"
            [least]="1"
            [most]="(lot()?.count ?? 2) - 1"
            (changed)="count.set($event.value)"
          />
          <button type="button" matButton="outlined" [disabled]="!isPart()" (click)="split()">Make them a lot of their own</button>
        </div>
        <p class="small quiet">Both go on by themselves: ticked, timed and fired apart.</p>
      }
      @case ('short') {
        <div class="field-row">
          <cz-select label="Which bucket" [options]="buckets()" [value]="bucketId()" (changed)="bucketId.set($event)" />
          @if (isHere()) {
            <cz-number-field
              label="Pieces done before it ran out"
              [value]="count()"
              [least]="0"
              [most]="(item()?.count ?? 1) - 1"
              (changed)="count.set($event.value)"
            />
          }
          <button type="button" matButton="outlined" [disabled]="!bucketId()" (click)="short()">It is short</button>
        </div>
        <p class="small quiet">What wants it is planned for an hour from now; the others meanwhile.</p>
      }
      @case ('away') {
        <div class="row">
          @for (person of people(); track person.name) {
            @if (person.away) {
              <button type="button" matButton="outlined" (click)="back(person.name)">{{ person.name }} is back</button>
            } @else {
              <button type="button" matButton="outlined" (click)="away(person.name)">{{ person.name }} leaves</button>
              <button type="button" matButton="text" (click)="away(person.name, 60)">{{ person.name }} is away for an hour</button>
            }
          } @empty {
            <p class="quiet">Nobody is named: say under “Plan” who is there.</p>
          }
        </div>
      }
      @case ('pause') {
        <div class="row">
          @for (minutes of [15, 30, 60]; track minutes) {
            <button type="button" matButton="outlined" (click)="pause(minutes)">{{ minutes }} min for everybody</button>
          }
        </div>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 1.2rem;
    }
    .row {
      margin: 0.4rem 0;
      flex-wrap: wrap;
    }
    cz-select {
      width: 15rem;
    }
    cz-number-field {
      width: 11rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HappenedPanel {
  /** What hands are at. */
  readonly item = input<DayItem>();
  readonly step = input<DayStep>();
  private readonly screen = inject(DayScreen);
  private readonly now = inject(NOW);
  protected readonly kinds = KINDS;
  protected readonly offs = PIECES_OFF;
  protected readonly offWords = OFF_WORDS;
  protected readonly open = signal<Happened | ''>('');
  private readonly standing = computed(() => this.screen.state()?.standing);
  protected readonly lots = computed((): FieldOption[] =>
    (this.standing()?.lots ?? [])
      .filter(({ item }) => item.count > 0)
      .map(({ item }) => [item.id, `${item.code ? `${item.code}: ` : ''}${item.count} × ${item.name}`] as const),
  );
  protected readonly lotId = linkedSignal(() => this.item()?.id ?? this.lots()[0]?.[0] ?? '');
  protected readonly lot = computed(() => this.standing()?.lots.find(({ item }) => item.id === this.lotId())?.item);
  protected readonly count = signal<number | null>(1);
  protected readonly isCount = computed(() => Number.isInteger(this.count()) && this.count()! >= 1 && this.count()! <= (this.lot()?.count ?? 0));
  protected readonly isPart = computed(() => this.isCount() && this.count()! < (this.lot()?.count ?? 0));
  protected readonly buckets = computed((): FieldOption[] => {
    const steps = (this.standing()?.lots ?? []).flatMap(({ item, open }) => item.steps.slice(open));
    return [...new Map(steps.flatMap(({ bucketId, bucketName }) => (bucketId ? [[bucketId, bucketName ?? 'Glaze'] as const] : [])))];
  });
  protected readonly bucketId = linkedSignal(() => this.step()?.bucketId ?? this.buckets()[0]?.[0] ?? '');
  /** It ran out under these hands. */
  protected readonly isHere = computed(
    () => this.step()?.bucketId !== undefined && this.step()?.bucketId === this.bucketId() && (this.item()?.count ?? 0) > 1,
  );
  protected readonly people = computed(() =>
    this.screen.planning().people.map(({ name }) => ({ name, away: (this.standing()?.away.get(name) ?? 0) > this.now().getTime() })),
  );

  protected toggle(kind: Happened): void {
    this.open.update((open) => (open === kind ? '' : kind));
    this.count.set(kind === 'short' ? 0 : 1);
  }

  protected off(why: (typeof PIECES_OFF)[number]): void {
    const lot = this.lot();
    if (!lot || !this.isCount()) return;
    const count = this.count()!;
    this.screen.note(`${count} × ${lot.name}: ${OFF_WORDS[why]}`, { type: 'piecesOff', itemId: lot.id, count, why });
    this.open.set('');
  }

  protected split(): void {
    const lot = this.lot();
    if (!lot || !this.isPart()) return;
    this.screen.split(lot, this.count()!, `${this.count()} of ${lot.count} × ${lot.name} are a lot of their own`);
    this.open.set('');
  }

  /** In mid-lot, what is done is ticked, and the rest waits as a lot of its own. */
  protected short(): void {
    const [item, step, count] = [this.item(), this.step(), this.count() ?? 0];
    if (item && step && this.isHere() && count > 0 && count < item.count) {
      this.screen.split(item, item.count - count, `${item.count - count} × ${item.name} wait for the bucket`);
      this.screen.done(step);
    }
    const name = this.buckets().find(([id]) => id === this.bucketId())?.[1] ?? 'The bucket';
    this.screen.note(`${name} is short`, { type: 'bucketShort', bucketId: this.bucketId() });
    this.open.set('');
  }

  protected away(person: string, minutes?: number): void {
    const untilAt = minutes === undefined ? undefined : this.inMinutes(minutes);
    const words = untilAt ? `${person} is back at ${formatTime(untilAt)}` : `${person} leaves`;
    this.screen.note(words, { type: 'personAway', person, ...(untilAt ? { untilAt } : {}) });
    this.open.set('');
  }

  protected back(person: string): void {
    this.screen.note(`${person} is back`, { type: 'personBack', person });
    this.open.set('');
  }

  protected pause(minutes: number): void {
    const untilAt = this.inMinutes(minutes);
    this.screen.note(`A pause until ${formatTime(untilAt)}`, { type: 'paused', untilAt });
    this.open.set('');
  }

  private inMinutes(minutes: number): string {
    return new Date(this.now().getTime() + minutes * 60_000).toISOString();
  }
}
