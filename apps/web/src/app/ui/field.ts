import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { FieldControl } from './field-control';

/** What the frame shows of its field. */
export type FramedField = Pick<FieldControl<unknown>, 'id' | 'label' | 'labelHidden' | 'hint' | 'problem' | 'question'>;

/** The frame of every field: its name and hint above, the control, and one place for its error below. */
@Component({
  selector: 'cz-field',
  template: `
    <span class="name" [class.visually-hidden]="of().labelHidden()"
      ><label [attr.for]="of().id" [id]="of().id + '-label'">{{ of().label() }}</label>
      @if (of().hint()) {
        <span class="hint" [id]="of().id + '-hint'">{{ of().hint() }}</span>
      }
    </span>
    <ng-content />
    @if (of().problem(); as words) {
      <p class="field-error" [id]="of().id + '-error'" role="alert">{{ words }}</p>
    } @else if (of().question(); as words) {
      <p class="look small" role="status">{{ words }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.2rem;
      align-content: start;
    }
    .name {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.45rem;
      font-size: 0.92rem;
      font-weight: 600;
      color: var(--iron-wash);
    }
    .hint {
      font-weight: 450;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Field {
  readonly of = input.required<FramedField>();
}
