import { ChangeDetectionStrategy, Component, effect, inject, input, model, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatTabLink, MatTabNav, MatTabNavPanel } from '@angular/material/tabs';
import { ActivatedRoute, Router } from '@angular/router';

/**
 * Parts of a page of which one is open. The open one stands in the address, so that Back, a reload and a sent link show the same; the page stays
 * where it is scrolled to.
 */
@Component({
  selector: 'cz-tabs',
  imports: [MatTabLink, MatTabNav, MatTabNavPanel],
  template: `
    <nav
      mat-tab-nav-bar
      class="no-print"
      [attr.aria-label]="label()"
      [mat-stretch-tabs]="false"
      [disableRipple]="true"
      [disablePagination]="true"
      [tabPanel]="panel"
    >
      @for (tab of tabs(); track tab[0]) {
        <button type="button" mat-tab-link [active]="tab[0] === active()" (click)="open(tab[0])">{{ tab[1] }}</button>
      }
    </nav>
    <mat-tab-nav-panel #panel><ng-content /></mat-tab-nav-panel>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Tabs<T extends string> {
  readonly label = input.required<string>();
  readonly tabs = input.required<readonly (readonly [id: T, words: string])[]>();
  /** Its name in the address. */
  readonly param = input('bench');
  readonly active = model.required<T>();
  private readonly router = inject(Router);
  private readonly asked = toSignal(inject(ActivatedRoute).queryParamMap);

  constructor() {
    effect(() => {
      const asked = this.asked()?.get(this.param());
      untracked(() => {
        const found = this.tabs().find(([id]) => id === asked);
        if (found && found[0] !== this.active()) this.active.set(found[0]);
      });
    });
  }

  protected open(id: T): void {
    this.active.set(id);
    void this.router.navigate([], { queryParams: { [this.param()]: id }, queryParamsHandling: 'merge', scroll: 'manual' });
  }
}
