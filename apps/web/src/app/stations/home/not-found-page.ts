import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'cz-not-found-page',
  imports: [MatButton, RouterLink],
  template: `<div class="page stack">
    <h1>There is nothing at this address</h1>
    <p>It may have been mistyped, or what stood here is gone.</p>
    <div><a matButton="filled" routerLink="/">What now?</a></div>
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NotFoundPage {}
