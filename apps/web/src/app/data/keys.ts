import { DestroyRef, inject, Injectable, signal } from '@angular/core';

export interface KeyBinding {
  /** `KeyboardEvent.key` in lower case: ' ', 'enter', 'backspace', 'n'. Several keys may do the same. */
  keys: readonly string[];
  words: string;
  run: () => void;
  /** Also while a field has the focus. */
  inFields?: boolean;
  /** The key still does what it does, e.g. types into the field that got the focus. */
  passOn?: boolean;
}

/** The keys of the screen that is open. One listener in the shell hands every key press in. */
@Injectable({ providedIn: 'root' })
export class Keys {
  private readonly layers = signal<readonly (readonly KeyBinding[])[]>([]);
  readonly bindings = this.layers.asReadonly();

  /** For as long as the calling component lives; the newest layer is asked first. */
  bind(bindings: readonly KeyBinding[], destroyRef = inject(DestroyRef)): void {
    this.layers.update((layers) => [bindings, ...layers]);
    destroyRef.onDestroy(() => this.layers.update((layers) => layers.filter((layer) => layer !== bindings)));
  }

  press(event: KeyboardEvent): void {
    // A key held down is one press.
    if (event.repeat || event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
    const key = event.key.toLowerCase();
    const target = event.target instanceof HTMLElement ? event.target : undefined;
    const inField = target !== undefined && isField(target);
    // A focused button or link keeps its own Space and Enter.
    if (target && !inField && (key === ' ' || key === 'enter') && target.closest('button, a, summary, [role="slider"]')) return;
    if (document.querySelector('.cdk-overlay-container mat-dialog-container')) return;
    for (const layer of this.layers()) {
      const found = layer.find((binding) => binding.keys.includes(key) && (!inField || binding.inFields));
      if (found) {
        if (!found.passOn) event.preventDefault();
        found.run();
        return;
      }
    }
  }
}

function isField(element: HTMLElement): boolean {
  if (element instanceof HTMLInputElement) return !['checkbox', 'radio', 'button'].includes(element.type);
  return element instanceof HTMLTextAreaElement || element instanceof HTMLSelectElement || element.isContentEditable;
}
