import { inject, provideAppInitializer, type EnvironmentProviders } from '@angular/core';
import { MatIconRegistry } from '@angular/material/icon';
import { DomSanitizer } from '@angular/platform-browser';
import {
  mdiArrowDown,
  mdiArrowUp,
  mdiCheck,
  mdiClose,
  mdiDrag,
  mdiMinus,
  mdiPlus,
  mdiPrinterOutline,
  mdiStar,
  mdiStarOutline,
  mdiUndoVariant,
  mdiRedoVariant,
  mdiPinOutline,
  mdiPin,
  mdiCameraOutline,
  mdiTuneVariant,
  mdiDotsVertical,
  mdiPause,
  mdiPlay,
} from '@mdi/js';

const ICONS = {
  up: mdiArrowUp,
  down: mdiArrowDown,
  check: mdiCheck,
  close: mdiClose,
  drag: mdiDrag,
  minus: mdiMinus,
  plus: mdiPlus,
  print: mdiPrinterOutline,
  star: mdiStar,
  'star-empty': mdiStarOutline,
  undo: mdiUndoVariant,
  redo: mdiRedoVariant,
  pin: mdiPinOutline,
  pinned: mdiPin,
  camera: mdiCameraOutline,
  tune: mdiTuneVariant,
  more: mdiDotsVertical,
  play: mdiPlay,
  pause: mdiPause,
};

/** Icons ship with the app, as SVG paths from @mdi/js. */
export function provideIcons(): EnvironmentProviders {
  return provideAppInitializer(() => {
    const registry = inject(MatIconRegistry);
    const sanitizer = inject(DomSanitizer);
    for (const [name, path] of Object.entries(ICONS)) {
      registry.addSvgIconLiteral(name, sanitizer.bypassSecurityTrustHtml(`<svg viewBox="0 0 24 24"><path d="${path}"/></svg>`));
    }
  });
}
