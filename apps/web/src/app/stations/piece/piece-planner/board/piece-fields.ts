import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { PieceBody } from '@cazuela/contract';
import { KILN_SETTINGS, notRefired, refired, USUAL_HOLD_MINUTES, type PlanFiring } from '@cazuela/core';
import { COOLING_WORDS, PLACE_WORDS, USUAL_FIRING } from './firing-words';
import { Units } from '../../../../data/units/units';
import { NumberField } from '../../../../ui/number-field';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';
import { SETTING_WORDS } from '../piece-words';
import { SelectField } from '../../../../ui/select-field';
import { Checkbox } from '../../../../ui/checkbox';
import { CONE_OPTIONS } from '../../../../data/units/cone-options';
import type { FieldOption } from '../../../../ui/options';

/** What a piece is made of, how many there are, how it is fired and how it stands in the kiln. */
@Component({
  selector: 'cz-piece-fields',
  imports: [Checkbox, NumberField, SelectField],
  templateUrl: './piece-fields.html',
  styles: `
    .fields {
      display: grid;
      grid-template-columns: repeat(6, minmax(0, 1fr));
      gap: 0.6rem;
      align-items: end;
      > * {
        grid-column: span 2;
      }
    }
    .fields > .wide {
      grid-column: 1 / -1;
    }
    .fields > .three {
      grid-column: span 3;
    }
    .fields > .four {
      grid-column: span 4;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceFields {
  readonly body = input.required<PieceBody>();
  protected readonly draft = inject(PieceDraft);
  protected readonly screen = inject(PieceScreen);
  private readonly units = inject(Units);
  protected readonly clayBodyOptions = computed((): FieldOption[] => this.screen.bodies().map((one) => [one.id, one.name] as const));
  protected readonly bisqueLotOptions = computed((): FieldOption[] => [
    ['', 'the newest'],
    ...(this.screen.clay()?.lots ?? []).map((lot) => [lot.id, `${lot.name}, cone ${lot.bisqueCone}`] as const),
  ]);
  protected readonly cones = CONE_OPTIONS;
  protected readonly settings = KILN_SETTINGS.map((setting) => [setting, SETTING_WORDS[setting]] as const);

  protected readonly coolings = COOLING_WORDS;
  protected readonly places = PLACE_WORDS;
  protected readonly firing = computed(() => ({ ...USUAL_FIRING, ...this.body().plan.firing }));
  protected readonly beneath = computed(() => {
    const { fired = {} } = this.body().plan;
    const names = this.screen.names();
    return (['inside', 'outside', 'rim'] as const)
      .flatMap((place) =>
        (fired[place] ?? []).map(
          (layer) => `${names.get(layer.bucketId) ?? 'a glaze'} ${this.units.coat(layer.coatMm)} ${place === 'rim' ? 'at the rim' : place}`,
        ),
      )
      .join(', ');
  });

  /** As usual is not kept in the plan. */
  protected change(change: PlanFiring): void {
    const { holdMinutes, cooling, place } = { ...this.firing(), ...change };
    const firing = {
      ...(holdMinutes === USUAL_HOLD_MINUTES ? {} : { holdMinutes }),
      ...(cooling === 'usual' ? {} : { cooling }),
      ...(place === 'middle' ? {} : { place }),
    };
    this.draft.plan({ firing: Object.keys(firing).length > 0 ? firing : undefined });
  }

  /** The coats of now are what was fired; taken back, they are planned again. */
  protected fireAgain(isRefire: boolean): void {
    const plan = this.draft.body()!.plan;
    this.draft.plan(isRefire ? refired(plan) : notRefired(plan));
  }

  protected whole(value: number): number {
    return Math.max(1, Math.round(value));
  }
}
