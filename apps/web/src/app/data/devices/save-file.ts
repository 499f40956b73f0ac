/** Hands a file to the browser, which asks or saves it, depending on its settings. */
export function saveFile(blob: Blob, name: string): void {
  const link = document.createElement('a');
  const address = URL.createObjectURL(blob);
  link.href = address;
  link.download = name;
  document.body.append(link);
  link.click();
  link.remove();
  // The browser has taken it once this task is over.
  setTimeout(() => URL.revokeObjectURL(address));
}
