import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { PieceBody } from '@cazuela/contract';
import { MatButton } from '@angular/material/button';
import {
  DRY_THROUGH_HOURS,
  heightShareOf,
  KILN_SETTINGS,
  notRefired,
  refired,
  USUAL_HOLD_MINUTES,
  type PlanFiring,
  type ShelfPlace,
} from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { apiResource } from '../../../../data/http/api-resource';
import { StudioApi } from '../../../../data/http/studio-api';
import { offsetsOf } from '../../../../data/state/kiln-offsets';
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
  imports: [Checkbox, MatButton, NumberField, SelectField],
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
  private readonly api = inject(StudioApi);
  protected readonly clayBodyOptions = computed((): FieldOption[] => this.screen.bodies().map((one) => [one.id, one.name] as const));
  protected readonly bisqueLotOptions = computed((): FieldOption[] => [
    ['', 'the newest'],
    ...(this.screen.clay()?.lots ?? []).map((lot) => [lot.id, `${lot.name}, cone ${lot.bisqueCone}`] as const),
  ]);
  protected readonly cones = CONE_OPTIONS;
  protected readonly settings = KILN_SETTINGS.map((setting) => [setting, SETTING_WORDS[setting]] as const);

  protected readonly usualDryHours = DRY_THROUGH_HOURS;
  protected readonly coolings = COOLING_WORDS;
  private readonly kilns = apiResource(() => combineLatest({ kilns: this.api.kilns(), firings: this.api.firings() }));
  /** Shelves of the studio’s kilns, with how hot cones showed each to be. */
  private readonly kilnPlaces = computed(() => {
    const { kilns = [], firings = [] } = this.kilns.value() ?? {};
    return kilns.flatMap(({ id, body }) => {
      const offsets = offsetsOf({ id, body }, firings);
      return [...body.shelves]
        .sort((a, b) => b.heightMm - a.heightMm)
        .map((shelf) => {
          const offset = offsets.at(heightShareOf(shelf, body.chamber));
          const band = `${this.units.temperatureStep(offset.lowCelsius)} to ${this.units.temperatureStep(offset.highCelsius)}`;
          const ground = offsets.readings > 0 ? `from ${band}` : 'a guess until a cone is read there';
          return {
            key: `${id} ${shelf.id}`,
            firing: { kilnId: id, shelfId: shelf.id, placeCelsius: Math.round(offset.celsius) },
            name: `${shelf.name} of ${body.name}`,
            words: `${body.name}, ${shelf.name}: ${this.units.temperatureStep(offset.celsius)}, ${ground}`,
          };
        });
    });
  });
  protected readonly places = computed((): FieldOption[] => [...PLACE_WORDS, ...this.kilnPlaces().map(({ key, words }) => [key, words] as const)]);
  protected readonly placeKey = computed(() => {
    const { kilnId, shelfId, place } = this.firing();
    const key = `${kilnId} ${shelfId}`;
    return this.kilnPlaces().some((one) => one.key === key) ? key : place;
  });
  /** Cones have told more of its shelf since it was planned. */
  protected readonly learntSince = computed(() => {
    const place = this.kilnPlaces().find(({ key }) => key === this.placeKey());
    const planned = this.firing().placeCelsius;
    if (!place || planned === undefined || place.firing.placeCelsius === planned) return undefined;
    return {
      words: `${place.name} is ${this.units.temperatureStep(place.firing.placeCelsius)} by its cones now; this is planned with ${this.units.temperatureStep(planned)}.`,
    };
  });
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
    const { holdMinutes, cooling, place, kilnId, shelfId, placeCelsius } = { ...this.firing(), ...change };
    const firing = {
      ...(kilnId === undefined ? {} : { kilnId, shelfId, placeCelsius }),
      ...(holdMinutes === USUAL_HOLD_MINUTES ? {} : { holdMinutes }),
      ...(cooling === 'usual' ? {} : { cooling }),
      ...(place === 'middle' ? {} : { place }),
    };
    this.draft.plan({ firing: Object.keys(firing).length > 0 ? firing : undefined });
  }

  /** On a shelf of one of its kilns, or on one that is only cool or hot. */
  protected stand(key: string): void {
    const known = this.kilnPlaces().find((one) => one.key === key);
    if (known) this.change({ place: 'middle', ...known.firing });
    else this.change({ place: key as ShelfPlace, kilnId: undefined, shelfId: undefined, placeCelsius: undefined });
  }

  /** The coats of now are what was fired; taken back, they are planned again. */
  protected fireAgain(isRefire: boolean): void {
    const plan = this.draft.body()!.plan;
    this.draft.plan(isRefire ? refired(plan) : notRefired(plan));
  }

  /** As usual is not kept in the plan. */
  protected dryFor(hours: number | null): void {
    this.draft.plan({ dryHours: hours === null || hours === DRY_THROUGH_HOURS ? undefined : hours });
  }

  protected whole(value: number): number {
    return Math.max(1, Math.round(value));
  }
}
