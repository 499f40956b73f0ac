import { Directive, inject, Input } from '@angular/core';
import { MatInput } from '@angular/material/input';

/** Tells Material's input that its field has an error, so that its outline and `aria-invalid` follow. */
@Directive({ selector: '[czErrorState]' })
export class ErrorState {
  private readonly materialInput = inject(MatInput);

  // A setter, because Material reads the state in the same round.
  @Input({ required: true }) set czErrorState(isWrong: boolean) {
    this.materialInput.errorState = isWrong;
    this.materialInput.stateChanges.next();
  }
}
