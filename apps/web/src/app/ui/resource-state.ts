import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { ApiResource } from '../data/http/api-resource';
import { ErrorBanner } from './error-banner';
import { Loading } from './loading';

/** What a screen shows of its records until they are there: that they are being fetched, or why they did not come, with a way to try again. */
@Component({
  selector: 'cz-resource-state',
  imports: [ErrorBanner, Loading],
  template: `
    <cz-error-banner [failure]="resource().failure()" (again)="resource().reload()" />
    @if (!resource().value() && !resource().failure()) {
      <cz-loading />
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ResourceState {
  readonly resource = input.required<ApiResource<unknown>>();
}
