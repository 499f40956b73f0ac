/** Leaves the field that has the focus: from now on it shows what comes from elsewhere, as when a hand takes hold of a drawing. */
export function leaveField(): void {
  if (document.activeElement instanceof HTMLInputElement) document.activeElement.blur();
}
