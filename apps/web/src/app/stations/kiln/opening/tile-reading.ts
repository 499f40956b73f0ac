import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { runnerTileSchema, tileSchema, type RunnerTile, type RunnerTileBody, type StepTile, type TileBody, type TileStrip } from '@cazuela/contract';
import { loadPieceId, type LoadLot } from '@cazuela/core';
import { catchError, throwError, type Observable } from 'rxjs';
import { toFailure } from '../../../data/http/api';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { Units } from '../../../data/units/units';
import { ErrorBanner } from '../../../ui/error-banner';
import { NumberField } from '../../../ui/number-field';
import { OpeningScreen } from './opening-screen';

const VERDICTS = ['thin', 'right', 'thick'] as const;

/** A tile that came out of the kiln: a step tile is looked at strip by strip, a runner tile is measured. One tap a verdict. */
@Component({
  selector: 'cz-tile-reading',
  imports: [ErrorBanner, MatButton, NumberField, RouterLink],
  templateUrl: './tile-reading.html',
  styleUrl: './tile-reading.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TileReading {
  readonly lot = input.required<LoadLot>();
  private readonly screen = inject(OpeningScreen);
  private readonly api = inject(StudioApi);
  protected readonly units = inject(Units);
  protected readonly saving = createMutation();
  protected readonly verdicts = VERDICTS;
  private readonly readStep = signal<StepTile | undefined>(undefined);
  private readonly readRunner = signal<RunnerTile | undefined>(undefined);
  protected readonly step = computed(() => this.readStep() ?? this.screen.load.records.value()?.tiles.find(({ id }) => id === this.lot().tileId));
  protected readonly runner = computed(
    () => this.readRunner() ?? this.screen.load.records.value()?.runners.find(({ id }) => id === this.lot().tileId),
  );
  protected readonly title = computed(() => `${this.lot().code ?? ''} ${this.lot().name}`.trim());
  /** What was typed for a run, until it is kept. */
  protected readonly typed = signal<number | null | undefined>(undefined);
  protected readonly ran = computed(() => (this.typed() === undefined ? (this.runner()?.body.runMm ?? null) : this.typed()!));

  protected look(strip: TileStrip, verdict: (typeof VERDICTS)[number]): void {
    const tile = this.step();
    if (!tile) return;
    const next = strip.verdict === verdict ? undefined : verdict;
    const change = (body: TileBody): TileBody => ({
      ...body,
      ...this.fired(body),
      strips: body.strips.map((one) => {
        const { verdict: _before, ...rest } = one;
        return one.id === strip.id ? { ...rest, ...(next ? { verdict: next } : {}) } : one;
      }),
    });
    const write = (of: StepTile): Observable<StepTile> => this.api.updateTile({ id: of.id, version: of.version, body: change(of.body) });
    this.saving.run(
      // Somebody read another strip meanwhile: both words are kept.
      write(tile).pipe(catchError((error: unknown) => againFrom(error, (current) => write(tileSchema.parse(current))))),
      (kept) => this.readStep.set(kept),
    );
  }

  protected keepRun(): void {
    const tile = this.runner();
    const runMm = this.ran();
    if (!tile || runMm === null) return;
    const change = (body: RunnerTileBody): RunnerTileBody => ({ ...body, ...this.fired(body), runMm });
    const write = (of: RunnerTile): Observable<RunnerTile> => this.api.updateRunnerTile({ id: of.id, version: of.version, body: change(of.body) });
    this.saving.run(
      write(tile).pipe(catchError((error: unknown) => againFrom(error, (current) => write(runnerTileSchema.parse(current))))),
      (kept) => {
        this.readRunner.set(kept);
        this.typed.set(undefined);
      },
    );
  }

  /** When and how hot it was fired: as this kiln was where it stood. */
  private fired({ firedAt, cone }: { firedAt?: string | undefined; cone?: string | undefined }): { firedAt: string; cone: string } {
    const startedAt = this.screen.firing.firing()?.body.startedAt;
    return {
      firedAt: firedAt ?? startedAt ?? new Date().toISOString(),
      cone: cone ?? this.screen.placeOf(loadPieceId(this.lot().id, 0)).coneReached,
    };
  }
}

/** Writes once more on what is in the records now, where it was changed meanwhile. */
function againFrom<T>(error: unknown, write: (current: unknown) => Observable<T>): Observable<T> {
  const { problem } = toFailure(error);
  return problem.code === 'stale' && problem.current !== undefined ? write(problem.current) : throwError(() => error);
}
