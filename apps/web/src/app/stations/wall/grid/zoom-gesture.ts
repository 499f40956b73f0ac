/** Told how much larger it is to be, and about which point, px from the corner of the element. */
export type Zoom = (by: number, x: number, y: number) => void;

/** One line of a wheel, px. */
const LINE_PX = 16;
const WHEEL_SHARE = 0.004;

/** Listens for the wheel with Ctrl, which is also how a touchpad tells a pinch, and for two fingers. Returns what ends it. */
export function onZoom(element: HTMLElement, zoom: Zoom): () => void {
  const ended = new AbortController();
  // Not passive: without preventDefault the whole page grows.
  const options = { passive: false, signal: ended.signal };
  let apartPx = 0;
  element.addEventListener(
    'wheel',
    (event) => {
      if (!event.ctrlKey) return;
      event.preventDefault();
      const { x, y } = from(element, event.clientX, event.clientY);
      zoom(Math.exp(-event.deltaY * (event.deltaMode === WheelEvent.DOM_DELTA_LINE ? LINE_PX : 1) * WHEEL_SHARE), x, y);
    },
    options,
  );
  element.addEventListener('touchstart', (event) => (apartPx = apart(event.touches)), options);
  element.addEventListener(
    'touchmove',
    (event) => {
      const [one, other] = [event.touches[0], event.touches[1]];
      if (!one || !other || apartPx === 0) return;
      event.preventDefault();
      const nowPx = apart(event.touches);
      const { x, y } = from(element, (one.clientX + other.clientX) / 2, (one.clientY + other.clientY) / 2);
      zoom(nowPx / apartPx, x, y);
      apartPx = nowPx;
    },
    options,
  );
  return () => ended.abort();
}

/** Of two fingers, px; 0 of any other number. */
function apart(touches: TouchList): number {
  const [one, other] = [touches[0], touches[1]];
  return one && other && touches.length === 2 ? Math.hypot(one.clientX - other.clientX, one.clientY - other.clientY) : 0;
}

function from(element: HTMLElement, clientX: number, clientY: number): { x: number; y: number } {
  const { left, top } = element.getBoundingClientRect();
  return { x: clientX - left, y: clientY - top };
}
