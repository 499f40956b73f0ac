import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Outbox } from '../data/offline/outbox';
import { UnreadableRows } from '../data/http/unreadable-rows';
import { NavigationTrouble } from './navigation-trouble';

/** Shown when the records cannot be reached, with what waits on this device and what was refused. Nothing when all is well. */
@Component({
  selector: 'cz-connection-strip',
  imports: [RouterLink],
  template: `
    <div role="status" class="no-print">
      @if (paused(); as words) {
        <p class="away">
          {{ words }} Go on working: {{ outbox.pendingCount() }} {{ outbox.pendingCount() === 1 ? 'step is' : 'steps are' }} kept on this device and
          sent when they are back.
          <button type="button" class="press bare" (click)="outbox.tryNow()">Try now</button>
        </p>
      }
      @if (outbox.unkeptCount(); as count) {
        <p class="refused">
          This device has no room left: {{ count }} {{ count === 1 ? 'step is' : 'steps are' }} kept by this page alone. Leave it open until
          {{ count === 1 ? 'it is' : 'they are' }} sent.
        </p>
      }
      @if (trouble.wanted(); as url) {
        <p class="away">
          That page is not on this device yet and could not be fetched. You are still where you were.
          <button type="button" class="press bare" (click)="again(url)">Try again</button>
        </p>
      }
      @if (outbox.refused(); as refused) {
        @if (refused.length > 0) {
          <p class="refused">
            {{ refused.length === 1 ? 'One step was' : refused.length + ' steps were' }} not taken over: {{ refused.at(-1)!.detail }}
            <a class="press bare" routerLink="/steps-not-taken">Look at {{ refused.length === 1 ? 'it' : 'them' }}</a>
          </p>
        }
      }
      @for (list of unreadable.lists(); track list.path) {
        <p class="refused">
          {{ list.count === 1 ? 'One entry' : list.count + ' entries' }} of “{{ list.name }}” cannot be read, and
          {{ list.count === 1 ? 'is' : 'are' }} left out here. Reload the page; if it stays so, ask whoever looks after this Cazuela.
        </p>
      }
    </div>
  `,
  styles: `
    p {
      padding: 0.5rem 1.8rem;
      font-weight: 600;
    }
    .away {
      background: var(--rutile-wash);
      color: var(--iron);
    }
    .refused {
      background: var(--oxblood-wash);
      color: var(--iron);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConnectionStrip {
  protected readonly outbox = inject(Outbox);
  protected readonly trouble = inject(NavigationTrouble);
  protected readonly unreadable = inject(UnreadableRows);
  private readonly router = inject(Router);
  protected readonly paused = computed(() => {
    const failure = this.outbox.paused();
    if (!failure) return undefined;
    const isGone = failure.kind === 'unreachable' || failure.problem.code === 'databaseAway';
    return isGone ? 'The studio’s records cannot be reached.' : `The studio’s records take nothing just now. ${failure.problem.detail}`;
  });

  protected again(url: string): void {
    this.trouble.clear();
    void this.router.navigateByUrl(url);
  }
}
