import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatTooltip } from '@angular/material/tooltip';
import { RouterLink } from '@angular/router';
import { LUSTRE_FILM_MM, withMethod, type ApplicationMethod, type EdgeLine, type Layer, type Texture } from '@cazuela/core';
import { Units } from '../../../../data/units/units';
import { AutocompleteField } from '../../../../ui/autocomplete-field';
import { Checkbox } from '../../../../ui/checkbox';
import { NumberField } from '../../../../ui/number-field';
import { METHOD_OPTIONS } from '../../../../parts/words/method-options';
import type { FieldOption } from '../../../../ui/options';
import { SelectField } from '../../../../ui/select-field';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';
import { dipTrouble } from '../piece-words';
import { BandField } from './band-field';
import { EdgeField } from './edge-field';
import { placesOf, whereWords, type PlanPlace } from './plan-place';
import { TextureField } from './texture-field';

/** The place that is chosen: its coats, the uppermost first, with method, thickness and seconds; its edge, its texture, whether it goes first. */
@Component({
  selector: 'cz-place-panel',
  imports: [
    AutocompleteField,
    BandField,
    CdkDrag,
    CdkDragHandle,
    CdkDropList,
    Checkbox,
    EdgeField,
    MatButton,
    MatIcon,
    MatIconButton,
    MatTooltip,
    NumberField,
    RouterLink,
    SelectField,
    TextureField,
  ],
  templateUrl: './place-panel.html',
  styleUrl: './place-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlacePanel {
  /** A zone, or a strip by its id. */
  readonly placeId = input.required<string>();
  /** The strip was taken away. */
  readonly removed = output<void>();
  protected readonly draft = inject(PieceDraft);
  protected readonly screen = inject(PieceScreen);
  private readonly units = inject(Units);
  protected readonly methods = METHOD_OPTIONS;
  /** Which share of a place trailed or painted lines take, until it is said. */
  protected readonly usualLines = 0.2;
  protected readonly colours = this.screen.colours;
  protected readonly plan = computed(() => this.screen.settledBody()!.plan);
  protected readonly place = computed(() => placesOf(this.plan(), this.screen.restedShape()).find(({ id }) => id === this.placeId()));
  protected readonly where = computed(() => {
    const place = this.place();
    return place ? whereWords(place, this.plan()) : '';
  });
  private readonly decoratingColours = computed(() => this.plan().decoratingColours ?? []);
  /** As they lie, the uppermost first; numbered from the clay. */
  protected readonly layers = computed(() => {
    const place = this.place();
    if (!place) return [];
    return place.layers.map((layer, at) => ({ ...layer, number: at + 1, canBeSlip: this.isBucket(layer.bucketId), ...this.told(layer) })).reverse();
  });
  /** Every bucket once, by its whole name. */
  protected readonly bucketOptions = computed((): FieldOption[] => [
    ...this.screen.buckets().map(({ id, code, body }) => [id, body.name, code] as const),
    ...this.decoratingColours().map(({ id, name, coatingKind }) => [id, `${name} (${coatingKind})`] as const),
    ...this.screen
      .notMixed()
      .filter(({ id }) => !this.isBucket(id))
      .map(({ id, body }) => [id, body.name, 'Not mixed yet'] as const),
  ]);
  /** What the place takes, one piece. */
  protected readonly figures = computed(() => {
    const row = this.screen.figures.sums().rows.find(({ id }) => id === this.placeId());
    if (!row) return '';
    const takes = row.isWeighed ? `, ${this.units.millilitres(row.slurryMl)} of glaze, ${this.units.mass(row.dryGrams)} dry` : '';
    return `${this.units.plain(row.areaCm2)} cm²${takes}`;
  });

  private isBucket(id: string): boolean {
    return this.screen.buckets().some((bucket) => bucket.id === id);
  }

  /** Seconds or passes of a coat with the SG they are told for, or why they cannot be. */
  private told(layer: Layer): { told: string; trouble: boolean } {
    const step = this.screen.steps().find((one) => one.key.includes(layer.id));
    const glaze = this.screen.facts().find((facts) => facts.bucketId === layer.bucketId);
    if (!step) return { told: '', trouble: false };
    const trouble = dipTrouble(step, this.units);
    if (trouble) return { told: trouble, trouble: true };
    if (step.dip?.kind === 'ok') return { told: `${this.units.seconds(step.dip.seconds)} at SG ${glaze?.sg.toFixed(2) ?? '?'}`, trouble: false };
    if (layer.coatingKind === 'lustre') return { told: 'after the glaze firing', trouble: false };
    const passes = step.brushCoats ?? 1;
    return { told: layer.method === 'rub' ? 'rubbed in and wiped back' : `${passes} ${passes === 1 ? 'pass' : 'passes'}`, trouble: false };
  }

  protected choose(place: string, layer: Layer, id: string): void {
    const pot = this.decoratingColours().find((one) => one.id === id);
    const isNew = (pot?.coatingKind ?? 'glaze') !== (layer.coatingKind ?? 'glaze');
    const method = isNew && pot ? (pot.coatingKind === 'stain' ? 'rub' : 'brush') : layer.method;
    const coatMm = pot?.coatingKind === 'lustre' ? LUSTRE_FILM_MM : withMethod(layer, method).coatMm;
    this.draft.changeLayer(place, layer.id, { bucketId: id, method, coatMm, coatingKind: pot?.coatingKind });
  }

  protected changeMethod(place: string, layer: Layer, method: ApplicationMethod): void {
    const { coatMm } = withMethod(layer, method);
    this.draft.changeLayer(place, layer.id, { method, coatMm });
  }

  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    const last = this.layers().length - 1;
    this.move(this.placeId(), last - previousIndex, last - currentIndex);
  }

  /** Counted from the clay. */
  protected move(place: string, from: number, to: number): void {
    this.draft.moveLayer(place, (layers) => {
      const moved = [...layers];
      moveItemInArray(moved, from, to);
      return moved;
    });
  }

  protected removeStrip(id: string): void {
    this.draft.removeStrip(id);
    this.removed.emit();
  }

  protected surface({ id, strip }: PlanPlace, texture: Texture | undefined): void {
    if (strip) this.draft.changeStrip(strip.id, { texture });
    else this.draft.plan({ textures: { ...this.plan().textures, [id]: texture } });
  }

  protected changeEdge(which: 'wax' | 'rim', edge: EdgeLine): void {
    this.draft.plan({ edges: { ...this.plan().edges, [which]: edge.kind === 'straight' ? undefined : edge } });
  }
}
