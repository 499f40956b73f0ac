import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { Outbox } from '../data/offline/outbox';
import { UnreadableRows } from '../data/http/unreadable-rows';
import { AppFaults } from './app-error-handler';
import { NavigationTrouble } from './navigation-trouble';

/** Shown when the records cannot be reached, with what waits on this device and what was refused. Nothing when all is well. */
@Component({
  selector: 'cz-connection-strip',
  imports: [MatButton, RouterLink],
  templateUrl: './connection-strip.html',
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
  protected readonly faults = inject(AppFaults);
  protected readonly trouble = inject(NavigationTrouble);
  protected readonly unreadable = inject(UnreadableRows);
  private readonly router = inject(Router);
  protected readonly paused = computed(() => {
    const failure = this.outbox.paused();
    if (!failure) return undefined;
    const isGone = failure.kind === 'unreachable' || failure.problem.code === 'databaseAway';
    return isGone ? 'The studio’s records cannot be reached.' : `The studio’s records take nothing just now. ${failure.problem.detail}`;
  });

  protected reload(): void {
    location.reload();
  }

  protected again(url: string): void {
    this.trouble.clear();
    void this.router.navigateByUrl(url);
  }
}
