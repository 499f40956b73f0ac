import { DestroyRef, inject, Injectable, signal } from '@angular/core';

export interface KeyBinding {
  /** `KeyboardEvent.key` in lower case: ' ', 'enter', 'backspace', 'n'. Several keys may do the same. */
  keys: readonly string[];
  words: string;
  run: () => void;
  /** Also while a field has the focus; letters and Space only in a field of figures: in a field of words they are typed. */
  inFields?: boolean;
  /** Handled only while this returns true; always when left out. */
  when?: () => boolean;
  /** Pressed again within so many ms, it counts as one press. */
  restsMs?: number;
  /** The key also does what it does by itself, e.g. types into the field that got the focus. */
  passOn?: boolean;
}

const DIALOGS = '.cdk-overlay-container :is(mat-dialog-container, mat-bottom-sheet-container)';

/** The keys of the open screen. One listener in the shell passes every key press on. */
@Injectable({ providedIn: 'root' })
export class Keys {
  private lastRun: { binding: KeyBinding; atMs: number } | undefined;
  private pointedAt: Element | undefined;
  private readonly layers = signal<readonly (readonly KeyBinding[])[]>([]);
  readonly bindings = this.layers.asReadonly();

  /** For as long as the calling component lives; the newest layer is asked first. */
  bind(bindings: readonly KeyBinding[], destroyRef = inject(DestroyRef)): void {
    this.layers.update((layers) => [bindings, ...layers]);
    destroyRef.onDestroy(() => this.layers.update((layers) => layers.filter((layer) => layer !== bindings)));
  }

  /** A button that was clicked gives Space and Enter back to the screen: after a tap on “tare”, Space still means “next”. */
  point(event: Event): void {
    this.pointedAt = event.target instanceof Element ? (event.target.closest('button, a, summary') ?? undefined) : undefined;
  }

  press(event: KeyboardEvent): void {
    // A key that is held down counts as one press.
    if (event.repeat || event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
    const key = event.key.toLowerCase();
    // From here on the focus is moved by keys.
    if (key === 'tab') this.pointedAt = undefined;
    const target = event.target instanceof HTMLElement ? event.target : undefined;
    const inField = target !== undefined && isField(target);
    if (target && keeps(target, key)) return;
    // An open dialog has the keys to itself; what fills the screen is the screen.
    if ([...document.querySelectorAll(DIALOGS)].some((dialog) => !dialog.closest('.full-screen'))) return;
    const found = this.layers()
      .flat()
      .find((binding) => binding.keys.includes(key) && (!inField || binding.inFields) && (binding.when?.() ?? true));
    if (!found) return;
    const button = pressedBy(key) ? target?.closest<HTMLElement>('button, a, summary') : undefined;
    if (button) {
      if (button !== this.pointedAt) return;
      button.blur();
    }
    if (!found.passOn) event.preventDefault();
    const isSamePress = found === this.lastRun?.binding && event.timeStamp - this.lastRun.atMs < (found.restsMs ?? 0);
    this.lastRun = { binding: found, atMs: event.timeStamp };
    if (!isSamePress) found.run();
  }
}

const pressedBy = (key: string): boolean => key === ' ' || key === 'enter';

/** The focused element has its own use for this key. */
function keeps(target: HTMLElement, key: string): boolean {
  if (pressedBy(key) && target.closest('[role="slider"]')) return true;
  if (isChoice(target)) return key === ' ';
  return key.length === 1 && isField(target) && !isOfFigures(target);
}

function isChoice(element: HTMLElement): boolean {
  return element instanceof HTMLInputElement && ['checkbox', 'radio'].includes(element.type);
}

function isOfFigures(element: HTMLElement): boolean {
  return (
    element instanceof HTMLInputElement && (element.type === 'number' || ['decimal', 'numeric'].includes(element.getAttribute('inputmode') ?? ''))
  );
}

function isField(element: HTMLElement): boolean {
  if (element instanceof HTMLInputElement) return !['checkbox', 'radio', 'button'].includes(element.type);
  return element instanceof HTMLTextAreaElement || element instanceof HTMLSelectElement || element.isContentEditable;
}
