import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { isBand, layersOf, USUAL_RING_MM, type FootBy, type Mask, type PiecePlan, type PieceShape } from '@cazuela/core';
import { BandField } from './band-field';
import { EdgeField } from './edge-field';
import { PieceDraft } from '../draft/piece-draft';
import { Checkbox } from '../../../../ui/checkbox';
import { NumberField } from '../../../../ui/number-field';
import { SelectField } from '../../../../ui/select-field';
import type { FieldOption } from '../../../../ui/options';

/** What keeps glaze off, and what takes it off again. */
@Component({
  selector: 'cz-masks-panel',
  imports: [BandField, Checkbox, EdgeField, MatButton, NumberField, SelectField],
  templateUrl: './masks-panel.html',
  styleUrl: './kept-bare.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MasksPanel {
  readonly plan = input.required<PiecePlan>();
  readonly shape = input.required<PieceShape>();
  readonly names = input.required<ReadonlyMap<string, string>>();
  protected readonly draft = inject(PieceDraft);
  protected readonly feet: readonly [FootBy, string][] = [
    ['wax', 'wax'],
    ['soak', 'soaking it in water'],
    ['tape', 'tape'],
    ['sponge', 'sponging it off after'],
  ];
  protected readonly kinds: readonly [Mask['kind'], string][] = [
    ['wax', 'wax'],
    ['tape', 'tape'],
    ['scrape', 'scraping or scratching it off after'],
    ['sponge', 'sponging off after'],
  ];
  protected readonly isBand = isBand;
  protected readonly usualRing = USUAL_RING_MM;
  protected readonly masks = computed(() => this.plan().masks ?? []);
  protected readonly decoratingColours = computed(() => this.plan().decoratingColours ?? []);
  protected readonly places = computed((): [Mask['where'], string][] => [
    ['band', 'all round'],
    ['panel', 'a part of the turn'],
    ...(this.shape().grip ? [['handle', 'the handle'] as [Mask['where'], string]] : []),
    ...(this.shape().holeMm ? [['hole', 'the drain hole'] as [Mask['where'], string]] : []),
  ]);
  protected readonly layers = computed(() =>
    layersOf(this.plan()).map((layer) => ({
      id: layer.id,
      words:
        this.names().get(layer.bucketId) ??
        this.decoratingColours().find((decoratingColour) => decoratingColour.id === layer.bucketId)?.name ??
        'a coat',
    })),
  );
  protected readonly overOptions = computed((): FieldOption[] => [
    ['', 'bare clay'],
    ...this.layers().map((layer) => [layer.id, layer.words] as const),
  ]);

  protected change(mask: Mask, change: Partial<Mask>): void {
    const turn = change.where === 'panel' ? { turn: { from: 0.9, to: 0.15 } } : change.where ? { turn: undefined } : {};
    this.draft.plan({ masks: this.masks().map((one) => (one.id === mask.id ? { ...one, ...change, ...turn } : one)), order: [] });
  }

  protected remove(mask: Mask): void {
    this.draft.plan({ masks: this.masks().filter((one) => one.id !== mask.id), order: [] });
  }

  protected footEdge(edge: NonNullable<NonNullable<PiecePlan['edges']>['wax']>): void {
    this.draft.plan({ edges: { ...this.plan().edges, wax: edge.kind === 'straight' ? undefined : edge } });
  }
}
