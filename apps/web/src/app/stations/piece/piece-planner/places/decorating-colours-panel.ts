import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { layersOf, type PiecePlan, type DecoratingColour } from '@cazuela/core';
import { NumberField } from '../../../../ui/number-field';
import { PieceDraft } from '../draft/piece-draft';
import { TextField } from '../../../../ui/text-field';
import { SelectField } from '../../../../ui/select-field';
import { ColourField } from '../../../../ui/colour-field';

/** Decorating colours: underglaze, slip and wash that are no bucket of the studio. */
@Component({
  selector: 'cz-decorating-colours-panel',
  imports: [ColourField, MatButton, NumberField, SelectField, TextField],
  templateUrl: './decorating-colours-panel.html',
  styleUrl: './kept-bare.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DecoratingColoursPanel {
  readonly plan = input.required<PiecePlan>();
  private readonly draft = inject(PieceDraft);
  protected readonly coatingKinds: readonly [DecoratingColour['coatingKind'], string][] = [
    ['underglaze', 'underglaze'],
    ['slip', 'slip'],
    ['stain', 'a stain or oxide wash'],
    ['lustre', 'a lustre, fired later'],
  ];
  protected readonly colourants: readonly [NonNullable<DecoratingColour['colourant']>, string][] = [
    ['other', 'something else'],
    ['chromeGreen', 'chrome green'],
    ['chromeTinPink', 'chrome-tin pink'],
    ['encapsulated', 'an encapsulated stain'],
  ];
  protected readonly decoratingColours = computed(() => this.plan().decoratingColours ?? []);

  protected named(decoratingColour: DecoratingColour, name: string): void {
    if (name.trim()) this.change(decoratingColour, { name: name.trim() });
  }

  /** A change of the colour's kind changes the coats made from it. */
  protected change(decoratingColour: DecoratingColour, change: Partial<DecoratingColour>): void {
    const decoratingColours = this.decoratingColours().map((one) => (one.id === decoratingColour.id ? { ...one, ...change } : one));
    this.draft.decoratingColourChanged(decoratingColours, decoratingColour.id, change.coatingKind);
  }

  protected remove(decoratingColour: DecoratingColour): void {
    this.draft.plan({ decoratingColours: this.decoratingColours().filter((one) => one.id !== decoratingColour.id) });
  }

  protected isUsed = (decoratingColour: DecoratingColour): boolean => layersOf(this.plan()).some((layer) => layer.bucketId === decoratingColour.id);
}
