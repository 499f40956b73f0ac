import { ChangeDetectionStrategy, Component, computed, inject, model } from '@angular/core';
import { MatIconButton, MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatTooltip } from '@angular/material/tooltip';
import { handleMask, handleStrip, MOST_LAYERS, MOST_MASKS, MOST_STRIPS, tallMm, type Layer } from '@cazuela/core';
import { Units } from '../../../../data/units/units';
import { round } from '../board/board-handles';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';
import { MOST_POTS, newMask, newPot } from './new-parts';
import { placesOf, whereWords, type PlanPlace } from './plan-place';

/** How high up the first, second and third dip from the rim begin, as shares of the height. */
const DIP_SHARES = [0.35, 0.55, 0.75] as const;

/** What is kept bare, and the small pots, are chosen like a place. */
export const BARE = 'bare';
export const POTS = 'pots';

/** The places of the piece with their coats as stripes, bottom up: one is chosen, a coat or another place is added with one tap. */
@Component({
  selector: 'cz-plan-places',
  imports: [MatButton, MatIcon, MatIconButton, MatTooltip],
  templateUrl: './plan-places.html',
  styleUrl: './plan-places.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanPlaces {
  /** A zone, a strip by its id, `bare` or `pots`; empty for the piece itself. */
  readonly chosen = model.required<string>();
  protected readonly draft = inject(PieceDraft);
  private readonly screen = inject(PieceScreen);
  private readonly units = inject(Units);
  protected readonly bare = BARE;
  protected readonly coloursPlace = POTS;
  private readonly plan = computed(() => this.screen.settledBody()!.plan);
  protected readonly places = computed(() =>
    placesOf(this.plan(), this.screen.restedShape()).map((place) => ({
      ...place,
      stripes: place.layers.map((layer) => this.screen.colours().get(layer.bucketId) ?? 'transparent'),
      coats: place.layers.map((layer) => this.coatWords(layer)).join(', ') || 'bare',
      canTake: place.layers.length < MOST_LAYERS,
      where: whereWords(place, this.plan()),
    })),
  );
  protected readonly masks = computed(() => this.plan().masks?.length ?? 0);
  protected readonly smallPots = computed(() => (this.plan().decoratingColours ?? []).map(({ name }) => name));
  protected readonly canAddStrip = computed(() => (this.plan().strips?.length ?? 0) < MOST_STRIPS);
  protected readonly canAddMask = computed(() => this.masks() < MOST_MASKS);
  protected readonly canAddPot = computed(() => this.smallPots().length < MOST_POTS);
  protected readonly openHole = computed(
    () => this.screen.restedShape().holeMm !== undefined && !this.plan().masks?.some((mask) => mask.where === 'hole'),
  );
  protected readonly glazedHandle = computed(
    () => this.screen.restedShape().grip !== undefined && !handleMask(this.plan()) && !handleStrip(this.plan()),
  );
  /** The ledge inside the rim that carries the lid. */
  protected readonly glazedGallery = computed(() => {
    const { lid, masks = [] } = this.plan();
    return lid === true && !masks.some(({ where, face }) => where === 'band' && face === 'inside');
  });
  protected readonly canCoat = computed(() => this.screen.buckets().length + this.screen.notMixed().length + this.smallPots().length > 0);

  private coatWords({ bucketId, coatMm }: Layer): string {
    return `${this.screen.names().get(bucketId) ?? 'a glaze'} ${this.units.coat(coatMm)}`;
  }

  protected choose(id: string): void {
    this.chosen.set(this.chosen() === id ? '' : id);
  }

  protected addLayer(place: PlanPlace): void {
    const [first] = this.screen.buckets();
    const [pot] = this.plan().decoratingColours ?? [];
    const [recipe] = this.screen.notMixed();
    if (first) this.draft.addLayer(place.id, first.id);
    else if (pot) this.draft.addLayer(place.id, pot.id, pot.coatingKind);
    else if (recipe) this.draft.addLayer(place.id, recipe.id);
    this.chosen.set(place.id);
  }

  protected addStrip(isPanel: boolean): void {
    const top = tallMm(this.screen.restedShape());
    const [fromMm, toMm] = [round(top * 0.4), round(top * 0.6)];
    this.draft.addStrip({ fromMm, toMm, ...(isPanel ? { turn: { from: 0.9, to: 0.15 } } : {}) });
    this.chosen.set(this.draft.body()!.plan.strips!.at(-1)!.id);
  }

  /** Three of them, each less deep, overlap: one, two and three coats. */
  protected addDip(): void {
    const toMm = tallMm(this.screen.restedShape());
    const before = (this.plan().strips ?? []).filter(({ fromRim }) => fromRim).length;
    this.draft.addStrip({ fromMm: round(toMm * (DIP_SHARES[before] ?? DIP_SHARES[0])), toMm, fromRim: true });
    this.chosen.set(this.draft.body()!.plan.strips!.at(-1)!.id);
  }

  /** Glazed first and waxed over, so that the dip of the outside leaves it as it is. */
  protected addHandle(): void {
    const { upperMm, lowerMm } = this.screen.restedShape().grip!;
    this.draft.addStrip({ on: 'handle', fromMm: lowerMm, toMm: upperMm, first: true });
    const strip = handleStrip(this.draft.body()!.plan);
    if (strip) this.chosen.set(strip.id);
  }

  protected addMask(where: 'band' | 'hole' | 'handle' | 'gallery'): void {
    this.draft.plan({ masks: [...(this.plan().masks ?? []), newMask(this.screen.restedShape(), where)], order: [] });
    this.chosen.set(BARE);
  }

  protected addPot(): void {
    const decoratingColours = this.plan().decoratingColours ?? [];
    this.draft.plan({ decoratingColours: [...decoratingColours, newPot(decoratingColours.length)] });
    this.chosen.set(POTS);
  }
}
