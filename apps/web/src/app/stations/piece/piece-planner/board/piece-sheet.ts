import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { MatIcon } from '@angular/material/icon';
import { formOf } from '@cazuela/core';
import { Keys } from '../../../../data/devices/keys';
import { Units } from '../../../../data/units/units';
import { Choice } from '../../../../ui/choice';
import { FormPanel } from './form-panel';
import { PieceBoard, type BoardMode } from './piece-board';
import { PieceDraft } from '../draft/piece-draft';
import { PieceFields } from './piece-fields';
import type { PieceFigures } from '../figures/piece-figures';
import { PieceScreen } from '../piece-screen';
import { RoundView } from './round-view';

const ARROW_KEYS_HELD_MS = 600;
const EIGHTH = 0.125;

/** How far down the edge of the outside comes in 95 of 100 firings, mm above the shelf. */
function lowestOf(figures: PieceFigures): number | undefined {
  const run = figures.run();
  return run && run.edgeMm - run.run95Mm;
}

/** The drawing with its tools and its fields. Only it and the sums follow every move of a drag. */
@Component({
  selector: 'cz-piece-sheet',
  imports: [Choice, FormPanel, MatButton, MatIcon, MatIconButton, MatTooltip, PieceBoard, PieceFields, RoundView],
  templateUrl: './piece-sheet.html',
  styles: `
    // The drawing sticks to the column it stands in, not to this.
    :host {
      display: contents;
    }
    .drawing {
      display: block;
      height: 340px;
      margin: 0.8rem 0;
      // Laid out and painted by itself under a dragging hand.
      contain: strict;
      will-change: transform;
      // The piece stays in sight while its coats, numbers and masks are gone through.
      position: sticky;
      top: 0;
      z-index: 2;
      background: var(--kaolin);
    }
    // As the column does: what does not follow a hand keeps its picture.
    .tools,
    cz-form-panel,
    cz-piece-fields {
      isolation: isolate;
    }
    .tools {
      align-items: end;
      margin-top: 0.6rem;
    }
    .tools cz-choice {
      min-width: 180px;
    }
    .refused {
      min-height: 1.4rem;
      margin: 0;
      color: var(--oxblood);
      font-weight: 600;
    }
    @media (max-width: 900px) {
      .drawing {
        height: 300px;
        position: relative;
      }
    }
    @media (max-width: 600px) {
      .drawing {
        height: 390px;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceSheet {
  protected readonly draft = inject(PieceDraft);
  protected readonly screen = inject(PieceScreen);
  protected readonly units = inject(Units);
  protected readonly modes = [
    ['zones', 'Zones'],
    ['form', 'Form'],
    ['round', 'In the round'],
  ] as const;
  protected readonly mode = signal<BoardMode | 'round'>('zones');
  protected readonly boardMode = computed((): BoardMode => (this.mode() === 'form' ? 'form' : 'zones'));
  protected readonly snaps = signal(true);
  protected readonly chosen = signal<string | undefined>(undefined);
  protected readonly turned = signal(0);
  protected readonly hasPanel = computed(() => {
    const { strips = [], masks = [] } = this.screen.settledBody()?.plan ?? {};
    return [...strips, ...masks].some((one) => one.turn !== undefined);
  });
  protected readonly clay = computed(() => this.screen.clay()?.colour ?? '#E4D8C2');
  protected readonly runToMm = computed(() => lowestOf(this.screen.figures));
  protected readonly movedRunToMm = (): number | undefined => lowestOf(this.screen.movedFigures);
  private readonly formPanel = viewChild(FormPanel);
  private keysHeld: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    inject(Keys).bind([
      { keys: ['u'], words: 'take the last change back', run: () => this.draft.undo() },
      { keys: ['r'], words: 'do it again', run: () => this.draft.redo() },
      { keys: ['t'], words: 'turn the piece by an eighth', run: () => this.turn() },
      { keys: ['f'], words: 'the form, or the zones', run: () => this.mode.update((mode) => (mode === 'form' ? 'zones' : 'form')) },
    ]);
  }

  protected turn(): void {
    this.turned.update((turned) => (turned + EIGHTH) % 1);
  }

  /** Arrow keys come in a row: one step to undo for all of them. */
  protected nudge(change: Parameters<PieceDraft['drag']>[0]): void {
    this.draft.drag(change);
    clearTimeout(this.keysHeld);
    this.keysHeld = setTimeout(() => this.draft.drop(), ARROW_KEYS_HELD_MS);
  }

  protected pointKey({ at, key }: { at: number; key: 'delete' | 'corner' | 'add' }): void {
    const { points } = formOf(this.draft.body()!.plan);
    if (key === 'add') this.formPanel()?.addPoint(at);
    else if (key === 'delete') this.formPanel()?.removePoint(at);
    else this.draft.form({ points: points.map((point, index) => (index === at ? { ...point, corner: point.corner ? undefined : true } : point)) });
  }
}
