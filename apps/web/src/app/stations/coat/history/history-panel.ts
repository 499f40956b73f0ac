import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { MatIcon } from '@angular/material/icon';
import { NumberField } from '../../../ui/number-field';
import type { Treatment, Question } from '../answer/coat-question';
import { CoatScreen } from '../coat-screen';
import { SelectField } from '../../../ui/select-field';
import { AutocompleteField } from '../../../ui/autocomplete-field';
import { Checkbox } from '../../../ui/checkbox';
import { Expansion } from '../../../ui/expansion';
import type { FieldOption } from '../../../ui/options';

/** A piece that was rinsed under the tap: share of what it can take up, a guess. */
const RINSED_SHARE = 0.25;
/** Half dry: the shine is gone, it can be touched. */
const HALF_DRY_MINUTES = 15;
const FACE_WORDS = { outside: 'the outside', inside: 'the inside', both: 'both faces' } as const;

/** What was done to the piece before this dip: all of it changes the water in its wall. */
@Component({
  selector: 'cz-history-panel',
  imports: [AutocompleteField, Checkbox, Expansion, MatButton, MatIcon, MatIconButton, MatTooltip, NumberField, SelectField],
  templateUrl: './history-panel.html',
  styles: `
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem;
      align-items: end;
      margin-bottom: 0.5rem;
      > * {
        min-width: 0;
      }
      cz-number-field {
        flex: 1 1 6rem;
      }
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem 0.6rem;
      margin: 0.3rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HistoryPanel {
  protected readonly screen = inject(CoatScreen);
  protected readonly faceWords = FACE_WORDS;
  /** Open when it has steps; closed only by a tap. */
  protected readonly shown = signal(this.screen.question().treatments.length > 0 || this.screen.question().firedUnder);
  protected readonly treatments = computed(() => this.screen.question().treatments);
  protected readonly said = computed(() => {
    const count = this.treatments().length;
    if (this.screen.question().firedUnder) return 'On a fired glaze';
    return count === 0 ? 'Already wet or glazed? Say how' : `After ${count} ${count === 1 ? 'step' : 'steps'}`;
  });
  protected readonly bucketOptions = computed((): FieldOption[] => this.screen.buckets().map((one) => [one.id, one.body.name] as const));
  protected readonly airs = [
    ['usual', 'usual air'],
    ['damp', 'a damp room'],
    ['draught', 'draught or warmth'],
  ] as const;

  protected add(...treatments: Treatment[]): void {
    this.set([...this.treatments(), ...treatments]);
  }

  protected edit(index: number, treatment: Treatment): void {
    this.set(this.treatments().map((one, at) => (at === index ? treatment : one)));
  }

  protected remove(index: number): void {
    this.set(this.treatments().filter((_, at) => at !== index));
  }

  protected insideFirst(): void {
    this.screen.change({ face: 'outside' });
    this.add(this.dipped('inside'), { kind: 'waited', minutes: 45, air: 'usual' });
  }

  protected secondCoat(): void {
    this.add(this.dipped(this.screen.question().face), { kind: 'waited', minutes: HALF_DRY_MINUTES, air: 'usual' });
  }

  protected rinsed(): void {
    this.add({ kind: 'wetted', share: RINSED_SHARE }, { kind: 'waited', minutes: 10, air: 'usual' });
  }

  private dipped(face: Question['face']): Treatment {
    const seconds = Number((this.screen.wantedSeconds() ?? this.screen.question().seconds ?? 3).toFixed(1));
    return { kind: 'dipped', face, seconds, bucketId: this.screen.bucket()?.id ?? '' };
  }

  private set(treatments: Treatment[]): void {
    this.screen.change({ treatments });
  }
}
