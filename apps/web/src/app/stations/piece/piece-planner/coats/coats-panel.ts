import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import type { BucketSummary, Recipe } from '@cazuela/contract';
import {
  MOST_LAYERS,
  MOST_STRIPS,
  placeWords,
  tallMm,
  APPLICATION_METHODS,
  ZONES,
  type EdgeLine,
  type Layer,
  type PiecePlan,
  type PieceShape,
  type Strip,
  type Texture,
} from '@cazuela/core';
import { NumberField } from '../../../../ui/number-field';
import { BandField } from './band-field';
import { EdgeField } from './edge-field';
import { PieceDraft } from '../draft/piece-draft';
import { ZONE_WORDS } from '../piece-words';
import { round } from '../board/board-handles';
import { TextureField } from './texture-field';
import { SelectField } from '../../../../ui/select-field';
import { Checkbox } from '../../../../ui/checkbox';
import { plainOptions, type FieldOption } from '../../../../ui/options';
import { AutocompleteField } from '../../../../ui/autocomplete-field';

interface Place {
  id: string;
  words: string;
  layers: readonly Layer[];
  texture?: Texture | undefined;
  strip?: Strip;
}

/** What lies where: the coats of each zone, strip and panel, bottom up, and how their edges go round. */
@Component({
  selector: 'cz-coats-panel',
  imports: [
    AutocompleteField,
    BandField,
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
  templateUrl: './coats-panel.html',
  styleUrl: './coats-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CoatsPanel {
  readonly plan = input.required<PiecePlan>();
  readonly shape = input.required<PieceShape>();
  readonly buckets = input.required<readonly BucketSummary[]>();
  /** Recipes that no bucket is filled with. */
  readonly notMixed = input<readonly Recipe[]>([]);
  readonly colours = input.required<ReadonlyMap<string, string>>();
  protected readonly draft = inject(PieceDraft);
  protected readonly methods = plainOptions(APPLICATION_METHODS);
  protected readonly mostLayers = MOST_LAYERS;
  protected readonly mostStrips = MOST_STRIPS;
  protected readonly decoratingColours = computed(() => this.plan().decoratingColours ?? []);
  protected readonly places = computed((): Place[] => [
    ...ZONES.filter((zone) => zone !== 'inside' || this.shape().slabMm === undefined).map((zone) => ({
      id: zone,
      words: ZONE_WORDS[zone],
      layers: this.plan().zones[zone],
      texture: zone === 'foot' ? undefined : this.plan().textures?.[zone],
    })),
    ...(this.plan().strips ?? []).map((strip, at) => ({
      id: strip.id,
      words: `${strip.turn ? 'Panel' : 'Strip'} ${at + 1}`,
      layers: strip.layers,
      texture: strip.texture,
      strip,
    })),
  ]);
  protected readonly bucketOptions = computed((): FieldOption[] => [
    ...this.buckets().map(({ id, body }) => [id, body.name] as const),
    ...this.decoratingColours().map(({ id, name, coatingKind }) => [id, `${name} (${coatingKind})`] as const),
    ...this.notMixed()
      .filter(({ id }) => !this.buckets().some((bucket) => bucket.id === id))
      .map(({ id, body }) => [id, body.name, 'Not mixed yet'] as const),
    ...this.buckets().map(({ id, body }) => [`slip ${id}`, `${body.name} (slip)`, 'A slip stands in it'] as const),
  ]);

  /** A slip out of a bucket is an option beside the bucket's glaze; a small pot of slip is itself. */
  protected optionOf({ bucketId, coatingKind }: Layer): string {
    const isSmallPot = this.decoratingColours().some(({ id }) => id === bucketId);
    return coatingKind === 'slip' && !isSmallPot ? `slip ${bucketId}` : bucketId;
  }

  /** A zone in a sentence: "the outside", "the strip 30–50 mm up". */
  protected where = (place: Place): string =>
    place.strip ? place.words.toLowerCase() : place.id === 'inside' ? 'inside' : placeWords(place.id, this.plan()).slice(4);

  protected addLayer(place: Place): void {
    const [first] = this.buckets();
    const [decoratingColour] = this.decoratingColours();
    const [recipe] = this.notMixed();
    if (first) this.draft.addLayer(place.id, first.id);
    else if (decoratingColour) this.draft.addLayer(place.id, decoratingColour.id, decoratingColour.coatingKind);
    else if (recipe) this.draft.addLayer(place.id, recipe.id);
  }

  protected choose(place: Place, layer: Layer, id: string): void {
    const [asSlip] = /(?<=^slip ).+/.exec(id) ?? [];
    // What is in a bucket may be a slip: it neither melts nor runs.
    if (asSlip) return this.draft.changeLayer(place.id, layer.id, { bucketId: asSlip, coatingKind: 'slip' });
    const decoratingColour = this.decoratingColours().find((one) => one.id === id);
    const isNew = (decoratingColour?.coatingKind ?? 'glaze') !== (layer.coatingKind ?? 'glaze');
    const method = isNew && decoratingColour ? (decoratingColour.coatingKind === 'stain' ? 'rub' : 'brush') : layer.method;
    this.draft.changeLayer(place.id, layer.id, { bucketId: id, method, coatingKind: decoratingColour?.coatingKind });
  }

  protected addStrip(isPanel: boolean): void {
    const top = tallMm(this.shape());
    const [fromMm, toMm] = [round(top * 0.4), round(top * 0.6)];
    this.draft.addStrip({ fromMm, toMm, ...(isPanel ? { turn: { from: 0.9, to: 0.15 } } : {}) });
  }

  protected surface({ id, strip }: Place, texture: Texture | undefined): void {
    if (strip) this.draft.changeStrip(strip.id, { texture });
    else this.draft.plan({ textures: { ...this.plan().textures, [id]: texture } });
  }

  protected changeEdge(which: 'wax' | 'rim', edge: EdgeLine): void {
    this.draft.plan({ edges: { ...this.plan().edges, [which]: edge.kind === 'straight' ? undefined : edge } });
  }
}
