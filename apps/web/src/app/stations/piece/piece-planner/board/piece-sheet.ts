import { ChangeDetectionStrategy, Component, computed, inject, model, output, signal, viewChild } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { MatIcon } from '@angular/material/icon';
import { formOf, isTurnedOver, type PiecePlan, type RunForecast } from '@cazuela/core';
import { Keys } from '../../../../data/devices/keys';
import { Units } from '../../../../data/units/units';
import { Choice } from '../../../../ui/choice';
import { FormPanel } from './form-panel';
import { PieceBoard, type BoardMode } from './piece-board';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';
import { FireView } from '../run/fire-view';
import { RoundView } from './round-view';

export type SheetMode = BoardMode | 'round' | 'fire';
const ARROW_KEYS_HELD_MS = 600;
const EIGHTH = 0.125;

/** How far down the edge of the outside comes in 95 of 100 firings, mm above the shelf; fired rim down it runs the other way. */
const lowestOf = (forecast: RunForecast | undefined, plan: PiecePlan | undefined): number | undefined =>
  plan && isTurnedOver(plan) ? undefined : forecast?.sides.find(({ side, endsAt }) => side === 'outside' && endsAt === 'shelf')?.run95EdgeMm;

/** The drawing with its tools and its fields. Only it and the sums follow every move of a drag. */
@Component({
  selector: 'cz-piece-sheet',
  imports: [Choice, FireView, FormPanel, MatButton, MatIcon, MatIconButton, MatTooltip, PieceBoard, RoundView],
  templateUrl: './piece-sheet.html',
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      min-height: 0;
    }
    .drawing {
      display: grid;
      flex: 1;
      min-height: 300px;
      // Laid out and painted by itself under a dragging hand.
      contain: strict;
      will-change: transform;
      background: var(--kaolin);
    }
    cz-piece-board.drawing,
    cz-round-view.drawing {
      display: block;
    }
    // As the column does: what does not follow a hand keeps its picture.
    .tools,
    cz-form-panel {
      isolation: isolate;
    }
    .tools {
      flex-wrap: nowrap;
      align-items: center;
      margin: 0.4rem 0;
    }
    .tools cz-choice {
      flex: 1;
      --choice-padding: 0.3rem;
    }
    .tools .row {
      flex-wrap: nowrap;
      gap: 0;
    }
    .refused {
      margin: 0;
      color: var(--oxblood);
      font-weight: 600;
      &:empty {
        display: none;
      }
    }
    // The page scrolls: the drawing has a height of its own, and the whole piece fits into it.
    @media (max-width: 700px) {
      .drawing {
        flex: none;
        height: 350px;
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
    ['round', 'Round'],
    ['fire', 'Fire'],
  ] as const;
  readonly mode = model<SheetMode>('zones');
  /** A place of the plan that was tapped on the drawing. */
  readonly placeTapped = output<string>();
  protected readonly boardMode = computed((): BoardMode => (this.mode() === 'form' ? 'form' : 'zones'));
  protected readonly snaps = signal(true);
  protected readonly chosen = signal<string | undefined>(undefined);
  protected readonly turned = signal(0);
  protected readonly hasPanel = computed(() => {
    const { strips = [], masks = [] } = this.screen.settledBody()?.plan ?? {};
    return [...strips, ...masks].some((one) => one.turn !== undefined);
  });
  protected readonly clay = computed(() => this.screen.clay()?.colour ?? '#E4D8C2');
  protected readonly runToMm = computed(() => lowestOf(this.screen.run.forecast(), this.screen.settledBody()?.plan));
  protected readonly movedRunToMm = (): number | undefined => lowestOf(this.screen.movedForecast(), this.draft.body()?.plan);
  private readonly formPanel = viewChild(FormPanel);
  private keysHeld: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    inject(Keys).bind([
      { keys: ['u'], words: 'take the last change back', run: () => this.draft.undo() },
      { keys: ['r'], words: 'do it again', run: () => this.draft.redo() },
      { keys: ['t'], words: 'turn the piece by an eighth', run: () => this.turn() },
      { keys: ['f'], words: 'the form, or the zones', run: () => this.mode.update((mode) => (mode === 'form' ? 'zones' : 'form')) },
      { keys: ['b'], words: 'the piece in the fire, or its zones', run: () => this.mode.update((mode) => (mode === 'fire' ? 'zones' : 'fire')) },
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
