import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { MatIcon } from '@angular/material/icon';
import { notRefired, type Preparation } from '@cazuela/core';
import { Units } from '../../../../data/units/units';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';

/** The steps in order, each with its wait and its warnings: dragged, moved by a tap, or pinned before the next. */
@Component({
  selector: 'cz-steps-panel',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, MatButton, MatIcon, MatIconButton, MatTooltip],
  templateUrl: './steps-panel.html',
  styleUrl: './steps-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepsPanel {
  protected readonly draft = inject(PieceDraft);
  protected readonly screen = inject(PieceScreen);
  protected readonly units = inject(Units);
  protected readonly isOwnOrder = computed(() => (this.screen.settledBody()?.plan.order.length ?? 0) > 0);

  /** A refired piece is warm, or it is not refired. */
  protected leaveOut({ kind, bucketId }: Preparation): void {
    const plan = this.draft.body()!.plan;
    if (kind === 'warm') this.draft.plan(notRefired(plan));
    else if (kind === 'gum') this.draft.plan({ gumIn: plan.gumIn?.filter((id) => id !== bucketId) });
    else this.draft.plan({ thinned: plan.thinned?.filter((one) => one.bucketId !== bucketId) });
  }

  protected drop(event: CdkDragDrop<unknown>): void {
    this.move(event.previousIndex, event.currentIndex);
  }

  protected move(from: number, to: number): void {
    const order = this.screen.steps().map((step) => step.key);
    if (to < 0 || to >= order.length || from === to) return;
    moveItemInArray(order, from, to);
    this.draft.plan({ order });
  }

  /** A pinned step stays before the one that follows it now, whatever the search finds. */
  protected pin(at: number): void {
    const keys = this.screen.steps().map((step) => step.key);
    const [before, after] = [keys[at], keys[at + 1]];
    const pins = this.draft.body()!.plan.pins ?? [];
    const kept = pins.filter((pin) => pin.before !== before);
    if (!before || !after) return;
    this.draft.plan({ pins: kept.length < pins.length ? kept : [...kept, { before, after }] });
  }
}
