import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { TileStrip } from '@cazuela/contract';
import type { LoadLot, WindowVerdict } from '@cazuela/core';
import { Units } from '../../../data/units/units';
import { NumberField } from '../../../ui/number-field';
import { OpeningScreen } from './opening-screen';

const VERDICTS = ['thin', 'right', 'thick'] as const;

/** A tile that came out of the kiln: a step tile is looked at strip by strip, a runner tile is measured. One tap a verdict. */
@Component({
  selector: 'cz-tile-reading',
  imports: [MatButton, NumberField, RouterLink],
  templateUrl: './tile-reading.html',
  styleUrl: './tile-reading.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TileReading {
  readonly lot = input.required<LoadLot>();
  private readonly screen = inject(OpeningScreen);
  protected readonly units = inject(Units);
  protected readonly verdicts = VERDICTS;
  /** What was said of it here: it counts above its card, which follows from it. */
  private readonly reading = computed(() => this.screen.tileReadings().get(this.lot().tileId ?? ''));
  protected readonly step = computed(() => {
    const tile = this.screen.load.records.value()?.tiles.find(({ id }) => id === this.lot().tileId);
    const said = this.reading()?.verdicts;
    if (!tile) return undefined;
    const strips = tile.body.strips.map((strip) => ({ ...strip, shown: said?.has(strip.id) ? (said.get(strip.id) ?? undefined) : strip.verdict }));
    return { id: tile.id, code: tile.code, strips };
  });
  protected readonly runner = computed(() => {
    const tile = this.screen.load.records.value()?.runners.find(({ id }) => id === this.lot().tileId);
    const said = this.reading()?.runMm;
    return tile && { id: tile.id, code: tile.code, runMm: said === undefined ? tile.body.runMm : (said ?? undefined) };
  });
  protected readonly title = computed(() => `${this.lot().code ?? ''} ${this.lot().name}`.trim());
  /** What was typed for a run, until it is kept. */
  protected readonly typed = signal<number | null | undefined>(undefined);
  protected readonly ran = computed(() => (this.typed() === undefined ? (this.runner()?.runMm ?? null) : this.typed()!));

  /** A second tap on the same verdict takes it back. */
  protected look({ id, shown }: TileStrip & { shown?: WindowVerdict | undefined }, verdict: WindowVerdict): void {
    this.screen.sayOfTile(this.lot(), { look: { stripId: id, verdict: shown === verdict ? null : verdict } });
  }

  protected keepRun(): void {
    const runMm = this.ran();
    if (runMm === null) return;
    this.screen.sayOfTile(this.lot(), { runMm });
    this.typed.set(undefined);
  }
}
