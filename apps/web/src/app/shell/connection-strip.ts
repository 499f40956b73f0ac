import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Router } from '@angular/router';
import { Outbox } from '../data/outbox';
import { NavigationTrouble } from './navigation-trouble';

/** Says when the records cannot be reached, what waits on this device, and what was refused. Silent when all is well. */
@Component({
  selector: 'cz-connection-strip',
  template: `
    <div role="status" class="no-print">
      @if (outbox.away()) {
        <p class="away">
          The studio’s records cannot be reached. Go on working: {{ outbox.pendingCount() }}
          {{ outbox.pendingCount() === 1 ? 'step is' : 'steps are' }} kept on this device and sent when they are back.
        </p>
      }
      @if (trouble.wanted(); as url) {
        <p class="away">
          That page is not on this device yet and could not be fetched. You are still where you were.
          <button type="button" class="press bare" (click)="again(url)">Try again</button>
        </p>
      }
      @for (refusal of outbox.refused(); track refusal.event.event.id) {
        <p class="refused">
          Not taken over: {{ refusal.detail }} <button type="button" class="press bare" (click)="outbox.dismissRefusals()">Understood</button>
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
  private readonly router = inject(Router);

  protected again(url: string): void {
    this.trouble.clear();
    void this.router.navigateByUrl(url);
  }
}
