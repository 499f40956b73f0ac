import { saveAs } from 'file-saver';

/** Hands a file to the browser, which asks or saves it, depending on its settings. The file's own type is kept: no byte order mark is added. */
export function saveFile(blob: Blob, name: string): void {
  saveAs(blob, name, { autoBom: false });
}
