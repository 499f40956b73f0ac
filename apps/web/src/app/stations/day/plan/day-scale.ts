/** A stretch of the day in the timeline: open, or shortened because nobody works. */
export interface ScalePart {
  fromMs: number;
  untilMs: number;
  fromPx: number;
  untilPx: number;
  isOpen: boolean;
}

/** A stretch in which nobody works is drawn this wide, px, whatever its hours. */
const NIGHT_PX = 44;
/** Shorter ones are drawn as they are, ms. */
const SHORT_MS = 90 * 60_000;

/**
 * Returns how the hours of a plan lie across a drawing: as long as they are where somebody works, and short over nights.
 *
 * @param question - `fromMs`, `untilMs`; `open`, stretches in which somebody works or something goes on; `pxPerMinute`
 */
export function dayScale({
  fromMs,
  untilMs,
  open,
  pxPerMinute,
}: {
  fromMs: number;
  untilMs: number;
  open: readonly (readonly [fromMs: number, untilMs: number])[];
  pxPerMinute: number;
}): ScalePart[] {
  const parts: ScalePart[] = [];
  const add = (from: number, until: number, isOpen: boolean): void => {
    if (until <= from) return;
    const fromPx = parts.at(-1)?.untilPx ?? 0;
    const wide = isOpen || until - from < SHORT_MS ? ((until - from) / 60_000) * pxPerMinute : NIGHT_PX;
    parts.push({ fromMs: from, untilMs: until, fromPx, untilPx: fromPx + wide, isOpen: isOpen || until - from < SHORT_MS });
  };
  let at = fromMs;
  for (const [opens, closes] of [...open].sort((a, b) => a[0] - b[0])) {
    if (closes <= at || opens >= untilMs) continue;
    add(at, Math.max(at, opens), false);
    at = Math.max(at, opens);
    add(at, Math.min(closes, untilMs), true);
    at = Math.min(closes, untilMs);
  }
  add(at, untilMs, false);
  return parts;
}

/** Returns where a moment lies, px. */
export function pxAt(parts: readonly ScalePart[], ms: number): number {
  const part = parts.find(({ untilMs }) => ms <= untilMs) ?? parts.at(-1);
  if (!part) return 0;
  const share = Math.min(1, Math.max(0, (ms - part.fromMs) / (part.untilMs - part.fromMs)));
  return part.fromPx + share * (part.untilPx - part.fromPx);
}

/** Returns the moment at a place, ms. */
export function msAt(parts: readonly ScalePart[], px: number): number {
  const part = parts.find(({ untilPx }) => px <= untilPx) ?? parts.at(-1);
  if (!part) return 0;
  const share = Math.min(1, Math.max(0, (px - part.fromPx) / (part.untilPx - part.fromPx)));
  return part.fromMs + share * (part.untilMs - part.fromMs);
}
